import { millisecondsInHour } from 'date-fns/constants'
import { type Additions, NO_ADDITIONS } from '../dough/additions'
import type { OwnTraits } from '../dough/blend'
import { MODEL } from '../ferment/constants'
import { type CultureState, DRIED, mixCultures, RIPE, type SeedPart, withYeast } from '../ferment/culture'
import { FLOURS, type FlourKind } from '../ferment/flours'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate, type Vessel } from '../ferment/simulate'
import type { Stay, Surroundings, VesselMaterial } from '../ferment/thermal'
import { entriesOf } from '../units/keysOf'
import { sure } from '../units/sure'

/** One stay of a batch at a place. */
export interface LineStay {
  readonly fromMs: number
  /** Temperature of the place, °C; its mean where it swings. */
  readonly tempC: number
  readonly surroundings?: Surroundings
  /** A place that is warmer by day than by night. */
  readonly swing?: Swing
  /** What was measured there. */
  readonly readings?: readonly { readonly ms: number; readonly tempC: number }[]
}

/** How a place swings between day and night. */
export interface Swing {
  /** Half of what lies between its warmest and its coldest moment, K. */
  readonly swingK: number
  /** One of its warmest moments, ms. */
  readonly warmestMs: number
}

/** What a batch was mixed from and where it stood. Everything that ferments is one of these. */
export interface BatchLine {
  /** Instant of mixing, ms since 1970. */
  readonly startedAtMs: number
  /** Fresh flour by kind, g. */
  readonly flours: Readonly<Partial<Record<FlourKind, number>>>
  /** How that flour differs from what its kinds do. */
  readonly own?: OwnTraits
  /** Fresh water, g. */
  readonly waterGrams: number
  /** Salt, g. */
  readonly saltGrams: number
  /** Yeast, sugar and fat in a dough. */
  readonly additions?: Additions
  /** Temperature just after mixing, °C. */
  readonly mixTempC: number
  /** Places in the order of time; the first counts from mixing on. */
  readonly stays: readonly LineStay[]
  /** What it stands in is made of; glass unless said otherwise. */
  readonly material?: VesselMaterial
  /** Spread out and dried: it sleeps until it is wetted. */
  readonly dried?: boolean
  /** What of other batches went in; `line` null: a culture whose past is not known, taken to be as `state` says, or ripe. */
  readonly parents: readonly {
    readonly grams: number
    readonly hydration: number
    readonly flour: FlourKind
    readonly line: BatchLine | null
    readonly state?: CultureState
  }[]
}

/** The same batch at another pace, seeds and all. @param factor on how fast it goes */
export function quickened(line: BatchLine, factor: number): BatchLine {
  const { flourGrams } = contentsOf(line)
  const fresh = Object.values(line.flours).reduce((sum, g) => sum + g, 0)
  if (factor === 1 || !(fresh > 0)) return line
  const { pace, hold } = line.own ?? { pace: 1, hold: 1 }
  // What is said of its own flours counts by their share of all flour.
  const share = fresh / flourGrams
  return { ...line, own: { pace: 1 + (factor * (1 + share * (pace - 1)) - 1) / share, hold } }
}

/** Batches a culture is followed back; before that it is taken to have been ripe. */
export const FOLLOWED_BACK = 3

/** A batch as far back as it will be followed once it seeds another one: what is foretold of that is then what is told of it afterwards. */
export const asSeed = (line: BatchLine, generations = FOLLOWED_BACK - 1): BatchLine => ({
  ...line,
  parents: line.parents.map((p) => ({ ...p, line: p.line === null || generations <= 1 ? null : asSeed(p.line, generations - 1) }))
})

/** Contents of a batch with all that its parents brought, g. */
export interface BatchContents {
  readonly flours: Readonly<Partial<Record<FlourKind, number>>>
  readonly flourGrams: number
  readonly waterGrams: number
  readonly saltGrams: number
  readonly totalGrams: number
  readonly hydration: number
}

/** Sums what a batch holds, seeds included. */
export function contentsOf(line: Pick<BatchLine, 'flours' | 'waterGrams' | 'saltGrams' | 'parents'>): BatchContents {
  const flours: Partial<Record<FlourKind, number>> = { ...line.flours }
  let water = line.waterGrams
  for (const parent of line.parents) {
    const flour = parent.grams / (1 + parent.hydration)
    flours[parent.flour] = (flours[parent.flour] ?? 0) + flour
    water += parent.grams - flour
  }
  const flourGrams = Object.values(flours).reduce((sum, g) => sum + g, 0)
  return {
    flours,
    flourGrams,
    waterGrams: water,
    saltGrams: line.saltGrams,
    totalGrams: flourGrams + water + line.saltGrams,
    hydration: flourGrams > 0 ? water / flourGrams : 0
  }
}

/**
 * A batch as the simulator takes it.
 * @throws RangeError when it holds no flour or stood nowhere
 */
