import { millisecondsInHour } from 'date-fns/constants'
import { planProblemOf, solvePlan } from '../answers'
import type { Kitchen } from '../contract'
import { createFormat, type DayPlan, findPlans, type PlanProblem, type PlanStage, type TimedPlanStage, type ToldPlan, type Violation } from '../core'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../testing/plannedBake'
import { planTitle, proofWords, stageRatio, tasteWord, violationWords, whyWords } from './plan'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const kitchen = {
  timeZone: 'UTC',
  places: [
    { id: 'room', name: 'Worktop' },
    { id: 'fridge', name: 'Fridge' }
  ]
} as unknown as Kitchen
const plain = (words: string) => words.replace(/\s+/g, ' ')
const cultures = culturesWith(0)
const wish = { kind: 'out', atMs: NOW + 46 * millisecondsInHour } as const
const asked = planProblemOf(BAKE, PLAN, solvePlan(PLAN, cultures, STOCKED, NOW), wish, cultures, STOCKED, NOW, []) as PlanProblem
const problem: PlanProblem = { ...asked, spread: { jar: 0.25, fed: 0.15 } }
/** A moment of November 2026. */
const at = (day: number, clock: string) => Date.parse(`2026-11-${day}T${clock}:00.000Z`)
const [plan] = findPlans(problem) as [DayPlan]
const stage = (kind: PlanStage['kind'], start: number, more: object = {}): TimedPlanStage => {
  const like = plan.stages.at(-1) as TimedPlanStage
  return {
    ...like,
    startMs: start,
    stage: { ...like.stage, kind, place: { ...like.stage.place, id: 'room' }, chill: null, flourPerSeed: 5, ...more } as PlanStage
  }
}
const planOf = (stages: readonly TimedPlanStage[], more: Partial<DayPlan> = {}): DayPlan => ({ ...plan, stages, ...more })
const told: ToldPlan = {
  chance: 0.8,
  window: { fromMs: at(27, '16:02'), toMs: at(27, '20:00') },
  colder: { fromMs: at(27, '18:00'), toMs: at(27, '22:30') },
  warmer: null,
  sour: { pH: 3.95, tta: 10 },
  handsMinutes: 70,
  flourGrams: 110,
  discardGrams: 0
}

test('a plan in a line: part of the day, place and ratio as bakers write it', () => {
  expect(planTitle(problem, planOf([stage('build', at(27, '07:30'))]), kitchen)).toBe('Morning build, worktop, 1:5:5')
  expect(planTitle(problem, planOf([stage('build', at(27, '21:00'))]), kitchen)).toMatch(/^Evening build, worktop/)
  expect(planTitle(problem, planOf([stage('build', at(27, '02:00'))]), kitchen)).toMatch(/^Night build/)
})

test('feeds before it, a first build, and a hold in the cold are told', () => {
  const wakes = [stage('wake', at(26, '20:00')), stage('wake', at(27, '08:00'), { flourPerSeed: 2 }), stage('build', at(27, '15:00'))]
  expect(planTitle(problem, planOf(wakes), kitchen)).toMatch(/^Evening feed, 2 feeds, then afternoon build, worktop, 1:5:5$/)
  expect(planTitle(problem, planOf([stage('first build', at(27, '12:00')), stage('build', at(27, '20:00'))]), kitchen)).toMatch(
    /^Two builds, the first at midday, worktop/
  )
  const chilled = (afterHours: number) => [stage('build', at(27, '07:30'), { chill: { place: { id: 'fridge', standing: { tempC: 4 } }, afterHours } })]
  // Its window opens after some hours: put away then it is held, put away after two it ripens there.
  const { opens } = plan.stages.at(-1)?.window ?? { opens: Number.NaN }
  expect(planTitle(problem, planOf(chilled(opens + 0.5)), kitchen)).toMatch(/, held in the fridge$/)
  expect(planTitle(problem, planOf(chilled(2)), kitchen)).toMatch(/, 2 h out, then the fridge$/)
})

test('a wake-up feed is told by what is kept of the jar', () => {
  const ratio = stageRatio(problem, stage('wake', 0, { flourPerSeed: 2 }).stage)
  expect(ratio).toMatch(/^1:2(\.\d)?:\d(\.\d)?$/)
})

test('acid and a night in the cold make it tangy', () => {
  const warm = { ...plan, course: { ...plan.course, proof: { ...plan.course.proof, kind: 'warm' } } } as DayPlan
  const cold = { ...plan, course: { ...plan.course, proof: { kind: 'cold', hours: 14 } } } as unknown as DayPlan
  expect([tasteWord({ ...told, sour: { pH: 4.4, tta: 8 } }, warm), tasteWord(told, warm), tasteWord(told, cold)]).toEqual(['mild', 'in between', 'tangy'])
  expect(plain(proofWords(cold, kitchen, format))).toBe('shaped, 14 h in the cold')
  expect(proofWords(warm, kitchen, format)).toBe('proofed warm, the same day')
})

test('why: the window, what a colder kitchen makes of it, and the two dearest reasons that are worth a sentence', () => {
  const because = { steps: 300, chance: 40, 'no folds': 20, 'off the fit moment': 30, stretched: 5 }
  expect(whyWords({ ...plan, because }, told, format).map(plain)).toEqual([
    'Ready from Fri 16:00 to Fri 20:00; with the kitchen 2 °C colder, Fri 18:00 to Fri 22:30.',
    'It may be early or late while you are busy.',
    'It is mixed near the edge of its window.'
  ])
  expect(whyWords({ ...plan, because: {} }, { ...told, colder: null }, format).map(plain)).toEqual(['Ready from Fri 16:00 to Fri 20:00.'])
})

test('a limit that is broken asks in hours and names whose time it is', () => {
  const broken = (more: Partial<Violation>): string => {
    const violation: Violation = { kind: 'asleep', name: '', minutes: 45, step: 'mix', fromMs: at(27, '22:30'), toMs: at(28, '06:30'), ...more }
    return plain(violationWords(violation, { ...plan, mixMs: more.step === undefined ? at(27, '23:10') : at(28, '05:45') }, kitchen, format))
  }
  expect(broken({})).toBe('Stay up 45 min longer: mix at Fri 23:10, and you sleep from 22:30.')
  expect(broken({ step: 'mix' })).toBe('Get up 45 min earlier: mix at Sat 05:45, and you sleep until 06:30.')
  expect(broken({ kind: 'out', name: 'work' })).toMatch(/^Be at home: mix at Fri 23:10, and work is from 22:30 to 06:30\.$/)
  expect(broken({ kind: 'oven' })).toBe('The oven is taken from 22:30 to 06:30.')
  expect(broken({ kind: 'full', name: 'fridge' })).toBe('Fridge is full from Fri 22:30 to Sat 06:30.')
  expect(broken({ kind: 'late', minutes: 150 })).toBe('Have the bread 2 h 30 min later, Sat 06:30.')
})
