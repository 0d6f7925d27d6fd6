import { randomUUID } from 'node:crypto'
import { TZDate } from '@date-fns/tz'
import { millisecondsInHour } from 'date-fns/constants'
import { courseFor, courseHere, doughToWeigh, levainToWeigh } from '../../answers'
import type { Plan } from '../../contract'
import {
  atClock,
  type BatchLine,
  buildFor,
  buildFrom,
  CUP_SIZES,
  courseTimes,
  doughLine,
  doughPace,
  HOTTEST_WATER_C,
  kindsOfBlend,
  levainWishOf,
  mainKind,
  nightAt,
  type PlannedBuild,
  type PourItem,
  seedShareOf,
  sure,
  TRUE_RIPE,
  TYPICAL_JAR,
  trueRise,
  trueRiseAt
} from '../../core'
import { addBakeEvent } from '../records/bakes/addBakeEvent'
import { createBake } from '../records/bakes/bakes'
import { findJar } from '../records/jars/jars'
import { DOUGHS, PANTRY, pieces } from './demoDoughs'
import { DAY, type Demo, feed, jarGrams, topUp, typedAt } from './demoJars'

/** What the forecast is not told about the jars. */
const HIDDEN = {
  Juno: { jar: { pace: 1.45, pause: 0.8, height: 1.15 }, mixPace: 1 },
  Bramble: { jar: { pace: 0.95, pause: 1.1, height: 0.62 }, mixPace: 1.15 }
} as const

/** The scales and cups of Lantern Street. */
const SCALES = { smallScale: true, cups: 'metric' } as const

type DemoPlan = Partial<Plan> & { readonly flourPerSeed?: number }

function planFor(demo: Demo, jar: string, { flourPerSeed = 5, ...more }: DemoPlan): Plan {
  const levainFlours = jar === 'Bramble' ? ['rye'] : jar === 'Moth' ? ['buckwheat', 'sorghum'] : ['white wheat']
  return {
    name: 'Two lantern loaves',
    target: pieces([2, 780]),
    formula: DOUGHS.lantern,
    build: {
      source: 'separate build',
      by: { kind: 'ratio', flourPerSeed },
      hydration: 1,
      salt: 0,
      oil: 0,
      flours: levainFlours.map((ingredientId) => ({ ingredientId, share: 1 })),
      keepBackGrams: 30,
      older: { share: 0.5, hydration: 1 },
      vesselId: demo.vessels['Tall jar'] ?? null,
      alsoFor: []
    },
    jarId: sure(demo.jars[jar]),
    placeId: demo.places.counter,
    tempC: 22,
    mixTempC: 24,
    moves: [],
    school: 'dome',
    mixAt: demo.work.nowMs,
    startAt: null,
    course: null,
    before: [],
    bread: null,
    pins: [],
    ...more
  }
}

/** Quarter hours make believable times. */
const quarter = (ms: number) => Math.round(ms / (millisecondsInHour / 4)) * (millisecondsInHour / 4)

/** When the levain of a day is built: it peaks while somebody is up. */
const morningOf = (ms: number) => atClock(new TZDate(ms, Intl.DateTimeFormat().resolvedOptions().timeZone), '07:15')

/** One build of the past, from the feeds of its jar to the mix, with a look or two in between; then the jar goes cold. */
export async function pastBuild(demo: Demo, week: number, jar: 'Juno' | 'Bramble'): Promise<void> {
  const flourPerSeed = [2, 3, 4, 5, 6][Math.floor(demo.random() * 5)] ?? NaN
  const roomC = Math.round((20 + 4 * demo.random()) * 2) / 2
  const hidden = HIDDEN[jar]
  const chance = Math.exp(0.1 * demo.normal())
  const wander = 0.8 * demo.normal()
  const seedShare = seedShareOf(flourPerSeed)
  const curve = trueRise({ seedShare, seed: TRUE_RIPE, tempAt: (h) => roomC + wander + 0.4 * Math.sin(h / 3), ...hidden, chance }, 60)
  const startMs = morningOf(demo.work.nowMs - week * 7 * DAY + (jar === 'Juno' ? 1 : 4) * DAY)
  if (startMs > demo.work.nowMs - 40 * millisecondsInHour) return
  const ago = (hoursBefore: number) => (demo.work.nowMs - startMs) / millisecondsInHour + hoursBefore
  await feed(demo, jar, ago(20), 15, 30, 'counter')
  await feed(demo, jar, ago(9), 15, 45, 'counter')
  const bakeId = randomUUID()
  const rye = jar === 'Bramble'
  const plan = planFor(demo, jar, {
    name: rye ? 'Rye tin' : 'Two lantern loaves',
    target: rye ? pieces([1, 950]) : pieces([2, 780]),
    formula: rye ? DOUGHS.ryePast : DOUGHS.lantern,
    flourPerSeed,
    tempC: roomC,
    mixAt: startMs + curve.peakHours * millisecondsInHour
  })
  await createBake({ ...demo.work, nowMs: startMs - millisecondsInHour }, bakeId, plan)
  await weighIn(demo, bakeId, plan, startMs, () => 1 + 0.01 * demo.normal())
  const looks = [0.45, 0.7, 0.92, 1].filter(() => demo.random() > 0.25)
  for (const share of looks) {
    const hours = share * curve.peakHours
    const rise = Math.max(1, trueRiseAt(curve, hours) * (1 + 0.05 * demo.normal()))
    await note(demo, bakeId, startMs + hours * millisecondsInHour, {
      type: 'mark',
      rise: Math.round(rise * 20) / 20,
      signs: share > 0.9 ? { top: 'domed', bubbles: 'many' } : {}
    })
  }
  await mix(demo, bakeId, plan, startMs + (curve.peakHours + 0.1) * millisecondsInHour)
  await feed(demo, jar, ago(-(curve.peakHours + 1)), 15, 45, 'fridge')
}

