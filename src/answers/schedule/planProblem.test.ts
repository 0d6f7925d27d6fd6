import { millisecondsInHour } from 'date-fns/constants'
import type { Bake } from '../../answers'
import type { Kitchen, Plan } from '../../contract'
import { type BreadWish, findPlans, jarOutBefore, offerPlans, stepsOf, UNKNOWN_JAR, withRoom } from '../../core'
import { BAKE as bake, culturesWith, KITCHEN as kitchen, NOW as now, PLAN as plan, STOCKED as stocked } from '../../testing/plannedBake'
import { dayOfBake, stepFactsOf } from '../bake/dayOfBake'
import { solvePlan } from '../bake/solvePlan'
import { busyIn, fullStretches, planProblemOf, standsOf } from './planProblem'
import { takePlan } from './takePlan'

const STAGE: Plan['before'][number] = {
  id: 'wake',
  kind: 'wake',
  at: now + millisecondsInHour,
  seedGrams: 20,
  flourGrams: 40,
  waterGrams: 40,
  placeId: 'room',
  tempC: 21
}
const wish: BreadWish = { kind: 'out', atMs: now + 46 * millisecondsInHour }

function asked(coldDays: number, more: Partial<Plan> = {}, others: Parameters<typeof planProblemOf>[7] = []) {
  const cultures = culturesWith(coldDays)
  const wished = { ...plan, ...more }
  const solved = solvePlan(wished, cultures, stocked, now)
  const problem = planProblemOf(bake, wished, solved, wish, cultures, stocked, now, others)
  if (problem === null) throw new Error('nothing to ask')
  return { cultures, problem: { ...problem, spread: { jar: 0.25, fed: 0.15 } } }
}

test('a way that is taken is the plan then: the same start, mix, bake and feeds, to the minute', () => {
  for (const coldDays of [0, 8]) {
    const { cultures, problem } = asked(coldDays)
    const found = offerPlans(problem, findPlans(withRoom(problem)), UNKNOWN_JAR).map((offer) => offer.plan)
    expect(found.length).toBeGreaterThan(1)
    for (const way of found) {
      const taken = { ...plan, ...takePlan(plan, problem, way, kitchen) }
      const solved = solvePlan(taken, cultures, stocked, now)
      const last = way.stages.at(-1)
      expect(solved?.build?.timed.startMs).toBe(last?.startMs)
      expect(taken.before.map((b) => b.at)).toEqual(way.stages.slice(0, -1).map((s) => s.startMs))
      const steps = stepsOf(stepFactsOf(bake, taken, solved, null, stocked, cultures, now), now)
      const at = (id: string) => steps.find((s) => s.id === id)?.atMs ?? 0
      expect(at('mix')).toBe(way.mixMs)
      expect(Math.abs(at('shape') - way.times.shapeMs) / millisecondsInHour).toBeLessThan(0.25)
      expect(Math.abs(at('out') - way.times.outMs) / millisecondsInHour).toBeLessThan(0.25)
      expect(solved?.warnings.filter((w) => w.code === 'start in the night' || w.code === 'start has passed')).toEqual([])
    }
  }
})

test('a first build yields the seed of the last one', () => {
  const { problem } = asked(8)
  const way = findPlans(problem).find((p) => p.stages[0]?.stage.kind === 'first build')
  if (way === undefined) throw new Error('no first build')
  const { before } = takePlan(plan, problem, way, kitchen)
  const [first] = before ?? []
  const made = (first?.seedGrams ?? 0) + (first?.flourGrams ?? 0) + (first?.waterGrams ?? 0)
  const ratio = way.stages.at(-1)?.stage.flourPerSeed ?? 0
  // 292 g of levain at 1:r:r need 292 ÷ (1 + 2r) of seed, and a little sticks to the jar.
  const seed = (problem.build.levain.doughNeeds[0] as number) + 20
  expect(made).toBeGreaterThanOrEqual(seed / (1 + 2 * ratio))
  expect(made).toBeLessThan(seed / (1 + 2 * ratio) + 12)
})

test('wake-up feeds leave what the build takes, and what the jar is to keep', () => {
  // Two feeds a day apart in a jar that was forgotten for three weeks; the build takes a third of the levain as seed.
  const { problem } = asked(21, { mixAt: now + 60 * millisecondsInHour })
  const fed = findPlans({ ...problem, wish: { kind: 'out', atMs: now + 70 * millisecondsInHour } }).filter((p) => p.stages[0]?.stage.kind === 'wake')
  const built = fed.map((way) => {
    const taken = takePlan(plan, problem, { ...way, stages: way.stages.map((s) => ({ ...s, stage: { ...s.stage, flourPerSeed: 1 } })) }, kitchen)
    const last = taken.before?.at(-1)
    const made = (last?.seedGrams ?? 0) + (last?.flourGrams ?? 0) + (last?.waterGrams ?? 0)
    // At 1:1:1 a third of the levain is seed; the jar keeps its 15 g.
    const needed = ((problem.build.levain.doughNeeds[0] as number) + 20) / 3 + 15
    return { made, needed, enough: made >= needed }
  })
  expect(built.length).toBeGreaterThan(0)
  for (const { made, needed, enough } of built) {
    expect(enough).toBe(true)
    expect(made).toBeLessThan(needed + 25)
  }
})

