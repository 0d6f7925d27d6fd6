/** Taken out of Math once: these are asked for by the million. */
const { max, min, sqrt } = Math

/** A curve of rise: `count` points, the rest of the arrays is free space. */
export interface RiseCurve {
  /** Number of points. */
  readonly count: number
  /** Hours since mixing. */
  readonly hours: Float64Array
  /** g: rise less 1. */
  readonly gas: Float64Array
  /** dg/dt, 1/h. */
  readonly slope: Float64Array
}

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

/** What is known of a hill where its phase is asked for. */
export type HillTop = Pick<Milestones, 'peakHours' | 'peakGas'>

/** Shares of the peak's g that have a name. */
export const LEVELS = { young: 0.6, window: 0.95, mature: 0.85, collapsed: 0.8, doubled: 1 } as const

/**
 * Marks of a curve by cubic Hermite interpolation between its points.
 * @param curve points in the order of time
 * @returns hours since mixing, null where a mark is not reached
 */
export function findMilestones(curve: RiseCurve): Milestones {
  return milestonesOf(curve, topOf(curve))
}

/** The highest point of a curve. */
export interface Top {
  /** Place of the highest kept point. */
  readonly at: number
  readonly hours: number
  readonly gas: number
  /** It falls again afterwards. */
  readonly reached: boolean
}

/** Where a curve is highest. */
export function topOf(curve: RiseCurve): Top {
  const { count, gas } = curve
  let at = 0
  for (let i = 1; i < count; i++) if ((gas[i] ?? NaN) > (gas[at] ?? NaN)) at = i
  return { at, ...peakNear(curve, at), reached: at < count - 1 && at > 0 }
}

/** Marks of a curve whose top is known. */
export function milestonesOf(curve: RiseCurve, top: Top): Milestones {
  const { at, reached } = top
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
  if (atHours <= (hours[0] ?? NaN)) return gas[0] ?? NaN
  if (atHours >= (hours[count - 1] ?? NaN)) return gas[count - 1] ?? NaN
  let low = 0
  let high = count - 1
  while (high - low > 1) {
    const mid = (low + high) >> 1
    if ((hours[mid] ?? NaN) <= atHours) low = mid
    else high = mid
  }
  return gasWithin(curve, low, atHours)
}

/**
 * Values of the curve at evenly spaced times from 0 on, held at its ends.
 * @param stepHours between two of them
 * @param count how many
 * @param out where they go, from `at` on
 */
export function sampleCurve(curve: RiseCurve, stepHours: number, count: number, out: Float32Array, at: number): void {
  const { hours, gas } = curve
  const last = curve.count - 1
  let k = 0
  for (let i = 0; i < last && k < count; i++) {
    const from = hours[i] ?? NaN
    const to = hours[i + 1] ?? NaN
    if (to < k * stepHours) continue
    setCubic(curve, i)
    for (; k < count && k * stepHours <= to; k++) out[at + k] = cubicAt((k * stepHours - from) / (to - from))
  }
  for (; k < count; k++) out[at + k] = gas[last] ?? NaN
}

/** c0 … c3 of the span looked at; one for all, since spans by the ten thousand are looked at in a forecast. */
const cubic = new Float64Array(4)

/** Sets the cubic of one span, from u = 0 at its beginning to 1 at its end: c0 + c1 u + c2 u² + c3 u³. */
function setCubic({ hours, gas, slope }: RiseCurve, i: number): void {
  const h = (hours[i + 1] ?? NaN) - (hours[i] ?? NaN)
  const g0 = gas[i] ?? NaN
  const rise = (gas[i + 1] ?? NaN) - g0
  const s0 = h * (slope[i] ?? NaN)
  const s1 = h * (slope[i + 1] ?? NaN)
  cubic[0] = g0
  cubic[1] = s0
  cubic[2] = 3 * rise - 2 * s0 - s1
  cubic[3] = s0 + s1 - 2 * rise
}

/** Value of that cubic. */
const cubicAt = (u: number) => (cubic[0] ?? NaN) + u * ((cubic[1] ?? NaN) + u * ((cubic[2] ?? NaN) + u * (cubic[3] ?? NaN)))

function gasWithin(curve: RiseCurve, i: number, atHours: number): number {
  setCubic(curve, i)
  const from = curve.hours[i] ?? NaN
  return cubicAt((atHours - from) / ((curve.hours[i + 1] ?? NaN) - from))
}

/** The top lies in one of the two spans beside the highest point, where the slope changes sign. */
function peakNear(curve: RiseCurve, at: number): { hours: number; gas: number } {
  const { hours, gas, slope, count } = curve
  const i = (slope[at] ?? NaN) > 0 ? at : at - 1
  if (i < 0 || i + 1 >= count) return { hours: hours[at] ?? NaN, gas: gas[at] ?? NaN }
  setCubic(curve, i)
  const [c1, c2, c3] = [cubic[1] ?? NaN, cubic[2] ?? NaN, cubic[3] ?? NaN]
  // Where the slope c1 + 2 c2 u + 3 c3 u² falls through nothing.
  const root = sqrt(max(c2 * c2 - 3 * c1 * c3, 0))
  const u = min(max(c1 > 0 ? c1 / (root - c2) : 0, 0), 1)
  const top = cubicAt(u)
  if (!(top > (gas[at] ?? NaN))) return { hours: hours[at] ?? NaN, gas: gas[at] ?? NaN }
  return { hours: (hours[i] ?? NaN) + u * ((hours[i + 1] ?? NaN) - (hours[i] ?? NaN)), gas: top }
}

/** First time the curve passes a level, walking from the top in one direction. */
function crossing(curve: RiseCurve, from: number, direction: 1 | -1, level: number): number | null {
  const { hours, gas, count } = curve
  for (let i = from + direction; i >= 0 && i < count; i += direction) {
    if ((gas[i] ?? NaN) > level) continue
    const left = direction === 1 ? i - 1 : i
    setCubic(curve, left)
    let low = 0
    let high = 1
    const lowIsBelow = cubicAt(0) <= level
    for (let n = 0; n < 16; n++) {
      const u = (low + high) / 2
      if (cubicAt(u) <= level === lowIsBelow) low = u
      else high = u
    }
    const u = (low + high) / 2
    return (hours[left] ?? NaN) + u * ((hours[left + 1] ?? NaN) - (hours[left] ?? NaN))
  }
  return null
}

const ROUNDS = 16

/** When a level is passed for the first time, h; null: not within the curve. */
export function firstHoursAt(curve: RiseCurve, gas: number): number | null {
  const after = curve.gas.subarray(0, curve.count).findIndex((g) => g >= gas)
  if (after <= 0) return null
  let [low, high] = [curve.hours[after - 1] ?? NaN, curve.hours[after] ?? NaN]
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (low + high) / 2
    if (gasAt(curve, middle) < gas) low = middle
    else high = middle
  }
  return high
}
