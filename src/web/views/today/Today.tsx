import { Button, Group, Skeleton, Text } from '@mantine/core'
import { useMediaQuery } from '@mantine/hooks'
import { IconAlertTriangle } from '@tabler/icons-react'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { type Bake, happeningOf, type Jar, type Kitchen } from '../../../contract'
import { type Format, foldBake, levelOf, nightAt, pourKey, type SolvedBake, type Step, stepsOf, type WeighedDough } from '../../../core'
import { useOpenBakes } from '../../data/bakes'
import { beliefIn, useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { type Judged, type PlannedLine, useForecasts, useVerdicts } from '../../data/forecasts'
import { useKitchen } from '../../data/kitchen'
import { solveBakeHere } from '../../data/solve'
import { Card, Figure, Figures, Mass } from '../../parts/Card'
import { JarLineUp } from '../../parts/jar/JarLineUp'
import { Quiet } from '../../parts/Quiet'
import { plannedHill, runningHill } from '../../parts/ribbon/hills'
import { Ribbon } from '../../parts/ribbon/Ribbon'
import { useNewBake } from '../../parts/useNewBake'
import { adviceSentence, fromNow, near, possessive } from '../../parts/words'
import classes from './Today.module.css'

const MS_PER_HOUR = 3_600_000
const MS_PER_MINUTE = 60_000
const BEHIND_HOURS = 7
const THEN_STEPS = 5

interface Entry {
  readonly bake: Bake
  readonly solved: SolvedBake | null
  readonly judged: Judged | undefined
  readonly steps: readonly Step[]
}

/** What to do now and next, over all bakes and jars. */
export function Today() {
  const here = useKitchen()
  const { kitchen } = here
  const now = useNow()
  const narrow = useMediaQuery('(max-width: 720px)') === true
  const { bakes, error } = useOpenBakes()
  const { cultures } = useCultures()
  const conditions = useConditions(cultures, now)
  const newBake = useNewBake()
  const verdicts = useVerdicts(bakes, now, cultures)
  const minute = Math.floor(now / MS_PER_MINUTE) * MS_PER_MINUTE
  const solved = useMemo(
    () => new Map((bakes ?? []).map((bake) => [bake.id, cultures === undefined ? null : solveBakeHere(bake, cultures, here, minute)])),
    [bakes, cultures, here, minute]
  )
  const entries: Entry[] = (bakes ?? []).map((bake) => {
    const judged = verdicts?.get(bake.id)
    const answer = solved.get(bake.id) ?? null
    return { bake, solved: answer, judged, steps: stepsFor(kitchen, bake, answer, judged, now) }
  })
  const planned = useMemo(
    () =>
      (bakes ?? []).flatMap(({ id, status, plan }): PlannedLine[] => {
        const line = solved.get(id)?.build?.timed.line
        if (line === undefined || (status !== 'planned' && status !== 'building')) return []
        return [{ id, line, school: plan.school, belief: beliefIn(cultures?.beliefs, plan.jarId) }]
      }),
    [bakes, solved, cultures]
  )
  const forecasts = useForecasts(planned)
  const hills = useMemo(
    () =>
      (bakes ?? []).flatMap((bake) => {
        if (cultures === undefined) return []
        const judged = verdicts?.get(bake.id)
        if (judged !== undefined) return [runningHill(judged, cultures)]
        if (!planned.some(({ id }) => id === bake.id)) return []
        const hill = plannedHill(bake, solved.get(bake.id) ?? null, cultures, forecasts.get(bake.id))
        return hill === null ? [] : [hill]
      }),
    [bakes, verdicts, planned, forecasts, solved, cultures]
  )
  if (bakes === undefined || cultures === undefined || verdicts === undefined) {
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title="Today could not be opened" words={error.message} />
  }
  const { jars } = cultures
  const fromMs = minute - BEHIND_HOURS * MS_PER_HOUR
  const steps = entries.flatMap((entry) => entry.steps.map((step) => ({ entry, step }))).sort((a, b) => a.step.atMs - b.step.atMs)
  const next = steps[0]
  return (
    <>
      <h1 className={classes.hidden}>Today</h1>
      <Ribbon fromMs={fromMs} toMs={fromMs + (narrow ? 26 : 48) * MS_PER_HOUR} nowMs={now} hills={hills} height={narrow ? 260 : 300} />
      {next === undefined ? (
        <Quiet
          title="Nothing is on its way"
          words="Say when you want to mix, and Olvent works back from there: grams, ratio, and when to build the levain."
          action={newBake.ready ? { label: 'New bake', onClick: () => newBake.start() } : undefined}
        />
      ) : (
        <div className={classes.board}>
          <NextCard entry={next.entry} step={next.step} jars={jars} now={now} />
          {steps.length > 1 && (
            <Card title="Then">
              <ol className={classes.then}>
                {steps.slice(1, 1 + THEN_STEPS).map(({ entry, step }) => (
                  <ThenRow key={`${entry.bake.id}-${step.kind}`} entry={entry} step={step} jars={jars} />
                ))}
              </ol>
            </Card>
          )}
        </div>
      )}
      <div className={classes.jars}>
        <JarLineUp cultures={cultures} conditions={conditions} now={now} />
      </div>
    </>
  )
}

function stepsFor(kitchen: Kitchen, bake: Bake, solved: SolvedBake | null, judged: Judged | undefined, now: number): Step[] {
  const { band } = foldBake(bake.events.map(happeningOf))
  return stepsOf(
    {
      status: bake.status,
      mixAtMs: Date.parse(bake.plan.mixAt),
      startMs: solved?.build?.timed.startMs ?? null,
      running: band === null ? null : { bandMs: band.atMs, verdict: judged?.verdict ?? null },
      awake: (ms) => nightAt(ms, kitchen.sleep, kitchen.timeZone)?.toMs ?? ms
    },
    now
  )
}

const nameOfJar = (bake: Bake, jars: readonly Jar[]) => jars.find((j) => j.id === bake.plan.jarId)?.name ?? 'the jar'

function stepTitle({ bake }: Entry, step: Step, jars: readonly Jar[]): string {
  const levain = `${possessive(nameOfJar(bake, jars))} levain`
  switch (step.kind) {
    case 'build':
      return `Build ${levain}`
    case 'finish weighing':
      return `Finish weighing ${levain}`
    case 'look':
      return `Look at ${levain}`
    case 'mix':
      return `Mix: ${bake.plan.name}`
    case 'feed again':
      return `Feed ${levain} again`
  }
}

const STATION = { build: 'bench', 'finish weighing': 'bench', look: 'watch', mix: 'watch', 'feed again': 'watch' } as const
const VERB = {
  build: 'Start weighing',
  'finish weighing': 'Go on weighing',
  look: 'Note what you see',
  mix: 'Go to the levain',
  'feed again': 'Go to the levain'
} as const

/** The one next action, to be read from two metres. */
function NextCard({ entry, step, jars, now }: { entry: Entry; step: Step; jars: readonly Jar[]; now: number }) {
  const { format, pantry } = useKitchen()
  const { bake, solved, judged } = entry
  const build = solved?.build
  const dough = solved?.dough.ok ? solved.dough.value.weigh : null
  const late = step.kind === 'build' && step.atMs < now - 10 * MS_PER_MINUTE
  return (
    <Card data-testid="next">
      <Text c="dimmed">Next · {bake.plan.name}</Text>
      <h2 className={classes.next}>{stepTitle(entry, step, jars)}</h2>
      <p className={classes.when} data-late={late}>
        {late && <IconAlertTriangle size={20} aria-hidden="true" />}
        {format.dayTime(near(step.atMs))} · {fromNow(step.atMs, now, format)}
        {step.untilMs !== null && step.kind === 'mix' && ` · until ${format.time(near(step.untilMs))}`}
      </p>
      {(step.kind === 'build' || step.kind === 'finish weighing') && build !== null && build !== undefined && (
        <Figures>
          {build.steps.map((pour) => (
            <Figure
              key={pourKey(pour)}
              size="lg"
              value={<Mass grams={pour.grams} />}
              name={
                pour.item === 'water' && build.water !== null
                  ? `water at ${format.temperature(build.water.tempC, 0)}`
                  : pour.ingredientId !== null && build.weigh.flours.length > 1
                    ? (pantry.get(pour.ingredientId)?.name ?? 'flour')
                    : pour.item
              }
            />
          ))}
        </Figures>
      )}
      {step.kind === 'mix' && dough !== null && (
        <Figures>
          {mixFigures(dough).map(([name, grams]) => (
            <Figure key={name} size="lg" value={<Mass grams={grams} />} name={name} />
          ))}
        </Figures>
      )}
      {step.kind === 'look' && judged !== undefined && (
        <Figures>
          <Figure size="lg" value={format.rise(1 + levelOf(judged.verdict.forecast, (now - judged.line.startedAtMs) / MS_PER_HOUR))} name="expected now" />
          <Figure size="lg" value={windowWords(judged, format)} name="fit to mix" />
        </Figures>
      )}
      {judged !== undefined && <Text mt="md">{adviceSentence(judged.verdict, judged.line.startedAtMs, format)}</Text>}
      <Group mt="lg">
        <Button size="lg" component={Link} to={`/bakes/${bake.id}/${STATION[step.kind]}`}>
          {VERB[step.kind]}
        </Button>
        <Button size="lg" variant="default" component={Link} to={`/bakes/${bake.id}/${step.kind === 'build' ? 'clock' : 'dough'}`}>
          {step.kind === 'build' ? 'Another time' : 'The dough'}
        </Button>
      </Group>
    </Card>
  )
}

/** What goes into the bowl, told in five figures at most. */
function mixFigures({ lines }: WeighedDough): [name: string, grams: number][] {
  const sum = (kinds: readonly string[]) => lines.reduce((t, l) => (kinds.includes(l.kind) ? t + l.grams : t), 0)
  const figures: [string, number][] = [
    ['flour', sum(['flour'])],
    ['water', sum(['water'])],
    ['levain', sum(['levain'])],
    ['salt', sum(['salt'])],
    ['the rest', sum(['extra', 'pre-ferment'])]
  ]
  return figures.filter(([, grams]) => grams > 0)
}

function windowWords({ line, verdict }: Judged, format: Format): string {
  const at = (hours: number) => (Number.isFinite(hours) ? format.time(near(line.startedAtMs + hours * MS_PER_HOUR)) : 'later')
  return `${at(verdict.forecast.opens.p50)} – ${at(verdict.forecast.closes.p50)}`
}

function ThenRow({ entry, step, jars }: { entry: Entry; step: Step; jars: readonly Jar[] }) {
  const { format } = useKitchen()
  return (
    <li>
      <Link to={`/bakes/${entry.bake.id}/${STATION[step.kind]}`} className={classes.thenRow}>
        <span className={classes.thenTime}>{format.dayTime(near(step.atMs))}</span>
        <span>{stepTitle(entry, step, jars)}</span>
      </Link>
    </li>
  )
}
