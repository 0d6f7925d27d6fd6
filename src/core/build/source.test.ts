import { LEVAIN_SOURCES, type LevainWish, sourceLevain } from './source'

const wish: LevainWish = {
  source: 'separate build',
  doughNeeds: [200],
  keepBackGrams: 30,
  hydration: 1,
  salt: 0,
  oil: 0,
  by: { kind: 'ratio', flourPerSeed: 5 },
  jar: { grams: 90, hydration: 1, keepMinimumGrams: 15 },
  older: { share: 0.5, hydration: 1 }
}
const levain = (more: Partial<LevainWish> = {}) => {
  const answer = sourceLevain({ ...wish, ...more })
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}

test('a separate build: 200 + 30 + 6.9 that stick, a eleventh of it seed; the jar keeps the rest', () => {
  const { masses, totalGrams, jarAfterGrams, jarInTheEndGrams, discardGrams, spareGrams } = levain()
  expect(totalGrams).toBeCloseTo(236.9, 9)
  expect(masses.seed).toBeCloseTo(236.9 / 11, 9)
  expect(jarAfterGrams).toBeCloseTo(90 - 236.9 / 11, 9)
  expect(jarInTheEndGrams).toBeCloseTo(120 - 236.9 / 11, 9)
  expect(discardGrams).toBe(0)
  expect(spareGrams).toBe(75)
})

test('used as it is: all of it out of the jar, nothing fresh, nothing that sticks unless it is said', () => {
  const asIs = levain({ source: 'as it is', jar: { grams: 320, hydration: 0.6, keepMinimumGrams: 50 } })
  expect(asIs.masses).toEqual({ seed: 200, flour: 0, water: 0, salt: 0, oil: 0 })
  expect(asIs).toMatchObject({
    seedHydration: 0.6,
    fromJarGrams: 200,
    keepBackGrams: 0,
    sticksGrams: 0,
    jarAfterGrams: 120,
    jarInTheEndGrams: 120,
    spareGrams: 270
  })
  const withSpoon = levain({ source: 'as it is', doughNeeds: [200, 50], sticksGrams: 4 })
  expect([withSpoon.masses.seed, withSpoon.jarAfterGrams]).toEqual([254, 90 - 254])
  expect(sourceLevain({ ...wish, source: 'as it is', doughNeeds: [] }).ok).toBe(false)
})

test('straight from the jar: what is not seed goes to the discard pot, and the keep-back is the new jar', () => {
  const { masses, jarAfterGrams, jarInTheEndGrams, discardGrams, spareGrams } = levain({ source: 'straight from the jar' })
  expect(masses.seed).toBeCloseTo(236.9 / 11, 9)
  expect(discardGrams).toBeCloseTo(90 - 236.9 / 11, 9)
  expect(jarAfterGrams).toBe(0)
  expect(jarInTheEndGrams).toBeCloseTo(30, 9)
  expect(spareGrams).toBe(90)
})

test('draw and top up: what the jar gets may be said, whatever is drawn', () => {
  const { topUp, fromJarGrams, jarAfterGrams } = levain({ source: 'draw and top up', refill: { flour: 55, water: 50 } })
  expect(topUp).toEqual({ flour: 55, water: 50 })
  expect(jarAfterGrams).toBeCloseTo(90 - fromJarGrams + 105, 9)
  // It belongs to that school only.
  expect(levain({ refill: { flour: 55, water: 50 } }).topUp).toEqual({ flour: 0, water: 0 })
})

test('draw and top up: as much goes in as comes out, at the jar’s own hydration', () => {
  const { masses, topUp, jarAfterGrams } = levain({ source: 'draw and top up', jar: { grams: 90, hydration: 0.5, keepMinimumGrams: 15 } })
  expect(topUp.flour + topUp.water).toBeCloseTo(masses.seed, 9)
  expect(topUp.water / topUp.flour).toBeCloseTo(0.5, 9)
  expect(jarAfterGrams).toBeCloseTo(90, 9)
})

test('put some back: 200 g for the dough, X out of the jar and X of the ripe build back', () => {
  // M = 1.03 (200 + X), X = M / 11: M = 206 / (1 − 1.03/11) = 227.28, X = 20.66
  const { masses, keepBackGrams, totalGrams, jarInTheEndGrams } = levain({ source: 'put some back' })
  expect(totalGrams).toBeCloseTo(227.28, 2)
  expect(masses.seed).toBeCloseTo(20.66, 2)
  expect(keepBackGrams).toBeCloseTo(masses.seed, 6)
  expect(jarInTheEndGrams).toBeCloseTo(90, 6)
})

test('a mixed seed: half from the jar, half older ripe levain', () => {
  const { masses, fromJarGrams, fromOlderGrams, jarAfterGrams } = levain({ source: 'mixed seed' })
  expect(fromJarGrams).toBeCloseTo(masses.seed / 2, 9)
  expect(fromOlderGrams).toBeCloseTo(masses.seed / 2, 9)
  expect(jarAfterGrams).toBeCloseTo(90 - masses.seed / 2, 9)
})

test('several doughs from one levain: their needs are summed', () => {
  expect(levain({ doughNeeds: [200, 120, 80] }).totalGrams).toBeCloseTo(430 * 1.03, 9)
})

test.each(LEVAIN_SOURCES)('%s: what goes in is what comes out', (source) => {
  const { masses, totalGrams, fromJarGrams, fromOlderGrams, discardGrams, jarAfterGrams, topUp } = levain({ source, salt: 0.01, hydration: 0.8 })
  expect(masses.seed + masses.flour + masses.water + masses.salt + masses.oil).toBeCloseTo(totalGrams, 6)
  expect(fromJarGrams + fromOlderGrams).toBeCloseTo(masses.seed, 9)
  expect(jarAfterGrams + fromJarGrams + discardGrams).toBeCloseTo(90 + topUp.flour + topUp.water, 9)
})

test('of 55 + 110 + 110 for a dough of 240 g nothing changes: 27.8 g go back to the jar, or 35 where nothing sticks', () => {
  const by = { kind: 'amounts', seed: 55, flour: 110, water: 110 } as const
  const all = levain({ by, doughNeeds: [240], keepBackGrams: 500 })
  // 3 % of 240 stick: 7.2.
  expect([all.masses.seed, all.totalGrams, all.sticksGrams, all.keepBackGrams]).toEqual([55, 275, expect.closeTo(7.2, 9), expect.closeTo(27.8, 9)])
  expect(all.jarInTheEndGrams).toBeCloseTo(90 - 55 + 27.8, 9)
  expect(levain({ by, doughNeeds: [240], sticksGrams: 0 }).keepBackGrams).toBe(35)
})

test('where nothing sticks, exactly what the dough takes is built', () => {
  const { masses, totalGrams } = levain({ doughNeeds: [195], keepBackGrams: 0, sticksGrams: 0, by: { kind: 'ratio', flourPerSeed: 1 } })
  expect(totalGrams).toBe(195)
  expect([masses.seed, masses.flour, masses.water]).toEqual([expect.closeTo(65, 9), expect.closeTo(65, 9), expect.closeTo(65, 9)])
})
