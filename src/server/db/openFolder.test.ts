import { createHash } from 'node:crypto'
import { copyFile, mkdtemp, open, readdir, readFile, rm, stat, truncate, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { millisecondsInDay } from 'date-fns/constants'
import { QueryTypes, Sequelize } from 'sequelize'
import type { KitchenKind } from '../config'
import { layDemo } from '../demo/layDemo'
import { StartProblem } from '../startProblem'
import { firstRun, startTestServer } from '../testing/testServer'
import { COPIES_FOLDER, copiesIn, copiesThatStay, restore, takeCopy } from './copies'
import { DATABASE_FILE } from './health'
import { lockFolder } from './lock'
import { MIGRATIONS, migrate } from './migrate'
import { openFolder } from './openFolder'
import { takeOver } from './takeOver'

const NOW = Date.UTC(2026, 10, 26, 19, 42)
let folder: string
const file = () => join(folder, DATABASE_FILE)
const copies = () => join(folder, COPIES_FOLDER)

const wish = (more: { kind?: KitchenKind; fresh?: boolean; asItIs?: boolean } = {}) => ({
  dataFolder: folder,
  kind: 'own' as KitchenKind,
  fresh: false,
  asItIs: false,
  ...more
})
const codeOf = (opening: Promise<unknown>) =>
  opening.then(
    () => 'opened',
    (error: unknown) => (error instanceof StartProblem ? error.code : Promise.reject(error))
  )

/** A kitchen of the baker's own with one jar, closed in good order. */
async function ownKitchen(): Promise<void> {
  const server = await startTestServer({ folder })
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  await server.stop()
}

async function jarNames(path = file()): Promise<string[]> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: path, logging: false })
  const rows = await sequelize.query<{ name: string }>('SELECT name FROM jars', { type: QueryTypes.SELECT })
  await sequelize.close()
  return rows.map(({ name }) => name)
}

async function overwrite(path: string, at: number, bytes: Buffer): Promise<void> {
  const handle = await open(path, 'r+')
  await handle.write(bytes, 0, bytes.length, at)
  await handle.close()
}

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-folder-'))
})
afterEach(() => rm(folder, { recursive: true, force: true }))

describe('the demo and the baker’s own kitchen', () => {
  test.each([[false], [true]])('the demo is never laid over it nor opens it (fresh: %s)', async (fresh) => {
    await ownKitchen()
    const before = await readFile(file())
    const opening = openFolder(wish({ kind: 'demo', fresh }), NOW)
    await expect(opening).rejects.toThrow(/holds your own kitchen/)
    expect(await codeOf(opening)).toBe('not the demo')
    expect((await readFile(file())).equals(before)).toBe(true)
    const server = await startTestServer({ folder })
    expect((await server.send('GET', '/api/jars')).body.jars.map((jar: { name: string }) => jar.name)).toEqual(['Pip'])
    await server.stop()
  })

  test('a demo that is laid again is set aside, not erased', async () => {
    const first = await startTestServer({ demo: true, folder })
    const bakes = (await first.send('GET', '/api/bakes?state=open')).body.bakes.length
    await first.stop()
    const opened = await openFolder(wish({ kind: 'demo', fresh: true }), NOW)
    expect(await opened.database.models.kitchens.count()).toBe(0)
    expect(await layDemo(opened.database, NOW)).toBe(true)
    await opened.close()
    const [aside] = await readdir(join(folder, 'set-aside'))
    await copyFile(join(folder, 'set-aside', aside ?? '', DATABASE_FILE), file())
    await rm(join(folder, 'kitchen.seal'), { force: true })
    const again = await startTestServer({ folder })
    expect((await again.send('GET', '/api/kitchen')).body.kitchen.demo).toBe(true)
    expect((await again.send('GET', '/api/bakes?state=open')).body.bakes).toHaveLength(bakes)
    await again.stop()
  })
})

