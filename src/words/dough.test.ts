import { createFormat } from '../core'
import { bulkStopSentence, doughsSentence, overproofedSentence } from './dough'

test('where bulk stops before a night in the cold, in fives; nothing before a proof in the warm', () => {
  const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon' } as never)
  expect(bulkStopSentence({ gas: 0.36, cold: { tempC: 26.7, gas: 0.41 } }, format)?.replaceAll('\u202f', ' ')).toBe(
    'Stop bulk at +35 %: the dough is 27 °C then, and gains another 40 % while it cools and rests in the cold.'
  )
  expect(bulkStopSentence({ gas: 0.5, cold: null }, format)).toBeNull()
})

test('how long the doughs of a kitchen take beside an ordinary one', () => {
  const told = (log: number, doughs: number) => doughsSentence({ log, sd: 0.1, doughs }).replaceAll('\u202f', ' ')
  expect(told(0.16, 1)).toBe('Your doughs take about 15 % less time than an ordinary one would: learned from 1 dough.')
  expect(told(-0.1, 3)).toBe('Your doughs take about 11 % longer than an ordinary one would: learned from 3 doughs.')
  expect(told(0.01, 2)).toBe('Your doughs take as long as an ordinary one would: learned from 2 doughs.')
})

test('a dough that went too far, by the forecast or at the pace it was seen to rise', () => {
  const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
  const over = { gas: 1.55, mostGas: 1.55, wantedGas: 0.5, sinceMs: Date.UTC(2026, 10, 28, 21, 4), reshapeHours: null, tinHours: null }
  const told = (isRead: boolean) => overproofedSentence(over, format, isRead).replace(/\s/g, ' ')
  expect(told(false)).toBe(
    'By the forecast it has risen by 155 %, where +50 % was wanted, and has gone too far since about Sat 21:05. Look first: a dough that still springs back is not over.'
  )
  expect(told(true)).toContain('At the pace it was seen to rise it stands at +155 %')
  expect(overproofedSentence({ ...over, gas: 0.6 }, format).replace(/\s/g, ' ')).toBe(
    'By the forecast it rose to +155 %, where +50 % was wanted, and has sunk to +60 %. It has been over since about Sat 21:05. Look first: a dough that still springs back is not over.'
  )
})
