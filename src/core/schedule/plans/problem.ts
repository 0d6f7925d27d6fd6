import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { BlendPart, Pantry } from '../../dough/ingredient'
import type { School } from '../../ferment/forecast'
import type { Kept } from '../../jars/feeding'
import type { BatchLine } from '../../jars/lineage'
import type { Busy } from '../availability'
import type { CourseHere, CourseTimes, DoughPace } from '../course'
import type { Interval } from '../nights'
import type { PlannedBuild, Standing } from '../planBuild'

/** What is wanted, and when. */
export type BreadWish =
  /** Out of the oven, cooled and cut, or the dough mixed at a time. */
  | { readonly kind: 'out' | 'eat' | 'mix'; readonly atMs: number }
  /** Bread as soon as it can be; looked for within so many hours, three days where that is left out. */
  | { readonly kind: 'soonest'; readonly withinHours?: number }
  /** A fixed habit: built in the evening, mixed in the morning. */
  | { readonly kind: 'habit'; readonly buildMs: number; readonly mixMs: number }

/** How a levain is to go, where that is a habit too: out for some hours and ripened in the fridge; or from a jar that comes out in the morning, to be used some hours later. */
export type LevainHabit =
  | { readonly kind: 'out, then the fridge' }
  | {
      readonly kind: 'jar out in the morning'
      /** Where the jar is taken. */
      readonly place: PlanPlace
      /** When it may be taken out, ms, each morning. */
      readonly mornings: readonly number[]
    }

/** A place where a levain or a dough may stand. */
export interface PlanPlace {
  readonly id: string
  readonly standing: Standing
}

/** Where a dough stands: where it is mixed and proofed in the warm, and where it is moved to while it rises. */
export interface DoughStand {
  readonly place: PlanPlace
  /** Hours after the mix. */
  readonly moves: readonly { readonly afterHours: number; readonly place: PlanPlace }[]
}

/** Everything a search is given; nothing but data, so that a worker can have it. */
export interface PlanProblem {
  readonly nowMs: number
  /** IANA name. */
  readonly timeZone: string
  readonly wish: BreadWish
  /** Its starter is used as it is: the last build is the feed that makes the jar ready for the mix. */
  readonly asItIs?: boolean
  /** Its seed comes from the jar as it stands: neither fed nor built before. */
  readonly straightFromJar?: boolean
  /** Left out: any way will do. */
  readonly levainHabit?: LevainHabit
  /** The levain as it is planned now. */
  readonly build: PlannedBuild
  readonly flourPerSeed: number
  readonly placeId: string
  readonly school: School
  readonly places: readonly PlanPlace[]
  /** Flour per seed that is tried. */
  readonly ratios: readonly number[]
  /** Temperatures of the fresh mix that are tried, °C. */
  readonly mixTemps: readonly number[]
  /** What a wake-up feed keeps of the jar, and what it is fed; `line` as it stands. */
  readonly wake: { readonly kept: Kept; readonly feed: readonly BlendPart[]; readonly hydration: number; readonly pantry: Pantry }
  readonly course: CourseHere
  /** Kinds of proof that are tried. */
  readonly proofs: readonly CourseHere['proof'][]
  /** The dough as it would be mixed, with the levain as it is planned now. */
  readonly dough: BatchLine
  /** Where it may stand; the first is as it is planned. */
  readonly stands: readonly DoughStand[]
  /** When there are no hands, and when nobody is at home. */
  readonly busy: readonly Busy[]
  /** The oven is taken by others. */
  readonly oven: readonly Interval[]
  /** Places that are full. */
  readonly full: readonly (Interval & { readonly placeId: string })[]
  /** How little is known of the pace, from the jar as it stands and once it was fed: sd of the logarithm of the hours to the fit moment. */
  readonly spread: Readonly<Record<'jar' | 'fed', number>>
  /** Between two moments that are tried, min. */
  readonly gridMinutes: number
}

/** One feed or build of a plan. */
export interface PlanStage {
  readonly kind: 'wake' | 'first build' | 'build'
  readonly flourPerSeed: number
  readonly place: PlanPlace
  readonly mixTempC: number
  /** Put into the cold after so long, to hold. */
  readonly chill: { readonly afterHours: number; readonly place: PlanPlace } | null
  /** Feeds and builds between the jar as it stands and this: 0 takes its seed from the jar. */
  readonly fedBefore: number
}

/** When what was mixed is fit, h after mixing. */
export interface FitWindow {
  readonly opens: number
  readonly fit: number
  readonly closes: number
}

/** A stage with its time. */
export interface TimedPlanStage {
  readonly stage: PlanStage
  readonly startMs: number
  readonly window: FitWindow
}

/** Why a plan would not do. */
export interface Violation {
  readonly kind: 'asleep' | 'out' | 'other bake' | 'oven' | 'full' | 'late'
  /** Whose time it is: "work", or the place. */
  readonly name: string
  /** By how much, min. */
  readonly minutes: number
  /** What was to be done then. */
  readonly step: string
  readonly fromMs: number
  readonly toMs: number
}

/** One way to get there. */
export interface DayPlan {
  /** In the order of time; the last is the build whose levain is mixed. */
  readonly stages: readonly TimedPlanStage[]
  readonly mixMs: number
  readonly course: CourseHere
  readonly pace: DoughPace
  readonly times: CourseTimes
  /** How likely the levain is fit while hands are there, by the search's own estimate. */
  readonly chance: number
  /** Trouble, in minutes of it. */
  readonly cost: number
  /** What it consists of. */
  readonly because: Readonly<Partial<Record<CostPart, number>>>
  readonly violations: readonly Violation[]
}

/** What makes a plan dear. */
export type CostPart =
  | 'steps'
  | 'rather not'
  | 'off the fit moment'
  | 'chance'
  | 'early bread'
  | 'waiting'
  | 'unlike the plan'
  | 'stretched'
  | 'no folds'
  | 'weak culture'
  | 'flour'

/** A habit's build may begin so far from its hour, ms. */
export const HABIT_LEEWAY_MS = 20 * millisecondsInMinute

/** A jar that came out of the fridge is used so long after it, h: shortest and longest. Source: craft knowledge. */
const OUT_BEFORE_HOURS = [2, 12] as const

/** When something may be begun from a jar that comes out in the morning, each day; none where it stays where it is. */
export function outStretches({ levainHabit }: Pick<PlanProblem, 'levainHabit'>): (Interval & { readonly outMs: number })[] {
  if (levainHabit?.kind !== 'jar out in the morning') return []
  const [fromMs, toMs] = OUT_BEFORE_HOURS.map((hours) => hours * millisecondsInHour) as [number, number]
  return levainHabit.mornings.map((outMs) => ({ outMs, fromMs: outMs + fromMs, toMs: outMs + toMs }))
}

/** When the jar came out for what is begun from it at a moment, ms; null where it did not that day. */
export const jarOutBefore = (problem: Pick<PlanProblem, 'levainHabit'>, startMs: number): number | null =>
  outStretches(problem).find(({ fromMs, toMs }) => startMs >= fromMs && startMs <= toMs)?.outMs ?? null

/** The last moment a search looks at. */
export function wishEnd({ wish, nowMs }: Pick<PlanProblem, 'wish' | 'nowMs'>): number {
  if (wish.kind === 'soonest') return nowMs + (wish.withinHours ?? SOON_HOURS) * millisecondsInHour
  return wish.kind === 'habit' ? wish.mixMs : wish.atMs
}

/** Bread as soon as can be is looked for so far ahead, h. */
const SOON_HOURS = 72
