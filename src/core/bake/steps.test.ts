import { millisecondsInHour } from 'date-fns/constants'
import { AS_MARKED } from '../readiness/marks'
import type { Verdict } from '../readiness/verdict'
import { USUAL_COURSE } from '../schedule/course'
import { aheadStep, expectedMixMs, type StepFacts, stepNamed, stepsOf } from './steps'

const now = Date.UTC(2026, 10, 27, 8)
const awake = (ms: number) => ms
const facts = (more: Partial<StepFacts>): StepFacts => ({
  status: 'planned',
  mixAtMs: now + 20 * millisecondsInHour,
  startMs: now + 11 * millisecondsInHour,
  growMs: [],
  ripens: null,
  before: [],
  ahead: [],
  chillsMs: [],
  running: null,
  mixedMs: null,
  dough: null,
  deeds: new Map(),
  awake,
  bedtime: awake,
  ...more
})

const range = (p50: number) => ({ p05: p50 - 1, p25: p50 - 0.5, p50, p75: p50 + 0.5, p95: p50 + 1 })
function verdict(advice: Verdict['advice']): Verdict {
  return {
    phase: 'climbing',
    probability: 0.8,
    phases: { lag: 0, climbing: 0.8, young: 0.2, peak: 0, easing: 0, collapsed: 0 },
    holds: true,
    marks: [],
    reads: AS_MARKED,
    fitNow: 0,
    forecast: {
      gridHours: [0, 1],
      gas: { p05: [0, 0], p25: [0, 0], p50: [0, 0], p75: [0, 0], p95: [0, 0] },
      opens: range(7),
      peak: range(8),
      closes: range(10),
      fit: [0, 0]
    },
    advice
  }
}
const ripening = (advice: Verdict['advice'], more: Partial<StepFacts> = {}) =>
  stepsOf(facts({ status: 'ripening', running: { bandMs: now - 5 * millisecondsInHour, verdict: verdict(advice) }, ...more }), now)

test('planned: build, then mix', () => {
  expect(stepsOf(facts({}), now)).toEqual([
    { id: 'build', kind: 'build', atMs: now + 11 * millisecondsInHour, untilMs: null, minutes: 10 },
    { id: 'mix', kind: 'mix', atMs: now + 20 * millisecondsInHour, untilMs: null, minutes: 15 }
  ])
})

test('a plan that cannot be still has its mix', () => {
  expect(stepsOf(facts({ startMs: null }), now).map((s) => s.kind)).toEqual(['mix'])
})

test('half weighed: go on now, the mix is still to come', () => {
  expect(stepsOf(facts({ status: 'building' }), now)).toEqual([
    { id: 'finish weighing', kind: 'finish weighing', atMs: now, untilMs: null, minutes: 0 },
    { id: 'mix', kind: 'mix', atMs: now + 20 * millisecondsInHour, untilMs: null, minutes: 15 }
  ])
})

test('climbing: look, then mix while the window is open', () => {
  const steps = ripening({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 })
  expect(steps[0]).toEqual({ id: 'look', kind: 'look', atMs: now + 1.5 * millisecondsInHour, untilMs: now + 2 * millisecondsInHour, minutes: 0 })
  expect(steps[1]).toEqual({ id: 'mix', kind: 'mix', atMs: now + 2 * millisecondsInHour, untilMs: now + 5 * millisecondsInHour, minutes: 15 })
})

test('a jar used as it is: looked at and mixed by what it shows, and nothing is built', () => {
  const running = { bandMs: now - 5 * millisecondsInHour, verdict: verdict({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 }) }
  const steps = stepsOf(facts({ asItIs: true, mixAtMs: now + 3 * millisecondsInHour, startMs: now + 3 * millisecondsInHour, running }), now)
  expect(steps.map(({ id, atMs }) => [id, (atMs - now) / millisecondsInHour])).toEqual([
    ['look', 1.5],
    ['mix', 2]
  ])
})

test('nobody is sent to look at night', () => {
  const morning = now + 9 * millisecondsInHour
  const steps = ripening({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 }, { awake: () => morning })
  expect(steps[0]?.atMs).toBe(morning)
})

test('ripe: mix now, not at the time once planned', () => {
  expect(ripening({ kind: 'mix now', closesHours: 10 })[0]).toEqual({ id: 'mix', kind: 'mix', atMs: now, untilMs: now + 5 * millisecondsInHour, minutes: 15 })
})

