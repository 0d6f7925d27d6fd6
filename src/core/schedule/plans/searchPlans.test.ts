import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { exhaustivePlans } from '../../testing/exhaustivePlans'
import { at, DOUGH, planProblem, randomProblem } from '../../testing/planProblems'
import { seededRandom } from '../../truth/seededRandom'
import { isHard } from '../availability'
import { courseTimes, doughAt, doughPace } from '../course'
import { areDifferent } from './differentPlans'
import { mendPlans } from './mendPlans'
import type { DayPlan, PlanProblem } from './problem'
import { findPlans, searchPlans } from './searchPlans'
import { usedUntil } from './trouble'
import { tasksOfPlan } from './weighPlan'
import { makeStage } from './windows'

/** What a plan breaks, asked of the hours themselves and worked out again with the engine: nothing of the search is trusted. */
function broken(problem: PlanProblem, plan: DayPlan): string[] {
  const wrong: string[] = []
  for (const task of tasksOfPlan(plan)) {
    if (task.spare === true) continue
    const toMs = task.fromMs + task.minutes * millisecondsInMinute
    for (const busy of problem.busy.filter(isHard)) if (busy.fromMs < toMs && busy.toMs > task.fromMs) wrong.push(`${task.step} while ${busy.name}`)
  }
  for (const taken of problem.oven) if (taken.fromMs < plan.times.outMs && taken.toMs > plan.times.bakeMs) wrong.push('oven')
  plan.stages.forEach(({ stage, startMs }, i) => {
    const window = makeStage(problem, stage, startMs)?.window
    const usedMs = plan.stages[i + 1]?.startMs ?? plan.mixMs
    const hours = (usedMs - startMs) / millisecondsInHour
    const last = window === undefined ? 0 : i + 1 < plan.stages.length ? usedUntil(window) : window.closes
    if (window === undefined || hours < window.opens - 1e-6 || hours > last + 1e-6) wrong.push(`${stage.kind} is not fit when it is used`)
    if (startMs < problem.nowMs) wrong.push('it lies in the past')
  })
  const exact = courseTimes(plan.course, plan.mixMs, doughPace(doughOf(problem, plan), plan.course, problem.build.seed.jar))
  if (exact === null || Math.abs(exact.shapeMs - plan.times.shapeMs) > 10 * millisecondsInMinute) wrong.push('the bulk takes another time')
  const { wish } = problem
  if (wish.kind === 'out' && plan.times.outMs > wish.atMs) wrong.push('late')
  if (wish.kind === 'eat' && plan.times.eatMs > wish.atMs) wrong.push('late')
  if (wish.kind === 'mix' && plan.mixMs !== wish.atMs) wrong.push('another mix')
  return wrong
}

/** The dough of a plan, where it stands and is moved to. */
function doughOf({ dough, places }: PlanProblem, { mixMs, course }: DayPlan) {
  const standingAt = (id: string | undefined) => places.find((p) => p.id === id)?.standing ?? { tempC: Number.NaN }
  const moves = (course.moves ?? []).map(({ afterHours, placeId, tempC }) => ({ afterHours, ...standingAt(placeId), tempC }))
  return doughAt(dough, mixMs, standingAt(course.placeId), moves)
}

test('against every combination reckoned one by one: the best plan is found', () => {
  const random = seededRandom(20_261_126)
  let compared = 0
  for (let i = 0; i < 200; i++) {
    const problem = randomProblem(random)
    const all = exhaustivePlans(problem)
    const best = findPlans(problem)[0]
    expect(best === undefined).toBe(all.count === 0)
    if (best === undefined) continue
    compared++
    expect((best.cost - all.best) / Math.max(all.median - all.best, 1e-6)).toBeLessThanOrEqual(0.02)
  }
  expect(compared).toBeGreaterThan(120)
})

test('every plan that is offered keeps every limit, whatever the hours', () => {
  const random = seededRandom(77)
  let offered = 0
  for (let i = 0; i < 40; i++) {
    const problem = randomProblem(random)
    for (const plan of findPlans(problem)) {
      offered++
      expect(broken(problem, plan)).toEqual([])
      expect(plan.violations).toEqual([])
    }
  }
  expect(offered).toBeGreaterThan(60)
})

test('a jar eight days in the cold, bread on Saturday noon, work and sleep: ways that differ, a feed or first build before the build', () => {
  const problem = planProblem({ coldDays: 8 })
  const plans = findPlans(problem)
  expect(plans.length).toBeGreaterThanOrEqual(3)
  for (const plan of plans) expect(broken(problem, plan)).toEqual([])
  expect(plans[0]?.stages.length).toBeGreaterThan(1)
  plans.forEach((a, i) => {
    for (const b of plans.slice(i + 1)) expect(areDifferent(a, b)).toBe(true)
  })
})

test('never padded: where only one way is left, one is offered', () => {
  const problem = planProblem({
    ratios: [5],
    mixTemps: [24],
    places: [{ id: 'room', standing: { tempC: 22 } }],
    proofs: [{ kind: 'warm', gas: 0.35 }],
    wish: { kind: 'habit', buildMs: at(27, '21:30'), mixMs: at(28, '07:30') }
  })
  const plans = findPlans(problem)
  expect(plans.length).toBeGreaterThanOrEqual(1)
  expect(plans.length).toBeLessThanOrEqual(2)
  for (const plan of plans) {
    expect(Math.abs((plan.stages.at(-1)?.startMs ?? 0) - at(27, '21:30'))).toBeLessThanOrEqual(20 * millisecondsInMinute)
    expect(plan.mixMs).toBe(at(28, '07:30'))
  }
})

