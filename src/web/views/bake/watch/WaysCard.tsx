import { Button, Skeleton } from '@mantine/core'
import { useMemo } from 'react'
import { awakeAt, doughOf, standingIn } from '../../../../answers'
import { contentsOf, type OtherAmount, ratioOf, TANGY, type Ways } from '../../../../core'
import { near } from '../../../../words'
import type { Judged } from '../../../data/forecasts'
import { useWays } from '../../../data/judging'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/Card'
import type { StationProps } from '../station'
import classes from './Watch.module.css'

const MS_PER_HOUR = 3_600_000
const FIVE_MINUTES = 300_000
/** Gains and losses smaller than this are no reason to carry a jar about, h. */
const LEAST_GAIN_HOURS = 0.25
/** With so much less acid than at its best the loaf is milder. */
const MILD = 0.88
/** Nobody times a bulk to the minute. */
const PER_HOUR = 12

/** What can be done now, each with what it comes to. */
export function WaysCard(props: StationProps & { readonly onMove: (placeId: string, tempC: number) => void }) {
  const { judged } = props
  const ways = useWaysHere(props)
  if (judged === undefined) return null
  return (
    <Card title="What you can do">
      {ways === undefined ? <Skeleton height={320} /> : <List {...props} judged={judged} ways={ways} />}
      <Note tone="care">Raw dough and raw discard are not eaten. Never seal a fermenting jar tight.</Note>
    </Card>
  )
}

/** The ways, asked for anew every five minutes and with every look. */
function useWaysHere({ bake, plan, solved, judged, now }: StationProps): Ways | undefined {
  const stocked = useKitchen()
  const { kitchen } = stocked
  const nowMs = Math.floor(now / FIVE_MINUTES) * FIVE_MINUTES
  const line = judged?.line
  const wanted = useMemo(
    () => ({
      places: kitchen.places.map(({ id, name, tempC }) => ({ id, name, standing: standingIn(kitchen, id, tempC, nowMs) })),
      dough: line === undefined || plan.course === null ? null : doughOf(bake, plan, solved, stocked, nowMs, line),
      course: plan.course,
      mostGrams: line === undefined ? 0 : contentsOf(line).totalGrams - (solved?.build?.keepBackGrams ?? plan.build.keepBackGrams),
      plannedMixMs: plan.mixAt,
      school: plan.school
    }),
    [kitchen, stocked, bake, plan, solved, line, nowMs]
  )
  return useWays(judged, wanted)
}

function List({
  judged,
  ways,
  jar,
  onMove
}: StationProps & { readonly judged: Judged; readonly ways: Ways; readonly onMove: (placeId: string, tempC: number) => void }) {
  const { format, kitchen } = useKitchen()
  const { verdict, line } = judged
  const { opens, closes } = verdict.forecast
  const at = (hours: number) => (Number.isFinite(hours) ? format.dayTime(near(line.startedAtMs + hours * MS_PER_HOUR)) : 'days from now')
  const tempOf = (id: string) => kitchen.places.find((p) => p.id === id)?.tempC ?? 0
  const isPast = verdict.phase === 'easing' || verdict.phase === 'collapsed'
  const before = judged.hours < opens.p50 && !isPast
  const warm = before ? ways.warm.filter((w) => opens.p50 - w.opensHours >= LEAST_GAIN_HOURS).sort((a, b) => a.opensHours - b.opensHours)[0] : undefined
  const chill = ways.chill.filter((w) => w.closesHours - closes.p50 >= LEAST_GAIN_HOURS).sort((a, b) => b.closesHours - a.closesHours)[0]
  const name = jar?.name ?? 'the jar'
  return (
    <ul className={classes.ways} data-testid="ways">
      {ways.mix !== null && (
        <li>
          <b>{verdict.fitNow >= 0.5 ? 'Mix now' : before ? 'Mix now, although it is young' : isPast ? 'Mix now, although it is past' : 'Mix now'}</b>
          {mixWords(ways.mix, verdict.fitNow, isPast, format)}
        </li>
      )}
      {verdict.advice.kind === 'wait' && (
        <li>
          <b>Look again at {format.dayTime(near(awakeAt(kitchen, line.startedAtMs + verdict.advice.lookAgainHours * MS_PER_HOUR)))}</b>
          Ready from about {at(opens.p50)} until {at(closes.p50)}.
        </li>
      )}
      {warm !== undefined && (
        <li>
          <b>Warm it: {warm.place.name}</b>
          Fit {format.duration(nearly(opens.p50 - warm.opensHours))} sooner, from about {at(warm.opensHours)}; over by {at(warm.closesHours)}.
          <Move place={warm.place.name} onMove={() => onMove(warm.place.id, tempOf(warm.place.id))} />
        </li>
      )}
      {chill !== undefined && verdict.phase !== 'collapsed' && (
        <li>
          <b>Chill it to hold: {chill.place.name}</b>
          Usable until about {at(chill.closesHours)} instead of {at(closes.p50)}
          {before && Number.isFinite(chill.opensHours) ? `; ready only from ${at(chill.opensHours)}` : ''}. Cold, it chills the dough: use warmer water.
          <Move place={chill.place.name} onMove={() => onMove(chill.place.id, tempOf(chill.place.id))} />
        </li>
      )}
      {ways.feed.map((feed) => (
        <li key={feed.flourPerSeed}>
          <b>Feed again {ratioOf({ seed: 1, flour: feed.flourPerSeed, water: feed.flourPerSeed * hydrationOf(judged) })}</b>
          Ripe about {format.dayTime(near(feed.ripeMs))}, where it stands. Keep some of it for {name} first.
        </li>
      ))}
      {ways.yeast !== null && (
        <li>
          <b>If the bake cannot wait: {format.mass(ways.yeast.grams, 0.1)} of instant yeast in the dough</b>
          With it the bulk takes about {format.duration(nearly(ways.yeast.bulkHours))}, as with a ripe levain. Less flavour, and none of it into the jar.
        </li>
      )}
    </ul>
  )
}