describe('migrations', () => {
  test('a step that is cut off has not happened, and goes through the next time', async () => {
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: file(), logging: false })
    await migrate(sequelize, MIGRATIONS.slice(0, 3))
    const cut = {
      name: '0004-shelf',
      step: {
        up: async (query: Parameters<(typeof MIGRATIONS)[number]['step']['up']>[0]) => {
          await query.addColumn('jars', 'culture', { type: 'TEXT' })
          throw new Error('power cut')
        }
      }
    }
    await expect(migrate(sequelize, [...MIGRATIONS.slice(0, 3), cut])).rejects.toThrow('power cut')
    expect(await migrate(sequelize)).toEqual(['0004-shelf', '0005-days', '0006-devices', ...MIGRATIONS.slice(6).map(({ name }) => name)])
    await sequelize.close()
  })

  test('before the first step a verified copy is kept', async () => {
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: file(), logging: false })
    await migrate(sequelize, MIGRATIONS.slice(0, 3))
    await sequelize.close()
    await (await openFolder(wish(), NOW)).close()
    const [copy] = await copiesIn(copies())
    expect(copy?.reason).toBe('migration')
    const old = new Sequelize({ dialect: 'sqlite', storage: copy?.path ?? '', logging: false })
    expect(await old.query('SELECT name FROM migrations', { type: QueryTypes.SELECT })).toHaveLength(3)
    await old.close()
  })

  test('a kitchen of a newer version is refused unchanged', async () => {
    await ownKitchen()
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: file(), logging: false })
    await sequelize.query("INSERT INTO migrations VALUES ('0999-later')")
    await sequelize.close()
    await rm(join(folder, 'kitchen.seal'), { force: true })
    const before = await readFile(file())
    for (const asItIs of [false, true]) expect(await codeOf(openFolder(wish({ asItIs }), NOW))).toBe('newer version')
    expect((await readFile(file())).equals(before)).toBe(true)
  })
})

