import type { BenchTemps } from '../build/benchTemps'
import { POUR_ITEMS, type PourItem, pourKey } from '../build/pourOrder'
import { kindsOfGrams } from '../dough/blend'
import type { Pantry } from '../dough/ingredient'
import type { Signs } from '../readiness/likelihoods'
import type { Explanation } from '../readiness/marks'
import type { MixedAs } from '../readiness/observations'
import type { LineMasses } from '../schedule/planBuild'
import { recordOf } from '../units/keysOf'

/** What happened to a bake, as far as its state depends on it. `undo` takes an earlier one back. */
export type Happening = { readonly id: string; readonly happenedAtMs: number } & (
  | {
      readonly type: 'pour'
      readonly item: PourItem
      /** Which flour. */
      readonly ingredientId?: string
      readonly plannedGrams: number
      readonly weighedGrams: number
    }
  | {
      /** Weighed for the dough or a pre-ferment of it, or a piece of it. */
      readonly type: 'weigh'
      readonly into: WeighInto
      readonly key: string
      readonly lineId?: string
      readonly ingredientId?: string
      /** Bowls the dough is shared out into. */
      readonly bowls?: number
      readonly plannedGrams: number
      readonly weighedGrams: number
    }
  | {
      /** After a mis-pour: what each item is to hold in the end, g. */
      readonly type: 'repair'
      readonly into: RepairInto
      readonly targets: Readonly<Record<string, number>>
    }
  | ({
      /** Temperatures before something is mixed: what is measured later stands. */
      readonly type: 'measured'
      readonly into: RepairInto
      readonly lineId?: string
    } & BenchTemps)
  | { readonly type: 'band'; readonly mixTempC: number; readonly levelMm?: number }
  | { readonly type: 'mark'; readonly rise?: number; readonly pH?: number; readonly signs: Signs; readonly note?: string; readonly picture?: string }
  | { /** What a baker says of a level that was asked about. */ readonly type: 'explained'; readonly look: string; readonly as: Explanation }
  | { readonly type: 'moved'; readonly placeId: string; readonly tempC: number }
  | {
      /** The levain that stands there becomes what the next build of this bake is seeded from. */
      readonly type: 'fed again'
      /** Names it among the stages before the next: FED_AGAIN, numbered from the second on. */
      readonly stage: string
    }
  | { readonly type: 'mixed'; readonly levainGrams: number; readonly keepBackGrams: number; readonly mixTempC?: number; readonly was?: MixedAs }
  | { /** Hands are on a step from now on: with its end it tells how long it takes. */ readonly type: 'begun'; readonly step: string }
  | {
      /** A step of the day that is no pour, band or mix. */
      readonly type: 'step'
      readonly step: string
      readonly did: StepDeed['did']
    }
  | ({ readonly type: 'dough' } & DoughReading)
  | ({ readonly type: 'outcome' } & BreadOutcome)
  | { readonly type: 'undo'; readonly undoes: string }
)

/** What is weighed besides the levain. */
export const WEIGH_INTO = ['first build', 'dough', 'pre-ferment', 'pieces'] as const
export type WeighInto = (typeof WEIGH_INTO)[number]
/** Where a mis-pour can be mended. */
export const REPAIR_INTO = ['levain', 'first build', 'dough', 'pre-ferment'] as const
export type RepairInto = (typeof REPAIR_INTO)[number]

/** What a finger finds. */
export const POKES = ['springs back at once', 'comes back slowly', 'stays'] as const
export type Poke = (typeof POKES)[number]

/** What was seen or measured of a dough. */
export interface DoughReading {
  readonly tempC?: number
  /** Level ÷ level when it was mixed, in the bowl. */
  readonly rise?: number
  /** The same in a small sample jar beside it. */
  readonly sampleRise?: number
  readonly poke?: Poke
  /** By a meter. */
  readonly pH?: number
  /** Of the bread, in its middle. */
  readonly coreTempC?: number
}

/** How the bread came out; marks from 1 to 5. */
export interface BreadOutcome {
  readonly rise?: number
  readonly crumb?: number
  readonly taste?: number
  readonly note?: string
  /** Name of a picture of it. */
  readonly picture?: string
}

/** What became of a step. */
export interface StepDeed {
  readonly id: string
  readonly atMs: number
  readonly did: 'done' | 'skipped'
}

/** The step at which a jar is refilled that starter was drawn from. */
export const REFILL = 'refill'

/** Where a bake stands, in order. */
export const BAKE_STATUSES = ['planned', 'building', 'ripening', 'mixed', 'baked'] as const
export type BakeStatus = (typeof BAKE_STATUSES)[number]

