import { randomUUID } from 'node:crypto'
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { seededRandom, sure } from '../core'
import { formulaFor } from './loaves'

/** Any JSON, to be looked into by a test. */
// biome-ignore lint/suspicious/noExplicitAny: a drawn kitchen is what the server makes of it
type Loose = any
const iso = (ms: number) => new Date(ms).toISOString()

/** Draws kitchens, jars and plans, and moves the clock from moment to moment; the same ones for the same seed. */
export interface Situations {
  readonly random: () => number
  readonly between: (low: number, high: number) => number
  readonly whole: (low: number, high: number) => number
  readonly pick: <T>(list: readonly T[]) => T
  readonly maybe: (chance: number) => boolean
  readonly nowMs: () => number
  /** An id and the moment, for something that is noted. */
  readonly note: (more?: Record<string, unknown>) => Record<string, unknown> & { readonly id: string; readonly happenedAt: string }
  readonly wait: (ms: number) => Promise<void>
  readonly drawKitchen: () => Promise<Loose>
  readonly drawJar: (kitchen: Loose) => Promise<Loose>
  readonly drawPlan: (kitchen: Loose, jar: Loose, name: string) => Loose
}

const KINDS = [
  { flour: 'white wheat', culture: 'white wheat', hydrations: [1, 1.25, 0.6] },
  { flour: 'rye', culture: 'rye', hydrations: [1, 1.5] },
  { flour: 'wholegrain wheat', culture: 'wholegrain', hydrations: [1, 0.8] },
  { flour: 'white wheat', culture: 'stiff', hydrations: [0.5, 0.45] }
] as const

/**
 * @param call asks the server, as a window would
 * @param startMs where its clock stands
 */
export function situationsFrom(seed: number, call: (method: string, path: string, body?: unknown) => Promise<Loose>, startMs: number): Situations {
  const random = seededRandom(seed)
  let nowMs = startMs
  const between = (low: number, high: number) => low + random() * (high - low)
  const whole = (low: number, high: number) => Math.floor(between(low, high + 1))
  const pick = <T>(list: readonly T[]): T => sure(list[Math.floor(random() * list.length)])
  const maybe = (chance: number) => random() < chance
  const note: Situations['note'] = (more = {}) => ({ id: randomUUID(), happenedAt: iso(nowMs), ...more })
  const wait = async (ms: number) => {
    nowMs += Math.round(ms / millisecondsInMinute) * millisecondsInMinute
    await call('POST', '/api/clock', { now: iso(nowMs) })
  }

  /** Another kitchen: sleep, scales, cups, and how warm its places are. */
  async function drawKitchen(): Promise<Loose> {
    const { kitchen } = await call('GET', '/api/kitchen')
    const { id: _, version, demo: __, ...edit } = kitchen
    const [counter, fridge] = edit.places
    const tempC = whole(18, 29)
    const warm = edit.places[2] ?? { id: randomUUID(), name: 'Proofer', tempC: 28, nightTempC: null, takes: null, surroundings: 'air' }
    return call('PUT', '/api/kitchen', {
      version,
      kitchen: {
        ...edit,
        smallScale: maybe(0.5),
        cups: pick(['metric', 'US']),
        sleep: { from: pick(['21:30', '23:00', '00:30']), to: pick(['05:30', '07:00', '08:30']) },
        places: [
          { ...counter, tempC, nightTempC: maybe(0.4) ? tempC - whole(1, 5) : null },
          { ...fridge, tempC: whole(3, 7) },
          { ...warm, tempC: whole(24, 30) }
        ]
      }
    })
  }

  async function drawJar(kitchen: Loose): Promise<Loose> {
    const kind = pick(KINDS)
    return call('POST', '/api/jars', {
      id: randomUUID(),
      name: `Jar ${whole(1, 999_999)}`,
      culture: kind.culture,
      flour: kind.flour,
      hydration: pick(kind.hydrations),
      grams: whole(40, 320),
      lastFedAt: iso(nowMs - between(2, 200) * millisecondsInHour),
      placeId: pick(kitchen.places as Loose[]).id
    })
  }

  function drawPlan(kitchen: Loose, jar: Loose, name: string): Loose {
    const flours = maybe(0.3)
      ? [
          { ingredientId: 'white wheat', share: 0.99 },
          { ingredientId: 'rye', share: 0.01 }
        ]
      : [{ ingredientId: pick(['white wheat', 'rye', 'wholegrain wheat']), share: 1 }]
    const place = pick([kitchen.places[0], kitchen.places[2]]) as Loose
    const course = {
      autolyseMinutes: pick([0, 40]),
      folds: pick([0, 3]),
      foldEveryMinutes: 30,
      bulkGas: pick([null, 0.3, 0.5, 0.75]),
      bulkStretch: pick([1, 1.1]),
      proof: maybe(0.5) ? { kind: 'warm', gas: 0.35 } : { kind: 'cold', hours: whole(8, 20) },
      preheatMinutes: 45,
      bakeMinutes: 45,
      loads: 1,
      coolHours: 1.5,
      placeId: kitchen.places[0].id,
      tempC: kitchen.places[0].tempC,
      mixTempC: whole(22, 27)
    }
    return {
      name,
      target: maybe(0.5)
        ? { kind: 'dough', grams: whole(400, 2400) }
        : { kind: 'pieces', pieces: [{ count: whole(1, 6), grams: whole(90, 900) }], handlingLoss: 0.02, bakeLoss: null },
      formula: formulaFor({ levain: pick([0.1, 0.2, 0.35]), hydration: pick([0.65, 0.74, 0.82]) }),
      build: {
        older: { share: 0.5, hydration: 1 },
        vesselId: null,
        alsoFor: [],
        source: pick(['separate build', 'separate build', 'draw and top up', 'put some back', 'mixed seed']),
        by: pick([
          { kind: 'ratio', flourPerSeed: pick([1, 2, 3, 5, 8]) },
          { kind: 'inoculation', share: pick([0.1, 0.2, 0.5]) },
          { kind: 'spoons', count: 2, spoon: 'tablespoon', stirred: true }
        ]),
        hydration: pick([0.6, 1, 1.25]),
        salt: pick([0, 0, 0.01]),
        oil: pick([0, 0, 0.005]),
        flours,
        keepBackGrams: pick([0, 20, 40])
      },
      jarId: jar.id,
      placeId: place.id,
      tempC: place.tempC,
      mixTempC: whole(22, 28),
      school: pick(['young', 'dome', 'mature']),
      mixAt: iso(nowMs + whole(6, 60) * millisecondsInHour),
      course: maybe(0.85) ? course : null
    }
  }

  return { random, between, whole, pick, maybe, nowMs: () => nowMs, note, wait, drawKitchen, drawJar, drawPlan }
}
