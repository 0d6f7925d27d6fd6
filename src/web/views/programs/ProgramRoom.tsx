import { Button, Group, Skeleton, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import type { RunningProgram } from '../../../contract'
import { BAD_ADVICE, BAD_WORDS, type Deed, foldProgram, type Outcome, type ProgramState, type ProgramStep } from '../../../core'
import { deedWords, fromNow, whenWords } from '../../../words'
import { PROGRAM_ROOM } from '../../../words/screens/programs'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { noteStep, setProgramEnded, useProgram } from '../../data/programs'
import { Card, Figure, Figures, Mass, Note } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { Room } from '../../parts/cards/Room'
import rows from '../../parts/cards/Rows.module.css'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import classes from './programs.module.css'
import { ComingSteps } from './StepList'
import { useAwake } from './useAwake'

/** A program's day: the step that is next, what to see first, and what was and comes. */
export function ProgramRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const { program: running, error } = useProgram(id)
  const awake = useAwake()
  if (running === undefined)
    return error === undefined ? (
      <Skeleton height={320} />
    ) : (
      <Quiet title={PROGRAM_ROOM.thisProgramCouldNotBe} words={error.message} action={{ label: PROGRAM_ROOM.jars, href: '/jars' }} />
    )
  const { program, startedAt, entries, endedAt } = running
  const startedMs = startedAt
  const stood = entries.filter((e) => !e.undone).map(({ step, at, outcome }) => ({ step, atMs: at, outcome }))
  const state = foldProgram(program, startedMs, stood, awake)
  const step = program.steps[state.step]
  const over = endedAt !== null || state.status !== 'running'
  return (
    <Room
      title={program.title}
      actions={
        <Text c="dimmed">
          {over ? '' : PROGRAM_ROOM.day(state.dayAt(now))}
          <Link to={`/jars/${running.jarId}`}>{running.jarName}</Link>
        </Text>
      }
    >
      {endedAt !== null ? (
        <CalledOff running={running} />
      ) : state.status === 'stopped' ? (
        <Card title={PROGRAM_ROOM.endsHere} tone="stop">
          <Note tone="stop">{BAD_ADVICE}</Note>
          <Button mt="md" component={Link} to={`/jars/${running.jarId}`}>
            {PROGRAM_ROOM.to(running.jarName)}
          </Button>
        </Card>
      ) : step === undefined ? (
        <Done running={running} />
      ) : (
        <Now key={`${state.step} ${state.tries}`} running={running} step={step} state={state} now={now} />
      )}
      <Course running={running} state={state} now={now} over={over} />
    </Room>
  )
}

const told = (outcome: Outcome, title: string) => (outcome === 'done' ? PROGRAM_ROOM.done(title) : outcome === 'not yet' ? PROGRAM_ROOM.notedNotYet : 'Noted.')

function Now({ running, step, state, now }: { running: RunningProgram; step: ProgramStep; state: ProgramState; now: number }) {
  const { format } = useKitchen()
  const [note, setNote] = useState('')
  const [grams, setGrams] = useState<number | null>(null)
  const [sending, setSending] = useState(false)
  const early = state.dueMs > now
  const { sign, deed } = step
  const say = (outcome: Outcome) => {
    setSending(true)
    const entry = {
      step: state.step,
      outcome,
      note: note.trim() === '' ? undefined : note.trim(),
      grams: deed?.kind === 'weigh' && outcome === 'done' ? (grams ?? undefined) : undefined
    }
    noteStep(running, entry)
      .then((undo) => tellDone(told(outcome, step.title), undo), tellError)
      .finally(() => setSending(false))
  }
  return (
    <Card data-testid="step">
      <Text c="dimmed">
        {PROGRAM_ROOM.step(
          state.step + 1,
          running.program.steps.length,
          early ? `${whenWords(state.dueMs, now, format)}, ${fromNow(state.dueMs, now, format)}` : 'now'
        )}
      </Text>
      <h2 className={classes.step}>{step.title}</h2>
      <DeedFigures deed={deed} />
      <Text mt="sm" size="lg">
        {step.what}
      </Text>
      {state.tries > 0 && sign !== null && (
        <Note tone="care">{PROGRAM_ROOM.notYet(state.tries === 1 ? 'once' : PROGRAM_ROOM.times(state.tries), sign.notYet)}</Note>
      )}
      {sign !== null && (
        <Text mt="md" size="lg">
          <b>{PROGRAM_ROOM.firstLook}</b> {sign.good}
        </Text>
      )}
      {deed?.kind === 'weigh' && (
        <QuantityField mt="md" maw={220} kind="mass" label={PROGRAM_ROOM.weighs} value={grams} range={[0.1, 20_000]} onCommit={setGrams} />
      )}
      <TextInput mt="md" maw={520} label={PROGRAM_ROOM.wordAboutIfYouLike} maxLength={500} value={note} onChange={(e) => setNote(e.currentTarget.value)} />
      <Group mt="lg">
        <Button size="lg" loading={sending} variant={early ? 'default' : 'filled'} onClick={() => say('done')}>
          {sign === null ? PROGRAM_ROOM.done2 : PROGRAM_ROOM.soDone}
        </Button>
        {sign !== null && (
          <Button size="lg" variant="default" disabled={sending} onClick={() => say('not yet')}>
            {PROGRAM_ROOM.notYet2}
          </Button>
        )}
        <Button size="lg" variant="subtle" color="red" disabled={sending} onClick={() => say('bad')}>
          {BAD_WORDS}
        </Button>
        {deed?.kind === 'give' && running.takenJarId !== null && (
          <Button size="lg" variant="light" component={Link} to={`/jars/${running.takenJarId}/label`}>
            {PROGRAM_ROOM.label}
          </Button>
        )}
      </Group>
      {sign !== null && sign.meanwhile !== null && <Meanwhile sign={sign} />}
    </Card>
  )
}

