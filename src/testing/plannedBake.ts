import { millisecondsInHour } from 'date-fns/constants'
import { bakeOf, type Cultures, courseFor, type Stocked } from '../answers'
import type { BakeRecord, Jar, Kitchen, Plan } from '../contract'
import { type BatchLine, BUILT_IN_INGREDIENTS, pantryOf, restedSeed, UNKNOWN_DOUGHS, UNKNOWN_JAR } from '../core'

/** A planned bake in a small kitchen, for the tests of all floors. */
export const NOW = Date.UTC(2026, 10, 26, 18)
const place = (id: string, tempC: number, takes: number | null = null) => ({ id, name: id, tempC, nightTempC: null, surroundings: 'air', takes })
/** Asleep from eleven to seven, out from nine to five; a room, a warm place for one, a fridge. */
export const KITCHEN = {
  timeZone: 'Europe/Lisbon',
  sleep: { from: '23:00', to: '07:00' },
  weekly: [{ id: 'w', name: 'work', kind: 'out', days: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }],
  once: [],
  smallScale: true,
  tapTempC: 14,
  cups: 'metric',
  doughs: UNKNOWN_DOUGHS,
  places: [place('room', 21), place('warm', 26, 1), place('fridge', 4)]
} as unknown as Kitchen
export const STOCKED: Stocked = { kitchen: KITCHEN, pantry: pantryOf(BUILT_IN_INGREDIENTS), vessels: [] }
const feed = [{ ingredientId: 'white wheat', share: 1 }]
/** A jar of white wheat that stood in the cold for some days. */
export function culturesWith(coldDays: number): Cultures {
  const line = restedSeed('white wheat', coldDays, NOW)
  const jar = {
    id: 'pip',
    name: 'Pip',
    grams: 80,
    lastFeed: null,
    keepMinimumGrams: 15,
    hydration: 1,
    flour: 'white wheat',
    feed,
    looks: [],
    line
  } as unknown as Jar
  return { jars: [jar], beliefs: new Map([['pip', UNKNOWN_JAR]]) }
}
const formula = {
  base: 'dough flour',
  doughKind: 'wheat',
  hydration: 0.72,
  salt: 0.02,
  lines: [
    { id: 'f', kind: 'flour', ingredientId: 'white wheat', share: 1 },
    { id: 'w', kind: 'water' },
    { id: 'l', kind: 'levain', share: 0.2 },
    { id: 's', kind: 'salt' }
  ],
  autolyse: true,
  heldBack: 0
} as Plan['formula']
/** Two loaves for the evening after next. */
export const PLAN: Plan = {
  name: 'Two loaves',
  target: { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: 0.02, bakeLoss: null },
  formula,
  build: {
    source: 'separate build',
    by: { kind: 'ratio', flourPerSeed: 5 },
    hydration: 1,
    salt: 0,
    oil: 0,
    flours: feed,
    keepBackGrams: 20,
    older: { share: 0.5, hydration: 1 },
    vesselId: null,
    alsoFor: []
  },
  jarId: 'pip',
  placeId: 'room',
  tempC: 21,
  mixTempC: 24,
  moves: [],
  school: 'dome',
  mixAt: NOW + 26 * millisecondsInHour,
  startAt: null,
  course: courseFor(formula, { id: 'room', tempC: 21 }),
  before: [],
  bread: null,
  pins: []
}
export const BAKE = bakeOf({ id: 'bake', plan: PLAN, status: 'planned', events: [], ingredients: [], line: null } as unknown as BakeRecord)

/** A jar of 20 g fed with 110 g of white flour and as much water, at a steady 24 °C. */
export const dailyLine = (fedMs: number): BatchLine => ({
  startedAtMs: fedMs,
  flours: { 'white wheat': 110 },
  waterGrams: 110,
  saltGrams: 0,
  mixTempC: 24,
  stays: [{ fromMs: fedMs, tempC: 24 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
})
