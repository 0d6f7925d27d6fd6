import { TZDate } from '@date-fns/tz'
import { millisecondsInHour } from 'date-fns/constants'
import type { FormulaContent, Jar, Kitchen, Plan } from '../../contract'
import { type Formula, HANDLING_LOSS, instantAt, sure } from '../../core'
import { beginningOf, workBegins } from '../bake/dayOfBake'
import { type Cultures, type Stocked, solvePlan } from '../bake/solvePlan'
import { courseFor } from '../bake/usualCourse'
import type { Bake } from '../fromWire'

const MS_PER_WEEK = 7 * 24 * millisecondsInHour
/** Mixing time offered at first, by the kitchen's clock. */
const FIRST_MIX = '09:30'
/** Mornings that are looked at. */
const MORNINGS = 10
/** Flour per starter a new bake begins with. */
const FIRST_RATIO = 5
/** A repeated bake leaves at least so long until its mix, h. */
const LEAST_AHEAD_HOURS = 12
/** Weeks a repeated bake is put off until its first step lies ahead. */
const MOST_WEEKS = 4

/** A formula to bake from. */
export interface BakeSeed {
  readonly name: string
  readonly content: FormulaContent
}

/** Mornings to come at the first hour of mixing, by the kitchen's clock. */
function mornings(nowMs: number, timeZone: string): number[] {
  const day = new TZDate(nowMs, timeZone)
  const all = Array.from({ length: MORNINGS + 1 }, (_, n) => instantAt(day.getFullYear(), day.getMonth() + 1, day.getDate() + n, FIRST_MIX, timeZone))
  return all.filter((ms) => ms > nowMs)
}

/** When the work for a plan begins that nobody has begun, ms; null where it cannot be. */
export const planBegins = (plan: Plan, cultures: Cultures, stocked: Stocked, nowMs: number): number | null =>
  workBegins({ ...beginningOf(plan, solvePlan(plan, cultures, stocked, nowMs)), deeds: new Map() })

/** The plain loaf a new bake begins with. */
function firstFormula(jar: Jar, kitchen: Kitchen): Formula {
  const free = jar.flour === 'gluten-free'
  return {
    base: kitchen.base,
    doughKind: free ? 'gluten-free' : 'wheat',
    hydration: free ? 0.95 : 0.72,
    salt: 0.02,
    lines: [
      { id: 'flour', kind: 'flour', ingredientId: free ? 'gluten-free' : 'white wheat', share: 1 },
      { id: 'water', kind: 'water' },
      { id: 'levain', kind: 'levain', share: kitchen.base === 'total flour' ? 0.1 : 0.2 },
      { id: 'salt', kind: 'salt' }
    ],
    autolyse: false,
    heldBack: 0
  }
}

/** A name that no other open bake has: "Two loaves", "Two loaves 2". */
function freeName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name
  let n = 2
  while (taken.includes(`${name} ${n}`)) n++
  return `${name} ${n}`
}

/**
 * The plan a new bake begins with. It begins now or later: it is for the first morning that allows it.
 * @param names of bakes that are open
 */
export function newPlan(jar: Jar, cultures: Cultures, stocked: Stocked, nowMs: number, names: readonly string[], from?: BakeSeed): Plan {
  const { kitchen } = stocked
  const place = sure(kitchen.places[0])
  const formula = from?.content.formula ?? firstFormula(jar, kitchen)
  const levain = from?.content.levain ?? { hydration: 1, salt: 0, oil: 0, flours: jar.feed }
  const days = mornings(nowMs, kitchen.timeZone)
  const at = (mixAt: number): Plan => ({
    name: freeName(from?.name ?? 'Two loaves', names),
    target: from?.content.target ?? { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: HANDLING_LOSS, bakeLoss: null },
    formula,
    build: {
      ...levain,
      source: 'separate build',
      by: { kind: 'ratio', flourPerSeed: FIRST_RATIO },
      keepBackGrams: 20,
      older: { share: 0.5, hydration: 1 },
      vesselId: null,
      alsoFor: []
    },
    jarId: jar.id,
    placeId: place.id,
    tempC: place.tempC,
    mixTempC: 24,
    moves: [],
    school: kitchen.school,
    mixAt,
    startAt: null,
    course: courseFor(formula, place),
    before: [],
    bread: null,
    pins: []
  })
  const inTime = (plan: Plan) => {
    const begins = planBegins(plan, cultures, stocked, nowMs)
    return begins !== null && begins >= nowMs
  }
  return days.map(at).find(inTime) ?? at(days[1] ?? nowMs + 2 * LEAST_AHEAD_HOURS * millisecondsInHour)
}

/**
 * The same bake once more, whole weeks on, so that its first step lies ahead. When its levain begins is told by the jar as it is by then.
 */
export function planAgain({ plan }: Pick<Bake, 'plan'>, cultures: Cultures, stocked: Stocked, nowMs: number): Plan {
  const first = Math.max(Math.ceil((nowMs + LEAST_AHEAD_HOURS * millisecondsInHour - plan.mixAt) / MS_PER_WEEK), 1)
  const on = (weeks: number): Plan => {
    const later = (ms: number) => ms + weeks * MS_PER_WEEK
    return {
      ...plan,
      mixAt: later(plan.mixAt),
      startAt: null,
      before: plan.before.map((stage) => ({ ...stage, at: later(stage.at) })),
      bread: plan.bread === null ? null : { ...plan.bread, at: later(plan.bread.at) }
    }
  }
  const weeks = Array.from({ length: MOST_WEEKS }, (_, i) => first + i)
  const ahead = weeks.find((n) => {
    const begins = planBegins(on(n), cultures, stocked, nowMs)
    return begins === null || begins >= nowMs
  })
  return on(ahead ?? first)
}
