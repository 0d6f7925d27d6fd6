import { randomUUID } from 'node:crypto'
import { courseFor, lineFromWire, type Plan } from '../../contract'
import {
  type BatchLine,
  buildFor,
  buildFrom,
  CULTURE_TRAITS,
  type Culture,
  courseTimes,
  doughLine,
  doughPace,
  gramsOfBlend,
  HOTTEST_WATER_C,
  kindsOfBlend,
  levainComposition,
  mainKind,
  nightAt,
  normalFrom,
  type PlannedBuild,
  type PourItem,
  roundDough,
  seededRandom,
  seedShareOf,
  solveFormula,
  sourceLevain,
  TRUE_RIPE,
  TYPICAL_JAR,
  toGrams,
  trueRise,
  trueRiseAt
} from '../../core'
import type { Database } from '../db/connect'
import { addBakeEvent } from '../records/bakeEvents'
import { createBake, levainWishOf } from '../records/bakes'
import { feedJar, splitJar, weighJar } from '../records/jarDeeds'
import { findJar, openJar } from '../records/jars'
import { createKitchen, findKitchen } from '../records/kitchens'
import type { Work } from '../records/work'
import { DOUGHS, PANTRY, pieces } from './demoDoughs'
import { layLibrary } from './demoLibrary'
import { countShelf, layVessels, priceFlours } from './demoStores'
import { emptyPot } from './emptyPot'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const SEED = 20_611

/** Weeks of past builds in the record. */
const WEEKS = 12

const PLACES = { counter: 'Worktop', cool: 'Cool corner', warm: 'Proofing box', sill: 'Windowsill', fridge: 'Fridge' } as const

/** What lives in each jar. */
const CULTURE_OF: Readonly<Record<string, Culture>> = { Juno: 'white wheat', Bramble: 'rye', Keel: 'stiff', Moth: 'gluten-free' }

/** What the forecast is not told about the jars. */
const HIDDEN = {
  Juno: { jar: { pace: 1.45, pause: 0.8, height: 1.15 }, mixPace: 1 },
  Bramble: { jar: { pace: 0.95, pause: 1.1, height: 0.62 }, mixPace: 1.15 }
} as const

/**
 * Lays the made-up Lantern Street kitchen: four jars, twelve weeks of builds whose outcomes come from
 * another law than the forecast's, one levain on its way, more bakes to come. All times hang on `nowMs`.
 * @param fresh lay it again although it is there
 * @returns whether it was laid
 */
export async function layDemo(database: Database, nowMs: number, fresh: boolean): Promise<boolean> {
  return database.write(async (transaction) => {
    const work: Work = { models: database.models, transaction, nowMs, known: new Map() }
    if ((await findKitchen(work)) !== null) {
      if (!fresh) return false
      await clear(work)
    }
    await lay(work)
    return true
  })
}

/** Empties the demo's tables, children first. */
async function clear({ models, transaction }: Work): Promise<void> {
  const childrenFirst = [
    models.ledger,
    models.calendarAddresses,
    models.events,
    models.programs,
    models.batchStays,
    models.batchParents,
    models.batches,
    models.bakes,
    models.formulaVersions,
    models.formulas,
    models.vessels,
    models.ingredients,
    models.jars,
    models.places,
    models.kitchens
  ]
  for (const table of childrenFirst) await table.sequelize?.getQueryInterface().bulkDelete(table.getTableName(), {}, { transaction })
}

interface Demo {
  readonly work: Work
  readonly places: Record<keyof typeof PLACES, string>
  readonly jars: Record<string, string>
  readonly vessels: Record<string, string>
  readonly random: () => number
  readonly normal: () => number
}

