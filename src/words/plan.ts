import { TZDate } from '@date-fns/tz'
import type { Kitchen } from '../contract'
import {
  ACID,
  buildOfStage,
  type CostPart,
  type DayPlan,
  entriesOf,
  type Format,
  type PlanProblem,
  type PlanStage,
  ratioOf,
  sourceLevain,
  stepNamed,
  sure,
  type ToldPlan,
  type Violation,
  wakeGrams
} from '../core'
import { near } from './phases'
import { capital, stepWord } from './steps'

/** Which part of the day a moment falls into, in a word. */
function partOfDay(ms: number, timeZone: string): string {
  const hour = new TZDate(ms, timeZone).getHours()
  if (hour < 5) return 'night'
  if (hour < 11) return 'morning'
  if (hour < 14) return 'midday'
  if (hour < 18) return 'afternoon'
  return hour < 22 ? 'evening' : 'late evening'
}

/** "in the morning", "at midday" */
const during = (part: string) => (part === 'midday' || part === 'night' ? `at ${part}` : `in the ${part}`)

const placeName = ({ places }: Kitchen, id: string) => places.find((p) => p.id === id)?.name.toLowerCase() ?? 'another place'

/** The ratio of a stage as bakers write it. */
export function stageRatio(problem: PlanProblem, stage: PlanStage): string {
  if (stage.kind === 'wake') return ratioOf({ seed: problem.wake.kept.grams, ...wakeGrams(problem.wake, stage.flourPerSeed) })
  const levain = sourceLevain(buildOfStage(problem, stage).levain)
  return levain.ok ? ratioOf(levain.value.masses) : `1:${stage.flourPerSeed}`
}

/** A plan in a line: "Evening build, cool corner, 1:6:6". */
export function planTitle(problem: PlanProblem, { stages }: DayPlan, kitchen: Kitchen): string {
  const last = sure(stages.at(-1))
  const first = sure(stages[0])
  const wakes = stages.filter(({ stage }) => stage.kind === 'wake').length
  const builds = stages.length - wakes
  const when = capital(partOfDay(first.startMs, kitchen.timeZone))
  const where = placeName(kitchen, last.stage.place.id)
  const ratio = stageRatio(problem, last.stage)
  const { chill } = last.stage
  const ripens = chill !== null && last.window.opens > chill.afterHours
  const held =
    chill === null
      ? ''
      : ripens
        ? `, ${chill.afterHours} h out, then the ${placeName(kitchen, chill.place.id)}`
        : `, held in the ${placeName(kitchen, chill.place.id)}`
  if (wakes > 0)
    return `${when} feed${wakes > 1 ? `, ${wakes} feeds` : ''}, then ${partOfDay(last.startMs, kitchen.timeZone)} ${problem.asItIs === true ? 'feed' : 'build'}, ${where}, ${ratio}${held}`
  if (builds > 1) return `Two builds, the first ${during(when.toLowerCase())}, ${where}, ${ratio}${held}`
  return `${when} ${problem.asItIs === true ? 'feed' : 'build'}, ${where}, ${ratio}${held}`
}

/** What a dough does after its mix, in a few words; none where it does as every dough. */
function doughTitle(problem: PlanProblem, { course, times }: DayPlan, kitchen: Kitchen): string {
  const moved = (course.moves ?? []).slice(0, times.moveMs.length)[0]
  const there = moved?.placeId ?? (course.placeId === problem.stands[0]?.place.id ? undefined : course.placeId)
  return there === undefined ? '' : `, bulk in the ${placeName(kitchen, there)}`
}

/** What tells plans of one title apart, tried in this order: how they are proofed, which day and hour they begin, and when they are mixed. */
const TOLD_APART: readonly ((plan: DayPlan, format: Format) => string)[] = [
  ({ course }) => (course.proof.kind === 'cold' ? 'proofed in the cold' : 'proofed warm'),
  ({ stages }, format) => `begun ${format.dayTime(near(sure(stages[0]).startMs))}`,
  ({ mixMs }, format) => `mixed ${format.dayTime(near(mixMs))}`
]

/** The words of several plans, no two alike: what tells them apart is added where it is needed. What reads alike even then is one card. */
export function planTitles(problem: PlanProblem, plans: readonly DayPlan[], kitchen: Kitchen, format: Format): ReadonlyMap<DayPlan, string> {
  let titles = plans.map((plan) => `${planTitle(problem, plan, kitchen)}${doughTitle(problem, plan, kitchen)}`)
  for (const apart of TOLD_APART) {
    const isShared = (title: string) => titles.filter((other) => other === title).length > 1
    const added = plans.map((plan) => apart(plan, format))
    // Added only where it tells some of them apart.
    const tells = (title: string) => new Set(added.filter((_, k) => titles[k] === title)).size > 1
    titles = titles.map((title, i) => (isShared(title) && tells(title) ? `${title}, ${added[i]}` : title))
  }
  return new Map(plans.flatMap((plan, i) => (titles.indexOf(sure(titles[i])) === i ? [[plan, sure(titles[i])] as const] : [])))
}

