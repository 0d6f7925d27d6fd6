import type { BakeEvent } from '../../contract'
import { contentsOf, foldBake, type Happening } from '../../core'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { dayOfBake, doughAsWeighed, doughItemsOf, doughOf, stepFactsOf } from '../bake/dayOfBake'
import { solvePlan } from '../bake/solvePlan'
import { type Bake, bakeOf } from '../fromWire'
import { courseFor } from './usualCourse'

const solved = solvePlan(PLAN, culturesWith(1), STOCKED, NOW)
if (solved === null || !solved.dough.ok) throw new Error('no dough')
const dough = solved.dough.value
const nothing = foldBake([])
const items = doughItemsOf(PLAN, dough, nothing, 1)
const itemOf = (lineId: string) => {
  const found = items.find((i) => i.lineId === lineId)
  if (found === undefined) throw new Error(lineId)
  return found
}
let count = 0
const weigh = (lineId: string, weighedGrams: number): Happening => ({
  id: `e${count++}`,
  happenedAtMs: NOW,
  type: 'weigh',
  into: 'dough',
  key: itemOf(lineId).key,
  lineId,
  plannedGrams: itemOf(lineId).grams,
  weighedGrams
})

test('what is weighed sums to the dough, whatever the bowls it is shared out into', () => {
  for (const bowls of [1, 2, 3]) {
    const all = doughItemsOf(PLAN, dough, nothing, bowls)
    expect(all.reduce((sum, i) => sum + i.grams, 0)).toBeCloseTo(dough.weigh.doughGrams, 6)
    expect(new Set(all.map((i) => i.key)).size).toBe(all.length)
    expect(Math.max(...all.map((i) => i.bowl))).toBe(bowls)
  }
})

test('an autolyse comes first, the levain with the rest', () => {
  expect(items.map((i) => i.portion)).toEqual(['autolyse', 'autolyse', 'mix', 'mix'])
  expect(items.filter((i) => i.isLevain).map((i) => i.portion)).toEqual(['mix'])
})

test('what was really weighed is what the dough is; the rest counts as planned', () => {
  const flour = itemOf('f').grams
  const state = foldBake([weigh('f', flour + 40), weigh('w', itemOf('w').grams)])
  const really = doughAsWeighed(state, PLAN, dough)
  expect(really.doughGrams).toBeCloseTo(dough.weigh.doughGrams + 40, 6)
  // 72 % was wanted of all flour, the levain’s too; 40 g more of it make it drier.
  expect(really.truth.hydration).toBeCloseTo(dough.weigh.truth.waterGrams / (dough.weigh.truth.flourGrams + 40), 6)
  expect(really.levainGrams).toBe(dough.weigh.levainGrams)
})

test('after a mis-pour the bowl is to hold what the way on says', () => {
  const state = foldBake([weigh('f', 900), { id: 'r', happenedAtMs: NOW, type: 'repair', into: 'dough', targets: { [itemOf('w').key]: 555 } }])
  expect(doughItemsOf(PLAN, dough, state, 1).find((i) => i.lineId === 'w')?.grams).toBe(555)
})

test('the dough that ferments is the one that was weighed and measured', () => {
  const event = {
    id: 'x',
    happenedAt: NOW,
    source: 'typed',
    type: 'weigh',
    into: 'dough',
    key: itemOf('f').key,
    lineId: 'f',
    ingredientId: 'white wheat'
  }
  const events = [{ ...event, bowls: 1, plannedGrams: itemOf('f').grams, weighedGrams: itemOf('f').grams + 100 }] as unknown as BakeEvent[]
  const line = doughOf(bakeOf({ ...BAKE, events }), PLAN, solved, STOCKED, NOW)
  const planned = doughOf(BAKE, PLAN, solved, STOCKED, NOW)
  if (line === null || planned === null) throw new Error('no dough')
  expect(contentsOf(line).totalGrams).toBeCloseTo(contentsOf(planned).totalGrams + 100, 3)
  const mixed = { id: 'm', happenedAt: NOW, source: 'typed', type: 'mixed', levainGrams: 200, keepBackGrams: 0, mixTempC: 21.5 }
  expect(doughOf(bakeOf({ ...BAKE, events: [mixed as unknown as BakeEvent] }), PLAN, solved, STOCKED, NOW)?.mixTempC).toBe(21.5)
})

