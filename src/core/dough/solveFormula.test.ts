import fc from 'fast-check'
import { contextWith, PANTRY, richFormula, simpleFormula } from '../testing/doughs'
import { levainOf } from './composition'
import { type Formula, type FormulaLine, PERCENTAGE_BASES, type Target } from './formula'
import { type Mix, usualMix } from './mix'
import { doughPieces, pieceCount } from './pieces'
import { restate, type SolvedDough, solveFormula } from './solveFormula'

function solved(formula: Formula, target: Target, levainHydration = 1.25): SolvedDough {
  const answer = solveFormula(formula, target, contextWith(levainHydration))
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}
const grams = (dough: SolvedDough, id: string) => dough.lines.find((l) => l.id === id)?.grams ?? 0
const problemOf = (formula: Formula, target: Target = { kind: 'dough', grams: 1000 }, levainHydration = 1) => {
  const answer = solveFormula(formula, target, contextWith(levainHydration))
  return answer.ok ? null : answer.problem
}
const D1480: Target = { kind: 'dough', grams: 1480 }

describe('the worked doughs: 1480 g, levain at 125 %, 74 % hydration, 2.1 % salt', () => {
  test('dough flour, 27 % levain: overall figures hold', () => {
    const dough = solved(simpleFormula(), D1480)
    expect(grams(dough, 'flour')).toBeCloseTo(750.39, 2)
    expect(grams(dough, 'water')).toBeCloseTo(509.36, 2)
    expect(grams(dough, 'salt')).toBeCloseTo(17.65, 2)
    expect(grams(dough, 'levain')).toBeCloseTo(202.6, 2)
    expect(dough.lines.find((l) => l.id === 'water')?.share).toBeCloseTo(0.6788, 4)
    expect(dough.lines.find((l) => l.id === 'salt')?.share).toBeCloseTo(0.02352, 5)
    expect(dough.divisor).toBeCloseTo(1.9723, 4)
    expect(dough.truth.hydration).toBeCloseTo(0.74, 9)
    expect(dough.truth.salt).toBeCloseTo(0.021, 9)
  })
  test('total flour, 12 % of it in the levain', () => {
    const dough = solved(simpleFormula({ base: 'total flour', levain: 0.12 }), D1480)
    expect(grams(dough, 'flour')).toBeCloseTo(739.58, 2)
    expect(grams(dough, 'water')).toBeCloseTo(495.85, 2)
    expect(grams(dough, 'salt')).toBeCloseTo(17.65, 2)
    expect(grams(dough, 'levain')).toBeCloseTo(226.92, 2)
    expect(dough.preFermented).toBeCloseTo(0.12, 9)
    expect(dough.truth.hydration).toBeCloseTo(0.74, 9)
  })
  test('plain, 27 % levain: nothing is counted, so the dough is wetter and less salty than it says', () => {
    const dough = solved(simpleFormula({ base: 'plain' }), D1480)
    expect(grams(dough, 'flour')).toBeCloseTo(728.71, 2)
    expect(grams(dough, 'water')).toBeCloseTo(539.24, 2)
    expect(grams(dough, 'salt')).toBeCloseTo(15.3, 2)
    expect(grams(dough, 'levain')).toBeCloseTo(196.75, 2)
    expect(dough.truth.hydration).toBeCloseTo(0.7946, 4)
    expect(dough.truth.salt).toBeCloseTo(0.0187, 4)
  })
})

test('the dough of the first bake: two of 780 g, 74 %, 2.1 %, 18 % levain at 100 %, worked by hand', () => {
  // D = 1560/.98 = 1591.84; k = 1.09; divisor = 1 + (.74·1.09 − .09) + .021·1.09 + .18 = 1.91949
  const target: Target = { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: 0.02, bakeLoss: null }
  const dough = solved(simpleFormula({ levain: 0.18 }), target, 1)
  expect(dough.doughGrams).toBeCloseTo(1591.84, 2)
  expect(dough.divisor).toBeCloseTo(1.91949, 5)
  expect(grams(dough, 'flour')).toBeCloseTo(829.3, 1)
  expect(grams(dough, 'water')).toBeCloseTo(594.28, 1)
  expect(grams(dough, 'salt')).toBeCloseTo(18.98, 2)
  expect(grams(dough, 'levain')).toBeCloseTo(149.27, 2)
})