test('what an earlier plan would have fed the jar does not count when ways are sought anew', () => {
  const strip = ({ problem }: ReturnType<typeof asked>) => findPlans(problem).map((p) => [p.mixMs, p.stages.length])
  expect(strip(asked(8, { before: [STAGE] }))).toEqual(strip(asked(8)))
})

test('where a dough may stand: as planned, in the warmest place, in the coolest, and in the fridge for a part of its bulk', () => {
  const place = (id: string, tempC: number) => ({ id, standing: { tempC } })
  const room = place('room', 21)
  const stands = standsOf({ place: room, moves: [] }, [room, place('cellar', 14), place('proofer', 27), place('sill', 22), place('fridge', 4)])
  expect(stands[0]).toEqual({ place: room, moves: [] })
  expect(stands.filter((s) => s.place.id === 'proofer')).toEqual([{ place: place('proofer', 27), moves: [] }])
  expect(stands.filter((s) => s.moves[0]?.place.id === 'cellar').map((s) => s.moves.map((m) => m.afterHours))).toEqual([[0], [2]])
  const chilled = stands.filter((s) => s.moves[0]?.place.id === 'fridge')
  expect(chilled.length).toBeGreaterThan(1)
  // Out again where it was mixed.
  for (const { moves } of chilled) expect(moves.at(-1)?.place.id).toBe('room')
  // A sill one degree warmer is no other place.
  expect(stands.some((s) => s.place.id === 'sill' || s.moves.some((m) => m.place.id === 'sill'))).toBe(false)
  // A dough in the fridge has nowhere else to go.
  expect(standsOf({ place: place('fridge', 4), moves: [] }, [room, place('fridge', 4)])).toHaveLength(1)
})

test('another bake takes hands, oven, and the one room in the warm', () => {
  const cultures = culturesWith(0)
  const other = { ...bake, id: 'rolls', plan: { ...plan, name: 'Rolls', placeId: 'warm', tempC: 26 } } as Bake
  const solved = solvePlan(other.plan, cultures, stocked, now)
  const claim = dayOfBake(other, { solved, verdict: null }, stocked, cultures, now).claim
  expect(claim.hands.map((h) => h.step)).toEqual(expect.arrayContaining(['build', 'mix', 'shape', 'bake', 'out']))
  expect((claim.oven?.toMs ?? 0) - (claim.oven?.fromMs ?? 0)).toBe(45 * 60_000)
  expect(fullStretches(kitchen.places[1] as Kitchen['places'][number], [claim])).toMatchObject([{ placeId: 'warm', toMs: plan.mixAt }])
  expect(fullStretches(kitchen.places[0] as Kitchen['places'][number], [claim])).toEqual([])
  expect(
    busyIn(kitchen, [claim], now, now + 60 * millisecondsInHour)
      .filter((b) => b.kind === 'other bake')
      .every((b) => b.name === 'Rolls')
  ).toBe(true)
  const { problem } = asked(0, {}, [claim])
  for (const way of findPlans(problem)) {
    const oven = claim.oven ?? { fromMs: 0, toMs: 0 }
    expect(way.times.bakeMs >= oven.toMs || way.times.outMs <= oven.fromMs).toBe(true)
  }
})

test('without a dough’s day there is nothing to search', () => {
  const cultures = culturesWith(0)
  const bare = { ...plan, course: null }
  expect(planProblemOf(bake, bare, solvePlan(bare, cultures, stocked, now), wish, cultures, stocked, now, [])).toBeNull()
})

test('nor for a levain that is fed again: a schedule begins with the jar, and its seed stands there already', () => {
  const cultures = culturesWith(0)
  const askedOf = (id: string) => {
    const wished = { ...plan, before: [{ ...STAGE, id }] }
    return planProblemOf(bake, wished, solvePlan(wished, cultures, stocked, now), wish, cultures, stocked, now, [])
  }
  expect(askedOf('first build 1')).not.toBeNull()
  expect(askedOf('fed again')).toBeNull()
})

