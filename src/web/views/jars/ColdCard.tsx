import { Text } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { standingAt } from '../../../answers'
import type { Jar } from '../../../contract'
import { type ColdPeak, coldPeaks, feedByRatio, isCold, type JarParameters, lineOfFeed, simulate, vesselOf } from '../../../core'
import { COLD_CARD } from '../../../words/screens/jars'
import { useJarLog } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import rows from '../../parts/cards/Rows.module.css'

const RATIOS = [1, 2, 5, 10] as const
const HOURS_PER_DAY = 24
const LOOK_HOURS = 24 * 30
const KEPT_GRAMS = 20

/** How long the jar takes to its peak in the cold, ratio by ratio: what was seen, and what is expected from it. */
export function ColdCard({ jar, parameters }: { jar: Jar; parameters: JarParameters }) {
  const { kitchen, pantry } = useKitchen()
  const { builds } = useJarLog(jar)
  const cold = kitchen.places.find((p) => isCold(p.tempC))
  const expected = useMemo(() => {
    const here = kitchen.places[0]
    if (cold === undefined || here === undefined) return []
    const now = nowMs()
    const stay = (place: typeof cold, fromMs: number) => ({ fromMs, ...standingAt(place, place.tempC, fromMs, kitchen.timeZone) })
    return RATIOS.flatMap((ratio) => {
      const kept = { grams: KEPT_GRAMS, hydration: jar.hydration, flour: jar.flour, line: null }
      const fed = feedByRatio(kept, ratio, jar.hydration)
      if (!fed.ok) return []
      const fresh = { feed: jar.feed, flourGrams: fed.value.flour, waterGrams: fed.value.water, mixTempC: here.tempC }
      const line = lineOfFeed(kept, fresh, [stay(here, now), stay(cold, now + millisecondsInHour)], pantry)
      const { milestones } = simulate(vesselOf(line, parameters), parameters, { untilHours: LOOK_HOURS, stopPastPeak: true })
      return milestones.peakHours === null ? [] : [{ ratio, days: milestones.peakHours / HOURS_PER_DAY }]
    })
  }, [jar, parameters, kitchen, cold, pantry])
  if (cold === undefined || expected.length === 0) return null
  const seen = coldPeaks((builds ?? []).map(({ line, marks }) => ({ line, marks: marks.map((m) => ({ ...m, atMs: m.at })) })))
  return (
    <Card title={COLD_CARD.toPeakAtHourOut(cold.name)}>
      <ul className={rows.rows}>
        {expected.map(({ ratio, days }) => (
          <li key={ratio}>
            <b>{COLD_CARD.days(ratio, days.toFixed(1))}</b>
            <span>{seenWords(seen, ratio)}</span>
          </li>
        ))}
      </ul>
      <Text c="dimmed" mt="sm">
        {COLD_CARD.lookDayWhileStandsCold}
      </Text>
    </Card>
  )
}

function seenWords(seen: readonly ColdPeak[], ratio: number): string {
  const own = seen.filter((peak) => Math.abs(Math.log(peak.ratio / ratio)) < 0.3)
  return own.length === 0 ? COLD_CARD.notSeenYet : COLD_CARD.seenAfterDays(own.map((peak) => peak.days.toFixed(1)).join(', '))
}
