import { TZDate } from '@date-fns/tz'
import { millisecondsInHour } from 'date-fns/constants'
import fc from 'fast-check'
import type { Jar, Kitchen } from '../../contract'
import { type BatchLine, conditionOf } from '../../core'
import { feedDue, freshMixC, habitualFeed, putOffTo, skippedUntil } from './jarCare'

const zone = 'Europe/Lisbon'
const kitchen = {
  sleep: { from: '22:30', to: '06:30' },
  timeZone: zone,
  places: [
    { id: 'room', name: 'Worktop', tempC: 21 },
    { id: 'fridge', name: 'Fridge', tempC: 4 }
  ]
} as unknown as Kitchen
const START = Date.UTC(2026, 0, 5, 8)
const HOUR = millisecondsInHour
const DAY = 24 * HOUR

/** A jar fed at a moment: on the worktop, or an hour out and then in the fridge. */
function fed(id: string, atMs: number, kept: number, fresh: number, cold: boolean, everyHours: number | null): Jar {
  const line: BatchLine = {
    startedAtMs: atMs,
    flours: { 'white wheat': fresh },
    waterGrams: fresh,
    saltGrams: 0,
    mixTempC: 21,
    stays: [{ fromMs: atMs, tempC: 21 }, ...(cold ? [{ fromMs: atMs + HOUR, tempC: 4 }] : [])],
    parents: [{ grams: kept, hydration: 1, flour: 'white wheat', line: null }]
  }
  const stays = [{ placeId: 'room', from: atMs }, ...(cold ? [{ placeId: 'fridge', from: atMs + HOUR }] : [])]
  const lastFeed = { at: atMs, keepGrams: kept, flours: [{ ingredientId: 'white wheat', grams: fresh }], waterGrams: fresh, everyHours }
  const grams = kept + 2 * fresh
  return {
    id,
    culture: 'white wheat',
    program: null,
    grams,
    keepMinimumGrams: 15,
    lastFeed,
    line,
    stays,
    placeId: cold ? 'fridge' : 'room',
    putOffUntil: null,
    young: false
  } as unknown as Jar
}
const due = (jar: Jar) => feedDue(jar, conditionOf(jar.line, jar.line.startedAtMs), kitchen)
const clock = (ms: number) => {
  const at = new TZDate(ms, zone)
  return at.getHours() + at.getMinutes() / 60
}

test('a jar that is fed each day is due at its hour; one without a habit when it gets hungry, and the cold one days later', () => {
  expect(due(fed('daily', START, 20, 40, false, 24))?.atMs).toBe(START + DAY)
  const warm = due(fed('new', START, 20, 40, false, null))
  const cold = due(fed('cold', START, 20, 40, true, null))
  expect(((warm?.atMs ?? 0) - START) / HOUR).toBeGreaterThan(6)
  expect(((warm?.atMs ?? 0) - START) / HOUR).toBeLessThan(30)
  expect(((cold?.atMs ?? 0) - START) / DAY).toBeGreaterThan(2)
  expect(cold?.byMs ?? 0).toBeGreaterThan(cold?.atMs ?? 0)
})

test('what is still rising in the cold is not fed yet, however often it was fed before', () => {
  const jar = fed('cold', START, 20, 100, true, 24)
  const { peakMs } = conditionOf(jar.line, START)
  expect(peakMs ?? 0).toBeGreaterThan(START + 2 * DAY)
  expect(due(jar)?.atMs).toBeGreaterThanOrEqual((peakMs ?? 0) - 8 * HOUR)
})

test('a habit that would starve it is called before one feed is not enough', () => {
  const jar = fed('rare', START, 20, 20, false, 24 * 20)
  const told = due(jar)
  expect(told?.atMs).toBeLessThanOrEqual(told?.byMs ?? 0)
})

test('nothing is asked of what sleeps, is in a program, is empty, is to be used up, or is fed by a bake', () => {
  const jar = fed('jar', START, 20, 40, false, 24)
  expect(due({ ...jar, culture: 'dried' } as Jar)).toBeNull()
  expect(due({ ...jar, program: { id: 'p', title: '', step: '', dueAt: START } } as Jar)).toBeNull()
  expect(due({ ...jar, grams: 0 })).toBeNull()
  expect(due({ ...jar, keepMinimumGrams: 0 })).toBeNull()
  const wake = { jarId: 'jar', before: [{ kind: 'wake' }] } as never
  expect(feedDue(jar, conditionOf(jar.line, START), kitchen, [wake])).toBeNull()
})

test('put off it waits, but is asked for again while one feed is enough; left out once it waits for the next of its habit', () => {
  const jar = fed('weekly', START, 20, 40, true, 3 * 24)
  const { atMs, byMs } = due(jar) ?? { atMs: 0, byMs: null }
  const putOff = (untilMs: number) => due({ ...jar, putOffUntil: untilMs })?.atMs ?? 0
  expect(putOff(atMs + 5 * HOUR)).toBeGreaterThanOrEqual(atMs + 5 * HOUR)
  expect(putOff(atMs - DAY)).toBe(atMs)
  const late = byMs ?? 0
  expect(putOffTo(atMs + 9 * DAY, { byMs }, late - DAY)).toBe(late - 2 * HOUR)
  expect(putOffTo(atMs + 5 * HOUR, { byMs: null }, atMs)).toBe(atMs + 5 * HOUR)
  // Once it is too late for one feed anyway, it is put off as long as is said.
  expect(putOffTo(late + 9 * DAY, { byMs }, late + HOUR)).toBe(late + 9 * DAY)
  expect(skippedUntil(jar, { atMs, byMs }, atMs + 2 * HOUR)).toBe(atMs + 74 * HOUR)
  expect(skippedUntil({ lastFeed: null }, { atMs, byMs }, atMs)).toBeNull()
})