/** How it will taste against the others, from the acid of its levain and the hours in the cold. */
export function tasteWord({ sour }: ToldPlan, { course }: DayPlan): string {
  const tang = (sour === null ? 0 : (ACID.flourPh - sour.pH) / (ACID.flourPh - RIPE_PH)) + (course.proof.kind === 'cold' ? COLD_TANG * course.proof.hours : 0)
  return tang < MILD ? 'mild' : tang > TANGY ? 'tangy' : 'in between'
}
/** pH of a ripe levain. */
const RIPE_PH = 3.95
/** The way from flour to a ripe levain is 1; a night in the cold adds about as much tang as a third of it. Craft knowledge. */
const COLD_TANG = 0.03
const MILD = 0.95
const TANGY = 1.3

/** How a dough goes on after its mix, in words: where it is moved to while it rises, and how it is proofed. */
export function proofWords({ course, times }: Pick<DayPlan, 'course' | 'times'>, kitchen: Kitchen, format: Format): string {
  const moves = (course.moves ?? []).slice(0, times.moveMs.length)
  const moved = moves.map(({ placeId }, i) => `${i === 0 ? 'dough to' : 'to'} ${placeName(kitchen, placeId)} at ${format.time(near(sure(times.moveMs[i])))}`)
  const proof =
    course.proof.kind === 'cold'
      ? `shaped, ${format.duration(Math.round(course.proof.hours * 4) / 4)} in the cold`
      : moves.length === 0
        ? 'proofed warm, the same day'
        : 'shaped and proofed warm'
  return [...moved, proof].join(', ')
}

const BECAUSE: Readonly<Record<CostPart, string | null>> = {
  steps: null,
  flour: null,
  waiting: null,
  'rather not': 'Some of it falls where you would rather not.',
  'off the fit moment': 'It is mixed near the edge of its window.',
  chance: 'It may be early or late while you are busy.',
  'early bread': 'The bread is ready a good while before you want it.',
  'unlike the plan': 'It differs from what is planned now.',
  stretched: 'Bulk or proof are a little longer or shorter than usual.',
  'no folds': 'Some folds fall out, because nobody is there.',
  'weak culture': 'The jar would want another feed first.'
}
/** A cost below this is not worth a sentence, in minutes of trouble. */
const WORTH_TELLING = 14
const MOST_REASONS = 2

/** Why a plan is as it is: what speaks for it, and what it costs. */
export function whyWords(plan: DayPlan, told: ToldPlan, format: Format): string[] {
  const against = entriesOf(plan.because)
    .flatMap(([part, cost]) => (cost >= WORTH_TELLING && BECAUSE[part] !== null ? [[BECAUSE[part], cost] as const] : []))
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST_REASONS)
    .map(([words]) => words)
  const from = (ms: number) => format.dayTime(near(ms))
  const window = `Ready from ${from(told.window.fromMs)} to ${from(told.window.toMs)}`
  const colder = told.colder === null ? '' : `; with the kitchen ${format.temperatureGap(2)} colder, ${from(told.colder.fromMs)} to ${from(told.colder.toMs)}`
  return [`${window}${colder}.`, ...against]
}

/** What a limit that is broken would ask. */
export function violationWords({ kind, name, minutes, step, fromMs, toMs }: Violation, plan: DayPlan, kitchen: Kitchen, format: Format): string {
  const word = stepWord(stepNamed(step)).toLowerCase()
  const time = momentOf(step, plan)
  const at = time === null ? '' : ` at ${format.dayTime(near(time))}`
  const by = format.duration(minutes / 60)
  switch (kind) {
    case 'asleep':
      return time !== null && toMs - time < time - fromMs
        ? `Get up ${by} earlier: ${word}${at}, and you sleep until ${format.time(toMs)}.`
        : `Stay up ${by} longer: ${word}${at}, and you sleep from ${format.time(fromMs)}.`
    case 'out':
      return `Be at home: ${word}${at}, and ${name} is from ${format.time(fromMs)} to ${format.time(toMs)}.`
    case 'other bake':
      return `Both hands at once: ${word}${at}, while ${name} wants you too.`
    case 'oven':
      return `The oven is taken from ${format.time(fromMs)} to ${format.time(toMs)}.`
    case 'full':
      return `${capital(placeName(kitchen, name))} is full from ${format.dayTime(fromMs)} to ${format.dayTime(toMs)}.`
    case 'late':
      return `Have the bread ${by} later, ${format.dayTime(near(toMs))}.`
  }
}

/** When a step of a plan is. */
function momentOf(step: string, { stages, times, mixMs }: DayPlan): number | null {
  const stage = stages.find((s) => s.stage.kind === step)
  if (stage !== undefined) return stage.startMs
  const at: Readonly<Record<string, number | null>> = {
    autolyse: times.autolyseMs,
    mix: mixMs,
    shape: times.shapeMs,
    preheat: times.preheatMs,
    bake: times.bakeMs,
    lid: times.lidMs,
    out: times.outMs
  }
  return at[step] ?? null
}
