import fc from 'fast-check'
import { dissolvedAt, seenGas, seenSlope, thirstAt } from './seenGas'

const seen = (held: number, tempC: number) => {
  const most = dissolvedAt(tempC)
  return seenGas(held, most, thirstAt(held, most), tempC)
}

test('the first gas is not seen, and all but what dissolves of much gas is', () => {
  expect(seen(0, 25)).toBe(0)
  expect(seen(0.05, 25)).toBeLessThan(0.01)
  expect(seen(3, 25)).toBeCloseTo(3 - dissolvedAt(25), 6)
})

test('nearly twice as much dissolves at 4 °C as at 25 °C, and what is chilled shrinks by the gas law besides', () => {
  expect(dissolvedAt(4) / dissolvedAt(25)).toBeCloseTo(1.92, 2)
  expect(seen(2, 4)).toBeCloseTo(((2 - dissolvedAt(4)) * 277.15) / 298.15, 2)
})

test('the slope is that of what is seen, while gas is made and the mix warms or cools', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 3, noNaN: true }),
      fc.double({ min: 2, max: 36, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.double({ min: -10, max: 10, noNaN: true }),
      (held, tempC, perHour, warming) => {
        const most = dissolvedAt(tempC)
        const step = 1e-5
        const by = (seen(held + step * perHour, tempC + step * warming) - seen(held - step * perHour, tempC - step * warming)) / (2 * step)
        return Math.abs(seenSlope(held, most, thirstAt(held, most), perHour, tempC, warming) - by) < 1e-6
      }
    )
  )
})
