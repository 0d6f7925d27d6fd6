/**
 * The shape of a climb: how full the hill is on its way up. With the share of the peak a level has reached as odds, shape multiplies the odds and steepness is their
 * power; start and peak stay where they are. No law of growth gives it; it takes up what the model gets wrong about the climb (docs/model.md).
 */

import { MODEL } from './constants'
import type { RiseCurve, Top } from './milestones'

/** Taken out of Math once: these are asked for by the million. */
const { max, min } = Math

/** How a climb is bent. */
export interface ClimbShape {
  /** Factor on the odds: above 1 the level comes early and the dome is long. */
  readonly shape: number
  /** Power of the odds: above 1 the climb is slow at first and fast in the middle. */
  readonly steep: number
}

/**
 * Share of the peak's g once the climb is bent.
 * @param share of the model's own climb, 0 … 1
 * @example bentShare(0.5, { shape: 3, steep: 1 }) // 0.75
 */
export function bentShare(share: number, { shape, steep }: ClimbShape): number {
  if (share <= 0) return 0
  if (share >= 1) return 1
  if (steep === 1) return (shape * share) / (1 + (shape - 1) * share)
  const odds = shape * (share / (1 - share)) ** steep
  return odds / (1 + odds)
}

/** The other way round: which share of the model's own climb is seen as this one. */
export const straightShare = (share: number, { shape, steep }: ClimbShape) => bentShare(share, { shape: shape ** (-1 / steep), steep: 1 / steep })

/** Slope of the bent share by the straight one; held, since both ends may be steep without end. */
export function bendSlope(share: number, bent: number, { steep }: ClimbShape): number {
  const inside = min(max(share, 1e-3), 1 - 1e-3)
  return min((steep * bent * (1 - bent)) / (inside * (1 - inside)), 4)
}

/** Share of the peak's g as it is seen: a dome stands longer near its top than the gas made in it tells. Low down nothing changes. */
const domed = (share: number) => share + MODEL.dome * share ** 6 * (1 - share)
const domeSlope = (share: number) => 1 + MODEL.dome * share ** 5 * (6 - 7 * share)

/**
 * Bends the climb of a curve, in place; its top stays where it is.
 * @param curve straight from the equations
 * @param top its top, which it has passed
 * @param jar how its climb differs from a typical one
 */
export function bendClimb({ hours, gas, slope }: RiseCurve, top: Top, jar: ClimbShape): void {
  for (let i = 1; (hours[i] ?? NaN) < top.hours; i++) {
    const own = (gas[i] ?? NaN) / top.gas
    const share = domed(own)
    const bent = bentShare(share, jar)
    gas[i] = bent * top.gas
    slope[i] = (slope[i] ?? NaN) * domeSlope(own) * bendSlope(share, bent, jar)
  }
}
