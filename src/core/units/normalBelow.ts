import { errorFunction } from 'simple-statistics'

/**
 * Chance that a standard normal lies below x; error below 2e-7 (errorFunction of simple-statistics).
 * @example normalBelow(1.6449) // 0.95
 */
export const normalBelow = (x: number): number => (1 + errorFunction(x * Math.SQRT1_2)) / 2
