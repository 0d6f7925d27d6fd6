import { type BreadWish, BUILT_IN_INGREDIENTS, findPlans, offerPlans, pantryOf, restedSeed, stepsOf, UNKNOWN_JAR, withRoom } from '../core'
import { stepFactsOf } from './bakeDay'
import { type Bake, courseFor, type Plan } from './bakes'
import { type Jar, lineToWire } from './jars'
import type { Kitchen } from './kitchen'
import { busyIn, claimOf, fullStretches, planProblemOf, takePlan } from './planProblem'
import { type Cultures, type Stocked, solvePlan } from './solvePlan'

const HOUR = 3_600_000
const now = Date.UTC(2026, 10, 26, 18)
const place = (id: string, tempC: number, takes: number | null = null) => ({ id, name: id, tempC, nightTempC: null, surroundings: 'air', takes })
const kitchen = {
  timeZone: 'Europe/Lisbon',
  sleep: { from: '23:00', to: '07:00' },
  weekly: [{ id: 'w', name: 'work', kind: 'out', days: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }],
  once: [],
  smallScale: true,
  tapTempC: 14,
  cups: 'metric',
  places: [place('room', 21), place('warm', 26, 1), place('fridge', 4)]
} as unknown as Kitchen
const stocked: Stocked = { kitchen, pantry: pantryOf(BUILT_IN_INGREDIENTS), vessels: [] }
const feed = [{ ingredientId: 'white wheat', share: 1 }]
/** A jar of white wheat that stood in the cold for some days. */
function culturesWith(coldDays: number): Cultures {
  const line = lineToWire(restedSeed('white wheat', coldDays, now))
  const jar = { id: 'pip', name: 'Pip', grams: 80, keepMinimumGrams: 15, hydration: 1, flour: 'white wheat', feed, line } as unknown as Jar
  return { jars: [jar], beliefs: new Map([['pip', UNKNOWN_JAR]]) }
}
const formula = {
  base: 'dough flour',
  doughKind: 'wheat',
  hydration: 0.72,
  salt: 0.02,
  lines: [
    { id: 'f', kind: 'flour', ingredientId: 'white wheat', share: 1 },
    { id: 'w', kind: 'water' },
    { id: 'l', kind: 'levain', share: 0.2 },
    { id: 's', kind: 'salt' }
  ],
  autolyse: true,
  heldBack: 0
} as Plan['formula']
const plan: Plan = {
  name: 'Two loaves',
  target: { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: 0.02, bakeLoss: null },
  formula,
  build: {
    source: 'separate build',
    by: { kind: 'ratio', flourPerSeed: 5 },
    hydration: 1,
    salt: 0,
    oil: 0,
    flours: feed,
    keepBackGrams: 20,
    older: { share: 0.5, hydration: 1 },
    vesselId: null,
    alsoFor: []
  },
  jarId: 'pip',
  placeId: 'room',
  tempC: 21,
  mixTempC: 24,
  moves: [],
  school: 'dome',
  mixAt: new Date(now + 26 * HOUR).toISOString(),
  startAt: null,
  course: courseFor(formula, { id: 'room', tempC: 21 }),
  before: [],
  bread: null,
  pins: []
}
const bake = { id: 'bake', plan, status: 'planned', events: [], ingredients: [], line: null } as unknown as Bake
const wish: BreadWish = { kind: 'out', atMs: now + 42 * HOUR }

function asked(coldDays: number, more: Partial<Plan> = {}, others: Parameters<typeof planProblemOf>[7] = []) {
  const cultures = culturesWith(coldDays)
  const wished = { ...plan, ...more }
  const solved = solvePlan(wished, cultures, stocked, now)
  const problem = planProblemOf(bake, wished, solved, wish, cultures, stocked, now, others)
  if (problem === null) throw new Error('nothing to ask')
  return { cultures, problem: { ...problem, spread: { jar: 0.25, fed: 0.15 } } }
}

