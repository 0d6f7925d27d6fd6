import { isPlausible, likelySlip, PLAUSIBLE_HYDRATION, USUAL_PERCENT, within } from './plausible'

test.each([
  ['salt', 0.021, true],
  ['salt', 0.063, false],
  ['preFermented', 0.55, false],
  ['yeast', 0.05, false],
  ['pieceGrams', 65, true],
  ['pieceGrams', 9, false]
] as const)('%s of %d is plausible: %s', (name, value, plausible) => {
  expect(isPlausible(name, value)).toBe(plausible)
})

test.each([
  ['wheat', 0.74, true],
  ['wheat', 0.3, false],
  ['wheat', 1.05, false],
  ['rye tin', 1.05, true],
  ['gluten-free', 1.3, true],
  ['gluten-free', 0.62, false]
] as const)('a %s dough at %d: %s', (kind, hydration, plausible) => {
  expect(within(PLAUSIBLE_HYDRATION[kind], hydration)).toBe(plausible)
})

test.each([
  [6.3, 'salt', { kind: 'three times over', meant: 2.1 }],
  [20, 'salt', { kind: 'decimal point', meant: 2 }],
  [0.2, 'salt', { kind: 'decimal point', meant: 2 }],
  [4.2, 'salt', { kind: 'twice', meant: 2.1 }],
  [47, 'hydration', { kind: 'digits swapped', meant: 74 }],
  [7.2, 'hydration', { kind: 'decimal point', meant: 72 }],
  [144, 'hydration', { kind: 'twice', meant: 72 }]
] as const)('%d %% %s is probably a slip', (value, name, slip) => {
  expect(likelySlip(value, USUAL_PERCENT[name])).toEqual(slip)
})

test('what no slip explains is not explained', () => {
  expect(likelySlip(9.9, USUAL_PERCENT.salt)).toBeNull()
})

test('66 with its digits swapped is 66: that explains nothing', () => {
  expect(likelySlip(66, [60, 85])).toBeNull()
  expect(likelySlip(27, [60, 85])).toEqual({ kind: 'digits swapped', meant: 72 })
})
