import { millisecondsInHour } from 'date-fns/constants'
import { createFormat, type Warning } from '../core'
import { tellWarning } from './warnings'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const ounces = createFormat({ mass: 'oz', temperature: '°F', clock: '12 h', timeZone: 'UTC' })
const plain = (words: string) => words.replace(/\s+/g, ' ')
const words = (warning: Warning, kitchen = format) => plain(tellWarning(warning, 'Juno', kitchen).words)
const FRIDAY = Date.UTC(2026, 10, 27, 2, 2)

test('what would harm the culture, or leave none of it, stops; what is merely unusual asks', () => {
  const stops: Warning[] = [
    { code: 'gluten into gluten-free' },
    { code: 'nothing kept' },
    { code: 'jar too small', seedGrams: 40, spareGrams: 25 },
    { code: 'water too hot', tempC: 45 }
  ]
  for (const warning of stops) expect(tellWarning(warning, 'Juno', format).tone).toBe('stop')
  const asks: Warning[] = [
    { code: 'mix in the night' },
    { code: 'much old starter' },
    { code: 'yeast unusual', share: 0.05 },
    { code: 'piece unusual', grams: 8000 },
    { code: 'culture weak', strength: 'two feeds' }
  ]
  for (const warning of asks) expect(tellWarning(warning, 'Juno', format).tone).toBe('care')
})

test('each names the jar, the figures and the way out', () => {
  expect(words({ code: 'jar too small', seedGrams: 40, spareGrams: 25 })).toBe(
    '40 g of starter are needed, and Juno can spare 25 g without running out. Feed it first, or take a higher ratio.'
  )
  expect(words({ code: 'jar too small', seedGrams: 166, spareGrams: 105, asItIs: true })).toMatch(/Plan a feed for this mix, which makes more of it\.$/)
  expect(words({ code: 'vessel too small', vessel: 'Small jar', full: 1.22, other: 'Bowl' })).toBe(
    'Small jar would be 122 % full at the peak and foam over. Bowl fits.'
  )
  expect(words({ code: 'vessel too small', vessel: 'Bowl', full: 1.1, other: null })).toMatch(/build in two\.$/)
  expect(words({ code: 'culture weak', strength: 'revival' })).toBe('By then Juno needs reviving over some days before it can raise a levain.')
  expect(words({ code: 'gluten into gluten-free' })).toBe('Juno is gluten-free. This flour holds gluten and would end that.')
})

test('times are told by the kitchen’s clock, to five minutes, and another ratio comes along to be taken', () => {
  const others = [{ flourPerSeed: 3, startMs: FRIDAY + 5 * millisecondsInHour }] as unknown as Extract<Warning, { code: 'start in the night' }>['others']
  const told = tellWarning({ code: 'start in the night', startMs: FRIDAY, others }, 'Juno', format)
  expect(plain(told.words)).toMatch(/^Fri 02:00 falls in your night\./)
  expect(told.others).toBe(others)
  expect(words({ code: 'start has passed', startMs: FRIDAY, soonestMs: FRIDAY + 10 * millisecondsInHour, others: [] })).toMatch(
    /^The start was Fri 02:00, which has passed\. Started now, it is ready about Fri 12:00\./
  )
  expect(words({ code: 'start has passed', startMs: FRIDAY, soonestMs: FRIDAY + 12 * millisecondsInHour, others: [] }, ounces)).toMatch(/2:00 am.*2:00 pm/i)
})

test('a slip of the pen is named as what was meant', () => {
  const usual = [0.55, 0.9] as const
  expect(words({ code: 'hydration unusual', share: 7.2, usual, slip: { kind: 'decimal point', meant: 72 } })).toBe(
    '720 % hydration is unusual for such a dough (55 % to 90 %) and looks like 72 % with the point in the wrong place. Is it meant?'
  )
  expect(words({ code: 'hydration unusual', share: 1.2, usual, slip: null })).toBe('120 % hydration is unusual for such a dough (55 % to 90 %). Is it meant?')
  expect(words({ code: 'salt unusual', share: 0.2, slip: { kind: 'decimal point', meant: 2 } })).toBe(
    '20 % salt looks like 2 % with the point in the wrong place. Is it meant?'
  )
  expect(words({ code: 'salt unusual', share: 0.04, slip: null })).toBe('4 % salt is unusual (up to 3.5 %). Is it meant?')
})

test('in ounces and Fahrenheit where the kitchen reckons so', () => {
  expect(words({ code: 'jar too small', seedGrams: 56.7, spareGrams: 28.35 }, ounces)).toMatch(
    /^2(\.0+)? oz of starter are needed, and Juno can spare 1(\.0+)? oz/
  )
  expect(words({ code: 'water too hot', tempC: 45 }, ounces)).toContain('113 °F')
})
