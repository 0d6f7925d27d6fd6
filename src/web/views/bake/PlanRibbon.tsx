import { ActionIcon, Select } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { awaitsPot } from '../../../answers'
import type { MovableStep } from '../../../contract'
import { courseTimes, dragBuild, type Grip, ratioOf, type Unknown } from '../../../core'
import { moveSentence, near } from '../../../words'
import { PLAN_RIBBON } from '../../../words/screens/bake'
import { useLiveForecast } from '../../data/forecasts'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import type { RibbonGrip } from '../../parts/ribbon/Grips'
import type { Hill } from '../../parts/ribbon/geometry'
import { draggedHill } from '../../parts/ribbon/hills'
import { Ribbon } from '../../parts/ribbon/Ribbon'
import { withDay } from '../../parts/ribbon/useHills'
import { useBakeHere } from './bakeHere'
import { mixRange, patchOfDrag } from './drag'
import classes from './PlanRibbon.module.css'
import { type DayMove, type HeldDay, heldOf, moveOfDay } from './plan/moveOfDay'

const STEP_MS = 15 * 60_000

/** What may answer when a hill is moved, in bakers' words. */
const ANSWERS: readonly { readonly value: Unknown; readonly label: string }[] = [
  { value: 'start', label: PLAN_RIBBON.start },
  { value: 'ratio', label: PLAN_RIBBON.ratio },
  { value: 'inoculation', label: PLAN_RIBBON.shareStarter },
  { value: 'place', label: PLAN_RIBBON.warmthPlace },
  { value: 'mix', label: PLAN_RIBBON.water }
]

/** What of a day is taken hold of on the ribbon. */
type RibbonStep = MovableStep | Exclude<Grip, string>

