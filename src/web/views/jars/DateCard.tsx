import { Button, Skeleton, Text } from '@mantine/core'
import { millisecondsInDay } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import useSWR from 'swr'
import { type DateWay, minuteOf, usuallyKept } from '../../../answers'
import type { Jar } from '../../../contract'
import { type ColdPeak, coldPeaks, isCold, type JarBelief } from '../../../core'
import { near } from '../../../words'
import { COLD_DAYS, DATE_CARD } from '../../../words/screens/jars'
import { useJarLog } from '../../data/beliefs'
import { desk, ONCE } from '../../data/desk'
import { feedForDate } from '../../data/jarFeeds'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import rows from '../../parts/cards/Rows.module.css'
import { tellDone, tellError } from '../../parts/cards/tell'
import { MomentField } from '../../parts/fields/MomentField'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useOnce } from '../../parts/useOnce'
import classes from './DateCard.module.css'

/** The ratio that makes a jar ripe for a day: warm, in the cold, or taken out of it in time; and what the cold took so far. */
export function DateCard({ jar, belief, now }: { readonly jar: Jar; readonly belief: JarBelief; readonly now: number }) {
  const { kitchen, pantry } = useKitchen()
  const minute = minuteOf(now)
  const [wantMs, setWantMs] = useState(() => minute + 2 * millisecondsInDay)
  const [keep, setKeep] = useState<number | null>(null)
  const keepGrams = Math.min(keep ?? usuallyKept(jar), jar.grams)
  const ground = useMemo(() => ({ kitchen, pantry }), [kitchen, pantry])
  const { data: ways } = useSWR(
    ['for date', jar, ground, belief, keepGrams, minute, wantMs],
    ([, ...asked]: [string, Jar, typeof ground, JarBelief, number, number, number]) => desk().forDate(...asked),
    ONCE
  )
  return (
    <Card title={DATE_CARD.title} data-testid="for-date">
      <Text mb="sm">{DATE_CARD.intro}</Text>
      <MomentField ms={wantMs} fromMs={minute} onMs={setWantMs} />
      <QuantityField mt="sm" maw={180} kind="mass" label={DATE_CARD.keep} value={keepGrams} range={[1, Math.max(jar.grams, 1)]} onCommit={setKeep} />
      {ways === undefined ? (
        <Skeleton height={120} mt="md" aria-label={DATE_CARD.working} />
      ) : ways.length === 0 ? (
        <Text mt="md">{DATE_CARD.none}</Text>
      ) : (
        <ul className={classes.ways}>
          {ways.map((way) => (
            <Way key={way.kind} jar={jar} way={way} />
          ))}
        </ul>
      )}
      <ColdDays jar={jar} belief={belief} minute={minute} />
    </Card>
  )
}

function Way({ jar, way }: { readonly jar: Jar; readonly way: DateWay }) {
  const { kitchen, format } = useKitchen()
  const nameOf = (id: string | null) => kitchen.places.find((p) => p.id === id)?.name ?? ''
  const at = (ms: number) => format.dayTime(near(ms))
  const { run, busy } = useOnce(() => feedForDate(jar, way).then((undo) => tellDone(DATE_CARD.fed(jar.name), undo), tellError))
  const [place, cold] = [nameOf(way.placeId), nameOf(way.coldPlaceId)]
  return (
    <li>
      <b>{DATE_CARD.feed(way.ratio, format.mass(way.keepGrams), format.mass(way.flourGrams), format.mass(way.waterGrams))}</b>
      <Text>
        {way.coldMs === null
          ? DATE_CARD.where.warm(place)
          : way.outMs === null
            ? DATE_CARD.where.cold(place, cold, at(way.coldMs))
            : DATE_CARD.where.out(place, cold, at(way.coldMs), at(way.outMs))}
      </Text>
      {way.chance !== null && (
        <Text c="dimmed">
          {way.window === null
            ? DATE_CARD.chanceOnly(format.percent(way.chance, 0))
            : DATE_CARD.chance(format.percent(way.chance, 0), at(way.window.fromMs), at(way.window.toMs))}
        </Text>
      )}
      <Button mt="xs" variant="light" disabled={busy} aria-label={DATE_CARD.fedOf(way.ratio, way.kind)} onClick={() => run()}>
        {DATE_CARD.fedLikeThis}
      </Button>
    </li>
  )
}

/** How long the jar takes to its peak in the cold, ratio by ratio: what was seen, and what is expected from it. */
function ColdDays({ jar, belief, minute }: { readonly jar: Jar; readonly belief: JarBelief; readonly minute: number }) {
  const { kitchen, pantry } = useKitchen()
  const { builds } = useJarLog(jar)
  const cold = kitchen.places.find((p) => isCold(p.tempC))
  const ground = useMemo(() => ({ kitchen, pantry }), [kitchen, pantry])
  const { data: expected } = useSWR(
    ['cold days', jar, ground, belief, minute],
    ([, ...asked]: [string, Jar, typeof ground, JarBelief, number]) => desk().coldDays(...asked),
    ONCE
  )
  if (cold === undefined || expected === undefined || expected.length === 0) return null
  const seen = coldPeaks((builds ?? []).map(({ line, marks }) => ({ line, marks: marks.map((m) => ({ ...m, atMs: m.at })) })))
  return (
    <>
      <Text fw={600} mt="lg">
        {COLD_DAYS.title(cold.name)}
      </Text>
      <ul className={rows.rows}>
        {expected.map(({ ratio, days }) => (
          <li key={ratio}>
            <b>1:{ratio}</b>
            <span>{COLD_DAYS.days(days.toFixed(1), seenWords(seen, ratio))}</span>
          </li>
        ))}
      </ul>
      <Text c="dimmed" mt="sm">
        {COLD_DAYS.lookDayWhileStandsCold}
      </Text>
    </>
  )
}

function seenWords(seen: readonly ColdPeak[], ratio: number): string {
  const own = seen.filter((peak) => Math.abs(Math.log(peak.ratio / ratio)) < 0.3)
  return own.length === 0 ? COLD_DAYS.notSeenYet : COLD_DAYS.seenAfterDays(own.map((peak) => peak.days.toFixed(1)).join(', '))
}
