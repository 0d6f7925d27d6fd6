import { millisecondsInHour } from 'date-fns/constants'
import { lookOver, readLevels, tempSteps, thinned } from './readLevels'

const ZONE = 'Europe/Lisbon'
const start = Date.UTC(2026, 10, 26, 8)
const levels = (text: string, bandHeight: number | null = null) => {
  const log = lookOver(text, ZONE)
  return readLevels(log, log.columns, ZONE, start, bandHeight)
}

test('time, height and temperature, by their names; height against the band', () => {
  const text = 'when;height mm;temp °C\n2026-11-26 09:00;60;22,5\n2026-11-26 10:00;90;22,8\n2026-11-26 11:30;126;23'
  expect(lookOver(text, ZONE).columns).toEqual(['time', 'height', 'temperature'])
  const read = levels(text)
  expect(read.ok && read.value.map((l) => [new Date(l.ms).toISOString(), l.rise, l.tempC])).toEqual([
    ['2026-11-26T09:00:00.000Z', 1, 22.5],
    ['2026-11-26T10:00:00.000Z', 1.5, 22.8],
    ['2026-11-26T11:30:00.000Z', 2.1, 23]
  ])
  const banded = levels(text, 50)
  expect(banded.ok && banded.value[0]?.rise).toBeCloseTo(1.2, 9)
})

test('hours since mixing and × without names or zone', () => {
  const read = levels('elapsed h,rise\n0.5,1.05\n2,×1.6\n4,2.4')
  expect(read.ok && read.value.map((l) => [(l.ms - start) / millisecondsInHour, l.rise])).toEqual([
    [0.5, 1.05],
    [2, 1.6],
    [4, 2.4]
  ])
})

test('without a line of names the figures tell what they are', () => {
  expect(lookOver('2026-11-26 09:00,1.2,22.5\n2026-11-26 10:00,1.6,22.7', ZONE).columns).toEqual(['time', 'rise', 'temperature'])
  expect(lookOver('2026-11-26 09:00,61\n2026-11-26 10:00,83', ZONE).columns).toEqual(['time', 'height'])
})

test('a guess that is wrong is put right by hand', () => {
  const log = lookOver('2026-11-26 09:00,3,1.2\n2026-11-26 10:00,4,1.5', ZONE)
  expect(log.columns).toEqual(['time', 'rise', 'nothing'])
  const read = readLevels(log, ['time', 'nothing', 'rise'], ZONE, start, null)
  expect(read.ok && read.value.map((l) => l.rise)).toEqual([1.2, 1.5])
})

test('what cannot be read is said, and nonsense lines are left out', () => {
  expect(levels('a,b\nfoo,bar')).toMatchObject({ ok: false, problem: { code: 'no time' } })
  expect(levels('2026-11-26 09:00,foo')).toMatchObject({ ok: false, problem: { code: 'no level' } })
  const read = levels('time,rise\n2026-11-26 09:00,1.2\nnoise,1.3\n2026-11-26 10:00,99\n2026-11-26 11:00,1.8')
  expect(read.ok && read.value.map((l) => l.rise)).toEqual([1.2, 1.8])
})

test('many readings are thinned evenly, first and last kept', () => {
  const thin = thinned(
    Array.from({ length: 101 }, (_, i) => i),
    5
  )
  expect(thin).toEqual([0, 25, 50, 75, 100])
  expect(thinned([1, 2], 5)).toEqual([1, 2])
})

test('temperatures in °F are turned into °C', () => {
  const read = levels('time,rise,temp °F\n2026-11-26 09:00,1.2,77\n2026-11-26 10:00,1.5,68')
  expect(read.ok && read.value.map((l) => l.tempC)).toEqual([25, 20])
})

test('the temperatures of a log are few steps: the counter, an hour in the fridge, and the counter again', () => {
  const log = [
    ...[21.8, 22, 22.2].map((tempC, i) => ({ ms: i * 600_000, tempC })),
    { ms: 1_800_000, tempC: null },
    ...[5, 5.4].map((tempC, i) => ({ ms: (4 + i) * 600_000, tempC })),
    { ms: 7 * 600_000, tempC: 21 }
  ]
  expect(tempSteps(log)).toEqual([
    { ms: 0, tempC: 22 },
    { ms: 2_400_000, tempC: 5.2 },
    { ms: 4_200_000, tempC: 21 }
  ])
  expect(tempSteps([{ ms: 0, tempC: null }])).toEqual([])
})

test('a log that jumps about is still told in no more than eight steps', () => {
  const wild = Array.from({ length: 200 }, (_, i) => ({ ms: i * 60_000, tempC: i % 2 === 0 ? 20 : 24 }))
  const told = tempSteps(wild)
  expect(told.length).toBeLessThanOrEqual(8)
  expect(told[0]?.tempC).toBeCloseTo(22, 0)
})
