import { leaningOf, sournessOf } from '../core'
import { leaningWords, pHWords, ttaWords } from './sour'

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
  expect(told(1, 24, 8)).toBe('in between')
  // One reason each way: no word for either.
  expect(told(0.5, 29, 6)).toBe('in between')
})
