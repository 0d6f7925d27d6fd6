import { type BakeProblem, foldBake } from '../core'
import {
  bakeEventSchema,
  bakePutSchema,
  fieldSentences,
  formulaSchema,
  happeningOf,
  kitchenEditSchema,
  lineFromWire,
  lineSchema,
  lineToWire,
  problemSentence,
  wishOf
} from '.'

const id = '11111111-1111-4111-8111-111111111111'
const line = {
  startedAt: '2026-11-26T08:00:00.000Z',
  flours: { rye: 50 },
  waterGrams: 60,
  saltGrams: 0,
  mixTempC: 23,
  stays: [{ from: '2026-11-26T08:00:00.000Z', tempC: 22 }],
  parents: [{ grams: 20, hydration: 1, flour: 'rye', line: null }]
}

test('a line survives the wire, parents and all', () => {
  const nested = { ...line, parents: [{ grams: 20, hydration: 1, flour: 'rye', line }] }
  const parsed = lineSchema.parse(JSON.parse(JSON.stringify(nested)))
  expect(lineToWire(lineFromWire(parsed))).toEqual(nested)
  expect(lineFromWire(parsed).startedAtMs).toBe(Date.UTC(2026, 10, 26, 8))
})

test('a line without a place is no line', () => {
  expect(lineSchema.safeParse({ ...line, stays: [] }).success).toBe(false)
})

test('every schema tells sentences, none in a machine’s words', () => {
  const parsed = bakePutSchema.safeParse({
    version: 'x',
    plan: {
      name: '',
      formula: { base: 'mine', hydration: 9, lines: [{ kind: 'gold' }] },
      target: { kind: 'pieces', pieces: 'two' },
      build: { flours: [] },
      school: null,
      mixAt: 5
    }
  })
  if (parsed.success) throw new Error('accepted')
  const sentences = Object.values(fieldSentences(parsed.error))
  expect(sentences.length).toBeGreaterThan(8)
  for (const sentence of sentences) {
    expect(sentence).toMatch(/^[A-Z].*\.$/)
    expect(sentence).not.toMatch(/expected|received|undefined|Invalid/)
  }
})

test('a percentage out of range is told in percent', () => {
  const parsed = formulaSchema.safeParse({ base: 'plain', doughKind: 'wheat', hydration: 0.7, salt: 0.63, lines: [], autolyse: false, heldBack: 0 })
  const sentences = parsed.success ? [] : Object.values(fieldSentences(parsed.error))
  expect(sentences).toContain('Salt has to be from 0 % to 20 %.')
})

test('only real time zones and clock times', () => {
  const zone = kitchenEditSchema.shape.timeZone
  expect(zone.safeParse('Europe/Lisbon').success).toBe(true)
  expect(zone.safeParse('Europe/Nowhere').success).toBe(false)
  const sleep = kitchenEditSchema.shape.sleep
  expect(sleep.safeParse({ from: '23:59', to: '00:00' }).success).toBe(true)
  expect(sleep.safeParse({ from: '24:00', to: '7:00' }).success).toBe(false)
})

test('an event from the wire folds', () => {
  const pour = bakeEventSchema.parse({ id, type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 21, happenedAt: '2026-11-26T20:00:00Z' })
  expect(pour.source).toBe('typed')
  expect(foldBake([happeningOf(pour)]).poured.seed).toBe(21)
})

test('a plan as a wish keeps its instant', () => {
  const wish = wishOf({ mixAt: '2026-11-27T18:00:00.000Z' } as never)
  expect(wish.mixAtMs).toBe(Date.UTC(2026, 10, 27, 18))
})

test.each([
  ['levain wetter than dough', { levainHydration: 2.5, hydration: 0.3 }, /250 %.*30 %/],
  ['seed too wet', { leastFlourPerSeed: 1.11 }, /1\.2 parts of flour/],
  ['never ripe', { tempC: 4 }, /4 °C.*warmer/],
  ['dough mass', {}, /give it a size/]
] as [BakeProblem, Record<string, number>, RegExp][])('%s has a sentence with its figures', (code, values, pattern) => {
  expect(problemSentence({ code, values })).toMatch(pattern)
})
