import { Button, Group, Skeleton } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { Link, useParams } from 'react-router'
import { dayOfBake, solveBakeHere } from '../../../answers'
import { ROUTES } from '../../../contract'
import { allergensOf, lineName, nightsBetween, type Step, type WeighedDough } from '../../../core'
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
  const { kitchen, format, pantry } = here
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
  const { solved, steps } = open ?? dayOfBake(bake, { solved: solveBakeHere(bake, cultures, here, now), verdict: null }, here, cultures, now)
  const build = solved?.build
  const dough = solved?.dough.ok ? solved.dough.value.weigh : null
  const nights = nightsBetween(steps[0]?.atMs ?? now, (steps.at(-1)?.atMs ?? now) + millisecondsInHour, kitchen.sleep, kitchen.timeZone)
  const allergens = allergensOf(
    plan.formula,
    plan.build.flours.map((p) => p.ingredientId),
    pantry
  )
  const grams = (step: Step): string | null => {
    const stage = plan.before.find((b) => b.id === step.id)
    if (stage !== undefined) return DAY_ROOM.starterFlourWater(format.mass(stage.seedGrams), format.mass(stage.flourGrams), format.mass(stage.waterGrams))
    if (step.kind === 'build' && build !== null && build !== undefined)
      return `${build.steps.map((p) => `${format.mass(p.grams)} ${p.ingredientId === null ? ITEM_WORDS[p.item] : (pantry.get(p.ingredientId)?.name ?? ITEM_WORDS[p.item]).toLowerCase()}`).join(', ')}${build.water === null ? '' : DAY_ROOM.waterAt(format.temperature(build.water.tempC, 0))}`
    if (step.kind === 'mix' && dough !== null) return doughWords(dough, (lineId) => plan.formula.lines.find((l) => l.id === lineId))
    if (step.kind === 'shape') return sizeWords(plan.target, format)
    return stepCaution(step)
  }
  const doughWords = ({ lines, levainGrams }: WeighedDough, lineOf: (id: string) => (typeof plan.formula.lines)[number] | undefined) =>
    lines
      .filter((l) => l.grams > 0)
      .map((l) => {
        const line = lineOf(l.id)
        return `${format.mass(l.kind === 'levain' ? levainGrams : l.grams)} ${(line === undefined ? l.kind : (lineName(line, pantry) ?? l.kind)).toLowerCase()}`
      })
      .join(', ')
  return (
    <div className={classes.room}>
      <Group className={classes.tools}>
        <Button onClick={() => window.print()}>{DAY_ROOM.print}</Button>
        <Button component="a" variant="default" href={ROUTES.bakeCalendar(bake.id)} download={`${plan.name}.ics`}>
          {DAY_ROOM.calendarFile}
        </Button>
        <Button variant="subtle" component={Link} to={`/bakes/${bake.id}/plan`}>
          {DAY_ROOM.backToPlan}
        </Button>
      </Group>
      <section className={classes.sheet} aria-label={DAY_ROOM.day(plan.name)}>
        <h1 className={classes.name}>{plan.name}</h1>
        <p className={classes.small}>{DAY_ROOM.as(sizeWords(plan.target, format), kitchen.name, format.dayTime(now))}</p>
        <table className={classes.steps}>
          <tbody>
            {steps.map((step, i) => (
              <tr key={step.id} data-new-day={i === 0 || format.weekday(step.atMs) !== format.weekday(steps[i - 1]?.atMs ?? 0)}>
                <td className={classes.box}>☐</td>
                <td className={classes.time}>{format.dayTime(near(step.atMs))}</td>
                <td>
                  <b>{stepWord(step, { cold: plan.course?.proof.kind === 'cold' })}</b>
                  {grams(step) !== null && <span className={classes.grams}>{grams(step)}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {nights.length > 0 && (
          <p className={classes.small}>{DAY_ROOM.asleep(nights.map((n) => `${format.dayTime(n.fromMs)} – ${format.time(n.toMs)}`).join(', '))}</p>
        )}
        {allergens.length > 0 && <p className={classes.small}>{DAY_ROOM.holds(allergens.join(', '))}</p>}
        <p className={classes.small}>{DAY_ROOM.rawDoughNotEatenGo}</p>
      </section>
    </div>
  )
}
