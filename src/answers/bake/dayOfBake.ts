import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { Kitchen, Plan } from '../../contract'
import {
  asUsed,
  type BakeDough,
  type BakeState,
  type BatchLine,
  type BulkStop,
  beliefShown,
  type Claim,
  type CourseHere,
  type CourseTimes,
  contentsOf,
  DOUGH_RISE_K,
  type DoughForecast,
  type DoughItem,
  type DoughPlace,
  dayOfDough,
  doughItems,
  doughLine,
  doughPace,
  doughPlaces,
  expectedMixMs,
  isCollapsed,
  type JarBelief,
  knockedBack,
  levainAsItShows,
  type MadeAhead,
  mainKind,
  moveStepId,
  movesLeft,
  nightAt,
  type Overproofed,
  overproofed,
  type Phase,
  quickened,
  reckonMix,
  type School,
  type ShownAge,
  type SolvedBake,
  type Step,
  type StepFacts,
  stepsOf,
  type TimedBuild,
  USUAL_AHEAD_HOURS,
  type Verdict,
  type WeighedDough,
  windowOf,
  withWeighed
} from '../../core'
import type { Bake } from '../fromWire'
import { beliefOfBake } from '../judgement/beliefs'
import { minuteOf, readyQuestion, shownAge } from '../judgement/isItReady'
import { questionOfBake } from '../judgement/questionOfBake'
import { awakeAt } from '../kitchen/awakeAt'
import { fedNow } from '../schedule/fedAgain'
import { courseHere, handsHere } from './courseHere'
import { type DoughLeft, doughLeft, progressOf } from './doughLeft'
import { stagesToCome } from './levainToWeigh'
import { awaitsPot, levainPlanned } from './onePot'
import { type Cultures, pantryOfBake, type Stocked, standingIn } from './solvePlan'

/** What is weighed for the dough of a plan, and what it is to hold since a mis-pour. */
export function doughItemsOf(plan: Pick<Plan, 'formula'>, { exact, weigh }: BakeDough, { repairs }: Pick<BakeState, 'repairs'>, bowls: number): DoughItem[] {
  return doughItems(plan.formula, weigh, exact.baseFlourGrams, bowls).map((item) => ({ ...item, grams: repairs.dough?.[item.key] ?? item.grams }))
}

/** The dough of a bake as it was really weighed; what was not, counts as planned. */
export function doughAsWeighed(state: Pick<BakeState, 'weighed' | 'bowls' | 'repairs'>, plan: Pick<Plan, 'formula'>, dough: BakeDough): WeighedDough {
  const items = doughItemsOf(plan, dough, state, state.bowls ?? 1)
  return withWeighed(
    dough.weigh,
    items,
    state.weighed.filter((w) => w.into === 'dough')
  )
}

/**
 * The dough of a plan as it ferments where it will stand.
 * @param levain the levain as it was mixed; as it is planned when left out
 * @param mixMs when the dough is mixed, ms
 * @returns null while it cannot be told; where no day of it is planned, it stands where the levain stood
 */
export function doughOf(
  bake: Pick<Bake, 'ingredients' | 'state'>,
  plan: Plan,
  solved: SolvedBake | null,
  { kitchen, pantry }: Stocked,
  mixMs: number,
  levain?: BatchLine
): BatchLine | null {
  const line = levain ?? levainPlanned(plan, solved)?.line
  if (solved === null || !solved.dough.ok || line === undefined) return null
  const where = plan.course ?? { placeId: plan.placeId, tempC: plan.tempC, mixTempC: plan.mixTempC }
  const { placeId, tempC, mixTempC } = where
  const { state } = bake
  const dough = doughLine(
    doughAsWeighed(state, plan, solved.dough.value),
    { line, hydration: asUsed(plan.build, contentsOf(line).hydration).hydration, flour: mainKind(contentsOf(line).flours) },
    {
      mixAtMs: mixMs,
      mixTempC: state.mixed?.mixTempC ?? doughMixOf(plan, solved, state, kitchen) ?? mixTempC,
      standing: standingIn(kitchen, placeId, tempC, mixMs)
    },
    pantryOfBake(bake, pantry)
  )
  const stays = doughPlaces(where, mixMs, state).map((stay) => ({ fromMs: stay.fromMs, ...standingIn(kitchen, stay.placeId, stay.tempC, stay.fromMs) }))
  return quickened({ ...dough, stays }, Math.exp(kitchen.doughs.log))
}