describe('damage', () => {
  test('twelve flipped bytes, wherever they are, are told', async () => {
    await ownKitchen()
    const whole = await readFile(file())
    for (let n = 1; n <= 12; n++) {
      const at = Math.floor((whole.length * n) / 13)
      await overwrite(file(), at, Buffer.from([(whole[at] ?? 0) ^ 0xff]))
      expect(await codeOf(openFolder(wish(), NOW))).toMatch(/^(changed outside|damaged pages|not a kitchen)$/)
      await writeFile(file(), whole)
    }
    expect(await codeOf(openFolder(wish(), NOW).then((opened) => opened.close()))).toBe('opened')
  })

  test('what is safe, where the last copy is and what to type stands in the sentence', async () => {
    await ownKitchen()
    const copy = await takeCopy(file(), copies(), 'asked', NOW)
    await overwrite(file(), 4096, Buffer.alloc(4096, 0xab))
    const opening = openFolder(wish(), NOW)
    await expect(opening).rejects.toThrow(copy.path)
    await expect(opening).rejects.toThrow('npm run restore -- last')
    // One complaint of SQLite stands in it, not its heading.
    await expect(opening).rejects.toThrow(/^[^\n]*: [^\n]*kitchen\.sqlite\n/)
    await expect(opening).rejects.not.toThrow('***')
    await restore(folder, copies(), 'last', NOW)
    const opened = await openFolder(wish(), NOW)
    expect(await opened.database.models.jars.count()).toBe(1)
    await opened.close()
  })

  test('half a file, a foreign file and one that is gone', async () => {
    await ownKitchen()
    const { size } = await stat(file())
    await truncate(file(), size / 2)
    await rm(join(folder, 'kitchen.seal'))
    expect(await codeOf(openFolder(wish(), NOW))).toBe('damaged pages')
    await writeFile(file(), 'Dear diary, today I fed the jar.')
    expect(await codeOf(openFolder(wish(), NOW))).toBe('not a kitchen')
    expect(await readFile(file(), 'utf8')).toBe('Dear diary, today I fed the jar.')
    await rm(file())
    const other = new Sequelize({ dialect: 'sqlite', storage: file(), logging: false })
    await other.query('CREATE TABLE birds (name TEXT)')
    await other.close()
    expect(await codeOf(openFolder(wish(), NOW))).toBe('not a kitchen')
  })

  test('a file that is gone is no beginning while there are copies of it', async () => {
    await ownKitchen()
    await takeCopy(file(), copies(), 'asked', NOW)
    await rm(file())
    expect(await codeOf(openFolder(wish(), NOW))).toBe('file gone')
    await restore(folder, copies(), 'last', NOW)
    expect(await jarNames()).toEqual(['Pip'])
  })

  test('half a write-ahead log is told before it is read', async () => {
    const server = await startTestServer({ folder })
    await server.send('POST', '/api/kitchen/first-run', firstRun())
    // As a process that is killed leaves them.
    const names = [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`]
    const killed = await mkdtemp(join(tmpdir(), 'olvent-killed-'))
    for (const name of names) await copyFile(join(folder, name), join(killed, name))
    await server.stop()
    folder = killed
    const log = `${file()}-wal`
    const whole = await readFile(log)
    await truncate(log, whole.length / 2)
    expect(await codeOf(openFolder(wish(), NOW))).toBe('entries lost')
    await writeFile(log, whole)
    const opened = await openFolder(wish(), NOW)
    expect(await opened.database.models.jars.count()).toBe(1)
    await opened.close()
  })

  test('grams that do not add up are told; opened all the same, a copy is set aside first', async () => {
    await ownKitchen()
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: file(), logging: false })
    await sequelize.query('UPDATE ledger_entries SET milligrams = milligrams + 1 WHERE id = (SELECT MIN(id) FROM ledger_entries)')
    await sequelize.close()
    await rm(join(folder, 'kitchen.seal'))
    expect(await codeOf(openFolder(wish(), NOW))).toBe('contents damaged')
    const opened = await openFolder(wish({ asItIs: true }), NOW)
    expect(await opened.database.models.jars.count()).toBe(1)
    await opened.close()
    expect(await readdir(join(folder, 'set-aside'))).toHaveLength(1)
  })
})

test('two of them never have one folder, and a lock dies with its holder', async () => {
  const release = await lockFolder(folder)
  expect(await codeOf(openFolder(wish(), NOW))).toBe('in use')
  await release()
  expect(await codeOf(openFolder(wish(), NOW).then((opened) => opened.close()))).toBe('opened')
})

test('the files are for their owner alone', async () => {
  const opened = await openFolder(wish(), NOW)
  for (const name of [DATABASE_FILE, `${DATABASE_FILE}-wal`]) expect((await stat(join(folder, name))).mode & 0o077).toBe(0)
  await opened.close()
})

test('a kitchen that an earlier version kept beside the program is taken over, and stays there', async () => {
  await ownKitchen()
  const elsewhere = await mkdtemp(join(tmpdir(), 'olvent-home-'))
  const home = join(elsewhere, 'olvent', 'own')
  expect(await takeOver(folder, home)).toBe(true)
  expect(await takeOver(folder, home)).toBe(false)
  expect(await jarNames(join(home, DATABASE_FILE))).toEqual(['Pip'])
  expect(await jarNames()).toEqual(['Pip'])
  await rm(elsewhere, { recursive: true })
})

describe('copies', () => {
  test('taken while it is used, with all that was written', async () => {
    const server = await startTestServer({ folder })
    await server.send('POST', '/api/kitchen/first-run', firstRun())
    const copy = await takeCopy(file(), copies(), 'asked', NOW)
    expect(await jarNames(copy.path)).toEqual(['Pip'])
    await server.stop()
  })

  test('the newest of seven days, four weeks and twelve months stay', () => {
    const daily = Array.from({ length: 400 }, (_, n) => ({ path: String(n), takenAtMs: NOW - n * millisecondsInDay, reason: 'day' as const, bytes: 1 }))
    const ages = copiesThatStay(daily).map(({ path }) => Number(path))
    expect(ages.slice(0, 7)).toEqual([0, 1, 2, 3, 4, 5, 6])
    // 26 November 2026 is a Thursday: Sundays before it are 4, 11 and 18 days away; last days of months 26, 57, 87 …
    expect(ages.slice(7)).toEqual([11, 18, 26, 57, 87, 118, 149, 179, 210, 240, 271, 299, 330])
  })

  test('a copy that is not whole is never restored', async () => {
    await ownKitchen()
    const copy = await takeCopy(file(), copies(), 'asked', NOW)
    await overwrite(copy.path, 4096, Buffer.alloc(2000, 0xab))
    expect(await codeOf(restore(folder, copies(), 'last', NOW))).toBe('bad copy')
    expect(await jarNames()).toEqual(['Pip'])
    expect(await codeOf(restore(folder, copies(), join(folder, 'nowhere.sqlite'), NOW))).toBe('no copy')
  })
})

test('the demo says by its record what it is, not by the word it was started with', async () => {
  const demo = await startTestServer({ demo: true, folder })
  expect(demo.kitchen?.demo).toBe(true)
  await demo.stop()
  const again = await startTestServer({ folder })
  expect(again.kitchen?.demo).toBe(true)
  await again.stop()
})

test('the seal of an earlier version still tells whether a file is as it was closed', async () => {
  await ownKitchen()
  const sealed = async (bytes: Buffer) => writeFile(join(folder, 'kitchen.seal'), `${createHash('sha256').update(bytes).digest('hex')}\n`)
  const bytes = await readFile(file())
  await sealed(Buffer.concat([bytes, Buffer.from('x')]))
  expect(await codeOf(openFolder(wish(), NOW))).toBe('changed outside')
  await sealed(bytes)
  await (await openFolder(wish(), NOW)).close()
  expect(await readFile(join(folder, 'kitchen.seal'), 'utf8')).toMatch(/^sha1 [0-9a-f]{40}\n$/)
})
