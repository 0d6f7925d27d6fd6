import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { FormulaLine } from '../dough/formula'
import type { PreFermentStyle } from '../dough/mix'
import type { Verdict } from '../readiness/verdict'
import { type CourseTimes, courseTimes, type DayStep, type DoughCourse, type DoughPace, timesFrom, timesOfBake } from '../schedule/course'
import { type Hands, minutesOf, takesHands } from '../schedule/work'
import { moveStepId } from './doughPlaces'
import type { BakeStatus, StepDeed } from './foldBake'

/** Something a baker has to do, or may. */
export interface Step {
  /** Its name within the bake: the kind, numbered where there are several. */
  readonly id: string
  readonly kind: DayStep | 'ahead' | 'refill' | 'grow' | 'finish weighing' | 'look' | 'feed again'
  /** From when, ms. */
  readonly atMs: number
  /** Until when it does no harm to wait; null: no end known. */
  readonly untilMs: number | null
  /** Hands-on, min. */
  readonly minutes: number
  /** What is made ahead of the dough, where that is the step. */
  readonly of?: Pick<MadeAhead, 'name' | 'style'>
  /** The place a dough is moved to, where that is the step. */
  readonly to?: string
}

/** A poolish, a soaker, whatever is made ahead of the dough. */
export interface MadeAhead {
  /** Of its line in the formula. */
  readonly id: string
  readonly name: string
  readonly style: PreFermentStyle
  /** How long it stands before the mix, h. */
  readonly hours: number
}

/** A feed or build before the last build, as it was planned. */
export interface StageBefore {
  readonly id: string
  readonly kind: 'wake' | 'first build'
  readonly atMs: number
}

/** What the steps of a bake hang on. */
export interface StepFacts {
  /** Whose hands do it; left out: what is usual. */
  readonly hands?: Hands
  readonly status: BakeStatus
  /** When the dough is to be mixed, ms. */
  readonly mixAtMs: number
  /** When the build is to begin, ms; null while the plan cannot be. */
  readonly startMs: number | null
  /** Its starter is used as it is: nothing is built. */
  readonly asItIs?: boolean
  /** Stages that grow the starter for it first: when each begins, ms. */
  readonly growMs: readonly number[]
  /** The levain as things stand before its band is set: from when it may be mixed, and when it is at its best, ms; null while the plan cannot be. */
  readonly ripens: { readonly opensMs: number; readonly fitMs: number } | null
  /** Feeds and builds before it. */
  readonly before: readonly StageBefore[]
  /** What is made ahead of the dough and has not been weighed yet. */
  readonly ahead: readonly MadeAhead[]
  /** The jar that starter is drawn from is to be refilled from then on, ms; null or left out: it is not. */
  readonly refillMs?: number | null
  /** Moves into the cold while it ripens, ms; those to come. */
  readonly chillsMs: readonly number[]
  /** Where the dough is moved on to as it is planned, by name; null where that was done. */
  readonly doughTo?: readonly (string | null)[]
  /** Running levain, or the jar that is used as it is: when it began to rise, and its verdict once it is worked out. */
  readonly running: {
    readonly bandMs: number
    readonly verdict: Verdict | null
    /** Fed again now, the next one goes into the dough then, ms; null or left out: that cannot be told. */
    readonly fedMixMs?: number | null
  } | null
  /** When it was mixed, ms. */
  readonly mixedMs: number | null
  /** The dough's own day; null: the bake ends with the mix. */
  readonly dough: { readonly course: DoughCourse; readonly pace: DoughPace } | null
  /** Steps that were done or left out. */
  readonly deeds: ReadonlyMap<string, StepDeed>
  /** Moves a moment that falls in the night to when the baker is up. */
  readonly awake: (ms: number) => number
  /** Moves it back to when the baker goes to bed. */
  readonly bedtime: (ms: number) => number
}

/** Once it is cooled for so long, nobody needs to be told any more, h. */
const COLD_NEWS_HOURS = 6

/**
 * The steps of one bake from now on, in the order of time; those that are overdue first.
 * @param facts where the bake stands
 * @param nowMs the time now, ms
 */
