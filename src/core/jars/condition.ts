import { millisecondsInHour } from 'date-fns/constants'
import { MODEL } from '../ferment/constants'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { gasAt } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { type Phase, phaseAt } from '../readiness/phases'
import { sure } from '../units/sure'
import { type BatchLine, cultureAt, STRENGTHS, type Strength, strengthOf, vesselOf } from './lineage'

/** A jar is followed no longer than this, h. */
const LOOK_HOURS = 24 * 60

/** What a jar is for the next bake: it still has to ripen, or it is as strong as its strength says. */
export type Use = 'ripens' | Strength

/** How a kept jar is at a moment, and what comes of it if nobody feeds it. */
export interface JarCondition {
  readonly phase: Phase
  /** Level ÷ level after the feed. */
  readonly rise: number
  /** Food left, 1 in fresh flour. */
  readonly food: number
  readonly use: Use
  /** Highest; null when it does not rise within 60 days. */
  readonly peakMs: number | null
  /** Level at that peak. */
  readonly peakRise: number
  /** When it has begun to fall, has no food left and no longer builds as it is: it wants feeding by then. Null: not within 60 days. */
  readonly hungryMs: number | null
  /** From when on it wants more before it builds, in order. */
  readonly fades: readonly { readonly strength: Strength; readonly fromMs: number }[]
}

/**
 * How a jar is, from the same model as every forecast.
 * @param line what is in it and where it has stood
 * @param atMs instant
 * @param jar what is believed of it
 */
export function conditionOf(line: BatchLine, atMs: number, jar: JarParameters = TYPICAL_JAR): JarCondition {
  const { curve, milestones, foodGoneHours, fadeHours } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS })
  const hours = Math.max((atMs - line.startedAtMs) / millisecondsInHour, 0)
  const gas = gasAt(curve, hours)
  const state = cultureAt(line, atMs, jar)
  const at = (h: number | null) => (h === null ? null : line.startedAtMs + h * millisecondsInHour)
  const ripe = milestones.opensHours !== null && hours >= milestones.opensHours
  return {
    phase: phaseAt(milestones, gas, hours),
    rise: 1 + gas,
    food: state.food,
    use: ripe || state.food < MODEL.hungryFood ? strengthOf(state) : 'ripens',
    peakMs: at(milestones.peakHours),
    peakRise: 1 + milestones.peakGas,
    hungryMs: foodGoneHours === null ? null : at(Math.max(foodGoneHours, milestones.closesHours ?? 0, fadeHours[0] ?? 0)),
    fades: fadeHours.map((h, i) => ({ strength: sure(STRENGTHS[i + 1]), fromMs: line.startedAtMs + h * millisecondsInHour }))
  }
}

/** Whether hardly any food is left: it will be hungry soon. */
export const isFoodGone = ({ food }: JarCondition) => food < MODEL.hungryFood

/** Whether a jar is hungry at a moment. */
export const isHungry = ({ hungryMs }: JarCondition, atMs: number) => hungryMs !== null && atMs >= hungryMs

/** Whether a place is a cold one: there a culture sleeps. */
export const isCold = (tempC: number) => tempC < MODEL.coldNoneC
