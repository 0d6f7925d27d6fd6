import { millisecondsInHour } from 'date-fns/constants'
import { TYPICAL_JAR } from '../../core'
import { culturesWith, NOW } from '../../testing/plannedBake'
import { howItIs, plannedMoves, whereItStands } from './jarNow'

const stays = [
  { placeId: 'room', from: NOW },
  { placeId: 'fridge', from: NOW + millisecondsInHour }
]

test('a fed jar that goes to the fridge in an hour stands on the worktop until then', () => {
  const jar = { placeId: 'fridge', stays }
  expect(whereItStands(jar, NOW)).toEqual({ placeId: 'room', next: { placeId: 'fridge', atMs: NOW + millisecondsInHour } })
  expect(whereItStands(jar, NOW + millisecondsInHour - 1)).toMatchObject({ placeId: 'room' })
  expect(whereItStands(jar, NOW + millisecondsInHour)).toEqual({ placeId: 'fridge', next: null })
})

test('a planned move is asked for until it was told, at most a day', () => {
  const fridge = { placeId: 'fridge', atMs: NOW + millisecondsInHour }
  expect(plannedMoves({ stays, placeToldAt: NOW }, NOW)).toEqual([fridge])
  expect(plannedMoves({ stays, placeToldAt: NOW }, NOW + 20 * millisecondsInHour)).toEqual([fridge])
  expect(plannedMoves({ stays, placeToldAt: NOW }, NOW + 26 * millisecondsInHour)).toEqual([])
  expect(plannedMoves({ stays, placeToldAt: NOW + millisecondsInHour }, NOW + 2 * millisecondsInHour)).toEqual([])
})

test('a jar of which no stay is known stands where it was put', () => {
  expect(whereItStands({ placeId: 'room', stays: [] }, NOW)).toEqual({ placeId: 'room', next: null })
})

test('how it is hangs on the moment it is asked about', () => {
  const [jar] = culturesWith(0).jars
  if (jar === undefined) throw new Error('no jar')
  const hungry = howItIs(jar, TYPICAL_JAR, NOW).hungryMs ?? Number.NaN
  expect(howItIs(jar, TYPICAL_JAR, NOW + 5 * millisecondsInHour).hungryMs).toBe(hungry)
})
