import { millisecondsInHour } from 'date-fns/constants'
import { TYPICAL_JAR } from '../ferment/jarParameters'
import type { BatchLine } from '../jars/lineage'
import { causesOf, type PastBread, SYMPTOMS, type Symptom, type TroubleFacts, troubleFactsOf } from './troubles'

const usual: TroubleFacts = {
  hoursSinceFeed: 8,
  coldHours: 0,
  tempC: 23,
  flourPerSeed: 3,
  usualFlourPerSeed: 3,
  usualWait: 0.4,
  hydration: 1,
  food: 0.4,
  lagWork: 0.5,
  yeast: 1,
  mixTempC: 24,
  salt: 0,
  vigour: 1,
  breads: []
}
/** How each was mixed, and how its bread rose. */
const breads = (...told: readonly [PastBread['was'], number][]): PastBread[] => told.map(([was, rise]) => ({ was, rise }))
const first = (symptom: Symptom, facts: Partial<TroubleFacts>) => causesOf(symptom, { ...usual, ...facts })[0]?.code

test.each<[Symptom, Partial<TroubleFacts>, string]>([
  ['no rise', { tempC: 15 }, 'too cold'],
  ['no rise', { mixTempC: 46 }, 'mixed too hot'],
  ['no rise', { lagWork: 3, hoursSinceFeed: 6 }, 'still waking'],
  ['no rise', { hoursSinceFeed: 1.5 }, 'just looked too soon'],
  ['no rise', { flourPerSeed: 20 }, 'little old for much new'],
  ['no rise', { salt: 0.02 }, 'salt in it'],
  ['hooch', { hoursSinceFeed: 60, food: 0.05 }, 'too long between feeds'],
  ['hooch', { tempC: 33, hoursSinceFeed: 10 }, 'too warm'],
  ['solvent smell', { food: 0.01, hoursSinceFeed: 14 }, 'hungry'],
  ['falls early', { tempC: 31 }, 'too warm'],
  ['falls early', { usualFlourPerSeed: 0.4 }, 'fed too little'],
  ['hooch', { usualWait: 2, hoursSinceFeed: 6 }, 'too long between feeds'],
  ['falls early', { hydration: 2 }, 'too wet to hold'],
  ['skin', {}, 'dries at the top'],
  ['rises, bread does not', { yeast: 0.2, vigour: 0.6 }, 'weak culture'],
  ['rises, bread does not', { breads: breads(['past it', 2], ['past it', 1], ['at its peak', 5]) }, 'used past its peak'],
  ['rises, bread does not', { breads: breads(['at its peak', 2], ['at its peak', 1], ['past it', 4]) }, 'dough too cold or too short'],
  ['rises, bread does not', { breads: breads(['rising', 2], ['rising', 2]) }, 'mixed too young']
])('%s with %p: %s', (symptom, facts, code) => {
  expect(first(symptom, facts)).toBe(code)
})

test('a week in the cold is not too long between feeds; two days in the warm are', () => {
  const share = (facts: Partial<TroubleFacts>) => causesOf('hooch', { ...usual, ...facts }).find((c) => c.code === 'too long between feeds')?.share ?? 0
  expect(share({ hoursSinceFeed: 7 * 24, coldHours: 7 * 24 - 1, tempC: 4 })).toBeLessThan(share({ hoursSinceFeed: 48 }))
})

test('mould has one answer only, whatever the jar', () => {
  for (const facts of [usual, { ...usual, tempC: 32, food: 0, hoursSinceFeed: 400 }])
    expect(causesOf('pink or fuzzy', facts)).toEqual([{ code: 'mould', share: 1 }])
})

test.each(SYMPTOMS)('%s: the shares of its causes make up the whole', (symptom) => {
  expect(causesOf(symptom, usual).reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9)
})

test('what a jar’s own line says of it', () => {
  const start = Date.UTC(2026, 10, 20)
  const line: BatchLine = {
    startedAtMs: start,
    flours: { 'white wheat': 60 },
    waterGrams: 60,
    saltGrams: 0,
    mixTempC: 25,
    stays: [
      { fromMs: start, tempC: 22 },
      { fromMs: start + 2 * millisecondsInHour, tempC: 4 }
    ],
    parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
  }
  const facts = troubleFactsOf(line, start + 50 * millisecondsInHour, TYPICAL_JAR, false)
  expect(facts).toMatchObject({ hoursSinceFeed: 50, coldHours: 48, tempC: 4, flourPerSeed: 3, vigour: null })
  expect(facts.food).toBeLessThan(1)
})

test('what is usual is told by the feeds before: a jar kept at one to half and left two days in the warm each time', () => {
  const start = Date.UTC(2026, 10, 20)
  const fed = (daysAgo: number, flour: number, line: BatchLine | null): BatchLine => ({
    startedAtMs: start - daysAgo * 24 * millisecondsInHour,
    flours: { 'white wheat': flour },
    waterGrams: flour,
    saltGrams: 0,
    mixTempC: 24,
    stays: [{ fromMs: start - daysAgo * 24 * millisecondsInHour, tempC: 23 }],
    parents: [{ grams: 60, hydration: 1, flour: 'white wheat', line }]
  })
  const line = fed(0, 300, fed(2, 30, fed(4, 30, null)))
  const facts = troubleFactsOf(line, start + 4 * millisecondsInHour, TYPICAL_JAR, false)
  expect(facts).toMatchObject({ hoursSinceFeed: 4, flourPerSeed: 5, usualFlourPerSeed: 0.5, usualWait: 2 })
  // One good feed does not mend the habit.
  expect(causesOf('falls early', facts)[0]?.code).toBe('fed too little')
})
