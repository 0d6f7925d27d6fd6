import { expose } from 'comlink'
import { millisecondsInHour } from 'date-fns/constants'
import { coldDays, drawn, drawsOf, howItShows, isItReady, learnedFrom, type ReadyQuestion, shownAge, waysForDate, whatToExpect } from '../../answers'
import type { Jar, JarBuild } from '../../contract'
import {
  type BatchLine,
  type BuildLog,
  beliefShown,
  type ComparedBuild,
  type CultureManner,
  chanceWhileHome,
  compareLine,
  type Drivers,
  doughOut,
  driversOf,
  type FoundPlans,
  findSchedules,
  type HourRange,
  type JarBelief,
  type JarCondition,
  type JarParameters,
  levainOut,
  type Mark,
  type OtherPlace,
  type OutWay,
  type PastBuild,
  type PlanProblem,
  pastBuilds,
  quantileOf,
  type Reasons,
  reaches,
  reasonsOf,
  type School,
  type SearchProgress,
  type SourAsked,
  simulate,
  sourAfter,
  sourLevers,
  vesselOf,
  type Ways,
  type WaysAsked,
  waysNow,
  withPaceDoubt
} from '../../core'

/** Last bakes that make up what one is used to. */
const LAST_BAKES = 3
/** Mixed before it had come so far towards its peak, a levain says nothing of what its baker is used to, as a share of the peak's hours. */
const RIPE_FROM = 0.6

function wasMixedRipe({ line, hours }: { readonly line: BatchLine; readonly hours: number }, jar: JarParameters): boolean {
  const { peakHours } = simulate(vesselOf(line, jar), jar, { untilHours: 240, stopPastPeak: true }).milestones
  return peakHours !== null && hours >= RIPE_FROM * peakHours
}

/** A jar with what is believed of it. */
export interface KeptJar extends Pick<Jar, 'line' | 'looks'> {
  readonly belief: JarBelief
}

/** So long a search goes on before others get a word in, ms. */
const BREATH_MS = 25

/** Lets other questions, and a word to stop, come in between. */
const breath = () => new Promise<void>((go) => setTimeout(go, 0))

/** Learnings that were called off. */
const stopped = new Set<string>()

/** Runs a search to its end, letting others in between; null when it was called off. */
async function searched(task: string, search: ReturnType<typeof findSchedules>, tell: (progress: SearchProgress) => void): Promise<FoundPlans | null> {
  let rested = performance.now()
  for (;;) {
    const next = search.next()
    if (next.done) return next.value
    tell(next.value)
    if (performance.now() - rested > BREATH_MS) {
      await breath()
      rested = performance.now()
    }
    if (stopped.delete(task)) return null
  }
}

const desk = {
  forecast: whatToExpect,
  judge: isItReady,
  reasons: (line: BatchLine, marks: readonly Mark[], hours: number, manner: CultureManner, belief: JarBelief): Reasons =>
    reasonsOf(drawsOf(line, belief), marks, hours, manner),
  /** What can be done with a running levain now. */
  ways: (
    line: BatchLine,
    marks: readonly Mark[],
    hours: number,
    wanted: Omit<WaysAsked, 'line' | 'nowMs' | 'forecast' | 'shown' | 'jar'>,
    belief: JarBelief
  ): Ways => {
    const asked = { marks, hours, school: wanted.school, belief }
    const verdict = isItReady({ ...asked, line })
    const nowMs = line.startedAtMs + hours * millisecondsInHour
    const shown = shownAge({ line, marks, hours }, verdict)
    return waysNow(
      { ...wanted, line, nowMs, forecast: verdict.forecast, shown, jar: beliefShown(belief, line, shown).centre },
      (moved) => isItReady({ ...asked, line: moved }, drawn).forecast
    )
  },
  /** What becomes of a running levain until somebody is back. */
  levainOut: (question: ReadyQuestion, places: readonly OtherPlace[], backMs: number): OutWay[] =>
    levainOut(
      question.line,
      question.line.startedAtMs + question.hours * millisecondsInHour,
      backMs,
      places,
      (moved) => isItReady({ ...question, line: moved }, drawn).forecast
    ),
  /** The same of a dough. */
  doughOut: (dough: BatchLine, nowMs: number, backMs: number, wantedGas: number, places: readonly OtherPlace[], belief: JarBelief): OutWay[] =>
    doughOut(dough, nowMs, backMs, wantedGas, places, belief.centre),
  /** When a dough has grown by each of some shares. */
  grown: (line: BatchLine, belief: JarBelief, gas: readonly number[], paceSd: number): HourRange[] =>
    gas.map((g) => withPaceDoubt(reaches(drawsOf(line, belief), g), paceSd)),
  drivers: (line: BatchLine, belief: JarBelief, school: School): Drivers => driversOf(line, belief.centre, school),
  /** TTA of the last levains when they were mixed: what the baker is used to; null without any. */
  usualSour: (
    past: readonly { readonly line: BatchLine; readonly hours: number }[],
    belief: JarBelief
  ): { readonly tta: number; readonly bakes: number } | null => {
    const all = past
      .filter((build) => wasMixedRipe(build, belief.centre))
      .slice(-LAST_BAKES)
      .map(({ line, hours }) => sourAfter(line, hours, belief.centre).tta)
    return all.length === 0 ? null : { tta: quantileOf(all, 0.5), bakes: all.length }
  },
  /** How sour a bake comes out, and what changes that. */
  sourLevers: (asked: SourAsked) => sourLevers(asked),
  /** How jars are at a moment. */
  conditions: (jars: readonly KeptJar[], atMs: number): JarCondition[] => jars.map((jar) => howItShows(jar, jar.belief, atMs)),
  /** Ways to feed a jar now so that it is ripe at a moment. */
  forDate: waysForDate,
  /** Days a jar takes to its peak in the cold, by ratio. */
  coldDays,
  /** How likely a planned levain is ready while the baker is at home around its mix. */
  chance: chanceWhileHome,
  compare: (line: BatchLine, belief: JarBelief, school: School): ComparedBuild => compareLine(line, belief, school),
  /** Learns a jar; null when it was called off. */
  learn: async (task: string, builds: readonly JarBuild[], tell: (share: number) => void): Promise<JarBelief | null> => {
    const rounds = learnedFrom(builds)
    for (;;) {
      const next = rounds.next()
      if (next.done) return next.value
      tell(next.value)
      await breath()
      if (stopped.delete(task)) return null
    }
  },
  /** Goes through a log again as it grew: what would have been said of each build, and what came; null when it was called off. */
  past: async (task: string, logs: readonly BuildLog[], tell: (share: number) => void): Promise<PastBuild[] | null> => {
    const steps = pastBuilds(logs)
    for (;;) {
      const next = steps.next()
      if (next.done) return next.value
      tell(next.value.done / next.value.of)
      await breath()
      if (stopped.delete(task)) return null
    }
  },
  /** Searches schedules for a bake, and tells what it has on the way; null when it was called off. */
  plans: (task: string, problem: PlanProblem, line: BatchLine, belief: JarBelief, tell: (progress: SearchProgress) => void): Promise<FoundPlans | null> =>
    searched(task, findSchedules(problem, line, belief), tell),
  stop: (task: string): void => {
    stopped.add(task)
  }
}
/** What the worker answers. */
export type ForecastDesk = typeof desk

expose(desk)
