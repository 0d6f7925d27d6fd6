import { usesOfLevain } from './usesOfLevain'

test('what the levain is for adds up to what is weighed, the gram that was rounded off included', () => {
  // 1:5:5 of 191.5 g is weighed as 17 + 87 + 87 = 191 g; 165.8 g are for the dough, 20 g are kept, 5.7 g stick.
  const levain = { needGrams: 165.8, keepBackGrams: 20, sticksGrams: 5.7, totalGrams: 191 }
  expect(usesOfLevain(levain, { alsoFor: [] })).toEqual({ dough: 166, others: [], keptBack: 20, sticks: 5, whole: 191 })
  expect(usesOfLevain(levain, { alsoFor: [{ name: 'crackers', grams: 40.4 }] })).toEqual({
    dough: 125,
    others: [{ name: 'crackers', grams: 40 }],
    keptBack: 20,
    sticks: 6,
    whole: 191
  })
})

test('a jar that is built up whole holds more than is wanted: what is wanted is told', () => {
  const levain = { needGrams: 100, keepBackGrams: 20, sticksGrams: 4, totalGrams: 300 }
  expect(usesOfLevain(levain, { alsoFor: [] })).toEqual({ dough: 100, others: [], keptBack: 20, sticks: 4, whole: 124 })
})