type Happened =
  | { type: 'pour'; item: PourItem; ingredientId?: string; plannedGrams: number; weighedGrams: number }
  | { type: 'band'; mixTempC: number }
  | { type: 'mark'; rise?: number; signs: { top?: 'domed' | 'flat'; bubbles?: 'few' | 'many' } }
  | { type: 'mixed'; levainGrams: number; keepBackGrams: number }

async function note(demo: Demo, bakeId: string, atMs: number, what: Happened): Promise<void> {
  await addBakeEvent({ ...demo.work, nowMs: atMs }, bakeId, { ...typedAt(atMs), ...what })
}

function massesOf(plan: Plan, jarHydration = 1) {
  const weights = levainToWeigh(plan, jarHydration, { kitchen: SCALES, pantry: PANTRY })
  if (!weights.ok) throw new Error(`The demo's plan fails: ${weights.problem.code}`)
  const { levainGrams } = weights.value.dough.weigh
  const wish = levainWishOf(plan.build, levainGrams, { grams: 100, hydration: jarHydration, keepMinimumGrams: 15 }, CUP_SIZES.metric)
  return { levainGrams, wish, build: weights.value.sourced }
}

async function weighIn(demo: Demo, bakeId: string, plan: Plan, startMs: number, slip: () => number): Promise<void> {
  const { masses } = massesOf(plan).build
  const jar = await jarGrams(demo, plan.jarId)
  if (jar < masses.seed + 2) await topUp(demo, plan.jarId, startMs - 0.2 * millisecondsInHour, Math.ceil(masses.seed + 20))
  const [flour] = plan.build.flours
  const pours: [item: PourItem, grams: number, ingredientId?: string][] = [
    ['seed', masses.seed],
    ['water', masses.water],
    ['flour', masses.flour, flour?.ingredientId]
  ]
  for (const [i, [item, grams, ingredientId]] of pours.entries()) {
    const planned = Math.round(grams)
    await note(demo, bakeId, startMs - (pours.length - i) * 90_000, {
      type: 'pour',
      item,
      ingredientId,
      plannedGrams: planned,
      weighedGrams: Math.max(1, Math.round(planned * slip()))
    })
  }
  await note(demo, bakeId, startMs, { type: 'band', mixTempC: Math.min(plan.mixTempC, HOTTEST_WATER_C) })
}

async function mix(demo: Demo, bakeId: string, plan: Plan, atMs: number): Promise<void> {
  await note(demo, bakeId, atMs, { type: 'mixed', levainGrams: massesOf(plan).levainGrams, keepBackGrams: plan.build.keepBackGrams - 10 })
}

async function plannedBuild(demo: Demo, plan: Plan): Promise<PlannedBuild> {
  const jar = await findJar(demo.work, plan.jarId)
  return {
    levain: massesOf(plan, jar.hydration).wish,
    flours: kindsOfBlend(plan.build.flours, PANTRY) ?? {},
    seed: { flour: jar.flour, line: jar.line },
    place: { tempC: plan.tempC },
    mixTempC: plan.mixTempC
  }
}