test('past and collapsed: feed again; mixed: nothing more', () => {
  expect(ripening({ kind: 'past', how: 'collapsed' }).map((s) => s.kind)).toEqual(['feed again'])
  expect(stepsOf(facts({ status: 'mixed' }), now)).toEqual([])
})

const course = { ...USUAL_COURSE.wheat, autolyseMinutes: 40 }
const dough = { course, pace: { bulkHours: 4, proofHours: 1.5 } }
const clock = (steps: readonly { id: string; atMs: number }[]) => steps.map((s) => `${s.id} ${new Date(s.atMs).toISOString().slice(11, 16)}`)
const deed = (minutesAgo: number, did: 'done' | 'skipped' = 'done') => ({ id: 'x', atMs: now - minutesAgo * 60_000, did })

test('a planned bake shows its whole day', () => {
  const steps = stepsOf(facts({ dough, mixAtMs: now + 10 * millisecondsInHour, startMs: now + millisecondsInHour }), now)
  expect(clock(steps)).toEqual([
    'build 09:00',
    'autolyse 17:20',
    'mix 18:00',
    'fold 1 18:30',
    'fold 2 19:00',
    'fold 3 19:30',
    'shape 22:00',
    'preheat 23:10',
    'bake 23:55',
    'lid 00:15',
    'out 00:40',
    'eat 02:10'
  ])
})

test('a feed before it that was done is gone from the list; one left out too', () => {
  const before = [
    { id: 'wake 1', kind: 'wake' as const, atMs: now - millisecondsInHour },
    { id: 'wake 2', kind: 'wake' as const, atMs: now + 8 * millisecondsInHour }
  ]
  expect(stepsOf(facts({ before }), now).map((s) => s.id)).toEqual(['wake 1', 'wake 2', 'build', 'mix'])
  expect(stepsOf(facts({ before, deeds: new Map([['wake 1', deed(5)]]) }), now).map((s) => s.id)).toEqual(['wake 2', 'build', 'mix'])
})

test('the day follows what happened: mixed late, shaped later still', () => {
  const mixed = { status: 'mixed' as const, mixedMs: now - 5 * millisecondsInHour, dough }
  // Its bulk is over: no fold is asked for any more.
  expect(clock(stepsOf(facts(mixed), now))).toEqual(['shape 07:00', 'preheat 08:10', 'bake 08:55', 'lid 09:15', 'out 09:40', 'eat 11:10'])
  // Shaped at 08:00 instead of 07:25: the oven is loaded an hour and a half after that.
  const shaped = stepsOf(facts({ ...mixed, deeds: new Map([['shape', deed(0)]]) }), now)
  expect(clock(shaped)).toEqual(['preheat 08:45', 'bake 09:30', 'lid 09:50', 'out 10:15', 'eat 11:45'])
})

test('folds that were let go by are no more overdue once it is shaped', () => {
  const steps = stepsOf(
    facts({
      status: 'mixed',
      mixedMs: now - 5 * millisecondsInHour,
      dough,
      deeds: new Map([
        ['fold 1', deed(240)],
        ['shape', deed(5)]
      ])
    }),
    now
  )
  expect(steps.map((s) => s.kind)).not.toContain('fold')
})

test('a fold that was let go by is gone once the next is due, or the dough is in the fridge', () => {
  // Folds at 30, 60 and 90 min after the mix.
  const folds = (minutes: number, more: Partial<StepFacts> = {}) =>
    stepsOf(facts({ status: 'mixed', mixedMs: now - minutes * 60_000, dough, ...more }), now).flatMap(({ id, kind }) => (kind === 'fold' ? [id] : []))
  expect(folds(45)).toEqual(['fold 1', 'fold 2', 'fold 3'])
  expect(folds(65)).toEqual(['fold 2', 'fold 3'])
  expect(folds(120)).toEqual(['fold 3'])
  // Shaped at 240 min: nobody makes up for it in the last hour.
  expect(folds(175)).toEqual(['fold 3'])
  expect(folds(185)).toEqual([])
  // Mixed before bed, with hours of bulk to come: in the morning the last one is not made up for.
  const long = { dough: { ...dough, pace: { ...dough.pace, bulkHours: 14 } } }
  expect(folds(205, long)).toEqual(['fold 3'])
  expect(folds(8 * 60, long)).toEqual([])
  const moves = [{ afterHours: 2, placeId: 'fridge', tempC: 4 }]
  const chilled = { dough: { ...dough, course: { ...course, moves } } }
  expect(folds(130, { ...chilled, doughTo: ['Fridge'] })).toEqual(['fold 3'])
  expect(folds(130, { ...chilled, doughTo: [null] })).toEqual([])
})

