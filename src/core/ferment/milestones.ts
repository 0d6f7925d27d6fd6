import type { RiseCurve } from './simulate'

/** When a curve passes its marks, hours since mixing; null where it does not within the time looked at. */
export interface Milestones {
  /** g = 1 on the way up. */
  readonly doubledHours: number | null
  /** 60 % of the peak's g on the way up. */
  readonly sixtyHours: number | null
  /** 95 % of the peak's g on the way up. */
  readonly opensHours: number | null
  /** The highest level. */
  readonly peakHours: number | null
  /** 95 % of the peak's g on the way down. */
  readonly closesHours: number | null
  /** 85 % of the peak's g on the way down: the end for those who mix mature. */
  readonly easedHours: number | null
  /** 80 % of the peak's g on the way down: collapsed. */
  readonly collapsedHours: number | null
  /** g at the peak, or the highest g so far. */
  readonly peakGas: number
}

/** Shares of the peak's g that have a name. */
export const LEVELS = { young: 0.6, window: 0.95, mature: 0.85, collapsed: 0.8, doubled: 1 } as const

/**
 * Marks of a curve by cubic Hermite interpolation between its points.
 * @param curve points in the order of time
 * @returns hours since mixing, null where a mark is not reached
 */
export function findMilestones(curve: RiseCurve): Milestones {
  const { count, gas } = curve
  let at = 0
  for (let i = 1; i < count; i++) if ((gas[i] as number) > (gas[at] as number)) at = i
  const top = peakNear(curve, at)
  const reached = at < count - 1 && at > 0
  const up = (level: number) => crossing(curve, at, -1, level)
  const down = (level: number) => (reached ? crossing(curve, at, 1, level) : null)
  return {
    doubledHours: top.gas >= LEVELS.doubled ? up(LEVELS.doubled) : null,
    sixtyHours: reached ? up(LEVELS.young * top.gas) : null,
    opensHours: reached ? up(LEVELS.window * top.gas) : null,
    peakHours: reached ? top.hours : null,
    closesHours: down(LEVELS.window * top.gas),
    easedHours: down(LEVELS.mature * top.gas),
    collapsedHours: down(LEVELS.collapsed * top.gas),
    peakGas: top.gas
  }
}

/** Value of the curve at a time, held at its ends. */
export function gasAt(curve: RiseCurve, atHours: number): number {
  const { count, hours, gas } = curve
  if (atHours <= (hours[0] as number)) return gas[0] as number
  if (atHours >= (hours[count - 1] as number)) return gas[count - 1] as number
  let low = 0
  let high = count - 1
  while (high - low > 1) {
    const mid = (low + high) >> 1
    if ((hours[mid] as number) <= atHours) low = mid
    else high = mid
  }
  const span = (hours[high] as number) - (hours[low] as number)
  return hermite(curve, low, (atHours - (hours[low] as number)) / span)
}

function hermite({ hours, gas, slope }: RiseCurve, i: number, u: number): number {
  const h = (hours[i + 1] as number) - (hours[i] as number)
  const u2 = u * u
  const u3 = u2 * u
  return (
    (2 * u3 - 3 * u2 + 1) * (gas[i] as number) +
    (u3 - 2 * u2 + u) * h * (slope[i] as number) +
    (3 * u2 - 2 * u3) * (gas[i + 1] as number) +
    (u3 - u2) * h * (slope[i + 1] as number)
  )
}

/** The top lies in one of the two spans beside the highest point, where the slope changes sign. */
function peakNear(curve: RiseCurve, at: number): { hours: number; gas: number } {
  const { hours, gas, slope, count } = curve
  const i = (slope[at] as number) > 0 ? at : at - 1
  if (i < 0 || i + 1 >= count) return { hours: hours[at] as number, gas: gas[at] as number }
  let low = 0
  let high = 1
  const rising = (u: number) => hermite(curve, i, Math.min(u + 1e-4, 1)) > hermite(curve, i, Math.max(u - 1e-4, 0))
  for (let n = 0; n < 14; n++) {
    const mid = (low + high) / 2
    if (rising(mid)) low = mid
    else high = mid
  }
  const u = (low + high) / 2
  return { hours: (hours[i] as number) + u * ((hours[i + 1] as number) - (hours[i] as number)), gas: Math.max(hermite(curve, i, u), gas[at] as number) }
}

/** First time the curve passes a level, walking from the top in one direction. */
function crossing(curve: RiseCurve, from: number, direction: 1 | -1, level: number): number | null {
  const { hours, gas, count } = curve
  for (let i = from + direction; i >= 0 && i < count; i += direction) {
    if ((gas[i] as number) > level) continue
    const left = direction === 1 ? i - 1 : i
    let low = 0
    let high = 1
    const lowIsBelow = (gas[left] as number) <= level
    for (let n = 0; n < 16; n++) {
      const mid = (low + high) / 2
      if (hermite(curve, left, mid) <= level === lowIsBelow) low = mid
      else high = mid
    }
    const u = (low + high) / 2
    return (hours[left] as number) + u * ((hours[left + 1] as number) - (hours[left] as number))
  }
  return null
}
