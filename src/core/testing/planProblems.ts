import { millisecondsInHour } from 'date-fns/constants'
import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { pantryOf } from '../dough/ingredient'
import type { BatchLine } from '../jars/lineage'
import { busyBetween, type Hours } from '../schedule/availability'
import { USUAL_COURSE } from '../schedule/course'
import { instantAt } from '../schedule/nights'
import type { PlanPlace, PlanProblem } from '../schedule/plans/problem'
import { restedSeed } from '../schedule/variant'
import { DAY_BUILD } from './builds'

export const ZONE = 'Europe/Lisbon'
/** A wall-clock moment in November 2026 at the place of the tests; the 26th is a Thursday. */
export const at = (day: number, clock: string) => instantAt(2026, 11, day, clock, ZONE)

export const PLACES: readonly PlanPlace[] = [
  { id: 'cool', standing: { tempC: 18 } },
  { id: 'room', standing: { tempC: 22 } },
  { id: 'warm', standing: { tempC: 26 } },
  { id: 'fridge', standing: { tempC: 4 } }
]

/** 1.5 kg of wheat dough with a fifth of ripe levain. */
export const DOUGH: BatchLine = {
  startedAtMs: 0,
  flours: { 'white wheat': 750 },
  waterGrams: 540,
  saltGrams: 16,
  mixTempC: 24,
  stays: [{ fromMs: 0, tempC: 22 }],
  parents: [{ grams: 200, hydration: 1, flour: 'white wheat', line: null }]
}

/** Asleep from eleven to seven, out from nine to five on weekdays. */
export const WORKING: Hours = {
  sleep: { from: '23:00', to: '07:00' },
  weekly: [{ name: 'work', kind: 'out', days: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }],
  once: [],
  timeZone: ZONE
}

/** A problem of the tests' kitchen; each part can be another. */
export function planProblem(more: Partial<PlanProblem> & { readonly hours?: Hours; readonly coldDays?: number } = {}): PlanProblem {
  const { hours = WORKING, coldDays, ...rest } = more
  const nowMs = rest.nowMs ?? at(26, '18:00')
  const line = coldDays === undefined ? null : restedSeed('white wheat', coldDays, nowMs)
  return {
    nowMs,
    timeZone: hours.timeZone,
    wish: { kind: 'out', atMs: at(28, '12:00') },
    build: { ...DAY_BUILD, place: { tempC: 22 }, seed: { ...DAY_BUILD.seed, line } },
    flourPerSeed: 5,
    placeId: 'room',
    school: 'dome',
    places: PLACES,
    ratios: [1, 2, 3, 4, 5, 6, 8, 10],
    mixTemps: [24, 28],
    wake: {
      kept: { grams: 20, hydration: 1, flour: 'white wheat', line },
      feed: [{ ingredientId: 'white wheat', share: 1 }],
      hydration: 1,
      pantry: pantryOf(BUILT_IN_INGREDIENTS)
    },
    course: { ...USUAL_COURSE.wheat, kind: 'wheat', pieceGrams: 850, coldC: 4, placeId: 'room' },
    proofs: [
      { kind: 'warm', gas: 0.35 },
      { kind: 'cold', hours: 12 }
    ],
    dough: DOUGH,
    stands: [{ place: { id: 'room', standing: { tempC: 22 } }, moves: [] }],
    busy: busyBetween(nowMs, nowMs + 8 * 24 * millisecondsInHour, hours),
    oven: [],
    full: [],
    spread: { jar: 0.2, fed: 0.15 },
    gridMinutes: 15,
    ...rest
  }
}

/** The dough where it is mixed; or, once in two, in a cool place or the fridge for a part of its bulk besides. */
function standsIn(room: number, random: () => number): PlanProblem['stands'] {
  const place = { id: 'room', standing: { tempC: room } }
  const cool = { id: 'cool', standing: { tempC: room - 5 } }
  const fridge = { id: 'fridge', standing: { tempC: 4 } }
  const stays = [{ place, moves: [] }]
  if (random() < 0.5) return stays
  return [
    ...stays,
    { place, moves: [{ afterHours: 2, place: cool }] },
    {
      place,
      moves: [
        { afterHours: 2, place: fridge },
        { afterHours: 11, place }
      ]
    }
  ]
}

/** A small problem drawn by chance: hours, temperatures, wish, age of the jar, an oven that is taken. */
export function randomProblem(random: () => number): PlanProblem {
  const between = (low: number, high: number) => low + (high - low) * random()
  const hour = (low: number, high: number) => Math.floor(between(low, high))
  const clock = (h: number) => `${String(h % 24).padStart(2, '0')}:00`
  const nowMs = at(26, clock(hour(6, 22)))
  const workFrom = hour(7, 12)
  const hours: Hours = {
    sleep: { from: clock(hour(21, 25)), to: clock(hour(5, 9)) },
    weekly:
      random() < 0.7
        ? [{ name: 'work', kind: random() < 0.7 ? 'out' : 'rather not', days: [1, 2, 3, 4, 5, 6, 7], from: clock(workFrom), to: clock(workFrom + hour(3, 7)) }]
        : [],
    once: [],
    timeZone: ZONE
  }
  const room = between(18, 25)
  const ovenMs = nowMs + hour(16, 40) * millisecondsInHour
  const wishMs = nowMs + hour(22, 44) * millisecondsInHour
  return planProblem({
    hours,
    nowMs,
    coldDays: random() < 0.5 ? between(0.5, 9) : undefined,
    wish: random() < 0.75 ? { kind: 'out', atMs: wishMs } : { kind: 'mix', atMs: nowMs + hour(8, 30) * millisecondsInHour },
    places: [
      { id: 'room', standing: { tempC: room } },
      { id: 'warm', standing: { tempC: room + between(2, 5) } },
      { id: 'fridge', standing: { tempC: 4 } }
    ],
    stands: standsIn(room, random),
    ratios: [1, 3, 6],
    mixTemps: [24],
    oven: random() < 0.4 ? [{ fromMs: ovenMs, toMs: ovenMs + millisecondsInHour }] : [],
    full: random() < 0.3 ? [{ placeId: 'warm', fromMs: nowMs, toMs: nowMs + hour(5, 30) * millisecondsInHour }] : [],
    spread: { jar: between(0.15, 0.35), fed: between(0.1, 0.2) },
    gridMinutes: 60
  })
}
