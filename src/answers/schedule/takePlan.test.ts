import { findSchedules, restedSeed, stepsOf, sure, UNKNOWN_JAR } from '../../core'
import { BAKE, culturesWith, KITCHEN, PLAN, STOCKED } from '../../testing/plannedBake'
import { dayOfBake } from '../bake/dayOfBake'
import { type Cultures, solvePlan } from '../bake/solvePlan'
import { adviceNow } from '../judgement/adviceNow'
import { isItReady } from '../judgement/isItReady'
import { lineSearched, planProblemOf } from './planProblem'
import { takePlan, takeYeasted, withYeast } from './takePlan'

const HOUR = 3_600_000
/** A Saturday, eight in the morning; nobody works. */
const SATURDAY = Date.UTC(2026, 10, 28, 8)
const stocked = { ...STOCKED, kitchen: { ...KITCHEN, weekly: [] } }
const { kitchen } = stocked

/** A jar that was left in the cold for so many days. */
function neglected(coldDays: number): Cultures {
  const usual = culturesWith(0)
  const line = restedSeed('white wheat', coldDays, SATURDAY)
  return { ...usual, jars: usual.jars.map((jar) => ({ ...jar, line })) }
}

function asked(coldDays: number, atMs: number) {
  const cultures = neglected(coldDays)
  const plan = { ...PLAN, mixAt: SATURDAY + 26 * HOUR }
  const solved = solvePlan(plan, cultures, stocked, SATURDAY)
  const problem = sure(planProblemOf(BAKE, plan, solved, { kind: 'out', atMs }, cultures, stocked, SATURDAY, []) ?? undefined)
  const search = findSchedules(problem, sure(solved?.build ?? undefined).asItStands.line, UNKNOWN_JAR)
  let step = search.next()
  while (step.done !== true) step = search.next()
  return { cultures, plan, solved, found: step.value }
}

test('a jar that was left for three weeks makes bread the same day with a little yeast, and its levain is not waited for', () => {
  const { cultures, plan, solved, found } = asked(20, SATURDAY + 11 * HOUR)
  expect(found.plans).toHaveLength(0)
  const way = sure(found.yeasted ?? undefined)
  const { plan: day, yeastGrams, share } = way
  expect(share).toBeLessThanOrEqual(0.008)
  expect(day.stages).toHaveLength(1)
  expect(sure(day.stages[0]).startMs).toBeGreaterThanOrEqual(SATURDAY)
  expect(day.times.outMs).toBeLessThanOrEqual(SATURDAY + 11 * HOUR)
  expect(day.times.shapeMs - day.mixMs).toBeGreaterThan(1.5 * HOUR)

  const taken = { ...plan, ...takeYeasted(plan, way, solved, kitchen) }
  expect(taken.school).toBe('for taste')
  const again = sure(solvePlan(taken, cultures, stocked, SATURDAY) ?? undefined)
  const dough = again.dough
  if (!dough.ok) throw new Error(dough.problem.code)
  const yeast = dough.value.weigh.lines.find((line) => line.id === 'dry yeast')
  expect(yeast?.grams).toBeCloseTo(yeastGrams, 1)
  // The mix stays at its hour, whatever the levain does by then.
  const steps = dayOfBake({ ...BAKE, plan: taken }, { solved: again, verdict: null }, stocked, cultures, SATURDAY).steps
  expect(steps.find((step) => step.kind === 'mix')?.atMs).toBe(day.mixMs)
})

test('a levain for taste is mixed at its hour, and nobody is told to wait for it or to feed it again', () => {
  const { cultures, plan, solved, found } = asked(20, SATURDAY + 11 * HOUR)
  const way = sure(found.yeasted ?? undefined)
  const taken = { ...plan, ...takeYeasted(plan, way, solved, kitchen) }
  const line = sure(solvePlan(taken, cultures, stocked, SATURDAY)?.build ?? undefined).asItStands.line
  for (const [hours, rise] of [
    [2, 1],
    [3, 1.1],
    [30, 1.05]
  ] as const) {
    const verdict = isItReady({ line, marks: [{ hours, rise }], hours, school: taken.school, belief: UNKNOWN_JAR })
    const told = adviceNow(verdict, line.startedAtMs, line.startedAtMs + hours * HOUR, (ms) => ms)
    expect([told.advice.kind, told.headline, told.window, told.lookMs]).toEqual(['for taste', 'for taste', null, null])
    const steps = stepsOf(
      {
        status: 'ripening',
        mixAtMs: line.startedAtMs + 4 * HOUR,
        startMs: line.startedAtMs,
        growMs: [],
        ripens: null,
        before: [],
        ahead: [],
        chillsMs: [],
        running: { bandMs: line.startedAtMs, verdict },
        mixedMs: null,
        dough: null,
        deeds: new Map(),
        awake: (ms) => ms,
        bedtime: (ms) => ms
      },
      line.startedAtMs + hours * HOUR
    )
    expect(steps.map((step) => step.kind)).toEqual(['mix'])
    expect(sure(steps[0]).atMs).toBe(line.startedAtMs + Math.max(hours, 4) * HOUR)
  }
})

