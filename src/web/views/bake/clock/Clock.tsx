import { ActionIcon, Button, Group, Select, Text } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { Link } from 'react-router'
import { type Jar, problemSentence } from '../../../../contract'
import { type Forecast, type HourRange, type JarBelief, POSSIBLE, type School } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/Card'
import { knownSentence } from '../../../parts/jarWords'
import { MomentField } from '../../../parts/MomentField'
import { PlaceSelect } from '../../../parts/PlaceSelect'
import { QuantityField } from '../../../parts/QuantityField'
import { fromNow, near } from '../../../parts/words'
import classes from '../BakeSheet.module.css'
import type { StationProps } from '../station'
import { Warnings } from '../Warnings'
import { DoughAfterCard } from './DoughAfterCard'
import { DriversCard } from './DriversCard'
import { Moves } from './Moves'

const MS_PER_HOUR = 3_600_000
const TEMP_STEP = 0.5
/** Schools of when to mix, each with its plain sentence. */
const SCHOOL_WORDS: readonly { readonly value: School; readonly label: string }[] = [
  { value: 'young', label: 'Young: doubled, still climbing' },
  { value: 'dome', label: 'At the full dome' },
  { value: 'mature', label: 'Mature: just dimpling' }
]

/** When: back from the mix to the build, through the warmth of the place. */
export function Clock(props: StationProps) {
  const { plan, edit, solved, forecast, judged, frozen, state, now } = props
  const { format } = useKitchen()
  const build = solved?.build ?? null
  const mixMs = Date.parse(plan.mixAt)
  const running = judged === undefined ? null : told(judged.verdict.forecast, judged.line.startedAtMs, mixMs)
  const shown = running ?? (build === null || forecast === undefined ? null : told(forecast, build.timed.startMs, mixMs))
  return (
    <div className={classes.columns}>
      <fieldset disabled={frozen} className={classes.plain}>
        <Card title="Ready to mix">
          <MomentField ms={mixMs} fromMs={now} disabled={frozen} onMs={(ms) => edit({ mixAt: new Date(ms).toISOString() })} />
          <Warnings {...props} codes={['mix in the night']} />
          <Select
            mt="md"
            label="How ripe you like it"
            data={[...SCHOOL_WORDS]}
            value={plan.school}
            disabled={frozen}
            onChange={(v) => v !== null && edit({ school: v as School })}
          />
        </Card>
        <Card title="Where it stands">
          <PlaceSelect label="Place" disabled={frozen} value={plan.placeId} onPlace={({ id, tempC }) => edit({ placeId: id, tempC })} />
          <Group mt="md" wrap="nowrap" align="flex-end" gap="xs">
            <QuantityField
              kind="temperature"
              label="How warm it is there"
              what="The place"
              value={plan.tempC}
              range={POSSIBLE.tempC}
              onCommit={(tempC) => edit({ tempC })}
              style={{ flex: 1 }}
            />
            <ActionIcon aria-label="Half a degree cooler" variant="default" onClick={() => edit({ tempC: plan.tempC - TEMP_STEP })}>
              <IconMinus size={20} />
            </ActionIcon>
            <ActionIcon aria-label="Half a degree warmer" variant="default" onClick={() => edit({ tempC: plan.tempC + TEMP_STEP })}>
              <IconPlus size={20} />
            </ActionIcon>
          </Group>
          <Moves plan={plan} edit={edit} frozen={frozen} />
        </Card>
      </fieldset>
      <div className={`${classes.stack} ${classes.tall}`}>
        <Card title={state.band === null ? 'Begin the build' : 'The build began'}>
          {build === null && state.band === null ? (
            <Note tone="stop">
              {solved?.problem === null || solved === null ? 'Dough and levain have to be known first.' : problemSentence(solved.problem)}
            </Note>
          ) : (
            <Figures>
              <Figure
                size="lg"
                value={format.dayTime(state.band?.atMs ?? near(build?.timed.startMs ?? now))}
                name={fromNow(state.band?.atMs ?? build?.timed.startMs ?? now, now, format)}
              />
            </Figures>
          )}
          <Warnings {...props} codes={['start in the night', 'start has passed']} />
        </Card>
        {shown !== null && (
          <Card title="What is to be expected">
            <table className={classes.weigh}>
              <thead>
                <tr>
                  <th scope="col" className={classes.unseen}>
                    Moment
                  </th>
                  <th scope="col">likely</th>
                  <th scope="col">nine times in ten</th>
                </tr>
              </thead>
              <tbody>
                <Moment name="Fit to mix from" range={shown.opens} startMs={shown.startMs} />
                <Moment name="Peak" range={shown.peak} startMs={shown.startMs} />
                <Moment name="Fit until" range={shown.closes} startMs={shown.startMs} />
              </tbody>
            </table>
            {build?.timed.milestones.doubledHours !== null && build !== null && running === null && (
              <Text c="dimmed" mt="sm">
                Doubled after about {format.duration(build.timed.milestones.doubledHours)}.
              </Text>
            )}
            {shown.fitAtMix !== null && (
              <Text mt="sm">
                Fit to mix at {format.time(mixMs)}: <b>{format.percent(shown.fitAtMix, 0)}</b>
              </Text>
            )}
            <KnownJar jar={props.jar} belief={props.belief} />
          </Card>
        )}
        {build !== null && (
          <Button component={Link} to={`/bakes/${props.bake.id}/compare`} variant="default" size="lg">
            Compare with other builds
          </Button>
        )}
        <Button component={Link} to={`/bakes/${props.bake.id}/bench`} variant="light" size="lg">
          On to the bench
        </Button>
      </div>
      <div className={classes.stack}>
        <DriversCard {...props} />
        <DoughAfterCard {...props} />
      </div>
    </div>
  )
}

/** A forecast with its start, and how likely it is fit when it is to be mixed. */
function told(forecast: Forecast, startMs: number, mixMs: number) {
  const step = forecast.gridHours[1] ?? 1
  const at = Math.round((mixMs - startMs) / MS_PER_HOUR / step)
  return { ...forecast, startMs, fitAtMix: forecast.fit[at] ?? null }
}

/** How much is known of the jar, and so how wide the forecast is. */
function KnownJar({ jar, belief }: { readonly jar: Jar | undefined; readonly belief: JarBelief }) {
  if (jar === undefined) return null
  return (
    <Text c="dimmed" mt="xs">
      {knownSentence(jar, belief)} <Link to={`/jars/${jar.id}/pace`}>What Olvent knows of {jar.name}</Link>
    </Text>
  )
}

function Moment({ name, range, startMs }: { name: string; range: HourRange; startMs: number }) {
  const { format } = useKitchen()
  const at = (hours: number) => (Number.isFinite(hours) ? format.dayTime(near(startMs + hours * MS_PER_HOUR)) : 'later')
  const end = Number.isFinite(range.p95) && Math.abs(range.p95 - range.p05) < 12 ? format.time(near(startMs + range.p95 * MS_PER_HOUR)) : at(range.p95)
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