test('a dough that is moved on has a step for it, with its place, until it was done', () => {
  const moves = [
    { afterHours: 2, placeId: 'fridge', tempC: 4 },
    { afterHours: 3, placeId: 'room', tempC: 22 }
  ]
  const moved = (doughTo: readonly (string | null)[], deeds = new Map()) =>
    stepsOf(facts({ status: 'mixed', mixedMs: now, dough: { ...dough, course: { ...course, moves } }, doughTo, deeds }), now).flatMap(
      ({ kind, id, to, atMs, minutes }) => (kind === 'move' ? [[id, to, (atMs - now) / millisecondsInHour, minutes]] : [])
    )
  expect(moved(['Fridge', 'Worktop'])).toEqual([
    ['move 1', 'Fridge', 2, 2],
    ['move 2', 'Worktop', 3, 2]
  ])
  expect(moved([null, 'Worktop'])).toEqual([['move 2', 'Worktop', 3, 2]])
  expect(moved(['Fridge', 'Worktop'], new Map([['move 1', deed(0, 'skipped')]]))).toEqual([['move 2', 'Worktop', 3, 2]])
})

test('a levain that is late takes the day with it; one that would be ripe at night is mixed before bed or in the morning', () => {
  const night = { fromMs: now + 14 * millisecondsInHour, toMs: now + 22 * millisecondsInHour }
  const inNight = (ms: number) => ms > night.fromMs && ms < night.toMs
  const sleeping = { awake: (ms: number) => (inNight(ms) ? night.toMs : ms), bedtime: (ms: number) => (inNight(ms) ? night.fromMs : ms) }
  const running = (bandHours: number) => ({
    bandMs: now + bandHours * millisecondsInHour,
    verdict: verdict({ kind: 'wait', opensHours: 7, lookAgainHours: 6 })
  })
  const rested = { ...dough, course: USUAL_COURSE.wheat }
  // Opens after 7 h, closes after 10 h; planned for 6 h from now.
  const at = (bandHours: number, mixAt: number) =>
    (expectedMixMs(facts({ status: 'ripening', mixAtMs: now + mixAt * millisecondsInHour, running: running(bandHours), dough: rested, ...sleeping }), now) -
      now) /
    millisecondsInHour
  expect(at(0, 8)).toBe(8)
  expect(at(0, 6)).toBe(7)
  expect(at(0, 12)).toBe(10)
  // Window 13 to 16 h from now, wanted at 15: bed is at 14, so a quarter of an hour before.
  expect(at(6, 15)).toBe(13.75)
  // Window 13.9 to 16.9 h from now: six minutes before bed, and not in the morning, when it is long past.
  expect(at(6.9, 15)).toBeCloseTo(13.9, 9)
  // Window 17 to 20 h from now, all of it asleep: in the morning.
  expect(at(10, 18)).toBe(22)
})

test('where the dough’s day is planned, the mix stands at its moment and the autolyse before it', () => {
  const steps = ripening({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 }, { dough, mixAtMs: now + 3 * millisecondsInHour })
  expect(clock(steps).slice(0, 3)).toEqual(['look 09:30', 'autolyse 10:20', 'mix 11:00'])
  // Fit and due now: nothing rests for forty minutes any more.
  const now8 = { bandMs: now - 8 * millisecondsInHour, verdict: verdict({ kind: 'mix now', closesHours: 10 }) }
  expect(ripening({ kind: 'mix now', closesHours: 10 }, { dough, mixAtMs: now - millisecondsInHour, running: now8 }).map((s) => s.id)).not.toContain('autolyse')
})