/** The ribbon of a planned bake as an instrument: its ripe moment, start and moves can be taken hold of, and what is chosen answers. */
export function PlanRibbon({
  hill,
  held: day,
  fromMs,
  toMs,
  height,
  open
}: {
  readonly hill: Hill | null
  /** The dough's day, held by its steps. */
  readonly held: HeldDay | null
  readonly fromMs: number
  readonly toMs: number
  readonly height: number
  readonly open: boolean
}) {
  const here = useBakeHere()
  const { solved, plan, belief, edit, now } = here
  const { mixMs } = here.day
  const { kitchen, format } = useKitchen()
  const [unknown, setUnknown] = useState<Unknown>('start')
  const [drag, setDrag] = useState<{
    readonly move: DayMove & { readonly ok: true }
    readonly strip: { readonly fromMs: number; readonly toMs: number }
  } | null>(null)
  const [stuck, setStuck] = useState<string | null>(null)
  // What comes out of another pot is taken hold of there.
  const levain = awaitsPot(plan) ? null : (solved?.build ?? null)
  const held = useMemo(() => heldOf(levain, mixMs), [levain, mixMs])
  const dragged = drag?.move.build ?? null
  const live = useLiveForecast(dragged?.timed.line ?? null, plan.school, belief)
  /** The plan and the dough's day as they would be where the hill is held now. */
  const then = useMemo(() => {
    const next = drag === null ? plan : { ...plan, ...drag.move.patch }
    const times = day === null || next.course === null ? null : courseTimes(next.course, dragged?.mixAtMs ?? next.mixAt, day.pace)
    return { plan: next, times: drag === null ? (day?.times ?? null) : times }
  }, [plan, day, drag, dragged])
  const shown = useMemo(() => {
    if (hill === null) return []
    if (drag === null) return [hill]
    const base =
      dragged === null
        ? hill
        : draggedHill(hill, dragged.timed, belief.centre, dragged.mixAtMs, plan.school, live?.line === dragged.timed.line ? live.forecast : undefined)
    return [withDay(base, then.plan, then.times)]
  }, [hill, drag, dragged, live, belief, plan.school, then])
  const moved = (grip: RibbonStep, to: number): DayMove => {
    const toMs = Math.max(to, now)
    if (typeof grip !== 'object') return moveOfDay(here, held, day, grip, toMs, unknown)
    const build = held === null ? null : dragBuild(held, grip, toMs, unknown, plan.school, unknown === 'mix' ? mixRange(here) : undefined)
    return build === null ? { ok: false, problem: 'never ripe' } : { ok: true, patch: patchOfDrag(plan, build, grip, unknown), build, stuck: build.stuck }
  }
  const tell = (move: DayMove) => setStuck(move.ok ? (move.stuck === null ? null : moveSentence(move.stuck)) : moveSentence(move.problem))
  const put = (grip: RibbonStep, ms: number) => {
    const move = moved(grip, ms)
    tell(move)
    if (move.ok) edit(move.patch)
  }
  const pull = (grip: RibbonStep, ms: number) => {
    const move = moved(grip, ms)
    tell(move)
    if (move.ok) setDrag((before) => ({ move, strip: before?.strip ?? { fromMs, toMs } }))
  }
  const drop = () => {
    if (drag !== null) edit(drag.move.patch)
    setDrag(null)
  }
  /** The buttons keep one handler, so that they are not drawn again with every move of a drag. */
  const step = useRef<(grip: 'mix' | 'build', by: 1 | -1) => void>(() => undefined)
  useEffect(() => {
    step.current = (grip, by) => held !== null && put(grip, (grip === 'mix' ? held.mixAtMs : held.startMs) + by * STEP_MS)
  })
  const ripeStep = useCallback((by: 1 | -1) => step.current('mix', by), [])
  const startStep = useCallback((by: 1 | -1) => step.current('build', by), [])
  const choose = useCallback((next: Unknown) => {
    setStuck(null)
    setUnknown(next)
  }, [])
  const resting = useMemo(() => (hill === null ? [] : [hill]), [hill])
  const current = dragged ?? held
  const masses = (dragged?.timed.levain ?? levain?.sourced)?.masses
  const gripOf = (grip: RibbonStep, label: string, ms: number, on: RibbonGrip['on'], stepMs: number): RibbonGrip => ({
    id: label,
    label,
    ms,
    on,
    stepMs,
    says: PLAN_RIBBON.draggingChanges(format.dayTime(ms), answerWords(unknown)),
    onDrag: (to) => pull(grip, to),
    onDrop: drop,
    onPut: (to) => put(grip, to)
  })
  const placeName = (i: number) => kitchen.places.find((p) => p.id === plan.moves[i]?.placeId)?.name ?? PLAN_RIBBON.anotherPlace
  const grips =
    current === null
      ? []
      : [
          gripOf('build', PLAN_RIBBON.startBuild, current.startMs, 'ground', STEP_MS),
          ...(current.build.moves ?? []).map((move, i) =>
            gripOf({ move: i }, PLAN_RIBBON.moveTo(placeName(i)), current.startMs + move.afterHours * millisecondsInHour, 'ground', STEP_MS)
          ),
          gripOf('mix', PLAN_RIBBON.ripeMoment, current.mixAtMs, 'ridge', STEP_MS),
          ...(then.times === null || !open
            ? []
            : [gripOf('shape', 'Shape', then.times.shapeMs, 'ground', STEP_MS), gripOf('bake', PLAN_RIBBON.intoOven, then.times.bakeMs, 'ground', STEP_MS)])
        ]
  return (
    <>
      <Ribbon
        fromMs={drag?.strip.fromMs ?? fromMs}
        toMs={drag?.strip.toMs ?? toMs}
        nowMs={now}
        hills={shown}
        told={drag === null ? shown : resting}
        height={height}
        grips={grips}
      />
      {open && held !== null && current !== null && (
        <div className={classes.bar}>
          <Steps name="Ripe" shown={format.dayTime(near(current.mixAtMs))} onStep={ripeStep} />
          <Steps name="Start" shown={format.dayTime(near(current.startMs))} onStep={startStep} />
          <Answers unknown={unknown} onUnknown={choose} />
          <output className={classes.answer} aria-label={PLAN_RIBBON.whatTakes}>
            {masses !== undefined && ratioOf(masses)}
            {PLAN_RIBBON.atMixedAt(
              format.temperature(current.build.place.tempC + (current.build.place.swing?.swingK ?? 0)),
              format.temperature(current.build.mixTempC)
            )}
          </output>
        </div>
      )}
      {stuck !== null && (
        <div className={classes.stuck}>
          <Note tone="care">{stuck}</Note>
        </div>
      )}
    </>
  )
}

const answerWords = (unknown: Unknown) => ANSWERS.find((a) => a.value === unknown)?.label ?? ''

/** Chooses what answers; not drawn again while a hill is dragged. */
const Answers = memo(function Answers({ unknown, onUnknown }: { readonly unknown: Unknown; readonly onUnknown: (unknown: Unknown) => void }) {
  return (
    <div className={classes.answers}>
      <span>{PLAN_RIBBON.dragHillToChange}</span>
      <Select
        aria-label={PLAN_RIBBON.whatChangesWhenYouDrag}
        data={[...ANSWERS]}
        value={unknown}
        allowDeselect={false}
        size="sm"
        onChange={(v) => v !== null && onUnknown(v)}
      />
    </div>
  )
})

/** A moment with a tap earlier and a tap later. */
function Steps({ name, shown, onStep }: { readonly name: string; readonly shown: string; readonly onStep: (by: 1 | -1) => void }) {
  return (
    <div className={classes.steps}>
      <Step name={name} by={-1} onStep={onStep} />
      <span className={classes.moment}>
        <span className={classes.name}>{name}</span> {shown}
      </span>
      <Step name={name} by={1} onStep={onStep} />
    </div>
  )
}

const Step = memo(function Step({ name, by, onStep }: { readonly name: string; readonly by: 1 | -1; readonly onStep: (by: 1 | -1) => void }) {
  return (
    <ActionIcon aria-label={PLAN_RIBBON.quarterHour(name, by < 0 ? 'earlier' : 'later')} variant="default" onClick={() => onStep(by)}>
      {by < 0 ? <IconMinus size={20} /> : <IconPlus size={20} />}
    </ActionIcon>
  )
})
