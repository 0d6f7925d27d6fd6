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
  sticksGrams: null,
  cups: 'metric',
  currency: 'EUR',
  keys: true
}
/** A room nobody has measured, and a fridge, °C. */
export const FIRST_ROOM_C = 21
export const FIRST_FRIDGE_C = 4

/** How warm it is where jars stand, °C; null where nobody knows. */
export interface FirstPlaces {
  readonly roomTempC: number | null
  readonly fridgeTempC: number | null
  /** A third place, which its baker has named. */
  readonly elsewhere: { readonly name: string; readonly tempC: number } | null
}

/**
 * The places of a first kitchen: worktop, fridge, and where else the jar stands.
 * @param ids of worktop, fridge and elsewhere
 */
export function firstPlaces(ids: readonly [room: string, fridge: string, elsewhere: string], { roomTempC, fridgeTempC, elsewhere }: FirstPlaces) {
  const place = (id: string, name: string, tempC: number | null, usual: number): KitchenEdit['places'][number] => ({
    id,
    name,
    tempC: tempC ?? usual,
    guessed: tempC === null,
    nightTempC: null,
    takes: null,
    surroundings: 'air'
  })
  return [
    place(ids[0], 'Worktop', roomTempC, FIRST_ROOM_C),
    place(ids[1], 'Fridge', fridgeTempC, FIRST_FRIDGE_C),
    ...(elsewhere === null ? [] : [place(ids[2], elsewhere.name, elsewhere.tempC, elsewhere.tempC)])
  ]
}

/** The jar a baker begins with, where nothing else was said. */
export const FIRST_JAR = { hydration: 1, grams: 100, keepMinimumGrams: 15 } as const
