import { millisecondsInHour } from 'date-fns/constants'
import { gasAt } from '../ferment/milestones'
import { createWorkspace, simulate } from '../ferment/simulate'
import { vesselOf } from '../jars/lineage'
import { DOUGH } from '../testing/planProblems'
import { doughProgress, SAMPLE_GRAMS } from './doughProgress'
import { coreSays, ovenMinutes, ovenOf, uncoveredAfter } from './oven'

const dough = { ...DOUGH, startedAtMs: Date.UTC(2026, 10, 28, 6), stays: [{ fromMs: Date.UTC(2026, 10, 28, 6), tempC: 27 }], mixTempC: 21 }
const at = (hours: number) => dough.startedAtMs + hours * millisecondsInHour
const gas = (grams: number, hours: number) => {
  const share = grams / 1506
  const vessel = vesselOf({
    ...dough,
    flours: { 'white wheat': 750 * share },
    waterGrams: 540 * share,
    saltGrams: 16 * share,
    parents: dough.parents.map((p) => ({ ...p, grams: 200 * share }))
  })
  return gasAt(simulate(vessel, undefined, { untilHours: 36, workspace: createWorkspace() }).curve, hours)
}

test('a bowl that stands as reckoned goes as reckoned', () => {
  const read = doughProgress(dough, { rise: 1 + gas(1506, 4), of: 'bowl', atMs: at(4) }, 0.5)
  expect(read?.pace).toBeCloseTo(1, 2)
  expect(read?.bowlRise).toBeCloseTo(1 + gas(1506, 4), 3)
})

test('in a warm place a sample is ahead of the bowl: the same level says less', () => {
  // A cold dough put into 27 °C: the sample warms within the hour, the bowl takes several.
  const sample = gas(SAMPLE_GRAMS, 3.5)
  const bowl = gas(1506, 3.5)
  expect(sample).toBeGreaterThan(bowl * 1.1)
  const read = doughProgress(dough, { rise: 1 + sample, of: 'sample', atMs: at(3.5) }, 0.5)
  expect(read?.bowlRise).toBeCloseTo(1 + bowl, 2)
})

test('a dough that is ahead is there sooner', () => {
  const slow = doughProgress(dough, { rise: 1.15, of: 'bowl', atMs: at(4) }, 0.5)
  const fast = doughProgress(dough, { rise: 1.4, of: 'bowl', atMs: at(4) }, 0.5)
  expect(fast?.targetMs ?? 0).toBeLessThan(slow?.targetMs ?? 0)
  expect((fast?.pace ?? 0) > (slow?.pace ?? 9)).toBe(true)
})

test('nothing is said of a dough that has not moved, or before it was mixed', () => {
  expect(doughProgress(dough, { rise: 1, of: 'bowl', atMs: at(2) }, 0.5)).toBeNull()
  expect(doughProgress(dough, { rise: 1.3, of: 'bowl', atMs: at(-1) }, 0.5)).toBeNull()
})

test('the middle of a loaf: done from its lower figure on', () => {
  expect(coreSays(ovenOf({ doughKind: 'wheat' }, 45).coreC, 93)).toBe('not yet')
  expect(coreSays(ovenOf({ doughKind: 'wheat' }, 45).coreC, 97)).toBe('done')
  expect(coreSays(ovenOf({ doughKind: 'enriched' }, 30).coreC, 97)).toBe('dry soon')
  expect(coreSays(ovenOf({ doughKind: 'flatbread' }, 6).coreC, 97)).toBeNull()
})

test('the oven by its kind, and by its own steps: very hot for ten minutes, then much lower', () => {
  const wheat = ovenOf({ doughKind: 'wheat' }, 45)
  expect(wheat.stages).toEqual([
    { tempC: 250, minutes: 20, covered: true },
    { tempC: 220, minutes: 25, covered: false }
  ])
  expect([ovenMinutes(wheat.stages), uncoveredAfter(wheat.stages)]).toEqual([45, 20])
  const stages = [
    { tempC: 280, minutes: 10, covered: true },
    { tempC: 180, minutes: 50, covered: false }
  ]
  const own = ovenOf({ doughKind: 'rye tin', oven: { stages, coreC: [97, 98] } }, 12)
  expect([own.stages, uncoveredAfter(own.stages)]).toEqual([stages, 10])
  // Nothing to take off where nothing is covered, or all the time.
  expect(uncoveredAfter([{ tempC: 190, minutes: 30, covered: false }])).toBeNull()
  expect(uncoveredAfter([{ tempC: 230, minutes: 30, covered: true }])).toBeNull()
  // Too short for the second step, it stays at the first.
  expect(ovenOf({ doughKind: 'wheat' }, 18).stages).toEqual([{ tempC: 250, minutes: 18, covered: true }])
})
