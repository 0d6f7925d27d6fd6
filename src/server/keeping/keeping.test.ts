import { createHash, randomUUID } from 'node:crypto'
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import { pino } from 'pino'
import { ZipFile } from 'yazl'
import { createClock } from '../clock'
import { rowsOf, withFile } from '../db/file'
import { MIGRATIONS } from '../db/migrate'
import { openFolder } from '../db/openFolder'
import { firstRun, type Loose, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'
import { createKeeper } from './keeper'
import { keyOf, TABLES } from './tables'

const NOW = Date.parse(TEST_NOW)
let folder: string
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-keeping-'))
})
afterEach(() => rm(folder, { recursive: true, force: true }))

/** A picture as the server names it. */
async function picture(server: TestServer): Promise<string> {
  const bytes = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.from('a loaf, seen from above')])
  const name = `${createHash('sha256').update(bytes).digest('hex')}.jpg`
  await mkdir(join(server.folder, 'pictures'), { recursive: true })
  await writeFile(join(server.folder, 'pictures', name), bytes)
  return name
}

/** Content of every table, by hash. */
async function contentOf(dataFolder: string): Promise<Record<string, string>> {
  const { file, close } = await withFile(join(dataFolder, 'kitchen.sqlite'), { readOnly: true })
  const hashes: Record<string, string> = {}
  for (const table of TABLES) {
    const rows = await rowsOf<Record<string, unknown>>(file, `SELECT * FROM ${table} ORDER BY ${keyOf(table).join()}`)
    hashes[table] = `${rows.length} ${createHash('sha256').update(JSON.stringify(rows)).digest('hex').slice(0, 12)}`
  }
  await close()
  return hashes
}

const download = async (server: TestServer) => Buffer.from(await (await fetch(`${server.address}/api/export.zip`)).arrayBuffer())
const upload = async (server: TestServer, file: Buffer): Promise<{ status: number; body: Loose }> => {
  const answer = await fetch(`${server.address}/api/import`, { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: new Uint8Array(file) })
  return { status: answer.status, body: await answer.json() }
}

