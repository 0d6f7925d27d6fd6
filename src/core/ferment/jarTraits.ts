import { mixCultures, RIPE } from './culture'
import { drawParameters } from './draws'
import { type JarBelief, type JarParameters, TYPICAL_JAR } from './jarParameters'
import { simulate, type Vessel } from './simulate'

/** How a jar compares with a typical one: factor on it, and within which it lies nine times in ten. */
export interface Trait {
  readonly factor: number
  readonly low: number
  readonly high: number
}

/** What can be said of a jar in words. */
export interface JarTraits {
  /** Time to its peak when fed 1:5:5 at 25 °C. */
  readonly peakTime: Trait
  /** Height of that peak, as g. */
  readonly height: Trait
  /** Time to its peak at 4 °C against that at 25 °C: above 1 it is slow in the cold. */
  readonly cold: Trait
  /** Work before it wakes. */
  readonly waking: Trait
}

const DRAWS = 60

/** A ripe white levain fed 1:5:5: what jars are compared by. */
export function exampleVessel(tempC: number): Vessel {
  return {
    start: mixCultures([{ flourGrams: 1, state: RIPE }], 10, 1),
    massGrams: 220,
    hydration: 1,
    salt: 0,
    flours: { 'white wheat': 1 },
    mixTempC: tempC,
    stays: [{ fromHours: 0, tempC }]
  }
}

const WARM = exampleVessel(25)

/** Describes a jar by what it would do, beside a typical one. */
export function jarTraits(belief: JarBelief): JarTraits {
  const measure = (jar: JarParameters) => {
    const { peakHours, peakGas } = simulate(WARM, jar, { untilHours: 60, stopPastPeak: true }).milestones
    return { peakTime: peakHours ?? 60, height: peakGas, cold: 1 / jar.cold, waking: jar.lag }
  }
  const typical = measure(TYPICAL_JAR)
  const centre = measure(belief.centre)
  const drawn = drawParameters(DRAWS, belief).draws.map((draw) => measure(draw.jar))
  const trait = (name: keyof JarTraits): Trait => {
    const sorted = drawn.map((d) => d[name] / typical[name]).sort((a, b) => a - b)
    return { factor: centre[name] / typical[name], low: sorted[Math.floor(0.05 * DRAWS)] ?? NaN, high: sorted[Math.ceil(0.95 * DRAWS) - 1] ?? NaN }
  }
  return { peakTime: trait('peakTime'), height: trait('height'), cold: trait('cold'), waking: trait('waking') }
}
