import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { restedSeed } from '../../core'
import { BAKE, culturesWith, KITCHEN, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { solvePlan } from '../bake/solvePlan'
import { bakeOf } from '../fromWire'
import { awakeAt } from '../kitchen/awakeAt'
import { newPlan, planAgain, planBegins } from './newPlan'

const DAY = 24 * millisecondsInHour
const kitchen = { ...KITCHEN, base: 'dough flour', school: 'dome' } as typeof KITCHEN
const stocked = { ...STOCKED, kitchen }
const jarOf = (coldDays: number) => culturesWith(coldDays).jars[0] as Jar

test.each([
  ['fed today', 0],
  ['a week in the cold', 7],
  ['three weeks in the cold', 21]
] as const)('the first bake of a jar %s begins now or later, at any hour of the day', (_, coldDays) => {
  const cultures = culturesWith(coldDays)
  for (let hour = 0; hour < 24; hour += 3) {
    const now = NOW + hour * millisecondsInHour
    const plan = newPlan(jarOf(coldDays), cultures, stocked, now, [])
    expect(planBegins(plan, cultures, stocked, now)).toBeGreaterThanOrEqual(now)
    // By the kitchen's clock (Lisbon in winter is UTC), at half past nine.
    expect(new Date(plan.mixAt).toISOString().slice(11, 16)).toBe('09:30')
    expect(plan.mixAt).toBeLessThan(now + 4 * DAY)
  }
})

test('a second one has a name of its own', () => {
  const named = (names: readonly string[]) => newPlan(jarOf(1), culturesWith(1), stocked, NOW, names).name
  expect([named([]), named(['Two loaves']), named(['Two loaves', 'Two loaves 2'])]).toEqual(['Two loaves', 'Two loaves 2', 'Two loaves 3'])
})

test('a repeated bake is whole weeks on, feeds before it and wished hour included, and its first step lies ahead', () => {
  const cultures = culturesWith(1)
  const stage = {
    id: 'wake',
    kind: 'wake' as const,
    at: PLAN.mixAt - 60 * millisecondsInHour,
    seedGrams: 20,
    flourGrams: 40,
    waterGrams: 40,
    placeId: 'room',
    tempC: 21
  }
  const plan = {
    ...PLAN,
    startAt: PLAN.mixAt - 9 * millisecondsInHour,
    before: [stage],
    bread: { kind: 'out' as const, at: PLAN.mixAt + 8 * millisecondsInHour }
  }
  const now = PLAN.mixAt + 5 * DAY
  const again = planAgain(bakeOf({ ...BAKE, plan }), 'week', cultures, STOCKED, now)
  // A week on its feed, sixty hours before the mix, would lie half a day back: two weeks.
  expect(again.mixAt).toBe(PLAN.mixAt + 14 * DAY)
  expect(again.before.map((s) => s.at)).toEqual([stage.at + 14 * DAY])
  expect(again.bread).toEqual({ kind: 'out', at: PLAN.mixAt + 14 * DAY + 8 * millisecondsInHour })
  // When it begins is told by the jar as it is by then.
  expect(again.startAt).toBeNull()
  expect(planBegins(again, cultures, STOCKED, now)).toBeGreaterThanOrEqual(now)
})

test('again a day on: at the same hour, and a jar that goes in as it is is fed in time, while somebody is awake', () => {
  const cultures = culturesWith(0)
  const plan = { ...PLAN, build: { ...PLAN.build, source: 'as it is' as const } }
  const now = PLAN.mixAt + 5 * millisecondsInHour
  const again = planAgain(bakeOf({ ...BAKE, plan }), 'day', cultures, STOCKED, now)
  const [feed, ...more] = again.before
  expect(again.mixAt).toBe(PLAN.mixAt + DAY)
  expect(more).toEqual([])
  expect(feed).toMatchObject({ kind: 'wake' })
  expect(feed?.at).toBeGreaterThanOrEqual(now)
  expect(awakeAt(STOCKED.kitchen, feed?.at ?? 0)).toBe(feed?.at)
  // Enough for the dough and to go on with.
  const { seedGrams = 0, flourGrams = 0, waterGrams = 0 } = feed ?? {}
  const needed = solvePlan(again, cultures, STOCKED, now)?.build?.weigh.seed ?? Number.NaN
  expect(seedGrams + flourGrams + waterGrams).toBeGreaterThanOrEqual(needed + 15)
  // Baked the next noon, with a jar of 20 g that was fed the morning before: this evening no feed makes it ready, tomorrow one does.
  const [jar] = cultures.jars
  const flours = [{ ingredientId: 'white wheat', grams: 110 }]
  const fed = { flours: { 'white wheat': 110 }, waterGrams: 110, saltGrams: 0, mixTempC: 24, parents: (jar as Jar).line.parents }
  const lastFeed = { at: now - 30 * millisecondsInHour, keepGrams: 20, flours, waterGrams: 110, everyHours: 24 }
  const empty = {
    ...cultures,
    jars: [{ ...(jar as Jar), grams: 20, lastFeed, line: { ...fed, startedAtMs: lastFeed.at, stays: [{ fromMs: lastFeed.at, tempC: 21 }] } }]
  }
  const noon = PLAN.mixAt + 18 * millisecondsInHour
  const next = planAgain(bakeOf({ ...BAKE, plan }), 'day', empty, STOCKED, noon)
  expect(next.before).toHaveLength(1)
  expect(next.mixAt).toBe(PLAN.mixAt + 2 * DAY)
  // A levain of its own is built anew, and nothing is fed for it.
  expect(planAgain(bakeOf({ ...BAKE, plan: PLAN }), 'day', cultures, STOCKED, PLAN.mixAt - 2 * DAY).before).toEqual([])
})

test('a jar that has three grams too little: its starter is grown first, and that is when the bake begins', () => {
  const [jar] = culturesWith(1).jars
  const line = restedSeed('white wheat', 1, NOW)
  const cultures = { ...culturesWith(1), jars: [{ ...(jar as Jar), grams: 100, line }] }
  const plan = { ...PLAN, build: { ...PLAN.build, by: { kind: 'seed' as const, grams: 88 } } }
  const begins = planBegins(plan, cultures, STOCKED, NOW)
  const build = planBegins({ ...plan, build: { ...plan.build, by: { kind: 'seed', grams: 80 } } }, cultures, STOCKED, NOW)
  if (begins === null || build === null) throw new Error('no levain')
  expect(begins).toBeLessThan(build - 2 * millisecondsInHour)
})

test('bread that is wished for is out of the oven then, in as many loaves', () => {
  const cultures = culturesWith(1)
  const outMs = NOW + 42 * millisecondsInHour
  const plan = newPlan(jarOf(1), cultures, stocked, NOW, [], { wish: { outMs, loaves: 3 } })
  expect([plan.name, plan.bread, plan.target]).toMatchObject(['Three loaves', { kind: 'out', at: outMs }, { pieces: [{ count: 3 }] }])
  // Mixed as much earlier as bulk, proof and oven of a same-day wheat dough at 21 °C take.
  expect((outMs - plan.mixAt) / millisecondsInHour).toBeGreaterThan(5)
  expect((outMs - plan.mixAt) / millisecondsInHour).toBeLessThan(14)
})

test('its work begins while its baker is awake, at any hour of the day', () => {
  const cultures = culturesWith(1)
  for (let hour = 0; hour < 24; hour += 3) {
    const now = NOW + hour * millisecondsInHour
    const begins = planBegins(newPlan(jarOf(1), cultures, stocked, now, []), cultures, stocked, now)
    const clock = new Date(begins ?? 0).toISOString().slice(11, 16)
    // Asleep from eleven to seven; Lisbon in winter is UTC.
    expect([clock >= '07:00', clock < '23:00']).toEqual([true, true])
  }
})

test.each([
  [0.5, 0.5],
  [0.703, 0.7],
  [1.18, 1.2],
  [0.1, 0.25]
])('a starter of %d makes a levain of %d', (hydration, expected) => {
  const cultures = culturesWith(1)
  expect(newPlan({ ...jarOf(1), hydration }, cultures, stocked, NOW, []).build.hydration).toBeCloseTo(expected, 10)
})
