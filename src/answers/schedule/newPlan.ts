import { TZDate } from '@date-fns/tz'
import { millisecondsInHour } from 'date-fns/constants'
import type { FormulaContent, Jar, Kitchen, Plan } from '../../contract'
import { type Formula, HANDLING_LOSS, instantAt, isFedAgain, POSSIBLE, sure } from '../../core'
import { beginningOf, dayOfBake, workBegins } from '../bake/dayOfBake'
import { onItsOwn } from '../bake/onePot'
import { type Cultures, type Stocked, solvePlan } from '../bake/solvePlan'
import { courseFor } from '../bake/usualCourse'
import { type Bake, bakeOf } from '../fromWire'
import { windowAt } from '../judgement/isItReady'
import { awakeAt } from '../kitchen/awakeAt'
import { feedForMix } from './feedForMix'
import { shiftedTo } from './shiftedTo'

/** Mixing time offered at first, by the kitchen's clock. */
const FIRST_MIX = '09:30'
/** Mornings that are looked at. */
const MORNINGS = 10
/** Flour per starter a new bake begins with, and others, where with it the work would begin in the baker's sleep or before now. */
const FIRST_RATIOS = [5, 4, 6, 3, 8, 10, 2, 12, 15]
/** A bake repeated by the week leaves at least so long until its mix, h. */
const LEAST_AHEAD_HOURS = 12
/** So often a repeated bake is put off until its first step lies ahead. */
const MOST_TIMES = 4

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

/** Bread that is wanted. */
export interface FirstWish {
  /** Out of the oven at, ms. */
  readonly outMs: number
  readonly loaves: number
}

const LOAVES = ['One loaf', 'Two loaves', 'Three loaves', 'Four loaves', 'Five loaves', 'Six loaves']
const USUAL_LOAVES = 2
const LOAF_GRAMS = 780

/** A levain is as thick as the starter it is made from, to 5 %, unless its baker asks for another. */
function levainHydration({ hydration }: Pick<Jar, 'hydration'>): number {
  const [low, high] = POSSIBLE.levainHydration
  return Math.min(Math.max(Math.round(hydration * 20) / 20, low), high)
}

/** A name that no other open bake has: "Two loaves", "Two loaves 2". */
function freeName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name
  let n = 2
  while (taken.includes(`${name} ${n}`)) n++
  return `${name} ${n}`
}

/** What a new bake begins from, where something is known. */
export interface NewBake {
  /** A recipe. */
  readonly from?: BakeSeed
  readonly wish?: FirstWish
}

/**
 * The plan a new bake begins with: for the wished hour, or else for the first morning that allows it.
 * Its work begins now or later, and while its baker is awake, wherever a ratio allows that.
 * @param names of bakes that are open
 */
