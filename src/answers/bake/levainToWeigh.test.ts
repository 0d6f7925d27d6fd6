import type { Plan } from '../../contract'
import { pourKey } from '../../core'
import { culturesWith, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { hydrationAfter, levainFromShelf, levainToWeigh, seedHydrationOf, stagesFromShelf } from './levainToWeigh'
import { solvePlan } from './solvePlan'

const withBuild = (build: Partial<Plan['build']>, grams = 600): Plan => ({ ...PLAN, target: { kind: 'dough', grams }, build: { ...PLAN.build, ...build } })
const on = (smallScale: boolean) => ({ ...STOCKED, kitchen: { ...STOCKED.kitchen, smallScale } })
function itemsOf(plan: Plan, smallScale: boolean): string[] {
  const weights = levainToWeigh(plan, 1, on(smallScale))
  if (!weights.ok) throw new Error(weights.problem.code)
  return weights.value.steps.map(pourKey)
}

const rye = [
  { ingredientId: 'white wheat', share: 0.99 },
  { ingredientId: 'rye', share: 0.01 }
]

test('what the scale shows as nothing is neither offered nor demanded', () => {
  // 600 g of dough hold some 72 g of levain and 20 g are kept: less than 50 g of fresh flour, so 1 % of it is less than half a gram.
  expect(itemsOf(withBuild({ flours: rye }), false)).toEqual(['seed', 'water', 'flour:white wheat'])
  expect(itemsOf(withBuild({ salt: 0.01 }), false)).toEqual(['seed', 'water', 'flour:white wheat'])
  expect(itemsOf(withBuild({ oil: 0.005 }), false)).toEqual(['seed', 'water', 'flour:white wheat'])
  // On a scale that shows tenths the salt is there.
  expect(itemsOf(withBuild({ salt: 0.01 }), true)).toEqual(['seed', 'water', 'flour:white wheat', 'salt'])
  // Four times the dough: more than a gram of rye.
  expect(itemsOf(withBuild({ flours: rye }, 2400), false)).toEqual(['seed', 'water', 'flour:white wheat', 'flour:rye'])
})

test('each item carries the step of the scale it is weighed on, whatever its figure', () => {
  const stepOf = (smallScale: boolean) => {
    const weights = levainToWeigh(withBuild({ by: { kind: 'seed', grams: 5 } }), 1, on(smallScale))
    return weights.ok ? weights.value.steps.map((s) => [s.item, s.resolution]) : []
  }
  expect(stepOf(false)).toEqual([
    ['seed', 1],
    ['water', 1],
    ['flour', 1]
  ])
  expect(stepOf(true)).toEqual([
    ['seed', 0.1],
    ['water', 1],
    ['flour', 1]
  ])
})

test('the plan as it is solved weighs the same, and the shelf gives the same', () => {
  for (const plan of [PLAN, withBuild({ oil: 0.02, salt: 0.02, flours: rye }, 3000), withBuild({ source: 'mixed seed' })]) {
    const weights = levainToWeigh(plan, 1, STOCKED)
    const solved = solvePlan(plan, culturesWith(1), STOCKED, NOW)?.build
    if (!weights.ok || solved == null) throw new Error('no levain')
    expect(weights.value.weigh).toEqual(solved.weigh)
    const off = levainFromShelf(weights.value)
    expect(off.get('water')).toBe(solved.weigh.water)
    expect(off.get('oil') ?? 0).toBe(solved.weigh.oil)
    expect(off.get('rye') ?? 0).toBe(solved.weigh.flours.find((f) => f.ingredientId === 'rye')?.grams ?? 0)
  }
})

test('a first build changes what the last one is seeded from; a wake-up feed that was done is in the jar already', () => {
  // 20 g of starter at 100 % with 40 g of flour and 20 g of water: 30 g of water on 50 g of flour.
  const stage = { id: 'first build', kind: 'first build' as const, at: NOW, seedGrams: 20, flourGrams: 40, waterGrams: 20, placeId: 'room', tempC: 21 }
  expect(hydrationAfter(stage, 1)).toBeCloseTo(0.6, 9)
  const plan = { ...PLAN, before: [stage] }
  expect(seedHydrationOf(plan, { hydration: 1 }, new Map())).toBeCloseTo(0.6, 9)
  expect(seedHydrationOf(plan, { hydration: 1 }, new Map([['first build', { did: 'skipped' }]]))).toBe(1)
  const woken = { ...PLAN, before: [{ ...stage, id: 'wake', kind: 'wake' as const }] }
  expect(seedHydrationOf(woken, { hydration: 1 }, new Map([['wake', { did: 'done' }]]))).toBe(1)
})

test('what is still to be fed and built before the levain comes off the shelf, once', () => {
  const stage = { at: NOW, seedGrams: 20, flourGrams: 40, waterGrams: 20, placeId: 'room', tempC: 21 }
  const wake = { ...stage, id: 'wake', kind: 'wake' as const }
  const first = { ...stage, id: 'first build', kind: 'first build' as const, flourGrams: 50 }
  const build = {
    ...PLAN.build,
    flours: [
      { ingredientId: 'white wheat', share: 0.8 },
      { ingredientId: 'rye', share: 0.2 }
    ]
  }
  const plan = { ...PLAN, build, before: [wake, first] }
  const jar = { feed: [{ ingredientId: 'rye', share: 1 }] }
  // The jar eats 40 g of rye; the build takes four fifths of 50 g white and one fifth rye.
  const left = (deeds: string[], weighed: { key: string; grams: number }[] = []) =>
    Object.fromEntries(
      stagesFromShelf(plan, jar, {
        deeds: new Map(deeds.map((id) => [id, { id, did: 'done' as const, atMs: NOW }])),
        weighed: weighed.map((w, i) => ({ id: `${i}`, into: 'first build' as const, ...w }))
      })
    )
  expect(left([])).toEqual({ rye: 50, 'white wheat': 40, water: 40 })
  expect(left(['wake'])).toEqual({ rye: 10, 'white wheat': 40, water: 20 })
  expect(
    left(
      ['wake'],
      [
        { key: 'white wheat', grams: 42 },
        { key: 'water', grams: 15 }
      ]
    )
  ).toEqual({ rye: 10, 'white wheat': 0, water: 5 })
  expect(left(['wake', 'first build'])).toEqual({})
})
