import { UNKNOWN_JAR } from '../../ferment/jarParameters'
import { at, planProblem } from '../../testing/planProblems'
import { findPlans } from './searchPlans'
import { rankPlans, spreadsOf, tellPlan } from './tellPlan'
import { makeStage } from './windows'

const problem = planProblem()
const told = findPlans(problem).map((plan) => ({ plan, told: tellPlan(problem, plan, UNKNOWN_JAR) }))

test('a colder kitchen is later, a warmer one sooner', () => {
  for (const { told: t, plan } of told) {
    if (plan.stages.at(-1)?.stage.chill !== null) continue
    expect(t.colder?.fromMs).toBeGreaterThan(t.window.fromMs)
    expect(t.warmer?.fromMs).toBeLessThan(t.window.fromMs)
  }
})

test('the jar’s own doubt is in the likelihood: what is known well is likelier', () => {
  const known = { ...UNKNOWN_JAR, covariance: UNKNOWN_JAR.covariance.map((row) => row.map((x) => x / 25)) }
  const plain = told.filter(({ plan }) => plan.stages.at(-1)?.stage.chill === null)
  expect(plain.length).toBeGreaterThan(0)
  for (const { plan, told: t } of plain) {
    expect(t.chance).toBeGreaterThan(0)
    expect(t.chance).toBeLessThanOrEqual(1)
    expect(tellPlan(problem, plan, known).chance).toBeGreaterThanOrEqual(t.chance)
  }
})

test('hands, flour and what goes to the pot are counted', () => {
  for (const { plan, told: t } of told) {
    // Mix, shape, the oven's five steps and at least one build.
    expect(t.handsMinutes).toBeGreaterThanOrEqual(15 + 25 + 2 + 8 + 2 + 5 + 10)
    // 220 g of levain at 1:1 hold at least 70 g of fresh flour, at 1:10 nearly 110 g; feeds before it come on top.
    expect(t.flourGrams).toBeGreaterThan(70)
    expect(t.discardGrams).toBe(plan.stages.some((s) => s.stage.kind === 'wake') ? 75 : 0)
  }
})

test('plans that would most likely fail are not offered beside better ones, and likelihood outweighs a little trouble', () => {
  const [a] = told
  if (a === undefined) throw new Error('no plans')
  const as = (cost: number, chance: number) => ({ plan: { ...a.plan, cost, chance: 0.9 }, told: { ...a.told, chance } })
  expect(rankPlans([as(50, 0.4), as(60, 0.9)]).map((r) => r.plan.cost)).toEqual([60])
  expect(rankPlans([as(50, 0.6), as(60, 0.9)]).map((r) => r.plan.cost)).toEqual([60, 50])
  expect(rankPlans([as(50, 0.3)])).toHaveLength(1)
})

test('a jar that stood long in the cold is less sure than a ripe seed', () => {
  const cold = planProblem({ coldDays: 8 })
  const stage = { kind: 'build', flourPerSeed: 5, place: { id: 'room', standing: { tempC: 22 } }, mixTempC: 24, chill: null, seed: 'jar' } as const
  const line = makeStage(cold, stage, at(27, '08:00'))?.line
  if (line === undefined) throw new Error('no line')
  const { jar, ripe } = spreadsOf(line, UNKNOWN_JAR, 'dome')
  expect(jar).toBeGreaterThan(ripe)
  expect(ripe).toBeGreaterThan(0.08)
  expect(jar).toBeLessThan(0.6)
})