test('yeast is no way of its own where the levain makes the bread in time', () => {
  const { plan, found } = asked(0, SATURDAY + 34 * HOUR)
  expect(found.plans.length).toBeGreaterThan(0)
  expect(found.yeasted).toBeNull()
  const { plan: day } = sure(found.plans[0])
  expect(takePlan(plan, found.problem, day, kitchen).school).toBe('dome')
})

test('yeast that is in the recipe already gets more, and no second line', () => {
  const { plan, solved } = asked(0, SATURDAY + 34 * HOUR)
  if (solved?.dough.ok !== true) throw new Error('no dough')
  const once = withYeast(plan.formula, { share: 0.004 }, solved.dough.value.exact)
  const twice = withYeast(once, { share: 0.004 }, solved.dough.value.exact)
  const shares = (lines: typeof once.lines) => lines.flatMap((line) => (line.kind === 'extra' ? [line.share] : []))
  // Of the flour without the levain's: 20 % levain of one to one, a tenth of that flour, is a share of all flour of 1.1.
  expect(shares(once.lines)).toEqual([expect.closeTo(0.0044, 4)])
  expect(shares(twice.lines)).toEqual([expect.closeTo(0.0088, 4)])
})

test('starter that is used as it is: the feed that makes the jar ready is searched, and large enough for dough and jar', () => {
  for (const coldDays of [1, 6]) {
    const cultures = neglected(coldDays)
    const plan = { ...PLAN, build: { ...PLAN.build, source: 'as it is' as const }, mixAt: SATURDAY + 26 * HOUR }
    const solved = solvePlan(plan, cultures, stocked, SATURDAY)
    const wish = { kind: 'out', atMs: SATURDAY + 34 * HOUR } as const
    const problem = sure(planProblemOf(BAKE, plan, solved, wish, cultures, stocked, SATURDAY, []) ?? undefined)
    const line = sure(lineSearched(plan, solved, cultures, stocked, SATURDAY) ?? undefined)
    const search = findSchedules(problem, line, UNKNOWN_JAR)
    let step = search.next()
    while (step.done !== true) step = search.next()
    const found = step.value
    expect(found.plans.length).toBeGreaterThan(0)
    for (const { plan: way, told } of found.plans) {
      const taken = { ...plan, ...takePlan(plan, found.problem, way, kitchen) }
      expect(taken.build).toEqual(plan.build)
      expect(taken.before.map(({ kind, at }) => [kind, at])).toEqual(way.stages.map(({ startMs }) => ['wake', startMs]))
      expect(new Set(taken.before.map(({ id }) => id)).size).toBe(taken.before.length)
      const again = sure(solvePlan(taken, cultures, stocked, SATURDAY) ?? undefined)
      const build = sure(again.build ?? undefined)
      const last = sure(taken.before.at(-1))
      // What the feed makes is enough for the dough, and leaves what the jar is to keep: 15 g.
      expect(last.seedGrams + last.flourGrams + last.waterGrams).toBeGreaterThanOrEqual(build.weigh.seed + 15)
      expect(last.seedGrams).toBeLessThanOrEqual(80)
      const window = sure(way.stages.at(-1)).window
      const hours = (way.mixMs - last.at) / HOUR
      expect(hours).toBeGreaterThanOrEqual(window.opens - 0.1)
      expect(hours).toBeLessThanOrEqual(window.closes + 0.1)
      expect(told.chance).toBeGreaterThan(0.2)
      const kinds = dayOfBake({ ...BAKE, plan: taken }, { solved: again, verdict: null }, stocked, cultures, SATURDAY).steps.map(({ kind }) => kind)
      expect(kinds.filter((kind) => kind === 'wake')).toHaveLength(way.stages.length)
      expect(kinds).not.toContain('build')
    }
  }
})

test('the day with yeast is a way out, whatever else the levain was to do', () => {
  const cultures = neglected(20)
  const plan = { ...PLAN, mixAt: SATURDAY + 26 * HOUR }
  const solved = solvePlan(plan, cultures, stocked, SATURDAY)
  const wish = { kind: 'out', atMs: SATURDAY + 11 * HOUR } as const
  const problem = sure(planProblemOf(BAKE, plan, solved, wish, cultures, stocked, SATURDAY, [], 'out, then the fridge') ?? undefined)
  const search = findSchedules(problem, sure(solved?.build ?? undefined).asItStands.line, UNKNOWN_JAR)
  let step = search.next()
  while (step.done !== true) step = search.next()
  expect(step.value.plans).toHaveLength(0)
  expect(sure(step.value.yeasted ?? undefined).plan.stages.map(({ stage }) => stage.chill)).toEqual([null])
})
