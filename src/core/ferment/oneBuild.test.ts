import { LATENT_SD } from './draws'
import { type BareHill, fitBuild, foretell, type Observation } from './oneBuild'

/** A hill that climbs along a line to g = 2 at 8 h and falls along another. */
const hill: BareHill = { peakHours: 8, peakGas: 2, gasAt: (h) => (h < 8 ? Math.max(h, 0) / 4 : Math.max(4 - h / 4, 0)) }
const levels = (at: (hours: number) => number, hours: readonly number[]): Observation[] => hours.map((h) => ({ kind: 'level', hours: h, rise: 1 + at(h) }))

test('looks on the hill leave it as it is', () => {
  const { latents, cost } = fitBuild(hill, levels(hill.gasAt, [2, 4, 6]), LATENT_SD)
  for (const z of latents) expect(z).toBeCloseTo(0, 2)
  expect(cost).toBeCloseTo(0, 3)
})

test('looks at a build a tenth slower say so', () => {
  const { latents } = fitBuild(
    hill,
    levels((h) => hill.gasAt(h / 1.1), [2, 3, 4, 5, 6, 7, 9, 10]),
    LATENT_SD
  )
  expect(Math.exp((latents[0] ?? 0) * (LATENT_SD[0] ?? 0))).toBeGreaterThan(1.05)
})

test('one misread level moves less than one that fits the others', () => {
  const honest = levels(hill.gasAt, [2, 4, 5, 6])
  const odd: Observation = { kind: 'level', hours: 3, rise: 6 }
  const shifted = fitBuild(hill, [...honest, odd], LATENT_SD).latents
  expect(Math.max(...shifted.map(Math.abs))).toBeLessThan(0.6)
})

test('still climbing at nine hours, and fallen already at seven, each bend the peak their way', () => {
  const stretch = (seen: Observation) => fitBuild(hill, [seen], LATENT_SD).latents[0] ?? 0
  expect(stretch({ kind: 'climbing', hours: 9 })).toBeGreaterThan(0.5)
  expect(stretch({ kind: 'fallen', hours: 7 })).toBeLessThan(-0.5)
  // What was to be expected anyway says next to nothing.
  expect(Math.abs(stretch({ kind: 'climbing', hours: 4 }))).toBeLessThan(0.01)
  expect(Math.abs(stretch({ kind: 'fallen', hours: 14 }))).toBeLessThan(0.01)
})

test('a sign that may be wrong bends the peak less than one that was seen for certain, and not at all where it is plainly wrong', () => {
  const stretch = (hours: number, trust?: number) => fitBuild(hill, [{ kind: 'climbing', hours, trust }], LATENT_SD).latents[0] ?? 0
  expect(stretch(9, 0.8)).toBeGreaterThan(0.05)
  expect(stretch(9, 0.8)).toBeLessThan(stretch(9))
  // A dome at fourteen hours on a hill whose top is at eight.
  expect(Math.abs(stretch(14, 0.8))).toBeLessThan(0.1)
})

test('slopes are those of what is foretold', () => {
  const seen: Observation = { kind: 'level', hours: 5, rise: 2 }
  const at = [0.3, -0.4, 0.2]
  const { slopes } = foretell(hill, seen, at, LATENT_SD)
  at.forEach((_, i) => {
    const beside = (by: number) =>
      foretell(
        hill,
        seen,
        at.map((z, j) => (i === j ? z + by : z)),
        LATENT_SD
      ).value
    expect(slopes[i]).toBeCloseTo((beside(1e-4) - beside(-1e-4)) / 2e-4, 3)
  })
})
