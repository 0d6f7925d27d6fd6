import { millisecondsInHour } from 'date-fns/constants'
import type { BlendPart } from '../../dough/ingredient'
import type { FlourKind } from '../../ferment/flours'
import type { Culture } from '../cultures'

const HOURS_PER_DAY = 24

/** Guided runs of days with a jar. */
export const PROGRAM_KINDS = ['new culture', 'revival', 'change', 'strengthen', 'dry', 'wake', 'absence', 'grow', 'gift', 'own'] as const
export type ProgramKind = (typeof PROGRAM_KINDS)[number]

/** A flour with its grams. */
export interface FlourGrams {
  readonly ingredientId: string
  readonly grams: number
}

/** What a step does to the books once it is done. */
export type Deed =
  /** `keepGrams` null: all of it. `taken`: not the jar of the program is fed but the one that was taken last. */
  | {
      readonly kind: 'feed'
      readonly keepGrams: number | null
      readonly flours: readonly FlourGrams[]
      readonly waterGrams: number
      readonly taken?: boolean
      /** How warm the mix is, °C; left out: as its place. */
      readonly mixTempC?: number
    }
  /** Some goes into a new jar; `dried`: spread out to dry. */
  | { readonly kind: 'take'; readonly grams: number; readonly name: string; readonly dried: boolean }
  /** The jar that was taken last is weighed. */
  | { readonly kind: 'weigh' }
  /** Flakes go into a new jar with flour and water. */
  | { readonly kind: 'wake'; readonly grams: number; readonly name: string; readonly flours: readonly FlourGrams[]; readonly waterGrams: number }
  /** From now on it is another kind of culture. */
  | { readonly kind: 'become'; readonly culture: Culture; readonly flour: FlourKind; readonly feed: readonly BlendPart[] }
  /** It goes to another place. */
  | { readonly kind: 'move'; readonly placeId: string }
  /** The jar that was taken last leaves the kitchen. */
  | { readonly kind: 'give' }

/** What to see before a step is done, and what to do while it cannot be seen. */
export interface Sign {
  readonly good: string
  readonly notYet: string
  /** Then it is looked at again after so long, h. */
  readonly againHours: number
  /** What is done meanwhile. */
  readonly meanwhile: Deed | null
}

/** One step of a program. */
export interface ProgramStep {
  readonly title: string
  /** Hours after the step before it. */
  readonly afterHours: number
  readonly what: string
  readonly sign: Sign | null
  readonly deed: Deed | null
}

/** A program as it was begun: its steps are settled then. */
export interface Program {
  readonly kind: ProgramKind
  readonly title: string
  /** What comes of it. */
  readonly says: string
  readonly steps: readonly ProgramStep[]
}

/** How a step went. `bad`: mould, pink or orange; the program ends there. */
export const OUTCOMES = ['done', 'not yet', 'bad'] as const
export type Outcome = (typeof OUTCOMES)[number]

/** What was noted of a step. */
export interface ProgramEntry {
  readonly step: number
  readonly atMs: number
  readonly outcome: Outcome
}

/** Where a program stands. */
export interface ProgramState {
  readonly status: 'running' | 'done' | 'stopped'
  /** The step that is next; the number of steps once it is done. */
  readonly step: number
  /** When that is due, ms. */
  readonly dueMs: number
  /** Times the step was looked at and not ready. */
  readonly tries: number
  /** Day of the program at a moment, from 1. */
  readonly dayAt: (ms: number) => number
}

/** When somebody is up next, from a moment on. */
export type Awake = (ms: number) => number

/** What is due so soon after the step before it belongs to that one, h: it waits for nobody's sleep. */
const AT_ONCE_HOURS = 3

const dueAfter = (fromMs: number, waitHours: number, awake: Awake) => {
  const ms = fromMs + waitHours * millisecondsInHour
  return waitHours < AT_ONCE_HOURS ? ms : awake(ms)
}

/**
 * Where a program stands after what was noted.
 * @param entries in the order they were noted; those taken back left out
 * @param awake no step is due while its baker sleeps
 * @example foldProgram(program, start, []).dueMs // start, when its first step is due at once
 */
export function foldProgram({ steps }: Program, startedAtMs: number, entries: readonly ProgramEntry[], awake: Awake = (ms) => ms): ProgramState {
  let [step, tries, fromMs, waitHours] = [0, 0, startedAtMs, steps[0]?.afterHours ?? 0]
  let stopped = false
  for (const { atMs, outcome } of entries) {
    fromMs = atMs
    if (outcome === 'bad') stopped = true
    else if (outcome === 'done') {
      step++
      tries = 0
      waitHours = steps[step]?.afterHours ?? 0
    } else {
      tries++
      waitHours = steps[step]?.sign?.againHours ?? 0
    }
  }
  return {
    status: stopped ? 'stopped' : step >= steps.length ? 'done' : 'running',
    step,
    dueMs: dueAfter(fromMs, waitHours, awake),
    tries,
    dayAt: (ms) => Math.floor((ms - startedAtMs) / (HOURS_PER_DAY * millisecondsInHour)) + 1
  }
}

/** When each step that is still to come is due, if all goes well. */
export function comingSteps(program: Program, state: ProgramState, awake: Awake = (ms) => ms): { readonly step: ProgramStep; readonly atMs: number }[] {
  let at = state.dueMs
  return program.steps.slice(state.step).map((step, i) => {
    if (i > 0) at = dueAfter(at, step.afterHours, awake)
    return { step, atMs: at }
  })
}

/** Grams of flours by the parts of a blend; whole grams, summing to the whole. */
export function gramsOfBlend(blend: readonly BlendPart[], flourGrams: number): FlourGrams[] {
  const parts = blend.filter((p) => p.share > 0)
  const all = parts.reduce((sum, p) => sum + p.share, 0)
  const whole = Math.max(Math.round(flourGrams), 1)
  let [given, shares] = [0, 0]
  return parts
    .map(({ ingredientId, share }) => {
      shares += share
      const upTo = Math.round((whole * shares) / all)
      const grams = upTo - given
      given = upTo
      return { ingredientId, grams }
    })
    .filter((p) => p.grams > 0)
}

/** A feed of so much flour at a hydration of the fresh part. */
export function feedDeed(keepGrams: number | null, blend: readonly BlendPart[], flourGrams: number, waterGrams: number): Extract<Deed, { kind: 'feed' }> {
  return { kind: 'feed', keepGrams, flours: gramsOfBlend(blend, flourGrams), waterGrams: Math.max(Math.round(waterGrams), 1) }
}

/** The words for a day's look that are the same in every program. */
export const BAD_WORDS = 'Pink, orange or fuzzy'
/** What to do then. Source: the caution that stands at every culture. */
export const BAD_ADVICE = 'Throw all of it away, do not scoop. Wash the jar with hot water and soap, and begin again with fresh flour and a clean spoon.'
