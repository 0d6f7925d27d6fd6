import { Button, Skeleton } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { courseHere, doughOf, standingIn } from '../../../../answers'
import { contentsOf, isCollapsed, type OtherAmount, TANGY, type Ways } from '../../../../core'
import { mixTitle, near } from '../../../../words'
import { WAYS_CARD } from '../../../../words/screens/watch'
import type { Judged } from '../../../data/forecasts'
import { useWays } from '../../../data/judging'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import waysStyle from '../../../parts/cards/Ways.module.css'
import { useBakeHere } from '../bakeHere'
import { CookIt } from './CookIt'
import { FeedAgain } from './FeedAgain'

const FIVE_MINUTES = 300_000
/** Gains and losses smaller than this are no reason to carry a jar about, h. */
const LEAST_GAIN_HOURS = 0.25
/** With so much less acid than at its best the loaf is milder. */
const MILD = 0.88
/** What the ways take, about: what stands below is not shown where it would move away, px. */
const WAYS_PX = 560
/** Nobody times a bulk to the minute. */
const PER_HOUR = 12

/** What can be done now, each with what it comes to. */
export function WaysCard({ onMove }: { readonly onMove: (placeId: string, tempC: number) => void }) {
  const { judged } = useBakeHere()
  const ways = useWaysHere()
  if (judged === undefined) return null
  return (
    <Card title={WAYS_CARD.whatYouCanDo}>
      {ways === undefined ? <Skeleton height={WAYS_PX} /> : <List judged={judged} ways={ways} onMove={onMove} />}
      <Note tone="care">{WAYS_CARD.rawDoughAndRawDiscard}</Note>
    </Card>
  )
}

/** The ways, asked for anew every five minutes and with every look. */
function useWaysHere(): Ways | undefined {
  const { bake, plan, solved, judged, jar, now } = useBakeHere()
  const stocked = useKitchen()
  const { kitchen } = stocked
  const nowMs = Math.floor(now / FIVE_MINUTES) * FIVE_MINUTES
  const line = judged?.line
  const wanted = useMemo(
    () => ({
      places: kitchen.places.map(({ id, name, tempC }) => ({ id, name, standing: standingIn(kitchen, id, tempC, nowMs) })),
      dough: line === undefined || plan.course === null ? null : doughOf(bake, plan, solved, stocked, nowMs, line),
      course: plan.course === null ? null : courseHere(plan.course, plan, kitchen),
      mostGrams:
        plan.build.source === 'as it is' && jar !== undefined
          ? jar.grams - jar.keepMinimumGrams
          : line === undefined
            ? 0
            : contentsOf(line).totalGrams - (solved?.build?.keepBackGrams ?? plan.build.keepBackGrams),
      plannedMixMs: plan.mixAt,
      school: plan.school
    }),
    [kitchen, stocked, bake, plan, solved, jar, line, nowMs]
  )
  return useWays(judged, wanted)
}