const TARGETS: Readonly<Record<string, Target>> = {
  dough: { kind: 'dough', grams: 1500 },
  pieces: {
    kind: 'pieces',
    pieces: [
      { count: 18, grams: 65 },
      { count: 1, grams: 900 }
    ],
    handlingLoss: 0.02,
    bakeLoss: null
  },
  baked: { kind: 'pieces', pieces: [{ count: 2, grams: 800 }], handlingLoss: 0.02, bakeLoss: 0.12 },
  'added flour': { kind: 'added flour', grams: 750 },
  'total flour': { kind: 'total flour', grams: 900 },
  levain: { kind: 'levain', grams: 200 },
  'line rye': { kind: 'line', lineId: 'rye', grams: 240 }
}

/**
 * Strong white 70, rye 30, milk 10 %, 72 % water, 2 % salt, levain at 125 %; a poolish with 20 % of the flour, a soaker of 15 %.
 * Each row was worked as a system of linear equations in exact fractions, by elimination: base, ahead, target, then g of white, rye, water, salt,
 * levain, poolish, soaker, milk, and the true hydration and salt.
 */
const WORKED: readonly (readonly [Formula['base'], 'none' | 'poolish' | 'poolish and soaker', string, ...number[]])[] = [
  ['total flour', 'none', 'dough', 527.3973, 226.0274, 412.6712, 17.1233, 231.1644, 0.0, 0.0, 85.6164, 0.72, 0.02],
  ['total flour', 'none', 'pieces', 742.6614, 318.2835, 581.1085, 24.1124, 325.5172, 0.0, 0.0, 120.5619, 0.72, 0.02],
  ['total flour', 'none', 'baked', 652.3157, 279.5639, 510.4159, 21.1791, 285.9176, 0.0, 0.0, 105.8954, 0.72, 0.02],
  ['total flour', 'none', 'added flour', 525.0, 225.0, 410.7955, 17.0455, 230.1136, 0.0, 0.0, 85.2273, 0.72, 0.02],
  ['total flour', 'none', 'total flour', 554.4, 237.6, 433.8, 18.0, 243.0, 0.0, 0.0, 90.0, 0.72, 0.02],
  ['total flour', 'none', 'levain', 456.2963, 195.5556, 357.037, 14.8148, 200.0, 0.0, 0.0, 74.0741, 0.72, 0.02],
  ['total flour', 'none', 'line rye', 560.0, 240.0, 438.1818, 18.1818, 245.4545, 0.0, 0.0, 90.9091, 0.72, 0.02],
  ['total flour', 'poolish', 'dough', 356.1258, 226.0029, 241.4036, 17.1214, 231.1393, 342.5998, 0.0, 85.6072, 0.72, 0.02],
  ['total flour', 'poolish', 'pieces', 501.4832, 318.249, 339.9357, 24.1098, 325.4819, 482.4365, 0.0, 120.5489, 0.72, 0.02],
  ['total flour', 'poolish', 'baked', 440.4771, 279.5336, 298.5821, 21.1768, 285.8866, 423.7475, 0.0, 105.8839, 0.72, 0.02],
  ['total flour', 'poolish', 'added flour', 354.5455, 225.0, 240.3324, 17.0455, 230.1136, 341.0795, 0.0, 85.2273, 0.72, 0.02],
  ['total flour', 'poolish', 'total flour', 374.4, 237.6, 253.791, 18.0, 243.0, 360.18, 0.0, 90.0, 0.72, 0.02],
  ['total flour', 'poolish', 'levain', 308.1481, 195.5556, 208.8815, 14.8148, 200.0, 296.4444, 0.0, 74.0741, 0.72, 0.02],
  ['total flour', 'poolish', 'line rye', 378.1818, 240.0, 256.3545, 18.1818, 245.4545, 363.8182, 0.0, 90.9091, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'dough', 342.4125, 217.3003, 167.6244, 15.2397, 222.2389, 329.4074, 123.4661, 82.3107, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'pieces', 482.1727, 305.9942, 236.0426, 21.46, 312.9486, 463.8594, 173.8604, 115.9069, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'baked', 423.5158, 268.7696, 207.3277, 18.8494, 274.878, 407.4303, 152.71, 101.8067, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'added flour', 354.5455, 225.0, 173.564, 15.7797, 230.1136, 341.0795, 127.8409, 85.2273, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'total flour', 374.4, 237.6, 183.2836, 16.6634, 243.0, 360.18, 135.0, 90.0, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'levain', 308.1481, 195.5556, 150.8507, 13.7147, 200.0, 296.4444, 111.1111, 74.0741, 0.72, 0.02],
  ['total flour', 'poolish and soaker', 'line rye', 378.1818, 240.0, 185.1349, 16.8317, 245.4545, 363.8182, 136.3636, 90.9091, 0.72, 0.02],
  ['dough flour', 'none', 'dough', 535.4957, 229.4982, 434.8225, 17.1359, 206.5483, 0.0, 0.0, 76.4994, 0.72, 0.02],
  ['dough flour', 'none', 'pieces', 754.0654, 323.1709, 612.3011, 24.1301, 290.8538, 0.0, 0.0, 107.7236, 0.72, 0.02],
  ['dough flour', 'none', 'baked', 662.3324, 283.8567, 537.8139, 21.1946, 255.4711, 0.0, 0.0, 94.6189, 0.72, 0.02],
  ['dough flour', 'none', 'added flour', 525.0, 225.0, 426.3, 16.8, 202.5, 0.0, 0.0, 75.0, 0.72, 0.02],
  ['dough flour', 'none', 'total flour', 562.5, 241.0714, 456.75, 18.0, 216.9643, 0.0, 0.0, 80.3571, 0.72, 0.02],
  ['dough flour', 'none', 'levain', 518.5185, 222.2222, 421.037, 16.5926, 200.0, 0.0, 0.0, 74.0741, 0.72, 0.02],
  ['dough flour', 'none', 'line rye', 560.0, 240.0, 454.72, 17.92, 216.0, 0.0, 0.0, 80.0, 0.72, 0.02],
  ['dough flour', 'poolish', 'dough', 382.4599, 229.4759, 281.7888, 17.1342, 206.5283, 306.1209, 0.0, 76.492, 0.72, 0.02],
  ['dough flour', 'poolish', 'pieces', 538.566, 323.1396, 396.8046, 24.1278, 290.8256, 431.0682, 0.0, 107.7132, 0.72, 0.02],
  ['dough flour', 'poolish', 'baked', 473.0487, 283.8292, 348.5328, 21.1926, 255.4463, 378.6282, 0.0, 94.6097, 0.72, 0.02],
  ['dough flour', 'poolish', 'added flour', 375.0, 225.0, 276.2925, 16.8, 202.5, 300.15, 0.0, 75.0, 0.72, 0.02],
  ['dough flour', 'poolish', 'total flour', 401.7857, 241.0714, 296.0277, 18.0, 216.9643, 321.5893, 0.0, 80.3571, 0.72, 0.02],
  ['dough flour', 'poolish', 'levain', 370.3704, 222.2222, 272.8815, 16.5926, 200.0, 296.4444, 0.0, 74.0741, 0.72, 0.02],
  ['dough flour', 'poolish', 'line rye', 400.0, 240.0, 294.712, 17.92, 216.0, 320.16, 0.0, 80.0, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'dough', 369.2465, 221.5479, 214.1987, 15.4455, 199.3931, 295.5449, 110.774, 73.8493, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'pieces', 519.9594, 311.9756, 301.6268, 21.7497, 280.7781, 416.1755, 155.9878, 103.9919, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'baked', 456.7057, 274.0234, 264.9335, 19.1039, 246.6211, 365.5472, 137.0117, 91.3411, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'added flour', 375.0, 225.0, 217.5363, 15.6861, 202.5, 300.15, 112.5, 75.0, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'total flour', 401.7857, 241.0714, 233.0746, 16.8066, 216.9643, 321.5893, 120.5357, 80.3571, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'levain', 370.3704, 222.2222, 214.8507, 15.4925, 200.0, 296.4444, 111.1111, 74.0741, 0.72, 0.02],
  ['dough flour', 'poolish and soaker', 'line rye', 400.0, 240.0, 232.0387, 16.7319, 216.0, 320.16, 120.0, 80.0, 0.72, 0.02],
  ['plain', 'none', 'dough', 497.6303, 213.2701, 511.8483, 14.218, 191.9431, 0.0, 0.0, 71.09, 0.855357, 0.017857],
  ['plain', 'none', 'pieces', 700.7448, 300.3192, 720.766, 20.0213, 270.2873, 0.0, 0.0, 100.1064, 0.855357, 0.017857],
  ['plain', 'none', 'baked', 615.4982, 263.785, 633.0839, 17.5857, 237.4065, 0.0, 0.0, 87.9283, 0.855357, 0.017857],
  ['plain', 'none', 'added flour', 525.0, 225.0, 540.0, 15.0, 202.5, 0.0, 0.0, 75.0, 0.855357, 0.017857],
  ['plain', 'none', 'total flour', 562.5, 241.0714, 578.5714, 16.0714, 216.9643, 0.0, 0.0, 80.3571, 0.855357, 0.017857],
  ['plain', 'none', 'levain', 518.5185, 222.2222, 533.3333, 14.8148, 200.0, 0.0, 0.0, 74.0741, 0.855357, 0.017857],
  ['plain', 'none', 'line rye', 560.0, 240.0, 576.0, 16.0, 216.0, 0.0, 0.0, 80.0, 0.855357, 0.017857],
  ['plain', 'poolish', 'dough', 355.4165, 213.2499, 369.6332, 14.2167, 191.9249, 284.4754, 0.0, 71.0833, 0.855366, 0.017857],
  ['plain', 'poolish', 'pieces', 500.4845, 300.2907, 520.5039, 20.0194, 270.2616, 400.5878, 0.0, 100.0969, 0.855366, 0.017857],
  ['plain', 'poolish', 'baked', 439.5999, 263.76, 457.1839, 17.584, 237.384, 351.8558, 0.0, 87.92, 0.855366, 0.017857],
  ['plain', 'poolish', 'added flour', 375.0, 225.0, 390.0, 15.0, 202.5, 300.15, 0.0, 75.0, 0.855366, 0.017857],
  ['plain', 'poolish', 'total flour', 401.7857, 241.0714, 417.8571, 16.0714, 216.9643, 321.5893, 0.0, 80.3571, 0.855366, 0.017857],
  ['plain', 'poolish', 'levain', 370.3704, 222.2222, 385.1852, 14.8148, 200.0, 296.4444, 0.0, 74.0741, 0.855366, 0.017857],
  ['plain', 'poolish', 'line rye', 400.0, 240.0, 416.0, 16.0, 216.0, 320.16, 0.0, 80.0, 0.855366, 0.017857],
  ['plain', 'poolish and soaker', 'dough', 343.3347, 206.0008, 306.0778, 12.7136, 185.4007, 274.8051, 103.0004, 68.6669, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'pieces', 483.4713, 290.0828, 431.0075, 17.9028, 261.0745, 386.9704, 145.0414, 96.6943, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'baked', 424.6564, 254.7938, 378.5749, 15.7249, 229.3144, 339.895, 127.3969, 84.9313, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'added flour', 375.0, 225.0, 334.3069, 13.8861, 202.5, 300.15, 112.5, 75.0, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'total flour', 401.7857, 241.0714, 358.186, 14.878, 216.9643, 321.5893, 120.5357, 80.3571, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'levain', 370.3704, 222.2222, 330.1797, 13.7147, 200.0, 296.4444, 111.1111, 74.0741, 0.859013, 0.017857],
  ['plain', 'poolish and soaker', 'line rye', 400.0, 240.0, 356.5941, 14.8119, 216.0, 320.16, 120.0, 80.0, 0.859013, 0.017857]
]

