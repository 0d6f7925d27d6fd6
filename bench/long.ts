import { randomUUID } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Program, startProgram } from '../e2e/support'
import { ROUTES } from '../src/contract'
import { type OpenFile, rowsOf, runSql, withFile } from '../src/server/db/file'
import { TABLES } from '../src/server/keeping/tables'
import { heading, report } from './report'

const NOW = '2026-11-27T08:30:00.000Z'
const BAKES = 3000
const FEEDS = 20_000
const READINGS = 5_000_000
const DAY_MS = 24 * 3_600_000
const SPAN_DAYS = 3650
const MINUTE_MS = 60_000

type Row = Record<string, unknown>
/** Columns that hold instants, ms. */
const INSTANT = /Ms$/
const ISO = /\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z/g

/** A kitchen of ten years: how large it is, how fast it starts and answers, what it takes to copy it and to take it along. */
export async function benchLong(): Promise<void> {
  heading(`Ten years: ${BAKES} bakes, ${FEEDS} feeds, ${READINGS} readings`)
  const folder = await mkdtemp(join(tmpdir(), 'olvent-long-'))
  const program = await startProgram({ demo: true, now: NOW, folder })
  try {
    await program.kill()
    await grow(join(folder, 'kitchen.sqlite'))
    const { size } = await stat(join(folder, 'kitchen.sqlite'))
    process.stdout.write(`  size: ${(size / 1e6).toFixed(0)} MB\n`)
    await program.start()
    report('start after a crash', await startsOf(program, () => program.kill()), 'ms', 0)
    report('start after a stop in good order', await startsOf(program, () => program.stop()), 'ms', 0)
    await lists(program)
    await copying(program)
    process.stdout.write(`  most memory: ${await memory(program)} MB\n`)
    await outAndIn(program, folder)
  } finally {
    await program.end()
  }
}

const STARTS = 5

/** How long it takes until it answers, each time after it was ended so. */
async function startsOf(program: Program, end: () => Promise<void>): Promise<number[]> {
  const took: number[] = []
  for (let n = 0; n < STARTS; n++) {
    await end()
    const began = performance.now()
    await program.start()
    took.push(performance.now() - began)
  }
  return took
}

/** Adds to the demo what a baker of ten years has: its own bakes and feeds again and again, on earlier days. */
async function grow(path: string): Promise<void> {
  const opened = await withFile(path)
  const { file } = opened
  await runSql(file, 'PRAGMA foreign_keys = OFF')
  await runSql(file, 'BEGIN')
  const before = await balances(opened)
  const baked = await rowsOf<{ id: string }>(file, "SELECT id FROM bakes WHERE status = 'baked' AND deletedAtMs IS NULL")
  await again(opened, { what: 'bakeId', ids: baked.map(({ id }) => id), type: null, copies: BAKES - baked.length })
  const jars = await rowsOf<{ id: string }>(file, 'SELECT DISTINCT jarId AS id FROM events WHERE bakeId IS NULL AND type = ?', ['feed'])
  await again(opened, { what: 'jarId', ids: jars.map(({ id }) => id), type: 'feed', copies: FEEDS })
  await level(opened, before)
  const [place] = await rowsOf<{ id: string }>(file, 'SELECT id FROM places LIMIT 1')
  const fromMs = Date.parse(NOW) - READINGS * MINUTE_MS
  await runSql(
    file,
    `INSERT INTO imports (id, kitchenId, placeId, source, name, atMs, count, firstMs, lastMs)
     SELECT '${randomUUID()}', kitchenId, id, 'import', 'years.csv', ${fromMs}, ${READINGS}, ${fromMs}, ${fromMs + (READINGS - 1) * MINUTE_MS} FROM places WHERE id = '${place?.id}'`
  )
  await runSql(
    file,
    `WITH RECURSIVE t(n) AS (SELECT 0 UNION ALL SELECT n + 1 FROM t WHERE n + 1 < ${READINGS})
     INSERT INTO readings (importNo, atMs, milliC) SELECT (SELECT MAX(no) FROM imports), ${fromMs} + n * ${MINUTE_MS}, 20000 + n % 3000 FROM t`
  )
  await runSql(file, 'COMMIT')
  await opened.close()
  await rm(join(path, '..', 'kitchen.seal'), { force: true })
}

interface Again {
  readonly what: 'bakeId' | 'jarId'
  readonly ids: readonly string[]
  /** Only entries of this type, one at a time; null: all that a bake has. */
  readonly type: string | null
  readonly copies: number
}

