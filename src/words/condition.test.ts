import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../contract'
import { createFormat, type JarCondition } from '../core'
import { agoWords, beganWord, byNeed, tellCondition, whenWords } from './condition'

const now = Date.UTC(2026, 10, 27, 9)
const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const condition = (more: Partial<JarCondition>): JarCondition => ({
  phase: 'climbing',
  rise: 1.5,
  food: 0.5,
  use: 'ripens',
  peakMs: now + 5 * millisecondsInHour,
  peakRise: 2.9,
  hungryMs: now + 8 * millisecondsInHour,
  fades: [],
  ...more
})
const told = (more: Partial<JarCondition>, seen = true) =>
  tellCondition(condition(more), now, format, { young: false, looks: seen ? [{ id: 'look', at: now - 20 * 60_000, rise: 2.5, signs: {} }] : [] })

test('on its way up: when it is ripe and when it wants food', () => {
  expect(told({})).toEqual({ headline: 'Ripe about Fri 14:00', use: 'not ripe yet, hungry from Fri 17:00', hungry: false })
  expect(told({ peakMs: null, hungryMs: null })).toMatchObject({ headline: 'Asleep: it hardly rises here', use: 'not ripe yet' })
})

test('ripe, past it, hungry', () => {
  expect(told({ use: 'ready as it is' })).toMatchObject({ headline: 'Ripe now', use: 'ready to use, hungry from Fri 17:00', hungry: false })
  expect(told({ use: 'ready as it is', food: 0.02 })).toMatchObject({ headline: 'Ripe: use it or feed it', hungry: false })
  // A forecast alone calls nothing ripe.
  expect(told({ use: 'ready as it is' }, false)).toMatchObject({ headline: 'Should be ripe now', use: 'look before you use it, hungry from Fri 17:00' })
  expect(told({ use: 'ready as it is', food: 0.02 }, false)).toMatchObject({ headline: 'Should be ripe: use it or feed it' })
  expect(told({ use: 'two feeds', hungryMs: now - 30 * millisecondsInHour })).toEqual({
    headline: 'Hungry since Thu 03:00',
    use: 'feed it twice first',
    hungry: true
  })
})

test('weak before it is hungry: nothing is told as past that is still to come', () => {
  expect(told({ use: 'one feed' })).toEqual({ headline: 'Past its best', use: 'feed it once first, hungry from Fri 17:00', hungry: false })
})

test('a week off is a date, not a weekday that might be this one', () => {
  expect(whenWords(now + 2 * 24 * millisecondsInHour, now, format)).toBe('Sun 09:00')
  expect(whenWords(now + 8 * 24 * millisecondsInHour, now, format)).toBe('Sat 5 Dec')
})

test('the neediest first, those that never get hungry last', () => {
  const [soon, late, never] = [condition({ hungryMs: now }), condition({ hungryMs: now + millisecondsInHour }), condition({ hungryMs: null })]
  expect([never, late, soon].sort(byNeed)).toEqual([soon, late, never])
})

test.each([
  ['white wheat', { 'white wheat': 50 }, 1, 'fed'],
  ['white wheat', {}, 1, 'split off'],
  ['white wheat', {}, 2, 'topped up with levain'],
  ['dried', {}, 1, 'dried']
])('%s with %j and %i parents began as %s', (culture, flours, parents, word) => {
  expect(beganWord({ culture, line: { flours, parents: Array(parents).fill({ grams: 20 }) } } as unknown as Jar)).toBe(word)
})

test.each([
  [9 + 1 / 60, '9 h ago'],
  [10.84, '10 h 50 min ago'],
  [31.4, '1 d 7 h ago'],
  [84 * 24 + 22, '85 d ago'],
  [0.03, 'just now']
])('%d h are said to be %s', (hours, said) => {
  expect(agoWords(hours, format)).toBe(said)
})