function Meanwhile({ sign }: { sign: NonNullable<ProgramStep['sign']> }) {
  const { format, pantry } = useKitchen()
  return (
    <Text c="dimmed" mt="sm">
      {PROGRAM_ROOM.notYetAgainIn(deedWords(sign.meanwhile, pantry, format), format.duration(sign.againHours))}
    </Text>
  )
}

/** What is weighed at a step, to be read from two metres. */
function DeedFigures({ deed }: { deed: Deed | null }) {
  const { pantry } = useKitchen()
  if (deed === null) return null
  if (deed.kind === 'take')
    return (
      <Figures>
        <Figure size="lg" value={<Mass grams={deed.grams} />} name={PROGRAM_ROOM.outJar} />
      </Figures>
    )
  if (deed.kind !== 'feed' && deed.kind !== 'wake') return null
  return (
    <Figures>
      <Figure
        size="lg"
        value={deed.kind === 'feed' && deed.keepGrams === null ? 'all' : <Mass grams={(deed.kind === 'feed' ? deed.keepGrams : deed.grams) ?? 0} />}
        name={deed.kind === 'feed' ? 'kept' : 'flakes'}
      />
      {deed.flours.map(({ ingredientId, grams }) => (
        <Figure key={ingredientId} size="lg" value={<Mass grams={grams} />} name={pantry.get(ingredientId)?.name.toLowerCase() ?? 'flour'} />
      ))}
      <Figure size="lg" value={<Mass grams={deed.waterGrams} />} name={PROGRAM_ROOM.water} />
    </Figures>
  )
}

function Done({ running }: { running: RunningProgram }) {
  return (
    <Card title={PROGRAM_ROOM.done2}>
      <Text size="lg">{running.program.says}</Text>
      <Group mt="md">
        {running.takenJarId !== null && (
          <>
            <Button component={Link} to={`/jars/${running.takenJarId}`}>
              {PROGRAM_ROOM.toWhatCame}
            </Button>
            <Button variant="default" component={Link} to={`/jars/${running.takenJarId}/label`}>
              {PROGRAM_ROOM.label}
            </Button>
          </>
        )}
        <Button variant={running.takenJarId === null ? 'filled' : 'default'} component={Link} to={`/jars/${running.jarId}`}>
          {PROGRAM_ROOM.to(running.jarName)}
        </Button>
      </Group>
    </Card>
  )
}

function CalledOff({ running }: { running: RunningProgram }) {
  return (
    <Card title={PROGRAM_ROOM.calledOff}>
      <Button onClick={() => void setProgramEnded(running, false).catch(tellError)}>{PROGRAM_ROOM.goOnWith}</Button>
    </Card>
  )
}

/** What was done, and what comes. */
function Course({ running, state, now, over }: { running: RunningProgram; state: ProgramState; now: number; over: boolean }) {
  const { format } = useKitchen()
  const { program, entries } = running
  return (
    <Card title={PROGRAM_ROOM.course}>
      <ol className={rows.rows} data-testid="course">
        {entries.map((entry) => (
          <li key={entry.id} data-done="true" data-undone={entry.undone}>
            <b>{whenWords(entry.at, now, format)}</b>
            <span>
              {program.steps[entry.step]?.title}
              {entry.outcome === 'not yet' ? PROGRAM_ROOM.notYet3 : entry.outcome === 'bad' ? `: ${BAD_WORDS.toLowerCase()}` : ''}
              {entry.undone && PROGRAM_ROOM.takenBack}
              {entry.note !== null && <span className={classes.deed}>{entry.note}</span>}
            </span>
          </li>
        ))}
        {!over && <ComingSteps program={program} state={state} now={now} />}
      </ol>
      {!over && (
        <Button mt="md" variant="default" onClick={() => void setProgramEnded(running, true).catch(tellError)}>
          {PROGRAM_ROOM.callOff}
        </Button>
      )}
    </Card>
  )
}