export function newPlan(jar: Jar, cultures: Cultures, stocked: Stocked, nowMs: number, names: readonly string[], { from, wish }: NewBake = {}): Plan {
  const { kitchen } = stocked
  const place = sure(kitchen.places[0])
  const formula = from?.content.formula ?? firstFormula(jar, kitchen)
  const levain = from?.content.levain ?? { hydration: levainHydration(jar), salt: 0, oil: 0, flours: jar.feed }
  const days = mornings(nowMs, kitchen.timeZone)
  const loaves = wish?.loaves ?? USUAL_LOAVES
  const at = (mixAt: number, flourPerSeed: number): Plan => ({
    name: freeName(from?.name ?? LOAVES[loaves - 1] ?? `${loaves} loaves`, names),
    target: from?.content.target ?? { kind: 'pieces', pieces: [{ count: loaves, grams: LOAF_GRAMS }], handlingLoss: HANDLING_LOSS, bakeLoss: null },
    formula,
    build: {
      ...levain,
      source: 'separate build',
      by: { kind: 'ratio', flourPerSeed },
      keepBackGrams: 20,
      sticksGrams: kitchen.sticksGrams,
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
  const wishedFor = (plan: Plan): Plan => (wish === undefined ? plan : { ...plan, ...wished(plan, wish.outMs, cultures, stocked, nowMs) })
  const mixes = wish === undefined ? days : [wish.outMs]
  const begins = (plan: Plan) => planBegins(plan, cultures, stocked, nowMs) ?? Number.NEGATIVE_INFINITY
  const all = mixes.flatMap((mixAt) => FIRST_RATIOS.map((ratio) => () => wishedFor(at(mixAt, ratio))))
  let inTime: Plan | null = null
  for (const make of all) {
    const plan = make()
    const first = begins(plan)
    if (first < nowMs) continue
    inTime ??= plan
    if (awakeAt(kitchen, first) === first) return plan
  }
  return inTime ?? wishedFor(at(wish?.outMs ?? days[1] ?? nowMs + 2 * LEAST_AHEAD_HOURS * millisecondsInHour, sure(FIRST_RATIOS[0])))
}

/** A plan for bread that is out of the oven at a moment. */
function wished(plan: Plan, outMs: number, cultures: Cultures, stocked: Stocked, nowMs: number): Partial<Plan> {
  const bread = { kind: 'out' as const, at: outMs }
  const blank = bakeOf({ id: '', version: 1, plan, status: 'planned', events: [], ingredients: [], line: null, createdAt: nowMs, deletedAt: null })
  const { times } = dayOfBake(blank, { solved: solvePlan(plan, cultures, stocked, nowMs), verdict: null }, stocked, cultures, nowMs)
  return { bread, ...shiftedTo(plan, bread, times, nowMs) }
}

/** So much later it may be mixed that day where no feed makes its jar ready by the same hour, h. */
const LATER_HOURS = [0, 1, 2, 3] as const
/** How often a bake is repeated, ms. */
const EVERY_MS = { day: 24 * millisecondsInHour, week: 7 * 24 * millisecondsInHour } as const

/**
 * The same bake once more, whole days or weeks on, so that its first step lies ahead. When its levain begins is told by the jar as it is by then;
 * a jar that goes in as it is and would be past its best by then is fed before.
 */
export function planAgain({ plan }: Pick<Bake, 'plan'>, every: keyof typeof EVERY_MS, cultures: Cultures, stocked: Stocked, nowMs: number): Plan {
  const leastMs = every === 'day' ? 0 : LEAST_AHEAD_HOURS * millisecondsInHour
  const first = Math.max(Math.ceil((nowMs + leastMs - plan.mixAt) / EVERY_MS[every]), 1)
  const on = (times: number, laterHours = 0): Plan => {
    const later = (ms: number) => ms + times * EVERY_MS[every] + laterHours * millisecondsInHour
    return {
      ...onItsOwn(plan),
      mixAt: later(plan.mixAt),
      startAt: null,
      // What was fed again was this bake's own levain.
      before: plan.before.filter(({ id }) => !isFedAgain(id)).map((stage) => ({ ...stage, at: later(stage.at) })),
      bread: plan.bread === null ? null : { ...plan.bread, at: later(plan.bread.at) }
    }
  }
  for (let times = first; times < first + MOST_TIMES; times++) {
    for (const laterHours of plan.build.source === 'as it is' ? LATER_HOURS : [0]) {
      const again = fedInTime(on(times, laterHours), cultures, stocked, nowMs)
      const begins = again === null ? Number.NEGATIVE_INFINITY : planBegins(again, cultures, stocked, nowMs)
      if (again !== null && (begins === null || begins >= nowMs)) return again
    }
  }
  return on(first)
}

/**
 * With the feed that makes its jar ready for the mix, where it goes in as it is, nobody has planned one, and it would be past its best by then.
 * @returns null where no feed does
 */
function fedInTime(plan: Plan, cultures: Cultures, stocked: Stocked, nowMs: number): Plan | null {
  const jar = cultures.jars.find(({ id }) => id === plan.jarId)
  if (jar === undefined || plan.build.source !== 'as it is' || plan.before.length > 0) return plan
  const build = solvePlan(plan, cultures, stocked, nowMs)?.build
  const window = build == null ? null : windowAt(build.asItStands.milestones, plan.school, build.asItStands.startMs)
  if (build == null || window === null || plan.mixAt <= window.toMs) return plan
  const feed = feedForMix(plan, jar, build.weigh.seed, cultures, stocked, nowMs)
  return feed === null ? null : { ...plan, before: [feed] }
}
