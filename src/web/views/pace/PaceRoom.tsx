import { Button, Group, Progress, Skeleton, Text } from '@mantine/core'
import { useParams } from 'react-router'
import type { Jar, JarBuild } from '../../../contract'
import { coverageOf, type JarBelief, jarTraits, type PastBuild } from '../../../core'
import { jarSentence, knownSentence } from '../../../words'
import { setPace, useEvidence } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useJars } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../parts/Card'
import { Quiet } from '../../parts/Quiet'
import { tellDone, tellError } from '../../parts/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './PaceRoom.module.css'
import { PastChart } from './PastChart'

/** What was learned of one jar, the evidence for it, and the way to begin anew or to pin it. */
export function PaceRoom() {
  const { id = '' } = useParams()
  const { jars, error } = useJars()
  if (jars === undefined) {
    return error === undefined ? <Skeleton height={320} radius={0} /> : <Quiet title="The jars could not be opened" words={error.message} />
  }
  const jar = jars.find((j) => j.id === id)
  if (jar === undefined) return <Quiet title="This jar is not here" words="It has been taken away, or never was." action={{ label: 'Jars', href: '/jars' }} />
  return <Pace key={`${jar.id} ${jar.version}`} jar={jar} />
}

function Pace({ jar }: { readonly jar: Jar }) {
  const { builds, belief, past, share, stop, error } = useEvidence(jar)
  return (
    <div className={classes.room}>
      <h1 className={classes.title}>The pace of {jar.name}</h1>
      {belief === undefined ? <Skeleton height={150} /> : <Learned jar={jar} belief={belief} builds={builds?.length ?? 0} />}
      {error !== undefined && <Note tone="stop">{error.message}</Note>}
      {builds !== undefined && builds.length === 0 && (
        <Note>
          {jar.pace.kind === 'learned' && jar.pace.since !== null
            ? 'Begun anew: what was logged before no longer counts. The next finished build is the first.'
            : 'No build of it is finished yet. Mix one, with a look or two on the way, and learning begins.'}
        </Note>
      )}
      {builds !== undefined && builds.length > 0 && (
        <Card title="What was forecast, and what happened">
          {past === undefined && (
            <Group wrap="nowrap">
              <Progress value={share * 100} aria-label="Going through past builds" style={{ flex: 1 }} />
              <Button size="sm" variant="default" onClick={stop}>
                Stop
              </Button>
            </Group>
          )}
          {past === null && <Note>Stopped. Open this room again to go through the builds.</Note>}
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
    <Card title={pinned ? 'Pinned' : 'Learned'} data-testid="learned">
      <p className={classes.sentence}>{jarSentence(jar.name, traits)}</p>
      <Text c="dimmed">
        {pinned ? 'Nothing is learned while it is pinned.' : `${knownSentence(jar, belief)} ${builds === 1 ? 'One build' : `${builds} builds`} in the log.`}
      </Text>
      <div className={classes.figures}>
        <Figures>
          <Figure value={times(traits.peakTime)} name="time to peak, typical jar 1" />
          <Figure value={times(traits.height)} name="rise" />
          <Figure value={times(traits.waking)} name="work before it wakes" />
          <Figure value={times(traits.cold)} name="slowness in the cold" />
        </Figures>
      </div>
      <Text c="dimmed" size="sm">
        The smaller figures: 90 % chance that it lies between them. {format.temperature(25)} and 1:5:5 are the measure.
      </Text>
      <Group mt="md">
        {pinned ? (
          <Button size="sm" onClick={() => change({ kind: 'learned', since: null }, `${jar.name} is learned from its log again.`)}>
            Learn from the log again
          </Button>
        ) : (
          <>
            <Button
              size="sm"
              variant="default"
              disabled={builds === 0 || busy}
              onClick={() => change({ kind: 'pinned', parameters: { ...belief.centre } }, `The pace of ${jar.name} is pinned.`)}
            >
              Pin this pace
            </Button>
            <Button
              size="sm"
              variant="default"
              disabled={builds === 0 || busy}
              onClick={() => change({ kind: 'learned', since: nowMs() }, `${jar.name} is learned anew from here.`)}
            >
              Begin anew from here
            </Button>
            {jar.pace.kind === 'learned' && jar.pace.since !== null && (
              <Button size="sm" variant="default" onClick={() => change({ kind: 'learned', since: null }, `All builds of ${jar.name} count again.`)}>
                Let all builds count again
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
  if (coverage === null) return <Note>The builds so far have too few looks to tell when they peaked.</Note>
  const hours = (h: number) => (Number.isFinite(h) ? format.duration(h) : 'later')
  return (
    <>
      <Figures>
        <Figure value={`${Math.round(coverage.nine * coverage.builds)} of ${coverage.builds}`} name="within the 90 % range" />
        <Figure value={`${Math.round(coverage.half * coverage.builds)} of ${coverage.builds}`} name="within the 50 % range" />
        <Figure value={hours(coverage.medianOffHours)} name="off, in the middle case" />
      </Figures>
      <PastChart past={past} builds={builds} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a table that is wider than the phone is scrolled by keys, too */}
      <section className={classes.scroll} tabIndex={0} aria-label="Past builds">
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">Build</th>
              <th scope="col">forecast</th>
              <th scope="col">90 % chance</th>
              <th scope="col">peaked after</th>
              <th scope="col">within</th>
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
                  <td>{inside ? 'yes' : outcome.p50 > forecast.p95 ? 'no, later' : 'no, sooner'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </section>
      <Text c="dimmed" size="sm" mt="xs">
        Each forecast uses only what was known before that build. When it peaked comes from what you saw.
      </Text>
    </>
  )
}
