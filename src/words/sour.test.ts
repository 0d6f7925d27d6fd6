import { createFormat, leaningOf, SOUR_LEVERS, sournessOf } from '../core'
import { effectWords, leaningWords, leverWords, pHWords, sourWords, ttaWords } from './sour'

test('pH and TTA with their doubt', () => {
  expect(pHWords(4.05)).toBe('3.9 – 4.2')
  expect(ttaWords(10)).toBe('9 – 12 ml')
})

test('in words against what one is used to', () => {
  expect([7, 9, 10.2, 11.5, 14].map((tta) => sournessOf(tta, 10))).toEqual([
    'much milder',
    'a little milder',
    'about as sour',
    'a little tangier',
    'much tangier'
  ])
})

test('what acid leans to, with its reasons: firm and cool to vinegar, warm and wet to milk', () => {
  const told = (hydration: number, tempC: number, hours: number, wholegrain = 0) => leaningWords(leaningOf({ hydration, tempC, hours, wholegrain }))
  expect(told(0.5, 18, 20, 0.5)).toBe('sharper, like vinegar: firm, cool, long, wholegrain')
  expect(told(1.25, 28, 6)).toBe('milder, like yogurt: warm, wet')
  expect(told(1, 24, 8)).toBe('in between milk and vinegar')
  // One reason each way: no word for either.
  expect(told(0.5, 29, 6)).toBe('in between milk and vinegar')
})

test('all of it in two sentences, against the last three where they are known', () => {
  const sour = { pH: 3.95, tta: 10.5, leaning: leaningOf({ hydration: 1.25, tempC: 28, hours: 6, wholegrain: 0 }) }
  expect(sourWords(sour)).toBe('pH\u202f3.8 – 4.1, TTA\u202f9 – 12 ml. Its acid is milder, like yogurt: warm, wet.')
  expect(sourWords(sour, { tta: 12, bakes: 3 })).toContain('9 – 12 ml, a little milder than your last three bakes.')
  expect(sourWords(sour, { tta: 10.4, bakes: 1 })).toContain(', about as sour as your last bake.')
})

test('each lever by what is done, and what comes of it', () => {
  const format = createFormat({ mass: 'g', temperature: '°F', clock: '24 h', timeZone: 'UTC' })
  const words = SOUR_LEVERS.map((lever) => leverWords(lever, format))
  expect(new Set(words).size).toBe(SOUR_LEVERS.length)
  // Two kelvin are not quite four degrees Fahrenheit.
  expect(words[0]?.replace(/\s/g, ' ')).toBe('Levain 4 °F warmer')
  expect(effectWords({ lever: 'cold proof', sour: { pH: 5.04, tta: 6 }, change: 0.114 }).replace(/\s/g, ' ')).toBe('+11 %: a little tangier, pH about 5.0')
  expect(effectWords({ lever: 'younger', sour: { pH: 5.2, tta: 5 }, change: -0.03 })).toContain('about as sour')
})
