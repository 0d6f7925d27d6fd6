import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import fc from 'fast-check'
import { DOUGH } from '../testing/planProblems'
import { type CourseHere, courseTimes, doughAt, doughPace, tasksOfDough, timesFrom, USUAL_COURSE } from './course'

const mix = Date.UTC(2026, 10, 28, 8)
const wheat: CourseHere = { ...USUAL_COURSE.wheat, kind: 'wheat', pieceGrams: 850, coldC: 4 }
const pace = { bulkHours: 4, proofHours: 1.5 }

test('a day by hand: mixed at eight, bulk four hours, shaped, an hour and a half of proof, in the oven for 45 minutes', () => {
  const times = courseTimes({ ...wheat, autolyseMinutes: 40 }, mix, pace)
  const clock = (ms: number | null | undefined) => new Date(ms ?? 0).toISOString().slice(11, 16)
  expect(
    times === null
      ? null
      : [times.autolyseMs, ...times.foldMs, times.shapeMs, times.proofMs, times.preheatMs, times.bakeMs, times.lidMs, times.outMs, times.eatMs].map(clock)
  ).toEqual(['07:20', '08:30', '09:00', '09:30', '12:00', '12:25', '13:10', '13:55', '14:15', '14:40', '16:10'])
})

test('in the cold the proof takes the hours it is given, whatever the warm one would', () => {
  const times = courseTimes({ ...wheat, proof: { kind: 'cold', hours: 12 } }, mix, { bulkHours: 4, proofHours: null })
  expect(((times?.bakeMs ?? 0) - (times?.proofMs ?? 0)) / millisecondsInHour).toBe(12)
})

test('two loads take the oven twice, and no lid is lifted between them', () => {
  const one = courseTimes(wheat, mix, pace)
  const two = courseTimes({ ...wheat, loads: 2 }, mix, pace)
  expect((two?.outMs ?? 0) - (one?.outMs ?? 0)).toBe(45 * millisecondsInMinute)
  expect([one?.lidMs === null, two?.lidMs === null]).toEqual([false, true])
})

test('the lid comes off when the oven’s own steps say so, and not at all where there is none', () => {
  const lidAfter = (more: Partial<CourseHere>) => {
    const times = courseTimes({ ...wheat, ...more }, mix, pace)
    return times?.lidMs == null ? null : (times.lidMs - times.bakeMs) / millisecondsInMinute
  }
  expect([lidAfter({}), lidAfter({ bakeMinutes: 30 }), lidAfter({ lidMinutes: 30 }), lidAfter({ lidMinutes: null })]).toEqual([20, null, 30, null])
})

test('a dough that never rises has no day; shaped at another time, the rest follows', () => {
  expect(courseTimes(wheat, mix, { bulkHours: null, proofHours: null })).toBeNull()
  const late = timesFrom(wheat, mix, mix + 5 * millisecondsInHour, 1.5)
  expect(late?.bakeMs).toBe(mix + 5 * millisecondsInHour + 25 * millisecondsInMinute + 90 * millisecondsInMinute)
})

test('put into the fridge an hour after the mix, the dough keeps its day: it gets there in the end, and is proofed where it was to stand', () => {
  const warm = { ...doughAt(DOUGH, mix, { tempC: 24 }), mixTempC: 24 }
  const movedAt = (hours: number) => ({ ...warm, stays: [...warm.stays, { fromMs: mix + hours * millisecondsInHour, tempC: 4 }] })
  const usual = doughPace(warm, wheat)
  const early = doughPace(movedAt(1), wheat)
  expect(early.bulkHours ?? 0).toBeGreaterThan((usual.bulkHours ?? 0) + 5)
  expect(early.bulkHours ?? 99).toBeLessThan(36)
  // Chilled once its bulk is nearly over, it gets there as it cools, and its proof is no slower than in the warm but for the cold it brings.
  const late = doughPace(movedAt((usual.bulkHours ?? 0) - 0.3), wheat)
  expect(late.bulkHours ?? 0).toBeLessThan((usual.bulkHours ?? 0) + 0.5)
  expect(late.proofHours ?? 99).toBeLessThan(4)
})

