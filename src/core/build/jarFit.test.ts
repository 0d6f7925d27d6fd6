import { freshDensity, jarFit, smallestThatFits } from './jarFit'

const half = { name: 'half litre', capacityMl: 500, innerDiameterMm: 80, heightMm: 110 }
const litre = { name: 'litre', capacityMl: 1000, innerDiameterMm: 95, heightMm: 155 }

test('150 g at 100 % in a jar 80 mm wide: band at 28 mm, peak at 71 mm', () => {
  // 150 / 1.05 = 142.86 ml over 50.27 cm²
  const fit = jarFit(half, 150, 1, 2.5)
  expect(fit.bandMm).toBeCloseTo(28.42, 2)
  expect(fit.peakMm).toBeCloseTo(71.05, 2)
  expect(fit.full).toBeCloseTo(0.646, 3)
  expect(fit.fits).toBe(true)
})

test('300 g would foam over, and the litre jar is named', () => {
  expect(jarFit(half, 300, 1, 2.5).fits).toBe(false)
  expect(smallestThatFits([litre, half], 300, 1, 2.5)).toBe(litre)
  expect(smallestThatFits([litre, half], 150, 1, 2.5)).toBe(half)
  expect(smallestThatFits([litre, half], 3000, 1, 2.5)).toBeUndefined()
})

test('a tall narrow glass fits by height and still overflows by volume', () => {
  expect(jarFit({ capacityMl: 200, innerDiameterMm: 80, heightMm: 200 }, 150, 1, 2).fits).toBe(false)
})

test('a measured density wins over the usual one', () => {
  expect(jarFit(half, 150, 1, 1, 0.75).bandMm).toBeCloseTo((28.42 * 1.05) / 0.75, 1)
})

test.each([
  [1.5, 1.05],
  [1, 1.05],
  [0.5, 1.1],
  [0.8, 1.075]
])('a mix at %d weighs %d g per ml', (hydration, density) => {
  expect(freshDensity(hydration)).toBeCloseTo(density, 9)
})
