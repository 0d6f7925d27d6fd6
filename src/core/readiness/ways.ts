import { millisecondsInHour } from 'date-fns/constants'
import { NO_ADDITIONS } from '../dough/additions'
import { mainKind } from '../dough/blend'
import { acidityOf } from '../ferment/acidity'
import { LATENT_SD } from '../ferment/draws'
import { type Forecast, type School, windowOf } from '../ferment/forecast'
import { type JarBelief, type JarParameters, PARAMETERS, TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { isCold } from '../jars/condition'
import { type BatchLine, contentsOf, cultureAt, vesselOf } from '../jars/lineage'
import { bulkHoursOf, type CourseHere, doughPace } from '../schedule/course'
import { type Standing, shifted, timeLine } from '../schedule/planBuild'
import type { Phase } from './phases'

/** A place the levain could be put. */
export interface OtherPlace {
  readonly id: string
  readonly name: string
  readonly standing: Standing
}

/** What is to be weighed up: a running levain, and what it is for. */
export interface WaysAsked {
  readonly line: BatchLine
  readonly nowMs: number
  readonly school: School
  /** The forecast as the looks have corrected it. */
  readonly forecast: Forecast
  /** What the looks have shown of its age; null: nobody has looked. */
  readonly shown: ShownAge | null
  readonly jar: JarParameters
  readonly places: readonly OtherPlace[]
  /** The dough as it would be if it were mixed now; null where no dough's day is planned. */
  readonly dough: BatchLine | null
  readonly course: CourseHere | null
  /** So much of the levain can go into the dough: what there is, less what is kept back, g. */
  readonly mostGrams: number
  /** When it was meant to be mixed, ms. */
  readonly plannedMixMs: number
}

/** Another place, and what it comes to. Hours since mixing. */
export interface MovedWay {
  readonly place: OtherPlace
  readonly opensHours: number
  readonly closesHours: number
}

/** A build anew from this levain. */
export interface FedWay {
  readonly flourPerSeed: number
  readonly ripeMs: number
  /** Until when it stays ready. */
  readonly closesMs: number
  /** The levain that comes of it. */
  readonly line: BatchLine
}

/** Another amount of levain in the same dough; flour and water make good for it, so that the dough weighs the same. */
export interface OtherAmount {
  readonly grams: number
  readonly plannedGrams: number
  /** Flour and water besides those planned; below 0: so much less, g. */
  readonly flourGrams: number
  readonly waterGrams: number
  readonly bulkHours: number | null
}

/** What mixing at a moment comes to. */
export interface MixWay {
  readonly bulkHours: number | null
  /** Bulk of the same dough with the levain at its best, h. */
  readonly usualBulkHours: number | null
  /** TTA of the levain against that at its best: above 1 the loaf is tangier. */
  readonly sourness: number
  /** Sour by now: less of it, that brings as much acid as it would at its best. Young still: more of it, that brings as much yeast, as far as there is any. */
  readonly other: OtherAmount | null
}

/** A pinch of yeast for a bake that cannot wait. */
export interface YeastWay {
  readonly grams: number
  readonly bulkHours: number
}

/** All that can be done now, with what each comes to. */
export interface Ways {
  readonly warm: readonly MovedWay[]
  readonly chill: readonly MovedWay[]
  readonly feed: readonly FedWay[]
  readonly mix: MixWay | null
  readonly yeast: YeastWay | null
}

/** Places nearer than this to where it stands change nothing worth carrying it for, K. */
const WORTH_CARRYING_K = 2
/** Warmer than this no levain is put on purpose, °C. */
const WARMEST_C = 32
/** Ratios a levain is fed at, flour per seed. */
const FEEDS = [1, 2, 3, 5, 8, 12] as const
/** TTA against that at its best, above which it is tasted. */
export const TANGY = 1.1
/** Bulk against that with the levain at its best, above which more of it is worth the weighing. */
const SLOW_BULK = 1.05

/**
 * What can be done with a running levain now, each with its consequence.
 * @param reforecast forecast of the same levain, standing elsewhere from now on, as the looks correct it
 */
export function waysNow(asked: WaysAsked, reforecast: (line: BatchLine) => Forecast): Ways {
  const { line, nowMs, places } = asked
  const shows = levainAsItShows(line, asked.shown, nowMs, asked.jar)
  const mix = mixNow(asked, shows)
  const hereC = line.stays.findLast((s) => s.fromMs <= nowMs)?.tempC ?? line.mixTempC
  const moved = (keep: (tempC: number) => boolean): MovedWay[] =>
    places
      .filter(({ standing }) => keep(standing.tempC))
      .map((place) => {
        const { opens, closes } = reforecast({ ...line, stays: [...line.stays.filter((s) => s.fromMs <= nowMs), { fromMs: nowMs, ...place.standing }] })
        return { place, opensHours: opens.p50, closesHours: closes.p50 }
      })
  return {
    warm: moved((c) => c >= hereC + WORTH_CARRYING_K && c <= WARMEST_C),
    chill: moved((c) => c <= hereC - WORTH_CARRYING_K),
    feed: feedsOf(asked, shows),
    mix,
    yeast: withPinch(asked, shows, mix)
  }
}

/** What the looks at a levain have shown of its age. */
export interface ShownAge {
  /** Its peak as the looks have corrected it, h since mixing; not finite where it has none. */
  readonly peakHours: number
  /** The phase it is seen in where that forecast does not hold; null where it does. */
  readonly phase: Phase | null
  /** When it was seen so, ms. */
  readonly seenMs: number
}

/**
 * The levain as old as it shows itself: a quick one has aged more than the clock says. What is mixed or fed with it is timed by this.
 * @param atMs when it is used
 * @param shown null: nobody has looked at it, so it is as old as it is
 */
export function levainAsItShows(line: BatchLine, shown: ShownAge | null, atMs: number, jar: JarParameters = TYPICAL_JAR): BatchLine {
  if (shown === null) return line
  const by = aheadHours(line, shown, atMs, jar) * millisecondsInHour
  return { ...line, startedAtMs: line.startedAtMs - by, stays: line.stays.map((s, i) => (i === 0 ? { ...s, fromMs: s.fromMs - by } : s)) }
}

/** By how much it is older than the clock says, h. */
function aheadHours(line: BatchLine, { peakHours, phase, seenMs }: ShownAge, atMs: number, jar: JarParameters): number {
  const { milestones } = simulate(vesselOf(line, jar), jar, { untilHours: 240 })
  const hoursAt = (ms: number) => (ms - line.startedAtMs) / millisecondsInHour
  if (phase !== null) {
    const age = {
      lag: null,
      climbing: null,
      young: milestones.sixtyHours,
      peak: milestones.peakHours,
      easing: milestones.easedHours,
      collapsed: milestones.collapsedHours
    }[phase]
    return age === null ? 0 : age - hoursAt(seenMs)
  }
  const usual = milestones.peakHours
  return usual === null || !Number.isFinite(peakHours) || !(peakHours > 0) ? 0 : hoursAt(atMs) * (usual / peakHours - 1)
}

/** What two builds of one jar differ by besides the jar, variance of the logarithm of their pace: the build's own doings, and a room that is off by a kelvin. */
const OWN_VARIANCE = (LATENT_SD[0] ?? 0) ** 2 + 0.08 ** 2
/** No look makes a jar quicker or slower by more than this. */
const MOST_QUICKER = 1.8

/**
 * What the looks at a levain say of its jar, where its dough is concerned: the part of its pace that is the jar's goes on in the dough, the build's own does not.
 * @param shown null: nobody has looked at it
 */
export function beliefShown(belief: JarBelief, line: BatchLine, shown: ShownAge | null): JarBelief {
  if (shown === null || shown.phase !== null || !(shown.peakHours > 0) || !Number.isFinite(shown.peakHours)) return belief
  const { centre, covariance } = belief
  const usual = simulate(vesselOf(line, centre), centre, { untilHours: 240, stopPastPeak: true }).milestones.peakHours
  if (usual === null) return belief
  const ofJar = covariance[PARAMETERS.indexOf('vigour')]?.[PARAMETERS.indexOf('vigour')] ?? 0
  const quicker = Math.min(Math.max(usual / shown.peakHours, 1 / MOST_QUICKER), MOST_QUICKER) ** (ofJar / (ofJar + OWN_VARIANCE))
  return { ...belief, centre: { ...centre, vigour: centre.vigour * quicker } }
}

/**
 * Builds anew from a levain, by ratio, the soonest ripe first.
 * @param shows the levain, as old as the looks have shown it: levainAsItShows
 */
export function feedsOf({ line, nowMs, school, jar }: Pick<WaysAsked, 'line' | 'nowMs' | 'school' | 'jar'>, shows: BatchLine): FedWay[] {
  const { hydration, flours, totalGrams } = contentsOf(line)
  const stay = line.stays.findLast((s) => s.fromMs <= nowMs) ?? line.stays[0]
  if (stay === undefined) return []
  const flourInAll = Object.values(flours).reduce((a, b) => a + b, 0)
  return FEEDS.flatMap((flourPerSeed): FedWay[] => {
    const seed = totalGrams / (1 + flourPerSeed * (1 + hydration))
    const fresh = flourPerSeed * seed
    const fed: BatchLine = {
      startedAtMs: nowMs,
      flours: Object.fromEntries(Object.entries(flours).map(([kind, grams]) => [kind, (grams / flourInAll) * fresh])),
      waterGrams: fresh * hydration,
      saltGrams: 0,
      mixTempC: stay.tempC,
      stays: [{ ...stay, fromMs: nowMs }],
      material: line.material,
      parents: [{ grams: seed, hydration, flour: mainKind(flours), line: shows }]
    }
    const run = timeLine(fed, jar, school)
    if (run === null) return []
    const closesHours = windowOf(run.milestones, school).closesHours ?? run.fitHours
    return [{ flourPerSeed, ripeMs: nowMs + run.fitHours * millisecondsInHour, closesMs: nowMs + closesHours * millisecondsInHour, line: fed }]
  })
}

/** The dough with its levain as it is at a moment of its own hill. */
const doughWith = (dough: BatchLine, levain: BatchLine): BatchLine => ({
  ...dough,
  parents: dough.parents.map((p, i) => (i === 0 ? { ...p, line: levain } : p))
})

/** The levain as it ripens in the warm, where it ever stood there: what it is measured by is no levain that has lain in the cold for days. */
function neverChilled(line: BatchLine): BatchLine {
  const warm = line.stays.filter((s) => !isCold(s.tempC))
  return warm.length === 0 ? line : { ...line, stays: warm }
}

function mixNow({ dough, course, jar, nowMs, mostGrams }: WaysAsked, shows: BatchLine): MixWay | null {
  const ripens = neverChilled(shows)
  const peakHours = simulate(vesselOf(ripens, jar), jar, { untilHours: 240, stopPastPeak: true }).milestones.peakHours
  if (peakHours === null) return null
  const best = shifted(ripens, nowMs - peakHours * millisecondsInHour)
  const [is, would] = [cultureAt(shows, nowMs, jar), cultureAt(best, nowMs, jar)]
  const vessel = vesselOf(shows, jar)
  const sourness = acidityOf(is.acid, vessel).tta / acidityOf(would.acid, vessel).tta
  if (dough === null || course === null) return { bulkHours: null, usualBulkHours: null, sourness, other: null }
  const shown = doughWith(dough, shows)
  const planned = dough.parents[0]?.grams ?? 0
  const bulkHours = bulkHoursOf(course, doughPace(shown, course, jar))
  const usualBulkHours = bulkHoursOf(course, doughPace(doughWith(dough, best), course, jar))
  const asQuick = (grams: number) => (otherAmount(shown, course, jar, grams)?.bulkHours ?? Number.POSITIVE_INFINITY) <= (usualBulkHours ?? 0)
  const isSlow = bulkHours !== null && usualBulkHours !== null && bulkHours > SLOW_BULK * usualBulkHours
  const grams = Math.round(sourness > TANGY ? planned / sourness : isSlow ? leastBy(asQuick, planned, Math.max(mostGrams, planned)) : planned)
  return {
    bulkHours,
    usualBulkHours,
    sourness,
    other: Math.abs(grams - planned) < LEAST_OTHER_GRAMS ? null : otherAmount(shown, course, jar, grams)
  }
}

/** The least that will do, to half a gram; the most where nothing does. */
function leastBy(does: (grams: number) => boolean, from: number, to: number): number {
  let [low, high] = [from, to]
  while (high - low > 0.5) {
    const middle = (low + high) / 2
    if (does(middle)) high = middle
    else low = middle
  }
  return high
}

/** A difference smaller than this is not worth weighing anew, g. */
const LEAST_OTHER_GRAMS = 3

/** The dough with another amount of its levain, as heavy as before. */
function otherAmount(dough: BatchLine, course: CourseHere, jar: JarParameters, grams: number): OtherAmount | null {
  const [levain, ...others] = dough.parents
  if (levain === undefined) return null
  const left = levain.grams - grams
  const flourGrams = left / (1 + levain.hydration)
  const waterGrams = left - flourGrams
  const main = mainKind(contentsOf(dough).flours)
  const flours = { ...dough.flours, [main]: Math.max((dough.flours[main] ?? 0) + flourGrams, 0) }
  const changed = { ...dough, flours, waterGrams: Math.max(dough.waterGrams + waterGrams, 0), parents: [{ ...levain, grams }, ...others] }
  return { grams, plannedGrams: levain.grams, flourGrams, waterGrams, bulkHours: bulkHoursOf(course, doughPace(changed, course, jar)) }
}

/** Most instant yeast that is offered, as a share of all flour, and the smallest step of a small scale, g. */
const PINCH = { most: 0.01, stepGrams: 0.1 } as const

/** A dough with instant yeast besides what is in it. */
export function withInstantYeast(dough: BatchLine, grams: number): BatchLine {
  const { additions = NO_ADDITIONS } = dough
  return { ...dough, additions: { ...additions, yeastGrams: additions.yeastGrams + grams } }
}

/** The least yeast that brings the bulk back to what it would be with the levain at its best. */
function withPinch({ dough, course, jar }: WaysAsked, shows: BatchLine, mix: MixWay | null): YeastWay | null {
  if (dough === null || course === null || mix === null || mix.usualBulkHours === null) return null
  if (mix.bulkHours !== null && mix.bulkHours <= mix.usualBulkHours * 1.15) return null
  const shown = doughWith(dough, shows)
  const most = PINCH.most * contentsOf(dough).flourGrams
  for (let grams: number = PINCH.stepGrams; grams <= most; grams += PINCH.stepGrams) {
    const bulkHours = bulkHoursOf(course, doughPace(withInstantYeast(shown, grams), course, jar))
    if (bulkHours !== null && bulkHours <= mix.usualBulkHours) return { grams: Math.round(grams * 10) / 10, bulkHours }
  }
  return null
}