/** State of a bake, folded from what happened. */
export interface BakeState {
  readonly status: BakeStatus
  /** Poured so far, g. */
  readonly poured: Readonly<Record<PourItem, number>>
  /** Flour poured so far by ingredient, g. */
  readonly flours: Readonly<Record<string, number>>
  /** Pours that have been made at least once, by their key, in order. */
  readonly done: readonly string[]
  /** What was poured under each key, once for each time. */
  readonly pours: ReadonlyMap<string, readonly { readonly id: string; readonly atMs: number; readonly grams: number }[]>
  /** Weighed for the dough, its pre-ferments and its pieces. */
  readonly weighed: readonly { readonly id: string; readonly into: WeighInto; readonly key: string; readonly lineId?: string; readonly grams: number }[]
  /** Bowls the dough is shared out into; null until something has been weighed for it. */
  readonly bowls: number | null
  /** What items are to hold since a mis-pour, g. */
  readonly repairs: Readonly<Partial<Record<RepairInto, Readonly<Record<string, number>>>>>
  /** Temperatures measured at the bench, by what they were measured for. */
  readonly measured: ReadonlyMap<string, BenchTemps>
  readonly band: { readonly id: string; readonly atMs: number; readonly mixTempC: number; readonly levelMm?: number } | null
  readonly marks: readonly {
    readonly id: string
    readonly atMs: number
    readonly rise?: number
    /** By a meter. */
    readonly pH?: number
    readonly signs: Signs
    readonly note?: string
    readonly picture?: string
    /** What the baker said of its level, where it was asked about. */
    readonly explained?: Explanation
  }[]
  /** Where it was moved to, in the order of time. */
  readonly moves: readonly { readonly id: string; readonly atMs: number; readonly placeId: string; readonly tempC: number }[]
  /** Where the dough was moved to, in the order of time. */
  readonly doughMoves: BakeState['moves']
  readonly mixed: {
    readonly id: string
    readonly atMs: number
    readonly levainGrams: number
    readonly keepBackGrams: number
    readonly mixTempC?: number
    /** How the levain was then, by eye. */
    readonly was?: MixedAs
  } | null
  /** What was seen of the dough, in the order of time. */
  readonly readings: readonly (DoughReading & { readonly id: string; readonly atMs: number })[]
  readonly outcome: (BreadOutcome & { readonly id: string; readonly atMs: number }) | null
  /** Steps that were done or left out, by their name. */
  readonly deeds: ReadonlyMap<string, StepDeed>
  /** When a step was begun, by its name, ms; those of which somebody said so. */
  readonly begun: ReadonlyMap<string, number>
  /** The latest happening that may be taken back, if any. */
  readonly lastUndoable: Exclude<Happening, { type: 'undo' }> | null
}

/** Happenings that stand: those taken back are left out. */
export function standing<H extends Happening>(happenings: readonly H[]): Exclude<H, { type: 'undo' }>[] {
  const undone = new Set(happenings.flatMap((h) => (h.type === 'undo' ? [h.undoes] : [])))
  return happenings.filter((h): h is Exclude<H, { type: 'undo' }> => h.type !== 'undo' && !undone.has(h.id))
}

/**
 * Folds what happened into where a bake stands.
 * @param happenings in the order they were recorded
 */
