import type { Happening } from './foldBake'
import { canUndo, hangsOn } from './takeBack'

const start = Date.UTC(2026, 10, 27, 20)
let minute = 0
const happened = (id: string, more: object) => ({ id, happenedAtMs: start + minute++ * 60_000, ...more }) as Happening
const pour = happened('pour', { type: 'pour', item: 'seed', plannedGrams: 40, weighedGrams: 41 })
const band = happened('band', { type: 'band', mixTempC: 24 })
const look = happened('look', { type: 'mark', rise: 2, signs: {} })
const moved = happened('moved', { type: 'moved', placeId: 'fridge', tempC: 4 })
const flour = happened('flour', { type: 'weigh', into: 'dough', key: 'f', plannedGrams: 800, weighedGrams: 800 })
const mixed = happened('mixed', { type: 'mixed', levainGrams: 200, keepBackGrams: 20 })
const fold = happened('fold', { type: 'step', step: 'fold 1', did: 'done' })
const doughMoved = happened('dough moved', { type: 'moved', placeId: 'fridge', tempC: 4 })
const bread = happened('bread', { type: 'outcome', rise: 4 })
const all = [pour, band, look, moved, flour, mixed, fold, doughMoved, bread]
const idsOf = (id: string) => hangsOn(all, id)?.map((h) => h.id)

test('of the mix hangs the dough’s day, of the mark the mix, of a pour the mark; the last goes first', () => {
  expect(idsOf('mixed')).toEqual(['bread', 'dough moved', 'fold'])
  expect(idsOf('band')).toEqual(['bread', 'dough moved', 'fold', 'mixed'])
  expect(idsOf('pour')).toEqual(['bread', 'dough moved', 'fold', 'mixed', 'band'])
  expect(idsOf('flour')).toEqual(['bread', 'dough moved', 'fold', 'mixed'])
})

test('looks, moves, steps and how the bread was can be taken back at any time', () => {
  for (const id of ['look', 'moved', 'fold', 'dough moved', 'bread']) expect(canUndo(all, id)).toBe(true)
  for (const id of ['pour', 'band', 'flour', 'mixed']) expect(canUndo(all, id)).toBe(false)
})

test('what does not stand any more is not taken back, and nothing hangs on it', () => {
  const undone: Happening[] = [...all, happened('u', { type: 'undo', undoes: 'bread' })]
  expect(hangsOn(undone, 'bread')).toBeNull()
  expect(hangsOn(undone, 'mixed')?.map((h) => h.id)).toEqual(['dough moved', 'fold'])
  expect(hangsOn(all, 'never')).toBeNull()
})

test('fed again, what the levain was made of stands; of the feed hangs what was weighed of it', () => {
  const fed = happened('fed', { type: 'fed again', stage: 'fed again' })
  const next = happened('next', { type: 'pour', item: 'seed', plannedGrams: 8, weighedGrams: 8 })
  const nextBand = happened('next band', { type: 'band', mixTempC: 24 })
  const again = [pour, band, look, fed, next, nextBand]
  const ids = (id: string) => hangsOn(again, id)?.map((h) => h.id)
  expect(ids('fed')).toEqual(['next band', 'next'])
  expect(ids('next')).toEqual(['next band'])
  for (const id of ['pour', 'band']) expect(hangsOn(again, id)).toBeNull()
  expect(canUndo([pour, band, fed], 'fed')).toBe(true)
  expect(canUndo([pour, band, fed], 'band')).toBe(false)
})

test('a feed before the levain is taken back while nothing has come after it', () => {
  const wake = happened('wake', { type: 'step', step: 'wake', did: 'done' })
  expect(canUndo([wake], 'wake')).toBe(true)
  expect(hangsOn([wake, pour], 'wake')).toBeNull()
})
