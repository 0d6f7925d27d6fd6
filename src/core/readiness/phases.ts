import { type HillTop, LEVELS } from '../ferment/milestones'

/** The life of a levain, in order. */
export const PHASES = ['lag', 'climbing', 'young', 'peak', 'easing', 'collapsed'] as const
export type Phase = (typeof PHASES)[number]

/** Below this g nothing has happened yet. */
export const LAG_GAS = 0.1

/**
 * Phase of a known hill at a time.
 * @param m its milestones
 * @param gas g at that time
 * @param hours since mixing
 * @example phaseAt(milestones of 1:5:5 at 25 °C, 2.2, 8.2) // 'peak'
 */
export function phaseAt(m: HillTop, gas: number, hours: number): Phase {
  const past = m.peakHours !== null && hours > m.peakHours
  if (gas >= LEVELS.window * m.peakGas && m.peakHours !== null) return 'peak'
  if (past) return gas < LEVELS.collapsed * m.peakGas ? 'collapsed' : 'easing'
  if (gas < LAG_GAS) return 'lag'
  return gas >= LEVELS.doubled || gas >= LEVELS.young * m.peakGas ? 'young' : 'climbing'
}
