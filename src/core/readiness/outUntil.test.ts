import { millisecondsInHour } from 'date-fns/constants'
import { drawForecast, summarise } from '../ferment/forecast'
import { UNKNOWN_JAR } from '../ferment/jarParameters'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { whiteDough, whiteLevain } from '../testing/builds'
import { doughOut, levainOut, overproofed } from './outUntil'

const START = Date.UTC(2026, 10, 27, 8)
const at = (hours: number) => START + hours * millisecondsInHour
const place = (id: string, tempC: number) => ({ id, name: id, standing: { tempC } })
const PLACES = [place('fridge', 4), place('worktop', 24), place('cellar', 14), place('sill', 27)]
const levain = whiteLevain(START)
const dough = whiteDough(START)
const reforecast = (line: BatchLine) => summarise(drawForecast(vesselOf(line), UNKNOWN_JAR, { untilHours: 60, count: 60 }), 'dome')

test('out until the evening: where it stands, and every colder place, warmest first; each with what comes of it', () => {
  const ways = levainOut(levain, at(1), at(16), PLACES, reforecast)
  expect(ways.map((w) => w.place?.id ?? 'here')).toEqual(['here', 'cellar', 'fridge'])
  // 1:5 at 24 °C peaks after eight or nine hours: past after sixteen, and hardly begun in the fridge.
  expect(ways[0]?.comes).toBe('past')
  expect(ways[2]?.comes).toBe('not yet')
  const [here, cellar] = ways
  expect(cellar?.fromMs ?? 0).toBeGreaterThan((here?.fromMs ?? 0) + 2 * millisecondsInHour)
})

test('a dough left on the worktop goes too far in a working day; the fridge keeps it', () => {
  const ways = doughOut(dough, at(1), at(11), 0.5, PLACES)
  expect(ways[0]).toMatchObject({ place: null, comes: 'past' })
  const fridge = ways.find((w) => w.place?.id === 'fridge')
  expect(fridge?.comes).not.toBe('past')
  expect(fridge?.gas ?? 9).toBeLessThan(0.7)
  // Half as high again after four to six hours at 24 °C.
  const reached = ((ways[0]?.fromMs ?? 0) - START) / millisecondsInHour
  expect(reached).toBeGreaterThan(4)
  expect(reached).toBeLessThan(6.5)
})

test('a move that was planned while nobody is there is not made; those after it are', () => {
  const [fridge, worktop] = [PLACES[0], PLACES[1]].map((p) => p?.standing ?? { tempC: Number.NaN })
  const planned = { ...dough, stays: [...dough.stays, { fromMs: at(2), ...fridge }, { fromMs: at(9), ...worktop }] } as BatchLine
  const [carriesOn] = doughOut(planned, at(1), at(8), 0.5, PLACES)
  expect(carriesOn).toMatchObject({ place: null, comes: 'past' })
  expect(carriesOn?.gas).toBeCloseTo(doughOut(dough, at(1), at(8), 0.5, [])[0]?.gas ?? Number.NaN, 2)
  // Into the fridge an hour sooner than planned, and out of it again as planned: it gets there some hours after that.
  const chilled = doughOut(planned, at(1), at(8), 0.5, PLACES).find((w) => w.place?.id === 'fridge')
  expect(chilled?.comes).toBe('not yet')
  expect(chilled?.fromMs ?? 0).toBeGreaterThan(at(10))
  expect(chilled?.fromMs ?? Number.POSITIVE_INFINITY).toBeLessThan(at(15))
  // Back before the move was planned, nothing of it is missed.
  expect(doughOut(planned, at(1), at(1.5), 0.5, [])[0]?.fromMs).toBeGreaterThan(at(10))
})

test('over: told since when, and with what is left in it; a tin needs less than a loaf', () => {
  expect(overproofed(dough, at(4), 0.5)).toBeNull()
  const after = overproofed(dough, at(8), 0.5)
  expect(after).not.toBeNull()
  expect(after?.gas ?? 0).toBeGreaterThan(0.67)
  // Since a third more than was wanted: after it had risen so far at all, and it had until then what it holds at that hour.
  const reached = doughOut(dough, at(1), at(11), 0.5, []).at(0)?.fromMs ?? Number.NaN
  expect(after?.sinceMs ?? 0).toBeGreaterThan(reached + 0.5 * millisecondsInHour)
  expect(after?.sinceMs ?? 0).toBeLessThan(reached + 2 * millisecondsInHour)
  expect(after?.gas).toBeCloseTo(doughOut(dough, at(1), at(8), 0.5, []).at(0)?.gas ?? Number.NaN, 9)
  if (after?.reshapeHours != null) expect(after.tinHours ?? 9).toBeLessThan(after.reshapeHours)
  // A day on it has sunk: the most it had risen is told with it.
  const sunk = overproofed(dough, at(26), 0.5)
  expect(sunk?.mostGas ?? 0).toBeGreaterThan(1)
  expect(sunk?.gas ?? 9).toBeLessThan(0.8 * (sunk?.mostGas ?? 0))
  // After a night and a day in the warm nothing is left to raise it.
  expect(overproofed(dough, at(26), 0.5)?.reshapeHours).toBeNull()
})