test.each(WORKED.map((row) => [row[0], row[1], row[2], row] as const))('%s · %s · from %s', (base, ahead, target, [, , , ...figures]) => {
  const dough = solved(richFormula(base, base === 'total flour' ? 0.12 : 0.27, ahead), TARGETS[target] as Target)
  const weighed = ['white', 'rye', 'water', 'salt', 'levain', 'poolish', 'soaker', 'milk'].map((id) => grams(dough, id))
  weighed.forEach((g, i) => {
    expect(g).toBeCloseTo(figures[i] as number, 3)
  })
  expect(dough.truth.hydration).toBeCloseTo(figures[8] as number, 5)
  expect(dough.truth.salt).toBeCloseTo(figures[9] as number, 5)
})

test('a salted, oiled levain: its salt is taken off, its oil adds nothing to the water', () => {
  // Levain 100 flour + 60 water + 2 salt + 5 oil = 167 g; 20 % of the dough flour; hydration .7, salt .02, D 1000.
  const levain = { flour: 100 / 167, water: 60 / 167, salt: 2 / 167 }
  const answer = solveFormula(simpleFormula({ levain: 0.2, hydration: 0.7, salt: 0.02 }), { kind: 'dough', grams: 1000 }, { pantry: PANTRY, levain })
  if (!answer.ok) throw new Error(answer.problem.code)
  // k = 1 + .2·.598802 = 1.1197605; water .7k − .2·.3592814 = .7119760; salt .02k − .2·.0119760 = .0200000; divisor 1.9319760
  expect(grams(answer.value, 'flour')).toBeCloseTo(1000 / 1.931976, 2)
  expect(grams(answer.value, 'water')).toBeCloseTo(711.976 / 1.931976, 2)
  expect(grams(answer.value, 'salt')).toBeCloseTo(20 / 1.931976, 2)
})