describe('everything in one file', () => {
  let demo: TestServer
  let file: Buffer
  let name: string
  beforeAll(async () => {
    demo = await startTestServer({ demo: true })
    name = await picture(demo)
    file = await download(demo)
  })
  afterAll(() => demo.end())

  test('a file that arrives while a server that was killed is swept up after comes in', async () => {
    const incoming = join(folder, 'incoming')
    await mkdir(incoming)
    for (let n = 0; n < 300; n++) await writeFile(join(incoming, `${n}.zip`), 'cut off')
    const server = await startTestServer({ folder })
    const { status, body } = await upload(server, file)
    const left = (await readdir(incoming)).filter((one) => /^\d+\.zip$/.test(one))
    await server.end()
    expect(status).toBe(200)
    expect(body.id).toMatch(/^[0-9a-f-]{36}$/)
    expect(left).toEqual([])
  })

  test('into an empty kitchen it gives the same one: every table by its content, and the pictures', async () => {
    const server = await startTestServer({ folder })
    const looked = await upload(server, file)
    expect(looked.body).toMatchObject({ kitchen: 'Lantern Street kitchen', pictures: 1, replaces: null, rows: { jars: 5 } })
    expect((await server.send('GET', '/api/kitchen')).body.kitchen).toBeNull()
    expect((await server.send('POST', `/api/import/${looked.body.id}`, { how: 'replace' })).status).toBe(200)
    expect(await contentOf(folder)).toEqual(await contentOf(demo.folder))
    expect(await readdir(join(folder, 'pictures'))).toEqual([name])
    expect((await server.send('GET', '/api/jars')).body).toEqual((await demo.send('GET', '/api/jars')).body)
    // And out again.
    const again = await upload(demo, await download(server))
    expect(again.body.rows).toEqual(looked.body.rows)
    await demo.send('DELETE', `/api/import/${again.body.id}`)
    expect(await readdir(join(folder, 'incoming'))).toEqual([])
    await server.stop()
  })

  test('a kitchen in use is replaced only after it was asked, with a copy of it kept', async () => {
    const server = await startTestServer({ folder })
    await server.send('POST', '/api/kitchen/first-run', firstRun())
    const looked = await upload(server, file)
    expect(looked.body.replaces).toBe('My kitchen')
    expect((await server.send('GET', '/api/jars')).body.jars).toHaveLength(1)
    await server.send('POST', `/api/import/${looked.body.id}`, { how: 'replace' })
    expect((await server.send('GET', '/api/jars')).body.jars).toHaveLength(5)
    const { copies } = (await server.send('GET', '/api/copies')).body
    expect(copies[0].reason).toBe('import')
    await server.stop()
  })

  test.each([
    ['a letter', () => Buffer.from('Dear diary')],
    ['half a file', () => file.subarray(0, file.length / 2)],
    ['nothing', () => Buffer.alloc(0)]
  ])('%s is refused with a sentence, and nothing is left lying about', async (_, broken) => {
    const server = await startTestServer({ folder })
    const { status, body } = await upload(server, broken())
    expect(status).toBe(400)
    expect(body.error.message).toContain('Nothing was changed')
    expect(await readdir(join(folder, 'incoming'))).toEqual([])
    expect((await server.send('GET', '/api/kitchen')).body.kitchen).toBeNull()
    await server.stop()
  })

  test('a flipped byte anywhere is noticed, or changes nothing that is kept', async () => {
    const server = await startTestServer({ folder })
    const whole = (await upload(server, file)).body
    for (let n = 1; n <= 12; n++) {
      const bytes = Buffer.from(file)
      const at = Math.floor((bytes.length * n) / 13)
      bytes[at] = (bytes[at] ?? 0) ^ 0xff
      const { status, body } = await upload(server, bytes)
      if (status === 200) expect(body.rows).toEqual(whole.rows)
      else expect(status).toBe(400)
    }
    await server.stop()
  })

  test('a file of an earlier version is brought to this one, with its readings', async () => {
    const [kitchen, place] = [randomUUID(), randomUUID()]
    const reading = { placeId: place, importId: randomUUID(), tempC: 19.5, source: 'import' }
    const settings = JSON.stringify((await demo.send('GET', '/api/kitchen')).body.kitchen)
    const old: Record<string, Record<string, unknown>[]> = {
      kitchens: [{ id: kitchen, name: 'As it was', demo: 0, settings, version: 1 }],
      places: [{ id: place, kitchenId: kitchen, name: 'Larder', tempC: 15, surroundings: 'air', position: 0 }],
      place_readings: [1, 2, 3].map((n) => ({ id: n, ...reading, atMs: NOW + n * 60_000 }))
    }
    const tables = Object.fromEntries(Object.entries(old).map(([table, rows]) => [table, { columns: {}, rows: rows.length }]))
    const steps = MIGRATIONS.slice(0, 10).map((step) => step.name)
    const zip = new ZipFile()
    zip.addBuffer(
      Buffer.from(JSON.stringify({ format: 'olvent kitchen', version: 1, kitchen: 'As it was', madeAt: TEST_NOW, steps, tables, pictures: 0 })),
      'manifest.json'
    )
    for (const [table, rows] of Object.entries(old)) zip.addBuffer(Buffer.from(rows.map((row) => `${JSON.stringify(row)}\n`).join('')), `tables/${table}.jsonl`)
    zip.end()
    const chunks: Buffer[] = []
    for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer)
    const server = await startTestServer({ folder })
    const looked = await upload(server, Buffer.concat(chunks))
    expect((await server.send('POST', `/api/import/${looked.body.id}`, { how: 'replace' })).status).toBe(200)
    const told = (await server.send('GET', `/api/places/${place}/readings`)).body
    expect(told).toMatchObject({ count: 3, imports: [{ id: reading.importId, count: 3 }] })
    await server.stop()
  })

  test('passphrase and sessions stay where they are', async () => {
    await demo.send('PUT', '/api/passphrase', { next: 'four warm loaves on Saturday' })
    const text = (await download(demo)).toString('latin1')
    expect(text).toContain('tables/jars.jsonl')
    expect(text).not.toMatch(/passphrases|sessions/)
  })
})