test('a first build yields the starter of the amounts that were given, however much they make', () => {
  const given = { kind: 'amounts', seed: 55, flour: 150, water: 150 } as const
  const wished = { ...plan, build: { ...plan.build, by: given } }
  const { problem } = asked(8, wished)
  const ways = offerPlans(problem, findPlans(withRoom(problem)), UNKNOWN_JAR).map((offer) => offer.plan)
  const taken = ways.map((way) => takePlan(wished, problem, way, kitchen))
  expect(taken.map(({ build }) => build?.by)).toEqual(ways.map(() => given))
  const first = taken.flatMap(({ before }) => before ?? []).filter(({ kind }) => kind === 'first build')
  expect(first.length).toBeGreaterThan(0)
  // 55 g, and the 5 g that stick at least.
  for (const { seedGrams, flourGrams, waterGrams } of first) expect(Math.abs(seedGrams + flourGrams + waterGrams - 60)).toBeLessThanOrEqual(2)
})

test('evening build, morning mix at 25 °C, of wholegrain from a healthy jar: there is a schedule with more flour than the plan has', () => {
  const everywhere = { ...stocked, kitchen: { ...kitchen, places: kitchen.places.map((p) => (p.id === 'fridge' ? p : { ...p, tempC: 25 })) } as Kitchen }
  const cultures = culturesWith(1)
  const wished: Plan = { ...plan, tempC: 25, build: { ...plan.build, flours: [{ ingredientId: 'wholegrain wheat', share: 1 }] } }
  // It is Thursday, 18:00: from Friday 21:30 to Saturday 08:00, when nobody is at work.
  const habit: BreadWish = { kind: 'habit', buildMs: now + 27.5 * millisecondsInHour, mixMs: now + 38 * millisecondsInHour }
  const problem = planProblemOf(bake, wished, solvePlan(wished, cultures, everywhere, now), habit, cultures, everywhere, now, [])
  if (problem === null) throw new Error('nothing to ask')
  const asks = { ...problem, spread: { jar: 0.25, fed: 0.15 } }
  const [offer] = offerPlans(asks, findPlans(withRoom(asks)), UNKNOWN_JAR)
  expect(offer?.plan.mixMs).toBe(habit.mixMs)
  expect(offer?.plan.stages.at(-1)?.stage.flourPerSeed ?? 0).toBeGreaterThan(8)
  expect(offer?.told.chance ?? 0).toBeGreaterThan(0.5)
})

const hour = (ms: number) => ((ms - Date.UTC(2026, 10, 1)) / millisecondsInHour) % 24

test('“jar out in the morning”: half an hour after its baker is up, and what is begun from it is begun two to twelve hours later', () => {
  const cultures = culturesWith(4)
  const wished = { ...plan, mixAt: now + 60 * millisecondsInHour }
  const late: BreadWish = { kind: 'eat', atMs: now + 66 * millisecondsInHour }
  const problem = planProblemOf(bake, wished, solvePlan(wished, cultures, stocked, now), late, cultures, stocked, now, [], 'jar out in the morning')
  if (problem === null) throw new Error('nothing to ask')
  const found = findPlans(withRoom({ ...problem, spread: { jar: 0.25, fed: 0.15 } }))
  expect(found.length).toBeGreaterThan(0)
  for (const way of found) {
    const startMs = way.stages[0]?.startMs ?? 0
    const outMs = jarOutBefore(problem, startMs) ?? 0
    expect(hour(outMs)).toBe(7.5)
    expect((startMs - outMs) / millisecondsInHour).toBeGreaterThanOrEqual(2)
    expect((startMs - outMs) / millisecondsInHour).toBeLessThanOrEqual(12)
    // The jar has warmed up and ripened on since the morning: it is what its own move would make of it.
    const moved = {
      ...cultures,
      jars: cultures.jars.map((jar) => ({ ...jar, line: { ...jar.line, stays: [...jar.line.stays, { fromMs: outMs, tempC: 21 }] } }))
    }
    const taken = { ...wished, ...takePlan(wished, problem, way, kitchen) }
    const solved = solvePlan(taken, moved, stocked, now)
    if (way.stages.length > 1) continue
    expect(Math.abs((solved?.build?.timed.fitHours ?? 0) - (way.stages[0]?.window.fit ?? 0))).toBeLessThan(0.1)
  }
})

test('“a few hours out, then the fridge”: nothing else is offered', () => {
  const cultures = culturesWith(1)
  const late: BreadWish = { kind: 'mix', atMs: now + 65 * millisecondsInHour }
  const problem = planProblemOf(bake, plan, solvePlan(plan, cultures, stocked, now), late, cultures, stocked, now, [], 'out, then the fridge')
  if (problem === null) throw new Error('nothing to ask')
  const found = findPlans({ ...problem, spread: { jar: 0.25, fed: 0.15 } })
  expect(found.length).toBeGreaterThan(0)
  for (const { stages } of found) {
    const { chill } = (stages.at(-1) as (typeof stages)[number]).stage
    expect([2, 4]).toContain(chill?.afterHours)
    expect(chill?.place.id).toBe('fridge')
  }
})
