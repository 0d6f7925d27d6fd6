import fc from 'fast-check'
import { evaluate } from './arithmetic'

test.each([
  ['74', 74],
  [' 74,5 ', 74.5],
  ['.5', 0.5],
  ['750*1.2', 900],
  ['2 x 450', 900],
  ['1/2', 0.5],
  ['100-3*20', 40],
  ['(300+180)/2', 240],
  ['480 ÷ 3 × 2', 320],
  ['-5', -5],
  ['10--2', 12]
])('%j is %d', (text, value) => {
  expect(evaluate(text)).toBeCloseTo(value, 12)
})

test.each(['', ' ', 'wet', '1e9', '12 g', 'NaN', 'abc', '7/0', '5 +', '(3', '3)', '* 4', '1.2.3', '2 2', '1 1/2', '0x10g', '9'.repeat(80)])(
  '%j is no figure',
  (text) => {
    expect(evaluate(text)).toBeNull()
  }
)

test('any text gives a finite figure or none', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 40 }), (text) => {
      const value = evaluate(text)
      expect(value === null || Number.isFinite(value)).toBe(true)
    })
  )
})

test('sums and products follow the usual order', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 999 }), fc.integer({ min: 0, max: 999 }), fc.integer({ min: 1, max: 999 }), (a, b, c) => {
      expect(evaluate(`${a}+${b}*${c}`)).toBeCloseTo(a + b * c, 6)
      expect(evaluate(`(${a}+${b})/${c}`)).toBeCloseTo((a + b) / c, 6)
    })
  )
})