test('a culture that does not rise yet is fed by the day, and nothing is forecast of it', () => {
  const jar = { ...fed('young', START, 60, 60, false, null), young: true }
  expect(due(jar)).toEqual({ atMs: START + DAY, byMs: null })
})

test('a year of four jars and three habits: no feed falls into sleep, none is lost or doubled, no jar is left beyond its day', () => {
  const habits = [
    { id: 'daily', kept: 20, fresh: 40, cold: false, every: 24, late: 0 },
    { id: 'weekly', kept: 20, fresh: 40, cold: true, every: 7 * 24, late: 1 },
    { id: 'by need', kept: 15, fresh: 60, cold: true, every: null, late: 0 },
    { id: 'late riser', kept: 25, fresh: 25, cold: false, every: null, late: 2 }
  ] as const
  for (const { id, kept, fresh, cold, every, late } of habits) {
    let at = START
    let feeds = 0
    while (at < START + 365 * DAY) {
      const jar = fed(id, at, kept, fresh, cold, every)
      const told = feedDue(jar, conditionOf(jar.line, at), kitchen)
      if (told === null) throw new Error(`${id} was forgotten.`)
      expect(told.atMs).toBeGreaterThan(at + HOUR)
      // In the kitchen's sleep nobody is called, over both clock changes.
      expect(clock(told.atMs) > 22.51 || clock(told.atMs) < 6.49).toBe(false)
      if (told.byMs !== null) expect(told.atMs).toBeLessThanOrEqual(told.byMs + 8 * HOUR)
      // Asked again at the same state it is the same call.
      expect(feedDue(jar, conditionOf(jar.line, at + HOUR), kitchen)).toEqual(told)
      // Some feed an hour or two after they were called.
      at = told.atMs + late * HOUR
      feeds++
    }
    const expected = every === null ? null : (365 * 24) / (every + late)
    if (expected !== null) expect(Math.abs(feeds - expected)).toBeLessThanOrEqual(expected * 0.1 + 1)
    expect(feeds).toBeGreaterThan(20)
  }
})

test('whatever the habit, the amounts, the place and the putting off: nobody is called in sleep, and every call leads to the next', () => {
  const habit = fc.record({
    kept: fc.integer({ min: 10, max: 60 }),
    fresh: fc.integer({ min: 20, max: 200 }),
    cold: fc.boolean(),
    every: fc.option(fc.integer({ min: 10, max: 24 * 9 })),
    late: fc.integer({ min: 0, max: 9 }),
    startHour: fc.integer({ min: 0, max: 23 }),
    putOffHours: fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 3, maxLength: 3 })
  })
  fc.assert(
    fc.property(habit, ({ kept, fresh, cold, every, late, startHour, putOffHours }) => {
      let at = START + startHour * HOUR
      for (let feeds = 0; feeds < 8; feeds++) {
        const jar = fed('jar', at, kept, fresh, cold, every)
        let told = due(jar)
        if (told === null) return false
        // Each third feed is put off three times running.
        for (const hours of feeds % 3 === 0 ? putOffHours : []) {
          const until = putOffTo(told.atMs + hours * HOUR, told, told.atMs)
          const later = due({ ...jar, putOffUntil: until })
          if (later === null || later.atMs < told.atMs) return false
          // While one feed is enough, it is asked for before it is not, or in the morning after that night.
          if (told.byMs !== null && told.atMs < told.byMs - 5 * HOUR && later.atMs > told.byMs + 6 * HOUR) return false
          told = later
        }
        if (clock(told.atMs) > 22.51 || clock(told.atMs) < 6.49 || told.atMs <= at) return false
        at = told.atMs + late * HOUR
      }
      return true
    }),
    { numRuns: 60, seed: 20261130 }
  )
})

test('the usual feed is the last one again: its grams, an hour out and then the cold; what it throws away is said', () => {
  const jar = fed('weekly', START, 20, 40, true, 7 * 24)
  expect(habitualFeed(jar, kitchen, START + 6 * DAY)).toEqual({
    keepGrams: 20,
    flours: [{ ingredientId: 'white wheat', grams: 40 }],
    flourGrams: 40,
    waterGrams: 40,
    discardGrams: 80,
    // 20 g at 4 °C and 80 g at 21 °C.
    mixTempC: 17.6,
    placeId: 'room',
    later: { placeId: 'fridge', afterHours: 1 }
  })
  const warm = fed('daily', START, 20, 40, false, 24)
  expect(habitualFeed(warm, kitchen, START + DAY)).toMatchObject({ placeId: 'room', later: null, mixTempC: 21 })
  expect(habitualFeed({ ...warm, lastFeed: null }, kitchen, START + DAY)).toBeNull()
  expect(habitualFeed({ ...warm, grams: 12 }, kitchen, START + DAY)).toBeNull()
  expect(freshMixC(0, 4, 0, 21)).toBe(21)
})
