import { drawParameters, inverseNormal, LATENTS } from './draws'
import { logsOf, PARAMETERS, UNKNOWN_JAR } from './jarParameters'

/** Mean and standard deviation of some figures. */
function momentsOf(figures: readonly number[]): { readonly mean: number; readonly sd: number } {
  const mean = figures.reduce((sum, x) => sum + x, 0) / figures.length
  return { mean, sd: Math.sqrt(figures.reduce((sum, x) => sum + (x - mean) ** 2, 0) / figures.length) }
}

test('the normal quantile, against the tables', () => {
  // Of the printed tables of the standard normal distribution.
  for (const [p, z] of [
    [0.5, 0],
    [0.8413447, 1],
    [0.95, 1.6448536],
    [0.975, 1.959964],
    [0.99, 2.3263479],
    [0.999, 3.0902323],
    [0.9999, 3.7190165]
  ] as const) {
    expect(inverseNormal(p)).toBeCloseTo(z, 5)
    expect(inverseNormal(1 - p)).toBeCloseTo(-z, 5)
  }
  expect(Number.isFinite(inverseNormal(0)) && Number.isFinite(inverseNormal(1))).toBe(true)
})

test('draws lie around what is believed of the jar, as wide as the doubt about it', () => {
  const { draws } = drawParameters(2000, UNKNOWN_JAR)
  const centre = logsOf(UNKNOWN_JAR.centre)
  for (const i of PARAMETERS.keys()) {
    const { mean, sd } = momentsOf(draws.map(({ jar }) => logsOf(jar)[i] as number))
    const doubt = Math.sqrt(UNKNOWN_JAR.covariance[i]?.[i] ?? 0)
    expect(Math.abs(mean - (centre[i] as number))).toBeLessThan(0.03 * doubt + 1e-9)
    expect(sd).toBeGreaterThan(0.95 * doubt)
    expect(sd).toBeLessThan(1.05 * doubt + 1e-9)
  }
})

test('the room and the seed are in doubt, too, and both ways', () => {
  const { draws } = drawParameters(1000, UNKNOWN_JAR, 1.5)
  const room = momentsOf(draws.map((d) => d.roomOffsetK))
  expect(Math.abs(room.mean)).toBeLessThan(0.05)
  expect(room.sd).toBeCloseTo(1.5, 1)
  const livelier = draws.filter((d) => d.seed > 1).length / draws.length
  expect(Math.abs(livelier - 0.5)).toBeLessThan(0.02)
})

test('no chance in it: the same question has the same answer, and each build its own normals', () => {
  const [first, second] = [drawParameters(150, UNKNOWN_JAR), drawParameters(150, UNKNOWN_JAR)]
  expect(second.draws).toEqual(first.draws)
  expect(first.normals).toHaveLength(150 * LATENTS)
  for (let latent = 0; latent < LATENTS; latent++) {
    const { mean, sd } = momentsOf(Array.from(first.normals).filter((_, i) => i % LATENTS === latent))
    expect(Math.abs(mean)).toBeLessThan(0.1)
    expect(sd).toBeGreaterThan(0.9)
    expect(sd).toBeLessThan(1.1)
  }
})

test('what is known for certain is drawn as it is', () => {
  const certain = { ...UNKNOWN_JAR, covariance: UNKNOWN_JAR.covariance.map((row) => row.map(() => 0)) }
  const { draws } = drawParameters(20, certain, 0)
  for (const { jar, roomOffsetK } of draws) {
    for (const [i, log] of logsOf(jar).entries()) expect(log).toBeCloseTo(logsOf(certain.centre)[i] as number, 12)
    expect(Math.abs(roomOffsetK)).toBe(0)
  }
})
