import { millisecondsInDay, millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { Kitchen, Place, Plan } from '../../contract'
import {
  type BatchLine,
  type BreadWish,
  type Busy,
  busyBetween,
  type Claim,
  type DoughStand,
  type Interval,
  isCold,
  isFedAgain,
  isHard,
  type LevainHabit,
  nextAt,
  type PlanPlace,
  type PlanProblem,
  type SolvedBake,
  USUAL_COURSE
} from '../../core'
import { courseHere } from '../bake/courseHere'
import { doughOf } from '../bake/dayOfBake'
import { type Cultures, type Stocked, solvePlan, standingIn } from '../bake/solvePlan'
import { type Bake, hoursOf } from '../fromWire'
import { usualRatio } from '../jars/jarCare'

/** Flour per seed that is tried. */
const RATIOS = [1, 2, 3, 4, 5, 6, 8, 10]
/** More flour, for hours that are fixed: only that makes a levain last a warm night. */
const LONG_RATIOS = [12, 15, 20]
/** A warm mix, where the plan's own is not warm already, °C. */
const WARM_MIX_C = 28
const GRID_MINUTES = 15
/** Times that are taken are looked up so far ahead, ms. */
const AHEAD_DAYS = 9
const AHEAD_MS = AHEAD_DAYS * millisecondsInDay
/** What is kept of a jar at a wake-up feed where it has no least, g. */
const KEPT_GRAMS = 20

/** Stretches in which a place that takes so many is full. */
export function fullStretches({ id, takes }: Pick<Place, 'id' | 'takes'>, others: readonly Claim[]): (Interval & { placeId: string })[] {
  if (takes === null) return []
  const stays = others.flatMap((o) => o.stays.filter((s) => s.placeId === id))
  const edges = [...new Set(stays.flatMap((s) => [s.fromMs, s.toMs]))].sort((a, b) => a - b)
  return edges.slice(1).flatMap((toMs, i) => {
    const fromMs = edges[i] ?? NaN
    const there = stays.filter((s) => s.fromMs <= fromMs && s.toMs >= toMs).length
    return there >= takes ? [{ placeId: id, fromMs, toMs }] : []
  })
}

/** All that takes the baker away, other bakes among it. */
export function busyIn(kitchen: Kitchen, others: readonly Claim[], fromMs: number, toMs: number): Busy[] {
  return [...busyBetween(fromMs, toMs, hoursOf(kitchen)), ...others.flatMap(({ name, hands }) => hands.map((h): Busy => ({ ...h, kind: 'other bake', name })))]
}

/** All that takes the baker away in the days that are looked at. */
export const busyAhead = (kitchen: Kitchen, others: readonly Claim[], nowMs: number): Busy[] => busyIn(kitchen, others, nowMs, nowMs + AHEAD_MS)

/**
 * What a search is asked for a bake.
 * @param others what else goes on in the kitchen
 * @returns null while there is no levain or no dough to plan, and of a levain that is fed again, whose seed stands there already; where starter is used as it is, its build is the feed that makes the jar ready for the mix
 */
export function planProblemOf(
  bake: Pick<Bake, 'ingredients' | 'state'>,
  plan: Plan,
  solved: SolvedBake | null,
  wish: BreadWish,
  cultures: Cultures,
  stocked: Stocked,
  nowMs: number,
  others: readonly Claim[],
  levainHabit: LevainHabit['kind'] | null = null
): PlanProblem | null {
  const { kitchen, pantry } = stocked
  if (plan.before.some(({ id }) => isFedAgain(id))) return null
  if (plan.build.source === 'as it is') {
    const fed = fedForMix(plan, cultures)
    if (fed === null) return null
    const problem = planProblemOf(bake, fed, solvePlan(fed, cultures, stocked, nowMs), wish, cultures, stocked, nowMs, others, levainHabit)
    // A jar that was fed for the mix stands in the warm until then.
    return problem === null ? null : { ...problem, asItIs: true, places: problem.places.filter(({ standing }) => !isCold(standing.tempC)) }
  }
  // The jar as it stands: what an earlier plan would have fed it does not count.
  const bare = plan.before.length === 0 ? solved : solvePlan({ ...plan, before: [] }, cultures, stocked, nowMs)
  const build = bare?.build
  const jar = cultures.jars.find((j) => j.id === plan.jarId)
  const course = plan.course === null ? null : courseHere(plan.course, plan, kitchen)
  const dough = doughOf(bake, plan, bare, stocked, plan.mixAt)
  if (build === null || build === undefined || jar === undefined || course === null || dough === null) return null
  const mixMs = plan.mixAt
  const placeOf = (id: string, tempC: number): PlanPlace => ({ id, standing: standingIn(kitchen, id, tempC, mixMs) })
  const own = build.planned.seed
  const busy = busyAhead(kitchen, others, nowMs)
  return {
    nowMs,
    timeZone: kitchen.timeZone,
    wish,
    ...(levainHabit === null ? {} : { levainHabit: habitOf(levainHabit, placeOf(plan.placeId, plan.tempC), kitchen, nowMs) }),
    build: { ...build.planned, moves: [] },
    flourPerSeed: build.flourPerSeed,
    placeId: plan.placeId,
    school: plan.school,
    places: kitchen.places.map((p) => placeOf(p.id, p.id === plan.placeId ? plan.tempC : p.tempC)),
    // Amounts that were given stay: only place, warmth and hour are looked for.
    ratios:
      plan.build.by.kind === 'amounts'
        ? [build.flourPerSeed]
        : [...new Set([...RATIOS, ...(wish.kind === 'habit' ? LONG_RATIOS : []), Math.round(build.flourPerSeed * 2) / 2])]
            .filter((r) => r >= 1)
            .sort((a, b) => a - b),
    mixTemps: plan.mixTempC < WARM_MIX_C - 2 ? [plan.mixTempC, WARM_MIX_C] : [plan.mixTempC],
    wake: {
      kept: { grams: Math.min(Math.max(jar.keepMinimumGrams, KEPT_GRAMS), Math.max(jar.grams, 1)), hydration: jar.hydration, flour: jar.flour, line: own.line },
      feed: jar.feed,
      hydration: jar.hydration,
      pantry
    },
    course,
    proofs: course.proof.kind === 'warm' ? [course.proof, { kind: 'cold' as const, hours: 12 }] : [course.proof, USUAL_COURSE[plan.formula.doughKind].proof],
    dough,
    stands: standsOf(
      {
        place: placeOf(course.placeId, course.tempC),
        moves: course.moves.map(({ afterHours, placeId, tempC }) => ({ afterHours, place: placeOf(placeId, tempC) }))
      },
      kitchen.places.map((p) => placeOf(p.id, p.tempC)),
      hoursUntilBack(wish, busy)
    ),
    busy,
    oven: others.flatMap((o) => o.oven ?? []),
    full: kitchen.places.flatMap((p) => fullStretches(p, others)),
    spread: { jar: 0, fed: 0 },
    gridMinutes: GRID_MINUTES
  }
}

/** Flour per starter of a jar nobody has fed yet. Source: craft knowledge. */
const USUAL_FEED = 2

/** A plan that uses its starter as it is, with the feed that makes the jar ready as its build: all but what is kept goes to the discard pot, and what no dough takes stays in the jar. */
function fedForMix(plan: Plan, { jars }: Cultures): Plan | null {
  const jar = jars.find((j) => j.id === plan.jarId)
  if (jar === undefined) return null
  const by = { kind: 'ratio', flourPerSeed: usualRatio(jar)[0] ?? USUAL_FEED } as const
  const keepBackGrams = Math.max(jar.keepMinimumGrams, KEPT_GRAMS)
  const build = { ...plan.build, source: 'straight from the jar' as const, by, hydration: jar.hydration, salt: 0, oil: 0, flours: jar.feed, keepBackGrams }
  return { ...plan, build: { ...build, sticksGrams: 0, vesselId: null }, before: [], moves: [], startAt: null }
}

/** The levain whose pace a search goes by: the one that is planned, or the jar as it would be fed for the mix; null where there is none. */
export function lineSearched(plan: Plan, solved: SolvedBake | null, cultures: Cultures, stocked: Stocked, nowMs: number): BatchLine | null {
  const fed = plan.build.source === 'as it is' ? fedForMix(plan, cultures) : null
  const of = fed === null ? solved : solvePlan(fed, cultures, stocked, nowMs)
  return of?.build?.timed.line ?? null
}

/** Somebody who has got up takes the jar out half an hour later, ms. */
const UP_MS = 30 * millisecondsInMinute

/** A habit of the levain in this kitchen. */
function habitOf(kind: LevainHabit['kind'], place: PlanPlace, { sleep, timeZone }: Kitchen, nowMs: number): LevainHabit {
  if (kind === 'out, then the fridge') return { kind }
  const days = Array.from({ length: AHEAD_DAYS }, (_, day) => nowMs - UP_MS + day * millisecondsInDay)
  return { kind, place, mornings: days.map((ms) => nextAt(ms, sleep.to, timeZone) + UP_MS) }
}

/** A dough goes to a cooler place straight away, or once it was folded, h after the mix. */
const COOL_AFTER_HOURS = [0, 2] as const
/** Into the fridge so long after the mix, and for how long, h. */
const IN_FRIDGE = [
  [1, 9],
  [2, 11],
  [3, 8]
] as const
/** A dough that is mixed at a fixed hour goes into the fridge so long after it; shortest and longest stay there that is worth the way, h. */
const FOLDED_HOURS = [1, 2, 3] as const
const STAY_HOURS = [4, 16] as const

/** When a dough goes into the fridge, h after the mix, and for how long. */
const inFridge = (backHours: readonly number[]): (readonly [number, number])[] => [
  ...IN_FRIDGE,
  ...backHours.flatMap((back) =>
    FOLDED_HOURS.flatMap((afterHours) =>
      back - afterHours >= STAY_HOURS[0] && back - afterHours <= STAY_HOURS[1] ? [[afterHours, back - afterHours] as const] : []
    )
  )
]

/** Somebody who has just got up, or come home, takes it out a quarter of an hour later, h. */
const BACK_HOURS = 0.25

/** From a mix at a fixed hour until its baker is up or back at home again, h, within a day; nothing where the hour is open. */
function hoursUntilBack(wish: BreadWish, busy: readonly Busy[]): number[] {
  if (wish.kind !== 'mix' && wish.kind !== 'habit') return []
  const mixMs = wish.kind === 'habit' ? wish.mixMs : wish.atMs
  const back = busy.filter((b) => isHard(b) && b.fromMs > mixMs && b.toMs < mixMs + millisecondsInDay && b.kind !== 'other bake')
  return [...new Set(back.map(({ toMs }) => (toMs - mixMs) / millisecondsInHour + BACK_HOURS))]
}

/** A place this much cooler makes a dough last a night; one this much warmer makes it quicker, K. */
const OTHER_PLACE_K = 2

/**
 * Where a dough may stand: as it is planned; in a warmer place; in a cooler one until it is shaped; in the fridge for a part of its bulk.
 * @param planned as it is planned
 * @param places all of the kitchen
 * @param backHours from a mix at a fixed hour until its baker is up or at home again, h: what is in the fridge comes out then
 * @returns the planned first
 */
export function standsOf(planned: DoughStand, places: readonly PlanPlace[], backHours: readonly number[] = []): DoughStand[] {
  const { place } = planned
  const tempOf = ({ standing }: PlanPlace) => standing.tempC
  const warm = places.filter((p) => !isCold(tempOf(p))).sort((a, b) => tempOf(a) - tempOf(b))
  const warmest = warm.filter((p) => tempOf(p) >= tempOf(place) + OTHER_PLACE_K).at(-1)
  const coolest = warm.find((p) => tempOf(p) <= tempOf(place) - OTHER_PLACE_K)
  const fridge = places.filter((p) => isCold(tempOf(p))).sort((a, b) => tempOf(a) - tempOf(b))[0]
  const others: DoughStand[] = isCold(tempOf(place))
    ? []
    : [
        ...(warmest === undefined ? [] : [{ place: warmest, moves: [] }]),
        ...(coolest === undefined ? [] : COOL_AFTER_HOURS.map((afterHours) => ({ place, moves: [{ afterHours, place: coolest }] }))),
        ...(fridge === undefined
          ? []
          : inFridge(backHours).map(([afterHours, hours]) => ({
              place,
              moves: [
                { afterHours, place: fridge },
                { afterHours: afterHours + hours, place }
              ]
            })))
      ]
  return planned.moves.length === 0 ? [planned, ...others] : [planned, { place, moves: [] }, ...others]
}
