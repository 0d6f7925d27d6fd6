import { leaningOf } from '../core'
import { leaningWords, sourWords } from './sour'

test('pH and TTA with their doubt, and in words against the last loaves', () => {
  expect(sourWords({ pH: 4.05, tta: 10 }, null)).toBe('pH 3.9 to 4.2, TTA 9 to 12')
  expect(sourWords({ pH: 4.05, tta: 10 }, 10.2)).toBe('pH 3.9 to 4.2, TTA 9 to 12: about as sour')
  expect([7, 9, 11.5, 14].map((tta) => sourWords({ pH: 4, tta }, 10).split(': ')[1])).toEqual([
    'much milder',
    'a little milder',
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
