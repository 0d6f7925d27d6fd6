import { createFormat } from '../core'
import { changeWords } from './changes'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon', currency: 'EUR' }, () => Date.UTC(2026, 10, 26, 19))
const words = (field: string, from: unknown, to: unknown) => Object.values(changeWords({ field, from, to }, format)).map((text) => text.replace(/\s/g, ' '))

test.each([
  ['formula.salt', 0.02, 0.023, ['Salt', '2 %', '2.3 %']],
  ['tapTempC', 14, 11, ['Tap water', '14 °C', '11 °C']],
  ['places.4f.tempC', 22, 24, ['Temperature', '22 °C', '24 °C']],
  ['build.keepBackGrams', 20, 35, ['Back to the jar', '20 g', '35 g']],
  ['mixAt', '2026-11-27T18:00:00.000Z', '2026-11-27T19:30:00.000Z', ['Mix', 'Fri 18:00', 'Fri 19:30']],
  ['name', 'Pip', 'Pippa', ['Name', 'Pip', 'Pippa']],
  ['keys', true, false, ['keys', 'yes', 'no']],
  ['nightTempC', null, 16, ['Temperature by night', 'nothing', '16 °C']],
  ['pins', [], ['mix'], ['Schedule', 'changed', 'changed']]
])('%s from %j to %j', (field, from, to, told) => {
  expect(words(field, from, to)).toEqual(told)
})
