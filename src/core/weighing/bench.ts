import { type PourReading, readPour, type WeighItem } from './readPour'
import { beginItem, pouredNow, pouredStill, readScale, type ScaleReading, type ScaleState, SILENT_SCALE } from './scaleWatch'

/** What is weighed in now, and what stands around it. */
export interface DueItem extends WeighItem {
  /** Names this pour: the item, and how much of it is in already. */
  readonly stamp: string
  /** Items that are still to come. */
  readonly later: readonly WeighItem[]
  /** All that is in the bowl already, g. */
  readonly inBowl: number
}

/** A pour that does not fit, and has to be answered. */
export interface WrongPour {
  /** What stands on the scale, or was typed, g. */
  readonly grams: number
  readonly reading: PourReading
}

/** A bench with or without a scale, between two pours. */
export interface Bench {
  /** All into one bowl, or one piece after the other on the bare scale. */
  readonly mode: 'bowl' | 'pieces'
  readonly scale: ScaleState
  /** A scale is there, and speaks. */
  readonly heard: boolean
  /** The bowl stands on the scale: from now on only what is poured counts. */
  readonly bowlOn: boolean
  /** The pour that `typed`, `slip` and `taken` belong to. */
  readonly stamp: string
  /** What was typed for it, g; null: nothing. */
  readonly typed: number | null
  readonly slip: WrongPour | null
  /** It has been noted, and is not told as noted yet. */
  readonly taken: boolean
}

/** What happens at the bench. */
export type BenchEvent =
  | { readonly type: 'read'; readonly reading: ScaleReading /** Smallest step of the scale, g. */; readonly resolution: number }
  /** The scale says nothing any more. */
  | { readonly type: 'silent' }
  | { readonly type: 'typed'; readonly grams: number }
  /** "Poured": by button, key or a tap on the card. `cannotBe`: so much cannot have gone in. */
  | { readonly type: 'pressed'; readonly cannotBe: (grams: number) => boolean }
  /** It counts, whatever was wrong with it; `as`: as another item. */
  | { readonly type: 'taken'; readonly grams: number; readonly as?: WeighItem }
  /** The scale had not been set to zero: so much went in of it. */
  | { readonly type: 'not tared'; readonly grams: number }
  /** The slip was none: what was typed is forgotten. */
  | { readonly type: 'dismissed' }

/** A pour to be noted. */
export interface Pour {
  readonly key: string
  readonly grams: number
  readonly by: 'scale' | 'hand'
}

/** Less than this on the scale is no bowl, g. Source: the lightest bowls in use. */
const BOWL_GRAMS = 20

/**
 * A bench before anything has happened.
 * @param base what the scale showed before the item that is due, where that is known from before, g
 */
export const newBench = (mode: Bench['mode'], inBowl: number, base: number | null): Bench => ({
  mode,
  scale: { ...SILENT_SCALE, base, stood: base },
  heard: false,
  bowlOn: mode === 'pieces' || inBowl > 0 || base !== null,
  stamp: '',
  typed: null,
  slip: null,
  taken: false
})

/** The bench for this item: what belongs to another pour is forgotten. */
const forItem = (bench: Bench, { stamp }: DueItem): Bench => (bench.stamp === stamp ? bench : { ...bench, stamp, typed: null, slip: null, taken: false })

/** What a bench shows of the item that is due. */
export interface BenchView {
  /** What has gone in, as the scale shows it right now, g; null without a scale that speaks. */
  readonly live: number | null
  /** The same once it stands still and the bowl is on. */
  readonly still: number | null
  readonly typed: number | null
  /** What counts if it is said to be poured now, g. */
  readonly proposed: number
  /** What has to be answered first; null: nothing. */
  readonly slip: WrongPour | null
  /** A scale speaks, and waits for its bowl. */
  readonly waitsForBowl: boolean
  /** The bowl was lifted off, or the scale set to zero. */
  readonly bowlAway: boolean
}

