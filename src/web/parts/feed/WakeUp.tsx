import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { standingAt } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarParameters, timedFeeds, type Use, WAKE_UP_RATIOS } from '../../../core'
import { whenWords } from '../../../words'
import { WAKE_UP } from '../../../words/screens/parts-feed'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../cards/Card'

/** A jar wakes at a place no colder than this, °C. */
const WAKES_FROM_C = 15
const KEPT_GRAMS = 20

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
    const ripeMs = atMs + ripeHours * millisecondsInHour
    return i === 0
      ? WAKE_UP.nowRipeAbout(flourPerSeed, whenWords(ripeMs, now, format))
      : WAKE_UP.onRipeAbout(flourPerSeed, whenWords(atMs, now, format), whenWords(ripeMs, now, format))
  })
  return (
    <Note>
      {WAKE_UP.beforeNextBakeAt(place.name, format.temperature(place.tempC), words.join('; then '))}
      {feeds.length > 2 && WAKE_UP.goOnOnceDayUntil}
    </Note>
  )
}
