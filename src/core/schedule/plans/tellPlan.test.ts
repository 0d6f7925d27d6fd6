import { millisecondsInHour } from 'date-fns/constants'
import { TYPICAL_JAR, UNKNOWN_JAR } from '../../ferment/jarParameters'
import { at, planProblem } from '../../testing/planProblems'
import { sure } from '../../units/sure'
import { findPlans } from './searchPlans'
import { offerPlans, rankPlans, spreadsOf, tellPlan, wishableMs, withRoom } from './tellPlan'
import { makeStage, makeStages, windowTable, windowTables } from './windows'

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
    // 226.6 g of levain at 1:1:1 take a third of that in fresh flour, 75.5 g; feeds before it come on top.
    expect(t.flourGrams).toBeGreaterThan(75)
    const [only, another] = plan.stages
    if (only !== undefined && another === undefined) expect(t.flourGrams).toBeCloseTo((226.6 * only.stage.flourPerSeed) / (1 + 2 * only.stage.flourPerSeed), 6)
    expect(t.discardGrams).toBe(plan.stages.some((s) => s.stage.kind === 'wake') ? 75 : 0)
  }
})

test('plans that would most likely fail are not offered beside better ones, and likelihood outweighs a little trouble', () => {
  const [a] = told
  if (a === undefined) throw new Error('no plans')
  const as = (cost: number, chance: number) => ({ plan: { ...a.plan, cost, chance: 0.9 }, told: { ...a.told, chance } })
  expect(rankPlans(problem, [as(50, 0.4), as(60, 0.9)]).map((r) => r.plan.cost)).toEqual([60])
  expect(rankPlans(problem, [as(50, 0.6), as(60, 0.9)]).map((r) => r.plan.cost)).toEqual([60, 50])
  expect(rankPlans(problem, [as(50, 0.3)])).toHaveLength(1)
})

test('as soon as can be: by when there is bread to eat and somebody is up, whatever else it costs', () => {
  const soon = planProblem({ wish: { kind: 'soonest' } })
  const [a] = offerPlans(soon, findPlans(soon), UNKNOWN_JAR)
  if (a === undefined) throw new Error('no plans')
  // Asleep from 23:00 to 07:00: cooled at 23:30 is eaten at 07:00.
  const eaten = (atMs: number, cost: number) => ({
    plan: { ...a.plan, cost, times: { ...a.plan.times, eatMs: atMs } },
    told: { ...a.told, chance: a.plan.chance }
  })
  const ranked = rankPlans(soon, [eaten(at(28, '07:30'), 10), eaten(at(27, '23:30'), 90), eaten(at(27, '22:30'), 200), eaten(at(28, '07:00'), 20)])
  expect(ranked.map((r) => r.plan.cost)).toEqual([200, 20, 90, 10])
})

test('a jar that stood long in the cold is less sure than a ripe seed', () => {
  const cold = planProblem({ coldDays: 18 })
  const stage = { kind: 'build', flourPerSeed: 5, place: { id: 'room', standing: { tempC: 22 } }, mixTempC: 24, chill: null, fedBefore: 0 } as const
  const line = makeStage(cold, stage, at(27, '08:00'))?.line
  if (line === undefined) throw new Error('no line')
  const { jar, fed } = spreadsOf(line, UNKNOWN_JAR, 'dome')
  expect(jar).toBeGreaterThan(fed)
  expect(fed).toBeGreaterThan(0.08)
  expect(jar).toBeLessThan(0.6)
})

test('a weak jar that was fed once is not yet ripe: what is offered holds with what its feeds really make of it', () => {
  const cold = planProblem({ coldDays: 9, wish: { kind: 'out', atMs: at(29, '18:00') } })
  const weak = { ...TYPICAL_JAR, vigour: 0.4, lag: 1.3 }
  const asked = { ...cold, build: { ...cold.build, seed: { ...cold.build.seed, jar: weak } } }
  const belief = { ...UNKNOWN_JAR, centre: weak }
  const offered = offerPlans(asked, findPlans(asked), belief)
  expect(offered.length).toBeGreaterThanOrEqual(2)
  for (const { plan, told: t } of offered) {
    const made = makeStages(asked, plan.stages)
    plan.stages.forEach(({ window, startMs }, i) => {
      expect(window).toEqual(made?.[i]?.window)
      const hours = ((plan.stages[i + 1]?.startMs ?? plan.mixMs) - startMs) / millisecondsInHour
      expect(hours).toBeGreaterThanOrEqual(window.opens)
    })
    expect(plan.mixMs).toBeGreaterThanOrEqual(t.window.fromMs)
    expect(plan.mixMs).toBeLessThanOrEqual(t.window.toMs)
  }
  // A ripe seed would be faster by hours: to take it for one would have the dough mixed before its levain is fit.
  const fed = offered.filter(({ plan }) => plan.stages.length > 1).map(({ plan }) => sure(plan.stages.at(-1)))
  expect(fed.length).toBeGreaterThan(0)
  const later = fed.map((last) => last.window.fit - (makeStage(asked, last.stage, last.startMs, null)?.window.fit ?? 99))
  expect(Math.min(...later)).toBeGreaterThan(0.5)
  expect(Math.max(...later)).toBeGreaterThan(1)
})

test('bread wished for when it is told to be possible is found again, with the room a search leaves', () => {
  const soonest = sure(findPlans({ ...problem, wish: { kind: 'soonest' } })[0])
  const wished = { ...problem, wish: { kind: 'out', atMs: wishableMs(soonest, { kind: 'out', atMs: 0 }) } } as const
  expect(findPlans(withRoom(wished)).length).toBeGreaterThan(0)
})

test('windows of ratios between those that are reckoned are read off to within minutes', () => {
  const cold = planProblem({ coldDays: 3 })
  const stages = cold.ratios.map(
    (flourPerSeed) => ({ kind: 'build', flourPerSeed, place: { id: 'room', standing: { tempC: 22 } }, mixTempC: 24, chill: null, fedBefore: 0 }) as const
  )
  const tables = windowTables(cold, stages, at(26, '18:00'), at(28, '12:00'))
  for (const ms of [at(26, '21:20'), at(27, '10:05'), at(28, '02:50')])
    stages.forEach((stage, i) => {
      const [read, made] = [tables[i]?.(ms), makeStage(cold, stage, ms)?.window]
      for (const edge of ['opens', 'fit', 'closes'] as const) expect(Math.abs((read?.[edge] ?? 0) - (made?.[edge] ?? 99))).toBeLessThan(0.08)
    })
})

test('a place that is colder by night: what is fed the same way repeats itself each day', () => {
  const swing = { swingK: 2, warmestMs: at(27, '15:00') }
  const stage = { kind: 'build', flourPerSeed: 3, place: { id: 'sill', standing: { tempC: 20, swing } }, mixTempC: 24, chill: null, fedBefore: 1 } as const
  const cold = planProblem({ coldDays: 3 })
  const table = windowTable(cold, stage, at(26, '18:00'), at(29, '18:00'))
  for (const ms of [at(26, '22:00'), at(27, '22:00'), at(28, '22:00')])
    expect(Math.abs((table(ms)?.fit ?? 0) - (makeStage(cold, stage, ms)?.window.fit ?? 99))).toBeLessThan(0.06)
  expect(Math.abs((table(at(27, '08:00'))?.fit ?? 0) - (table(at(27, '20:00'))?.fit ?? 0))).toBeGreaterThan(0.3)
})