async function lay(work: Work): Promise<void> {
  const random = seededRandom(SEED)
  const places = { counter: randomUUID(), cool: randomUUID(), warm: randomUUID(), sill: randomUUID(), fridge: randomUUID() }
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone
  await createKitchen(work, randomUUID(), true, {
    name: 'Lantern Street kitchen',
    timeZone,
    mass: 'g',
    temperature: '°C',
    clock: '24 h',
    sleep: SLEEP,
    weekly: [
      { id: randomUUID(), name: 'Work', kind: 'out', days: [2, 3, 4], from: '09:00', to: '15:00' },
      { id: randomUUID(), name: 'School run', kind: 'rather not', days: [1, 2, 3, 4, 5], from: '08:00', to: '08:45' }
    ],
    once: [],
    school: 'dome',
    base: 'dough flour',
    smallScale: true,
    tapTempC: 14,
    cups: 'metric',
    currency: 'EUR',
    keys: true,
    places: [
      { id: places.counter, name: PLACES.counter, tempC: 22, nightTempC: null, surroundings: 'air', takes: null },
      { id: places.cool, name: PLACES.cool, tempC: 18.5, nightTempC: null, surroundings: 'air', takes: null },
      { id: places.warm, name: PLACES.warm, tempC: 26, nightTempC: null, surroundings: 'air', takes: 2 },
      { id: places.sill, name: PLACES.sill, tempC: 23, nightTempC: 16, surroundings: 'air', takes: null },
      { id: places.fridge, name: PLACES.fridge, tempC: 4, nightTempC: null, surroundings: 'air', takes: null }
    ]
  })
  const begin = work.nowMs - (WEEKS * 7 + 1) * DAY
  const jars: Record<string, string> = {}
  const vessels = await layVessels(work)
  const mixId = await priceFlours(work)
  const open = async (name: string, hydration: number, grams: number, place: keyof typeof PLACES, vessel: string, hoursAgo: number) => {
    const culture = CULTURE_OF[name] ?? 'white wheat'
    jars[name] = randomUUID()
    await openJar(work, {
      id: jars[name],
      name,
      culture,
      flour: CULTURE_TRAITS[culture].flour,
      begun: false,
      vesselId: vessels[vessel] ?? null,
      hydration,
      grams,
      keepMinimumGrams: 15,
      lastFedAt: new Date(work.nowMs - hoursAgo * HOUR).toISOString(),
      placeId: places[place]
    })
  }
  const beginHours = (work.nowMs - begin) / HOUR
  await open('Juno', 1, 60, 'counter', 'Tulip jar', beginHours)
  await open('Bramble', 1, 80, 'counter', 'Tulip jar', beginHours)
  await open('Keel', 0.5, 90, 'fridge', 'Small jar', 20 * 24)
  await open('Moth', 1.1, 80, 'counter', 'Tall jar', 6 * 24)

  const demo: Demo = { work, places, jars, vessels, random, normal: normalFrom(random) }
  await drySpare(demo, beginHours - 2)
  for (let week = WEEKS; week >= 1; week--) {
    await pastBuild(demo, week, 'Juno')
    if (week % 2 === 0) await pastBuild(demo, week, 'Bramble')
  }
  await feed(demo, 'Keel', 6 * 24, 40, 50, 'fridge', 0.5)
  await feed(demo, 'Moth', 57, 20, 30, 'counter', 1.1)
  await feed(demo, 'Moth', 33, 20, 30, 'counter', 1.1)
  await feed(demo, 'Moth', 9, 20, 35, 'counter', 1.1)
  await feed(demo, 'Bramble', 4 * 24, 20, 50, 'fridge')
  await feed(demo, 'Juno', 27, 15, 30, 'counter')
  await feed(demo, 'Juno', 16, 15, 60, 'counter')
  await running(demo)
  await coming(demo)
  await layLibrary(demo.work)
  await emptyPot(demo.work)
  await countShelf(demo.work, mixId)
}

/** Feeds a jar some hours ago. */
async function feed(
  { work, jars, places }: Demo,
  name: string,
  hoursAgo: number,
  keepGrams: number,
  flourGrams: number,
  place: keyof typeof PLACES,
  waterPerFlour = 1
): Promise<void> {
  const at = work.nowMs - hoursAgo * HOUR
  const { feed: flours, trimmed } = CULTURE_TRAITS[CULTURE_OF[name] ?? 'white wheat']
  await feedJar({ ...work, nowMs: at }, jars[name] as string, {
    ...typedAt(at),
    keepGrams,
    trimGrams: trimmed ? 15 : 0,
    flours: gramsOfBlend(flours, flourGrams),
    waterGrams: Math.round(flourGrams * waterPerFlour),
    mixTempC: 22,
    later: null,
    underWater: false,
    placeId: places[place]
  })
}

const typedAt = (ms: number) => ({ id: randomUUID(), happenedAt: new Date(ms).toISOString(), source: 'typed' as const })

/** Some of Juno was dried when the record begins. */
async function drySpare({ work, jars, places }: Demo, hoursAgo: number): Promise<void> {
  const at = work.nowMs - hoursAgo * HOUR
  const dried = randomUUID()
  await splitJar({ ...work, nowMs: at }, jars.Juno as string, {
    ...typedAt(at),
    jarId: dried,
    name: 'Juno, dried',
    grams: 40,
    placeId: places.cool,
    as: 'dried'
  })
  await weighJar({ ...work, nowMs: at + 2 * DAY }, dried, { ...typedAt(at + 2 * DAY), grams: 22 })
}

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
    jarId: demo.jars[jar] as string,
    placeId: demo.places.counter,
    tempC: 22,
    mixTempC: 24,
    moves: [],
    school: 'dome',
    mixAt: new Date(demo.work.nowMs).toISOString(),
    startAt: null,
    course: null,
    before: [],
    bread: null,
    pins: [],
    ...more
  }
}

