import { millisecondsInHour } from 'date-fns/constants'
import { type BatchLine, simulate, TYPICAL_JAR, UNKNOWN_JAR, USUAL_COURSE, vesselOf } from '../../core'
import { doughLeft, progressOf } from './doughLeft'

const START = Date.UTC(2026, 10, 27, 8)
const line: BatchLine = {
  startedAtMs: START,
  flours: { 'white wheat': 900 },
  waterGrams: 620,
  saltGrams: 20,
  mixTempC: 24,
  stays: [{ fromMs: START, tempC: 24 }],
  parents: [{ grams: 200, hydration: 1, flour: 'white wheat', line: null }]
}
const stop = { gas: 0.5, cold: null }
type Asked = Parameters<typeof doughLeft>
const left = (more: { proof?: object; readings?: object[]; mixed?: object | null; deeds?: string[] } = {}) => {
  const { proof = { kind: 'warm', gas: 0.35 }, readings = [], mixed = { atMs: START }, deeds = [] } = more
  const bake = { state: { mixed, readings }, plan: { course: { ...USUAL_COURSE.wheat, proof } } } as unknown as Asked[0]
  return doughLeft(bake, line, stop, new Map(deeds.map((id) => [id, { id, atMs: START, did: 'done' as const }])), UNKNOWN_JAR)
}

test('how far it is to rise: to the end of its bulk; shaped, with its proof', () => {
  expect(left()?.wantedGas).toBe(0.5)
  expect(left({ deeds: ['shape'] })?.wantedGas).toBeCloseTo(0.85, 9)
})

test('none before the mix, in a proof in the cold, or in the oven', () => {
  expect(left({ mixed: null })).toBeNull()
  expect(left({ deeds: ['shape'], proof: { kind: 'cold', hours: 12 } })).toBeNull()
  expect(left({ deeds: ['shape', 'bake'] })).toBeNull()
})

test('read higher than forecast, it is quicker by as much; not read, nobody knows', () => {
  const state = (readings: object[]) => ({ readings }) as unknown as Parameters<typeof progressOf>[0]
  expect(progressOf(state([]), line, 0.5, UNKNOWN_JAR)).toBeNull()
  const { curve } = simulate(vesselOf(line), TYPICAL_JAR, { untilHours: 20 })
  const usual = curve.hours[curve.gas.findIndex((gas) => gas >= 0.5)] ?? 0
  const seen = progressOf(state([{ id: 'r', atMs: START + 0.75 * usual * millisecondsInHour, rise: 1.5 }]), line, 0.5, UNKNOWN_JAR)
  expect(seen?.pace).toBeCloseTo(4 / 3, 1)
})
