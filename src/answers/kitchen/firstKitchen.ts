import type { KitchenEdit } from '../../contract'

/** How a kitchen is set before its baker has said otherwise: what the first questions begin with, and what the first answers make. */
export const FIRST_KITCHEN: Omit<KitchenEdit, 'timeZone' | 'places'> = {
  name: 'My kitchen',
  mass: 'g',
  temperature: '°C',
  clock: '24 h',
  sleep: { from: '23:00', to: '07:00' },
  weekly: [],
  once: [],
  school: 'dome',
  base: 'dough flour',
  smallScale: false,
  tapTempC: 15,
  cups: 'metric',
  currency: 'EUR',
  keys: true
}
/** A room nobody has measured, and a fridge, °C. */
export const FIRST_ROOM_C = 21
const FRIDGE_C = 4

/**
 * The places of a first kitchen: where the jar stands, and a fridge.
 * @param ids of the two
 */
export const firstPlaces = (ids: readonly [counter: string, fridge: string], roomTempC: number): KitchenEdit['places'] => [
  { id: ids[0], name: 'Counter', tempC: roomTempC, nightTempC: null, takes: null, surroundings: 'air' },
  { id: ids[1], name: 'Fridge', tempC: FRIDGE_C, nightTempC: null, takes: null, surroundings: 'air' }
]

/** The jar a baker begins with, where nothing else was said. */
export const FIRST_JAR = { hydration: 1, grams: 100, keepMinimumGrams: 15 } as const
