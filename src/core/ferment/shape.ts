/**
 * The shape of a climb: how full the hill is on its way up. With the share of the peak a level has reached as odds, shape multiplies the odds and steepness is their
 * power; start and peak stay where they are. No law of growth gives it; it takes up what the model gets wrong about the climb (docs/model.md).
 */

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
  const straight = share / (1 - share)
  const odds = shape * (steep === 1 ? straight : straight ** steep)
  return odds / (1 + odds)
}

/** The other way round: which share of the model's own climb is seen as this one. */
export const straightShare = (share: number, { shape, steep }: ClimbShape) => bentShare(share, { shape: shape ** (-1 / steep), steep: 1 / steep })

/** Slope of the bent share by the straight one; held, since both ends may be steep without end. */
export function bendSlope(share: number, bent: number, { steep }: ClimbShape): number {
  const inside = Math.min(Math.max(share, 1e-3), 1 - 1e-3)
  return Math.min((steep * bent * (1 - bent)) / (inside * (1 - inside)), 4)
}

/** Whether a shape leaves a climb as it is. */
export const isStraight = ({ shape, steep }: ClimbShape) => shape === 1 && steep === 1
