import { millisecondsInHour } from 'date-fns/constants'
import { PLAN as base } from '../../testing/plannedBake'
import { mergePlans } from './mergePlans'

const flours = base.formula.lines.filter((line) => line.kind === 'flour')

test('hydration here, salt there: both stay, and nothing is asked', () => {
  const mine = { ...base, formula: { ...base.formula, hydration: 0.81 } }
  const theirs = { ...base, formula: { ...base.formula, salt: 0.023 } }
  const { mine: merged, theirs: other, clashes } = mergePlans(base, mine, theirs)
  expect(clashes).toEqual([])
  expect([merged.formula.hydration, merged.formula.salt]).toEqual([0.81, 0.023])
  expect(other).toEqual(merged)
})

test('the same field changed to two values clashes, and only that one', () => {
  const mine = { ...base, name: 'Mine', formula: { ...base.formula, hydration: 0.81 } }
  const theirs = { ...base, mixTempC: 27, formula: { ...base.formula, hydration: 0.66 } }
  const merged = mergePlans(base, mine, theirs)
  expect(merged.clashes).toEqual(['formula.hydration'])
  expect([merged.mine.formula.hydration, merged.theirs.formula.hydration]).toEqual([0.81, 0.66])
  for (const plan of [merged.mine, merged.theirs]) expect([plan.name, plan.mixTempC]).toEqual(['Mine', 27])
})

test('a line added there and one changed here are both there; one taken away stays away', () => {
  const [first] = flours
  if (first === undefined) throw new Error('a dough has flour')
  const extra = { kind: 'extra' as const, id: '00000000-0000-4000-8000-00000000abcd', ingredientId: 'walnuts', share: 0.1 }
  const mine = { ...base, formula: { ...base.formula, lines: base.formula.lines.map((l) => (l.id === first.id ? { ...first, share: 77 } : l)) } }
  const theirs = { ...base, formula: { ...base.formula, lines: [...base.formula.lines, extra] } }
  const both = mergePlans(base, mine, theirs as typeof base)
  expect(both.clashes).toEqual([])
  expect(both.mine.formula.lines).toHaveLength(base.formula.lines.length + 1)
  expect(both.mine.formula.lines.find((l) => l.id === first.id)).toMatchObject({ share: 77 })
  const without = { ...base, formula: { ...base.formula, lines: base.formula.lines.filter((l) => l.id !== first.id) } }
  expect(mergePlans(base, without, theirs as typeof base).mine.formula.lines.map((l) => l.id)).not.toContain(first.id)
})

test('the day is taken from one side whole, never half of each', () => {
  const mine = { ...base, mixAt: base.mixAt + millisecondsInHour }
  const theirs = { ...base, startAt: base.mixAt - 9 * millisecondsInHour }
  const { mine: ours, theirs: others, clashes } = mergePlans(base, mine, theirs)
  expect(clashes).toHaveLength(1)
  expect([ours.mixAt, ours.startAt]).toEqual([mine.mixAt, mine.startAt])
  expect([others.mixAt, others.startAt]).toEqual([theirs.mixAt, theirs.startAt])
})

test('equal content is no clash, also where nobody knows what stood there before', () => {
  const changed = { ...base, name: 'Market rolls' }
  expect(mergePlans(base, changed, { ...changed })).toEqual({ mine: changed, theirs: changed, clashes: [] })
  expect(mergePlans(null, changed, { ...changed }).clashes).toEqual([])
  expect(mergePlans(null, changed, { ...changed, mixTempC: 27 }).clashes).toEqual(['mixTempC'])
})
