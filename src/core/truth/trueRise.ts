/**
 * Another kitchen's truth: rises made by other laws than the forecast's, so that demo, stand-in devices and tests never
 * check the model against itself. Time runs in "warm hours" (square-root temperature law), the hill is a smooth step with
 * a bell-shaped fall. It imports nothing from ferment.
 */

/** What the forecast is not told about a jar. */
export interface HiddenJar {
  /** Factor on pace. */
  readonly pace: number
  /** Factor on the height. */
  readonly height: number
}

/** One build as it really goes. */
export interface TrueBuild {
  /** Fresh flour per gram of a 100 % seed. */
  readonly flourPerSeed: number
  /** Real temperature of the levain over time, °C by hour. */
  readonly tempAt: (hours: number) => number
  readonly jar: HiddenJar
  /** Factor on pace of this one build. */
  readonly chance: number
}

/** A true rise over time. */
export interface TrueCurve {
  readonly hours: readonly number[]
  /** Height ÷ height at the band. */
  readonly rise: readonly number[]
  readonly peakHours: number
}

/** Square-root law of growth (Ratkowsky et al. 1982): lowest temperature −3 °C, dying off toward 42 °C; 1 at 25 °C. */
export function warmHoursPerHour(tempC: number): number {
  const raw = (t: number) => Math.max(t + 3, 0) ** 2 * Math.max(1 - Math.exp(0.3 * (t - 42)), 0)
  return raw(tempC) / raw(25)
}

/** Warm hours to the peak: a + b ln(1 + flour per seed). Fitted to craft tables of feeds at 25 °C. */
const TO_PEAK = { base: 2.62, perLog: 3 } as const
const LAG_SHARE = 0.12
const FALL_SHARE = 1.33
const DEFAULT_GAS = 2.2
const FALLEN_GAS = 0.35
const STEP_HOURS = 0.05

/**
 * The hill as it really is.
 * @param build ratio, temperature, jar and chance
 * @param untilHours how long
 * @returns rise every three minutes
 */
export function trueRise(build: TrueBuild, untilHours: number): TrueCurve {
  const toPeak = TO_PEAK.base + TO_PEAK.perLog * Math.log(1 + build.flourPerSeed)
  const lag = LAG_SHARE * toPeak
  const top = DEFAULT_GAS * build.jar.height
  const hours: number[] = []
  const rise: number[] = []
  let warm = 0
  let peakHours = Number.POSITIVE_INFINITY
  for (let i = 0; i * STEP_HOURS <= untilHours; i++) {
    const t = i * STEP_HOURS
    hours.push(t)
    rise.push(1 + hill((warm - lag) / (toPeak - lag), (warm - toPeak) / (FALL_SHARE * toPeak), top))
    if (warm >= toPeak && t < peakHours) peakHours = t
    warm += STEP_HOURS * warmHoursPerHour(build.tempAt(t)) * build.jar.pace * build.chance
  }
  return { hours, rise, peakHours }
}

function hill(climb: number, fall: number, top: number): number {
  if (climb <= 0) return 0
  if (climb < 1) return top * climb ** 3 * (climb * (6 * climb - 15) + 10)
  return FALLEN_GAS + (top - FALLEN_GAS) * Math.exp(-fall * fall)
}

/** Rise at a time, held at the ends. */
export function trueRiseAt(curve: TrueCurve, hours: number): number {
  const i = Math.min(Math.max(Math.round(hours / STEP_HOURS), 0), curve.rise.length - 1)
  return curve.rise[i] ?? 1
}
