import { randomUUID } from 'node:crypto'
import { lineFromWire, type Plan } from '../../contract'
import {
  buildFor,
  doughForPieces,
  HOTTEST_WATER_C,
  levainNeeded,
  nightAt,
  normalFrom,
  type PlannedBuild,
  POUR_ORDER,
  seededRandom,
  solveBuild,
  solveFormula,
  toGrams,
  trueRise,
  trueRiseAt
} from '../../core'
import type { Database } from '../db/connect'
import { addBakeEvent, createBake } from '../records/bakes'
import { feedJar, findJar, openJar, weighJar } from '../records/jars'
import { createKitchen, findKitchen } from '../records/kitchens'
import type { Work } from '../records/work'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const SEED = 20_611

/** Weeks of past builds in the record. */
const WEEKS = 12

const PLACES = { counter: 'Worktop', cool: 'Cool corner', warm: 'Proofing box', fridge: 'Fridge' } as const

/** What the forecast is not told about the jars. */
const HIDDEN = { Juno: { pace: 1.12, height: 1.08 }, Bramble: { pace: 0.95, height: 0.62 } } as const

/**
 * Lays the made-up Lantern Street kitchen: four jars, twelve weeks of builds whose outcomes come from
 * another law than the forecast's, one levain on its way, more bakes to come. All times hang on `nowMs`.
 * @param fresh lay it again although it is there
 * @returns whether it was laid
 */
