import { MODEL_VERSION, TYPICAL_JAR, UNKNOWN_JAR } from '../../core'
import { beliefOfBake } from './beliefs'

type Asked = Parameters<typeof beliefOfBake>[0]
const mixed = (modelVersion: string, vigour = 1.1) =>
  ({
    plan: { jarId: 'pip' },
    state: { mixed: { id: 'm' } },
    events: [{ id: 'm', type: 'mixed', shown: { modelVersion, theta: { ...TYPICAL_JAR, vigour } } }]
  }) as unknown as Asked
// What the build's own looks have taught since.
const learned = new Map([['pip', { ...UNKNOWN_JAR, centre: { ...TYPICAL_JAR, vigour: 0.7 } }]])

test('a dough that is mixed rises by what was believed of its jar then, not by what its own levain has taught since', () => {
  expect(beliefOfBake(mixed(MODEL_VERSION), learned).centre).toEqual({ ...TYPICAL_JAR, vigour: 1.1 })
})

test('before it is mixed, and where it was told by an earlier model, what is believed now counts', () => {
  const open = { ...mixed(MODEL_VERSION), state: { mixed: null } } as unknown as Asked
  expect(beliefOfBake(open, learned).centre.vigour).toBe(0.7)
  expect(beliefOfBake(mixed('hill-1'), learned).centre.vigour).toBe(0.7)
})

test('a figure that no jar can have is not taken over from an entry', () => {
  for (const vigour of [0, -1, 1e9]) expect(beliefOfBake(mixed(MODEL_VERSION, vigour), learned).centre.vigour).toBe(0.7)
})
