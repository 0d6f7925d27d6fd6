import { Button, Group, Progress, Skeleton, Text } from '@mantine/core'
import { useParams } from 'react-router'
import type { Jar, JarBuild } from '../../../contract'
import { coverageOf, type JarBelief, jarTraits, type PastBuild } from '../../../core'
import { jarSentence, knownSentence } from '../../../words'
import { PACE_ROOM } from '../../../words/screens/pace'
import { setPace, useEvidence } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useJars } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { tellDone, tellError } from '../../parts/cards/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './PaceRoom.module.css'
import { PastChart } from './PastChart'

/** What was learned of one jar, the evidence for it, and the way to begin anew or to pin it. */
export function PaceRoom() {
  const { id = '' } = useParams()
  const { jars, error } = useJars()
  if (jars === undefined) {
    return error === undefined ? <Skeleton height={320} radius={0} /> : <Quiet title={PACE_ROOM.jarsCouldNotBeOpened} words={error.message} />
  }
  const jar = jars.find((j) => j.id === id)
  if (jar === undefined)
    return <Quiet title={PACE_ROOM.thisJarNotHere} words={PACE_ROOM.hasBeenTakenAwayOr} action={{ label: PACE_ROOM.jars, href: '/jars' }} />
  return <Pace key={`${jar.id} ${jar.version}`} jar={jar} />
}

function Pace({ jar }: { readonly jar: Jar }) {
  const { builds, belief, past, share, stop, error } = useEvidence(jar)
  return (
    <div className={classes.room}>
      <h1 className={classes.title}>{PACE_ROOM.pace(jar.name)}</h1>
      {belief === undefined ? <Skeleton height={150} /> : <Learned jar={jar} belief={belief} builds={builds?.length ?? 0} />}
      {error !== undefined && <Note tone="stop">{error.message}</Note>}
      {builds !== undefined && builds.length === 0 && (
        <Note>{jar.pace.kind === 'learned' && jar.pace.since !== null ? PACE_ROOM.begunAnewWhatWasLogged : PACE_ROOM.noBuildFinishedYetMix}</Note>
      )}
      {builds !== undefined && builds.length > 0 && (
        <Card title={PACE_ROOM.whatWasForecastAndWhat}>
          {past === undefined && (
            <Group wrap="nowrap">
              <Progress value={share * 100} aria-label={PACE_ROOM.goingThroughPastBuilds} style={{ flex: 1 }} />
              <Button size="sm" variant="default" onClick={stop}>
                {PACE_ROOM.stop}
              </Button>
            </Group>
          )}
          {past === null && <Note>{PACE_ROOM.stoppedOpenThisRoomAgain}</Note>}
          {past !== undefined && past !== null && <Past past={past} builds={builds} />}
        </Card>
      )}
    </div>
  )
}

