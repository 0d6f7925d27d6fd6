import { bakeEventSchema, bakeSchema, bakeToWire, planToWire } from '../contract'
import { BAKE } from '../testing/plannedBake'
import { bakeOf, buildLogOf, buildLogsOf, stateOf, wishOf } from './fromWire'

const id = '11111111-1111-4111-8111-111111111111'

test('an event from the wire folds', () => {
  const pour = bakeEventSchema.parse({ id, type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 21, happenedAt: '2026-11-26T20:00:00Z' })
  expect(pour.source).toBe('typed')
  expect(stateOf([pour]).poured.seed).toBe(21)
})

test('a plan as a wish keeps its instant', () => {
  const wish = wishOf({ mixAt: Date.UTC(2026, 10, 27, 18) } as never)
  expect(wish.mixAtMs).toBe(Date.UTC(2026, 10, 27, 18))
})

test('a bake survives the wire, and is folded when it comes over it', () => {
  const pour = bakeEventSchema.parse({ id, type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 21, happenedAt: '2026-11-26T20:00:00.000Z' })
  const record = { ...BAKE, id, version: 3, events: [pour], createdAt: pour.happenedAt, deletedAt: null }
  const back = bakeOf(bakeSchema.parse(JSON.parse(JSON.stringify(bakeToWire(record)))))
  expect(back.plan).toEqual(BAKE.plan)
  expect(back.state.poured.seed).toBe(21)
})

test('what an earlier version kept is read, though its figures lie outside of the ranges of today', () => {
  const wire = { ...bakeToWire({ ...BAKE, id, version: 1, createdAt: 0, deletedAt: null }) }
  const { moves: _, pins: __, ...plan } = planToWire({ ...BAKE.plan, tempC: 900 })
  const mark = { id, type: 'mark', happenedAt: '2026-11-26T20:00:00.000Z', rise: 99, signs: { top: 'a word of then' } }
  const back = bakeOf(bakeSchema.parse({ ...wire, plan, events: [mark] }))
  expect(back.plan).toMatchObject({ tempC: 900, moves: [], pins: [] })
  expect(back.state.marks).toMatchObject([{ rise: 99, atMs: Date.UTC(2026, 10, 26, 20) }])
})

test('a logged build as learning takes it: levels and signs, a meter’s reading, and how it was when it was mixed', () => {
  const mark = bakeEventSchema.parse({ id, type: 'mark', happenedAt: '2026-11-26T16:00:00Z', rise: 2.1, pH: 4.4, signs: {} })
  expect(stateOf([mark]).marks).toMatchObject([{ rise: 2.1, pH: 4.4 }])
  const line = { startedAtMs: Date.UTC(2026, 10, 26, 10), flours: { 'white wheat': 100 }, waterGrams: 100, saltGrams: 0, mixTempC: 24, stays: [], parents: [] }
  const build = {
    kind: 'levain',
    line: { ...line, stays: [{ fromMs: line.startedAtMs, tempC: 24 }] },
    marks: [{ at: Date.UTC(2026, 10, 26, 16), rise: 2.1, pH: 4.4, signs: {} }]
  }
  const { seen, metered } = buildLogOf({ ...build, mixedAt: Date.UTC(2026, 10, 26, 17), mixedAs: 'rising' } as never)
  expect(seen).toEqual([
    { kind: 'level', hours: 6, rise: 2.1 },
    { kind: 'climbing', hours: 7 }
  ])
  expect(metered).toEqual([{ hours: 6, pH: 4.4 }])
})

test('a dough a meter was put into is a log of its own, that tells of acid only', () => {
  const startedAtMs = Date.UTC(2026, 10, 26, 10)
  const line = {
    startedAtMs,
    flours: { 'white wheat': 100 },
    waterGrams: 100,
    saltGrams: 0,
    mixTempC: 24,
    stays: [{ fromMs: startedAtMs, tempC: 24 }],
    parents: []
  }
  const build = { batchId: id, name: 'Loaf', kind: 'levain' as const, line, marks: [], mixedAt: startedAtMs }
  expect(buildLogsOf(build)).toHaveLength(1)
  const mixedAtMs = Date.UTC(2026, 10, 26, 18)
  const dough = {
    line: { ...line, startedAtMs: mixedAtMs, saltGrams: 2, stays: [{ fromMs: mixedAtMs, tempC: 24 }] },
    metered: [{ at: Date.UTC(2026, 10, 26, 22), pH: 5.2 }]
  }
  expect(buildLogsOf({ ...build, dough })[1]).toMatchObject({ vessel: { salt: 0.02 }, seen: [], metered: [{ hours: 4, pH: 5.2 }] })
})
