import { millisecondsInHour } from 'date-fns/constants'
import { type Bake, bakeOf, type Cultures } from '../../../answers'
import type { BakeEvent, BakeRecord, Jar } from '../../../contract'
import { type BatchLine, MODEL_VERSION, pinnedJar, TYPICAL_JAR, UNKNOWN_JAR } from '../../../core'
import { recordHill } from './hills'

const start = Date.UTC(2026, 10, 27, 8, 30)
const line: BatchLine = {
  startedAtMs: start,
  flours: { 'white wheat': 100 },
  waterGrams: 100,
  saltGrams: 0,
  mixTempC: 24,
  stays: [{ fromMs: start, tempC: 24 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
}
const noted = (id: string, hours: number) => ({ id, happenedAt: start + hours * millisecondsInHour, source: 'typed' as const })

/** A levain mixed eight hours after its band, with what was told of it then. */
function mixedBake(told: boolean): Bake {
  const quantiles = { opens: [5, 6, 7, 8, 9], peak: [7, 8, 9, 10, 11], closes: [8, 9, 10, 11, 12] }
  const shown = { modelVersion: MODEL_VERSION, theta: TYPICAL_JAR, quantiles, phase: 'peak', probability: 0.8 }
  const events = [
    { ...noted('00000000-0000-4000-8000-000000000001', 0), type: 'band', mixTempC: 24 },
    { ...noted('00000000-0000-4000-8000-000000000002', 6), type: 'mark', rise: 2.4, signs: {} },
    { ...noted('00000000-0000-4000-8000-000000000003', 8), type: 'mixed', levainGrams: 200, keepBackGrams: 20, ...(told ? { shown } : {}) }
  ] as unknown as BakeEvent[]
  const plan = { jarId: 'juno', name: 'Two loaves', school: 'dome', mixAt: start + 8 * millisecondsInHour, build: { source: 'separate build' } }
  return bakeOf({ id: 'bake', plan, events } as unknown as BakeRecord)
}
const jars = [{ id: 'juno', name: 'Juno' }] as unknown as Jar[]
const unknown: Cultures = { jars, beliefs: new Map([['juno', UNKNOWN_JAR]]) }
/** Learned since: a jar a third livelier. */
const learned: Cultures = { jars, beliefs: new Map([['juno', pinnedJar({ ...TYPICAL_JAR, vigour: 1.33 })]]) }
const hours = (ms: number | undefined) => ((ms ?? Number.NaN) - start) / millisecondsInHour

test('the record keeps the window that was told at the mix, whatever was learned since', () => {
  for (const cultures of [unknown, learned]) {
    const hill = recordHill(mixedBake(true), line, cultures)
    expect([hours(hill.window?.fromMs), hours(hill.window?.toMs)]).toEqual([7, 10])
    // An hour and a half of the fall beyond the window.
    expect(hours(hill.points.at(-1)?.ms)).toBeCloseTo(11.5, 9)
    expect(hill).toMatchObject({ id: 'bake', label: 'Juno levain', family: 'wheat', running: true, mixAtMs: start + 8 * millisecondsInHour })
    expect(hill.marks).toEqual([{ ms: start + 6 * millisecondsInHour, gas: 1.4 }])
  }
})

test('where nothing was told the model tells the window, and a livelier jar another one', () => {
  const opens = (cultures: Cultures) => hours(recordHill(mixedBake(false), line, cultures).window?.fromMs)
  // 1:5:5 at 24 °C opens a little later than the 5.6 to 7.8 h of 25 °C.
  expect(opens(unknown)).toBeGreaterThan(5.6)
  expect(opens(unknown)).toBeLessThan(8.6)
  expect(opens(learned)).toBeLessThan(opens(unknown) - 0.5)
})

test('a hill begins on the ground and its points go forward in time', () => {
  const { points } = recordHill(mixedBake(true), line, unknown)
  expect(points[0]).toEqual({ ms: start, gas: 0 })
  for (let i = 1; i < points.length; i++) expect(points[i]?.ms).toBeGreaterThan(points[i - 1]?.ms ?? 0)
})