test('a scald within a sponge is taken apart to its flour and water', () => {
  const scald: Mix = usualMix('scald', 'rye')
  const mix: Mix = {
    name: 'Sponge',
    parts: [
      { ingredientId: 'rye', parts: 70 },
      { mix: scald, parts: 90 },
      { ingredientId: 'discard', parts: 20 }
    ]
  }
  const formula = richFormula('total flour', 0, 'none')
  const lines: FormulaLine[] = [...formula.lines.filter((l) => l.kind !== 'levain'), { id: 'sponge', kind: 'pre-ferment', style: 'sponge', mix, share: 0.2 }]
  const dough = solved({ ...formula, lines }, { kind: 'total flour', grams: 1000 })
  // 180 parts hold 70 + 30 = 100 of pure rye, so a fifth of 1000 g of flour makes 360 g of sponge: 140 rye, 180 scald (60 rye, 120 water), 40 discard.
  expect(grams(dough, 'sponge')).toBeCloseTo(360, 6)
  const parts = dough.lines.find((l) => l.id === 'sponge')?.parts ?? []
  expect(parts.map((p) => [p.name, Math.round(p.grams)])).toEqual([
    ['Wholegrain rye flour', 140],
    ['Scald', 180],
    ['Discard, 100 %', 40]
  ])
  expect(parts[1]?.parts.map((p) => Math.round(p.grams))).toEqual([60, 120])
  // The discard's 20 g of flour count among the 1000, so the flour lines hold 980: 294 rye, less 200 in the sponge.
  expect(grams(dough, 'rye')).toBeCloseTo(94, 6)
  expect(dough.truth.hydration).toBeCloseTo(0.72, 9)
  expect(dough.truth.flourGrams).toBeCloseTo(1000, 6)
})