/** How warm a dough comes out by what was measured of it; null while nothing was. */
function doughMixOf(plan: Plan, { dough }: SolvedBake, state: BakeState, { places }: Kitchen): number | null {
  const measured = state.measured.get('dough')
  if (measured === undefined || !dough.ok || plan.course === null) return null
  const { lines } = doughAsWeighed(state, plan, dough.value)
  const usual = { wantedC: plan.course.mixTempC, flourC: places[0]?.tempC ?? plan.mixTempC, cultureC: plan.tempC, riseK: DOUGH_RISE_K }
  return reckonMix(
    lines.map(({ grams, composition, kind }) => ({ grams, composition, isCulture: kind === 'levain' })),
    measured,
    usual
  ).mixC
}

/** What is asked about besides the bake itself. */
export interface DayAsked {
  /** The plan as it is being edited; the bake's own when left out. */
  readonly plan?: Plan
  /** Everything that follows from that plan. */
  readonly solved: SolvedBake | null
  /** What is thought of its levain; null where none is on its way, or it is not known yet. */
  readonly verdict: Verdict | null
}

/** The day of a bake as it comes out by now: what every face shows of its times. */
export interface BakeDay {
  readonly bake: Bake
  readonly solved: SolvedBake | null
  /** What its steps hang on. */
  readonly facts: DayFacts
  /** From now on. */
  readonly steps: readonly Step[]
  /** When its work begins: the first feed, stage or pour that is still to come; when the band was set, once it is; null while the plan cannot be. */
  readonly beginsMs: number | null
  /** When the dough is mixed. */
  readonly mixMs: number
  /** The dough's stages; null where none are planned, or they cannot be told. */
  readonly times: CourseTimes | null
  /** How long the bulk takes, h; null where it is not planned. */
  readonly bulkHours: number | null
  /** Where it is to be stopped; null where it is not planned, or never rises so far. */
  readonly bulkStop: BulkStop | null
  /** The dough as it ferments, or will; null while it cannot be told. */
  readonly dough: BatchLine | null
  /** What is believed of its jar where the dough is concerned. */
  readonly belief: JarBelief
  /** The dough that is rising; null where none is. */
  readonly left: DoughLeft | null
  /** What is left of it where it has gone too far. */
  readonly over: Overproofed | null
  /** What it takes of hands, oven and places. */
  readonly claim: Claim
}

/**
 * When what is to be done for a bake, as things stand.
 * @param nowMs asked within the same minute it is the same
 */
export function dayOfBake(bake: Bake, asked: DayAsked, stocked: Stocked, cultures: Cultures, nowMs: number): BakeDay {
  const minute = minuteOf(nowMs)
  const plan = asked.plan ?? bake.plan
  const { solved, verdict } = asked
  const facts = stepFactsOf(bake, plan, solved, verdict, stocked, cultures, minute)
  const mixMs = expectedMixMs(facts, minute)
  const times = dayOfDough(facts, mixMs)
  const belief = beliefForDough({ ...bake, plan }, verdict, cultures.beliefs, minute)
  const dough = facts.dough?.line ?? doughOf(bake, plan, solved, stocked, mixMs, levainForDough(bake, verdict, mixMs, belief, minute))
  const left = facts.dough === null ? null : doughLeft({ ...bake, plan }, facts.dough.line, facts.dough.pace.stop, facts.deeds, belief, facts.dough.anew)
  // Nobody asks before it is due to be shaped.
  const isDue = times !== null && minute >= times.shapeMs
  return {
    bake,
    solved,
    facts,
    steps: stepsOf(facts, minute),
    beginsMs: bake.state.band?.atMs ?? workBegins(facts.asItIs === true && facts.startMs !== null ? { ...facts, startMs: mixMs } : facts),
    mixMs,
    times,
    bulkHours: times === null ? null : (times.shapeMs - mixMs) / millisecondsInHour,
    bulkStop: facts.dough?.pace.stop ?? null,
    dough,
    belief,
    left,
    over: left === null || !isDue ? null : overproofed(left.dough, minute, left.wantedGas, belief.centre),
    claim: claimOf({ ...bake, plan }, facts, mixMs, times, minute)
  }
}

