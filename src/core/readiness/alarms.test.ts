import { millisecondsInHour } from 'date-fns/constants'
import { drawForecast, windowOf } from '../ferment/forecast'
import { UNKNOWN_JAR } from '../ferment/jarParameters'
import { whiteVessel } from '../testing/builds'
import { alarmsByClock, LATE_RISKS, windowAlarms } from './alarms'
import { judge } from './verdict'

const range = (p05: number, p25: number, p50: number) => ({ p05, p25, p50, p75: p50 + 1, p95: p50 + 3 })
const forecast = { opens: range(5, 6, 7), closes: range(7.5, 9, 10) }

test('half an hour away, opening, about to close: by the risk that was chosen', () => {
  expect(windowAlarms(forecast, 25)).toEqual([
    { kind: 'opens soon', atHours: 5.5 },
    { kind: 'opens', atHours: 6 },
    { kind: 'closes soon', atHours: 8.5 }
  ])
  expect(windowAlarms(forecast, 5).map((a) => a.atHours)).toEqual([4.5, 5, 7])
})

test('where little is known the closing is never told before the opening', () => {
  const wide = { opens: range(3, 5, 8), closes: range(3.2, 5.2, 11) }
  for (const risk of LATE_RISKS) {
    const alarms = windowAlarms(wide, risk)
    expect(alarms[2]?.atHours).toBeGreaterThanOrEqual(alarms[1]?.atHours ?? 99)
  }
})

test('a levain that never gets ripe rings nothing; one that never closes rings no closing', () => {
  const never = Number.POSITIVE_INFINITY
  expect(windowAlarms({ opens: range(never, never, never), closes: forecast.closes }, 25)).toEqual([])
  expect(windowAlarms({ opens: forecast.opens, closes: range(never, never, never) }, 25)).toHaveLength(2)
})

test('told too late as often as was chosen, and earlier once a look has shown it quick', () => {
  const vessel = whiteVessel(23)
  const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: 40 })
  const before = judge(draws, [], 3, 'dome', 'wheat').forecast
  for (const risk of LATE_RISKS) {
    const at = windowAlarms(before, risk)[1]?.atHours ?? 0
    const late = draws.milestones.filter((m) => (windowOf(m, 'dome').opensHours ?? 99) < at).length / draws.milestones.length
    expect(Math.abs(late - risk / 100)).toBeLessThan(0.02)
  }
  const quick = judge(draws, [{ hours: 3, rise: 2.2 }], 3, 'dome', 'wheat').forecast
  expect(windowAlarms(quick, 25)[1]?.atHours).toBeLessThan((windowAlarms(before, 25)[1]?.atHours ?? 0) - 0.5)
})

test('by the clock from when it was mixed; nothing of a levain that has collapsed, or whose forecast does not hold', () => {
  const draws = drawForecast(whiteVessel(23), UNKNOWN_JAR, { untilHours: 40 })
  const verdict = judge(draws, [], 3, 'dome', 'wheat')
  const startedAtMs = Date.UTC(2026, 10, 27, 8)
  const [soon, opens] = alarmsByClock(verdict, startedAtMs, 25)
  expect(opens?.atMs).toBe(startedAtMs + verdict.forecast.opens.p25 * millisecondsInHour)
  expect((opens?.atMs ?? 0) - (soon?.atMs ?? 0)).toBe(30 * 60_000)
  expect(alarmsByClock({ ...verdict, advice: { kind: 'past', how: 'collapsed' } }, startedAtMs, 25)).toEqual([])
  expect(alarmsByClock({ ...verdict, holds: false }, startedAtMs, 25)).toEqual([])
})