describe('wishes that cannot be say why', () => {
  test.each([
    ['a levain wetter than the whole dough allows', simpleFormula({ levain: 2.8, hydration: 0.4 }), 'levain wetter than dough'],
    ['more levain flour than flour', simpleFormula({ base: 'total flour', levain: 1.2 }), 'levain above all flour'],
    ['extras saltier than asked', simpleFormula({ salt: 0.001, extras: [['olives', 0.5]] }), 'extras too salty'],
    ['no flour at all', { ...simpleFormula({ levain: 0 }), lines: simpleFormula({ levain: 0 }).lines.filter((l) => l.kind !== 'flour') }, 'no flour'],
    ['a figure that is none', simpleFormula({ hydration: Number.NaN }), 'not a number'],
    ['less than nothing', simpleFormula({ salt: -0.02 }), 'not a number'],
    ['an ingredient the kitchen does not have', simpleFormula({ extras: [['moonlight', 0.1]] }), 'unknown ingredient'],
    ['more water held back than there is', simpleFormula({ heldBack: 0.9 }), 'water held back']
  ] as const)('%s', (_, formula, code) => {
    expect(problemOf(formula)?.code).toBe(code)
  })
  test('a poolish of a flour that the dough has not got, or has too little of', () => {
    const poolish = (flour: string, share: number): Formula => {
      const formula = richFormula('dough flour', 0.2, 'none')
      return { ...formula, lines: [...formula.lines, { id: 'p', kind: 'pre-ferment', style: 'poolish', mix: usualMix('poolish', flour), share }] }
    }
    expect(problemOf(poolish('spelt', 0.1))).toMatchObject({ code: 'pre-ferment flour missing', about: 'spelt' })
    expect(problemOf(poolish('rye', 0.35))).toMatchObject({ code: 'pre-ferment takes too much', about: 'rye' })
    expect(problemOf(poolish('rye', 0.3))).toBeNull()
  })
  test('a mix that holds itself too deep, or weighs nothing', () => {
    const nest = (depth: number): Mix => ({ name: 'm', parts: depth === 0 ? [{ ingredientId: 'rye', parts: 1 }] : [{ mix: nest(depth - 1), parts: 1 }] })
    const withMix = (mix: Mix): Formula => {
      const formula = richFormula('dough flour', 0.2, 'none')
      return { ...formula, lines: [...formula.lines, { id: 'm', kind: 'pre-ferment', style: 'scald', mix, share: 0.1 }] }
    }
    expect(problemOf(withMix(nest(4)))).toBeNull()
    expect(problemOf(withMix(nest(9)))?.code).toBe('pre-ferment cannot be')
    expect(problemOf(withMix({ name: 'm', parts: [] }))?.code).toBe('pre-ferment cannot be')
  })
  test.each([
    [{ kind: 'dough', grams: 0 }, 'dough mass'],
    [{ kind: 'dough', grams: Number.POSITIVE_INFINITY }, 'not a number'],
    [{ kind: 'pieces', pieces: [], handlingLoss: 0, bakeLoss: null }, 'dough mass'],
    [{ kind: 'line', lineId: 'gone', grams: 5 }, 'not to be scaled']
  ] as const)('size %j', (target, code) => {
    expect(problemOf(simpleFormula(), target)?.code).toBe(code)
  })
  test('a dough without levain cannot be scaled to the levain at hand', () => {
    expect(problemOf(simpleFormula({ levain: 0 }), { kind: 'levain', grams: 100 })?.code).toBe('not to be scaled')
  })
  test('a levain that is the whole of the flour is still a dough', () => {
    const dough = solved(simpleFormula({ base: 'total flour', levain: 1, hydration: 1.25 }), D1480)
    expect(grams(dough, 'flour')).toBeCloseTo(0, 9)
    expect(dough.preFermented).toBeCloseTo(1, 9)
  })
})

