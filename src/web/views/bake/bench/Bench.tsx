import { Button, Group, SegmentedControl, Select, Text } from '@mantine/core'
import { useLocalStorage } from '@mantine/hooks'
import { type ReactNode, useState } from 'react'
import { useNavigate } from 'react-router'
import { type NewBakeEvent, stepWord } from '../../../../contract'
import { gramsOfBlend, HOTTEST_WATER_C, MOST_BOWLS, pourManner } from '../../../../core'
import { addEvent } from '../../../data/bakes'
import { useCultures } from '../../../data/beliefs'
import { nowMs } from '../../../data/clock'
import { settleDoubt, useDoubts } from '../../../data/doubts'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { feedForBake, type WeighedFeed } from '../../../data/wakes'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/Card'
import { WeighFeed } from '../../../parts/feed/WeighFeed'
import { QuantityField } from '../../../parts/QuantityField'
import { Quiet } from '../../../parts/Quiet'
import { tellDone, tellError } from '../../../parts/tell'
import type { Entry } from '../../../parts/weigh/entry'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import { type PourSource, Weigh } from '../../../parts/weigh/Weigh'
import sheet from '../BakeSheet.module.css'
import { MixCard } from '../MixCard'
import { shownForecast, shownSteps } from '../shown'
import type { StationProps } from '../station'
import { Warnings } from '../Warnings'
import classes from './Bench.module.css'
import { doughEntries, levainEntries, pieceEntries, preFermentEntries } from './entries'
import { LevainLabel } from './LevainLabel'
import { LevainTruth, PouredList } from './Poured'
import { type BandNote, SetBand } from './SetBand'
import { type Measured, mixExpected, waterWanted } from './temps'

const MS_PER_MINUTE = 60_000
/** Mixing a dough by hand warms it so far; a levain is only stirred. Source: craft knowledge. */
const DOUGH_RISE_K = 1

/** What is weighed at the bench: the levain, what ferments ahead, the dough, its pieces. */
type Job = { readonly id: string; readonly name: string; readonly into: 'wake' | 'levain' | 'pre-ferment' | 'dough' | 'pieces'; readonly lineId?: string }

function jobsOf({ plan, state }: StationProps): Job[] {
  const ahead =
    state.mixed === null
      ? plan.formula.lines.flatMap((l): Job[] => (l.kind === 'pre-ferment' ? [{ id: l.id, name: l.mix.name, into: 'pre-ferment', lineId: l.id }] : []))
      : []
  const wakes =
    state.status === 'planned'
      ? plan.before.flatMap((s): Job[] =>
          s.kind === 'wake' && !state.deeds.has(s.id) ? [{ id: s.id, name: stepWord({ kind: 'wake', id: s.id }), into: 'wake' }] : []
        )
      : []
  return [
    ...wakes,
    { id: 'levain', name: 'Levain', into: 'levain' },
    ...ahead,
    ...(state.band !== null && state.mixed === null ? [{ id: 'dough', name: 'Dough', into: 'dough' } as const] : []),
    ...(state.mixed !== null && plan.target.kind === 'pieces' ? [{ id: 'pieces', name: 'Pieces', into: 'pieces' } as const] : [])
  ]
}