export function stepsOf(facts: StepFacts, nowMs: number): Step[] {
  const mixMs = expectedMixMs(facts, nowMs)
  const refill = facts.refillMs == null ? [] : [step('refill', facts.refillMs)]
  const all = [...stagesBefore(facts), ...madeAhead(facts, mixMs), ...levainSteps(facts, nowMs), ...refill, ...doughSteps(facts, mixMs, nowMs)]
  return all
    .filter(({ id }) => !facts.deeds.has(id))
    .map((one) => ({
      ...one,
      minutes: takesHands(one.kind) ? minutesOf(one.kind, facts.hands) : one.kind === 'first build' ? minutesOf('wake', facts.hands) : 0
    }))
    .sort((a, b) => a.atMs - b.atMs)
}

const step = (kind: Step['kind'], atMs: number, more: Partial<Step> = {}): Step => ({
  id: kind,
  kind,
  atMs,
  untilMs: null,
  minutes: 0,
  ...more
})

function stagesBefore({ status, before }: StepFacts): Step[] {
  return status === 'planned' ? before.map(({ id, kind, atMs }) => step(kind, atMs, { id })) : []
}

/** When what is made ahead is begun: its hours before the mix; out of the baker's sleep to the nearer side, so that it stands a little longer or shorter. */
function madeAhead({ mixedMs, ahead, awake, bedtime, hands }: StepFacts, mixMs: number): Step[] {
  if (mixedMs !== null) return []
  const whileAwake = (atMs: number) => {
    const [evening, morning] = [bedtime(atMs) - minutesOf('ahead', hands) * millisecondsInMinute, awake(atMs)]
    if (morning === atMs) return atMs
    return atMs - evening <= morning - atMs || morning >= mixMs ? evening : morning
  }
  return ahead.map(({ id, name, style, hours }) => step('ahead', whileAwake(mixMs - hours * millisecondsInHour), { id: aheadStep(id), of: { name, style } }))
}

/** A levain that became the seed of the next one is a stage before that, and is called so. */
export const FED_AGAIN = 'fed again'
/** Whether a stage was the levain until it was fed again. */
export const isFedAgain = (stageId: string) => stageId.startsWith(FED_AGAIN)

/** The step at which a line of the formula is made ahead. */
export const aheadStep = (lineId: string) => `ahead ${lineId}`
/** The line that is made at such a step. */
export const lineOfAhead = (stepId: string) => stepId.slice(aheadStep('').length)

/**
 * A step by its id, for those who have kept no more of it.
 * @param lines of the formula: what was made ahead is called by its name there
 */
export function stepNamed(id: string, lines: readonly FormulaLine[] = []): Pick<Step, 'id' | 'kind' | 'of'> {
  if (isFedAgain(id)) return { id, kind: 'first build' }
  const line = lines.find((l) => id === aheadStep(l.id))
  if (line?.kind === 'pre-ferment') return { id, kind: 'ahead', of: { name: line.mix.name, style: line.style } }
  return { id, kind: id.startsWith(aheadStep('')) ? 'ahead' : (id.replace(/ \d+$/, '') as Step['kind']) }
}

