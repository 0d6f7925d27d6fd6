import { millisecondsInHour } from 'date-fns/constants'
import type { Plan } from '../../contract'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { dayOfBake } from './dayOfBake'
import { awaitsPot, fromPot, levainPlanned, onItsOwn, type PotBake, plannedWindow, potsFor } from './onePot'
import { solvePlan } from './solvePlan'

const CULTURES = culturesWith(1)
const planned = (id: string, patch: Partial<Plan> = {}): PotBake => {
  const plan = { ...PLAN, ...patch }
  return { bake: { id, plan, status: 'planned' }, solved: solvePlan(plan, CULTURES, STOCKED, NOW), mixMs: plan.mixAt }
}
const pot = planned('country', { name: 'Country loaf' })
const window = plannedWindow(pot) ?? { fromMs: 0, toMs: 0 }
const tinAt = (mixAt: number, patch: Partial<Plan> = {}) => planned('tin', { name: 'Tin', mixAt, ...patch })

test('a levain is built for both where the second dough is mixed after the first, and still in its window', () => {
  expect(window.fromMs).toBeLessThan(PLAN.mixAt)
  expect(window.toMs).toBeGreaterThan(PLAN.mixAt)
  const names = (own: PotBake, others = [pot]) => potsFor(own, others).map(({ name }) => name)
  expect(names(tinAt(PLAN.mixAt))).toEqual(['Country loaf'])
  expect(names(tinAt(window.toMs - 60_000))).toEqual(['Country loaf'])
  expect(names(tinAt(window.toMs + 60_000))).toEqual([])
  // Who is mixed first builds it.
  expect(names(tinAt(PLAN.mixAt - millisecondsInHour / 2))).toEqual([])
})

test('not from another jar, riper than liked, begun, itself out of a pot, or as it is; and whose pot feeds others takes of none', () => {
  const own = tinAt(PLAN.mixAt)
  const not = (patch: Partial<Plan>, status: PotBake['bake']['status'] = 'planned') => {
    const other = planned('country', patch)
    expect(potsFor(own, [{ ...other, bake: { ...other.bake, status } }])).toEqual([])
  }
  not({ jarId: 'other' })
  not({ school: 'mature' })
  not({}, 'ripening')
  not({ levainFrom: { bakeId: 'third' } })
  not({ build: { ...PLAN.build, source: 'as it is' } })
  const feeding = tinAt(PLAN.mixAt, { build: { ...PLAN.build, alsoFor: [{ name: 'Buns', grams: 50, bakeId: 'buns' }] } })
  expect(potsFor(feeding, [pot])).toEqual([])
})

test('out of another pot nothing is built or fed, and its dough keeps its hour however late it is', () => {
  const stiff = { ...PLAN, build: { ...PLAN.build, hydration: 0.6, salt: 0.01 } }
  const before = [{ id: 'wake', kind: 'wake' as const, at: NOW, placeId: 'room', tempC: 21, seedGrams: 10, flourGrams: 20, waterGrams: 20 }]
  const plan = fromPot({ ...PLAN, before }, 'country', stiff)
  expect(awaitsPot(plan)).toBe(true)
  expect(plan.build).toMatchObject({ hydration: 0.6, salt: 0.01 })
  const late = PLAN.mixAt - millisecondsInHour / 4
  const solved = solvePlan(plan, CULTURES, STOCKED, late)
  const { steps, mixMs, dough } = dayOfBake({ ...BAKE, plan }, { solved, verdict: null }, STOCKED, CULTURES, late)
  expect(steps.map(({ kind }) => kind).filter((kind) => ['wake', 'build', 'grow'].includes(kind))).toEqual([])
  expect(mixMs).toBe(PLAN.mixAt)
  // Its own levain, begun now, would be a quarter of an hour old by then; the dough is told with the ripe one.
  expect(dough?.parents[0]?.line?.startedAtMs).toBeLessThan(PLAN.mixAt - 4 * millisecondsInHour)
  expect(levainPlanned(plan, solved)?.startMs).toBeLessThan(levainPlanned({ ...plan, levainFrom: null }, solved)?.startMs ?? 0)
})

test('on its own again: from its own jar, with nothing of other doughs', () => {
  const shared = fromPot(PLAN, 'country', PLAN)
  expect(onItsOwn(shared)).toEqual({ ...PLAN, levainFrom: null })
  const handed: Plan = { ...shared, jarId: 'share', build: { ...PLAN.build, source: 'as it is' }, levainFrom: { bakeId: 'country', jarId: 'pip' } }
  expect(awaitsPot(handed)).toBe(false)
  expect(onItsOwn(handed)).toMatchObject({ jarId: 'pip', build: { source: 'separate build' }, levainFrom: null })
  const giving = {
    ...PLAN,
    build: {
      ...PLAN.build,
      alsoFor: [
        { name: 'Crackers', grams: 40 },
        { name: 'Tin', grams: 90, bakeId: 'tin' }
      ]
    }
  }
  expect(onItsOwn(giving).build.alsoFor).toEqual([{ name: 'Crackers', grams: 40 }])
})