const anyFormula: fc.Arbitrary<{ formula: Formula; levainHydration: number }> = fc.record({
  levainHydration: fc.double({ min: 0.4, max: 1.25, noNaN: true }),
  formula: fc
    .record({
      base: fc.constantFrom(...PERCENTAGE_BASES),
      hydration: fc.double({ min: 0.7, max: 1.1, noNaN: true }),
      salt: fc.double({ min: 0.015, max: 0.035, noNaN: true }),
      levain: fc.double({ min: 0.02, max: 0.3, noNaN: true }),
      white: fc.double({ min: 0.4, max: 1, noNaN: true }),
      milk: fc.double({ min: 0, max: 0.15, noNaN: true }),
      poolish: fc.double({ min: 0, max: 0.2, noNaN: true }),
      soaker: fc.double({ min: 0, max: 0.15, noNaN: true })
    })
    .map(({ base, hydration, salt, levain, white, milk, poolish, soaker }): Formula => {
      const rich = richFormula(base, levain, 'poolish and soaker')
      const share = { white, rye: 1 - white + 0.01, milk, poolish, soaker, levain: base === 'total flour' ? levain / 2 : levain } as Record<string, number>
      return { ...rich, hydration, salt, lines: rich.lines.map((l) => ('share' in l ? { ...l, share: share[l.id] ?? l.share } : l)) }
    })
})

