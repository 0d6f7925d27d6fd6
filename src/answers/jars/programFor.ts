import type { Jar, Kitchen } from '../../contract'
import {
  type AbsenceWay,
  absenceWays,
  asSeed,
  CULTURE_TRAITS,
  type Culture,
  changeCulture,
  cultureAt,
  type DriedShape,
  dryCulture,
  type FeedsFrom,
  type Format,
  feedUp,
  giftOfJar,
  growJar,
  isCold,
  type JarParameters,
  longAbsence,
  type NewCultureSchool,
  newCulture,
  type OwnStep,
  ownFeeds,
  type Pantry,
  type Program,
  type ProgramKind,
  REVIVAL_RATIOS,
  REVIVED_GRAMS,
  revive,
  STRENGTHENING_RATIOS,
  strengthen,
  strengthOf,
  timedFeeds,
  wakeDried
} from '../../core'
import { standingAt } from '../bake/solvePlan'

const KEPT_GRAMS = 20

/** What a baker says of a program before it begins. */
export interface ProgramChoices {
  readonly placeId: string
  /** What a new culture is to be, or a jar is to become. */
  readonly culture: Culture
  readonly school: NewCultureSchool
  /** Name of a new jar, or of a friend. */
  readonly name: string
  readonly grams: number
  readonly shape: DriedShape
  /** What is dried is fed first though there is enough of it. */
  readonly feedFirst: boolean
  /** Water ÷ flour of what is grown; null: as the jar. */
  readonly hydration: number | null
  readonly steps: readonly OwnStep[]
  readonly awayDays: number
  readonly way: AbsenceWay | null
  /** When it is to be at its best, ms. */
  readonly whenMs: number
}

/** What a program is worked out from. */
export interface ProgramGround {
  readonly kitchen: Kitchen
  readonly pantry: Pantry
  readonly format: Format
  readonly nowMs: number
  readonly parameters: JarParameters
}

/** A program to begin, or a sentence that says why there is none. */
export type Proposed = { readonly program: Program } | { readonly sentence: string }

const CHANGE_SENTENCES = {
  'gluten stays': 'A culture that has lived on gluten never becomes gluten-free. Start a gluten-free one from flour instead.',
  'no gluten in': 'A gluten-free jar is kept free of gluten. Start another culture for wheat or rye.',
  'dried wakes': 'A dried culture is woken first.',
  'already that': 'It is that already.'
} as const

/** A new culture from flour and water. */
export function proposeNewCulture(choices: Pick<ProgramChoices, 'culture' | 'school'>): Program {
  const { feed, hydration } = CULTURE_TRAITS[choices.culture]
  return newCulture({ school: choices.school, feed, hydration })
}

/** How feeds of a jar are worked out at the place chosen. */
function feedsFrom(jar: Jar, placeId: string, { kitchen, pantry, parameters }: ProgramGround): FeedsFrom {
  const place = kitchen.places.find((p) => p.id === placeId)
  return {
    kept: { grams: Math.min(KEPT_GRAMS, jar.grams), hydration: jar.hydration, flour: jar.flour, line: asSeed(jar.line) },
    feed: jar.feed,
    hydration: jar.hydration,
    pantry,
    stayAt: (fromMs) => ({ fromMs, ...standingAt(place, place?.tempC ?? 22, fromMs, kitchen.timeZone) }),
    jar: parameters
  }
}

/** Ways to leave a jar alone, the longest first. */
export function waysToWait(jar: Jar, placeId: string, ground: ProgramGround): AbsenceWay[] {
  const { kitchen, pantry, nowMs, parameters } = ground
  const from = feedsFrom(jar, placeId, ground)
  const cool = kitchen.places.filter((p) => isCold(p.tempC) || p.tempC === Math.min(...kitchen.places.map((q) => q.tempC)))
  const places = cool.map((place) => ({ id: place.id, stay: { fromMs: nowMs, ...standingAt(place, place.tempC, nowMs, kitchen.timeZone) } }))
  return absenceWays(from.kept, jar.feed, pantry, from.stayAt(nowMs), places, nowMs, parameters)
}

/**
 * The program for a jar as it is chosen.
 * @returns its steps with their times, or why it cannot be
 */