/** Weigh in: one item at a time, by scale, key or thumb; and what to do when it went wrong. */
export function Bench(props: StationProps) {
  const { bake, state, solved, jar, plan } = props
  const { pantry } = useKitchen()
  const jobs = jobsOf(props)
  const [chosen, setChosen] = useState<string | null>(null)
  const [bowls, setBowls] = useState(1)
  const job = jobs.find((j) => j.id === chosen) ?? (state.band === null ? jobs[0] : jobs.at(-1))
  const doubts = useDoubts(bake.id)
  const note = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, minutesAgo = 0) =>
    addEvent(
      bake,
      { id: newId(), happenedAt: new Date(nowMs() - minutesAgo * MS_PER_MINUTE).toISOString(), ...event } as NewBakeEvent,
      pantry,
      solved?.build?.planned
    )
  if (solved?.build == null && state.band === null)
    return (
      <Quiet title="Nothing to weigh yet" words="Dough and levain have to be known first." action={{ label: 'Go to Dough', href: `/bakes/${bake.id}/dough` }} />
    )
  if (job === undefined || solved === null) return null
  const choice = <Jobs jobs={jobs} job={job} onJob={setChosen} />
  if (job.into === 'wake') return <WakeFeed {...props} stageId={job.id} choice={choice} />
  const sharedInto = state.bowls ?? bowls
  const entries =
    job.into === 'levain'
      ? levainEntries(solved, state, plan, jar?.name ?? 'the jar', jar?.hydration ?? 1, pantry)
      : job.into === 'dough'
        ? doughEntries(solved, state, plan, sharedInto)
        : job.into === 'pieces'
          ? pieceEntries(state, plan)
          : preFermentEntries(solved, state, job.lineId ?? '', pantry)
  const pour = (entry: Entry, grams: number, source: PourSource) => {
    const common = { plannedGrams: entry.grams, weighedGrams: grams, ...source }
    const sent =
      'item' in entry.note
        ? note({ type: 'pour', ...entry.note, nth: state.pours.get(entry.key)?.length ?? 0, ...common })
        : note({
            type: 'weigh',
            into: job.into === 'pieces' || job.into === 'pre-ferment' ? job.into : 'dough',
            key: entry.key,
            ...(job.into === 'pieces' ? {} : entry.note),
            ...(job.into === 'dough' ? { bowls: sharedInto } : {}),
            nth: state.pours.get(`${job.into}/${entry.key}`)?.length ?? 0,
            ...common
          })
    sent.catch(tellError)
  }
  const targets = (wanted: Readonly<Record<string, number>>) => {
    if (job.into === 'levain' || job.into === 'dough' || job.into === 'pre-ferment') note({ type: 'repair', into: job.into, targets: wanted }).catch(tellError)
  }
  const undo = state.lastUndoable
  // While the bowl is being filled any of its pours can be taken back.
  const isOpen = job.into === 'levain' ? state.band === null : job.into === 'pieces' || state.mixed === null
  const undoable = undo !== null && (undo.type === 'pour' || undo.type === 'weigh' || undo.type === 'repair')
  return (
    <div className={sheet.columns}>
      {choice}
      {doubts.map((one) => (
        <Note key={String(one.event.id)} tone="care">
          {one.words}
          <div className={classes.answers}>
            <Button onClick={() => settleDoubt(one)}>It is the same pour</Button>
            <Button
              variant="default"
              onClick={() => {
                settleDoubt(one)
                const { nth: _, id: __, ...event } = one.event
                note(event as { type: NewBakeEvent['type'] }).catch(tellError)
              }}
            >
              Mine went in besides
            </Button>
          </div>
        </Note>
      ))}
      <Work {...props} job={job} entries={entries} onPour={pour} onTargets={targets} note={note} />
      <div className={sheet.stack}>
        {job.into === 'dough' && state.bowls === null && (
          <Card title="Shared out">
            <Select
              label="Bowls it is mixed in"
              data={Array.from({ length: MOST_BOWLS }, (_, i) => ({
                value: String(i + 1),
                label: i === 0 ? 'all in one' : `${i + 1} bowls, one after the other`
              }))}
              value={String(bowls)}
              onChange={(value) => value !== null && setBowls(Number(value))}
            />
          </Card>
        )}
        <Card title={job.into === 'pieces' ? 'Shared out so far' : 'In the bowl so far'}>
          {entries.every((e) => e.lastPourId === null) && (
            <Text c="dimmed">Each item is noted as you pour it, and what the scale shows counts, not the plan.</Text>
          )}
          <PouredList entries={entries} onUndo={isOpen ? (id) => note({ type: 'undo', undoes: id }).catch(tellError) : null} />
          {job.into === 'levain' && entries.every((e) => !e.due) && <LevainTruth {...props} />}
          {undoable && (
            <Button variant="default" mt="md" onClick={() => note({ type: 'undo', undoes: undo.id }).catch(tellError)}>
              {undo.type === 'repair' ? 'Undo the way on' : 'Undo the last pour'}
            </Button>
          )}
        </Card>
      </div>
    </div>
  )
}

type Noting = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, minutesAgo?: number) => Promise<void>