function List({ judged, ways, onMove }: { readonly judged: Judged; readonly ways: Ways; readonly onMove: (placeId: string, tempC: number) => void }) {
  const { format, kitchen } = useKitchen()
  const { verdict, line, told } = judged
  const { opens, closes } = verdict.forecast
  const at = (hours: number) => (Number.isFinite(hours) ? format.dayTime(near(line.startedAtMs + hours * millisecondsInHour)) : WAYS_CARD.daysFromNow)
  const tempOf = (id: string) => kitchen.places.find((p) => p.id === id)?.tempC ?? 0
  const isPast = told.advice.kind === 'past'
  const before = told.advice.kind === 'wait'
  const isAwaited = told.advice.kind !== 'for taste'
  const warm = before ? ways.warm.filter((w) => opens.p50 - w.opensHours >= LEAST_GAIN_HOURS).sort((a, b) => a.opensHours - b.opensHours)[0] : undefined
  const chill = ways.chill.filter((w) => w.closesHours - closes.p50 >= LEAST_GAIN_HOURS).sort((a, b) => b.closesHours - a.closesHours)[0]
  // What is advised stands first.
  const isFedFirst = isCollapsed(verdict)
  const feeds = isAwaited && <FeedAgain feeds={ways.feed} hydration={hydrationOf(judged)} />
  return (
    <ul className={waysStyle.ways} data-testid="ways">
      {isFedFirst && feeds}
      {ways.mix !== null && (
        <li>
          <b>{mixTitle(told)}</b>
          {isAwaited && told.advice.kind !== 'ask' && WAYS_CARD.chanceThatReadyNow(format.percent(verdict.fitNow, 0))}
          {mixWords(ways.mix, isPast, format)}
        </li>
      )}
      {told.advice.kind === 'wait' && told.lookMs !== null && (
        <li>
          <b>{WAYS_CARD.lookAgainAt(format.dayTime(near(told.lookMs)))}</b>
          {WAYS_CARD.readyFromAboutUntil(at(opens.p50), at(closes.p50))}
        </li>
      )}
      {warm !== undefined && (
        <li>
          <b>{WAYS_CARD.warm(warm.place.name)}</b>
          {WAYS_CARD.fitSoonerFromAboutOver(format.duration(nearly(opens.p50 - warm.opensHours)), at(warm.opensHours), at(warm.closesHours))}
          <Move place={warm.place.name} onMove={() => onMove(warm.place.id, tempOf(warm.place.id))} />
        </li>
      )}
      {chill !== undefined && told.headline !== 'collapsed' && (
        <li>
          <b>{WAYS_CARD.chillToHold(chill.place.name)}</b>
          {WAYS_CARD.usableUntilAboutInsteadCold(
            at(chill.closesHours),
            at(closes.p50),
            before && Number.isFinite(chill.opensHours) && chill.opensHours > opens.p50 ? WAYS_CARD.readyOnlyFrom(at(chill.opensHours)) : ''
          )}
          <Move place={chill.place.name} onMove={() => onMove(chill.place.id, tempOf(chill.place.id))} />
        </li>
      )}
      {!isFedFirst && feeds}
      {isPast && (
        <li>
          <CookIt line={line} />
        </li>
      )}
      {ways.yeast !== null && isAwaited && (
        <li>
          <b>{WAYS_CARD.ifBakeCannotWaitInstant(format.mass(ways.yeast.grams, 0.1))}</b>
          {WAYS_CARD.withBulkTakesAboutAs(format.duration(nearly(ways.yeast.bulkHours)))}
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
      <Button variant="default" size="sm" mt={8} aria-label={WAYS_CARD.iHavePutThere2(place)} onClick={onMove}>
        {WAYS_CARD.iHavePutThere}
      </Button>
    </div>
  )
}

const nearly = (hours: number) => Math.round(hours * PER_HOUR) / PER_HOUR

function mixWords(
  { bulkHours, usualBulkHours, sourness, other }: NonNullable<Ways['mix']>,
  isPast: boolean,
  format: ReturnType<typeof useKitchen>['format']
): string {
  const taste = isPast || sourness > TANGY ? WAYS_CARD.expectTangierLoaf : sourness < MILD ? WAYS_CARD.expectMilderLoaf : ''
  if (bulkHours === null) return `${usualBulkHours === null ? '' : WAYS_CARD.doughWouldHardlyRise}${taste}`
  const longer = usualBulkHours === null ? 0 : bulkHours - usualBulkHours
  const bulk =
    Math.abs(longer) < LEAST_GAIN_HOURS
      ? WAYS_CARD.bulkAboutAsUsual(format.duration(nearly(bulkHours)))
      : WAYS_CARD.bulkAboutThanWithRipe(format.duration(nearly(bulkHours)), format.duration(nearly(Math.abs(longer))), longer > 0 ? 'longer' : 'shorter')
  return `${bulk}${taste}${other === null ? '' : otherWords(other, format)}`
}

/** Less of a sour one, more of a young one: what is weighed instead, and what the bulk is then. */
function otherWords({ grams, plannedGrams, flourGrams, waterGrams, bulkHours }: OtherAmount, format: ReturnType<typeof useKitchen>['format']): string {
  const more = flourGrams > 0 ? 'more' : 'less'
  const change = WAYS_CARD.flourAndWater(format.mass(Math.abs(flourGrams)), more, format.mass(Math.abs(waterGrams)))
  const bulk = bulkHours === null ? '' : WAYS_CARD.bulkAbout(format.duration(nearly(bulkHours)))
  return WAYS_CARD.orInsteadWith(format.mass(grams), format.mass(plannedGrams), change, flourGrams > 0 ? WAYS_CARD.noSourerThanUsual : '', bulk)
}
