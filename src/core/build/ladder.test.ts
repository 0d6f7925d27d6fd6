import fc from 'fast-check'
import { feedUp, type LadderWish, LEAST_GROWTH, MOST_GROWTH, solveLadder } from './ladder'

const wish: LadderWish = { seedGrams: 60, spareGrams: 10, jarHydration: 1, hydration: 1, mostGrowth: MOST_GROWTH.vigorous }
const ladder = (more: Partial<LadderWish> = {}) => {
  const answer = solveLadder({ ...wish, ...more })
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}

test('a jar that can spare the seed needs no ladder', () => {
  expect(ladder({ spareGrams: 60 })).toEqual([])
})

test('60 g of seed from 10 g: one stage, 65 g at 1:2.75:2.75', () => {
  const [stage, ...more] = ladder()
  expect(more).toEqual([])
  expect(stage?.totalGrams).toBeCloseTo(65, 9)
  expect(stage?.masses.seed).toBeCloseTo(10, 6)
  expect(stage?.flourPerSeed).toBeCloseTo(2.75, 6)
})

test('500 g from 6 g: two stages of the same growth, 9.69 times', () => {
  // g² · 6 − 5g − 515 = 0
  const stages = ladder({ seedGrams: 500, spareGrams: 6 })
  expect(stages).toHaveLength(2)
  expect(stages[0]?.masses.seed).toBeCloseTo(6, 4)
  expect((stages[0]?.totalGrams ?? 0) / 6).toBeCloseTo(9.691, 3)
  expect(stages[1]?.totalGrams).toBeCloseTo(515, 9)
})

test('a sluggish jar wants more stages', () => {
  // 100 + 5 from 10 g is 10.5 times: one stage at most 11, two at most 5
  expect(ladder({ seedGrams: 100, mostGrowth: MOST_GROWTH.vigorous })).toHaveLength(1)
  expect(ladder({ seedGrams: 100, mostGrowth: MOST_GROWTH.sluggish })).toHaveLength(2)
})

test('a jar with nothing to spare', () => {
  const answer = solveLadder({ ...wish, spareGrams: 0 })
  expect(answer.ok ? '' : answer.problem.code).toBe('nothing to spare')
})

test('any ladder: never more than the jar can spare, growth within limits, each stage yields the next seed', () => {
  fc.assert(
    fc.property(
      fc.record({
        seedGrams: fc.double({ min: 1, max: 5000, noNaN: true }),
        spareGrams: fc.double({ min: 2, max: 200, noNaN: true }),
        jarHydration: fc.double({ min: 0.5, max: 1, noNaN: true }),
        hydration: fc.double({ min: 0.9, max: 1.5, noNaN: true }),
        mostGrowth: fc.constantFrom(MOST_GROWTH.vigorous, MOST_GROWTH.sluggish)
      }),
      (w) => {
        const answer = solveLadder(w)
        if (!answer.ok) return answer.problem.code === 'nothing to spare'
        const stages = answer.value
        const seeds = [...stages.map((s) => s.masses.seed), w.seedGrams]
        return stages.every((s, i) => {
          const growth = s.totalGrams / s.masses.seed
          const yields = s.totalGrams - Math.max(0.03 * (seeds[i + 1] ?? 0), 5)
          return (
            growth <= w.mostGrowth + 1e-6 &&
            growth >= LEAST_GROWTH - 1e-6 &&
            Math.abs(yields - (seeds[i + 1] ?? 0)) < 1e-6 &&
            (i > 0 || s.masses.seed <= w.spareGrams + 1e-6)
          )
        })
      }
    )
  )
})

describe('feeding the whole jar up', () => {
  test('20 g become 80: 60 for the seed, 15 to stay, 5 that stick', () => {
    expect(feedUp({ jarGrams: 20, hydration: 1, seedGrams: 60, keepMinimumGrams: 15 })).toEqual({ flourGrams: 30, waterGrams: 30 })
  })
  test('a stiff jar gets its own kind of feed', () => {
    // 60 g fresh at 50 %: 40 flour, 20 water
    expect(feedUp({ jarGrams: 20, hydration: 0.5, seedGrams: 60, keepMinimumGrams: 15 })).toEqual({ flourGrams: 40, waterGrams: 20 })
  })
  test('a jar that is nearly large enough is still fed something to eat', () => {
    expect(feedUp({ jarGrams: 78, hydration: 1, seedGrams: 60, keepMinimumGrams: 15 })).toEqual({ flourGrams: 20, waterGrams: 20 })
  })
})
