import { Button, Group, Skeleton } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import type { ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { type BakeDay, dayOfBake, solveBakeHere } from '../../../answers'
import { ROUTES } from '../../../contract'
import { allergensOf, type Format, lineName, nightsBetween, type Pantry, type PourStep, type Step } from '../../../core'
import { ITEM_WORDS, near, sizeWords, stepCaution, stepWord } from '../../../words'
import { DAY_ROOM } from '../../../words/screens/day'
import { useBake } from '../../data/bakes'
import { useNow } from '../../data/clock'
import { useDays } from '../../data/days'
import { useKitchen } from '../../data/kitchen'
import { Quiet } from '../../parts/cards/Quiet'
import classes from './DayRoom.module.css'

/** The day of a bake on paper: each step with its time, its grams and a box to tick. */
export function DayRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const here = useKitchen()
  const { format, pantry } = here
  const { bake, error } = useBake(id)
  const { days, cultures } = useDays(now)
  if (bake === undefined || cultures === undefined || days === undefined)
    return error === undefined ? (
      <Skeleton height={320} />
    ) : (
      <Quiet title={DAY_ROOM.thisBakeCouldNotBe} words={error.message} action={{ label: DAY_ROOM.allBakes, href: '/bakes' }} />
    )
  const { plan } = bake
  const open = days.find((day) => day.bake.id === bake.id)
  const day = open ?? dayOfBake(bake, { solved: solveBakeHere(bake, cultures, here, now), verdict: null }, here, cultures, now)
  const allergens = allergensOf(
    plan.formula,
    plan.build.flours.map((p) => p.ingredientId),
    pantry
  )
  return (
    <Paper
      name={plan.name}
      label={DAY_ROOM.day(plan.name)}
      about={sizeWords(plan.target, format)}
      days={[day]}
      notes={allergens.length > 0 ? [DAY_ROOM.holds(allergens.join(', '))] : []}
      tools={
        <>
          <Button component="a" variant="default" href={ROUTES.bakeCalendar(bake.id)} download={`${plan.name}.ics`}>
            {DAY_ROOM.calendarFile}
          </Button>
          <Button variant="subtle" component={Link} to={`/bakes/${bake.id}/plan`}>
            {DAY_ROOM.backToPlan}
          </Button>
        </>
      }
    />
  )
}

/** All that is on its way, as one list: whose step is next, bake beside bake. */
export function AllDaysRoom() {
  const { format } = useKitchen()
  const { days, error } = useDays(useNow())
  if (days === undefined)
    return error === undefined ? (
      <Skeleton height={320} />
    ) : (
      <Quiet title={DAY_ROOM.daysCouldNotBe} words={error.message} action={{ label: DAY_ROOM.allBakes, href: '/bakes' }} />
    )
  if (days.length === 0) return <Quiet title={DAY_ROOM.nothingOnWay} words={DAY_ROOM.planOneFirst} action={{ label: DAY_ROOM.allBakes, href: '/bakes' }} />
  const work = days.flatMap((day) => day.steps).reduce((sum, step) => sum + step.minutes, 0)
  return (
    <Paper
      name={DAY_ROOM.orderOfDay}
      label={DAY_ROOM.orderOfDay}
      about={DAY_ROOM.bakesAndWork(days.length, format.duration(work / 60))}
      days={days}
      notes={[]}
      tools={
        <Button variant="subtle" component={Link} to="/bakes">
          {DAY_ROOM.allBakes}
        </Button>
      }
    />
  )
}

interface PaperProps {
  readonly name: string
  readonly label: string
  /** What it is, in a line. */
  readonly about: string
  readonly days: readonly BakeDay[]
  /** Said at its foot. */
  readonly notes: readonly string[]
  readonly tools: ReactNode
}

/** Steps of one bake or of several on a sheet, in the order of time; of several each says whose it is. */
function Paper({ name, label, about, days, notes, tools }: PaperProps) {
  const now = useNow()
  const { kitchen, format, pantry } = useKitchen()
  const rows = days.flatMap((day) => day.steps.map((step) => ({ day, step }))).sort((a, b) => a.step.atMs - b.step.atMs)
  const nights = nightsBetween(rows[0]?.step.atMs ?? now, (rows.at(-1)?.step.atMs ?? now) + millisecondsInHour, kitchen.sleep, kitchen.timeZone)
  return (
    <div className={classes.room}>
      <Group className={classes.tools}>
        <Button onClick={() => window.print()}>{DAY_ROOM.print}</Button>
        {tools}
      </Group>
      <section className={classes.sheet} aria-label={label}>
        <h1 className={classes.name}>{name}</h1>
        <p className={classes.small}>{DAY_ROOM.as(about, kitchen.name, format.dayTime(now))}</p>
        <table className={classes.steps}>
          <tbody>
            {rows.map(({ day, step }, i) => {
              const says = stepSays(day, step, pantry, format)
              return (
                <tr key={`${day.bake.id} ${step.id}`} data-new-day={i === 0 || format.weekday(step.atMs) !== format.weekday(rows[i - 1]?.step.atMs ?? 0)}>
                  <td className={classes.box}>☐</td>
                  <td className={classes.time}>{format.dayTime(near(step.atMs))}</td>
                  <td>
                    <b>{stepWord(step, { cold: day.bake.plan.course?.proof.kind === 'cold' })}</b>
                    {days.length > 1 && <span>{DAY_ROOM.of(day.bake.plan.name)}</span>}
                    {says !== null && <span className={classes.grams}>{says}</span>}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
        {nights.length > 0 && (
          <p className={classes.small}>{DAY_ROOM.asleep(nights.map((n) => `${format.dayTime(n.fromMs)} – ${format.time(n.toMs)}`).join(', '))}</p>
        )}
        {notes.map((note) => (
          <p key={note} className={classes.small}>
            {note}
          </p>
        ))}
        <p className={classes.small}>{DAY_ROOM.rawDoughNotEatenGo}</p>
      </section>
    </div>
  )
}

/** What a step takes, in grams, or what to mind at it; null where there is nothing to say. */
function stepSays({ bake: { plan }, solved }: BakeDay, step: Step, pantry: Pantry, format: Format): string | null {
  const build = solved?.build ?? null
  const dough = solved?.dough.ok ? solved.dough.value.weigh : null
  const stage = plan.before.find((b) => b.id === step.id)
  if (stage !== undefined) return DAY_ROOM.starterFlourWater(format.mass(stage.seedGrams), format.mass(stage.flourGrams), format.mass(stage.waterGrams))
  if (step.kind === 'build' && build !== null) {
    const named = (pour: PourStep) =>
      pour.ingredientId === null ? ITEM_WORDS[pour.item] : (pantry.get(pour.ingredientId)?.name ?? ITEM_WORDS[pour.item]).toLowerCase()
    const poured = build.steps.map((pour) => `${format.mass(pour.grams)} ${named(pour)}`).join(', ')
    return `${poured}${build.water === null ? '' : DAY_ROOM.waterAt(format.temperature(build.water.tempC, 0))}`
  }
  if (step.kind === 'mix' && dough !== null) {
    const lineOf = (id: string) => plan.formula.lines.find((l) => l.id === id)
    return dough.lines
      .filter((l) => l.grams > 0)
      .map(({ id, kind, grams }) => {
        const line = lineOf(id)
        return `${format.mass(kind === 'levain' ? dough.levainGrams : grams)} ${(line === undefined ? kind : (lineName(line, pantry) ?? kind)).toLowerCase()}`
      })
      .join(', ')
  }
  return step.kind === 'shape' ? sizeWords(plan.target, format) : stepCaution(step)
}