/** What the work for a plan begins with: its own build, or the mix where its starter is used as it is, stages that grow it, and feeds and builds before it. */
export const beginningOf = (
  { before, build, mixAt, levainFrom }: Pick<Plan, 'before' | 'build' | 'mixAt' | 'levainFrom'>,
  solved: SolvedBake | null
): Pick<StepFacts, 'startMs' | 'growMs' | 'before' | 'asItIs'> => {
  // What comes out of another pot is not built for this one.
  const awaits = awaitsPot({ levainFrom })
  const asItIs = build.source === 'as it is' || awaits
  const startMs = solved?.build?.timed.startMs ?? null
  return {
    asItIs,
    startMs: startMs !== null && asItIs ? mixAt : startMs,
    growMs: awaits ? [] : (solved?.build?.ladder ?? []).map((stage) => stage.startMs),
    before: before.map(({ id, kind, at }) => ({ id, kind, atMs: at }))
  }
}

/**
 * When the work for a levain begins, or goes on: the first feed, stage or pour that is still to come, ms.
 * @returns null while the plan cannot be
 */
export function workBegins({ startMs, growMs, before, deeds }: Pick<StepFacts, 'startMs' | 'growMs' | 'before' | 'deeds'>): number | null {
  const toCome = before.filter((stage) => !deeds.has(stage.id)).map((stage) => stage.atMs)
  return startMs === null ? null : Math.min(startMs, ...growMs, ...toCome)
}

/** What the looks had shown of a levain's age when it was mixed, as it was told then. */
export function shownAtMix(bake: Bake): ShownAge | null {
  const event = bake.events.findLast((e) => e.id === bake.state.mixed?.id)
  const shown = event?.type === 'mixed' ? event.shown : undefined
  const peakHours = shown?.quantiles.peak[2]
  if (event === undefined || shown === undefined || bake.state.marks.length === 0) return null
  return { peakHours: peakHours ?? Number.NaN, phase: shown.holds === false ? (shown.phase as Phase) : null, seenMs: event.happenedAt }
}

/** What is believed of a bake's jar where its dough is concerned: the looks at its levain tell more of it, until the mix, which keeps what was believed then. */
export function beliefForDough(bake: Bake, verdict: Verdict | null, beliefs: Cultures['beliefs'], nowMs: number): JarBelief {
  const belief = beliefOfBake(bake, beliefs)
  const question = verdict === null ? null : readyQuestion(bake, belief, nowMs)
  return question === null || verdict === null ? belief : beliefShown(belief, question.line, shownAge(question, verdict))
}

/**
 * The levain of a bake as its dough gets it: as old as the looks at it have shown.
 * @param verdict what is thought of it now
 * @param mixMs when it goes into the dough
 * @returns undefined while it has not been mixed
 */
export function levainForDough(bake: Bake, verdict: Verdict | null, mixMs: number, belief: JarBelief, nowMs: number): BatchLine | undefined {
  const question = readyQuestion(bake, belief, nowMs)
  const shown = question !== null && verdict !== null ? shownAge(question, verdict) : shownAtMix(bake)
  return bake.line === null ? undefined : levainAsItShows(bake.line, shown, mixMs, belief.centre)
}

