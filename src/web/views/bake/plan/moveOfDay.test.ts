import { millisecondsInHour } from 'date-fns/constants'
import { solvePlan, stepFactsOf } from '../../../../answers'
import type { Plan } from '../../../../contract'
import { dayOfDough } from '../../../../core'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../../../../testing/plannedBake'
import { heldOf, moveOfDay } from './moveOfDay'

/** A plan with all that a move of one of its steps is given. */
function held(more: Partial<Plan> = {}) {
  const plan = { ...PLAN, ...more }
  const cultures = culturesWith(1)
  const solved = solvePlan(plan, cultures, STOCKED, NOW)
  if (solved === null || solved.build === null) throw new Error('no levain')
  const facts = stepFactsOf({ ...BAKE, plan }, plan, solved, null, STOCKED, cultures, NOW)
  const times = dayOfDough(facts, plan.mixAt)
  if (times === null || facts.dough === null) throw new Error('no day')
  const props = { plan, solved, jar: cultures.jars[0] }
  return { plan, props, build: heldOf(solved.build, plan.mixAt), day: { times, pace: facts.dough.pace }, startMs: solved.build.timed.startMs }
}

test('the mix an hour later: the levain begins about an hour later, the bread comes an hour later', () => {
  const { props, build, day, plan, startMs } = held()
  const moved = moveOfDay(props, build, day, 'mix', plan.mixAt + millisecondsInHour, 'start')
  if (!moved.ok) throw new Error(String(moved.problem))
  expect(moved.patch.mixAt ?? 0).toBe(plan.mixAt + millisecondsInHour)
  expect(Math.abs((moved.build?.startMs ?? 0) - startMs - millisecondsInHour)).toBeLessThan(0.4 * millisecondsInHour)
})

test('the build earlier: the mix follows it', () => {
  const { props, build, day, plan, startMs } = held()
  const moved = moveOfDay(props, build, day, 'build', startMs - 2 * millisecondsInHour, 'start')
  if (!moved.ok) throw new Error(String(moved.problem))
  expect(moved.patch.mixAt ?? 0).toBeLessThan(plan.mixAt - millisecondsInHour)
})

test('shaped a little later: all before it comes later, too; with the mix pinned the bulk is stretched instead', () => {
  const free = held()
  const later = moveOfDay(free.props, free.build, free.day, 'shape', free.day.times.shapeMs + 0.4 * millisecondsInHour, 'start')
  if (!later.ok) throw new Error(String(later.problem))
  expect(later.patch.mixAt ?? 0).toBeGreaterThan(free.plan.mixAt)
  const pinned = held({ pins: ['mix'] })
  const moved = moveOfDay(pinned.props, pinned.build, pinned.day, 'shape', pinned.day.times.shapeMs + 0.4 * millisecondsInHour, 'start')
  if (!moved.ok) throw new Error(String(moved.problem))
  expect(moved.build).toBeNull()
  expect(moved.patch.course?.bulkStretch ?? 1).toBeGreaterThan(1)
})

test('a mix that is pinned stays when the oven moves: the proof answers, as far as it can', () => {
  const { props, build, day, plan } = held({ pins: ['mix'] })
  const moved = moveOfDay(props, build, day, 'bake', day.times.bakeMs + 0.3 * millisecondsInHour, 'start')
  if (!moved.ok) throw new Error(String(moved.problem))
  expect(moved.patch.mixAt ?? plan.mixAt).toBe(plan.mixAt)
  const far = moveOfDay(props, build, day, 'bake', day.times.bakeMs + 9 * millisecondsInHour, 'start')
  expect(far.ok).toBe(false)
})

test('a build whose start was chosen goes along as it is, and the feeds before it with it', () => {
  const first = held()
  const startAt = first.startMs
  const before = [
    {
      id: 'wake',
      kind: 'wake' as const,
      at: first.startMs - 6 * millisecondsInHour,
      seedGrams: 20,
      flourGrams: 40,
      waterGrams: 40,
      placeId: 'room',
      tempC: 21
    }
  ]
  const { props, build, day, plan } = held({ startAt, before })
  const moved = moveOfDay(props, build, day, 'mix', plan.mixAt + millisecondsInHour, 'start')
  if (!moved.ok) throw new Error(String(moved.problem))
  expect(Math.abs((moved.patch.startAt ?? 0) - first.startMs - millisecondsInHour)).toBeLessThan(5)
  expect(Math.abs((moved.patch.before?.[0]?.at ?? 0) - first.startMs + 5 * millisecondsInHour)).toBeLessThan(5)
})

test('its start pinned, a mix out of the levain’s window does not go', () => {
  const first = held()
  const { props, build, day, plan } = held({ startAt: first.startMs, pins: ['build'] })
  expect(moveOfDay(props, build, day, 'mix', plan.mixAt - 5 * millisecondsInHour, 'start')).toEqual({ ok: false, problem: 'ripe too late' })
  expect(moveOfDay(props, build, day, 'mix', plan.mixAt + 14 * millisecondsInHour, 'start').ok).toBe(false)
})
