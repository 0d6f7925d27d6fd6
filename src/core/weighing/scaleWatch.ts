import { sure } from '../units/sure'
/** What a scale shows at a moment, after its own tare. */
export interface ScaleReading {
  readonly ms: number
  readonly grams: number
}

/** What is known of a scale from what it has shown. */
export interface ScaleState {
  /** What it showed lately. */
  readonly recent: readonly ScaleReading[]
  /** What it shows, once it stands still; null while it moves. */
  readonly still: number | null
  /** The last figure that stood still. */
  readonly stood: number | null
  /** What it showed before the item that goes in now; null until something has stood still. */
  readonly base: number | null
  /** The bowl was lifted off, or the scale set to zero: what it showed just before, and the base then. */
  readonly away: { readonly shown: number; readonly base: number } | null
}

export const SILENT_SCALE: ScaleState = { recent: [], still: null, stood: null, base: null, away: null }

/** It stands still when it keeps within a step or two for so long. */
const STILL_MS = 700
const STILL_SHARE = 0.6
const STILL_READINGS = 4
const STILL_STEPS = 2
/** So near nothing counts as nothing, and so near as it was as the same bowl put back, g. */
const NOTHING_GRAMS = 3
const SAME_BOWL_GRAMS = 2.5

/**
 * Takes one reading in: no button has to be pressed on the scale, and none does harm.
 * @param resolution smallest step of the scale, g
 */
export function readScale(state: ScaleState, reading: ScaleReading, resolution: number): ScaleState {
  const recent = [...state.recent.filter((r) => reading.ms - r.ms <= STILL_MS && r.ms <= reading.ms), reading]
  const grams = recent.map((r) => r.grams)
  const longEnough = recent.length >= STILL_READINGS && reading.ms - sure(recent[0]).ms >= STILL_MS * STILL_SHARE
  if (!longEnough || Math.max(...grams) - Math.min(...grams) > STILL_STEPS * resolution + 1e-9) return { ...state, recent, still: null }
  const mean = grams.reduce((sum, g) => sum + g, 0) / grams.length
  const still = Number((Math.round(mean / resolution) * resolution).toFixed(3))
  return { ...state, ...standingStill(state, still), recent, still, stood: still }
}

/** What a figure that stands still says of the bowl. */
function standingStill({ base, stood, away }: ScaleState, still: number): Pick<ScaleState, 'base' | 'away'> {
  if (base === null || stood === null) return { base: still, away: null }
  if (away !== null && Math.abs(still - away.shown) <= SAME_BOWL_GRAMS) return { base: away.base, away: null }
  const isNothing = Math.abs(still) < NOTHING_GRAMS || still < -NOTHING_GRAMS
  if (isNothing && stood - still > NOTHING_GRAMS && still < base - NOTHING_GRAMS / 2) return { base: still, away: away ?? { shown: stood, base } }
  return { base, away }
}

/** From now on another item goes in: what is shown now counts as nothing. */
export function beginItem(state: ScaleState): ScaleState {
  return { ...state, base: state.still ?? state.stood, away: null }
}

/** What has gone in since the item began, g, as it is shown right now; null while nothing is known. */
export function pouredNow({ base, recent }: ScaleState): number | null {
  const last = recent.at(-1)
  return base === null || last === undefined ? null : last.grams - base
}

/** The same once it stands still. */
export function pouredStill({ base, still }: ScaleState): number | null {
  return base === null || still === null ? null : still - base
}