test('bulk of a fifth of levain at 25 and at 21 degrees as bakers see it', () => {
  const at = (tempC: number) => doughPace({ ...doughAt(DOUGH, mix, { tempC }), mixTempC: tempC }, wheat).bulkHours ?? 0
  expect(at(25)).toBeGreaterThan(3)
  expect(at(25)).toBeLessThan(5)
  expect(at(21)).toBeGreaterThan(3.9)
  expect(at(21)).toBeLessThan(7.5)
})

test('warmer is never slower, more rise is never sooner', () => {
  fc.assert(
    fc.property(fc.double({ min: 18, max: 26, noNaN: true }), fc.double({ min: 0.2, max: 0.8, noNaN: true }), (tempC, bulkGas) => {
      const hours = (t: number, gas: number) => doughPace(doughAt(DOUGH, mix, { tempC: t }), { ...wheat, bulkGas: gas }).bulkHours ?? 99
      expect(hours(tempC + 1, bulkGas)).toBeLessThan(hours(tempC, bulkGas))
      expect(hours(tempC, bulkGas + 0.1)).toBeGreaterThan(hours(tempC, bulkGas))
    }),
    { numRuns: 20 }
  )
})

test('folds may be left out, all else wants hands; while bread is in the oven somebody is at home', () => {
  const times = courseTimes(wheat, mix, pace)
  if (times === null) throw new Error('no day')
  const tasks = tasksOfDough(times, wheat)
  expect(tasks.filter((t) => t.spare === true).map((t) => t.step)).toEqual(['fold', 'fold', 'fold'])
  expect(tasks.find((t) => t.needs === 'eyes')).toMatchObject({ step: 'bake', minutes: 45 })
})

test('a dough that has risen far enough in the fridge waits there until it is taken out', () => {
  const moves = (out: number) => [
    { afterHours: 2, tempC: 4 },
    { afterHours: out, tempC: 24 }
  ]
  const line = (out: number) => ({ ...doughAt(DOUGH, mix, { tempC: 24 }, moves(out)), mixTempC: 24 })
  const course = { ...wheat, bulkGas: 0.5 }
  const warm = doughPace({ ...doughAt(DOUGH, mix, { tempC: 24 }), mixTempC: 24 }, course).bulkHours ?? 0
  const { bulkHours, stop } = doughPace(line(12), course)
  // In the warm it would be ready before it comes out.
  expect(warm).toBeLessThan(5)
  expect(bulkHours).toBe(12)
  // It rises by half in the eighth hour or so, and hardly further in the cold.
  expect(stop?.gas ?? 0).toBeGreaterThanOrEqual(0.5)
  expect(stop?.gas ?? 9).toBeLessThan(0.65)
  // Put there an hour later it would be far too airy by then: it is shaped when it is ready.
  const late = { ...line(12), stays: line(12).stays.map((stay, i) => (i === 1 ? { ...stay, fromMs: stay.fromMs + 3_600_000 } : stay)) }
  expect(doughPace(late, course).bulkHours ?? 99).toBeLessThan(6)
})

test('two loads: the first comes out and the second goes in, in between', () => {
  const twice = { ...wheat, loads: 2, pieces: 4 }
  const times = courseTimes(twice, mix, pace)
  if (times === null) throw new Error('no day')
  const tasks = tasksOfDough(times, twice).filter((t) => t.needs === 'hands')
  const after = (step: string) => tasks.filter((t) => t.step === step).map((t) => (t.fromMs - times.bakeMs) / 60_000)
  expect([after('bake'), after('out')]).toEqual([
    [0, 45],
    [45, 90]
  ])
  // Four pieces are shaped in 35 min, and go to proof then.
  expect(tasks.find((t) => t.step === 'shape')?.minutes).toBe(35)
  expect((times.proofMs - times.shapeMs) / 60_000).toBe(35)
})