/** What the steps of a bake hang on, with where its bulk is to be stopped. */
export interface DayFacts extends StepFacts {
  readonly dough: {
    readonly course: CourseHere
    readonly pace: DoughForecast
    /** As it ferments, as quick as it was seen to be. */
    readonly line: BatchLine
    /** What rises since it was shaped, where it had gone too far by then and was knocked back; null otherwise. */
    readonly anew: BatchLine | null
  } | null
}

/** What the steps of a bake hang on. */
export function stepFactsOf(
  bake: Bake,
  plan: Plan,
  solved: SolvedBake | null,
  verdict: Verdict | null,
  stocked: Stocked,
  cultures: Cultures,
  nowMs: number
): DayFacts {
  const { kitchen } = stocked
  const { band, mixed, moves, deeds, status, pours } = bake.state
  const openMoves = movesLeft(plan.course?.moves ?? [], bake.state)
  const build = solved?.build ?? null
  const beginning = beginningOf(plan, solved)
  const from = band?.atMs ?? beginning.startMs
  const awake = (ms: number) => awakeAt(kitchen, ms)
  const question = verdict === null || !isCollapsed(verdict) ? null : questionOfBake({ ...bake, plan }, cultures, nowMs)
  const fed = verdict === null || question === null ? null : fedNow(question, verdict, plan.mixAt, awake, nowMs)
  const running =
    band === null ? asItIsRunning(bake, plan, verdict, cultures) : { bandMs: band.atMs, verdict: plan.build.source === 'as it is' ? null : verdict }
  const without: DayFacts = {
    status,
    hands: handsHere(plan, kitchen),
    mixAtMs: plan.mixAt,
    ...beginning,
    ahead: madeAheadOf(bake, plan),
    ripens: build === null || awaitsPot(plan) ? null : ripensAt(build.asItStands, plan.school),
    refillMs: plan.build.source === 'draw and top up' && !awaitsPot(plan) ? (pours.get('seed')?.[0]?.atMs ?? beginning.startMs) : null,
    chillsMs: from === null ? [] : plan.moves.slice(moves.length).map((move) => from + move.afterHours * millisecondsInHour),
    running: running === null ? null : { ...running, fedMixMs: fed?.mixAtMs ?? null },
    mixedMs: mixed?.atMs ?? null,
    doughTo: (plan.course?.moves ?? []).map(({ placeId }, i) =>
      !openMoves.has(i) && !deeds.has(moveStepId(i)) ? null : (kitchen.places.find((place) => place.id === placeId)?.name ?? '')
    ),
    dough: null,
    deeds,
    awake,
    bedtime: (ms) => nightAt(ms, kitchen.sleep, kitchen.timeZone)?.fromMs ?? ms
  }
  if (plan.course === null) return without
  const course = courseHere(plan.course, plan, kitchen)
  const belief = beliefForDough({ ...bake, plan }, verdict, cultures.beliefs, nowMs)
  // How long the dough takes hangs on when it is mixed, and that on the dough's day being planned at all: its length does not count there.
  const mixMs = expectedMixMs({ ...without, dough: { course, pace: { bulkHours: null, proofHours: null } } }, nowMs)
  const dough = doughOf(bake, plan, solved, stocked, mixMs, fed?.line ?? levainForDough(bake, verdict, mixMs, belief, nowMs))
  if (dough === null) return without
  const planned = doughPace(dough, course, belief.centre)
  const seen = progressOf(bake.state, dough, planned.stop?.gas ?? null, belief)
  // A level that was read moves the rest of the day.
  const line = seen === null ? dough : quickened(dough, seen.pace)
  const pace = seen === null ? planned : doughPace(line, course, belief.centre)
  const shaped = deeds.get('shape')
  const over =
    shaped?.did !== 'done' || course.proof.kind !== 'warm' || pace.stop === null ? null : overproofed(line, shaped.atMs, pace.stop.gas, belief.centre)
  if (shaped === undefined || over === null) return { ...without, dough: { course, pace, line, anew: null } }
  const anew = knockedBack(line, shaped.atMs)
  // Where nothing is left to raise it, it goes into the oven once that is hot.
  const proofHours = over.reshapeHours ?? course.preheatMinutes / 60
  return { ...without, dough: { course, pace: { ...pace, proofHours }, line, anew } }
}

