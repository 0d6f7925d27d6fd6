import fc from 'fast-check'
import type { FormulaLine } from '../dough/formula'
import { usualMix } from '../dough/mix'
import { roundDough } from '../dough/roundDough'
import { solveFormula } from '../dough/solveFormula'
import { RIPE } from '../ferment/culture'
import type { BatchLine } from '../jars/lineage'
import { vesselOf } from '../jars/lineage'
import { hoursToGas } from '../schedule/course'
import { contextWith, PANTRY } from '../testing/doughs'
import { doughContents, doughLine } from './doughLine'

const MIX_MS = Date.UTC(2026, 10, 28, 9)
const levain = { startedAtMs: 0, flours: {}, waterGrams: 0, saltGrams: 0, mixTempC: 25, stays: [], parents: [] } as BatchLine

/** A dough of white wheat with 20 % levain, as it is weighed. */
function weighed(extras: readonly (readonly [id: string, share: number])[], more: { hydration?: number; salt?: number; lines?: readonly FormulaLine[] } = {}) {
  const { hydration = 0.72, salt = 0.02, lines = [] } = more
  const formula = {
    base: 'dough flour' as const,
    doughKind: 'wheat' as const,
    hydration,
    salt,
    autolyse: false,
    heldBack: 0,
    lines: [
      { id: 'f', kind: 'flour' as const, ingredientId: 'white wheat', share: 1 },
      { id: 'w', kind: 'water' as const },
      { id: 'l', kind: 'levain' as const, share: 0.2 },
      { id: 's', kind: 'salt' as const },
      ...extras.map(([ingredientId, share]) => ({ id: ingredientId, kind: 'extra' as const, ingredientId, share })),
      ...lines
    ]
  }
  const solved = solveFormula(formula, { kind: 'dough', grams: 1000 }, contextWith(1))
  if (!solved.ok) throw new Error(solved.problem.code)
  return roundDough(solved.value, true)
}

/** Hours until a dough has risen by half, its levain at its peak. */
function half(dough: ReturnType<typeof weighed>, tempC = 25): number {
  const line = doughLine(
    dough,
    { line: levain, hydration: 1, flour: 'white wheat' },
    { mixAtMs: MIX_MS, mixTempC: tempC, standing: { tempC, surroundings: 'air' } },
    PANTRY
  )
  const ripe = { ...line, parents: line.parents.map((p) => ({ ...p, line: null, state: RIPE })) }
  return hoursToGas(ripe, 0.5) ?? Number.POSITIVE_INFINITY
}
const between = (hours: number, low: number, high: number) => {
  expect(hours).toBeGreaterThanOrEqual(low)
  expect(hours).toBeLessThanOrEqual(high)
}
const plain = half(weighed([]))

test.each([
  [0.001, 2.2, 3.3],
  [0.005, 1, 1.8],
  [0.01, 0.7, 1.3]
])('instant yeast, %d of the flour: it has risen by half after %d to %d h', (share, low, high) => {
  between(half(weighed([['dry yeast', share]])), low, high)
})

test('fresh yeast does what a third of instant yeast does', () => {
  expect(half(weighed([['fresh yeast', 0.009]]))).toBeCloseTo(half(weighed([['dry yeast', 0.003]])), 1)
})

test('milk is water: a dough mixed with it goes as one mixed with water does', () => {
  const milk = weighed([['milk', 0.78]])
  // Counted without its milk it would be as dry as 5 %.
  const { waterGrams, flours } = doughContents(milk.lines, PANTRY)
  expect(waterGrams / (flours['white wheat'] ?? 0)).toBeGreaterThan(0.65)
  between(half(milk) / plain, 0.85, 1.15)
})

test('a rich dough takes its time: sugar and fat slow it, and the water of eggs and butter counts', () => {
  const rich = weighed(
    [
      ['sugar', 0.15],
      ['butter', 0.2],
      ['egg', 0.2]
    ],
    { hydration: 0.6, salt: 0.018 }
  )
  expect(rich.truth.hydration).toBeCloseTo(0.6, 1)
  between(half(rich, 26), 6, 12)
})

test('a poolish of a fifth of the flour brings yeast that has grown over night', () => {
  const poolish: FormulaLine = { id: 'p', kind: 'pre-ferment', style: 'poolish', mix: usualMix('poolish', 'white wheat'), share: 0.2 }
  const hours = half(weighed([], { lines: [poolish] }))
  between(hours, 2, 3.4)
  expect(hours).toBeLessThan(0.8 * plain)
})

test('the more yeast the sooner; the more sugar above 5 % and fat above 10 % the later; a little of them changes next to nothing', () => {
  const share = fc.double({ min: 0, max: 0.25, noNaN: true })
  fc.assert(
    fc.property(share, share, fc.double({ min: 0.0005, max: 0.01, noNaN: true }), (sugar, fat, yeast) => {
      const one = half(
        weighed([
          ['sugar', sugar],
          ['oil', fat],
          ['dry yeast', yeast]
        ])
      )
      const more = (by: readonly [number, number, number]) =>
        half(
          weighed([
            ['sugar', sugar + by[0]],
            ['oil', fat + by[1]],
            ['dry yeast', yeast + by[2]]
          ])
        )
      return more([0, 0, 0.004]) < one && (sugar < 0.05 || more([0.05, 0, 0]) > one) && (fat < 0.1 || more([0, 0.05, 0]) > one)
    }),
    { numRuns: 40 }
  )
  expect(half(weighed([['sugar', 0.03]])) / plain).toBeCloseTo(1, 1)
})

test('what discard brings is flour and water, too', () => {
  const { lines } = weighed([['discard', 0.2]])
  const { flours, waterGrams } = doughContents(lines, PANTRY)
  const grams = (kind: string) => lines.reduce((sum, line) => (line.kind === kind ? sum + line.grams : sum), 0)
  expect(flours['white wheat']).toBeCloseTo(grams('flour') + grams('extra') / 2, 6)
  expect(waterGrams).toBeCloseTo(grams('water') + grams('extra') / 2, 6)
})

test('yeast, sugar and fat reach the simulator as shares of all flour, the levain’s too', () => {
  const line = doughLine(
    weighed([
      ['sugar', 0.1],
      ['butter', 0.1]
    ]),
    { line: levain, hydration: 1, flour: 'white wheat' },
    { mixAtMs: MIX_MS, mixTempC: 25, standing: { tempC: 25, surroundings: 'air' } },
    PANTRY
  )
  const { sugar, fat } = vesselOf({ ...line, parents: line.parents.map((p) => ({ ...p, line: null })) })
  // 100 of flour in the dough and 10 in 20 % of levain: 10 / 110 and 8.2 / 110.
  expect(sugar).toBeCloseTo(10 / 110, 2)
  expect(fat).toBeCloseTo(8.2 / 110, 2)
})
