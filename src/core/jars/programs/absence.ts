import { millisecondsInHour } from 'date-fns/constants'
import type { BlendPart, Pantry } from '../../dough/ingredient'
import type { JarParameters } from '../../ferment/jarParameters'
import { conditionOf } from '../condition'
import { feedByRatio, type Kept, lineOfFeed } from '../feeding'
import type { LineStay } from '../lineage'
import { feedDeed, type Program } from './program'

const MS_PER_DAY = 24 * millisecondsInHour

/** A way to leave a jar alone. */
export interface AbsenceWay {
  readonly flourPerSeed: number
  readonly hydration: number
  readonly placeId: string
  readonly flourGrams: number
  readonly waterGrams: number
  /** Days until it is hungry. */
  readonly hungryDays: number
  /** Days until two feeds no longer bring it back; beyond that it is a revival. */
  readonly lastsDays: number
}

/** Ratios and waters that are compared. */
const RATIOS = [1, 2, 5, 10] as const
const STIFF = 0.5
const LOOKED_DAYS = 60
const FIRST_HOUR = millisecondsInHour

/**
 * Which ratio, water and place last how long.
 * @param kept what is kept of the jar
 * @param places where it may stand; it works for an hour where it stands now before it goes there
 * @returns those that last longest first
 */
export function absenceWays(
  kept: Kept,
  feed: readonly BlendPart[],
  pantry: Pantry,
  here: LineStay,
  places: readonly { readonly id: string; readonly stay: LineStay }[],
  nowMs: number,
  jar?: JarParameters
): AbsenceWay[] {
  const waters = kept.hydration > STIFF ? [kept.hydration, STIFF] : [kept.hydration]
  return places
    .flatMap((place) =>
      waters.flatMap((hydration) =>
        RATIOS.flatMap((flourPerSeed): AbsenceWay[] => {
          const fed = feedByRatio(kept, flourPerSeed, hydration)
          if (!fed.ok) return []
          const masses = { flourGrams: Math.round(fed.value.flour), waterGrams: Math.round(fed.value.water) }
          const stays = [
            { ...here, fromMs: nowMs },
            { ...place.stay, fromMs: nowMs + FIRST_HOUR }
          ]
          const line = lineOfFeed(kept, { feed, ...masses, mixTempC: here.tempC }, stays, pantry)
          const { hungryMs, fades } = conditionOf(line, nowMs, jar)
          const days = (ms: number | null | undefined) => (ms === null || ms === undefined ? LOOKED_DAYS : (ms - nowMs) / MS_PER_DAY)
          return [
            {
              flourPerSeed,
              hydration,
              placeId: place.id,
              ...masses,
              hungryDays: days(hungryMs),
              lastsDays: days(fades.find((f) => f.strength === 'revival')?.fromMs)
            }
          ]
        })
      )
    )
    .sort((a, b) => b.lastsDays - a.lastsDays)
}

/**
 * Leaves a jar alone for some time, and takes it up again.
 * @param placeName where it waits
 * @param awayDays how long
 */
export function longAbsence(name: string, keepGrams: number, feed: readonly BlendPart[], way: AbsenceWay, placeName: string, awayDays: number): Program {
  const stiff = way.hydration < 0.65
  return {
    kind: 'absence',
    title: `${name} waits`,
    says: `Fed 1:${way.flourPerSeed}${stiff ? ', stiff,' : ''} it is hungry after about ${Math.round(way.hungryDays)} days and can be brought back for about ${Math.round(way.lastsDays)}.`,
    steps: [
      {
        title: 'The last feed',
        afterHours: 0,
        what: stiff ? 'Knead it to a firm ball, dust it with flour. An hour out.' : 'A clean jar, the lid loose. An hour out.',
        sign: null,
        deed: feedDeed(keepGrams, feed, way.flourGrams, way.waterGrams)
      },
      {
        title: `To its place: ${placeName}`,
        afterHours: 1,
        what: 'There it waits until you are back.',
        sign: null,
        deed: { kind: 'move', placeId: way.placeId }
      },
      {
        title: 'Back again',
        afterHours: awayDays * 24,
        what: 'Pour dark liquid off, take the seed from the middle, and feed it one to one, warm.',
        sign: { good: 'Sound: grey or dark liquid is only hunger.', notYet: 'If you are not sure, look by daylight.', againHours: 2, meanwhile: null },
        deed: feedDeed(keepGrams, feed, keepGrams, keepGrams)
      },
      {
        title: 'Has it risen?',
        afterHours: 12,
        what: 'One more feed and it builds again.',
        sign: {
          good: 'Risen by half or more.',
          notYet: 'Feed it once more one to one; after a long time it wants two or three.',
          againHours: 24,
          meanwhile: feedDeed(keepGrams, feed, keepGrams, keepGrams)
        },
        deed: feedDeed(keepGrams, feed, 2 * keepGrams, 2 * keepGrams)
      }
    ]
  }
}
