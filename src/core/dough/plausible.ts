import type { DoughKind } from './formula'

type Range = readonly [low: number, high: number]

/** Where doughs and builds usually lie; outside it is possible but asked about. Fractions, g and °C. */
export const PLAUSIBLE = {
  salt: [0, 0.035],
  preFermented: [0, 0.5],
  yeast: [0, 0.03],
  pieceGrams: [20, 3000]
} as const satisfies Record<string, Range>

/** Usual hydration by kind of dough, with everything counted. */
export const PLAUSIBLE_HYDRATION: Readonly<Record<DoughKind, Range>> = {
  wheat: [0.45, 1],
  'rye tin': [0.6, 1.1],
  enriched: [0.4, 0.85],
  flatbread: [0.45, 0.95],
  'gluten-free': [0.7, 1.4]
}

export type PlausibleName = keyof typeof PLAUSIBLE

/** What the program takes at all; beyond it there is no such kitchen. */
export const POSSIBLE = {
  hydration: [0.05, 3],
  salt: [0, 0.2],
  levain: [0, 3],
  share: [0, 5],
  levainHydration: [0.25, 2.5],
  pieceCount: [1, 500],
  pieceGrams: [5, 20_000],
  loss: [0, 0.5],
  doughGrams: [20, 50_000],
  flourPerSeed: [0.1, 100],
  inoculation: [0.01, 10],
  keepBackGrams: [0, 5000],
  tempC: [-5, 50],
  waterTempC: [0, 40],
  rise: [0.5, 8],
  pH: [2.5, 8],
  sticksGrams: [0, 500],
  aheadHours: [0.25, 96],
  grams: [0, 50_000]
} as const satisfies Record<string, Range>

/**
 * Whether a value lies where such doughs usually do.
 * @returns true inside the range
 */
export function isPlausible(name: PlausibleName, value: number): boolean {
  return within(PLAUSIBLE[name], value)
}

export const within = ([low, high]: Range, value: number) => value >= low && value <= high

/** A slip that would explain a strange figure. */
export interface Slip {
  readonly kind: 'three times over' | 'twice' | 'decimal point' | 'digits swapped'
  /** What was probably meant. */
  readonly meant: number
}

/**
 * The likeliest slip behind a value outside its range: a point in the wrong place, an item weighed twice or three times, digits swapped.
 * @param value as written, in the unit the baker sees (percent as 6.3, not .063)
 * @param usual where it would be unremarkable, same unit
 * @returns null when none of them explains it
 * @example likelySlip(6.3, [1.5, 2.6]) // three times over, 2.1
 */
export function likelySlip(value: number, usual: Range): Slip | null {
  const tidy = (x: number) => Math.round(x * 1000) / 1000
  const tries: Slip[] = [
    { kind: 'decimal point', meant: tidy(value / 10) },
    { kind: 'decimal point', meant: tidy(value * 10) },
    { kind: 'three times over', meant: tidy(value / 3) },
    { kind: 'twice', meant: tidy(value / 2) },
    { kind: 'digits swapped', meant: swapped(value) }
  ]
  const middle = (usual[0] + usual[1]) / 2
  const fits = tries.filter((t) => t.meant !== value && within(usual, t.meant)).sort((a, b) => Math.abs(a.meant - middle) - Math.abs(b.meant - middle))
  return fits[0] ?? null
}

function swapped(value: number): number {
  const whole = Math.round(value)
  return whole >= 12 && whole <= 98 ? (whole % 10) * 10 + Math.floor(whole / 10) : Number.NaN
}

/** Where salt and hydration lie in an ordinary dough: what a slip is measured against. Percent. */
export const USUAL_PERCENT = { salt: [1.5, 2.6], hydration: [58, 85] } as const satisfies Record<string, Range>