/** Reads the bench for whoever stands at it. */
export function benchView(before: Bench, item: DueItem): BenchView {
  const bench = forItem(before, item)
  const { scale, heard, bowlOn, typed } = bench
  const live = heard ? pouredNow(scale) : null
  const still = heard && bowlOn ? pouredStill(scale) : null
  return {
    live,
    still,
    typed,
    proposed: typed ?? still ?? item.grams,
    slip: bench.slip ?? slipOnScale(still, item, scale),
    waitsForBowl: heard && !bowlOn,
    bowlAway: scale.away !== null
  }
}

/** What the scale itself shows to be wrong; too little is not, since it may still be coming. */
function slipOnScale(still: number | null, item: DueItem, { away }: ScaleState): WrongPour | null {
  if (still === null) return null
  const reading = readPour(still, item, item.later)
  const wrong = reading.kind === 'over' || reading.kind === 'another item' || (reading.kind === 'taken out' && away === null)
  return wrong ? { grams: still, reading } : null
}

/**
 * What comes of something that happens at the bench: how it stands then, and the pour that is to be noted, if one is.
 * @param item what is due
 */
export function atBench(before: Bench, event: BenchEvent, item: DueItem): { readonly bench: Bench; readonly pour: Pour | null } {
  const bench = forItem(before, item)
  const only = (next: Bench) => ({ bench: next, pour: null })
  switch (event.type) {
    case 'read':
      return heard(bench, event, item)
    case 'silent':
      return only({ ...bench, heard: false })
    case 'typed':
      return only({ ...bench, typed: event.grams, slip: null })
    case 'dismissed':
      return only({ ...bench, typed: null, slip: null })
    case 'taken':
      return poured(bench, event.grams, item, event.as)
    case 'not tared': {
      const reading = readPour(event.grams, item)
      return bench.mode === 'pieces' || reading.kind === 'right' ? poured(bench, event.grams, item) : only({ ...bench, slip: { grams: event.grams, reading } })
    }
    case 'pressed': {
      if (bench.slip !== null) return only(bench)
      if (bench.heard && !bench.bowlOn) return only({ ...bench, bowlOn: true, scale: beginItem(bench.scale) })
      const { live, still, typed, proposed } = benchView(bench, item)
      const moving = live !== null && still === null && typed === null
      if (moving || event.cannotBe(proposed)) return only(bench)
      const reading = readPour(proposed, item, item.later, typed === null || bench.mode === 'pieces' ? 0 : item.inBowl)
      if (reading.kind === 'right') return poured(bench, proposed, item)
      return only(reading.kind === 'nothing' ? bench : { ...bench, slip: { grams: proposed, reading } })
    }
  }
}

/** A reading came: the bowl is found, a piece has left, or the item is right and counts by itself. */
function heard(bench: Bench, { reading, resolution }: Extract<BenchEvent, { type: 'read' }>, item: DueItem): ReturnType<typeof atBench> {
  const scale = readScale(bench.scale, reading, resolution)
  const bowlFound = !bench.bowlOn && scale.still !== null && scale.still >= BOWL_GRAMS
  // A piece was taken off: the bare scale is nothing again.
  const bare = bench.mode === 'pieces' && scale.away !== null
  const next: Bench = { ...bench, heard: true, bowlOn: bench.bowlOn || bowlFound, scale: bowlFound || bare ? beginItem(scale) : scale }
  const still = next.bowlOn ? pouredStill(next.scale) : null
  const counts = still !== null && !next.taken && next.typed === null && next.scale.away === null && readPour(still, item, item.later).kind === 'right'
  return counts ? poured(next, still, item) : { bench: next, pour: null }
}

/** So much of it is in; what is on the scale now counts as nothing for the next one. */
function poured(bench: Bench, grams: number, item: DueItem, { key, resolution }: WeighItem = item): ReturnType<typeof atBench> {
  const byScale = bench.heard && bench.bowlOn && bench.typed === null && pouredStill(bench.scale) !== null
  const next: Bench = { ...bench, scale: beginItem(bench.scale), typed: null, slip: null, taken: key === item.key }
  return { bench: next, pour: byScale ? { key, grams: Number(grams.toFixed(resolution < 1 ? 1 : 0)), by: 'scale' } : { key, grams, by: 'hand' } }
}
