import { normalFrom } from './seededRandom'
import { seedShareOf, TRUE_RIPE, trueRise, trueRiseAt, USUAL_JAR } from './trueRise'

/** A stand-in for a kitchen scale: it settles, is noisy, drifts, and its battery runs down. What lies on it is told it by a panel. */
export interface TrueScale {
  /** What really lies on it, g. */
  readonly load: number
  /** What its spring says, g. */
  readonly felt: number
  /** What its own tare takes off, g. */
  readonly tare: number
  /** What it has drifted, g. */
  readonly drift: number
  /** 0 … 1; at 0 it is silent. */
  readonly battery: number
  /** A hand that pours. */
  readonly hand: { readonly untilShown: number; readonly gramsPerSecond: number; readonly stopsInSeconds: number | null } | null
}

export const EMPTY_SCALE: TrueScale = { load: 0, felt: 0, tare: 0, drift: 0, battery: 1, hand: null }

/** Behaviour of an ordinary kitchen scale. Source: what such scales do on a worktop. */
const SCALE = { settleSeconds: 0.18, noiseGrams: 0.12, driftPerMinute: 0.15, mostDrift: 1.2, batteryHours: 40 } as const
/** A hand goes on pouring so long after it has seen the figure, s; it slows down over the last part. */
const HAND = { reactionSeconds: 0.25, slowsAtGrams: 25, slowest: 0.12 } as const

/** What a scale shows, g; null: its battery is empty. */
export function shownBy({ felt, tare, drift, battery }: TrueScale, random: () => number, resolution: number): number | null {
  if (battery <= 0) return null
  const noisy = felt + drift - tare + SCALE.noiseGrams * normalFrom(random)()
  return Number((Math.round(noisy / resolution) * resolution).toFixed(3))
}

/**
 * What becomes of a scale in a moment.
 * @param seconds how long the moment is
 * @param random 0 ≤ x < 1
 */
export function stepScale(scale: TrueScale, seconds: number, random: () => number): TrueScale {
  const { hand } = scale
  const shown = scale.felt + scale.drift - scale.tare
  const left = hand === null ? 0 : hand.untilShown - shown
  const slow = hand === null ? 0 : Math.min(1, Math.max(HAND.slowest, left / HAND.slowsAtGrams))
  const stops = hand === null ? null : (hand.stopsInSeconds ?? (left <= 0 ? HAND.reactionSeconds * (0.6 + 0.8 * random()) : null))
  const pouring = hand !== null && (stops === null || stops > 0)
  const load = scale.load + (pouring && hand !== null ? hand.gramsPerSecond * slow * seconds : 0)
  const felt = load + (scale.felt - load) * Math.exp(-seconds / SCALE.settleSeconds)
  const walk = (SCALE.driftPerMinute * seconds * (2 * random() - 1)) / Math.sqrt(60 * seconds)
  return {
    load,
    felt,
    tare: scale.tare,
    drift: Math.max(-SCALE.mostDrift, Math.min(SCALE.mostDrift, scale.drift + walk)),
    battery: Math.max(0, scale.battery - seconds / (SCALE.batteryHours * 3600)),
    hand: hand === null || !pouring ? null : { ...hand, stopsInSeconds: stops === null ? null : stops - seconds }
  }
}

/** What a panel does to a scale. */
export type ScaleDeed =
  /** A hand pours until it sees so much more, g. */
  | { readonly do: 'pour'; readonly grams: number; readonly gramsPerSecond?: number }
  /** So much lands on it at once, or is taken off, g. */
  | { readonly do: 'put'; readonly grams: number }
  /** All is lifted off. */
  | { readonly do: 'lift' }
  /** Its own button. */
  | { readonly do: 'tare' }
  | { readonly do: 'battery'; readonly share: number }

const USUAL_RATE = 60

/** A scale after a deed. */
export function touchScale(scale: TrueScale, deed: ScaleDeed): TrueScale {
  switch (deed.do) {
    case 'pour':
      return {
        ...scale,
        hand: { untilShown: scale.felt + scale.drift - scale.tare + deed.grams, gramsPerSecond: deed.gramsPerSecond ?? USUAL_RATE, stopsInSeconds: null }
      }
    case 'put':
      return { ...scale, load: Math.max(0, scale.load + deed.grams), hand: null }
    case 'lift':
      return { ...scale, load: 0, hand: null }
    case 'tare':
      return { ...scale, tare: scale.felt + scale.drift }
    case 'battery':
      return { ...scale, battery: deed.share }
  }
}

/** A probe that follows slowly. Source: a metal probe in dough, two thirds of the way in six seconds. */
const PROBE = { followsSeconds: 6, noiseC: 0.08 } as const

/** What a probe shows a moment later, °C. */
export function stepProbe(shownC: number, trueC: number, seconds: number): number {
  return trueC + (shownC - trueC) * Math.exp(-seconds / PROBE.followsSeconds)
}

/** A reading with its noise, to a tenth. */
export function noisyTenth(value: number, random: () => number): number {
  return Math.round((value + PROBE.noiseC * normalFrom(random)()) * 10) / 10
}

/** A glass electrode in thick dough: two thirds of the way in twelve seconds. Source: craft knowledge. */
const METER = { followsSeconds: 12, noise: 0.015 } as const
/** What it shows out of its storing liquid. */
export const STORED_PH = 4

/** What a pH meter shows a moment later. */
export function stepMeter(shown: number, truePh: number, seconds: number): number {
  return truePh + (shown - truePh) * Math.exp(-seconds / METER.followsSeconds)
}

/** A reading of it with its noise, to a hundredth. */
export function noisyHundredth(pH: number, random: () => number): number {
  return Math.round((pH + METER.noise * normalFrom(random)()) * 100) / 100
}

/** A levain of 1:5:5 is followed so far, h. */
const FOLLOWED_HOURS = 48

/**
 * The level of a simulated levain.
 * @param bandMm where it stood when it was mixed, mm
 * @returns mm, hours since then
 */
export function trueLevel(bandMm: number, tempC: number): (hours: number) => number {
  const curve = trueRise({ seedShare: seedShareOf(5), seed: TRUE_RIPE, tempAt: () => tempC, jar: USUAL_JAR, chance: 1 }, FOLLOWED_HOURS)
  return (hours) => bandMm * trueRiseAt(curve, hours)
}