export function foldBake(happenings: readonly Happening[]): BakeState {
  const stood = standing(happenings)
  const poured = recordOf(POUR_ITEMS, () => 0)
  const flours: Record<string, number> = {}
  const done = new Set<string>()
  let band: BakeState['band'] = null
  let mixed: BakeState['mixed'] = null
  const marks: BakeState['marks'][number][] = []
  const explained = new Map<string, Explanation>()
  const moves: BakeState['moves'][number][] = []
  const doughMoves: BakeState['moves'][number][] = []
  const deeds = new Map<string, StepDeed>()
  const begun = new Map<string, number>()
  const weighed: BakeState['weighed'][number][] = []
  const repairs: Partial<Record<RepairInto, Readonly<Record<string, number>>>> = {}
  const measured = new Map<string, BenchTemps>()
  const readings: BakeState['readings'][number][] = []
  let outcome: BakeState['outcome'] = null
  let bowls: number | null = null
  const pours = new Map<string, { readonly id: string; readonly atMs: number; readonly grams: number }[]>()
  const notePour = (key: string, h: { readonly id: string; readonly happenedAtMs: number; readonly weighedGrams: number }) =>
    pours.set(key, [...(pours.get(key) ?? []), { id: h.id, atMs: h.happenedAtMs, grams: h.weighedGrams }])
  for (const h of stood) {
    if (h.type === 'pour') {
      poured[h.item] += h.weighedGrams
      if (h.item === 'flour' && h.ingredientId !== undefined) flours[h.ingredientId] = (flours[h.ingredientId] ?? 0) + h.weighedGrams
      done.add(pourKey(h))
      notePour(pourKey(h), h)
    } else if (h.type === 'band') band = { id: h.id, atMs: h.happenedAtMs, mixTempC: h.mixTempC, levelMm: h.levelMm }
    else if (h.type === 'mark') marks.push({ id: h.id, atMs: h.happenedAtMs, rise: h.rise, pH: h.pH, signs: h.signs, note: h.note, picture: h.picture })
    else if (h.type === 'explained') explained.set(h.look, h.as)
    else if (h.type === 'moved') (mixed === null ? moves : doughMoves).push({ id: h.id, atMs: h.happenedAtMs, placeId: h.placeId, tempC: h.tempC })
    else if (h.type === 'weigh') {
      weighed.push({ id: h.id, into: h.into, key: h.key, lineId: h.lineId, grams: h.weighedGrams })
      notePour(weighKey(h), h)
      if (h.into === 'dough') bowls = h.bowls ?? 1
    } else if (h.type === 'repair') repairs[h.into] = { ...repairs[h.into], ...h.targets }
    else if (h.type === 'measured')
      measured.set(measuredKey(h), { ...measured.get(measuredKey(h)), ...given({ flourC: h.flourC, cultureC: h.cultureC, waterC: h.waterC }) })
    else if (h.type === 'dough') readings.push({ ...h, atMs: h.happenedAtMs })
    else if (h.type === 'outcome') outcome = { ...h, atMs: h.happenedAtMs }
    else if (h.type === 'begun') begun.set(h.step, h.happenedAtMs)
    else if (h.type === 'step') deeds.set(h.step, { id: h.id, atMs: h.happenedAtMs, did: h.did })
    else if (h.type === 'fed again') {
      // It was built when its level was marked; of the next one nothing is there yet.
      deeds.set(h.stage, { id: h.id, atMs: band?.atMs ?? h.happenedAtMs, did: 'done' })
      for (const id of deeds.keys()) if (ofLevain(id)) deeds.delete(id)
      for (const item of POUR_ITEMS) poured[item] = 0
      for (const id of Object.keys(flours)) delete flours[id]
      for (const key of done) pours.delete(key)
      done.clear()
      delete repairs.levain
      measured.delete('levain')
      band = null
      marks.length = 0
      moves.length = 0
    } else mixed = { id: h.id, atMs: h.happenedAtMs, levainGrams: h.levainGrams, keepBackGrams: h.keepBackGrams, mixTempC: h.mixTempC, was: h.was }
  }
  marks.sort((a, b) => a.atMs - b.atMs)
  moves.sort((a, b) => a.atMs - b.atMs)
  doughMoves.sort((a, b) => a.atMs - b.atMs)
  const status: BakeStatus = mixed !== null ? (deeds.has('out') ? 'baked' : 'mixed') : band !== null ? 'ripening' : done.size > 0 ? 'building' : 'planned'
  readings.sort((a, b) => a.atMs - b.atMs)
  return {
    status,
    poured,
    flours,
    done: [...done],
    pours,
    weighed,
    bowls,
    repairs,
    measured,
    readings,
    outcome,
    band,
    marks: marks.map((m) => (explained.has(m.id) ? { ...m, explained: explained.get(m.id) } : m)),
    moves,
    doughMoves,
    mixed,
    deeds,
    begun,
    lastUndoable: stood.at(-1) ?? null
  }
}

/** Whether a deed was done to the levain as it stood: it goes with it. */
const ofLevain = (stepId: string) => /^(chill|grow) /.test(stepId)

/** Names what is weighed besides the levain among all that is poured. */
export const weighKey = ({ into, key }: { readonly into: WeighInto; readonly key: string }) => `${into}/${key}`

/** Names what temperatures were measured for. */
export const measuredKey = ({ into, lineId }: { readonly into: RepairInto; readonly lineId?: string }) => (lineId === undefined ? into : `${into}/${lineId}`)

/** Only what is there. */
const given = (temps: BenchTemps): BenchTemps => Object.fromEntries(Object.entries(temps).filter(([, tempC]) => tempC !== undefined))

/** Whether anything has been weighed: from then on the plan stands. */
export const hasBegun = ({ status, weighed }: Pick<BakeState, 'status' | 'weighed'>) => status !== 'planned' || weighed.length > 0

/** What has been poured, as the batch it makes. */
export function massesOfPours({ poured, flours }: Pick<BakeState, 'poured' | 'flours'>, pantry: Pantry): LineMasses {
  return { seed: poured.seed, older: poured['older levain'], water: poured.water, salt: poured.salt, flours: kindsOfGrams(flours, pantry) }
}

/** All that has been poured, g. */
export const pouredGrams = (poured: BakeState['poured']) => POUR_ITEMS.reduce((t, item) => t + poured[item], 0)
