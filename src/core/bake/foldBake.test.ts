import { PANTRY } from '../testing/doughs'
import { foldBake, type Happening, massesOfPours, pouredGrams } from './foldBake'
import { canUndo } from './takeBack'

const at = (minute: number) => Date.UTC(2026, 10, 27, 20, minute)
const pour = (id: string, item: 'seed' | 'water' | 'flour', weighedGrams: number): Happening => ({
  id,
  happenedAtMs: at(0),
  type: 'pour',
  item,
  ...(item === 'flour' ? { ingredientId: 'white wheat' } : {}),
  plannedGrams: 40,
  weighedGrams
})
const band: Happening = { id: 'band', happenedAtMs: at(5), type: 'band', mixTempC: 24 }
const mark = (id: string, minute: number, rise: number): Happening => ({ id, happenedAtMs: at(minute), type: 'mark', rise, signs: {} })
const poured = [pour('a', 'seed', 41), pour('b', 'water', 200), pour('c', 'flour', 199)]

test('nothing happened: planned', () => {
  const state = foldBake([])
  expect(state.status).toBe('planned')
  expect(state.lastUndoable).toBeNull()
})

test('what was weighed counts, not what was planned', () => {
  const state = foldBake(poured)
  expect(state.status).toBe('building')
  expect(state.poured).toMatchObject({ seed: 41, water: 200, flour: 199 })
  expect(state.done).toEqual(['seed', 'water', 'flour:white wheat'])
  expect(pouredGrams(state.poured)).toBe(440)
})

test('two pours of one item add up', () => {
  expect(foldBake([...poured, pour('d', 'flour', 2)]).poured.flour).toBe(201)
})

test('a pour taken back is as if it had not been', () => {
  const state = foldBake([...poured, { id: 'u', happenedAtMs: at(1), type: 'undo', undoes: 'c' }])
  expect(state.done).toEqual(['seed', 'water'])
  expect(state.poured.flour).toBe(0)
  expect(state.lastUndoable?.id).toBe('b')
})

test('looks stand in the order of time, also one told later', () => {
  const state = foldBake([...poured, band, mark('late', 40, 1.8), mark('early', 20, 1.2)])
  expect(state.status).toBe('ripening')
  expect(state.marks.map((m) => m.id)).toEqual(['early', 'late'])
  expect(state.lastUndoable?.id).toBe('early')
})

test('mixed, and not mixed after all', () => {
  const mixed: Happening = { id: 'm', happenedAtMs: at(50), type: 'mixed', levainGrams: 400, keepBackGrams: 20 }
  expect(foldBake([...poured, band, mixed]).status).toBe('mixed')
  expect(foldBake([...poured, band, mixed, { id: 'u', happenedAtMs: at(51), type: 'undo', undoes: 'm' }]).status).toBe('ripening')
})

test('fed again: of the next levain nothing is there yet, and what stood there is a stage before it, built when its level was marked', () => {
  const moved: Happening = { id: 'cold', happenedAtMs: at(45), type: 'moved', placeId: 'fridge', tempC: 4 }
  const chilled: Happening = { id: 'chilled', happenedAtMs: at(46), type: 'step', step: 'chill 1', did: 'done' }
  const flour: Happening = { id: 'dough', happenedAtMs: at(47), type: 'weigh', into: 'dough', key: 'flour', plannedGrams: 800, weighedGrams: 800 }
  const fed: Happening = { id: 'fed', happenedAtMs: at(50), type: 'fed again', stage: 'fed again' }
  const all = [...poured, band, mark('look', 40, 1.4), moved, chilled, flour, fed]
  const state = foldBake(all)
  expect(state).toMatchObject({ status: 'planned', band: null, marks: [], moves: [], done: [], flours: {} })
  expect(pouredGrams(state.poured)).toBe(0)
  expect([...state.deeds]).toEqual([['fed again', { id: 'fed', atMs: at(5), did: 'done' }]])
  // What is weighed for the dough stays there.
  expect([...state.pours.keys()]).toEqual(['dough/flour'])
  expect(foldBake([...all, pour('next', 'seed', 8)])).toMatchObject({ status: 'building', poured: { seed: 8, water: 0 } })
  const back = foldBake([...all, { id: 'u', happenedAtMs: at(51), type: 'undo', undoes: 'fed' }])
  expect(back).toMatchObject({ status: 'ripening', poured: { seed: 41 } })
  expect(back.marks).toHaveLength(1)
})

test('a blend is kept by flour, and becomes a batch by kind', () => {
  const rye: Happening = { id: 'r', happenedAtMs: at(2), type: 'pour', item: 'flour', ingredientId: 'light rye', plannedGrams: 20, weighedGrams: 22 }
  const strong: Happening = { id: 's', happenedAtMs: at(2), type: 'pour', item: 'flour', ingredientId: 'strong white', plannedGrams: 5, weighedGrams: 5 }
  const state = foldBake([...poured, rye, strong])
  expect(state.flours).toEqual({ 'white wheat': 199, 'light rye': 22, 'strong white': 5 })
  expect(massesOfPours(state, PANTRY)).toMatchObject({ seed: 41, water: 200, flours: { 'white wheat': 204, rye: 22 } })
})

test('any pour can be taken back while its bowl is being filled; then only the latest entry', () => {
  expect(canUndo(poured, 'a')).toBe(true)
  expect(canUndo([...poured, band], 'a')).toBe(false)
  expect(canUndo([...poured, band], 'band')).toBe(true)
  expect(canUndo(poured, 'never')).toBe(false)
  const weigh = (id: string, into: 'dough' | 'pieces' | 'first build'): Happening => ({
    id,
    happenedAtMs: at(6),
    type: 'weigh',
    into,
    key: id,
    plannedGrams: 9,
    weighedGrams: 9
  })
  const mixed: Happening = { id: 'm', happenedAtMs: at(9), type: 'mixed', levainGrams: 9, keepBackGrams: 0 }
  expect(canUndo([...poured, band, weigh('w', 'dough'), mark('x', 7, 2)], 'w')).toBe(true)
  expect(canUndo([...poured, band, weigh('w', 'dough'), mixed], 'w')).toBe(false)
  expect(canUndo([...poured, band, mixed, weigh('p', 'pieces'), weigh('q', 'pieces')], 'p')).toBe(true)
  // A first build that seeds a levain already is no bowl that is being filled.
  expect(canUndo([weigh('f', 'first build'), weigh('g', 'first build')], 'f')).toBe(true)
  expect(canUndo([weigh('f', 'first build'), ...poured], 'f')).toBe(false)
})
