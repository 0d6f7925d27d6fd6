import { randomUUID } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { millisecondsInMinute } from 'date-fns/constants'
import { type Database, openDatabase } from '../../db/connect'
import { firstRun, startTestServer } from '../../testing/testServer'
import { readWork, writeWork } from '../work'
import { keepReadings, readingsFor, thinOldReadings } from './readings'

const NOW = Date.UTC(2026, 10, 26, 19, 42)
const HOUR = 60 * millisecondsInMinute
const DAY = 24 * HOUR

let folder: string
let database: Database
let placeId: string
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-readings-'))
  const server = await startTestServer({ folder })
  placeId = (await server.send('POST', '/api/kitchen/first-run', firstRun())).body.places[0].id
  await server.stop()
  database = await openDatabase(folder)
})
afterEach(async () => {
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

/** One reading every so often, its temperature the hour since the first. */
const keep = (fromMs: number, toMs: number, everyMs: number, source: 'device' | 'import' = 'device') =>
  writeWork(database, NOW, async (work) => {
    const id = randomUUID()
    await keepReadings(work, { id, placeId, source, name: '' }, [{ ms: fromMs, tempC: 0 }])
    const [[row]] = (await database.sequelize.query(`SELECT no FROM imports WHERE id = '${id}'`, { transaction: work.transaction })) as [
      { no: number }[],
      unknown
    ]
    await database.sequelize.query(
      `WITH RECURSIVE t(ms) AS (SELECT ${fromMs} UNION ALL SELECT ms + ${everyMs} FROM t WHERE ms + ${everyMs} < ${toMs})
       INSERT OR IGNORE INTO readings (importNo, atMs, milliC) SELECT ${row?.no}, ms, CAST(ROUND((ms - ${fromMs}) * 1000.0 / ${HOUR}) AS INTEGER) FROM t`,
      { transaction: work.transaction }
    )
    await keepReadings(work, { id, placeId, source, name: '' }, [{ ms: fromMs, tempC: 0 }])
  })
const count = () => database.models.readings.count()

test('of a year of readings a stay gets its own, ten minutes apart, and no more than can be followed', async () => {
  await keep(NOW - 365 * DAY, NOW, millisecondsInMinute)
  expect(await count()).toBe(525_600)
  const spans = [
    { placeId, fromMs: NOW - 5 * HOUR, toMs: NOW - 3 * HOUR },
    { placeId, fromMs: NOW - 200 * DAY, toMs: Number.MAX_SAFE_INTEGER },
    { placeId: null, fromMs: NOW - HOUR, toMs: NOW },
    { placeId, fromMs: NOW + DAY, toMs: NOW + 2 * DAY }
  ]
  const [short, long, nowhere, later] = await readingsFor(readWork(database, NOW), spans)
  // From an hour before, which still tells of it, to its end: three hours and the last minute.
  expect(short?.map(({ ms }) => (ms - (NOW - 6 * HOUR)) / millisecondsInMinute)).toEqual(Array.from({ length: 19 }, (_, n) => n * 10))
  expect(long).toHaveLength(600)
  expect([nowhere, later]).toEqual([[], []])
})

test('what a device said long ago is thinned to the least and most of each hour; what was read from a file is not', async () => {
  await keep(NOW - 100 * DAY, NOW, 10 * millisecondsInMinute)
  await keep(NOW - 90 * DAY, NOW - 89 * DAY, 10 * millisecondsInMinute, 'import')
  await thinOldReadings(readWork(database, NOW), (part) => writeWork(database, NOW, part))
  const [rows] = await database.sequelize.query(
    `SELECT COUNT(*) AS n, MIN(milliC) / 1000.0 AS least, MAX(milliC) / 1000.0 AS most
     FROM readings JOIN imports ON no = importNo WHERE source = 'device' AND readings.atMs < ${NOW - 60 * DAY}`
  )
  const old = (rows as { n: number; least: number; most: number }[])[0]
  // 40 days of hours, two of each; of the hour in which the 60 days begin four are left as they were.
  const thinned = 40 * 24 * 2 + 4
  expect(old?.n).toBe(thinned)
  expect([old?.least, Math.round((old?.most ?? 0) * 6)]).toEqual([0, 40 * 24 * 6 - 1])
  expect(await count()).toBe(thinned + 60 * 144 + 144)
  await thinOldReadings(readWork(database, NOW), (part) => writeWork(database, NOW, part))
  expect(await count()).toBe(thinned + 60 * 144 + 144)
})

test('a log that is taken back tells nothing, stays there with its name, and can tell again; in parts and sent twice it counts once', async () => {
  await database.close()
  const server = await startTestServer({ folder })
  const path = `/api/places/${placeId}/readings`
  const importId = randomUUID()
  const part = (fromMs: number) => ({
    id: randomUUID(),
    importId,
    name: 'larder.csv',
    readings: [0, 1, 2].map((n) => ({ at: new Date(fromMs + n * millisecondsInMinute).toISOString(), tempC: 18 }))
  })
  const first = part(NOW - DAY)
  await server.send('POST', path, first)
  await server.send('POST', path, { ...first, id: randomUUID() })
  const told = (await server.send('POST', path, part(NOW - DAY + 3 * millisecondsInMinute))).body
  const one = { id: importId, name: 'larder.csv', count: 6, takenBack: false, at: new Date(NOW).toISOString() }
  expect(told).toMatchObject({ count: 6, imports: [one] })
  const back = (await server.send('DELETE', `/api/readings/${importId}`)).body
  expect(back).toEqual({ count: 0, firstAt: null, lastAt: null, imports: [{ ...one, takenBack: true }] })
  await server.send('DELETE', `/api/readings/${importId}`)
  expect((await server.send('PUT', `/api/readings/${importId}`)).body).toEqual(told)
  expect((await server.send('DELETE', `/api/readings/${randomUUID()}`)).status).toBe(404)
  await server.stop()
  database = await openDatabase(folder)
})
