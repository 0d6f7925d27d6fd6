import { millisecondsInDay } from 'date-fns/constants'
import { celsiusToFahrenheit, createFormat, fahrenheitToCelsius } from './format'
import { roundToScale, toGrams, toMilligrams } from './mass'

const metric = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon' })
const other = createFormat({ mass: 'oz', temperature: '°F', clock: '12 h', timeZone: 'America/New_York' })
const plain = (words: string) => words.replace(/\s/g, ' ')

// A Friday in winter: Lisbon keeps UTC, New York is five hours behind.
const friday = Date.UTC(2026, 10, 27, 15, 5)

test('masses', () => {
  expect(plain(metric.mass(750.39))).toBe('750 g')
  expect(plain(metric.mass(17.65, 0.1))).toBe('17.7 g')
  expect(plain(other.mass(750))).toBe('26.46 oz')
  expect(plain(other.mass(2.5, 0.1))).toBe('0.088 oz')
})

test('temperatures', () => {
  expect(plain(metric.temperature(24))).toBe('24 °C')
  expect(plain(metric.temperature(21.5))).toBe('21.5 °C')
  expect(plain(other.temperature(25))).toBe('77 °F')
  expect(celsiusToFahrenheit(-40)).toBe(-40)
  expect(fahrenheitToCelsius(celsiusToFahrenheit(21.3))).toBeCloseTo(21.3, 10)
})

test('the kitchen’s zone and clock decide what an instant is called', () => {
  expect(metric.time(friday)).toBe('15:05')
  expect(plain(other.time(friday))).toBe('10:05 AM')
  expect(metric.dayTime(friday)).toBe('Fri 15:05')
  expect(metric.weekday(friday)).toBe('Friday')
  expect(metric.month(friday)).toBe('November')
  expect(metric.date(friday)).toBe('Fri 27 Nov')
  expect(metric.time(Date.UTC(2026, 10, 27, 0, 0))).toBe('00:00')
})

test.each([
  [0.25, '15 min'],
  [2.7167, '2 h 43 min'],
  [3, '3 h'],
  [26, '1 d 2 h'],
  [48, '2 d'],
  [0.999, '1 h']
])('%d hours are %s', (hours, words) => {
  expect(plain(metric.duration(hours))).toBe(words)
})

test('shares and rises', () => {
  expect(plain(metric.percent(0.74))).toBe('74 %')
  expect(plain(metric.percent(0.7946))).toBe('79.5 %')
  expect(plain(metric.percent(0.0187, 2))).toBe('1.87 %')
  expect(metric.rise(2.14)).toBe('×2.1')
})

test('a scale shows whole steps', () => {
  expect(roundToScale(583.4, 1)).toBe(583)
  expect(roundToScale(18.63, 0.1)).toBe(18.6)
  expect(roundToScale(0.04, 0.1)).toBe(0)
})

test('milligrams and back', () => {
  expect(toMilligrams(17.65)).toBe(17_650)
  expect(toGrams(toMilligrams(0.1 + 0.2))).toBe(0.3)
})

test('money in the currency of the kitchen', () => {
  const choice = { mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' } as const
  expect(createFormat(choice).money(3.2)).toBe('€3.20')
  expect(createFormat({ ...choice, currency: 'GBP' }).money(0.857)).toBe('£0.86')
  expect(createFormat({ ...choice, currency: 'JPY' }).money(120)).toBe('JP¥120')
})

test('a weekday of another week has its date beside it, one of another year the year as well', () => {
  const now = Date.UTC(2026, 10, 27, 8)
  const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' }, () => now)
  const day = millisecondsInDay
  expect(format.dayTime(now + 5 * day)).toBe('Wed 08:00')
  expect(format.dayTime(now - 7 * day)).toBe('Fri 20 Nov 08:00')
  expect(format.dayTime(now + 7 * day)).toBe('Fri 4 Dec 08:00')
  expect(format.dayTime(now - 364 * day)).toBe('Fri 28 Nov 2025 08:00')
  expect(format.date(now - 364 * day)).toBe('Fri 28 Nov 2025')
  expect(format.date(now - 7 * day)).toBe('Fri 20 Nov')
})
