import { Text } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { chanceAt } from '../../../../answers'
import type { Jar } from '../../../../contract'
import { type Busy, type Forecast, type HourRange, isAwaited, type JarBelief, sourAtMix } from '../../../../core'
import { knownSentence, near, sourWords } from '../../../../words'
import { EXPECT_CARD } from '../../../../words/screens/plan'
import { useUsualSour } from '../../../data/compare'
import { useChances } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/cards/Card'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** What to expect of the levain: window and peak with their doubt, and how likely it is fit at the mix. */
export function ExpectCard({ busy, fromMs }: { readonly busy: readonly Busy[]; readonly fromMs: number }) {
  const { bake, plan, solved, forecast, judged, jar, belief, day } = useBakeHere()
  const { format } = useKitchen()
  const build = solved?.build ?? null
  const { mixMs } = day
  const waits = isAwaited(plan.school)
  const running = judged === undefined ? null : told(judged.verdict.forecast, judged.line.startedAtMs, mixMs)
  const shown = running ?? (build === null || forecast === undefined ? null : told(forecast, build.asItStands.startMs, mixMs))
  const grows = judged?.line ?? build?.asItStands.line ?? null
  const sour = useMemo(() => (grows === null ? null : sourAtMix(grows, belief, plan.school)), [grows, belief, plan.school])
  const usual = useUsualSour(plan.jarId, belief)
  const line = judged === undefined && bake.line === null ? build?.asItStands.line : undefined
  const whileHome = useChances(
    useMemo(
      () => (line === undefined ? [] : [{ id: bake.id, line, school: plan.school, belief, mixMs, busy, fromMs }]),
      [line, bake.id, plan.school, belief, mixMs, busy, fromMs]
    )
  ).get(bake.id)
  if (shown === null) return null
  return (
    <Card title={EXPECT_CARD.whatToExpect}>
      <table className={classes.weigh}>
        <thead>
          <tr>
            <th scope="col" className={classes.unseen}>
              {EXPECT_CARD.moment}
            </th>
            <th scope="col">{EXPECT_CARD.likely}</th>
            <th scope="col">{EXPECT_CARD.chance}</th>
          </tr>
        </thead>
        <tbody>
          {waits && <Moment name="Ready to mix from" range={shown.opens} startMs={shown.startMs} />}
          <Moment name="Peak" range={shown.peak} startMs={shown.startMs} />
          {waits && <Moment name="Ready until" range={shown.closes} startMs={shown.startMs} />}
        </tbody>
      </table>
      {build?.asItStands.milestones.doubledHours !== null && build !== null && running === null && (
        <Text c="dimmed" mt="sm">
          {EXPECT_CARD.doubledAfterAbout(format.duration(build.asItStands.milestones.doubledHours))}
        </Text>
      )}
      {!waits && <Text mt="sm">{EXPECT_CARD.forTaste}</Text>}
      {running === null && waits && whileHome !== undefined && (
        <Text mt="sm">
          <b>{format.percent(whileHome, 0)}</b>
          {EXPECT_CARD.chanceReadyWhileYoureHome(format.time(mixMs))}
        </Text>
      )}
      {running !== null && waits && shown.fitAtMix !== null && (
        <Text mt="sm">
          <b>{format.percent(shown.fitAtMix, 0)}</b>
          {EXPECT_CARD.chanceReadyAt(format.time(mixMs))}
        </Text>
      )}
      {sour !== null && (
        <Text mt="sm">
          {EXPECT_CARD.whenMixed}
          {sourWords(sour, usual ?? null)}
        </Text>
      )}
      <KnownJar jar={jar} belief={belief} />
    </Card>
  )
}
/** A forecast with its start, and how likely it is fit when it is to be mixed. */
function told(forecast: Forecast, startMs: number, mixMs: number) {
  return { ...forecast, startMs, fitAtMix: chanceAt(forecast, startMs, mixMs) }
}

/** How much is known of the jar, and so how wide the forecast is. */
function KnownJar({ jar, belief }: { readonly jar: Jar | undefined; readonly belief: JarBelief }) {
  if (jar === undefined) return null
  return (
    <Text c="dimmed" mt="xs">
      {knownSentence(jar, belief)} <Link to={`/jars/${jar.id}/pace`}>{EXPECT_CARD.whatOlventKnowsAbout(jar.name)}</Link>
    </Text>
  )
}

function Moment({ name, range, startMs }: { name: string; range: HourRange; startMs: number }) {
  const { format } = useKitchen()
  const at = (hours: number) => (Number.isFinite(hours) ? format.dayTime(near(startMs + hours * millisecondsInHour)) : 'later')
  const end = Number.isFinite(range.p95) && Math.abs(range.p95 - range.p05) < 12 ? format.time(near(startMs + range.p95 * millisecondsInHour)) : at(range.p95)
  return (
    <tr>
      <th scope="row">{name}</th>
      <td className={classes.grams}>{at(range.p50)}</td>
      <td>
        {at(range.p05)} – {end}
      </td>
    </tr>
  )
}
