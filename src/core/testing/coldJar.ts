import { millisecondsInHour } from 'date-fns/constants'
import { learnJar } from '../ferment/learnJar'
import { simulate } from '../ferment/simulate'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { observationsOf } from '../readiness/observations'
import { normalFrom, seededRandom } from '../truth/seededRandom'
import { TRUE_SPREAD } from '../truth/trueLog'
import { seedShareOf, TRUE_RIPE, trueRise, trueRiseAt } from '../truth/trueRise'

const CYCLES = 4
const RATIOS = [1, 2, 3, 5] as const
const LONGEST_HOURS = 24 * 16
const FED_AT = Date.UTC(2026, 10, 1, 9)

/** A feed of ripe white starter: an hour out at 22 °C, then the fridge. */
export function coldFeed(flourPerSeed: number): BatchLine {
  return {
    startedAtMs: FED_AT,
    flours: { 'white wheat': 20 * flourPerSeed },
    waterGrams: 20 * flourPerSeed,
    saltGrams: 0,
    mixTempC: 22,
    stays: [
      { fromMs: FED_AT, tempC: 22 },
      { fromMs: FED_AT + millisecondsInHour, tempC: 4 }
    ],
    parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
  }
}

/**
 * A jar whose cold the forecast is not told of, made by the other generator: four cycles in the fridge with a look a day, then a fifth foretold.
 * @param seed whole number; the same gives the same jar
 * @returns relative error of its days to the peak, before and after the four were learned from
 */
export function coldJarErrors(seed: number): { readonly before: number; readonly after: number } {
  const random = seededRandom(seed)
  const normal = normalFrom(random)
  const spread = (sd: number) => Math.exp(sd * normal())
  const jar = { pace: spread(TRUE_SPREAD.pace), pause: spread(TRUE_SPREAD.pause), height: spread(TRUE_SPREAD.height) }
  const ratios = Array.from({ length: CYCLES + 1 }, () => RATIOS[Math.floor(random() * RATIOS.length)] ?? NaN)
  const curveOf = (ratio: number) => {
    const fridge = 4 + 0.4 * normal()
    const tempAt = (h: number) => (h < 1 ? 22 : fridge + (22 - fridge) * Math.exp(-(h - 1) / 1.2))
    return trueRise({ seedShare: seedShareOf(ratio), seed: TRUE_RIPE, tempAt, jar, chance: spread(TRUE_SPREAD.chance) }, LONGEST_HOURS)
  }
  const logs = ratios.slice(0, CYCLES).map((ratio) => {
    const truth = curveOf(ratio)
    const days = Math.min(Math.ceil(truth.peakHours / 24) + 2, 14)
    const marks = Array.from({ length: days }, (_, d) => {
      const hours = 24 * (d + 1) + 2 * normal()
      const rise = Math.max(1, trueRiseAt(truth, hours) * (1 + TRUE_SPREAD.reading * normal()))
      return { hours, rise, signs: hours > truth.peakHours * 1.1 ? { top: 'sunken' as const } : {} }
    })
    return { vessel: vesselOf(coldFeed(ratio)), seen: observationsOf(marks) }
  })
  const fifth = ratios[CYCLES] ?? NaN
  const real = curveOf(fifth).peakHours
  const errorWith = (known: typeof logs) => {
    const { centre } = learnJar(known).belief
    const { milestones } = simulate(vesselOf(coldFeed(fifth), centre), centre, { untilHours: 24 * 40, stopPastPeak: true })
    return Math.abs((milestones.peakHours ?? Number.POSITIVE_INFINITY) / real - 1)
  }
  return { before: errorWith([]), after: errorWith(logs) }
}