/** Copies what belongs to bakes, or single entries of jars, to days spread over ten years. */
async function again({ file }: OpenFile, { what, ids, type, copies }: Again): Promise<void> {
  const units: { readonly tables: readonly (readonly [table: string, rows: Row[]])[] }[] = []
  const of = (table: string, where: string, values: readonly unknown[]) => rowsOf<Row>(file, `SELECT * FROM ${table} WHERE ${where}`, values)
  for (const id of ids) {
    const events = await of('events', type === null ? `${what} = ?` : `${what} = ? AND bakeId IS NULL AND type = '${type}'`, [id])
    const parts = type === null ? [events] : events.map((event) => [event])
    for (const part of parts) {
      const list = part.map((event) => `'${event.id}'`).join()
      const batchIds = [...new Set(part.map((event) => event.batchId).filter((batchId) => batchId !== null))].map((batchId) => `'${batchId}'`).join()
      const batches = await of('batches', type === null ? 'bakeId = ?' : `id IN (${batchIds}) AND ? <> ''`, [id])
      const batchList = batches.map((batch) => `'${batch.id}'`).join()
      units.push({
        tables: [
          ['bakes', type === null ? await of('bakes', 'id = ?', [id]) : []],
          ['batches', batches],
          ['batch_parents', await of('batch_parents', `batchId IN (${batchList})`, [])],
          ['batch_stays', await of('batch_stays', `batchId IN (${batchList})`, [])],
          ['events', part],
          ['ledger_entries', await of('ledger_entries', `eventId IN (${list})`, [])]
        ]
      })
    }
  }
  for (let n = 0; n < copies; n++) {
    const unit = units[n % units.length]
    if (unit === undefined) throw new Error('The demo has none of these.')
    const shiftMs = -Math.round(((n + 1) / copies) * SPAN_DAYS) * DAY_MS
    const own = new Map(
      unit.tables.flatMap(([table, rows]) => (/bakes|batches|events/.test(table) ? rows.map((row) => [String(row.id), randomUUID()] as const) : []))
    )
    const moved = (value: unknown): unknown => {
      if (typeof value !== 'string') return value
      let text = value.replace(ISO, (iso) => new Date(Date.parse(iso) + shiftMs).toISOString())
      for (const [from, to] of own) if (text.includes(from)) text = text.replaceAll(from, to)
      return text
    }
    for (const [table, rows] of unit.tables)
      for (const row of rows) {
        const columns = Object.keys(row).filter((name) => name !== 'sequence' && !(name === 'id' && typeof row.id === 'number'))
        const values = columns.map((name) => (INSTANT.test(name) && typeof row[name] === 'number' ? (row[name] as number) + shiftMs : moved(row[name])))
        await runSql(file, `INSERT INTO ${table} (${columns.map((c) => `"${c}"`).join()}) VALUES (${columns.map(() => '?').join()})`, values)
      }
  }
}

/** Grams of every jar, mg. */
async function balances({ file }: OpenFile): Promise<Map<string, number>> {
  const rows = await rowsOf<{ account: string; mg: number }>(
    file,
    "SELECT account, SUM(milligrams) AS mg FROM ledger_entries WHERE account LIKE 'jar:%' GROUP BY account"
  )
  return new Map(rows.map(({ account, mg }) => [account, mg]))
}

/** What was poured again and again has to come from somewhere: every jar holds what it held. */
async function level(opened: OpenFile, before: ReadonlyMap<string, number>): Promise<void> {
  const [event] = await rowsOf<{ id: string }>(opened.file, 'SELECT id FROM events ORDER BY sequence LIMIT 1')
  for (const [account, mg] of await balances(opened)) {
    const missing = (before.get(account) ?? 0) - mg
    for (const [to, milligrams] of [
      [account, missing],
      ['outside', -missing]
    ])
      await runSql(opened.file, 'INSERT INTO ledger_entries (eventId, account, milligrams) VALUES (?, ?, ?)', [event?.id, to, milligrams])
  }
}

