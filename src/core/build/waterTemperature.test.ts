import fc from 'fast-check'
import { blendWater, HEAT, levainHeat, mixTemperature, waterTemperature } from './waterTemperature'

const cold = [
  { grams: 60, tempC: 5, heat: 2.99 },
  { grams: 120, tempC: 19, heat: 1.8 }
]

test('a cold seed and cool flour want warm water: 34.42 °C', () => {
  const result = waterTemperature(26, 150, cold)
  expect(result).toEqual({ ok: true, value: expect.closeTo(34.42, 1) })
  if (result.ok) expect(Math.round(result.value * 10) / 10).toBe(34.4)
})

test('a levain of 100 % holds heat half like flour, half like water', () => {
  expect(levainHeat(1)).toBeCloseTo(2.99, 10)
})

test('water above 40 °C is refused and the figure is told', () => {
  const result = waterTemperature(30, 100, cold)
  expect(result.ok).toBe(false)
  if (!result.ok) {
    expect(result.problem.code).toBe('too hot for the culture')
    expect(result.problem.values.tempC).toBeGreaterThan(40)
  }
})

test('no water, and water that would have to be frozen, are told apart', () => {
  const none = waterTemperature(26, 0, cold)
  const frozen = waterTemperature(5, 50, [{ grams: 500, tempC: 30, heat: 1.8 }])
  expect(none.ok ? '' : none.problem.code).toBe('no water')
  expect(frozen.ok ? '' : frozen.problem.code).toBe('below freezing')
})

test('480 g at 20.19 °C from a tap at 26 °C: 26.3 g of ice', () => {
  const blend = blendWater(480, 20.19, 26)
  expect(blend.iceGrams).toBeCloseTo(26.3, 1)
  expect(blend.tapGrams + blend.iceGrams).toBeCloseTo(480, 9)
})

test('the same with ice from the freezer, which is colder: 24.2 g', () => {
  // 480 · 4.18 · 5.81 / (372 + 4.18 · 26)
  expect(blendWater(480, 20.19, 26, 95, HEAT.meltingFromFreezer).iceGrams).toBeCloseTo(24.25, 1)
})

test('150 g at 35 °C from a tap at 15 °C and a kettle at 95 °C: 37.5 g from the kettle', () => {
  expect(blendWater(150, 35, 15)).toEqual({ tapGrams: expect.closeTo(112.5, 9), kettleGrams: expect.closeTo(37.5, 9), iceGrams: 0 })
})

test('the mix comes out at the temperature the water was reckoned for', () => {
  fc.assert(
    fc.property(fc.double({ min: 20, max: 28, noNaN: true }), fc.double({ min: 80, max: 500, noNaN: true }), (wanted, waterGrams) => {
      const water = waterTemperature(wanted, waterGrams, cold)
      if (!water.ok) return true
      return Math.abs(mixTemperature([...cold, { grams: waterGrams, tempC: water.value, heat: HEAT.water }]) - wanted) < 1e-9
    })
  )
})

test('a mix of nothing has no temperature', () => {
  expect(() => mixTemperature([])).toThrow(RangeError)
})