const hydrationOf = ({ line }: Judged) => {
  const fresh = Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)
  return fresh > 0 ? Math.round((line.waterGrams / fresh) * 20) / 20 : 1
}

function Move({ place, onMove }: { readonly place: string; readonly onMove: () => void }) {
  return (
    <div>
      <Button variant="default" size="sm" mt={8} aria-label={`I have put it there: ${place}`} onClick={onMove}>
        I have put it there
      </Button>
    </div>
  )
}

const nearly = (hours: number) => Math.round(hours * PER_HOUR) / PER_HOUR

function mixWords(
  { bulkHours, usualBulkHours, sourness, other }: NonNullable<Ways['mix']>,
  fitNow: number,
  isPast: boolean,
  format: ReturnType<typeof useKitchen>['format']
): string {
  const taste = isPast || sourness > TANGY ? ' Expect a tangier loaf.' : sourness < MILD ? ' Expect a milder loaf.' : ''
  const fit = `${format.percent(fitNow, 0)} chance that it is ready now.`
  if (bulkHours === null) return `${fit}${usualBulkHours === null ? '' : ' The dough would hardly rise.'}${taste}`
  const longer = usualBulkHours === null ? 0 : bulkHours - usualBulkHours
  const bulk =
    Math.abs(longer) < LEAST_GAIN_HOURS
      ? ` Bulk about ${format.duration(nearly(bulkHours))}, as usual.`
      : ` Bulk about ${format.duration(nearly(bulkHours))}: ${format.duration(nearly(Math.abs(longer)))} ${longer > 0 ? 'longer' : 'shorter'} than with a ripe one.`
  return `${fit}${bulk}${taste}${other === null ? '' : otherWords(other, format)}`
}

/** Less of a sour one, more of a young one: what is weighed instead, and what the bulk is then. */
function otherWords({ grams, plannedGrams, flourGrams, waterGrams, bulkHours }: OtherAmount, format: ReturnType<typeof useKitchen>['format']): string {
  const more = flourGrams > 0 ? 'more' : 'less'
  const change = `${format.mass(Math.abs(flourGrams))} ${more} flour and ${format.mass(Math.abs(waterGrams))} ${more} water`
  const bulk = bulkHours === null ? '' : `, bulk about ${format.duration(nearly(bulkHours))}`
  return ` Or ${format.mass(grams)} of it instead of ${format.mass(plannedGrams)}, with ${change}${flourGrams > 0 ? ': no sourer than usual' : ''}${bulk}.`
}
