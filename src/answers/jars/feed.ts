import { millisecondsInHour } from 'date-fns/constants'
import type { Jar, Kitchen } from '../../contract'
import {
  asSeed,
  type BatchLine,
  type BlendPart,
  CULTURE_TRAITS,
  CUP_SIZES,
  type CupKind,
  feedByRatio,
  HEAT,
  HOTTEST_WATER_C,
  isCold,
  type JarParameters,
  levainHeat,
  lineOfFeed,
  type MassRange,
  massOfVolume,
  mixTemperature,
  type NamedVessel,
  type Pantry,
  risenHours,
  STARTER_DENSITY,
  TWO_THIRDS,
  temperatureAt
} from '../../core'
import { standingAt } from '../bake/solvePlan'
import { usualRatio } from './jarCare'
import { whereItStands } from './jarNow'

/** How the flour and water of a feed are told. */
export const FEED_WAYS = ['ratio', 'grams', 'cups'] as const
export type FeedWay = (typeof FEED_WAYS)[number]

/** When a fed jar goes on to another place. */
export const LATER = ['an hour', 'two hours', 'two thirds'] as const
export type Later = (typeof LATER)[number]
const LATER_HOURS: Readonly<Record<Exclude<Later, 'two thirds'>, number>> = { 'an hour': 1, 'two hours': 2 }

/** What a feed begins with, where somebody knows better than the usual. */
export interface FeedAmounts {
  readonly keepGrams: number
  readonly flourGrams: number
  readonly waterGrams: number
  /** Out for an hour first, then where it stands cold. */
  readonly hourOut?: boolean
}

/** A feed as it is thought of. */
export interface FeedDraft {
  readonly by: FeedWay
  readonly keepGrams: number
  /** Crust and slime that are cut away. */
  readonly trimGrams: number
  readonly ratio: number
  readonly hydration: number
  readonly feed: readonly BlendPart[]
  readonly flourGrams: number
  readonly waterGrams: number
  /** Tablespoons of stirred starter; cups of flour and water. */
  readonly spoons: number
  readonly flourCups: number
  readonly waterCups: number
  readonly waterTempC: number
  readonly placeId: string
  readonly laterPlaceId: string | null
  readonly later: Later
  readonly vesselId: string | null
  readonly underWater: boolean
}

const USUAL_KEEP = 20
/** Crust and slime of a stiff one, as a part of it. Source: craft knowledge. */
const TRIMMED_SHARE = 0.15
/** Water is taken hand-warm where a place is cold, °C. */
const HAND_WARM_C = 26

/** The feed a jar begins with: as its culture usually is or, where it has not been fed here yet, as it was told to have been; or with amounts that were worked out elsewhere. */
export function firstDraft(jar: Jar, { places }: Kitchen, nowMs: number, amounts?: FeedAmounts): FeedDraft {
  const { flourPerSeed, trimmed, underWater } = CULTURE_TRAITS[jar.culture]
  const trimGrams = trimmed && amounts === undefined ? Math.round(jar.grams * TRIMMED_SHARE) : 0
  const { placeId } = whereItStands(jar, nowMs)
  const here = places.find((p) => p.id === placeId)
  const warm = places.find((p) => !isCold(p.tempC))
  const hourOut = amounts?.hourOut === true && here !== undefined && isCold(here.tempC)
  return {
    by: amounts === undefined ? 'ratio' : 'grams',
    keepGrams: amounts?.keepGrams ?? Math.min(Math.max(jar.keepMinimumGrams, USUAL_KEEP), Math.max(jar.grams - trimGrams, 1)),
    trimGrams,
    ratio: (jar.lastFeed === null ? usualRatio(jar)[0] : undefined) ?? flourPerSeed,
    hydration: Math.round(jar.hydration * 1000) / 1000,
    feed: jar.feed,
    flourGrams: amounts?.flourGrams ?? 0,
    waterGrams: amounts?.waterGrams ?? 0,
    spoons: 1,
    flourCups: 0.5,
    waterCups: 0.25,
    waterTempC: HAND_WARM_C,
    placeId: hourOut ? (warm?.id ?? placeId) : placeId,
    laterPlaceId: hourOut ? placeId : null,
    later: 'an hour',
    vesselId: jar.vesselId,
    underWater
  }
}

/** What follows from a draft. */
export interface FeedFigures {
  readonly keepGrams: number
  readonly flourGrams: number
  readonly waterGrams: number
  readonly ratio: number
  readonly hydration: number
  /** Where spoons and cups leave it, g. */
  readonly ranges: { readonly keep: MassRange; readonly flour: MassRange; readonly water: MassRange } | null
  readonly mixTempC: number
  /** Hours until it goes on to another place; null: it stays. */
  readonly afterHours: number | null
  /** Hours until it has risen by two thirds, where it stands first. */
  readonly risen: number | null
  readonly line: BatchLine
}

export type FeedProblem =
  | { readonly code: 'seed too wet'; readonly leastRatio: number }
  | { readonly code: 'no cups' }
  | { readonly code: 'too hot' }
  | { readonly code: 'nothing' }

/** The kitchen as far as a feed goes. */
export interface FeedKitchen {
  readonly kitchen: Pick<Kitchen, 'places' | 'timeZone'>
  readonly pantry: Pantry
  readonly cups: CupKind
  readonly vessels: readonly Pick<NamedVessel, 'id' | 'material'>[]
}

/**
 * Grams, warmth and what the fed jar will be.
 * @param line what is in the jar
 * @param nowMs when it is fed
 */