function Learned({ jar, belief, builds }: { readonly jar: Jar; readonly belief: JarBelief; readonly builds: number }) {
  const { format } = useKitchen()
  const traits = jarTraits(belief)
  const pinned = jar.pace.kind === 'pinned'
  const { run: change, busy } = useOnce((pace: Jar['pace'], told: string) => setPace(jar, pace).then((undo) => tellDone(told, undo), tellError))
  const times = ({ factor, low, high }: typeof traits.height) => (
    <>
      {factor.toFixed(2)} <span className={classes.range}>{`${low.toFixed(2)} – ${high.toFixed(2)}`}</span>
    </>
  )
  return (
    <Card title={pinned ? PACE_ROOM.pinned : PACE_ROOM.learned} data-testid="learned">
      <p className={classes.sentence}>{jarSentence(jar.name, traits)}</p>
      <Text c="dimmed">
        {pinned
          ? PACE_ROOM.nothingLearnedWhilePinned
          : PACE_ROOM.inLog(knownSentence(jar, belief), builds === 1 ? PACE_ROOM.oneBuild : PACE_ROOM.builds(builds))}
      </Text>
      <div className={classes.figures}>
        <Figures>
          <Figure value={times(traits.peakTime)} name={PACE_ROOM.timeToPeakTypicalJar} />
          <Figure value={times(traits.height)} name={PACE_ROOM.rise} />
          <Figure value={times(traits.waking)} name={PACE_ROOM.workBeforeWakes} />
          <Figure value={times(traits.cold)} name={PACE_ROOM.slownessInCold} />
        </Figures>
      </div>
      <Text c="dimmed" size="sm">
        {PACE_ROOM.smallerFiguresChanceThatLies(format.temperature(25))}
      </Text>
      <Group mt="md">
        {pinned ? (
          <Button size="sm" onClick={() => change({ kind: 'learned', since: null }, PACE_ROOM.learnedFromLogAgain(jar.name))}>
            {PACE_ROOM.learnFromLogAgain}
          </Button>
        ) : (
          <>
            <Button
              size="sm"
              variant="default"
              disabled={builds === 0 || busy}
              onClick={() => change({ kind: 'pinned', parameters: { ...belief.centre } }, PACE_ROOM.pacePinned(jar.name))}
            >
              {PACE_ROOM.pinThisPace}
            </Button>
            <Button
              size="sm"
              variant="default"
              disabled={builds === 0 || busy}
              onClick={() => change({ kind: 'learned', since: nowMs() }, PACE_ROOM.learnedAnewFromHere(jar.name))}
            >
              {PACE_ROOM.beginAnewFromHere}
            </Button>
            {jar.pace.kind === 'learned' && jar.pace.since !== null && (
              <Button size="sm" variant="default" onClick={() => change({ kind: 'learned', since: null }, PACE_ROOM.allBuildsCountAgain(jar.name))}>
                {PACE_ROOM.letAllBuildsCountAgain}
              </Button>
            )}
          </>
        )}
      </Group>
    </Card>
  )
}

function Past({ past, builds }: { readonly past: readonly PastBuild[]; readonly builds: readonly JarBuild[] }) {
  const { format } = useKitchen()
  const coverage = coverageOf(past)
  if (coverage === null) return <Note>{PACE_ROOM.buildsSoFarHaveToo}</Note>
  const hours = (h: number) => (Number.isFinite(h) ? format.duration(h) : 'later')
  return (
    <>
      <Figures>
        <Figure value={PACE_ROOM.of(Math.round(coverage.nine * coverage.builds), coverage.builds)} name={PACE_ROOM.withinRange} />
        <Figure value={PACE_ROOM.of2(Math.round(coverage.half * coverage.builds), coverage.builds)} name={PACE_ROOM.withinRange2} />
        <Figure value={hours(coverage.medianOffHours)} name={PACE_ROOM.offInMiddleCase} />
      </Figures>
      <PastChart past={past} builds={builds} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a table that is wider than the phone is scrolled by keys, too */}
      <section className={classes.scroll} tabIndex={0} aria-label={PACE_ROOM.pastBuilds}>
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">{PACE_ROOM.build}</th>
              <th scope="col">{PACE_ROOM.forecast}</th>
              <th scope="col">{PACE_ROOM.chance}</th>
              <th scope="col">{PACE_ROOM.peakedAfter}</th>
              <th scope="col">{PACE_ROOM.within}</th>
            </tr>
          </thead>
          <tbody>
            {[...past].reverse().map(({ index, forecast, outcome }) => {
              const build = builds[index]
              const inside = outcome.p50 >= forecast.p05 && outcome.p50 <= forecast.p95
              return build === undefined ? null : (
                <tr key={build.batchId}>
                  <th scope="row">
                    {format.date(build.line.startedAtMs)} · {build.name}
                  </th>
                  <td>{hours(forecast.p50)}</td>
                  <td>
                    {hours(forecast.p05)} – {hours(forecast.p95)}
                  </td>
                  <td>{hours(outcome.p50)}</td>
                  <td>{inside ? 'yes' : outcome.p50 > forecast.p95 ? PACE_ROOM.noLater : PACE_ROOM.noSooner}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </section>
      <Text c="dimmed" size="sm" mt="xs">
        {PACE_ROOM.eachForecastUsesOnlyWhat}
      </Text>
    </>
  )
}
