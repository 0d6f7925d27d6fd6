import { Button, Select, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { awaitsPot } from '../../../../answers'
import { type Happening, newEvent } from '../../../../contract'
import { MOST_BOWLS } from '../../../../core'
import { WEIGH_STATION } from '../../../../words/screens/weigh'
import { addEvent } from '../../../data/bakes'
import { nowMs } from '../../../data/clock'
import { settleDoubt, useDoubts } from '../../../data/doubts'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { Card, Note } from '../../../parts/cards/Card'
import { Quiet } from '../../../parts/cards/Quiet'
import { tellError } from '../../../parts/cards/tell'
import { JOB } from '../../../parts/steps/stepPlaces'
import type { Entry } from '../../../parts/weigh/entry'
import type { PourSource } from '../../../parts/weigh/Weigh'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { OnePotCard } from '../levain/OnePotCard'
import { doughEntries, firstBuildEntries, levainEntries, pieceEntries, preFermentEntries } from './entries'
import { JarFeed } from './JarFeed'
import { Jobs, jobsOf } from './jobs'
import { FitAsPoured, LevainTruth, PouredList } from './Poured'
import classes from './Weigh.module.css'
import { Work } from './Work'

const UNDO_WORDS = {
  pour: WEIGH_STATION.undoLastPour,
  weigh: WEIGH_STATION.undoLastPour,
  repair: WEIGH_STATION.undoWayOn,
  measured: WEIGH_STATION.undoTemperature,
  band: WEIGH_STATION.undoStarter,
  'fed again': WEIGH_STATION.undoFedAgain
} as const

/** Weigh in: one item at a time, by scale, key or thumb; and what to do when it went wrong. */
export function WeighStation() {
  const bakeHere = useBakeHere()
  const { bake, state, solved, jar, plan } = bakeHere
  const { kitchen, pantry } = useKitchen()
  const jobs = jobsOf(bakeHere)
  const [question] = useSearchParams()
  const [chosen, setChosen] = useState<string | null>(question.get(JOB))
  const [bowls, setBowls] = useState(1)
  const job = jobs.find((j) => j.id === chosen) ?? (state.band === null ? jobs[0] : jobs.at(-1))
  const doubts = useDoubts(bake.id)
  const note = (event: Happening, minutesAgo = 0) =>
    addEvent(bake, newEvent(event, newId(), nowMs() - minutesAgo * millisecondsInMinute), pantry, solved?.build?.planned)
  if (solved?.build == null && state.band === null)
    return (
      <Quiet
        title={WEIGH_STATION.nothingToWeighYet}
        words={WEIGH_STATION.setDoughAndLevainFirst}
        action={{ label: WEIGH_STATION.goToRecipe, href: `/bakes/${bake.id}/recipe` }}
      />
    )
  if (job === undefined && awaitsPot(plan)) return <OnePotCard />
  if (job === undefined || solved === null) return null
  const choice = <Jobs jobs={jobs} job={job} onJob={setChosen} />
  if (job.into === 'wake' || job.into === 'refill') return <JarFeed key={job.id} stepId={job.id} choice={choice} />
  const { into } = job
  const sharedInto = state.bowls ?? bowls
  const asItIs = plan.build.source === 'as it is'
  const entries =
    job.into === 'first build'
      ? firstBuildEntries(solved, state, plan, jar?.name ?? WEIGH_STATION.jar, jar?.hydration ?? 1, pantry, kitchen.smallScale)
      : job.into === 'levain'
        ? levainEntries(solved, state, plan, jar?.name ?? WEIGH_STATION.jar, jar?.hydration ?? 1, pantry)
        : job.into === 'dough'
          ? doughEntries(solved, state, plan, sharedInto)
          : job.into === 'pieces'
            ? solved.dough.ok
              ? pieceEntries(state, plan, solved.dough.value.exact)
              : []
            : preFermentEntries(solved, state, job.lineId ?? '', pantry)
  const pour = (entry: Entry, grams: number, source: PourSource) => {
    const common = { plannedGrams: entry.grams, weighedGrams: grams, ...source }
    const sent =
      'item' in entry.note
        ? note({ type: 'pour', ...entry.note, nth: state.pours.get(entry.key)?.length ?? 0, ...common })
        : note({
            type: 'weigh',
            into: into === 'levain' ? 'dough' : into,
            key: entry.key,
            ...(into === 'pieces' ? {} : entry.note),
            ...(into === 'dough' ? { bowls: sharedInto } : {}),
            nth: state.pours.get(`${into}/${entry.key}`)?.length ?? 0,
            ...common
          })
    sent.catch(tellError)
  }
  const targets = (wanted: Readonly<Record<string, number>>) => {
    if (into !== 'pieces') note({ type: 'repair', into, targets: wanted }).catch(tellError)
  }
  const undo = state.lastUndoable
  // While the bowl is being filled any of its pours can be taken back.
  const isOpen = job.into === 'levain' ? state.band === null : job.into === 'pieces' || state.mixed === null
  const undoable =
    undo !== null &&
    (undo.type === 'pour' ||
      undo.type === 'weigh' ||
      undo.type === 'repair' ||
      undo.type === 'measured' ||
      undo.type === 'fed again' ||
      (undo.type === 'band' && job.into === 'dough' && asItIs))
  return (
    <div className={sheet.columns}>
      {choice}
      {doubts.map((one) => (
        <Note key={one.event.id} tone="care">
          {one.words}
          <div className={classes.answers}>
            <Button onClick={() => settleDoubt(one)}>{WEIGH_STATION.samePour}</Button>
            <Button
              variant="default"
              onClick={() => {
                settleDoubt(one)
                // Its number is taken: the server gives it the next one.
                const event = 'nth' in one.event ? { ...one.event, nth: undefined } : one.event
                addEvent(bake, { ...event, id: newId() }, pantry, solved?.build?.planned).catch(tellError)
              }}
            >
              {WEIGH_STATION.mineWentInBesides}
            </Button>
          </div>
        </Note>
      ))}
      <Work job={job} entries={entries} onPour={pour} onTargets={targets} note={note} />
      <div className={sheet.stack}>
        {job.into === 'dough' && state.bowls === null && (
          <Card title={WEIGH_STATION.sharedOut}>
            <Select
              label={WEIGH_STATION.bowlsMixedIn}
              data={Array.from({ length: MOST_BOWLS }, (_, i) => ({
                value: String(i + 1),
                label: i === 0 ? WEIGH_STATION.allInOne : WEIGH_STATION.bowlsOneAfterOther(i + 1)
              }))}
              value={String(bowls)}
              onChange={(value) => value !== null && setBowls(Number(value))}
            />
          </Card>
        )}
        <Card title={job.into === 'pieces' ? WEIGH_STATION.sharedOutSoFar : WEIGH_STATION.inBowlSoFar}>
          {entries.every((e) => e.lastPourId === null) && <Text c="dimmed">{WEIGH_STATION.eachItemNotedAsYou}</Text>}
          <PouredList entries={entries} onUndo={isOpen ? (id) => note({ type: 'undo', undoes: id }).catch(tellError) : null} />
          {job.into === 'levain' && !asItIs && entries.every((e) => !e.due) && <LevainTruth />}
          {job.into === 'levain' && !asItIs && <FitAsPoured />}
          {undoable && (
            <Button variant="default" mt="md" onClick={() => note({ type: 'undo', undoes: undo.id }).catch(tellError)}>
              {UNDO_WORDS[undo.type]}
            </Button>
          )}
        </Card>
      </div>
    </div>
  )
}
