import { normalBelow } from '../../units/normalBelow'
import type { DoughCourse } from '../course'
import type { FitWindow } from './problem'

/** Taken out of Math once: the loops below ask for them by the million. */
const { abs, log, max, min } = Math

/**
 * What trouble costs, in minutes of it: the unit is a minute of hands at a time when the baker would rather not.
 * Source: craft knowledge, weighed against each other on the demo's kitchen; no plan is hidden for its cost alone.
 */
export const COST = {
  /** Each feed or build more. */
  stage: 22,
  /** Held in the cold: a move more, and a levain that is cold and a little duller at the mix. */
  chill: 18,
  /** A minute of hands at a time when one would rather not. */
  softMinute: 1,
  /** At the edge of the window, against its middle. */
  edgeOfWindow: 25,
  /** A levain that is never fit at the mix, against one that surely is; in between by its chance. */
  chance: 220,
  /** An hour the bread is ready before it is wanted. */
  earlyHour: 6,
  /** An hour one waits for bread that is wanted as soon as can be. */
  waitingHour: 30,
  /** The ratio times e, another place, other water, against what is planned now. */
  otherRatio: 5,
  otherPlace: 7,
  otherWater: 5,
  /** The other kind of proof. */
  otherProof: 12,
  /** The dough stands elsewhere than is planned, for each place. */
  otherBulk: 6,
  /** A stage of the dough stretched to its end. */
  stretched: 15,
  /** An hour of cold proof more or less than is usual. */
  coldHour: 1.2,
  /** A fold that falls out. */
  fold: 6,
  /** Each wake-up feed that the culture would want and does not get. */
  missingFeed: 30,
  /** 100 g of flour. */
  flour: 4,
  /** A minute of a limit that is broken, and a minute of bread that is late: where a plan is sought that breaks least. */
  brokenMinute: 5,
  lateMinute: 3
} as const

/** How far the free time around a mix is used when the levain is early or late, ms. */
export const MIX_LEEWAY_MS = 60 * 60_000

/** How far a moment lies from the fit one: 0 there, 1 at the edge of the window. */
function offFit({ opens, fit, closes }: FitWindow, hours: number): number {
  const side = hours < fit ? fit - opens : closes - fit
  return side <= 0 ? 0 : min(abs(hours - fit) / side, 1)
}

export const fitCost = (window: FitWindow, hours: number) => COST.edgeOfWindow * offFit(window, hours) ** 2

/**
 * How likely a levain is fit at some moment of a stretch, when its pace is known but for a log-normal spread.
 * @param fromHours start of the stretch, hours since mixing
 * @param toHours its end
 * @returns 0 … 1
 */
export function chanceWithin({ opens, closes }: FitWindow, fromHours: number, toHours: number, spread: number): number {
  const low = log(max(fromHours, 1e-3) / closes) / spread
  const high = log(max(toHours, 1e-3) / opens) / spread
  return max(normalBelow(high) - normalBelow(low), 0)
}

/** Against the dough's day as it is planned: another proof, stretched stages. */
export function courseCost(course: DoughCourse, planned: DoughCourse): number {
  const stretched = COST.stretched * ((abs(log(course.bulkStretch)) + abs(log(course.proofStretch))) / log(1.15))
  const moved = isSameStand(course, planned) ? 0 : COST.otherBulk * Math.max(course.moves?.length ?? 0, 1)
  if (course.proof.kind !== planned.proof.kind) return COST.otherProof + stretched + moved + coldHours(course, 12)
  return stretched + moved + coldHours(course, planned.proof.kind === 'cold' ? planned.proof.hours : 12)
}

/** Whether a dough stands in the same places. */
export const isSameStand = ({ placeId: here, moves: a = [] }: DoughCourse, { placeId: there, moves: b = [] }: DoughCourse): boolean =>
  here === there && a.length === b.length && a.every((move, i) => move.placeId === b[i]?.placeId && move.afterHours === b[i]?.afterHours)

const coldHours = ({ proof }: DoughCourse, usual: number) => (proof.kind === 'cold' ? COST.coldHour * abs(proof.hours - usual) : 0)