/** What the levain asks for, up to the mix. */
function levainSteps(facts: StepFacts, nowMs: number): Step[] {
  const { status, startMs, growMs, running, chillsMs, awake } = facts
  const mixMs = expectedMixMs(facts, nowMs)
  const mix = (atMs: number, untilMs: number | null = null) => step('mix', atMs, { untilMs })
  // What goes into the dough first is not moved on any more.
  const chills = chillsMs.flatMap((ms, i) => (ms < mixMs ? [step('chill', ms, { id: `chill ${i + 1}` })] : []))
  if (status === 'mixed' || status === 'baked') return []
  if (status === 'planned' && !(facts.asItIs === true && running !== null)) {
    const grown = growMs.map((ms, i) => step('grow', ms, { id: `grow ${i + 1}` }))
    return [...grown, ...(startMs === null || facts.asItIs ? [] : [step('build', startMs)]), ...chills, mix(mixMs)]
  }
  if (status === 'building') return [step('finish weighing', nowMs), ...chills, mix(mixMs)]
  if (running === null || running.verdict === null) return [...chills, mix(mixMs)]
  const at = (hours: number) => running.bandMs + hours * millisecondsInHour
  const { advice, forecast } = running.verdict
  const closes = Number.isFinite(forecast.closes.p50) ? at(forecast.closes.p50) : null
  switch (advice.kind) {
    // The appointment is the planned one for as long as the levain allows it; its window is the time in which it may wait.
    case 'mix now':
    case 'held':
      return [mix(mixMs, closes)]
    case 'past':
      return isCollapsed(running.verdict) ? [step('feed again', nowMs), ...(running.fedMixMs == null ? [] : [mix(mixMs)])] : [mix(mixMs)]
    case 'ask':
    case 'look': {
      // What may be past, or does not fit, is not called to the bowl; an hour that is still to come stays.
      const open = isOpen(advice)
      return [...chills, step('look', awake(nowMs)), ...(open && facts.mixAtMs <= nowMs ? [] : [mix(mixMs, open ? null : closes)])]
    }
    case 'for taste':
      return [...chills, mix(mixMs, closes)]
    case 'not rising':
      return [step('look', awake(at(advice.lookAgainHours)))]
    case 'wait': {
      const look = awake(at(advice.lookAgainHours))
      return [...chills, step('look', look, { untilMs: at(advice.opensHours) }), mix(Math.max(mixMs, look), closes)]
    }
  }
}

/** A look that is asked for first takes so long, min. */
const LOOK_MINUTES = 5

/** Whether it is fed again before anything is mixed with it. */
export const isCollapsed = ({ advice }: Pick<Verdict, 'advice'>) => advice.kind === 'past' && advice.how === 'collapsed'

/** Whether a look has to settle first whether it can be mixed at all. */
const isOpen = (advice: Extract<Verdict['advice'], { kind: 'look' | 'ask' }>) => advice.kind === 'ask' || advice.why === 'may be past'

/**
 * When the dough will be mixed as things stand: when it was, as planned where the levain allows it, else at the nearer end of its window, and not in the night.
 * @param nowMs the time now, ms
 */
export function expectedMixMs({ mixedMs, mixAtMs, ripens, running, dough, awake, bedtime, hands }: StepFacts, nowMs: number): number {
  if (mixedMs !== null) return mixedMs
  /**
   * Before bed where it is ready by then, else in the morning; the autolyse before it is in nobody's sleep either.
   * Ready a moment before bed, and past its best by the morning: then, a little late to bed.
   */
  const whileAwake = (wanted: number, soonest: number, closes = Number.POSITIVE_INFINITY) => {
    if (awake(wanted) === wanted) return wanted
    const evening = bedtime(wanted) - minutesOf('mix', hands) * millisecondsInMinute
    if (evening >= soonest) return evening
    const autolyse = (dough?.course.autolyseMinutes ?? 0) * millisecondsInMinute
    const morning = awake(awake(wanted) - autolyse) + autolyse
    return morning > closes && awake(soonest) === soonest ? soonest : morning
  }
  const verdict = running?.verdict ?? null
  // Begun late, it is ready late: the planned hour holds while the levain may be mixed by then.
  if (running === null) return ripens === null || ripens.opensMs <= mixAtMs ? mixAtMs : whileAwake(ripens.fitMs, ripens.opensMs)
  if (verdict === null || !Number.isFinite(verdict.forecast.opens.p50)) return Math.max(mixAtMs, nowMs)
  const { forecast, advice } = verdict
  if (isCollapsed(verdict) && running.fedMixMs != null) return running.fedMixMs
  const at = (hours: number) => running.bandMs + hours * millisecondsInHour
  const closes = Number.isFinite(forecast.closes.p50) ? at(forecast.closes.p50) : mixAtMs
  // Ready, and the planned hour has passed or comes too late for it: now.
  if ((advice.kind === 'mix now' || advice.kind === 'past') && (mixAtMs < nowMs || mixAtMs > closes)) return nowMs
  const isToLook = advice.kind === 'look' || advice.kind === 'ask'
  const looked = awake(nowMs) + LOOK_MINUTES * millisecondsInMinute
  if (isToLook && isOpen(advice)) return Math.max(mixAtMs, looked)
  const soonest = Math.max(isToLook ? looked : nowMs, at(forecast.opens.p50))
  // Where the dough's day is planned, its hour counts as long as the levain allows it; else it is mixed from when it is ready on.
  const wanted = dough === null && advice.kind === 'wait' ? soonest : Math.max(soonest, Math.min(mixAtMs, closes))
  return whileAwake(wanted, soonest, closes)
}

