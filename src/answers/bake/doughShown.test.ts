import { millisecondsInHour } from 'date-fns/constants'
import { type BatchLine, doughPace, firstHoursAt, foldBake, type Happening, simulate, vesselOf } from '../../core'
import { BAKE, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import type { Bake } from '../fromWire'
import { courseHere } from './courseHere'
import { doughShown } from './doughShown'
import { courseFor } from './usualCourse'

const { kitchen } = STOCKED
const MIX_MS = NOW
const dough: BatchLine = {
  startedAtMs: MIX_MS,
  flours: { 'white wheat': 440 },
  waterGrams: 313,
  saltGrams: 9,
  mixTempC: 25,
  stays: [{ fromMs: MIX_MS, tempC: 24 }],
  parents: [{ grams: 88, hydration: 1, flour: 'white wheat', line: null }]
}
const course = { ...courseFor({ doughKind: 'wheat', autolyse: false }, { id: kitchen.places[0]?.id ?? '', tempC: 24 }), bulkGas: 0.5 }
const plan = { ...PLAN, course }
const { bulkHours, proofHours } = doughPace(dough, courseHere(course, plan, kitchen))
const bulk = bulkHours ?? Number.NaN
const proof = proofHours ?? Number.NaN
const after = (hours: number) => MIX_MS + hours * millisecondsInHour
const mixed: Happening = { id: 'm', type: 'mixed', happenedAtMs: MIX_MS, levainGrams: 88, keepBackGrams: 0 }
const done = (step: string, hours: number): Happening => ({ id: step, type: 'step', step, did: 'done', happenedAtMs: after(hours) })
const read = (hours: number, more: object): Happening => ({ id: `r${hours}`, type: 'dough', happenedAtMs: after(hours), ...more })
const bakeWith = (happened: readonly Happening[]): Bake => ({ ...BAKE, plan, state: foldBake([mixed, ...happened]) })
const shown = (...happened: readonly Happening[]) => doughShown(bakeWith(happened), dough, kitchen)
/** Shaping takes 25 minutes. */
const SHAPE = 25 / 60

test('ended by hand as it was reckoned, it is as reckoned; a fifth later, a fifth slower', () => {
  const asReckoned = shown(done('shape', bulk), done('bake', bulk + SHAPE + proof))
  expect(asReckoned?.log).toBeCloseTo(0, 6)
  const slow = shown(done('shape', 1.2 * bulk), done('bake', 1.2 * (bulk + proof) + SHAPE))
  expect(slow?.log).toBeCloseTo(-Math.log(1.2), 6)
  expect(slow?.sd).toBeCloseTo(0.2 / Math.SQRT2, 6)
})

test('a level that was read counts for more than when the dough was shaped', () => {
  const hours = firstHoursAt(simulate(vesselOf(dough), undefined, { untilHours: 24 }).curve, 0.3) ?? Number.NaN
  const told = shown(read(hours / 1.3, { rise: 1.3 }), done('shape', bulk), done('bake', bulk + SHAPE + proof))
  // The reading weighs 1 ÷ 0.1², the proof 1 ÷ 0.2².
  expect(told?.log).toBeCloseTo(Math.log(1.3) * (100 / 125), 3)
  expect(told?.sd).toBeCloseTo(1 / Math.sqrt(125), 6)
})

test('the night in the cold tells nothing of the proof, nor does a loaf that was not ready', () => {
  const late = [done('shape', bulk), done('bake', 3 * bulk)] as const
  const unripe = shown(done('shape', bulk), read(2.5 * bulk, { poke: 'springs back at once' }), late[1])
  expect(unripe?.log).toBeCloseTo(0, 6)
  expect(shown(...late)?.log).toBeLessThan(-0.2)
  const cold = bakeWith(late)
  const overnight = { ...cold, plan: { ...plan, course: { ...course, proof: { kind: 'cold' as const, hours: 12 } } } }
  expect(doughShown(overnight, dough, kitchen)?.log).toBeCloseTo(0, 6)
})

test('nothing is learned of a dough nobody marked, nor before it is in the oven', () => {
  expect(shown(done('shape', bulk))).toBeNull()
  expect(shown({ id: 'skip', type: 'step', step: 'bake', did: 'skipped', happenedAtMs: after(9) })).toBeNull()
  expect(doughShown({ ...bakeWith([done('bake', 7)]), plan: { ...plan, course: null } }, dough, kitchen)).toBeNull()
})
