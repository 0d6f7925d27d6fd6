import fc from 'fast-check'
import { levainOf } from './composition'
import { type DoughMasses, type Extra, type Formula, PERCENTAGE_BASES, restate, solveFormula } from './solveFormula'

const wish = { hydration: 0.74, salt: 0.021, levainHydration: 1.25 }

function solved(doughGrams: number, formula: Formula) {
  const result = solveFormula(doughGrams, formula)
  if (!result.ok) throw new Error(result.problem.code)
  return result.value
}

const sum = (m: DoughMasses) => m.flour + m.water + m.salt + m.levain + m.extras.reduce((a, b) => a + b, 0)

describe('1480 g of dough at 74 % and 2.1 % with a levain of 125 %', () => {
  test('dough flour, 27 % levain: overall figures hold', () => {
    const { masses, truth } = solved(1480, { base: 'dough flour', levain: 0.27, ...wish })
    expect(masses.flour).toBeCloseTo(750.39, 2)
    expect(masses.water).toBeCloseTo(509.36, 2)
    expect(masses.salt).toBeCloseTo(17.65, 2)
    expect(masses.levain).toBeCloseTo(202.6, 2)
    expect(masses.water / masses.flour).toBeCloseTo(0.6788, 4)
    expect(masses.salt / masses.flour).toBeCloseTo(0.02352, 5)
    expect(truth.hydration).toBeCloseTo(0.74, 10)
    expect(truth.salt).toBeCloseTo(0.021, 10)
  })

  test('total flour, 12 % of it in the levain', () => {
    const { masses, truth, preFermented } = solved(1480, { base: 'total flour', levain: 0.12, ...wish })
    expect(masses.flour).toBeCloseTo(739.58, 2)
    expect(masses.water).toBeCloseTo(495.85, 2)
    expect(masses.salt).toBeCloseTo(17.65, 2)
    expect(masses.levain).toBeCloseTo(226.92, 2)
    expect(truth.hydration).toBeCloseTo(0.74, 10)
    expect(preFermented).toBeCloseTo(0.12, 10)
  })

  test('plain, 27 % levain: nothing is counted, so the dough is wetter and less salty than it says', () => {
    const { masses, truth } = solved(1480, { base: 'plain', levain: 0.27, ...wish })
    expect(masses.flour).toBeCloseTo(728.71, 2)
    expect(masses.water).toBeCloseTo(539.24, 2)
    expect(masses.salt).toBeCloseTo(15.3, 2)
    expect(masses.levain).toBeCloseTo(196.75, 2)
    expect(truth.hydration).toBeCloseTo(0.7946, 4)
    expect(truth.salt).toBeCloseTo(0.0187, 4)
  })
})

test('the dough of the first bake: two of 780 g, 74 %, 2.1 %, 18 % levain at 100 %, worked by hand', () => {
  // k = 1 + .18/2 = 1.09; water .74·1.09 − .09 = .7166; salt .021·1.09 = .02289; F = 1560 / (1 + .7166 + .02289 + .18) = 812.712…
  const { masses, divisor } = solved(1560, { base: 'dough flour', levain: 0.18, hydration: 0.74, salt: 0.021, levainHydration: 1 })
  expect(divisor).toBeCloseTo(1.91949, 5)
  expect(masses.flour).toBeCloseTo(812.716, 2)
  expect(masses.water).toBeCloseTo(582.392, 2)
  expect(masses.salt).toBeCloseTo(18.603, 2)
  expect(masses.levain).toBeCloseTo(146.289, 2)
})

test('milk brings water, butter a little, and the wanted hydration still holds', () => {
  const milk: Extra = { share: 0.3, composition: { flour: 0, water: 0.88, salt: 0 } }
  const butter: Extra = { share: 0.1, composition: { flour: 0, water: 0.16, salt: 0.01 } }
  const { masses, truth } = solved(1000, { base: 'dough flour', levain: 0.2, hydration: 0.65, salt: 0.02, levainHydration: 1, extras: [milk, butter] })
  // k = 1.1; water .65·1.1 − .1 − .264 − .016 = .335; salt .022 − .001 = .021; sum 1 + .335 + .021 + .2 + .4 = 1.956
  expect(masses.flour).toBeCloseTo(1000 / 1.956, 3)
  expect(masses.water).toBeCloseTo(335 / 1.956, 3)
  expect(masses.extras[0]).toBeCloseTo(300 / 1.956, 3)
  expect(truth.hydration).toBeCloseTo(0.65, 10)
  expect(truth.salt).toBeCloseTo(0.02, 10)
})