/** The levain on its way: two thirds up the hill, with two looks at it so far. */
export async function running(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const bakeId = randomUUID()
  const hidden = HIDDEN.Juno
  const curve = trueRise({ seedShare: seedShareOf(5), seed: TRUE_RIPE, tempAt: () => 22.3, ...hidden, chance: 1 }, 48)
  const startMs = quarter(nowMs - 0.68 * curve.peakHours * millisecondsInHour)
  const plan = await awakeDay(
    demo,
    planFor(demo, 'Juno', { course: courseFor(DOUGHS.lantern, { id: demo.places.counter, tempC: 22 }) }),
    startMs,
    startMs + 0.92 * curve.peakHours * millisecondsInHour
  )
  await createBake({ ...demo.work, nowMs: startMs - millisecondsInHour }, bakeId, plan)
  await weighIn(demo, bakeId, plan, startMs, () => 1)
  for (const share of [0.45, 0.62]) {
    const hours = share * curve.peakHours
    await note(demo, bakeId, startMs + hours * millisecondsInHour, {
      type: 'mark',
      rise: Math.round(trueRiseAt(curve, hours) * 20) / 20,
      signs: share > 0.5 ? { top: 'domed' } : { bubbles: 'few' }
    })
  }
}

/** A plan mixed in its levain's window, its dough proofed the same day or in the cold, so that nobody gets up for it; where that cannot be, the levain alone. */
async function awakeDay(demo: Demo, plan: Plan, startMs: number, opensMs: number): Promise<Plan> {
  const { course } = plan
  if (course === null) return plan
  const build = await plannedBuild(demo, plan)
  const timed = buildFrom(build, startMs, 'dome')
  const overnight = { ...course, autolyseMinutes: 0, folds: 1, placeId: demo.places.cool, tempC: 18.5, mixTempC: 18, bulkGas: 0.9 }
  for (const tried of [course, overnight])
    for (let mixAtMs = quarter(opensMs); mixAtMs < opensMs + 4 * millisecondsInHour; mixAtMs += millisecondsInHour / 4) {
      const dated = { ...plan, course: tried, mixAt: mixAtMs }
      const steps = timed.ok ? [mixAtMs, ...dayAfter(dated, timed.value.line, mixAtMs)] : []
      if (steps.length > 1 && steps.every((at) => isAwake(at))) return dated
    }
  return { ...plan, course: null, mixAt: quarter(opensMs + millisecondsInHour) }
}

/** When nobody is up in Lantern Street. */
export const SLEEP = { from: '22:30', to: '06:30' }
const isAwake = (ms: number) => nightAt(ms, SLEEP, Intl.DateTimeFormat().resolvedOptions().timeZone) === undefined

/** What is still to come, each built while somebody is awake. */
export async function coming(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const wishes: [string, DemoPlan, number][] = [
    ['Juno', { name: 'Market rolls and a crown', target: pieces([18, 65], [1, 900]), formula: DOUGHS.market, flourPerSeed: 4 }, 26],
    ['Bramble', { name: 'Monday’s rye tin', target: pieces([1, 950]), formula: DOUGHS.rye, flourPerSeed: 6, placeId: demo.places.cool, tempC: 18.5 }, 50],
    ['Moth', { name: 'Moth’s pan loaf', target: pieces([1, 820]), formula: DOUGHS.moth, flourPerSeed: 3 }, 74]
  ]
  const place = { id: demo.places.counter, tempC: 22 }
  for (const [jar, more, hours] of wishes) {
    let mixAtMs = quarter(nowMs + hours * millisecondsInHour)
    const plan = planFor(demo, jar, { ...more, course: courseFor(more.formula ?? DOUGHS.lantern, place) })
    const build = await plannedBuild(demo, plan)
    for (let tries = 0; tries < 48; tries++, mixAtMs += millisecondsInHour / 2) {
      const timed = buildFor(build, mixAtMs, 'dome')
      if (!timed.ok || timed.value.startMs < nowMs + millisecondsInHour) continue
      const steps = [timed.value.startMs, mixAtMs, ...dayAfter(plan, timed.value.line, mixAtMs)]
      if (steps.every(isAwake)) break
    }
    await createBake(demo.work, randomUUID(), { ...plan, mixAt: mixAtMs })
  }
}

/** Juno is livelier than a typical jar, as its log will tell. */
const LIVELY = 1.35

/** When the dough of a plan is shaped, baked and out. */
function dayAfter(plan: Plan, levain: BatchLine, mixAtMs: number): number[] {
  const { course } = plan
  const dough = doughToWeigh(plan, { kitchen: SCALES, pantry: PANTRY })
  if (course === null || !dough.ok) return []
  const at = { mixAtMs, mixTempC: course.mixTempC, standing: { tempC: course.tempC } }
  const line = doughLine(dough.value.weigh, { line: levain, hydration: plan.build.hydration, flour: mainKind(levain.flours) }, at, PANTRY)
  const times = courseTimes(course, mixAtMs, doughPace(line, courseHere(course, plan, { places: [], workSeen: {} }), { ...TYPICAL_JAR, vigour: LIVELY }))
  return times === null ? [] : [times.shapeMs, times.bakeMs, times.outMs]
}
