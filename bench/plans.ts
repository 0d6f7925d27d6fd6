import { standsOf } from '../src/answers'
import { findPlans, type Interval, offerPlans, type PlanProblem, searchPlans, seededRandom, tasksOfPlan, UNKNOWN_JAR } from '../src/core'
import type { Busy } from '../src/core/schedule/availability'
import { exhaustivePlans } from '../src/core/testing/exhaustivePlans'
import { at, planProblem, randomProblem } from '../src/core/testing/planProblems'
import { heading, report } from './report'

const HOUR = 3_600_000
const MINUTE = 60_000

/** Searching plans: how soon the first are there, the whole set with its likelihoods, how it grows with other bakes, and against every combination. */
export function benchPlans(): void {
  benchSearch()
  benchGrowth()
  benchRegret()
}

/** Whole problems of a working week: fine grid, five places, jars of every age. */
function weekProblem(random: () => number): PlanProblem {
  const nowMs = at(26, '06:00') + Math.floor(random() * 16) * HOUR
  const room = 18 + 6 * random()
  const place = (id: string, tempC: number) => ({ id, standing: { tempC } })
  const places = [
    place('cool', room - 4),
    { id: 'room', standing: { tempC: room, swing: { swingK: 1.5, warmestMs: at(26, '16:00') } } },
    place('warm', room + 4),
    place('sill', room + 1),
    place('fridge', 4)
  ]
  return planProblem({
    nowMs,
    coldDays: random() < 0.6 ? 0.5 + 10 * random() : undefined,
    wish: random() < 0.8 ? { kind: 'out', atMs: nowMs + (20 + 60 * random()) * HOUR } : { kind: 'soonest' },
    places,
    stands: standsOf({ place: place('room', room), moves: [] }, places)
  })
}

function benchSearch(): void {
  heading('Plans for one bake, as the worker searches them: 40 weeks of other hours, warmth and jars')
  const random = seededRandom(6)
  const first: number[] = []
  const search: number[] = []
  const all: number[] = []
  const found: number[] = []
  for (let i = 0; i < 44; i++) {
    const problem = weekProblem(random)
    const start = performance.now()
    const steps = searchPlans(problem)
    let early = Number.NaN
    let next = steps.next()
    for (; next.done !== true; next = steps.next()) if (Number.isNaN(early) && next.value.plans.length > 0) early = performance.now() - start
    const searched = performance.now() - start
    const offered = offerPlans(problem, next.value, UNKNOWN_JAR)
    // The first few warm the machine up.
    if (i < 4) continue
    if (!Number.isNaN(early)) first.push(early)
    search.push(searched)
    all.push(performance.now() - start)
    found.push(offered.length)
  }
  report('first plans', first, 'ms', 0)
  report('the search to its end', search, 'ms', 0)
  report('with likelihoods of all of them', all, 'ms', 0)
  report('plans offered', found, '', 0)
}

/** Bakes planned one after the other, each around those before it. */
function benchGrowth(): void {
  heading('Several bakes in one kitchen, each planned around the others')
  for (const count of [1, 2, 4, 8]) {
    const runs: number[] = []
    for (let run = 0; run < 5; run++) {
      const busy: Busy[] = []
      const oven: Interval[] = []
      const start = performance.now()
      for (let i = 0; i < count; i++) {
        const problem = planProblem({ wish: { kind: 'out', atMs: at(28, '10:00') + i * 2 * HOUR }, coldDays: i % 2 === 0 ? 3 : undefined })
        const best = findPlans({ ...problem, busy: [...problem.busy, ...busy], oven })[0]
        if (best === undefined) continue
        oven.push({ fromMs: best.times.bakeMs, toMs: best.times.outMs })
        for (const task of tasksOfPlan(best))
          busy.push({ kind: 'other bake', name: `bake ${i}`, fromMs: task.fromMs, toMs: task.fromMs + task.minutes * MINUTE })
      }
      runs.push(performance.now() - start)
    }
    report(`${count} ${count === 1 ? 'bake' : 'bakes'}`, runs, 'ms', 0)
  }
}

function benchRegret(): void {
  heading('The best plan found against all combinations, reckoned one by one: 200 small problems')
  const random = seededRandom(20_261_126)
  const regrets: number[] = []
  const counts: number[] = []
  let impossible = 0
  let missed = 0
  for (let i = 0; i < 200; i++) {
    const problem = randomProblem(random)
    const every = exhaustivePlans(problem)
    const best = findPlans(problem)[0]
    if (every.count === 0) impossible++
    else if (best === undefined) missed++
    else {
      counts.push(every.count)
      regrets.push((100 * (best.cost - every.best)) / Math.max(every.median - every.best, 1e-6))
    }
  }
  report('regret, of best to median', regrets, '%', 2)
  report('combinations that keep the limits', counts, '', 0)
  process.stdout.write(`  no plan possible: ${impossible} of 200, and none was found there; missed: ${missed}\n`)
}