/** Quarter hours make believable times. */
const quarter = (ms: number) => Math.round(ms / (HOUR / 4)) * (HOUR / 4)

/** One build of the past, from the feeds of its jar to the mix, with a look or two in between; then the jar goes cold. */
async function pastBuild(demo: Demo, week: number, jar: 'Juno' | 'Bramble'): Promise<void> {
  const flourPerSeed = [2, 3, 4, 5, 6][Math.floor(demo.random() * 5)] as number
  const roomC = Math.round((20 + 4 * demo.random()) * 2) / 2
  const hidden = HIDDEN[jar]
  const chance = Math.exp(0.1 * demo.normal())
  const wander = 0.8 * demo.normal()
  const seedShare = seedShareOf(flourPerSeed)
  const curve = trueRise({ seedShare, seed: TRUE_RIPE, tempAt: (h) => roomC + wander + 0.4 * Math.sin(h / 3), ...hidden, chance }, 60)
  const day = quarter(demo.work.nowMs - week * 7 * DAY + (jar === 'Juno' ? 1 : 4) * DAY)
  if (day > demo.work.nowMs - 30 * HOUR) return
  const startMs = day - 12 * HOUR
  const ago = (hoursBefore: number) => (demo.work.nowMs - startMs) / HOUR + hoursBefore
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
    mixAt: new Date(startMs + curve.peakHours * HOUR).toISOString()
  })
  await createBake({ ...demo.work, nowMs: startMs - HOUR }, bakeId, plan)
  await weighIn(demo, bakeId, plan, startMs, () => 1 + 0.01 * demo.normal())
  const looks = [0.45, 0.7, 0.92, 1].filter(() => demo.random() > 0.25)
  for (const share of looks) {
    const hours = share * curve.peakHours
    const rise = Math.max(1, trueRiseAt(curve, hours) * (1 + 0.05 * demo.normal()))
    await note(demo, bakeId, startMs + hours * HOUR, {
      type: 'mark',
      rise: Math.round(rise * 20) / 20,
      signs: share > 0.9 ? { top: 'domed', bubbles: 'many' } : {}
    })
  }
  await mix(demo, bakeId, plan, startMs + (curve.peakHours + 0.1) * HOUR)
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
  const dough = solveFormula(plan.formula, plan.target, { pantry: PANTRY, levain: levainComposition(plan.build) })
  if (!dough.ok) throw new Error(`The demo's formula fails: ${dough.problem.code}`)
  const levainGrams = roundDough(dough.value, true).levainGrams
  const wish = levainWishOf(plan, levainGrams, { grams: 100, hydration: jarHydration, keepMinimumGrams: 15 }, 'metric')
  const build = sourceLevain(wish)
  if (!build.ok) throw new Error(`The demo's build fails: ${build.problem.code}`)
  return { levainGrams, wish, build: build.value }
}

