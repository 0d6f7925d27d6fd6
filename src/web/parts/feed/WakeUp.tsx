import { useMemo } from 'react'
import { standingAt } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarParameters, timedFeeds, type Use, WAKE_UP_RATIOS } from '../../../core'
import { whenWords } from '../../../words'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../Card'

/** A jar wakes at a place no colder than this, °C. */
const WAKES_FROM_C = 15
const KEPT_GRAMS = 20
const MS_PER_HOUR = 3_600_000

/** Feeds that bring a weak jar back to strength, with their times; nothing for one that a single feed puts right. */
export function WakeUp({ jar, use, parameters, now, placeId }: { jar: Jar; use: Use; parameters: JarParameters; now: number; placeId: string }) {
  const { kitchen, format, pantry } = useKitchen()
  const chosen = kitchen.places.find((p) => p.id === placeId)
  const place = chosen !== undefined && chosen.tempC >= WAKES_FROM_C ? chosen : kitchen.places.find((p) => p.tempC >= WAKES_FROM_C)
  const feeds = useMemo(() => {
    if (use === 'ripens' || place === undefined) return []
    const stayAt = (fromMs: number) => ({ fromMs, ...standingAt(place, place.tempC, fromMs, kitchen.timeZone) })
    const kept = { grams: KEPT_GRAMS, hydration: jar.hydration, flour: jar.flour, line: jar.line }
    return timedFeeds({ kept, feed: jar.feed, hydration: jar.hydration, pantry, stayAt, jar: parameters }, WAKE_UP_RATIOS[use], now)
  }, [jar, use, now, parameters, place, kitchen.timeZone, pantry])
  if (feeds.length < 2 || place === undefined) return null
  const words = feeds.map(({ flourPerSeed, atMs, ripeHours }, i) => {
    const ripeMs = atMs + ripeHours * MS_PER_HOUR
    return i === 0
      ? `1:${flourPerSeed} now, ripe about ${whenWords(ripeMs, now, format)}`
      : `1:${flourPerSeed} on ${whenWords(atMs, now, format)}, ripe about ${whenWords(ripeMs, now, format)}`
  })
  return (
    <Note>
      Before the next bake, at {place.name} ({format.temperature(place.tempC)}): {words.join('; then ')}.
      {feeds.length > 2 && ' Go on once a day until it doubles within eight hours.'}
    </Note>
  )
}