/** The jar that a dough takes as it is, once it is judged: null where the plan that is being edited takes another one, or builds. */
function asItIsRunning(bake: Bake, plan: Plan, verdict: Verdict | null, { jars }: Cultures): StepFacts['running'] {
  const { build, jarId } = plan
  const jar = jars.find(({ id }) => id === jarId)
  if (verdict === null || jar === undefined || stagesToCome(plan, bake.state.deeds).length > 0 || build.source !== 'as it is' || jarId !== bake.plan.jarId)
    return null
  return { bandMs: jar.line.startedAtMs, verdict }
}

/** What of a dough is made ahead and has not been begun. */
const madeAheadOf = ({ state }: Pick<Bake, 'state'>, { formula }: Pick<Plan, 'formula'>): MadeAhead[] =>
  formula.lines.flatMap((line) =>
    line.kind !== 'pre-ferment' || state.weighed.some((w) => w.into === 'pre-ferment' && w.lineId === line.id)
      ? []
      : [{ id: line.id, name: line.mix.name, style: line.style, hours: line.hours ?? USUAL_AHEAD_HOURS[line.style] }]
  )

/** When a levain that is not mixed yet may go into the dough, and when it is at its best. */
function ripensAt({ startMs, milestones, fitHours }: TimedBuild, school: School): StepFacts['ripens'] {
  const { opensHours } = windowOf(milestones, school)
  return { opensMs: startMs + (opensHours ?? fitHours) * millisecondsInHour, fitMs: startMs + fitHours * millisecondsInHour }
}

/** The day as it was told when the band was set: what moved since is told against it. */
export function plannedSteps(bake: Bake): ReadonlyMap<string, number> {
  const event = bake.events.findLast((e) => e.id === bake.state.band?.id)
  const steps = event?.type === 'band' ? (event.shown?.steps ?? []) : []
  return new Map(steps.map(({ id, at }) => [id, at]))
}

/** What stands one after the other until a moment, with the end of each. */
const staysUntil = (places: readonly DoughPlace[], untilMs: number): Claim['stays'] =>
  places.flatMap(({ placeId, fromMs }, i) => (fromMs >= untilMs ? [] : [{ placeId, fromMs, toMs: Math.min(places[i + 1]?.fromMs ?? untilMs, untilMs) }]))

/** What a bake takes of hands, oven and places from now on. */
function claimOf({ id, plan, state }: Pick<Bake, 'id' | 'plan' | 'state'>, facts: StepFacts, mixMs: number, times: CourseTimes | null, nowMs: number): Claim {
  const startMs = facts.running?.bandMs ?? facts.startMs
  const stays = [
    ...(startMs === null || facts.mixedMs !== null ? [] : [{ placeId: plan.placeId, fromMs: startMs, toMs: mixMs }]),
    ...(times === null || plan.course === null
      ? []
      : staysUntil(doughPlaces(plan.course, mixMs, state), plan.course.proof.kind === 'cold' ? times.proofMs : times.bakeMs))
  ]
  return {
    id,
    name: plan.name,
    hands: stepsOf(facts, nowMs).flatMap(({ id: step, atMs, minutes, kind }) =>
      minutes > 0 && kind !== 'finish weighing' ? [{ step, fromMs: atMs, toMs: atMs + minutes * millisecondsInMinute }] : []
    ),
    oven: times === null || facts.deeds.has('out') ? null : { fromMs: times.bakeMs, toMs: times.outMs },
    stays
  }
}
