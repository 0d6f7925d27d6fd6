import { placeTempAt, type Stay, timeConstantHours } from './thermal'

const room: Stay = { fromHours: 0, tempC: 20, daily: { swingK: 2, warmestHours: 5 } }

test('a room by day and night: warmest at its hour, coldest half a day on, the same every day', () => {
  expect(placeTempAt(room, 5)).toBeCloseTo(22, 9)
  expect(placeTempAt(room, 17)).toBeCloseTo(18, 9)
  expect(placeTempAt(room, 29)).toBeCloseTo(22, 9)
  expect(placeTempAt(room, 11)).toBeCloseTo(20, 9)
})

describe('where it was measured', () => {
  const measured: Stay = {
    ...room,
    readings: [
      { hours: 2, tempC: 24 },
      { hours: 4, tempC: 26 }
    ]
  }
  test('between two readings it lies between them', () => {
    expect(placeTempAt(measured, 3)).toBeCloseTo(25, 9)
    expect(placeTempAt(measured, 2)).toBeCloseTo(24, 9)
  })
  test('after the last one, what the room was off by fades out', () => {
    const expected = (hours: number) => 20 + 2 * Math.cos((2 * Math.PI * (hours - 5)) / 24)
    const off = 26 - expected(4)
    expect(placeTempAt(measured, 4)).toBeCloseTo(26, 9)
    expect(placeTempAt(measured, 7) - expected(7)).toBeCloseTo(off / Math.E, 6)
    expect(placeTempAt(measured, 40) - expected(40)).toBeCloseTo(0, 3)
  })
})

test('glass in air is the measure; plastic is slower, steel and water quicker, a box of foam slowest', () => {
  expect(timeConstantHours(250)).toBeCloseTo(1.6, 1)
  expect(timeConstantHours(250, 'air', 'steel')).toBeLessThan(timeConstantHours(250))
  expect(timeConstantHours(250, 'air', 'plastic')).toBeGreaterThan(timeConstantHours(250))
  expect(timeConstantHours(250, 'water bath')).toBeLessThan(0.5 * timeConstantHours(250))
  expect(timeConstantHours(250, 'insulated box')).toBeGreaterThan(2 * timeConstantHours(250))
})
