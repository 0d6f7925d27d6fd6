import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { firstRunSchema } from '../../../contract'
import { seededRandom } from '../../../core'
import { type Database, openDatabase } from '../../db/connect'
import { firstRun as firstRunAnswers, TEST_NOW, testId } from '../../testing/testServer'
import { firstRun } from '../kitchen/firstRun'
import { type Work, writeWork } from '../work'
import { feedJar } from './deeds/feed'
import { lookAtJar } from './deeds/look'
import { moveJar } from './deeds/move'
import { splitJar } from './deeds/split'
import { undoJar } from './deeds/undo'
import { weighJar } from './deeds/weighing'
import { discardPot, takeDiscard, undoDiscard } from './discard'
import { listJars } from './jars'

/** A thousand things done to jars and pot, many taken back at once, beside a book kept by hand. */
const OPERATIONS = 1000
const COMPARE_EVERY = 100
const UNDONE_SHARE = 0.35
/** More jars than this make the run slow and nothing clearer. */
const MOST_JARS = 6

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

/** Something to be done: what it does to the records, and to the book. */
interface Operation {
  readonly run: (work: Work, id: string) => Promise<void>
  readonly book: () => void
  /** Null for what cannot be taken back. */
  readonly undo: ((work: Work, undoes: string) => Promise<void>) | null
}

test('after a thousand random operations with undo every jar and the pot hold what the hand-kept book says, to 0.1 g', async () => {
  const random = seededRandom(20_261)
  const between = (low: number, high: number) => Math.round((low + random() * (high - low)) * 10) / 10
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T
  const noted = (id = testId()) => ({ id, happenedAt: Date.parse(TEST_NOW), source: 'typed' as const })

  await writeWork(database, Date.parse(TEST_NOW), async (work) => {
    const { places } = await firstRun(work, firstRunSchema.parse(firstRunAnswers()))
    const placeIds = places.map((place) => place.id)
    const jars = new Map((await listJars(work)).map((jar) => [jar.id, jar.grams]))
    let pot = 0

    const operation = (): Operation => {
      const id = pick([...jars.keys()])
      const grams = jars.get(id) ?? 0
      const takenBack = (w: Work, undoes: string) => undoJar(w, id, { ...noted(), undoes })
      const kinds = ['feed', 'feed', 'weigh', 'look', 'move', ...(jars.size < MOST_JARS && grams > 60 ? ['split'] : []), ...(pot > 5 ? ['pot'] : [])]
      switch (pick(kinds)) {
        case 'feed': {
          const [keepGrams, flourGrams, waterGrams] = [between(1, Math.min(grams, 80)), between(5, 120), between(5, 120)]
          const trimGrams = random() < 0.3 ? between(0, Math.max(Math.min(grams - keepGrams, 10), 0)) : 0
          const [first, second] = [Math.round(flourGrams * 7) / 10, Math.round(flourGrams * 3) / 10]
          const flours = [
            { ingredientId: 'white wheat', grams: first },
            { ingredientId: 'rye', grams: second }
          ]
          const feed = { keepGrams, trimGrams, flours, waterGrams, mixTempC: 22, placeId: pick(placeIds), later: null, underWater: false }
          const book = () => {
            pot += grams - keepGrams - trimGrams
            jars.set(id, keepGrams + first + second + waterGrams)
          }
          return { run: (w, eventId) => feedJar(w, id, { ...noted(eventId), ...feed }), book, undo: takenBack }
        }
        case 'weigh': {
          const weighed = between(Math.max(grams - 5, 2), grams + 5)
          return { run: (w, eventId) => weighJar(w, id, { ...noted(eventId), grams: weighed }), book: () => void jars.set(id, weighed), undo: takenBack }
        }
        case 'look': {
          return { run: (w, eventId) => lookAtJar(w, id, { ...noted(eventId), rise: 1.5, signs: {} }), book: () => undefined, undo: takenBack }
        }
        case 'move': {
          const placeId = pick(placeIds)
          return { run: (w, eventId) => moveJar(w, id, { ...noted(eventId), placeId }), book: () => undefined, undo: takenBack }
        }
        case 'split': {
          const [jarId, taken] = [testId(), between(5, 40)]
          const book = () => {
            jars.set(id, grams - taken)
            jars.set(jarId, taken)
          }
          return {
            run: (w, eventId) => splitJar(w, id, { ...noted(eventId), jarId, name: 'Spare', grams: taken, placeId: pick(placeIds), as: 'alike' }),
            book,
            undo: takenBack
          }
        }
        default: {
          const taken = between(1, pot - 1)
          const went = pick(['into food', 'thrown away'] as const)
          const book = () => {
            pot -= taken
          }
          return {
            run: (w, eventId) => takeDiscard(w, { ...noted(eventId), grams: taken, went }),
            book,
            undo: (w, undoes) => undoDiscard(w, { ...noted(), undoes })
          }
        }
      }
    }

    for (let i = 1; i <= OPERATIONS; i++) {
      const { run, book, undo } = operation()
      const id = testId()
      await run(work, id)
      if (undo !== null && random() < UNDONE_SHARE) await undo(work, id)
      else book()
      if (i % COMPARE_EVERY > 0) continue
      const listed = await listJars(work)
      expect(listed.map((jar) => jar.id).sort()).toEqual([...jars.keys()].sort())
      for (const jar of listed) expect(Math.abs(jar.grams - (jars.get(jar.id) ?? 0))).toBeLessThan(0.1)
      const { portions } = await discardPot(work)
      expect(Math.abs(portions.reduce((sum, p) => sum + p.grams, 0) - pot)).toBeLessThan(0.1)
    }
    const total = await work.models.ledger.sum('milligrams', { transaction: work.transaction })
    expect(total).toBe(0)
  })
})