export async function layDemo(database: Database, nowMs: number, fresh: boolean): Promise<boolean> {
  return database.write(async (transaction) => {
    const work: Work = { models: database.models, transaction, nowMs }
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
    models.events,
    models.batchStays,
    models.batchParents,
    models.batches,
    models.bakes,
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
  readonly random: () => number
  readonly normal: () => number
}

async function lay(work: Work): Promise<void> {
  const random = seededRandom(SEED)
  const places = { counter: randomUUID(), cool: randomUUID(), warm: randomUUID(), fridge: randomUUID() }
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone
  await createKitchen(work, randomUUID(), true, {
    name: 'Lantern Street kitchen',
    timeZone,
    mass: 'g',
    temperature: '°C',
    clock: '24 h',
    sleep: { from: '22:30', to: '06:30' },
    school: 'dome',
    base: 'dough flour',
    smallScale: true,
    tapTempC: 14,
    keys: true,
    places: [
      { id: places.counter, name: PLACES.counter, tempC: 22, surroundings: 'air' },
      { id: places.cool, name: PLACES.cool, tempC: 18.5, surroundings: 'air' },
      { id: places.warm, name: PLACES.warm, tempC: 26, surroundings: 'air' },
      { id: places.fridge, name: PLACES.fridge, tempC: 4, surroundings: 'air' }
    ]
  })
  const begin = work.nowMs - (WEEKS * 7 + 1) * DAY
  const jars: Record<string, string> = {}
  const open = async (
    name: string,
    flour: 'white wheat' | 'rye' | 'gluten-free',
    hydration: number,
    grams: number,
    place: keyof typeof PLACES,
    hoursAgo: number
  ) => {
    jars[name] = randomUUID()
    await openJar(work, {
      id: jars[name],
      name,
      flour,
      hydration,
      grams,
      keepMinimumGrams: 15,
      lastFedAt: new Date(work.nowMs - hoursAgo * HOUR).toISOString(),
      placeId: places[place]
    })
  }
  await open('Juno', 'white wheat', 1, 60, 'counter', (work.nowMs - begin) / HOUR)
  await open('Bramble', 'rye', 1, 80, 'counter', (work.nowMs - begin) / HOUR)
  await open('Keel', 'white wheat', 0.5, 110, 'fridge', 6 * 24)
  await open('Moth', 'gluten-free', 1.1, 90, 'counter', 9)

  const demo: Demo = { work, places, jars, random, normal: normalFrom(random) }
  for (let week = WEEKS; week >= 1; week--) {
    await pastBuild(demo, week, 'Juno')
    if (week % 2 === 0) await pastBuild(demo, week, 'Bramble')
  }
  await feed(demo, 'Bramble', 4 * 24, 20, 50, 'fridge')
  await feed(demo, 'Juno', 27, 15, 30, 'counter')
  await feed(demo, 'Juno', 16, 15, 60, 'counter')
  await running(demo)
  await coming(demo)
}

/** Feeds a jar some hours ago. */
async function feed(demo: Demo, name: string, hoursAgo: number, keepGrams: number, flourGrams: number, place: keyof typeof PLACES): Promise<void> {
  const at = demo.work.nowMs - hoursAgo * HOUR
  await feedJar({ ...demo.work, nowMs: at }, demo.jars[name] as string, {
    id: randomUUID(),
    happenedAt: new Date(at).toISOString(),
    source: 'typed',
    keepGrams,
    flourGrams,
    waterGrams: flourGrams,
    mixTempC: 22,
    placeId: demo.places[place]
  })
}

function planFor(demo: Demo, jar: string, more: Partial<Plan>): Plan {
  return {
    name: 'Two lantern loaves',
    pieces: [{ count: 2, grams: 780 }],
    base: 'dough flour',
    hydration: 0.74,
    salt: 0.021,
    levain: 0.27,
    levainHydration: 1,
    flour: 'white wheat',
    jarId: demo.jars[jar] as string,
    levainFlour: jar === 'Bramble' ? 'rye' : jar === 'Moth' ? 'gluten-free' : 'white wheat',
    flourPerSeed: 5,
    keepBackGrams: 30,
    placeId: demo.places.counter,
    tempC: 22,
    mixTempC: 24,
    school: 'dome',
    mixAt: new Date(demo.work.nowMs).toISOString(),
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
  const curve = trueRise({ flourPerSeed, tempAt: (h) => roomC + wander + 0.4 * Math.sin(h / 3), jar: hidden, chance }, 60)
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
    pieces: rye ? [{ count: 1, grams: 950 }] : [{ count: 2, grams: 780 }],
    flour: rye ? 'rye' : 'white wheat',
    hydration: rye ? 0.82 : 0.74,
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
  | { type: 'pour'; item: (typeof POUR_ORDER)[number]; plannedGrams: number; weighedGrams: number }
  | { type: 'band'; mixTempC: number }
  | { type: 'mark'; rise?: number; signs: { top?: 'domed' | 'flat'; bubbles?: 'few' | 'many' } }
  | { type: 'mixed'; levainGrams: number; keepBackGrams: number }

async function note(demo: Demo, bakeId: string, atMs: number, what: Happened): Promise<void> {
  await addBakeEvent({ ...demo.work, nowMs: atMs }, bakeId, { id: randomUUID(), happenedAt: new Date(atMs).toISOString(), source: 'typed', ...what })
}

function massesOf(plan: Plan) {
  const dough = solveFormula(doughForPieces(plan.pieces), plan)
  if (!dough.ok) throw new Error(`The demo's formula fails: ${dough.problem.code}`)
  const build = solveBuild({
    totalGrams: levainNeeded([dough.value.masses.levain], plan.keepBackGrams).total,
    hydration: plan.levainHydration,
    seedHydration: 1,
    flourPerSeed: plan.flourPerSeed
  })
  if (!build.ok) throw new Error(`The demo's build fails: ${build.problem.code}`)
  return { dough: dough.value.masses, build: build.value }
}

async function weighIn(demo: Demo, bakeId: string, plan: Plan, startMs: number, slip: () => number): Promise<void> {
  const { build } = massesOf(plan)
  const jar = await jarGrams(demo, plan.jarId)
  if (jar < build.seed + 2) await topUp(demo, plan.jarId, startMs - 0.2 * HOUR, Math.ceil(build.seed + 20))
  for (const [i, item] of POUR_ORDER.entries()) {
    const planned = Math.round(build[item])
    await note(demo, bakeId, startMs - (POUR_ORDER.length - i) * 90_000, {
      type: 'pour',
      item,
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
  await weighJar({ ...demo.work, nowMs: atMs }, jarId, { id: randomUUID(), happenedAt: new Date(atMs).toISOString(), source: 'typed', grams })
}

async function mix(demo: Demo, bakeId: string, plan: Plan, atMs: number): Promise<void> {
  const { dough } = massesOf(plan)
  await note(demo, bakeId, atMs, { type: 'mixed', levainGrams: Math.round(dough.levain), keepBackGrams: plan.keepBackGrams - 10 })
}

async function plannedBuild(demo: Demo, plan: Plan): Promise<PlannedBuild> {
  const jar = await findJar(demo.work, plan.jarId)
  const { dough } = massesOf(plan)
  return {
    totalGrams: levainNeeded([dough.levain], plan.keepBackGrams).total,
    hydration: plan.levainHydration,
    flourPerSeed: plan.flourPerSeed,
    flour: plan.levainFlour,
    seed: { hydration: jar.hydration, flour: jar.flour, line: lineFromWire(jar.line) },
    place: { tempC: plan.tempC },
    mixTempC: plan.mixTempC
  }
}

/** The levain on its way: two thirds up the hill, with two looks at it so far. */
async function running(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const bakeId = randomUUID()
  const hidden = HIDDEN.Juno
  const curve = trueRise({ flourPerSeed: 5, tempAt: () => 22.3, jar: hidden, chance: 1 }, 48)
  const startMs = quarter(nowMs - 0.68 * curve.peakHours * HOUR)
  const plan = planFor(demo, 'Juno', { mixAt: new Date(quarter(startMs + 10.5 * HOUR)).toISOString() })
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

/** What is still to come, each built while somebody is awake. */
async function coming(demo: Demo): Promise<void> {
  const { nowMs } = demo.work
  const wishes: [string, Partial<Plan>, number][] = [
    [
      'Juno',
      {
        name: 'Market rolls and a crown',
        pieces: [
          { count: 18, grams: 65 },
          { count: 1, grams: 900 }
        ],
        hydration: 0.66,
        salt: 0.02,
        levain: 0.25,
        flourPerSeed: 4
      },
      26
    ],
    [
      'Bramble',
      {
        name: 'Monday’s rye tin',
        pieces: [{ count: 1, grams: 950 }],
        flour: 'rye',
        hydration: 0.82,
        levain: 0.35,
        flourPerSeed: 6,
        placeId: demo.places.cool,
        tempC: 18.5
      },
      50
    ],
    ['Moth', { name: 'Moth’s pan loaf', pieces: [{ count: 1, grams: 820 }], flour: 'gluten-free', hydration: 1.05, levain: 0.3, flourPerSeed: 3 }, 74]
  ]
  const sleep = { from: '22:30', to: '06:30' }
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone
  for (const [jar, more, hours] of wishes) {
    let mixAtMs = quarter(nowMs + hours * HOUR)
    const plan = planFor(demo, jar, more)
    const build = await plannedBuild(demo, plan)
    for (let tries = 0; tries < 48; tries++, mixAtMs += HOUR / 2) {
      const timed = buildFor(build, mixAtMs, 'dome')
      if (timed.ok && timed.value.startMs > nowMs + HOUR && [mixAtMs, timed.value.startMs].every((at) => nightAt(at, sleep, timeZone) === undefined)) break
    }
    await createBake(demo.work, randomUUID(), { ...plan, mixAt: new Date(mixAtMs).toISOString() })
  }
}
