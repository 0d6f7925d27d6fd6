import { type Jar, type Kitchen, lineFromWire, type Plan, wishOf } from '../../contract'
import { type SolvedBake, solveBake } from '../../core'

/**
 * Everything that follows from a plan in this kitchen.
 * @param nowMs the time now, ms
 * @returns null when its jar is gone
 */
export function solvePlan(plan: Plan, jars: readonly Jar[], kitchen: Kitchen, nowMs: number): SolvedBake | null {
  const jar = jars.find((j) => j.id === plan.jarId)
  if (jar === undefined) return null
  const { sleep, timeZone, smallScale, tapTempC, places } = kitchen
  return solveBake(
    wishOf(plan),
    { grams: jar.grams, keepMinimumGrams: jar.keepMinimumGrams, hydration: jar.hydration, flour: jar.flour, line: lineFromWire(jar.line) },
    {
      sleep,
      timeZone,
      smallScale,
      tapTempC,
      flourTempC: places[0]?.tempC ?? plan.tempC,
      surroundings: places.find((p) => p.id === plan.placeId)?.surroundings
    },
    nowMs
  )
}