export function vesselOf(line: BatchLine, jar: JarParameters = TYPICAL_JAR): Vessel {
  const contents = contentsOf(line)
  const seeds: SeedPart[] = line.parents.map((p) => ({
    flourGrams: p.grams / (1 + p.hydration),
    state: p.line === null ? (p.state ?? RIPE) : cultureAt(p.line, line.startedAtMs, jar)
  }))
  const fresh = Object.values(line.flours).reduce((sum, g) => sum + g, 0)
  const freshShare = fresh / contents.flourGrams
  const own = (factor: number) => 1 + freshShare * (factor - 1)
  const food = fresh > 0 ? entriesOf(line.flours).reduce((sum, [kind, g]) => sum + FLOURS[kind].food * g, 0) / fresh : 1
  const { yeastGrams, sugarGrams, fatGrams } = line.additions ?? NO_ADDITIONS
  return {
    start: withYeast(mixCultures(seeds, fresh, food), yeastGrams / contents.flourGrams),
    massGrams: contents.totalGrams,
    hydration: contents.hydration,
    salt: contents.saltGrams / contents.flourGrams,
    sugar: sugarGrams / contents.flourGrams,
    fat: fatGrams / contents.flourGrams,
    flours: Object.fromEntries(entriesOf(contents.flours).map(([kind, g]) => [kind, g / contents.flourGrams])),
    own: line.own === undefined ? undefined : { pace: own(line.own.pace), hold: own(line.own.hold) },
    mixTempC: line.mixTempC,
    material: line.material,
    stays: line.stays.map((s, i) => stayOf(s, line.startedAtMs, i === 0))
  }
}

function stayOf({ fromMs, tempC, surroundings, swing, readings }: LineStay, startMs: number, first: boolean): Stay {
  const hoursAt = (ms: number) => (ms - startMs) / millisecondsInHour
  return {
    fromHours: first ? 0 : hoursAt(fromMs),
    tempC,
    surroundings,
    daily: swing === undefined ? undefined : { swingK: swing.swingK, warmestHours: hoursAt(swing.warmestMs) },
    readings: readings?.map((r) => ({ hours: hoursAt(r.ms), tempC: r.tempC }))
  }
}

/**
 * How a culture is at a moment, followed through its feeds.
 * @param atMs instant; before the mixing it is as just mixed
 * @returns the state to seed the next mix with
 */
export function cultureAt(line: BatchLine, atMs: number, jar: JarParameters = TYPICAL_JAR): CultureState {
  let known = asked.get(line)
  if (known === undefined || known.jar !== jar || known.states.size >= MOST_ASKED) {
    known = { jar, states: new Map() }
    asked.set(line, known)
  }
  const there = known.states.get(atMs)
  if (there !== undefined) return there
  const state = followedTo(line, atMs, jar)
  known.states.set(atMs, state)
  return state
}

/** The same jar is asked for the same moments again and again while builds are solved and plans are searched. */
const asked = new WeakMap<BatchLine, { readonly jar: JarParameters; readonly states: Map<number, CultureState> }>()
const MOST_ASKED = 600

function followedTo(line: BatchLine, atMs: number, jar: JarParameters): CultureState {
  if (line.dried === true) return DRIED
  const vessel = vesselOf(line, jar)
  const hours = Math.min((atMs - line.startedAtMs) / millisecondsInHour, LONGEST_HOURS)
  return hours <= 0 ? vessel.start : simulate(vessel, jar, { untilHours: hours }).end
}

/** After this long nothing more is learned by counting on: it needs revival, h. */
const LONGEST_HOURS = 24 * 90

/** Temperature a culture has at a moment; it follows its place. */
export function temperatureAt(line: BatchLine, atMs: number, jar: JarParameters = TYPICAL_JAR): number {
  const hours = Math.min((atMs - line.startedAtMs) / millisecondsInHour, LONGEST_HOURS)
  return hours <= 0 ? line.mixTempC : simulate(vesselOf(line, jar), jar, { untilHours: hours }).endTempC
}

/** How strong a culture is for the next bake. */
export const STRENGTHS = ['ready as it is', 'one feed', 'two feeds', 'revival'] as const
export type Strength = (typeof STRENGTHS)[number]

/**
 * What a culture needs before it builds a levain.
 * Source: h₀ below 1.5 one feed, below 3 two, else revival; near its peak it is ready (fermentation model, docs/model.md).
 */
export function strengthOf({ lagWork, yeast }: CultureState): Strength {
  const passed = MODEL.lagWorkStages.filter((stage) => lagWork >= stage).length
  return sure(STRENGTHS[passed === 0 && yeast <= LIVELY_YEAST ? 1 : passed])
}

/** Fresh flour per gram kept in each feed a culture wants before it builds: gently at first. Source: craft knowledge. */
export const WAKE_UP_RATIOS: Readonly<Record<Strength, readonly number[]>> = {
  'ready as it is': [],
  'one feed': [2],
  'two feeds': [1, 2],
  revival: [1, 1, 2]
}

/** Density of yeast above which a culture builds as it is. */
const LIVELY_YEAST = 0.4

/** Wake-up feeds that a culture wants at a moment before a levain is built from it. */
export const feedsToWake = (line: BatchLine, atMs: number, jar?: JarParameters): number => WAKE_UP_RATIOS[strengthOf(cultureAt(line, atMs, jar))].length