/** The item that is due; and once all is in, what follows. */
function Work(
  props: StationProps & {
    readonly job: Job
    readonly entries: readonly Entry[]
    readonly onPour: (entry: Entry, grams: number, source: PourSource) => void
    readonly onTargets: (targets: Readonly<Record<string, number>>) => void
    readonly note: Noting
  }
) {
  const { bake, state, jar, plan, solved, job, entries, note } = props
  const here = useKitchen()
  const { kitchen, format } = here
  const { cultures } = useCultures()
  const navigate = useNavigate()
  const [measured, setMeasured] = useLocalStorage<Measured>({ key: `olvent.measured.${bake.id}.${job.id}`, defaultValue: {} })
  const isDough = job.into === 'dough'
  const wantedC = isDough ? (plan.course?.mixTempC ?? plan.mixTempC) : plan.mixTempC
  const flourC = measured.flourC ?? kitchen.places[0]?.tempC ?? wantedC
  const cultureC = measured.cultureC ?? (isDough ? plan.tempC : (solved?.build?.seedTempC ?? flourC))
  const riseK = isDough ? DOUGH_RISE_K : 0
  const wanted = waterWanted(entries, wantedC, flourC, cultureC, riseK)
  const waterC = measured.waterC ?? (wanted.ok ? wanted.value : kitchen.tapTempC)
  const expectedC = mixExpected(entries, waterC, flourC, cultureC, riseK) ?? wantedC
  if (job.into === 'levain' && state.band !== null) return <Banded {...props} onUndo={(id) => note({ type: 'undo', undoes: id }).catch(tellError)} />
  if (entries.some((e) => e.due))
    return (
      <Weigh
        key={`${job.id} ${isDough ? (entries.find((e) => e.due)?.how.match(/Bowl \d/)?.[0] ?? '') : ''}`}
        entries={entries}
        mode={job.into === 'pieces' ? 'pieces' : 'bowl'}
        onPour={props.onPour}
        onTargets={props.onTargets}
        aside={(entry) =>
          entry.composition.water > 0.99 && job.into !== 'pieces'
            ? wanted.ok
              ? `At ${format.temperature(wanted.value, 0)}, never above ${format.temperature(HOTTEST_WATER_C, 0)}. `
              : `As warm as ${format.temperature(HOTTEST_WATER_C, 0)} at the most. `
            : null
        }
      >
        {(entry, grams) => (
          <>
            {entry.composition.water > 0.99 && <Temps measured={measured} flourC={flourC} cultureC={cultureC} waterC={waterC} onMeasured={setMeasured} />}
            {'item' in entry.note && entry.note.item === 'seed' && jar !== undefined && grams > jar.grams && (
              <Note tone="stop">
                {jar.name} holds {format.mass(jar.grams)} by the book. Weigh the jar under Build if the book is wrong.
              </Note>
            )}
            {job.into === 'levain' && (
              <Warnings {...props} frozen={state.done.length > 0} codes={['jar too small', 'gluten into gluten-free', 'vessel too small']} />
            )}
          </>
        )}
      </Weigh>
    )
  if (job.into === 'levain' && solved?.build != null) {
    const { line } = solved.build.timed
    const onBand = ({ mixTempC, levelMm, minutesAgo }: BandNote) => {
      note(
        {
          type: 'band',
          mixTempC,
          levelMm,
          ...(props.forecast === undefined
            ? {}
            : {
                shown: {
                  ...shownForecast(line, props.forecast, props.belief),
                  steps: cultures === undefined ? undefined : shownSteps(bake, plan, solved, here, cultures)
                }
              })
        },
        minutesAgo
      ).then(() => tellDone('The band is set.'), tellError)
      void navigate(`/bakes/${bake.id}/watch`)
    }
    return <SetBand {...props} expectedC={expectedC} onBand={onBand} />
  }
  if (isDough)
    return (
      <MixCard
        {...props}
        title="All in: mixed"
        expectedC={expectedC}
        onMixed={(event) => note(event).then(() => tellDone(`${plan.name} is mixed.`), tellError)}
      />
    )
  return (
    <Card title={job.into === 'pieces' ? 'All pieces are weighed' : `${job.name} is weighed`}>
      <Text>{job.into === 'pieces' ? 'Shape them, and put them to proof.' : 'Stir it, cover it loosely, and let it ferment until the mix.'}</Text>
      <Figures>
        <Figure value={<Mass grams={entries.reduce((sum, e) => sum + e.poured, 0)} />} name="in all" />
      </Figures>
      {job.into === 'pieces' && (
        <Button mt="md" size="lg" onClick={() => void navigate(`/bakes/${bake.id}/oven`)}>
          On to the oven
        </Button>
      )}
    </Card>
  )
}

