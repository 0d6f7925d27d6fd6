import { millisecondsInHour } from 'date-fns/constants'
import { type BatchLine, type Mark, simulate, TYPICAL_JAR, UNKNOWN_JAR, vesselOf } from '../../core'
import { adviceNow } from './adviceNow'
import { isItReady } from './isItReady'

const START = Date.UTC(2026, 10, 27, 20)
const line: BatchLine = {
  startedAtMs: START,
  flours: { 'white wheat': 100 },
  waterGrams: 100,
  saltGrams: 0,
  mixTempC: 25,
  stays: [{ fromMs: START, tempC: 25 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
}
const { milestones } = simulate(vesselOf(line, TYPICAL_JAR), TYPICAL_JAR, { untilHours: 40 })
const peak = milestones.peakHours ?? 0
const top = 1 + milestones.peakGas
const seenRipe: Mark[] = [
  { hours: 0.6 * peak, rise: 1 + 0.55 * milestones.peakGas },
  { hours: peak - 0.1, rise: top, signs: { top: 'flat', bubbles: 'many' } }
]
const asked = (hours: number, marks: readonly Mark[], own = line) => isItReady({ line: own, marks, hours, school: 'dome', belief: UNKNOWN_JAR })
const chilled: BatchLine = { ...line, stays: [...line.stays, { fromMs: START + peak * millisecondsInHour, tempC: 4 }] }
const awake = (ms: number) => ms
const told = (hours: number, marks: readonly Mark[], own = line) => adviceNow(asked(hours, marks, own), START, START + hours * millisecondsInHour, awake)

test('ready is told only within half an hour of a look; after that it should be ready, and is to be looked at first', () => {
  expect(told(peak, seenRipe).headline).toBe('peak')
  expect(asked(peak, seenRipe).advice.kind).toBe('mix now')
  expect(told(peak + 0.6, seenRipe)).toMatchObject({ headline: 'should be ready', lookMs: START + (peak + 0.6) * millisecondsInHour })
  expect(asked(peak, []).advice).toMatchObject({ kind: 'look', why: 'should be ready' })
})

test('nobody has looked, and its time is over: it may be past, no window is told, and it is not called past as if it had been seen', () => {
  const late = told(peak + 8, [])
  expect(late.headline).toBe('may be past')
  expect(late.window).toBeNull()
})

test('a level half as high as before, within its time: asked about, and never called ready', () => {
  const slip: Mark[] = [...seenRipe, { hours: peak + 0.2, rise: 1.2 }]
  const { advice } = asked(peak + 0.2, slip)
  expect(advice).toMatchObject({ kind: 'ask', about: { kind: 'fell', last: { look: 2, rise: 1.2 }, earlier: { look: 1 } } })
  expect(told(peak + 0.2, slip).window).toBeNull()
})

test('the answer counts: stirred, it goes on as before; right, it has fallen', () => {
  const answered = (explained: Mark['explained']): Mark[] => [...seenRipe, { hours: peak + 0.2, rise: 1.2, explained }]
  const stirred = asked(peak + 0.2, answered('stirred'))
  expect(stirred.phase).toBe('peak')
  // What it shows now says nothing, and the look before it is fresh no longer once half an hour has gone by.
  expect(asked(peak + 0.6, answered('stirred')).advice).toMatchObject({ kind: 'look', why: 'should be ready' })
  expect(asked(peak + 0.2, answered('right')).advice.kind).toBe('past')
})

test('levels after it was stirred count from there', () => {
  const early: Mark[] = [
    { hours: 0.5 * peak, rise: 1 + 0.4 * milestones.peakGas },
    { hours: 0.6 * peak, rise: 1.1, explained: 'stirred' }
  ]
  const { reads } = asked(0.6 * peak, early)
  expect(reads.lostGas).toBeGreaterThan(0.3 * milestones.peakGas)
  // By half its height more than it was when it was stirred: as high as it would have been, less what was knocked out.
  const later = [...early, { hours: 0.8 * peak, rise: 1.1 + 0.3 * milestones.peakGas }]
  expect(['climbing', 'young', 'peak']).toContain(asked(0.8 * peak, later).phase)
  expect(asked(0.8 * peak, later).advice.kind).not.toBe('ask')
})

test('a band that was moved: the levels after it are read from the new mark', () => {
  const moved: Mark[] = [
    { hours: 0.6 * peak, rise: 1 + 0.55 * milestones.peakGas },
    { hours: 0.9 * peak, rise: 1.3, explained: 'band moved' },
    { hours: peak, rise: 1.35, signs: { top: 'flat', bubbles: 'many', webbing: 'web' } }
  ]
  const { phase, reads, advice } = asked(peak, moved)
  expect(reads.scale).toBeGreaterThan(1.3)
  expect(phase).toBe('peak')
  expect(advice.kind).toBe('mix now')
})

test('higher than it can be, or below its mark: asked about', () => {
  expect(asked(2, [{ hours: 2, rise: 5 }]).advice).toMatchObject({ kind: 'ask', about: { kind: 'leapt' } })
  expect(asked(2, [{ hours: 2, rise: 0.7 }]).advice).toMatchObject({ kind: 'ask', about: { kind: 'below the mark' } })
})

test('past by what was seen, it does not rise again unasked', () => {
  const past: Mark[] = [
    { hours: peak, rise: top },
    { hours: peak + 4, rise: 1 + 0.6 * milestones.peakGas, signs: { top: 'sunken', smear: 'yes' } },
    { hours: peak + 5, rise: top }
  ]
  expect(asked(peak + 5, past).advice).toMatchObject({ kind: 'ask', about: { kind: 'rose again' } })
})

test('a sunken centre is past in a rye, too', () => {
  const rye: BatchLine = { ...line, flours: { rye: 100 }, parents: [{ grams: 20, hydration: 1, flour: 'rye', line: null }] }
  const ripe = simulate(vesselOf(rye, TYPICAL_JAR), TYPICAL_JAR, { untilHours: 40 }).milestones
  const marks: Mark[] = [{ hours: ripe.peakHours ?? 0, rise: 1 + ripe.peakGas, signs: { top: 'sunken' } }]
  expect(asked(ripe.peakHours ?? 0, marks, rye).advice.kind).toBe('past')
})

test('chilled while it was ready it is held for hours, not days; its lower level there is no fall', () => {
  const morning = peak + 6
  const { advice } = asked(morning, [...seenRipe, { hours: peak + 5.9, rise: 1.7 }], chilled)
  expect(advice).toMatchObject({ kind: 'held', seen: true })
  if (advice.kind === 'held') {
    expect(advice.untilHours - peak).toBeGreaterThan(4)
    expect(advice.untilHours - peak).toBeLessThanOrEqual(24)
  }
  expect(asked(peak + 30, seenRipe, chilled).advice).toEqual({ kind: 'past', how: 'past its best' })
  // Sunken in the cold it is not held any more.
  expect(asked(morning, [...seenRipe, { hours: peak + 5.9, rise: 1.5, signs: { top: 'sunken' } }], chilled).advice.kind).toBe('past')
})

test('chilled long before it was ready, nothing is held', () => {
  const early: BatchLine = { ...line, stays: [...line.stays, { fromMs: START + 0.3 * peak * millisecondsInHour, tempC: 4 }] }
  expect(asked(0.3 * peak + 4, [], early).advice.kind).toBe('wait')
})

test('sure by the forecast that it is past, one misread level does not make it ready', () => {
  const late = 2.1 * peak
  const { advice } = asked(late, [{ hours: late - 0.1, rise: top, signs: { smear: 'no' } }])
  expect(advice.kind).not.toBe('mix now')
})

test('seen high before and back at its mark now, it is asked about, not called one that never rose', () => {
  expect(asked(peak + 0.2, [...seenRipe, { hours: peak + 0.2, rise: 1.02 }]).advice).toMatchObject({ kind: 'ask', about: { kind: 'fell' } })
})

/** A sour of 270 g of rye and 290 g of water from 75 g of starter, at 21 °C: it is at its peak in the evening and wanted the next day. */
const rye: BatchLine = {
  startedAtMs: START,
  flours: { rye: 270 },
  waterGrams: 290,
  saltGrams: 0,
  mixTempC: 23,
  stays: [{ fromMs: START, tempC: 21 }],
  parents: [{ grams: 75, hydration: 1, flour: 'rye', line: null }]
}
const sour = (hours: number, marks: readonly Mark[]) => isItReady({ line: rye, marks, hours, school: 'full sour', belief: UNKNOWN_JAR })

test('a full sour is waited for at its peak, taken once it has fallen, and past a day later', () => {
  const risen = simulate(vesselOf(rye, TYPICAL_JAR), TYPICAL_JAR, { untilHours: 60 }).milestones
  const ripe = risen.peakHours ?? 0
  const seen: Mark[] = [{ hours: ripe, rise: 1 + risen.peakGas }]
  expect(sour(ripe, seen).advice.kind).toBe('wait')
  const { opens, closes } = sour(ripe, seen).forecast
  // Bakers use such a sour after 14 to 24 h.
  expect(opens.p50).toBeGreaterThan(ripe)
  expect(opens.p50).toBeLessThan(16)
  expect(closes.p50).toBeGreaterThan(18)
  const hours = (opens.p50 + closes.p50) / 2
  const fallen: Mark[] = [...seen, { hours, rise: 1 + 0.5 * risen.peakGas, signs: { top: 'sunken' } }]
  expect(sour(hours, fallen).advice).toMatchObject({ kind: 'mix now', fullSour: true })
  const now = adviceNow(sour(hours, fallen), START, START + hours * millisecondsInHour, awake)
  expect(now.headline).toBe('full sour')
  // Nobody has looked: it should be ready, and is looked at first.
  expect(sour(hours, seen).advice).toMatchObject({ kind: 'look', why: 'should be ready' })
  expect(sour(60, fallen).advice).toMatchObject({ kind: 'look', why: 'may be past' })
  expect(sour(60, [...fallen, { hours: 59.9, rise: 1.1 }]).advice.kind).toBe('past')
  // Who wants it at its peak is told that this is past.
  expect(isItReady({ line: rye, marks: fallen, hours, school: 'dome', belief: UNKNOWN_JAR }).advice.kind).toBe('past')
})
