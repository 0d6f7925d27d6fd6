import { learnDoughs, UNKNOWN_DOUGHS } from './learnDoughs'

const faster = (log: number, sd = 0.1) => ({ log, sd })

test('nothing seen, nothing believed; one dough that was sure to be faster moves it two thirds of the way, by hand', () => {
  expect(learnDoughs([])).toEqual(UNKNOWN_DOUGHS)
  // 0.2 against the prior's 0.15 and the doughs' 0.1: 0.2 × 100 ÷ (100 + 44.4)
  expect(learnDoughs([faster(0.2, 0)]).log).toBeCloseTo(0.1385, 3)
  expect(learnDoughs([faster(0.2, 0)]).sd).toBeCloseTo(1 / Math.sqrt(144.4), 3)
})

test('many doughs that agree are believed, and their doubt shrinks', () => {
  const few = learnDoughs(Array.from({ length: 2 }, () => faster(-0.2)))
  const many = learnDoughs(Array.from({ length: 12 }, () => faster(-0.2)))
  expect(many.log).toBeLessThan(few.log)
  expect(many.log).toBeGreaterThan(-0.2)
  expect(many.log).toBeLessThan(-0.17)
  expect(many.sd).toBeLessThan(few.sd)
})

test('a step marked hours late does not turn a kitchen over', () => {
  const usual = Array.from({ length: 4 }, () => faster(0.05))
  expect(learnDoughs([...usual, faster(-1.2, 0.2)]).log).toBeGreaterThan(0)
  expect(Math.abs(learnDoughs([faster(-1.2, 0.2)]).log)).toBeLessThan(0.25)
})

test('what was read counts for more than what was ended by hand', () => {
  expect(learnDoughs([faster(0.2, 0.1), faster(-0.2, 0.25)]).log).toBeGreaterThan(0)
})
