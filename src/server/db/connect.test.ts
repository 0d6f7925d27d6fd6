import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { createKitchen } from '../records/kitchen/kitchens'
import { isRecorded, record, writeWork } from '../records/work'
import { testId } from '../testing/testServer'
import { type Database, openDatabase } from './connect'
import { MIGRATIONS } from './migrate'

let folder: string
let database: Database

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-db-'))
  database = await openDatabase(join(folder, 'deep', 'kitchen'))
})
afterEach(async () => {
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

const pragma = async (name: string) =>
  Object.values(((await database.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT })) as Record<string, unknown>[])[0] ?? {})[0]
const kitchen = {
  name: 'K',
  timeZone: 'UTC',
  mass: 'g',
  temperature: '°C',
  clock: '24 h',
  sleep: { from: '23:00', to: '07:00' },
  school: 'dome',
  base: 'plain',
  smallScale: false,
  sticksGrams: null,
  tapTempC: 15,
  cups: 'metric',
  currency: 'EUR',
  keys: true,
  places: [{ id: testId(), name: 'Counter', tempC: 21, guessed: false, nightTempC: null, surroundings: 'air', takes: null }]
} as const

test('the folder is made, the file is safe: WAL, foreign keys, full sync', async () => {
  expect(await pragma('journal_mode')).toBe('wal')
  expect(await pragma('foreign_keys')).toBe(1)
  expect(await pragma('synchronous')).toBe(2)
})

test('all migrations have run, and opening again runs none', async () => {
  const names = await database.sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT })
  expect(names).toEqual(MIGRATIONS.map(({ name }) => ({ name })))
  await database.close()
  database = await openDatabase(join(folder, 'deep', 'kitchen'))
  expect(await database.sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT })).toHaveLength(MIGRATIONS.length)
})

test('a write that fails half way leaves nothing', async () => {
  const failed = writeWork(database, 0, async (work) => {
    await createKitchen(work, testId(), false, { ...kitchen, weekly: [], once: [], places: [...kitchen.places] })
    throw new Error('power cut')
  })
  await expect(failed).rejects.toThrow('power cut')
  expect(await database.models.kitchens.count()).toBe(0)
})

test('writes that come at once wait for each other', async () => {
  const kitchenId = testId()
  await writeWork(database, 0, (work) => createKitchen(work, kitchenId, false, { ...kitchen, weekly: [], once: [], places: [...kitchen.places] }))
  const ids = Array.from({ length: 25 }, testId)
  const event = (id: string) => ({
    id,
    kitchenId,
    bakeId: null,
    jarId: null,
    batchId: null,
    type: 'note',
    payload: {},
    happenedAtMs: 0,
    source: 'typed' as const,
    device: null
  })
  await Promise.all(ids.map((id) => writeWork(database, 0, (work) => record(work, event(id)))))
  expect(await database.models.events.count()).toBe(25)
  expect(await isRecorded({ models: database.models, nowMs: 0 }, ids[7] ?? '')).toBe(true)
})

test('a ledger that does not close is refused', async () => {
  const kitchenId = testId()
  await writeWork(database, 0, (work) => createKitchen(work, kitchenId, false, { ...kitchen, weekly: [], once: [], places: [...kitchen.places] }))
  const write = writeWork(database, 0, (work) =>
    record(
      work,
      { id: testId(), kitchenId, bakeId: null, jarId: null, batchId: null, type: 'note', payload: {}, happenedAtMs: 0, source: 'typed', device: null },
      [{ account: 'discard', milligrams: 5 }]
    )
  )
  await expect(write).rejects.toThrow('does not close')
})

test('an entry of an event that is not there is refused by the database', async () => {
  await expect(database.models.ledger.create({ eventId: testId(), account: 'loss', milligrams: 1 })).rejects.toThrow()
})
