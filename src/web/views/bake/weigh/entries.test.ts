import { solvePlan } from '../../../../answers'
import { foldBake, type Happening } from '../../../../core'
import { culturesWith, NOW, PLAN, STOCKED } from '../../../../testing/plannedBake'
import { doughEntries, firstBuildEntries, levainEntries, pieceEntries, preFermentEntries } from './entries'

const solved = solvePlan(PLAN, culturesWith(1), STOCKED, NOW)
if (solved === null || solved.build === null) throw new Error('no levain')
const { pantry } = STOCKED
let count = 0
const event = (more: Record<string, unknown>) => ({ id: `e${count++}`, happenedAtMs: NOW, ...more }) as unknown as Happening
const pour = (item: string, weighedGrams: number, ingredientId?: string) =>
  event({ type: 'pour', item, plannedGrams: weighedGrams, weighedGrams, ...(ingredientId === undefined ? {} : { ingredientId }) })
const levain = (...happened: Happening[]) => levainEntries(solved, foldBake(happened), PLAN, 'Pip', 1, pantry)

test('seed, water, flour: in the order of the culture, each due until it is in', () => {
  const entries = levain()
  expect(entries.map((e) => e.title)).toEqual(['Starter from Pip', 'Water', 'White wheat flour'])
  expect(entries.every((e) => e.due)).toBe(true)
  const [seed] = entries
  const after = levain(pour('seed', seed?.grams ?? 0))
  expect(after.map((e) => e.due)).toEqual([false, true, true])
  expect(after[0]?.lastPourId).not.toBeNull()
})

test('too little is taken as it is, until a way on asks for more', () => {
  const water = levain()[1]?.grams ?? 0
  const little = pour('water', water - 20)
  expect(levain(little)[1]?.due).toBe(false)
  const more = levain(little, event({ type: 'repair', into: 'levain', targets: { water } }))[1]
  expect(more).toMatchObject({ due: true, poured: water - 20, grams: water })
  expect(levain(little, event({ type: 'repair', into: 'levain', targets: { water } }), pour('water', 20))[1]?.due).toBe(false)
})

test('a dough in two bowls is asked for bowl by bowl, and sums to the whole', () => {
  const one = doughEntries(solved, foldBake([]), PLAN, 1)
  const two = doughEntries(solved, foldBake([]), PLAN, 2)
  expect(two).toHaveLength(2 * one.length)
  expect(two.reduce((sum, e) => sum + e.grams, 0)).toBeCloseTo(
    one.reduce((sum, e) => sum + e.grams, 0),
    6
  )
  expect(two[0]?.how).toMatch(/Bowl 1 of 2/)
  expect(one.filter((e) => e.isCulture).map((e) => e.title)).toEqual(['Levain'])
})

/** All of it, and its flour without the levain's, g. */
const DOUGH = { doughGrams: 1400, addedFlourGrams: 750 }

test('pieces: the largest first, with room for a knife', () => {
  const mixed = {
    ...PLAN,
    target: {
      ...PLAN.target,
      pieces: [
        { count: 4, grams: 80 },
        { count: 1, grams: 600 }
      ]
    }
  } as typeof PLAN
  const entries = pieceEntries(foldBake([]), mixed, DOUGH)
  expect(entries.map((e) => e.grams)).toEqual([600, 80, 80, 80, 80])
  expect(entries[0]?.tolerance).toBe(12)
  expect(entries[1]?.tolerance).toBe(2)
  expect(pieceEntries(foldBake([]), { ...PLAN, target: { kind: 'dough', grams: 1000 } }, DOUGH)).toEqual([])
  // 130 g of flour of 750 g, in 1400 g of dough.
  const byFlour = {
    ...PLAN,
    target: {
      kind: 'flour pieces' as const,
      pieces: [
        { count: 4, grams: 130 },
        { count: 1, grams: 230 }
      ]
    }
  }
  expect(pieceEntries(foldBake([]), byFlour, DOUGH).map((e) => e.grams)).toEqual([429, 243, 243, 243, 243])
})

test('what is no pre-ferment has nothing to weigh', () => {
  expect(preFermentEntries(solved, foldBake([]), 'f', pantry)).toEqual([])
})

test('a first build is weighed like a levain, to the grams of its plan', () => {
  const stage = {
    id: 'first build',
    kind: 'first build' as const,
    at: NOW,
    seedGrams: 6,
    flourGrams: 12,
    waterGrams: 12.5,
    placeId: 'room',
    tempC: 21
  }
  const plan = { ...PLAN, before: [stage] }
  const entries = firstBuildEntries(solved, foldBake([]), plan, 'Pip', 1, pantry, true)
  expect(entries.map((e) => [e.key, e.grams, e.due])).toEqual([
    ['seed', 6, true],
    ['water', 12.5, true],
    ['white wheat', 12, true]
  ])
  const weighed = event({ type: 'weigh', into: 'first build', key: 'seed', plannedGrams: 6, weighedGrams: 7 })
  expect(firstBuildEntries(solved, foldBake([weighed]), plan, 'Pip', 1, pantry, true)[0]).toMatchObject({ poured: 7, due: false })
  // Too little, and the rest asked for: it is due again.
  const rest = event({ type: 'repair', into: 'first build', targets: { seed: 9 } })
  expect(firstBuildEntries(solved, foldBake([weighed, rest]), plan, 'Pip', 1, pantry, true)[0]).toMatchObject({ grams: 9, due: true })
  expect(firstBuildEntries(solved, foldBake([]), PLAN, 'Pip', 1, pantry, true)).toEqual([])
})