describe('for any formula', () => {
  const massOf = (dough: SolvedDough) => dough.lines.reduce((t, l) => t + l.grams, 0)
  test('masses sum to the dough to a thousand-millionth', () => {
    fc.assert(
      fc.property(anyFormula, fc.double({ min: 50, max: 20_000, noNaN: true }), ({ formula, levainHydration }, dough) => {
        expect(Math.abs(massOf(solved(formula, { kind: 'dough', grams: dough }, levainHydration)) / dough - 1)).toBeLessThan(1e-9)
      })
    )
  })
  test('scaling is linear', () => {
    fc.assert(
      fc.property(anyFormula, fc.double({ min: 0.1, max: 9, noNaN: true }), ({ formula, levainHydration }, by) => {
        const [one, other] = [1000, 1000 * by].map((g) => solved(formula, { kind: 'dough', grams: g }, levainHydration))
        one?.lines.forEach((l, i) => {
          expect(other?.lines[i]?.grams).toBeCloseTo(l.grams * by, 6)
        })
      })
    )
  })
  test('every known leads to the same dough as the mass it gives', () => {
    fc.assert(
      fc.property(anyFormula, fc.constantFrom(...Object.values(TARGETS)), ({ formula, levainHydration }, target) => {
        const dough = solved(formula, target, levainHydration)
        const again = solved(formula, { kind: 'dough', grams: dough.doughGrams }, levainHydration)
        again.lines.forEach((l, i) => {
          expect(l.grams).toBeCloseTo(dough.lines[i]?.grams ?? Number.NaN, 6)
        })
      })
    )
  })
  test('formula to masses to formula is the identity', () => {
    fc.assert(
      fc.property(anyFormula, ({ formula, levainHydration }) => {
        const parts = formula.lines.reduce((t, l) => (l.kind === 'flour' ? t + l.share : t), 0)
        const back = restate(formula, solved(formula, D1480, levainHydration), formula.base)
        expect(back.hydration).toBeCloseTo(formula.hydration, 9)
        expect(back.salt).toBeCloseTo(formula.salt, 9)
        back.lines.forEach((l, i) => {
          const before = formula.lines[i]
          if ('share' in l && before !== undefined && 'share' in before)
            expect(l.share).toBeCloseTo(l.kind === 'flour' ? before.share / parts : before.share, 9)
        })
      })
    )
  })
  test('changing the base keeps every gram, there and back', () => {
    fc.assert(
      fc.property(anyFormula, fc.constantFrom(...PERCENTAGE_BASES), ({ formula, levainHydration }, base) => {
        const before = solved(formula, D1480, levainHydration)
        const other = restate(formula, before, base)
        const after = solved(other, D1480, levainHydration)
        const home = solved(restate(other, after, formula.base), D1480, levainHydration)
        before.lines.forEach((l, i) => {
          expect(after.lines[i]?.grams).toBeCloseTo(l.grams, 7)
          expect(home.lines[i]?.grams).toBeCloseTo(l.grams, 7)
        })
      })
    )
  })
  test('the truth counts everything: the counted bases hit what is asked', () => {
    fc.assert(
      fc.property(anyFormula, ({ formula, levainHydration }) => {
        fc.pre(formula.base !== 'plain')
        const { truth } = solved(formula, D1480, levainHydration)
        expect(truth.hydration).toBeCloseTo(formula.hydration, 9)
        expect(truth.salt).toBeCloseTo(formula.salt, 9)
      })
    )
  })
  test('a declared and a true value part only in the plain base', () => {
    const dough = solved({ ...simpleFormula(), base: 'plain' }, D1480)
    expect(dough.truth.hydration).toBeGreaterThan(0.75)
  })
})

test('restating a dough without flour is a programmer’s mistake', () => {
  const dough = solved(simpleFormula({ base: 'total flour', levain: 1, hydration: 1.25 }), D1480)
  expect(() => restate(simpleFormula(), dough, 'dough flour')).toThrow(RangeError)
})

test('a levain of 125 % is four ninths flour', () => {
  expect(levainOf(1.25).flour).toBeCloseTo(4 / 9, 12)
})

test('by the flour in each piece: 4 of 130 g and 1 of 230 g at 74, 20 and 2, the levain not counted', () => {
  const formula = simpleFormula({ base: 'plain', hydration: 0.74, salt: 0.02, levain: 0.2 })
  const target = {
    kind: 'flour pieces',
    pieces: [
      { count: 4, grams: 130 },
      { count: 1, grams: 230 }
    ]
  } as const
  const answer = solveFormula(formula, target, contextWith(1))
  if (!answer.ok) throw new Error(answer.problem.code)
  const grams = Object.fromEntries(answer.value.lines.map((l) => [l.id, l.grams]))
  // 750 g of flour: 555 of water, 150 of levain, 15 of salt.
  expect(grams).toEqual({ flour: expect.closeTo(750, 9), water: expect.closeTo(555, 9), levain: expect.closeTo(150, 9), salt: expect.closeTo(15, 9) })
  // 1470 g of dough: 254.8 and 450.8 g.
  expect(doughPieces(target, answer.value)).toEqual([
    { count: 4, grams: expect.closeTo(254.8, 9) },
    { count: 1, grams: expect.closeTo(450.8, 9) }
  ])
  expect([pieceCount(target), pieceCount({ kind: 'dough', grams: 1000 })]).toEqual([5, null])
})