/** The dough's day as it comes out by now: from what was done where it was, from the forecast where not. */
export function dayOfDough({ dough, deeds }: Pick<StepFacts, 'dough' | 'deeds'>, mixMs: number): CourseTimes | null {
  if (dough === null) return null
  const { course, pace } = dough
  const planned = courseTimes(course, mixMs, pace)
  if (planned === null) return null
  const doneAt = (id: string) => (deeds.get(id)?.did === 'done' ? deeds.get(id)?.atMs : undefined)
  const shaped = doneAt('shape')
  const later = shaped === undefined ? planned : timesFrom(course, mixMs, shaped - minutesOf('shape', course) * millisecondsInMinute, pace.proofHours)
  if (later === null) return null
  const loaded = doneAt('bake')
  const baked = loaded === undefined ? later : timesOfBake(course, { ...later, bakeMs: loaded })
  const out = doneAt('out')
  return out === undefined ? baked : { ...baked, outMs: out, eatMs: out + course.coolHours * millisecondsInHour }
}

function doughSteps(facts: StepFacts, mixMs: number, nowMs: number): Step[] {
  const times = dayOfDough(facts, mixMs)
  if (times === null) return []
  const before = facts.mixedMs === null
  return [
    // It comes before the mix, or it does not come any more.
    ...(before && times.autolyseMs !== null && mixMs > nowMs ? [step('autolyse', times.autolyseMs)] : []),
    ...foldSteps(times, facts, nowMs),
    ...times.moveMs.flatMap((ms, i) => (facts.doughTo?.[i] === null ? [] : [step('move', ms, { id: moveStepId(i), to: facts.doughTo?.[i] ?? undefined })])),
    step('shape', times.shapeMs),
    step('preheat', times.preheatMs),
    step('bake', times.bakeMs),
    ...(times.lidMs === null ? [] : [step('lid', times.lidMs)]),
    step('out', times.outMs),
    ...(times.eatMs + COLD_NEWS_HOURS * millisecondsInHour < nowMs ? [] : [step('eat', times.eatMs)])
  ].filter((s) => !isPast(s, facts))
}

/** A fold that was let go by for so long is not made up for in the last hour of the bulk, ms. */
const LATE_FOLD_MS = millisecondsInHour / 2
/** And after so long never, ms: in the morning nobody makes up for a fold of midnight. */
const GONE_FOLD_MS = 2 * millisecondsInHour

/** Folds that are still to be done. One that was let go by is gone once the next is due, or the dough has moved on; and nobody folds a dough whose bulk is over or nearly so. */
function foldSteps({ foldMs, moveMs, shapeMs }: CourseTimes, { doughTo = [] }: StepFacts, nowMs: number): Step[] {
  if (shapeMs <= nowMs) return []
  const movedMs = moveMs.filter((_, i) => doughTo[i] === null)
  return foldMs.flatMap((ms, i) =>
    (foldMs[i + 1] ?? Number.POSITIVE_INFINITY) <= nowMs ||
    ms + GONE_FOLD_MS <= nowMs ||
    (ms + LATE_FOLD_MS <= nowMs && shapeMs - millisecondsInHour <= nowMs) ||
    movedMs.some((moved) => moved >= ms)
      ? []
      : [step('fold', ms, { id: `fold ${i + 1}`, untilMs: shapeMs })]
  )
}

/** Folds that were let go by once it is shaped, and what belongs before a step that has been done. */
function isPast({ kind }: Step, { deeds }: StepFacts): boolean {
  const order: readonly Step['kind'][] = ['autolyse', 'fold', 'move', 'shape', 'preheat', 'bake', 'lid', 'out', 'eat']
  const last = Math.max(-1, ...order.map((k, i) => (deeds.has(k) ? i : -1)))
  return kind !== 'eat' && order.indexOf(kind) < last
}