async function ask(program: Program, path: string, method = 'GET'): Promise<{ readonly ms: number; readonly body: string }> {
  const began = performance.now()
  const answer = await fetch(program.address + path, { method, headers: { 'Content-Type': 'application/json' }, ...(method === 'POST' ? { body: '{}' } : {}) })
  const body = await answer.text()
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${body.slice(0, 200)}`)
  return { ms: performance.now() - began, body }
}

const RUNS = 30

async function lists(program: Program): Promise<void> {
  const { jars } = await program.call('GET', ROUTES.jars)
  const paths = [
    ROUTES.kitchen,
    ROUTES.jars,
    `${ROUTES.bakes}?state=open`,
    `${ROUTES.bakes}?state=done&limit=50`,
    `${ROUTES.bakes}?state=done&limit=50&offset=2500`,
    ROUTES.shelf,
    ROUTES.ingredients,
    ROUTES.formulas,
    ROUTES.jarHistory(jars[0].id),
    ROUTES.jarLog(jars[0].id),
    ROUTES.placeReadings(jars[0].placeId)
  ]
  for (const path of paths) {
    const times: number[] = []
    for (let n = 0; n < RUNS; n++) times.push((await ask(program, path)).ms)
    report(path.replace(/[0-9a-f-]{36}/, ':id'), times, 'ms')
  }
  const began = await ask(program, ROUTES.calendar)
  process.stdout.write(`  the calendar, first time in a new thread: ${began.ms.toFixed(0)} ms\n`)
  const times: number[] = []
  const waits: number[] = []
  for (let n = 0; n < 10; n++) {
    // Another minute: it is made anew.
    await program.moveClock(new Date(Date.parse(NOW) + (n + 1) * MINUTE_MS).toISOString())
    const made = ask(program, ROUTES.calendar).then(({ ms }) => times.push(ms))
    waits.push((await ask(program, ROUTES.kitchen)).ms)
    await made
  }
  report('the calendar, made anew', times, 'ms')
  report('the kitchen, asked while it is made', waits, 'ms')
}

/** A copy of it all, while windows go on asking. */
async function copying(program: Program): Promise<void> {
  let done = false
  const copy = ask(program, ROUTES.copies, 'POST').finally(() => {
    done = true
  })
  const waits: number[] = []
  while (!done) {
    waits.push((await ask(program, ROUTES.kitchen)).ms)
    await new Promise((go) => setTimeout(go, 20))
  }
  process.stdout.write(`  a copy: ${((await copy).ms / 1000).toFixed(1)} s\n`)
  report('others meanwhile', waits, 'ms')
}

async function memory(program: Program): Promise<number> {
  const status = await readFile(`/proc/${program.pid()}/status`, 'utf8')
  return Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024)
}

/** Everything into one file and into an empty kitchen: the same rows in every table. */
async function outAndIn(program: Program, folder: string): Promise<void> {
  let began = performance.now()
  const answer = await fetch(program.address + ROUTES.takeAlong)
  const zip = join(folder, 'out.zip')
  await writeFile(zip, Buffer.from(await answer.arrayBuffer()))
  process.stdout.write(`  taken along: ${((performance.now() - began) / 1000).toFixed(1)} s, ${((await stat(zip)).size / 1e6).toFixed(0)} MB\n`)
  const otherFolder = await mkdtemp(join(tmpdir(), 'olvent-long-in-'))
  const other = await startProgram({ now: NOW, folder: otherFolder })
  try {
    began = performance.now()
    const sent = await fetch(other.address + ROUTES.bringIn, {
      method: 'POST',
      headers: { 'Content-Type': 'application/zip' },
      // What fetch streams has no length; the file is sent as a stream so that it never stands in memory.
      body: createReadStream(zip) as never,
      duplex: 'half'
    } as never)
    const { id, error } = (await sent.json()) as { id: string; error?: { message: string } }
    if (error !== undefined) throw new Error(error.message)
    const put = await fetch(other.address + ROUTES.broughtIn(id), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{"how":"replace"}'
    })
    if (!put.ok) throw new Error(await put.text())
    process.stdout.write(`  brought in: ${((performance.now() - began) / 1000).toFixed(1)} s, most memory ${await memory(other)} MB\n`)
    const unequal = await differing(join(folder, 'kitchen.sqlite'), join(otherFolder, 'kitchen.sqlite'))
    process.stdout.write(
      `  tables equal by content: ${TABLES.length - unequal.length} of ${TABLES.length}${unequal.length > 0 ? ` (not: ${unequal.join(', ')})` : ''}\n`
    )
  } finally {
    await other.end()
  }
}

/** Tables of two kitchens that do not hold the same rows. */
async function differing(path: string, otherPath: string): Promise<string[]> {
  const { file, close } = await withFile(path, { readOnly: true })
  await runSql(file, 'ATTACH ? AS other', [otherPath])
  const count = async (sql: string) => (await rowsOf<{ n: number }>(file, `SELECT COUNT(*) AS n FROM ${sql}`))[0]?.n
  const unequal: string[] = []
  for (const table of TABLES) {
    const only = (one: string, two: string) => count(`(SELECT * FROM ${one}.${table} EXCEPT SELECT * FROM ${two}.${table})`)
    const same =
      (await count(`main.${table}`)) === (await count(`other.${table}`)) && (await only('main', 'other')) === 0 && (await only('other', 'main')) === 0
    if (!same) unequal.push(table)
  }
  await close()
  return unequal
}