describe('copies by themselves', () => {
  const open = async (nowMs = NOW) => {
    const { database, close } = await openFolder({ dataFolder: folder, kind: 'own', fresh: false, asItIs: false }, nowMs)
    const clock = createClock(nowMs)
    return { database, clock, close, keeper: createKeeper({ database, dataFolder: folder, clock, log: pino({ level: 'silent' }) }) }
  }
  const used = async () => {
    const server = await startTestServer({ folder })
    await server.send('POST', '/api/kitchen/first-run', firstRun())
    await picture(server)
    await server.stop()
    await rm(join(folder, 'copies'), { recursive: true, force: true })
  }

  test('one on each day it was used, with its pictures, and none on a day without a change', async () => {
    await used()
    const { database, clock, close, keeper } = await open()
    const change = () => database.write(async (transaction) => void (await database.models.jars.update({ keepMinimumMg: 1 }, { where: {}, transaction })))
    await keeper.tick()
    await keeper.tick()
    await change()
    await keeper.tick()
    expect((await keeper.told()).copies.map(({ reason }) => reason)).toEqual(['day'])
    clock.moveTo(NOW + millisecondsInDay)
    await keeper.tick()
    expect((await keeper.told()).copies).toHaveLength(2)
    clock.moveTo(NOW + 2 * millisecondsInDay)
    await keeper.tick()
    expect((await keeper.told()).copies).toHaveLength(2)
    expect(await readdir(join(folder, 'copies', 'pictures'))).toHaveLength(1)
    await keeper.stop()
    await close()
  })

  test('one that cannot be made is told, and made once it can', async () => {
    await used()
    const { clock, close, keeper } = await open()
    await writeFile(join(folder, 'copies'), 'in the way')
    await keeper.tick()
    const told = await keeper.told()
    expect([told.copies, told.failed?.at]).toEqual([[], TEST_NOW])
    await rm(join(folder, 'copies'))
    clock.moveTo(NOW + millisecondsInHour)
    await keeper.tick()
    expect(await keeper.told()).toMatchObject({ failed: null, copies: [{ reason: 'day' }] })
    await keeper.stop()
    await close()
  })

  test('in another folder, once a copy could be made there; a start knows it', async () => {
    await used()
    const elsewhere = join(folder, 'synced')
    const first = await open()
    await expect(first.keeper.moveTo('synced')).rejects.toThrow('whole path')
    await expect(first.keeper.moveTo(join(folder, 'nowhere', 'at all'))).rejects.toThrow('Copies stay where they were')
    expect((await first.keeper.told()).folder).toBe(join(folder, 'copies'))
    await first.keeper.moveTo(elsewhere)
    await first.keeper.stop()
    await first.close()
    const server = await startTestServer({ folder })
    expect((await server.send('GET', '/api/copies')).body).toMatchObject({ folder: elsewhere, copies: [{ reason: 'asked' }] })
    await server.stop()
    expect(await readFile(join(folder, 'settings.json'), 'utf8')).toContain('synced')
  })

  test('the made-up kitchen and an empty one need none', async () => {
    const empty = await open()
    await empty.keeper.tick()
    expect((await empty.keeper.told()).copies).toEqual([])
    await empty.keeper.stop()
    await empty.close()
  })
})

test('copies are asked for over the wire', async () => {
  const server = await startTestServer({ folder })
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  const made = await server.send('POST', '/api/copies', { id: randomUUID() })
  expect(made.body.copies[0]).toMatchObject({ reason: 'asked', takenAt: TEST_NOW })
  expect(made.body.failed).toBeNull()
  await server.stop()
})
