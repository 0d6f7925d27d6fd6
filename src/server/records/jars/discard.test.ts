import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { firstRunSchema, jarOpeningSchema } from '../../../contract'
import { transfer } from '../../../core'
import { type Database, openDatabase } from '../../db/connect'
import { firstRun as firstRunAnswers, TEST_NOW, testId } from '../../testing/testServer'
import { firstRun } from '../kitchen/firstRun'
import { eventOf, record, type Work, writeWork } from '../work'
import { feedJar } from './deeds/feed'
import { discardPot, takeDiscard } from './discard'
import { listJars } from './jars'
import { openJar } from './opening'

let folder: string
let database: Database
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-'))
  database = await openDatabase(folder)
})
afterEach(async () => {
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

const noted = () => ({ id: testId(), happenedAt: Date.parse(TEST_NOW), source: 'typed' as const })
const work = <T>(run: (w: Work) => Promise<T>) => writeWork(database, Date.parse(TEST_NOW), run)

/** 20 g kept of 30, fed 5 and 5: 10 g go to the pot each time. */
async function feedTimes(w: Work, jarId: string, placeId: string, ingredientId: string, times: number): Promise<void> {
  for (let i = 0; i < times; i++) {
    await feedJar(w, jarId, {
      ...noted(),
      keepGrams: 20,
      trimGrams: 0,
      flours: [{ ingredientId, grams: 5 }],
      waterGrams: 5,
      mixTempC: 22,
      placeId,
      later: null,
      underWater: false
    })
  }
}

test('a pot that nobody empties: the latest 200 portions one by one, all before them as one, with all their grams and their gluten', async () => {
  await work(async (w) => {
    const { places } = await firstRun(w, firstRunSchema.parse(firstRunAnswers()))
    const placeId = places[0]?.id ?? ''
    const [pip] = await listJars(w)
    const moth = testId()
    await openJar(w, jarOpeningSchema.parse({ id: moth, name: 'Moth', flour: 'gluten-free', hydration: 1, grams: 30, lastFedAt: TEST_NOW, placeId }))
    // 80 g of Pip, then ten of it and two hundred of Moth
    await feedTimes(w, pip?.id ?? '', placeId, 'white wheat', 11)
    await feedTimes(w, moth, placeId, 'buckwheat', 200)
    const { portions } = await discardPot(w)
    expect(portions).toHaveLength(201)
    expect(portions[0]).toMatchObject({ grams: 180, jarName: null, flour: 'white wheat' })
    expect(portions.slice(1).every((p) => p.jarName === 'Moth' && p.flour === 'gluten-free' && p.grams === 10)).toBe(true)
    await takeDiscard(w, { ...noted(), grams: 175, went: 'thrown away' })
    const left = await discardPot(w)
    expect(left.portions).toHaveLength(201)
    expect(left.portions[0]?.grams).toBe(5)
    expect(left.months).toEqual([{ month: '2026-11', usedGrams: 0, thrownGrams: 175 }])
  })
})

test('gluten-free discard is a pot of its own, and no more comes out of it than it holds', async () => {
  await work(async (w) => {
    const { places } = await firstRun(w, firstRunSchema.parse(firstRunAnswers()))
    const placeId = places[0]?.id ?? ''
    const [pip] = await listJars(w)
    const moth = testId()
    await openJar(w, jarOpeningSchema.parse({ id: moth, name: 'Moth', flour: 'gluten-free', hydration: 1, grams: 30, lastFedAt: TEST_NOW, placeId }))
    // 80 g of Pip and 10 g of Moth
    await feedTimes(w, pip?.id ?? '', placeId, 'white wheat', 1)
    await feedTimes(w, moth, placeId, 'buckwheat', 1)
    const use = (grams: number) => ({ ...noted(), grams, went: 'into food' as const, pot: 'gluten-free' as const })
    await expect(takeDiscard(w, use(11))).rejects.toThrow(/10 g/)
    await takeDiscard(w, use(4))
    const { portions } = await discardPot(w)
    expect(portions.map(({ pot, jarName, grams }) => [pot, jarName, grams])).toEqual([
      ['with gluten', 'Pip', 80],
      ['gluten-free', 'Moth', 6]
    ])
  })
})

test('what a bake leaves of a gluten-free jar that it fed with wheat goes to the pot with gluten', async () => {
  await work(async (w) => {
    const { id: kitchenId, places } = await firstRun(w, firstRunSchema.parse(firstRunAnswers()))
    const moth = testId()
    const placeId = places[0]?.id ?? ''
    await openJar(w, jarOpeningSchema.parse({ id: moth, name: 'Moth', flour: 'gluten-free', hydration: 1, grams: 60, lastFedAt: TEST_NOW, placeId }))
    for (const ingredientId of ['white wheat', 'buckwheat']) {
      const bakeId = testId()
      const plan = { name: ingredientId, jarId: moth, build: { flours: [{ ingredientId, share: 1 }] } }
      await w.models.bakes.create({ id: bakeId, kitchenId, status: 'planned', version: 1, mixAtMs: w.nowMs, createdAtMs: w.nowMs, plan } as never, {
        transaction: w.transaction
      })
      await record(w, { ...eventOf(kitchenId, null, noted(), 'band', {}), bakeId }, transfer('outside', 'discard', 5_000))
    }
    expect((await discardPot(w)).portions.map(({ bakeName, pot }) => [bakeName, pot])).toEqual([
      ['white wheat', 'with gluten'],
      ['buckwheat', 'gluten-free']
    ])
  })
})

test('what went into food counts as used, and what is left is of its jar', async () => {
  await work(async (w) => {
    const { places } = await firstRun(w, firstRunSchema.parse(firstRunAnswers()))
    const [pip] = await listJars(w)
    await feedTimes(w, pip?.id ?? '', places[0]?.id ?? '', 'white wheat', 1)
    await takeDiscard(w, { ...noted(), grams: 30, went: 'into food' })
    const { portions, months } = await discardPot(w)
    expect(portions).toMatchObject([{ grams: 50, jarName: 'Pip' }])
    expect(months).toEqual([{ month: '2026-11', usedGrams: 30, thrownGrams: 0 }])
  })
})