/** What was measured at the bench: the water that is due follows at once, and so does the mix. */
function Temps({
  measured,
  flourC,
  cultureC,
  waterC,
  onMeasured
}: {
  readonly measured: Measured
  readonly flourC: number
  readonly cultureC: number
  readonly waterC: number
  readonly onMeasured: (measured: Measured) => void
}) {
  return (
    <details className={sheet.how}>
      <summary>Measured temperatures: the water follows</summary>
      <Group grow align="flex-start">
        <QuantityField
          kind="temperature"
          label="Flour"
          what="The flour"
          value={flourC}
          range={[-20, 60]}
          onCommit={(flourC) => onMeasured({ ...measured, flourC })}
        />
        <QuantityField
          kind="temperature"
          label="Seed or levain"
          what="It"
          value={cultureC}
          range={[-5, 45]}
          onCommit={(cultureC) => onMeasured({ ...measured, cultureC })}
        />
        <QuantityField
          kind="temperature"
          label="Water, as poured"
          what="The water"
          value={Math.round(waterC * 10) / 10}
          range={[0, HOTTEST_WATER_C]}
          onCommit={(waterC) => onMeasured({ ...measured, waterC })}
        />
      </Group>
      <ReadFrom kind="probe" onRead={(waterC) => onMeasured({ ...measured, waterC: Math.min(Math.max(waterC, 0), HOTTEST_WATER_C) })} />
    </details>
  )
}

/** The levain stands: what it is, its label, and on to watching it. */
function Banded(props: StationProps & { readonly onUndo: (id: string) => void }) {
  const { bake, state, onUndo } = props
  const navigate = useNavigate()
  return (
    <Card title="The levain is weighed in">
      <LevainTruth {...props} />
      <LevainLabel {...props} />
      <Group mt="lg">
        {state.mixed === null && (
          <Button size="lg" onClick={() => void navigate(`/bakes/${bake.id}/watch`)}>
            Watch it
          </Button>
        )}
        {state.lastUndoable?.type === 'band' && (
          <Button size="lg" variant="default" onClick={() => onUndo(state.lastUndoable?.id ?? '')}>
            Undo the band
          </Button>
        )}
      </Group>
    </Card>
  )
}

/** Which of several things is weighed. */
function Jobs({ jobs, job, onJob }: { readonly jobs: readonly Job[]; readonly job: Job; readonly onJob: (id: string) => void }) {
  if (jobs.length < 2) return null
  return (
    <div className={classes.jobs}>
      <SegmentedControl
        size="md"
        data={jobs.map(({ id, name }) => ({ value: id, label: name }))}
        value={job.id}
        onChange={onJob}
        aria-label="What is weighed"
      />
    </div>
  )
}

/** A wake-up feed of the plan: weighed into the jar, and fed there. */
function WakeFeed({ bake, plan, jar, stageId, choice }: StationProps & { readonly stageId: string; readonly choice: ReactNode }) {
  const { format, pantry } = useKitchen()
  const stage = plan.before.find((s) => s.id === stageId)
  if (stage === undefined || jar === undefined) return null
  const { seedGrams, waterGrams, flourGrams } = stage
  const done = (weighed: WeighedFeed) => {
    feedForBake(bake, stageId, jar, pantry, nowMs(), weighed).then((undo) => tellDone(`${jar.name} is fed.`, undo), tellError)
  }
  return (
    <div className={sheet.columns}>
      {choice}
      <WeighFeed feed={{ flours: gramsOfBlend(jar.feed, flourGrams), waterGrams }} manner={pourManner(jar.hydration, jar.flour)} onDone={done} />
      <Card title={`Wake ${jar.name}`}>
        <Text>Leave {format.mass(Math.min(seedGrams, jar.grams))} in the jar; the rest goes to the discard pot. Jar on the scale, then what is asked for.</Text>
        <Note tone="care">Never seal a fermenting jar tight: glass can burst.</Note>
      </Card>
    </div>
  )
}