async function weighIn(demo: Demo, bakeId: string, plan: Plan, startMs: number, slip: () => number): Promise<void> {
  const { masses } = massesOf(plan).build
  const jar = await jarGrams(demo, plan.jarId)
  if (jar < masses.seed + 2) await topUp(demo, plan.jarId, startMs - 0.2 * HOUR, Math.ceil(masses.seed + 20))
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

async function jarGrams({ work }: Demo, jarId: string): Promise<number> {
  return toGrams((await work.models.ledger.sum('milligrams', { where: { account: `jar:${jarId}` }, transaction: work.transaction })) ?? 0)
}

/** A jar that holds more than the book said is weighed. */
async function topUp(demo: Demo, jarId: string, atMs: number, grams: number): Promise<void> {
  await weighJar({ ...demo.work, nowMs: atMs }, jarId, { ...typedAt(atMs), grams })
}

async function mix(demo: Demo, bakeId: string, plan: Plan, atMs: number): Promise<void> {
  await note(demo, bakeId, atMs, { type: 'mixed', levainGrams: massesOf(plan).levainGrams, keepBackGrams: plan.build.keepBackGrams - 10 })
}

async function plannedBuild(demo: Demo, plan: Plan): Promise<PlannedBuild> {
  const jar = await findJar(demo.work, plan.jarId)
  return {
    levain: massesOf(plan, jar.hydration).wish,
    flours: kindsOfBlend(plan.build.flours, PANTRY) ?? {},
    seed: { flour: jar.flour, line: lineFromWire(jar.line) },
    place: { tempC: plan.tempC },
    mixTempC: plan.mixTempC
  }
}

/** The levain on its way: two thirds up the hill, with two looks at it so far. */
async function running(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const bakeId = randomUUID()
  const hidden = HIDDEN.Juno
  const curve = trueRise({ seedShare: seedShareOf(5), seed: TRUE_RIPE, tempAt: () => 22.3, ...hidden, chance: 1 }, 48)
  const startMs = quarter(nowMs - 0.68 * curve.peakHours * HOUR)
  const plan = await awakeDay(
    demo,
    planFor(demo, 'Juno', { course: courseFor(DOUGHS.lantern, { id: demo.places.counter, tempC: 22 }) }),
    startMs,
    startMs + 0.92 * curve.peakHours * HOUR
  )
  await createBake({ ...demo.work, nowMs: startMs - HOUR }, bakeId, plan)
  await weighIn(demo, bakeId, plan, startMs, () => 1)
  for (const share of [0.45, 0.62]) {
    const hours = share * curve.peakHours
    await note(demo, bakeId, startMs + hours * HOUR, {
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
    for (let mixAtMs = quarter(opensMs); mixAtMs < opensMs + 4 * HOUR; mixAtMs += HOUR / 4) {
      const dated = { ...plan, course: tried, mixAt: new Date(mixAtMs).toISOString() }
      const steps = timed.ok ? [mixAtMs, ...dayAfter(dated, timed.value.line, mixAtMs)] : []
      if (steps.length > 1 && steps.every((at) => isAwake(at))) return dated
    }
  return { ...plan, course: null, mixAt: new Date(quarter(opensMs + HOUR)).toISOString() }
}

const SLEEP = { from: '22:30', to: '06:30' }
const isAwake = (ms: number) => nightAt(ms, SLEEP, Intl.DateTimeFormat().resolvedOptions().timeZone) === undefined

/** What is still to come, each built while somebody is awake. */
async function coming(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const wishes: [string, DemoPlan, number][] = [
    ['Juno', { name: 'Market rolls and a crown', target: pieces([18, 65], [1, 900]), formula: DOUGHS.market, flourPerSeed: 4 }, 26],
    ['Bramble', { name: 'Monday’s rye tin', target: pieces([1, 950]), formula: DOUGHS.rye, flourPerSeed: 6, placeId: demo.places.cool, tempC: 18.5 }, 50],
    ['Moth', { name: 'Moth’s pan loaf', target: pieces([1, 820]), formula: DOUGHS.moth, flourPerSeed: 3 }, 74]
  ]
  const place = { id: demo.places.counter, tempC: 22 }
  for (const [jar, more, hours] of wishes) {
    let mixAtMs = quarter(nowMs + hours * HOUR)
    const plan = planFor(demo, jar, { ...more, course: courseFor(more.formula ?? DOUGHS.lantern, place) })
    const build = await plannedBuild(demo, plan)
    for (let tries = 0; tries < 48; tries++, mixAtMs += HOUR / 2) {
      const timed = buildFor(build, mixAtMs, 'dome')
      if (!timed.ok || timed.value.startMs < nowMs + HOUR) continue
      const steps = [timed.value.startMs, mixAtMs, ...dayAfter(plan, timed.value.line, mixAtMs)]
      if (steps.every(isAwake)) break
    }
    await createBake(demo.work, randomUUID(), { ...plan, mixAt: new Date(mixAtMs).toISOString() })
  }
}

/** Juno is livelier than a typical jar, as its log will tell. */
const LIVELY = 1.35

/** When the dough of a plan is shaped, baked and out. */
function dayAfter(plan: Plan, levain: BatchLine, mixAtMs: number): number[] {
  const { course } = plan
  const dough = solveFormula(plan.formula, plan.target, { pantry: PANTRY, levain: levainComposition(plan.build) })
  if (course === null || !dough.ok) return []
  const at = { mixAtMs, mixTempC: course.mixTempC, standing: { tempC: course.tempC } }
  const line = doughLine(roundDough(dough.value, true), { line: levain, hydration: plan.build.hydration, flour: mainKind(levain.flours) }, at, PANTRY)
  const times = courseTimes(course, mixAtMs, doughPace(line, course, { ...TYPICAL_JAR, vigour: LIVELY }))
  return times === null ? [] : [times.shapeMs, times.bakeMs, times.outMs]
}
