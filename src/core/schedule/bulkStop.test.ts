import { firstHoursAt, gasAt } from '../ferment/milestones'
import { createWorkspace, simulate } from '../ferment/simulate'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { type CourseHere, doughPace, USUAL_COURSE } from './course'

const MIX_MS = Date.UTC(2026, 10, 28, 9)
/** 850 g of white dough, 72 %, 2 % salt, with a fifth of ripe levain. */
const dough = (tempC: number): BatchLine => ({
  startedAtMs: MIX_MS,
  flours: { 'white wheat': 440 },
  waterGrams: 313,
  saltGrams: 9,
  mixTempC: tempC,
  stays: [{ fromMs: MIX_MS, tempC }],
  parents: [{ grams: 88, hydration: 1, flour: 'white wheat', line: null }]
})
const course = (more: Partial<CourseHere> = {}): CourseHere => ({
  ...USUAL_COURSE.wheat,
  proof: { kind: 'cold', hours: 12 },
  kind: 'wheat',
  pieceGrams: 850,
  coldC: 4,
  ...more
})
const stop = (tempC: number, more: Partial<CourseHere> = {}) => {
  const { stop: told, bulkHours } = doughPace(dough(tempC), course(more))
  if (told === null || told.cold === null || bulkHours === null) throw new Error('It never holds so much.')
  return { gas: told.gas, cold: told.cold, bulkHours }
}

test('a dough of 27 °C that goes into the fridge is stopped at about a third, one of 20 °C later', () => {
  expect(stop(27).gas).toBeGreaterThan(0.15)
  expect(stop(27).gas).toBeLessThan(0.45)
  expect(stop(20).gas).toBeGreaterThan(stop(24).gas)
  expect(stop(24).gas).toBeGreaterThan(stop(27).gas)
  expect(stop(27).cold.tempC).toBeCloseTo(27, 0)
})

test('what stays warm long rises on long: large pieces are stopped sooner than rolls, and sooner before a warmer fridge', () => {
  expect(stop(26).gas).toBeLessThan(stop(26, { pieceGrams: 80 }).gas)
  expect(stop(26, { coldC: 8 }).gas).toBeLessThan(stop(26, { coldC: 3 }).gas)
})

test('the loaf holds in the morning what a same-day proof would give it', () => {
  const { gas, cold } = stop(25)
  // Usual for wheat: +50 % in bulk, a quarter of it lost in shaping, +35 % in the proof.
  expect(0.75 * gas + cold.gas).toBeCloseTo(0.725, 2)
  const vessel = vesselOf(dough(25))
  const hours = firstHoursAt(simulate(vessel, undefined, { untilHours: 24, workspace: createWorkspace() }).curve, gas) ?? Number.NaN
  const shaped = hours + 25 / 60
  const stays = [
    { fromHours: 0, tempC: 25 },
    { fromHours: shaped, tempC: 4 }
  ]
  const whole = simulate({ ...vessel, stays }, undefined, { untilHours: shaped + 12 })
  expect(gasAt(whole.curve, shaped + 12) - gas).toBeCloseTo(cold.gas, 1)
})

test('how long it rests does not move the stop; a bulk drawn out by hand is told as it then stands', () => {
  expect(stop(25, { proof: { kind: 'cold', hours: 36 } }).gas).toBe(stop(25).gas)
  const later = stop(25, { bulkStretch: 1.1 })
  expect(later.bulkHours).toBe(stop(25).bulkHours)
  expect(later.gas).toBeGreaterThan(stop(25).gas + 0.03)
})

test('the baker’s own figure is taken as it is; a same-day proof has the usual one, and a dough without a culture never gets there', () => {
  expect(doughPace(dough(25), course({ bulkGas: 0.6 })).stop).toEqual({ gas: 0.6, cold: null })
  expect(doughPace(dough(25), course({ proof: { kind: 'warm', gas: 0.35 } })).stop).toEqual({ gas: 0.5, cold: null })
  expect(doughPace({ ...dough(25), parents: [] }, course())).toEqual({ bulkHours: null, proofHours: null, stop: null })
})
