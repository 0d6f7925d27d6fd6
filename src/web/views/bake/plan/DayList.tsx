import { ActionIcon, Button, Group, Text, Tooltip } from '@mantine/core'
import { IconHandStop, IconMinus, IconPin, IconPinFilled, IconPlus, IconPrinter } from '@tabler/icons-react'
import { millisecondsInMinute } from 'date-fns/constants'
import { Link } from 'react-router'
import { busyIn } from '../../../../answers'
import { MOVABLE_STEPS, type MovableStep } from '../../../../contract'
import { type Busy, isHard, type Step, stepNamed } from '../../../../core'
import { fromNow, near, stepCaution, stepWord, youSleepUntil } from '../../../../words'
import { DAY_LIST } from '../../../../words/screens/plan'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import { MarkStep } from '../../../parts/steps/MarkStep'
import { isTold } from '../../../parts/steps/stepPlaces'
import { useBakeHere } from '../bakeHere'
import classes from './DayList.module.css'

const HOUR = 60 * millisecondsInMinute
const STEP_MS = 15 * millisecondsInMinute
/** Less than this is no move worth telling. */
const MOVED_MS = 10 * millisecondsInMinute

/** The whole day of a bake, step by step: moved and pinned while it is planned, told done while it runs. */
export function DayList({
  steps,
  planned,
  onMove
}: {
  readonly steps: readonly Step[]
  readonly planned: ReadonlyMap<string, number>
  readonly onMove: (step: MovableStep, toMs: number) => void
}) {
  const { bake, plan, state, now, frozen, edit } = useBakeHere()
  const { kitchen, format } = useKitchen()
  const busy = busyIn(kitchen, [], (steps[0]?.atMs ?? now) - HOUR, (steps.at(-1)?.atMs ?? now) + HOUR)
  const cold = plan.course?.proof.kind === 'cold'
  const movable = (step: Step): step is Step & { id: MovableStep } => !frozen && MOVABLE_STEPS.some((m) => m === step.id)
  const pin = (id: MovableStep) => edit((p) => ({ pins: p.pins.includes(id) ? p.pins.filter((other) => other !== id) : [...p.pins, id] }))
  const placeOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name
  const done = [
    ...[...state.deeds]
      .filter(([id]) => !steps.some((s) => s.id === id))
      .map(([id, deed]) => ({ step: stepNamed(id, plan.formula.lines), atMs: deed.atMs, did: deed.did })),
    ...state.doughMoves.map(({ atMs, placeId }, i) => ({
      step: { id: `moved-${i + 1}`, kind: 'move' as const, to: placeOf(placeId) },
      atMs,
      did: 'done' as const
    }))
  ].sort((a, b) => a.atMs - b.atMs)
  return (
    <Card
      title={DAY_LIST.wholeDay}
      aside={
        <Button component={Link} to={`/bakes/${bake.id}/day`} variant="subtle" size="sm" leftSection={<IconPrinter size={18} />}>
          {DAY_LIST.print}
        </Button>
      }
    >
      <MovedSince steps={steps} planned={planned} />
      {steps.length === 0 && <Text c="dimmed">{DAY_LIST.nothingMoreToDoThis}</Text>}
      <ol className={classes.day}>
        {done.map(({ step, atMs, did }) => (
          <li key={step.id} className={classes.done}>
            <span className={classes.time}>{format.time(atMs)}</span>
            <span>
              {stepWord(step)}, {did === 'done' ? 'done' : DAY_LIST.leftOut}
            </span>
          </li>
        ))}
        {steps.map((step) => {
          const was = planned.get(step.id)
          const late = step.atMs < now - MOVED_MS && (step.untilMs ?? 0) < now
          return (
            <li key={step.id} className={classes.row} data-late={late}>
              <span className={classes.time}>{format.dayTime(near(step.atMs))}</span>
              <span className={classes.what}>
                <b>{stepWord(step, { cold })}</b>
                <span className={classes.soft}>
                  {fromNow(step.atMs, now, format)}
                  {step.minutes > 0 && DAY_LIST.minWork(step.minutes)}
                  {was !== undefined && Math.abs(was - step.atMs) >= MOVED_MS && DAY_LIST.plannedFor(format.time(near(was)))}
                </span>
                <InTheWay step={step} busy={busy} />
                {stepCaution(step) !== null && frozen && <span className={classes.soft}>{stepCaution(step)}</span>}
              </span>
              {movable(step) ? (
                <Group gap={4} wrap="nowrap" className={classes.move}>
                  <ActionIcon variant="default" aria-label={DAY_LIST.quarterHourEarlier(stepWord(step))} onClick={() => onMove(step.id, step.atMs - STEP_MS)}>
                    <IconMinus size={20} />
                  </ActionIcon>
                  <ActionIcon variant="default" aria-label={DAY_LIST.quarterHourLater(stepWord(step))} onClick={() => onMove(step.id, step.atMs + STEP_MS)}>
                    <IconPlus size={20} />
                  </ActionIcon>
                  <Tooltip label={plan.pins.includes(step.id) ? DAY_LIST.pinnedStaysWhenOthersAre : DAY_LIST.pinWhere}>
                    <ActionIcon aria-label={DAY_LIST.pin(stepWord(step))} aria-pressed={plan.pins.includes(step.id)} onClick={() => pin(step.id)}>
                      {plan.pins.includes(step.id) ? <IconPinFilled size={20} /> : <IconPin size={20} />}
                    </ActionIcon>
                  </Tooltip>
                </Group>
              ) : (
                isTold(step, state) &&
                (frozen || step.kind === 'wake' || step.kind === 'first build') &&
                (step === steps[0] || step.atMs < now + HOUR) && <MarkStep bake={bake} step={step} now={now} size="sm" />
              )}
            </li>
          )
        })}
      </ol>
    </Card>
  )
}

/** That nobody is there for a step, or would rather not be. */
function InTheWay({ step, busy }: { readonly step: Step; readonly busy: readonly Busy[] }) {
  const { format } = useKitchen()
  if (step.minutes === 0) return null
  const toMs = step.atMs + step.minutes * millisecondsInMinute
  const there = busy.filter((b) => b.fromMs < toMs && b.toMs > step.atMs)
  const worst = there.find(isHard) ?? there[0]
  if (worst === undefined) return null
  const words =
    worst.kind === 'asleep'
      ? youSleepUntil(format.time(worst.toMs), step.kind === 'fold')
      : `${worst.name}, ${format.time(worst.fromMs)} – ${format.time(worst.toMs)}`
  return (
    <span className={classes.way} data-hard={isHard(worst)}>
      <IconHandStop size={18} aria-hidden="true" /> {words}
    </span>
  )
}

/** What has moved since the build began, and by how much: the mix, and the bread. */
function MovedSince({ steps, planned }: { readonly steps: readonly Step[]; readonly planned: ReadonlyMap<string, number> }) {
  const { format } = useKitchen()
  const moved = (['mix', 'out'] as const).flatMap((id) => {
    const step = steps.find((s) => s.id === id)
    const was = planned.get(id)
    const by = step === undefined || was === undefined ? 0 : step.atMs - was
    if (Math.abs(by) < MOVED_MS) return []
    return [DAY_LIST.is(id === 'mix' ? DAY_LIST.mix : DAY_LIST.bread, format.duration(Math.abs(by) / HOUR), by > 0 ? 'later' : 'sooner')]
  })
  if (moved.length === 0) return null
  return <Note>{DAY_LIST.sinceWasPlanned(moved.join(', and '))}</Note>
}