test('the steps of a planned bake begin with the build and end with bread that can be cut', () => {
  const facts = stepFactsOf(BAKE, PLAN, solved, null, STOCKED, culturesWith(1), NOW)
  expect(facts.status).toBe('planned')
  expect(facts.startMs).toBeLessThan(PLAN.mixAt)
  expect(facts.dough?.pace.bulkHours).toBeGreaterThan(2)
})

test('cold flour and water measured for the dough make a longer bulk before it is mixed', () => {
  const course = courseFor(PLAN.formula, { id: 'room', tempC: 21 })
  const plan = { ...PLAN, course }
  const paceWith = (events: Bake['events']) => {
    const { dough } = stepFactsOf(bakeOf({ ...BAKE, plan, events }), plan, solved, null, STOCKED, culturesWith(1), NOW)
    if (dough === null) throw new Error('no day')
    return dough.pace
  }
  const cold = { id: 'm', happenedAt: NOW, source: 'typed', type: 'measured', into: 'dough', flourC: 8, waterC: 10 } as unknown as BakeEvent
  expect(paceWith([cold]).bulkHours ?? 0).toBeGreaterThan((paceWith([]).bulkHours ?? 0) + 0.5)
})

test('a level read in bulk moves the rest of the day: as high after three quarters of its hours, it is shaped a quarter sooner', () => {
  const course = courseFor(PLAN.formula, { id: 'room', tempC: 24 })
  const plan = { ...PLAN, course }
  const mixed = { id: 'm', happenedAt: NOW, source: 'typed', type: 'mixed', levainGrams: 200, keepBackGrams: 0 } as unknown as BakeEvent
  const dayWith = (events: Bake['events']) => {
    const bake = bakeOf({ ...BAKE, plan, events })
    return dayOfBake(bake, { solved, verdict: null }, STOCKED, culturesWith(1), NOW + 60_000)
  }
  const usual = dayWith([mixed])
  const { bulkStop, bulkHours } = usual
  if (bulkStop === null || bulkHours === null) throw new Error('no day')
  const readMs = NOW + 0.75 * bulkHours * 3_600_000
  const read = { id: 'r', happenedAt: readMs, source: 'typed', type: 'dough', rise: 1 + bulkStop.gas } as unknown as BakeEvent
  const quick = dayWith([mixed, read])
  expect((quick.bulkHours ?? 0) / bulkHours).toBeGreaterThan(0.7)
  expect((quick.bulkHours ?? 0) / bulkHours).toBeLessThan(0.8)
  expect(quick.times?.bakeMs ?? 0).toBeLessThan(usual.times?.bakeMs ?? 0)
})

test('a dough that had gone too far when it was shaped rises once more from there: into the oven when that is done, and not called over again', () => {
  const course = courseFor(PLAN.formula, { id: 'room', tempC: 24 })
  const plan = { ...PLAN, course }
  const mixed = { id: 'm', happenedAt: NOW, source: 'typed', type: 'mixed', levainGrams: 200, keepBackGrams: 0 } as unknown as BakeEvent
  const dayAt = (nowMs: number, events: Bake['events']) =>
    dayOfBake(bakeOf({ ...BAKE, plan, events }), { solved, verdict: null }, STOCKED, culturesWith(1), nowMs)
  const bulkHours = dayAt(NOW, [mixed]).bulkHours ?? Number.NaN
  const lateMs = NOW + (bulkHours + 4) * 3_600_000
  const { over } = dayAt(lateMs, [mixed])
  if (over === null) throw new Error('It is not over.')
  expect(over.sinceMs).toBeGreaterThan(NOW + bulkHours * 3_600_000)
  const shaped = { id: 's', happenedAt: lateMs, source: 'typed', type: 'step', step: 'shape', did: 'done' } as unknown as BakeEvent
  const day = dayAt(lateMs + 60_000, [mixed, shaped])
  expect(day.over).toBeNull()
  // In the oven as soon as it has risen once more, or that is hot.
  const proofHours = ((day.times?.bakeMs ?? Number.NaN) - lateMs) / 3_600_000
  expect(proofHours).toBeCloseTo(over.reshapeHours ?? course.preheatMinutes / 60, 1)
  // Left after all, it goes too far once more.
  expect(dayAt(lateMs + 12 * 3_600_000, [mixed, shaped]).over?.wantedGas).toBe(0.35)
})
