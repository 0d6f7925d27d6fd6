/** Where ordinary wheat doughs and builds lie; outside it is possible but asked about. Fractions, g and °C. */
export const PLAUSIBLE = {
  hydration: [0.45, 1],
  salt: [0, 0.035],
  preFermented: [0, 0.5],
  pieceGrams: [20, 3000],
  levainHydration: [0.3, 2],
  roomTempC: [10, 35]
} as const satisfies Record<string, readonly [low: number, high: number]>

export type PlausibleName = keyof typeof PLAUSIBLE

/** What the program takes at all; beyond it there is no such kitchen. */
export const POSSIBLE = {
  hydration: [0.05, 3],
  salt: [0, 0.2],
  levain: [0.001, 3],
  levainHydration: [0.25, 2.5],
  pieceCount: [1, 500],
  pieceGrams: [5, 20_000],
  doughGrams: [20, 50_000],
  flourPerSeed: [0.1, 100],
  keepBackGrams: [0, 5000],
  tempC: [-5, 50],
  waterTempC: [0, 40],
  rise: [0.5, 8],
  grams: [0, 50_000]
} as const satisfies Record<string, readonly [low: number, high: number]>

/**
 * Whether a value lies where such doughs usually do.
 * @returns true inside the range
 */
export function isPlausible(name: PlausibleName, value: number): boolean {
  const [low, high] = PLAUSIBLE[name]
  return value >= low && value <= high
}