describe('wishes that cannot be say why', () => {
  const formula: Formula = { base: 'dough flour', levain: 0.2, hydration: 0.7, salt: 0.02, levainHydration: 1 }
  test.each([
    ['no dough', 0, formula, 'dough mass'],
    ['negative dough', -5, formula, 'not a number'],
    ['NaN dough', Number.NaN, formula, 'not a number'],
    ['NaN hydration', 1000, { ...formula, hydration: Number.NaN }, 'not a number'],
    ['infinite salt', 1000, { ...formula, salt: Number.POSITIVE_INFINITY }, 'not a number'],
    ['negative levain', 1000, { ...formula, levain: -0.1 }, 'not a number'],
    ['more flour in the levain than there is', 1000, { ...formula, base: 'total flour', levain: 1.1 }, 'levain above all flour'],
    ['a levain wetter than the dough allows', 1000, { ...formula, levain: 2.5, hydration: 0.5, levainHydration: 2 }, 'levain wetter than dough'],
    ['an ingredient saltier than asked', 1000, { ...formula, extras: [{ share: 0.5, composition: { flour: 0, water: 0.4, salt: 0.1 } }] }, 'extras too salty']
  ] as const)('%s', (_, grams, wrong, code) => {
    const result = solveFormula(grams, wrong as Formula)
    expect(result.ok).toBe(false)
    if (!result.ok) expect(result.problem.code).toBe(code)
  })

  test('a levain that is the whole of the flour is still a dough', () => {
    const { masses } = solved(1000, { ...formula, base: 'total flour', levain: 1, hydration: 1 })
    expect(masses.flour).toBe(0)
    expect(masses.levain).toBeCloseTo(1000 * (2 / 2.02), 3)
  })
})

const anyFormula = fc.record({
  base: fc.constantFrom(...PERCENTAGE_BASES),
  hydration: fc.double({ min: 0.5, max: 1.2, noNaN: true }),
  salt: fc.double({ min: 0.01, max: 0.03, noNaN: true }),
  levain: fc.double({ min: 0.02, max: 0.4, noNaN: true }),
  levainHydration: fc.double({ min: 0.4, max: 1.25, noNaN: true }),
  extras: fc.array(
    fc.record({
      share: fc.double({ min: 0, max: 0.15, noNaN: true }),
      composition: fc.record({
        flour: fc.double({ min: 0, max: 0.3, noNaN: true }),
        water: fc.double({ min: 0, max: 0.3, noNaN: true }),
        salt: fc.double({ min: 0, max: 0.005, noNaN: true })
      })
    }),
    { maxLength: 4 }
  )
})
const grams = fc.double({ min: 50, max: 20_000, noNaN: true })

describe('for any formula', () => {
  test('masses sum to the dough', () => {
    fc.assert(fc.property(anyFormula, grams, (formula, dough) => Math.abs(sum(solved(dough, formula).masses) - dough) < 1e-9 * dough))
  })

  test('scaling is linear', () => {
    fc.assert(
      fc.property(anyFormula, grams, fc.double({ min: 0.1, max: 10, noNaN: true }), (formula, dough, factor) => {
        const one = solved(dough, formula).masses
        const many = solved(dough * factor, formula).masses
        return (['flour', 'water', 'salt', 'levain'] as const).every((item) => Math.abs(many[item] - factor * one[item]) < 1e-6 * Math.max(1, many[item]))
      })
    )
  })

  test('formula to masses to formula is the identity', () => {
    fc.assert(
      fc.property(anyFormula, grams, (formula, dough) => {
        const { masses } = solved(dough, formula)
        const back = restate(
          masses,
          formula.base,
          formula.levainHydration,
          formula.extras.map((e) => e.composition)
        )
        return (['hydration', 'salt', 'levain'] as const).every((share) => Math.abs(back[share] - formula[share]) < 1e-9)
      })
    )
  })

  test('changing the base keeps every gram', () => {
    fc.assert(
      fc.property(anyFormula, grams, fc.constantFrom(...PERCENTAGE_BASES), (formula, dough, base) => {
        const before = solved(dough, formula).masses
        const compositions = formula.extras.map((e) => e.composition)
        const after = solved(dough, restate(before, base, formula.levainHydration, compositions)).masses
        return (['flour', 'water', 'salt', 'levain'] as const).every((item) => Math.abs(before[item] - after[item]) < 1e-6)
      })
    )
  })

  test('the truth counts the levain: the counted bases hit what is asked', () => {
    fc.assert(
      fc.property(anyFormula, grams, (formula, dough) => {
        if (formula.base === 'plain') return true
        const { truth } = solved(dough, formula)
        return Math.abs(truth.hydration - formula.hydration) < 1e-9 && Math.abs(truth.salt - formula.salt) < 1e-9
      })
    )
  })
})

test('restating a dough without flour is a programmer’s mistake', () => {
  expect(() => restate({ flour: 0, water: 100, salt: 2, levain: 0, extras: [] }, 'plain', 1)).toThrow(RangeError)
})

test('a levain of 125 % is four ninths flour', () => {
  expect(levainOf(1.25).flour).toBeCloseTo(4 / 9, 12)
})
