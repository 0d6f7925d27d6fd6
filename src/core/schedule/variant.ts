import { millisecondsInHour } from 'date-fns/constants'
import { FLOURS, type FlourKind } from '../ferment/flours'
import type { BatchLine } from '../jars/lineage'
import { atRatio, type PlannedBuild } from './planBuild'

/** A what-if: how one build differs from the one that is planned. */
export interface Variant {
  readonly flourPerSeed: number
  /** The place by day, °C. */
  readonly tempC: number
  /** All fresh flour of one kind; null: as planned. */
  readonly flour: FlourKind | null
  readonly hydration: number
  /** Days the ripe seed stood in the cold; null: the jar as it stands. */
  readonly seedColdDays: number | null
}

/** The planned build as a variant of itself. */
export function variantOf(build: PlannedBuild, flourPerSeed: number): Variant {
  const { place, levain } = build
  return { flourPerSeed, tempC: place.tempC + (place.swing?.swingK ?? 0), flour: null, hydration: levain.hydration, seedColdDays: null }
}

/**
 * A build changed into a variant of it.
 * @param startMs when it is mixed; a rested seed is worked out from there
 */
export function variantBuild(build: PlannedBuild, variant: Variant, startMs: number): PlannedBuild {
  const { flourPerSeed, tempC, flour, hydration, seedColdDays } = variant
  const rested = seedColdDays === null ? build.seed.line : seedColdDays === 0 ? null : restedSeed(build.seed.flour, seedColdDays, startMs)
  const changed = atRatio(build, flourPerSeed)
  return {
    ...changed,
    levain: { ...changed.levain, hydration },
    flours: flour === null ? build.flours : { [flour]: 1 },
    own: flour === null ? build.own : undefined,
    seed: { ...build.seed, line: rested },
    place: { ...build.place, tempC: tempC - (build.place.swing?.swingK ?? 0) }
  }
}

const HOURS_PER_DAY = 24
/** How a seed is taken to have ripened before its rest: fed 1:5:5 and left in a room until about its peak. */
const RIPENED = { hours: 10, tempC: 22, coldC: 4, seedGrams: 10, flourGrams: 50 } as const

/** A culture that ripened and then stood in the cold. */
export function restedSeed(flour: FlourKind, coldDays: number, atMs: number): BatchLine {
  const coldMs = atMs - coldDays * HOURS_PER_DAY * millisecondsInHour
  const startedAtMs = coldMs - RIPENED.hours * millisecondsInHour
  return {
    startedAtMs,
    flours: { [flour]: RIPENED.flourGrams },
    waterGrams: RIPENED.flourGrams,
    saltGrams: 0,
    mixTempC: RIPENED.tempC,
    stays: [
      { fromMs: startedAtMs, tempC: RIPENED.tempC },
      { fromMs: coldMs, tempC: RIPENED.coldC }
    ],
    parents: [{ grams: RIPENED.seedGrams, hydration: 1, flour, line: null }]
  }
}

/** Whether a variant brings gluten to a culture that is kept without. */
export const bringsGluten = ({ flour }: Variant, seedFlour: FlourKind) => flour !== null && FLOURS[flour].gluten && !FLOURS[seedFlour].gluten