test('the soonest bread is no later than any that was wished for', () => {
  const soonest = findPlans(planProblem({ wish: { kind: 'soonest' } }))[0]
  const wished = findPlans(planProblem())[0]
  expect(soonest?.times.outMs).toBeLessThanOrEqual(wished?.times.outMs ?? 0)
})

test('a wish that is too tight: what breaks it, the least that mends it, and the soonest that breaks nothing', () => {
  const problem = planProblem({ wish: { kind: 'out', atMs: at(27, '09:00') } })
  expect(findPlans(problem)).toEqual([])
  const { bent, later } = mendPlans(problem)
  expect(bent.length).toBeGreaterThan(0)
  expect(bent.length).toBeLessThanOrEqual(3)
  for (const plan of bent) {
    expect(plan.violations.length).toBeGreaterThan(0)
    for (const violation of plan.violations) expect(violation.minutes).toBeGreaterThan(0)
  }
  // The nearest first.
  expect(bent.map((plan) => plan.cost)).toEqual(bent.map((plan) => plan.cost).sort((a, b) => a - b))
  expect(later?.violations).toEqual([])
  expect(later?.times.outMs).toBeGreaterThan(at(27, '09:00'))
  // Mending it makes it possible.
  const mended = findPlans({ ...problem, wish: { kind: 'out', atMs: later?.times.outMs ?? 0 } })
  expect(mended.length).toBeGreaterThan(0)
})

test('Friday at 18:00, a ripe jar, bread on Saturday at noon: built in the warm, mixed before bed, left to rise in the cool', () => {
  const place = (id: string, tempC: number) => ({ id, standing: { tempC } })
  const [room, cool, warm] = [place('room', 21), place('cool', 15), place('warm', 26)]
  const problem = planProblem({
    nowMs: at(27, '18:00'),
    hours: { sleep: { from: '23:00', to: '07:00' }, weekly: [], once: [], timeZone: 'Europe/Lisbon' },
    wish: { kind: 'out', atMs: at(28, '12:00') },
    places: [cool, room, warm, place('fridge', 4)],
    // A sixth of levain: with more of it the night is too long.
    dough: { ...DOUGH, parents: DOUGH.parents.map((p) => ({ ...p, grams: 130 })) },
    stands: [{ place: room, moves: [] }]
  })
  expect(findPlans(problem)).toEqual([])
  const moved = { ...problem, stands: [...problem.stands, { place: room, moves: [{ afterHours: 0, place: cool }] }] }
  const [plan] = findPlans(moved)
  if (plan === undefined) throw new Error('no plan')
  expect(broken(moved, plan)).toEqual([])
  expect(plan.stages.at(-1)?.stage.place.id).toBe('warm')
  expect(plan.mixMs).toBeLessThanOrEqual(at(27, '22:45'))
  expect(plan.course.moves).toEqual([{ afterHours: 0, placeId: 'cool', tempC: 15 }])
  expect(plan.times.shapeMs).toBeGreaterThanOrEqual(at(28, '07:00'))
  expect(plan.times.outMs).toBeLessThanOrEqual(at(28, '12:00'))
})

test('a mix at an hour that cannot be: the next hour at which it can', () => {
  const problem = planProblem({ wish: { kind: 'mix', atMs: at(26, '20:00') } })
  expect(findPlans(problem)).toEqual([])
  const { later } = mendPlans(problem)
  expect(later?.violations).toEqual([])
  expect(later?.mixMs).toBeGreaterThan(at(26, '20:00'))
  expect(findPlans({ ...problem, wish: { kind: 'mix', atMs: later?.mixMs ?? 0 } }).length).toBeGreaterThan(0)
})

test('getting up a quarter of an hour earlier is told as that', () => {
  const problem = planProblem({
    hours: { sleep: { from: '22:30', to: '07:00' }, weekly: [], once: [], timeZone: 'Europe/Lisbon' },
    proofs: [{ kind: 'warm', gas: 0.35 }],
    wish: { kind: 'out', atMs: at(27, '12:30') }
  })
  const strict = findPlans(problem)
  const { bent } = mendPlans(problem)
  if (strict.length > 0) return
  expect(bent[0]?.violations.some((v) => v.kind === 'asleep' || v.kind === 'late')).toBe(true)
})

test('two bakes and one oven: the second goes in when the first is out', () => {
  const taken = { fromMs: at(28, '10:30'), toMs: at(28, '11:15') }
  const problem = planProblem({ oven: [taken], dough: DOUGH })
  for (const plan of findPlans(problem)) expect(plan.times.bakeMs >= taken.toMs || plan.times.outMs <= taken.fromMs).toBe(true)
})

test('a night with the change of the clocks keeps its real hours', () => {
  const zone = 'Europe/Lisbon'
  const now = Date.UTC(2026, 9, 24, 18)
  const problem = planProblem({ nowMs: now, wish: { kind: 'out', atMs: Date.UTC(2026, 9, 25, 20) }, busy: [], hours: undefined, timeZone: zone })
  const plan = findPlans(problem)[0]
  const last = plan?.stages.at(-1)
  if (plan === undefined || last === undefined) throw new Error('no plan')
  const hours = (plan.mixMs - last.startMs) / millisecondsInHour
  expect(hours).toBeGreaterThanOrEqual(last.window.opens)
  expect(hours).toBeLessThanOrEqual(last.window.closes)
})

test('the first plans come before the search is over, and the share grows', () => {
  const search = searchPlans(planProblem())
  const shares: number[] = []
  let early = 0
  for (let next = search.next(); next.done !== true; next = search.next()) {
    shares.push(next.value.share)
    if (early === 0) early = next.value.plans.length
  }
  expect(early).toBeGreaterThan(0)
  expect(shares).toEqual([...shares].sort((a, b) => a - b))
})