test('ready at the hour it was planned for: that hour is the appointment, not the opening of the window', () => {
  const open = { bandMs: now - 8 * millisecondsInHour, verdict: verdict({ kind: 'mix now', closesHours: 10 }) }
  const at = (mixAtMs: number) => stepsOf(facts({ status: 'ripening', running: open, dough, mixAtMs }), now).find((s) => s.kind === 'mix')
  // Opened an hour ago, closes in two.
  expect(at(now)?.atMs).toBe(now)
  expect(at(now + millisecondsInHour)?.atMs).toBe(now + millisecondsInHour)
  // Planned for an hour that has passed, or for one that it does not last until: now.
  expect(at(now - millisecondsInHour)?.atMs).toBe(now)
  expect(at(now + 5 * millisecondsInHour)?.atMs).toBe(now)
})

test('begun late it is mixed late, and all that follows with it; in time while it is ready by then', () => {
  const late = (opensHours: number) =>
    expectedMixMs(
      facts({
        mixAtMs: now + 6 * millisecondsInHour,
        startMs: now - 3 * millisecondsInHour,
        ripens: { opensMs: now + opensHours * millisecondsInHour, fitMs: now + (opensHours + 1) * millisecondsInHour }
      }),
      now
    )
  expect(late(8)).toBe(now + 9 * millisecondsInHour)
  expect(late(5)).toBe(now + 6 * millisecondsInHour)
})

test('starter that has to be grown first is grown first', () => {
  const steps = stepsOf(facts({ growMs: [now + millisecondsInHour, now + 5 * millisecondsInHour] }), now)
  expect(steps.map((s) => s.id)).toEqual(['grow 1', 'grow 2', 'build', 'mix'])
})

describe('what is made ahead of the dough', () => {
  const poolish = { id: 'p', name: 'Poolish', style: 'poolish', hours: 12 } as const
  const madeAt = (more: Partial<StepFacts>) => stepsOf(facts({ ahead: [poolish], ...more }), now).find((s) => s.kind === 'ahead')
  // Asleep from 22:00 to 06:00; now is 08:00, the mix at 04:00 of the day after.
  const at = (hour: number, day = 0) => Date.UTC(2026, 10, 27 + day, hour)
  const night = {
    awake: (ms: number) => (ms >= at(22) && ms < at(6, 1) ? at(6, 1) : ms),
    bedtime: (ms: number) => (ms >= at(22) && ms < at(6, 1) ? at(22) : ms)
  }

  test('is begun its hours before the mix, and goes along when that moves', () => {
    expect(madeAt({})).toEqual({ id: 'ahead p', kind: 'ahead', atMs: at(16), untilMs: null, minutes: 8, of: { name: 'Poolish', style: 'poolish' } })
    expect(madeAt({ mixAtMs: now + 24 * millisecondsInHour })?.atMs).toBe(at(20))
  })

  test('never in anybody’s sleep: before bed or after it, whichever is nearer', () => {
    // 12 h before 11:00 is 23:00: eight minutes before bed.
    expect(madeAt({ mixAtMs: at(11, 1), ...night })?.atMs).toBe(at(22) - 8 * 60_000)
    // 12 h before 17:00 is 05:00: at six.
    expect(madeAt({ mixAtMs: at(17, 1), ...night })?.atMs).toBe(at(6, 1))
    // A sponge of 3 h for 07:00 would be made at six or before bed; at six it has an hour, and still comes before the mix.
    expect(madeAt({ ahead: [{ ...poolish, style: 'sponge', hours: 3 }], mixAtMs: at(7, 1), ...night })?.atMs).toBe(at(6, 1))
    // For 06:00 there is no morning before it.
    expect(madeAt({ ahead: [{ ...poolish, style: 'sponge', hours: 1 }], mixAtMs: at(6, 1), ...night })?.atMs).toBe(at(22) - 8 * 60_000)
  })

  test('told as done, or once the dough is mixed, it is no step any more', () => {
    expect(madeAt({ deeds: new Map([[aheadStep('p'), { did: 'done' as const, atMs: now, id: 'd' }]]) })).toBeUndefined()
    expect(madeAt({ status: 'mixed', mixedMs: now })).toBeUndefined()
  })

  test('a step is known again by its id', () => {
    const line = { id: 'p', kind: 'pre-ferment', style: 'scald', mix: { name: 'Rye scald', parts: [] }, share: 0.1 } as const
    expect(stepNamed('ahead p', [line])).toEqual({ id: 'ahead p', kind: 'ahead', of: { name: 'Rye scald', style: 'scald' } })
    expect(stepNamed('ahead gone').kind).toBe('ahead')
    expect(stepNamed('fold 2')).toEqual({ id: 'fold 2', kind: 'fold' })
  })
})