export function feedFigures(
  draft: FeedDraft,
  jar: Pick<Jar, 'hydration' | 'flour'>,
  line: BatchLine,
  { kitchen, pantry, cups, vessels }: FeedKitchen,
  parameters: JarParameters,
  nowMs: number
): FeedFigures | FeedProblem {
  const amounts = amountsOf(draft, jar.hydration, pantry, cups)
  if ('code' in amounts) return amounts
  const { keepGrams, flourGrams, waterGrams, ranges } = amounts
  if (!(keepGrams > 0 && flourGrams > 0 && waterGrams > 0)) return { code: 'nothing' }
  if (draft.waterTempC > HOTTEST_WATER_C) return { code: 'too hot' }
  const place = kitchen.places.find((p) => p.id === draft.placeId) ?? kitchen.places[0]
  const laterPlace = kitchen.places.find((p) => p.id === draft.laterPlaceId)
  const stayAt = (where: typeof place, fromMs: number) => {
    const stay = { fromMs, ...standingAt(where, where?.tempC ?? HAND_WARM_C, fromMs, kitchen.timeZone) }
    return draft.underWater ? { ...stay, surroundings: 'water bath' as const } : stay
  }
  // As it is sent: the jar afterwards is what is foretold here.
  const mixTempC = toTenth(
    mixTemperature([
      { grams: keepGrams, tempC: temperatureAt(line, nowMs, parameters), heat: levainHeat(jar.hydration) },
      { grams: flourGrams, tempC: kitchen.places[0]?.tempC ?? HAND_WARM_C, heat: HEAT.flour },
      { grams: waterGrams, tempC: draft.waterTempC, heat: HEAT.water }
    ])
  )
  const kept = { grams: keepGrams, hydration: jar.hydration, flour: jar.flour, line: asSeed(line) }
  const vessel = vessels.find((v) => v.id === draft.vesselId)
  const fed = { ...lineOfFeed(kept, { feed: draft.feed, flourGrams, waterGrams, mixTempC }, [stayAt(place, nowMs)], pantry), material: vessel?.material }
  const risen = risenHours(fed, TWO_THIRDS, parameters)
  const afterHours = laterPlace === undefined ? null : draft.later === 'two thirds' ? (risen ?? LATER_HOURS['two hours']) : LATER_HOURS[draft.later]
  const goesOn = laterPlace !== undefined && afterHours !== null
  const seedFlour = keepGrams / (1 + jar.hydration)
  return {
    keepGrams,
    flourGrams,
    waterGrams,
    ranges,
    ratio: flourGrams / keepGrams,
    hydration: (keepGrams - seedFlour + waterGrams) / (seedFlour + flourGrams),
    mixTempC,
    risen,
    afterHours: goesOn ? afterHours : null,
    line: goesOn ? { ...fed, stays: [...fed.stays, stayAt(laterPlace, nowMs + afterHours * millisecondsInHour)] } : fed
  }
}

/**
 * A levain of a jar as it is fed: what is in it; where nothing fresh came into it last, for some was split off or levain came back, its usual feed of that.
 * @param nowMs when it would be fed
 */
export function levainAsFed(jar: Jar, stocked: FeedKitchen & { readonly kitchen: Kitchen }, parameters: JarParameters, nowMs: number): BatchLine {
  if (Object.keys(jar.line.flours).length > 0) return jar.line
  const figures = feedFigures(firstDraft(jar, stocked.kitchen, nowMs), jar, jar.line, stocked, parameters, nowMs)
  return 'code' in figures ? jar.line : figures.line
}

const toTenth = (value: number) => Math.round(value * 10) / 10

type Amounts = Pick<FeedFigures, 'keepGrams' | 'flourGrams' | 'waterGrams' | 'ranges'>

function amountsOf(draft: FeedDraft, jarHydration: number, pantry: Pantry, cups: CupKind): Amounts | FeedProblem {
  const { by, keepGrams } = draft
  if (by === 'grams') return { keepGrams, flourGrams: draft.flourGrams, waterGrams: draft.waterGrams, ranges: null }
  if (by === 'cups') return byCups(draft, pantry, cups)
  const fed = feedByRatio({ grams: keepGrams, hydration: jarHydration }, draft.ratio, draft.hydration)
  if (!fed.ok)
    return fed.problem.code === 'seed too wet' ? { code: 'seed too wet', leastRatio: fed.problem.values.leastFlourPerSeed ?? 0 } : { code: 'nothing' }
  return { keepGrams, flourGrams: Math.max(Math.round(fed.value.flour), 1), waterGrams: Math.max(Math.round(fed.value.water), 1), ranges: null }
}

const WATER_DENSITY = [1, 1] as const

/** Spoons and cups in grams, with how far they may lie off; the middle counts. */
function byCups({ feed, spoons, flourCups, waterCups }: FeedDraft, pantry: Pantry, cups: CupKind): Amounts | FeedProblem {
  const { cup, tablespoon } = CUP_SIZES[cups]
  const all = feed.reduce((sum, p) => sum + p.share, 0)
  const dense = (end: 0 | 1) => feed.reduce((sum, p) => sum + (p.share / all) * (pantry.get(p.ingredientId)?.density?.[end] ?? Number.NaN), 0)
  const density = [dense(0), dense(1)] as const
  if (density.some(Number.isNaN)) return { code: 'no cups' }
  const ranges = {
    keep: massOfVolume(spoons * tablespoon, STARTER_DENSITY.stirred),
    flour: massOfVolume(flourCups * cup, density),
    water: massOfVolume(waterCups * cup, WATER_DENSITY)
  }
  const whole = (range: MassRange) => Math.max(Math.round(range.middle), 1)
  return { keepGrams: whole(ranges.keep), flourGrams: whole(ranges.flour), waterGrams: whole(ranges.water), ranges }
}
