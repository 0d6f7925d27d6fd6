import { millisecondsInHour } from 'date-fns/constants'
import type { Plan } from '../../../contract'
import {
  type BackwardsRange,
  type DraggedBuild,
  flourPerSeedOf,
  type Grip,
  HEAT,
  HOTTEST_WATER_C,
  inoculationOf,
  levainHeat,
  mixTemperature,
  type Unknown
} from '../../../core'
import type { BakeHere } from './bakeHere'

/** Nobody starts to the minute. */
const FIVE_MINUTES = 300_000
const TENTH = 10

const tenth = (value: number) => Math.round(value * TENTH) / TENTH
const toFive = (ms: number) => Math.round(ms / FIVE_MINUTES) * FIVE_MINUTES

/** Coldest and hottest mix that the water can make. */
export function mixRange({ solved, plan, jar }: Pick<BakeHere, 'solved' | 'plan' | 'jar'>): BackwardsRange {
  const build = solved?.build
  if (build === null || build === undefined || jar === undefined) return { low: plan.mixTempC, high: plan.mixTempC }
  const at = (waterC: number) =>
    mixTemperature([
      { grams: build.weigh.water, tempC: waterC, heat: HEAT.water },
      { grams: build.weigh.seed + build.weigh.older, tempC: build.seedTempC, heat: levainHeat(jar.hydration) },
      { grams: build.weigh.flour, tempC: plan.tempC, heat: HEAT.flour }
    ])
  return { low: Math.max(at(1), 1), high: Math.min(at(HOTTEST_WATER_C), HOTTEST_WATER_C) }
}

/** What a drag changes of a plan. */
export function patchOfDrag(plan: Plan, { build, mixAtMs, timed }: DraggedBuild, grip: Grip, unknown: Unknown): Partial<Plan> {
  const patch: { -readonly [Key in keyof Plan]?: Plan[Key] } = { mixAt: toFive(mixAtMs) }
  if (unknown === 'ratio' || unknown === 'inoculation') {
    const flourPerSeed = flourPerSeedOf(timed.levain, build.levain.hydration)
    const by =
      unknown === 'ratio'
        ? ({ kind: 'ratio', flourPerSeed: flourPerSeed < 2 ? Math.round(flourPerSeed * 100) / 100 : tenth(flourPerSeed) } as const)
        : ({ kind: 'inoculation', share: Math.round(inoculationOf(flourPerSeed) * 1000) / 1000 } as const)
    patch.build = { ...plan.build, by }
  }
  if (unknown === 'place') patch.tempC = tenth(build.place.tempC + (build.place.swing?.swingK ?? 0))
  if (unknown === 'mix') patch.mixTempC = tenth(build.mixTempC)
  if (typeof grip === 'object') {
    patch.moves = plan.moves.map((move, i) => ({
      ...move,
      afterHours: Math.round(((build.moves?.[i]?.afterHours ?? move.afterHours) * millisecondsInHour) / FIVE_MINUTES) * (FIVE_MINUTES / millisecondsInHour)
    }))
  }
  return patch
}
