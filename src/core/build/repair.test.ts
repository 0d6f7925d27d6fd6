import * as fc from 'fast-check'
import { FLOUR, levainOf, SALT, WATER } from '../dough/composition'
import { type BowlItem, repairsOf } from './repair'

const item = (key: string, planned: number, poured = 0): BowlItem => ({
  key,
  planned,
  poured,
  composition: key === 'flour' ? FLOUR : key === 'water' ? WATER : key === 'salt' ? SALT : levainOf(1),
  isCulture: key === 'seed'
})
const gram = (grams: number) => Math.round(grams)
const by = (repairs: ReturnType<typeof repairsOf>, kind: string) => {
  const found = repairs.find((r) => r.kind === kind)
  if (found === undefined) throw new Error(kind)
  return found
}

// A levain of 1:5:5: 30 g seed, 150 g flour, 150 g water; the hand slipped to 157 g of water. By hand: 172 g water on 165 g flour.
test('157 instead of 150: the three ways on, with what each comes to', () => {
  const repairs = repairsOf([item('seed', 30, 30), item('water', 150, 157), item('flour', 150)], gram)
  const asIs = by(repairs, 'go on as is')
  expect(asIs.truth.hydration).toBeCloseTo(172 / 165, 6)
  expect(asIs.within).toBe(false)
  const correct = by(repairs, 'correct by adding')
  expect(correct.targets.flour).toBe(157)
  expect(correct.added).toEqual({})
  expect(correct.truth.hydration).toBeCloseTo(1, 6)
  // Culture: 30 of 344 instead of 30 of 330: 4.1 % less.
  expect(correct.cultureOff).toBeCloseTo(330 / 344 - 1, 6)
  expect(correct.within).toBe(true)
  const along = by(repairs, 'bring the others along')
  // 30 × 157 / 150 = 31.4, to whole grams 31.
  expect(along.targets).toEqual({ seed: 31, water: 157, flour: 157 })
  expect(along.added).toEqual({ seed: 1 })
  // Least work that stays within tolerance: the flour is still to come, so nothing has to be topped up.
  expect(repairs[0]?.kind).toBe('correct by adding')
})

test('nine grams of flour too many in a dough, water in already: water is added, salt in proportion', () => {
  const items = [item('flour', 500, 509), item('water', 350, 350), item('salt', 10)]
  const repairs = repairsOf(items, gram)
  const correct = by(repairs, 'correct by adding')
  expect(correct.added.water).toBe(6)
  expect(correct.truth.hydration).toBeCloseTo(356 / 509, 6)
  // 350 / 509 = 68.8 %, off by more than a point.
  expect(by(repairs, 'go on as is').within).toBe(false)
  // Scaling the rest, 350 × 509 / 500, comes to the same 356 g: offered once.
  expect(correct.targets).toEqual({ flour: 509, water: 356, salt: 10 })
  expect(repairs.map(({ kind }) => kind).sort()).toEqual(['correct by adding', 'go on as is'])
})

test('a slip that hardly matters: go on', () => {
  const repairs = repairsOf([item('flour', 1000, 1006), item('water', 700), item('salt', 20)], gram)
  expect(repairs[0]?.kind).toBe('go on as is')
  expect(repairs[0]?.within).toBe(true)
})

test('too much seed: nothing that is added makes it less, so that is not offered beside going on', () => {
  const repairs = repairsOf([item('seed', 17, 60), item('water', 87), item('flour', 87)], gram)
  expect(repairs.map(({ kind }) => kind).sort()).toEqual(['bring the others along', 'go on as is'])
})

test('too much salt in already: more of everything is the only way back', () => {
  const repairs = repairsOf([item('flour', 500, 500), item('water', 350, 350), item('salt', 10, 15)], gram)
  expect(by(repairs, 'go on as is').within).toBe(false)
  const along = by(repairs, 'bring the others along')
  expect(along.targets).toEqual({ flour: 750, water: 525, salt: 15 })
  expect(along.within).toBe(true)
  expect(repairs[0]?.kind).toBe('bring the others along')
})

test('whatever was poured: nothing is ever taken out, and one of the ways keeps hydration and salt', () => {
  const grams = fc.integer({ min: 20, max: 900 })
  fc.assert(
    fc.property(
      grams,
      grams,
      fc.integer({ min: 4, max: 20 }),
      fc.double({ min: 0.5, max: 1.6, noNaN: true }),
      fc.constantFrom('flour', 'water', 'salt'),
      (f, w, s, slip, which) => {
        const planned = { flour: f, water: w, salt: s }
        const items = (['flour', 'water', 'salt'] as const).map((key) => item(key, planned[key], key === which ? planned[key] * slip : 0))
        for (const repair of repairsOf(items)) for (const i of items) expect((repair.targets[i.key] ?? 0) + 1e-9).toBeGreaterThanOrEqual(i.poured)
        // One of them keeps both: scaling the rest, or one that comes to the same to less than any scale shows, as carrying on does after a slip of 0.00002 g.
        const scaled = ({ targets }: { readonly targets: Readonly<Record<string, number>> }) =>
          items.every(({ key }) => Math.abs((targets[key] ?? 0) - planned[key as keyof typeof planned] * slip) < 0.05)
        const keeps = repairsOf(items).some(
          (repair) => scaled(repair) || (Math.abs(repair.truth.hydration - w / f) < 1e-6 && Math.abs(repair.truth.salt - s / f) < 1e-6)
        )
        if (slip >= 1) expect(keeps).toBe(true)
      }
    )
  )
})

test('two ways that come to the same are offered once', () => {
  // 62 g of seed and only flour to come: adding flour for the seed’s water, and scaling all to it, are the same flour.
  const seen = fc.sample(fc.record({ seed: fc.integer({ min: 10, max: 60 }), by: fc.integer({ min: 1, max: 30 }) }), { numRuns: 200, seed: 5 })
  for (const { seed, by: over } of seen) {
    const ways = repairsOf([item('seed', seed, seed), item('water', 100, 100 + over), item('flour', 100)], gram)
    const told = ways.map(({ targets }) => JSON.stringify(targets))
    expect(new Set(told).size).toBe(told.length)
    expect(ways.some(({ kind }) => kind === 'go on as is')).toBe(true)
  }
})
