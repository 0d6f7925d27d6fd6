import { millisecondsInHour } from 'date-fns/constants'
import type { Jar, Kitchen } from '../../contract'
import { isHungry, type JarCondition } from '../../core'
import { whereItStands } from './jarNow'

/** What this kitchen knows of a jar, for a question about it. */
export interface JarFacts {
  readonly jar: Jar
  /** What it was fed, g; null where it was split off. */
  readonly fed: { readonly seed: number; readonly flour: number; readonly water: number } | null
  readonly fedMs: number
  /** Of its place, °C; null where that is not known any more. */
  readonly tempC: number | null
  /** From its feed until it is highest, h; null: it does not rise. */
  readonly ripeHours: number | null
  /** From its feed until it is hungry, h; null: not within two months. */
  readonly hungryHours: number | null
  readonly hungry: boolean
}

/** The facts of a jar, as every other screen has them. */
export function jarFacts(jar: Jar, condition: JarCondition, { places }: Pick<Kitchen, 'places'>, nowMs: number): JarFacts {
  const { line } = jar
  const flour = Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)
  const seed = line.parents.reduce((sum, parent) => sum + parent.grams, 0)
  const hoursTo = (ms: number | null) => (ms === null ? null : (ms - line.startedAtMs) / millisecondsInHour)
  return {
    jar,
    fed: flour > 0 && seed > 0 ? { seed, flour, water: line.waterGrams } : null,
    fedMs: line.startedAtMs,
    tempC: places.find((p) => p.id === whereItStands(jar, nowMs).placeId)?.tempC ?? null,
    ripeHours: hoursTo(condition.peakMs),
    hungryHours: hoursTo(condition.hungryMs),
    hungry: isHungry(condition, nowMs)
  }
}