export function proposeProgram(kind: Exclude<ProgramKind, 'new culture'>, jar: Jar, choices: ProgramChoices, ground: ProgramGround): Proposed {
  const { format, nowMs, parameters } = ground
  const from = feedsFrom(jar, choices.placeId, ground)
  const spareGrams = Math.max(jar.grams - jar.keepMinimumGrams, 0)
  const keepGrams = Math.round(from.kept.grams)
  const placeName = (id: string) => ground.kitchen.places.find((p) => p.id === id)?.name ?? 'its place'
  switch (kind) {
    case 'revival': {
      const kept = { ...from.kept, grams: Math.min(REVIVED_GRAMS, jar.grams) }
      return { program: revive(jar.name, jar.feed, timedFeeds({ ...from, kept }, REVIVAL_RATIOS, nowMs)) }
    }
    case 'change': {
      const changed = changeCulture({ name: jar.name, from: jar, to: choices.culture, keepGrams })
      return changed.ok ? { program: changed.value } : { sentence: CHANGE_SENTENCES[changed.problem.code] }
    }
    case 'strengthen': {
      const feeds = timedFeeds(from, STRENGTHENING_RATIOS, nowMs)
      const made = strengthen(jar.name, keepGrams, jar.feed, feeds, nowMs, choices.whenMs)
      return made.ok
        ? { program: made.value }
        : { sentence: `That is too soon for three feeds there. From ${format.dayTime(made.problem.values.earliestMs ?? nowMs)} on it works.` }
    }
    case 'dry': {
      const wanted = { grams: choices.grams, keepGrams, shape: choices.shape }
      const [fed] = feedFor(jar, from, choices.grams, nowMs)
      if (fed === undefined) return { sentence: 'There is nothing in the jar to dry.' }
      return { program: dryCulture(jar, wanted, choices.feedFirst || choices.grams > spareGrams ? fed : null) }
    }
    case 'wake': {
      if (jar.grams < 2) return { sentence: 'There is too little of it: at least 2 g are needed, and half of them stay.' }
      const name = choices.name.trim() === '' ? `${jar.name.replace(/, dried$/, '')}, woken` : choices.name.trim()
      return { program: wakeDried(jar, { name, feed: jar.feed, hydration: wokenHydration(jar) }) }
    }
    case 'absence': {
      const { way } = choices
      return way === null
        ? { sentence: 'Choose how it waits.' }
        : { program: longAbsence(jar.name, keepGrams, jar.feed, way, placeName(way.placeId), choices.awayDays) }
    }
    case 'grow': {
      if (jar.grams >= choices.grams + jar.keepMinimumGrams) return { sentence: `There is enough already: ${format.mass(jar.grams)}.` }
      const strength = strengthOf(cultureAt(jar.line, nowMs, parameters))
      const strong = strength === 'ready as it is' || strength === 'one feed'
      const grown = growJar(jar.name, choices.grams, { ...jar, strong }, { ...from, hydration: choices.hydration ?? jar.hydration }, jar.feed, nowMs)
      return grown.ok ? { program: grown.value } : { sentence: 'There is nothing in the jar to grow from.' }
    }
    case 'own':
      return choices.steps.length === 0 ? { sentence: 'Add a step.' } : { program: ownFeeds(jar.name, choices.steps, jar.feed) }
    case 'gift': {
      const friend = choices.name.trim()
      if (friend === '') return { sentence: 'For whom is it?' }
      const [fed] = feedFor(jar, from, choices.grams, nowMs)
      if (fed === undefined || spareGrams + jar.keepMinimumGrams <= 0) return { sentence: 'There is nothing in the jar to give.' }
      return { program: giftOfJar({ name: jar.name, feed: jar.feed, keepGrams }, friend, choices.grams, fed) }
    }
  }
}

/** Water ÷ flour of what a dried culture becomes when it is woken. */
export const wokenHydration = ({ flour }: Pick<Jar, 'flour'>) => CULTURE_TRAITS[flour === 'gluten-free' ? 'gluten-free' : 'white wheat'].hydration

/** A feed that leaves so much to take, and its least. */
function feedFor(jar: Jar, from: FeedsFrom, grams: number, nowMs: number) {
  if (!(jar.grams > 0)) return []
  const kept = from.kept.grams
  const { flourGrams } = feedUp({ jarGrams: kept, hydration: jar.hydration, seedGrams: grams, keepMinimumGrams: jar.keepMinimumGrams })
  return timedFeeds(from, [flourGrams / kept], nowMs)
}
