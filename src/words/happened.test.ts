import type { BakeEvent } from '../contract'
import { BUILT_IN_INGREDIENTS, createFormat, pantryOf } from '../core'
import { PLAN } from '../testing/plannedBake'
import { happenedWords } from './happened'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon' }, () => Date.UTC(2026, 10, 27))
const told = (event: object) =>
  happenedWords({ id: 'e', happenedAt: 0, source: 'typed', ...event } as unknown as Exclude<BakeEvent, { type: 'undo' }>, {
    plan: PLAN,
    pantry: pantryOf(BUILT_IN_INGREDIENTS),
    jarName: 'Pip',
    placeName: (id) => (id === 'fridge' ? 'Fridge' : undefined),
    format
  }).replace(/\s/g, ' ')

test('each thing that happened is told in a line, with its figures', () => {
  expect(told({ type: 'pour', item: 'flour', ingredientId: 'white wheat', plannedGrams: 62, weighedGrams: 62 })).toBe(
    '62 g of white wheat flour weighed for the levain'
  )
  expect(told({ type: 'pour', item: 'seed', plannedGrams: 12, weighedGrams: 12.4 })).toBe('12.4 g of starter weighed for the levain')
  expect(told({ type: 'mark', rise: 2.4, signs: { top: 'domed' } })).toBe('looked at the levain: ×2.4, domed')
  expect(told({ type: 'moved', placeId: 'fridge', tempC: 4 })).toBe('moved to Fridge')
  expect(told({ type: 'moved', placeId: 'gone', tempC: 4 })).toBe('moved to another place')
  expect(told({ type: 'mixed', levainGrams: 200, keepBackGrams: 20 })).toBe('mixed with 200 g of levain, 20 g back to Pip')
  const keepAs = { jarId: 'j', name: 'Old levain', placeId: 'fridge' }
  expect(told({ type: 'mixed', levainGrams: 200, keepBackGrams: 20, keepAs })).toBe('mixed with 200 g of levain, 20 g kept as old levain')
  expect(told({ type: 'step', step: 'fold 2', did: 'done' })).toBe('Fold 2: done')
  expect(told({ type: 'dough', rise: 1.5, poke: 'comes back slowly' })).toMatch(/^the dough: \+?50 %, comes back slowly$/)
  expect(told({ type: 'outcome', rise: 4 })).toBe('the bread was noted: rise 4 of 5')
})
