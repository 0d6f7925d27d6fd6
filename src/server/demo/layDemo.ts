import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import { CULTURE_TRAITS, normalFrom, seededRandom } from '../../core'
import type { Database } from '../db/connect'
import { openJar } from '../records/jars/opening'
import { createKitchen, findKitchen } from '../records/kitchen/kitchens'
import type { Work } from '../records/work'
import { coming, pastBuild, running, SLEEP } from './demoBakes'
import { CULTURE_OF, DAY, type Demo, drySpare, feed, PLACES } from './demoJars'
import { layLibrary } from './demoLibrary'
import { countShelf, layVessels, priceFlours } from './demoStores'
import { emptyPot } from './emptyPot'

const SEED = 20_611

/** Weeks of past builds in the record. */
const WEEKS = 12

/**
 * Lays the made-up Lantern Street kitchen: four jars, twelve weeks of builds whose outcomes come from
 * another law than the forecast's, one levain on its way, more bakes to come. All times hang on `nowMs`.
 * @returns whether it was laid: not when it is there already
 */
export async function layDemo(database: Database, nowMs: number): Promise<boolean> {
  return database.write(async (transaction) => {
    const work: Work = { models: database.models, transaction, nowMs, known: new Map() }
    if ((await findKitchen(work)) !== null) return false
    await lay(work)
    return true
  })
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
    sticksGrams: null,
    tapTempC: 14,
    cups: 'metric',
    currency: 'EUR',
    keys: true,
    places: [
      { id: places.counter, name: PLACES.counter, tempC: 22, guessed: false, nightTempC: null, surroundings: 'air', takes: null },
      { id: places.cool, name: PLACES.cool, tempC: 18.5, guessed: false, nightTempC: null, surroundings: 'air', takes: null },
      { id: places.warm, name: PLACES.warm, tempC: 26, guessed: false, nightTempC: null, surroundings: 'air', takes: 2 },
      { id: places.sill, name: PLACES.sill, tempC: 23, guessed: false, nightTempC: 16, surroundings: 'air', takes: null },
      { id: places.fridge, name: PLACES.fridge, tempC: 4, guessed: false, nightTempC: null, surroundings: 'air', takes: null }
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
      lastFedAt: work.nowMs - hoursAgo * millisecondsInHour,
      flourPerSeed: null,
      guesses: [],
      placeId: places[place]
    })
  }
  const beginHours = (work.nowMs - begin) / millisecondsInHour
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