test('a way that is taken is the plan then: the same start, mix, bake and feeds, to the minute', () => {
  for (const coldDays of [0, 8]) {
    const { cultures, problem } = asked(coldDays)
    const found = offerPlans(problem, findPlans(withRoom(problem)), UNKNOWN_JAR).map((offer) => offer.plan)
    expect(found.length).toBeGreaterThan(1)
    for (const way of found) {
      const taken = { ...plan, ...takePlan(plan, problem, way, kitchen) }
      const solved = solvePlan(taken, cultures, stocked, now)
      const last = way.stages.at(-1)
      expect(solved?.build?.timed.startMs).toBe(last?.startMs)
      expect(taken.before.map((b) => Date.parse(b.at))).toEqual(way.stages.slice(0, -1).map((s) => s.startMs))
      const steps = stepsOf(stepFactsOf(bake, taken, solved, null, stocked, cultures), now)
      const at = (id: string) => steps.find((s) => s.id === id)?.atMs ?? 0
      expect(at('mix')).toBe(way.mixMs)
      expect(Math.abs(at('shape') - way.times.shapeMs) / HOUR).toBeLessThan(0.25)
      expect(Math.abs(at('out') - way.times.outMs) / HOUR).toBeLessThan(0.25)
      expect(solved?.warnings.filter((w) => w.code === 'start in the night' || w.code === 'start has passed')).toEqual([])
    }
  }
})

test('a first build yields the seed of the last one', () => {
  const { problem } = asked(8)
  const way = findPlans(problem).find((p) => p.stages[0]?.stage.kind === 'first build')
  if (way === undefined) throw new Error('no first build')
  const { before } = takePlan(plan, problem, way, kitchen)
  const [first] = before ?? []
  const made = (first?.seedGrams ?? 0) + (first?.flourGrams ?? 0) + (first?.waterGrams ?? 0)
  const ratio = way.stages.at(-1)?.stage.flourPerSeed ?? 0
  // 292 g of levain at 1:r:r need 292 ÷ (1 + 2r) of seed, and a little sticks to the jar.
  const seed = (problem.build.levain.doughNeeds[0] as number) + 20
  expect(made).toBeGreaterThanOrEqual(seed / (1 + 2 * ratio))
  expect(made).toBeLessThan(seed / (1 + 2 * ratio) + 12)
})

test('what an earlier plan would have fed the jar does not count when ways are sought anew', () => {
  const stage = {
    id: 'wake',
    kind: 'wake' as const,
    at: new Date(now + HOUR).toISOString(),
    seedGrams: 20,
    flourGrams: 40,
    waterGrams: 40,
    placeId: 'room',
    tempC: 21
  }
  const strip = ({ problem }: ReturnType<typeof asked>) => findPlans(problem).map((p) => [p.mixMs, p.stages.length])
  expect(strip(asked(8, { before: [stage] }))).toEqual(strip(asked(8)))
})

test('another bake takes hands, oven, and the one room in the warm', () => {
  const cultures = culturesWith(0)
  const other = { ...bake, id: 'rolls', plan: { ...plan, name: 'Rolls', placeId: 'warm', tempC: 26 } } as Bake
  const solved = solvePlan(other.plan, cultures, stocked, now)
  const claim = claimOf(other, stepFactsOf(other, other.plan, solved, null, stocked, cultures), now)
  expect(claim.hands.map((h) => h.step)).toEqual(expect.arrayContaining(['build', 'mix', 'shape', 'bake', 'out']))
  expect((claim.oven?.toMs ?? 0) - (claim.oven?.fromMs ?? 0)).toBe(45 * 60_000)
  expect(fullStretches(kitchen.places[1] as Kitchen['places'][number], [claim])).toMatchObject([{ placeId: 'warm', toMs: Date.parse(plan.mixAt) }])
  expect(fullStretches(kitchen.places[0] as Kitchen['places'][number], [claim])).toEqual([])
  expect(
    busyIn(kitchen, [claim], now, now + 60 * HOUR)
      .filter((b) => b.kind === 'other bake')
      .every((b) => b.name === 'Rolls')
  ).toBe(true)
  const { problem } = asked(0, {}, [claim])
  for (const way of findPlans(problem)) {
    const oven = claim.oven ?? { fromMs: 0, toMs: 0 }
    expect(way.times.bakeMs >= oven.toMs || way.times.outMs <= oven.fromMs).toBe(true)
  }
})

test('without a dough’s day there is nothing to search', () => {
  const cultures = culturesWith(0)
  const bare = { ...plan, course: null }
  expect(planProblemOf(bake, bare, solvePlan(bare, cultures, stocked, now), wish, cultures, stocked, now, [])).toBeNull()
})
