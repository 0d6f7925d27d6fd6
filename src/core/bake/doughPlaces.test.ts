import { doughPlaces, movesLeft } from './doughPlaces'

const HOUR = 3_600_000
const planned = {
  placeId: 'kitchen',
  tempC: 22,
  moves: [
    { afterHours: 2, placeId: 'fridge', tempC: 4 },
    { afterHours: 11, placeId: 'kitchen', tempC: 22 }
  ]
}
const none = { doughMoves: [], deeds: new Map() }
const told = (state: Parameters<typeof doughPlaces>[2]) => doughPlaces(planned, 0, state).map(({ fromMs, placeId }) => [fromMs / HOUR, placeId])

test('A dough stands where it is mixed and goes on as it was planned', () => {
  expect(told(none)).toEqual([
    [0, 'kitchen'],
    [2, 'fridge'],
    [11, 'kitchen']
  ])
})

test('A move that was made takes the place of the planned one; what is still to come stays', () => {
  const doughMoves = [{ id: 'a', atMs: 2.5 * HOUR, placeId: 'cellar', tempC: 12 }]
  expect(told({ ...none, doughMoves })).toEqual([
    [0, 'kitchen'],
    [2.5, 'cellar'],
    [11, 'kitchen']
  ])
})

test('A move that was left out never happened', () => {
  expect(told({ ...none, deeds: new Map([['move 1', { id: 'a', did: 'skipped', atMs: 3 * HOUR }]]) })).toEqual([
    [0, 'kitchen'],
    [11, 'kitchen']
  ])
})

test('The first move left out and the second made: none is asked for any more', () => {
  const state = {
    doughMoves: [{ id: 'b', atMs: 11 * HOUR, placeId: 'kitchen', tempC: 22 }],
    deeds: new Map([['move 1', { id: 'a', did: 'skipped' as const, atMs: 2 * HOUR }]])
  }
  expect([...movesLeft(planned.moves, state)]).toEqual([])
  expect([...movesLeft(planned.moves, { ...state, doughMoves: [] })]).toEqual([1])
  expect([...movesLeft(planned.moves, none)]).toEqual([0, 1])
})

test('Shaped early, it is proofed where it was mixed', () => {
  expect(told({ ...none, deeds: new Map([['shape', { id: 'a', did: 'done', atMs: 9 * HOUR }]]) })).toEqual([
    [0, 'kitchen'],
    [2, 'fridge'],
    [9, 'kitchen']
  ])
})
