import { millisecondsInHour } from 'date-fns/constants'
import type { BakeEvent } from '../../contract'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { solveBakeHere } from '../bake/solvePlan'
import { type Bake, bakeOf } from '../fromWire'

const cultures = culturesWith(1)
const levainOf = (events: Bake['events']) => {
  const build = solveBakeHere(bakeOf({ ...BAKE, events }), cultures, STOCKED, NOW)?.build
  if (build == null) throw new Error('no levain')
  return build
}
let count = 0
const event = (more: Record<string, unknown>, atMs = NOW) =>
  ({ id: `00000000-0000-4000-8000-${String(count++).padStart(12, '0')}`, happenedAt: atMs, source: 'typed', ...more }) as BakeEvent
const pour = (item: string, weighedGrams: number, atMs = NOW) =>
  event({ type: 'pour', item, ...(item === 'flour' ? { ingredientId: 'white wheat' } : {}), plannedGrams: weighedGrams, weighedGrams }, atMs)
const planned = levainOf([])
const { weigh } = planned

test('nothing poured, nothing measured: the levain is as planned', () => {
  expect(planned.timed.line.mixTempC).toBe(PLAN.mixTempC)
  expect(planned.timed.startMs).toBe(levainOf([event({ type: 'measured', into: 'dough', flourC: 12 })]).timed.startMs)
})

test('cool water, measured as it goes in, makes a cooler mix and a later moment at once', () => {
  const cool = levainOf([event({ type: 'measured', into: 'levain', waterC: 14 })]).timed
  expect(cool.line.mixTempC).toBeLessThan(PLAN.mixTempC - 3)
  expect(cool.fitHours).toBeGreaterThan(planned.timed.fitHours)
  // Warm water after all: what is measured later stands.
  const warm = levainOf([event({ type: 'measured', into: 'levain', waterC: 14 }), event({ type: 'measured', into: 'levain', waterC: 38 })]).timed
  expect(warm.fitHours).toBeLessThan(planned.timed.fitHours)
})

test('twice the seed is in the forecast as soon as it is poured, and no longer once it is taken back', () => {
  const much = pour('seed', 2 * weigh.seed)
  const rich = levainOf([much]).timed
  expect(rich.line.parents[0]?.grams).toBeCloseTo(2 * weigh.seed, 9)
  expect(rich.fitHours).toBeLessThan(planned.timed.fitHours - 0.5)
  expect(levainOf([much, event({ type: 'undo', undoes: much.id })]).timed.fitHours).toBeCloseTo(planned.timed.fitHours, 9)
})

test('the way on after a mis-pour is in it, too; and it begins when the last thing went in', () => {
  const later = NOW + 2 * millisecondsInHour
  const way = event({ type: 'repair', into: 'levain', targets: { water: 2 * weigh.water, 'flour:white wheat': 2 * weigh.flour } })
  const { line } = levainOf([pour('seed', 2 * weigh.seed), pour('water', weigh.water, later), way]).timed
  expect(line.startedAtMs).toBe(later)
  expect(line.waterGrams).toBeCloseTo(2 * weigh.water, 9)
  expect(line.flours['white wheat']).toBeCloseTo(2 * weigh.flour, 9)
  expect(line.parents[0]?.grams).toBeCloseTo(2 * weigh.seed, 9)
})
