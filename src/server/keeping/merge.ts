import { copyFile, mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type sqlite3 from 'sqlite3'
import { type ClashChoices, LONGEST_NAME, type WireClash, type WireMerge } from '../../contract'
import { REFUSE_KEEPING } from '../../words/refusals/keeping'
import { openForReading } from '../db/connect'
import { columnsOf, rowsOf, runSql, withFile } from '../db/file'
import { contentsOf, DATABASE_FILE } from '../db/health'
import { STEP_NAMES } from '../db/migrate'
import { Problem } from '../problems'
import { listBakes } from '../records/bakes/bakes'
import { listJars } from '../records/jars/jars'
import { listFormulas } from '../records/shelf/formulas'
import { type Compared, compare, KINDS } from './compare'
import { TABLES } from './tables'

/** Columns that each kitchen counts for itself. */
const COUNTED = ['batch_parents.id', 'batch_stays.id', 'imports.no', 'ledger_entries.id', 'changes.sequence', 'formula_versions.sequence', 'events.sequence']
const FROM_FILE = ' (from the file)'
/** A name called after its file, as SQL; no longer than names may be. */
const calledAfter = (name: string) => `substr(${name}, 1, ${LONGEST_NAME - FROM_FILE.length}) || '${FROM_FILE}'`

/** Opens two kitchens beside each other: `main` and `brought`. */
async function beside<T>(main: string, brought: string, work: (file: sqlite3.Database) => Promise<T>): Promise<T> {
  const { file, close } = await withFile(main)
  try {
    file.configure('busyTimeout', 10_000)
    await runSql(file, 'ATTACH ? AS brought', [brought])
    return await work(file)
  } finally {
    await close()
  }
}

/** What a file would bring to a kitchen that is in use. Nothing is changed. */
export function whatItBrings(main: string, brought: string): Promise<WireMerge> {
  return beside(main, brought, async (file) => {
    const { takes, same, clashes } = await compare(file)
    const added: Record<string, number> = {}
    for (const { kind, isNew } of takes) if (isNew) added[kind] = (added[kind] ?? 0) + 1
    return { added, goneOn: takes.filter(({ isNew }) => !isNew).length, same, clashes: [...clashes] }
  })
}

/**
 * Makes of a kitchen and a file one kitchen, in a file of its own, and reads it whole before it counts.
 * @param main the kitchen that is in use; it is only read
 * @param folder of the file that was unpacked
 * @param choices for each clash the side that counts
 * @returns path of the new database
 * @throws Problem when a clash has no choice, or the choices do not fit together
 */
export async function merge(main: string, folder: string, choices: ClashChoices, nowMs: number): Promise<string> {
  const into = join(folder, 'merged')
  const merged = join(into, DATABASE_FILE)
  const brought = join(into, 'brought.sqlite')
  await rm(into, { recursive: true, force: true })
  await mkdir(into)
  // Names and ids are changed in a copy: with other choices it is begun anew.
  await copyFile(join(folder, DATABASE_FILE), brought)
  const source = await withFile(main, { readOnly: true })
  try {
    await runSql(source.file, 'VACUUM INTO ?', [merged])
  } finally {
    await source.close()
  }
  await beside(merged, brought, async (file) => {
    const compared = await compare(file)
    const open = compared.clashes.filter(({ id }) => choices[id] === undefined)
    if (open.length > 0) throw new Problem(400, 'not understood', REFUSE_KEEPING.sayFirstWhichOneCounts(open.map(({ name }) => name).join(', ')))
    await runSql(file, 'ATTACH ? AS mine', [main])
    await runSql(file, 'PRAGMA foreign_keys = OFF')
    await runSql(file, 'BEGIN')
    await oneHouse(file)
    await namesakes(file, compared, choices)
    await takeOver(file, compared, choices)
    await runSql(file, 'COMMIT')
  })
  await readWhole(into, nowMs)
  return merged
}

const namesOf = async (file: sqlite3.Database, table: string) => (await columnsOf(file, table)).map(({ name }) => name)

/** Rows of one schema in another, without the numbers each kitchen counts for itself. */
async function copyRows(file: sqlite3.Database, table: string, where: string, from: 'brought' | 'mine' = 'brought'): Promise<void> {
  const columns = (await namesOf(file, table)).filter((name) => !COUNTED.includes(`${table}.${name}`)).map((name) => `"${name}"`)
  await runSql(file, `INSERT INTO main.${table} (${columns.join(', ')}) SELECT ${columns.join(', ')} FROM ${from}.${table} WHERE ${where} ORDER BY rowid`)
}

/** All of it belongs to the kitchen that is here. */
async function oneHouse(file: sqlite3.Database): Promise<void> {
  for (const table of TABLES)
    if ((await namesOf(file, table)).includes('kitchenId')) await runSql(file, `UPDATE brought.${table} SET kitchenId = (SELECT id FROM main.kitchens LIMIT 1)`)
}

/** Where both have something of one name, either the one here is used for both, or the other is called after its file. */
async function namesakes(file: sqlite3.Database, { clashes, takes }: Compared, choices: ClashChoices): Promise<void> {
  for (const clash of clashes.filter(({ why }) => why === 'same name')) {
    const { table, name } = KINDS[clash.kind]
    if (choices[clash.id] === 'there') await rename(file, clash)
    else {
      const [mine] = await rowsOf<{ id: string }>(file, `SELECT id FROM main.${table} WHERE lower(${name('main')}) = lower(?) AND deletedAtMs IS NULL`, [
        clash.name
      ])
      if (mine !== undefined) await speakInsteadOf(file, clash.id, mine.id)
    }
  }
  for (const { id } of takes.filter(({ kind, isNew }) => kind === 'jar' && isNew))
    await runSql(
      file,
      `UPDATE brought.jars SET name = ${calledAfter('name')} WHERE id = ? AND deletedAtMs IS NULL
       AND lower(name) IN (SELECT lower(name) FROM main.jars WHERE deletedAtMs IS NULL)`,
      [id]
    )
}

async function rename(file: sqlite3.Database, { kind, id }: WireClash): Promise<void> {
  const named =
    kind === 'ingredient' ? `content = json_set(content, '$.name', ${calledAfter("json_extract(content, '$.name')")})` : `name = ${calledAfter('name')}`
  await runSql(file, `UPDATE brought.${KINDS[kind].table} SET ${named} WHERE id = ?`, [id])
}

/** Whatever speaks of one id speaks of another, in columns and in documents: ids are unique by themselves. */
async function speakInsteadOf(file: sqlite3.Database, id: string, instead: string): Promise<void> {
  for (const table of TABLES)
    for (const column of await namesOf(file, table))
      if (!(column === 'id' && Object.values(KINDS).some((kind) => kind.table === table)))
        await runSql(file, `UPDATE brought.${table} SET "${column}" = replace("${column}", ?, ?) WHERE instr("${column}", ?)`, [id, instead, id])
}

const OWNED = `(bakeId IN (SELECT id FROM temp.taken WHERE kind = 'bake') OR (bakeId IS NULL AND jarId IN (SELECT id FROM temp.taken WHERE kind = 'jar')))`
const CHILDREN = ['batch_parents', 'batch_stays']

/** Puts what is taken from the file in the place of what is here, with all that belongs to it. */
async function takeOver(file: sqlite3.Database, { takes, clashes }: Compared, choices: ClashChoices): Promise<void> {
  const run = (sql: string, values: readonly unknown[] = []) => runSql(file, sql, values)
  await run('CREATE TEMP TABLE taken (kind TEXT, id TEXT)')
  for (const { kind, id } of [...takes, ...clashes.filter((clash) => choices[clash.id] === 'there')])
    await run('INSERT INTO temp.taken VALUES (?, ?)', [kind, id])

  const gone = `SELECT id FROM main.events WHERE ${OWNED} AND id NOT IN (SELECT id FROM brought.events)`
  await run(`DELETE FROM main.ledger_entries WHERE eventId IN (${gone})`)
  await run(`DELETE FROM main.events WHERE id IN (${gone})`)
  for (const child of CHILDREN) await run(`DELETE FROM main.${child} WHERE batchId IN (SELECT id FROM main.batches WHERE ${OWNED})`)
  await run(`DELETE FROM main.batches WHERE ${OWNED}`)
  await run(`DELETE FROM main.programs WHERE jarId IN (SELECT id FROM temp.taken WHERE kind = 'jar')`)
  await run(`DELETE FROM main.formula_versions WHERE formulaId IN (SELECT id FROM temp.taken WHERE kind = 'recipe')`)

  for (const [kind, { table }] of Object.entries(KINDS)) {
    const ids = `SELECT id FROM temp.taken WHERE kind = '${kind}'`
    await run(`DELETE FROM main.${table} WHERE id IN (${ids})`)
    await copyRows(file, table, `id IN (${ids})`)
  }
  await copyRows(file, 'formula_versions', `formulaId IN (SELECT id FROM temp.taken WHERE kind = 'recipe')`)
  await copyRows(file, 'programs', `jarId IN (SELECT id FROM temp.taken WHERE kind = 'jar')`)
  await copyBatches(file, `${OWNED} AND id NOT IN (SELECT id FROM main.batches)`, 'brought')

  await run(
    `CREATE TEMP TABLE fresh AS SELECT id FROM brought.events WHERE id NOT IN (SELECT id FROM main.events) AND (${OWNED} OR (bakeId IS NULL AND jarId IS NULL))`
  )
  await copyRows(file, 'events', 'id IN (SELECT id FROM temp.fresh)')
  await copyRows(file, 'ledger_entries', 'eventId IN (SELECT id FROM temp.fresh)')
  await missingBatches(file)
  await copyRows(file, 'imports', 'placeId IN (SELECT id FROM main.places) AND (id, placeId) NOT IN (SELECT id, placeId FROM main.imports)')
  await run(
    `INSERT OR IGNORE INTO main.readings (importNo, atMs, milliC) SELECT here.no, r.atMs, r.milliC FROM brought.readings r
     JOIN brought.imports there ON there.no = r.importNo JOIN main.imports here ON here.id = there.id AND here.placeId = there.placeId`
  )
  const of = (what: string) => `(SELECT ${what} FROM main.readings WHERE importNo = no)`
  await run(`UPDATE main.imports SET count = ${of('COUNT(*)')}, firstMs = ${of('MIN(atMs)')}, lastMs = ${of('MAX(atMs)')}`)
  await copyRows(file, 'changes', '(what, ofId, atMs) NOT IN (SELECT what, ofId, atMs FROM main.changes)')
}

async function copyBatches(file: sqlite3.Database, where: string, from: 'brought' | 'mine'): Promise<void> {
  await runSql(file, 'DROP TABLE IF EXISTS temp.coming')
  await runSql(file, `CREATE TEMP TABLE coming AS SELECT id FROM ${from}.batches WHERE ${where}`)
  await copyRows(file, 'batches', 'id IN (SELECT id FROM temp.coming)', from)
  for (const child of CHILDREN) await copyRows(file, child, 'batchId IN (SELECT id FROM temp.coming)', from)
}

/** Levains and feeds that one side's entries speak of come along from where they are known, and those they were made of. */
async function missingBatches(file: sqlite3.Database): Promise<void> {
  const spokenOf = `SELECT parentBatchId FROM main.batch_parents UNION SELECT batchId FROM main.events UNION SELECT currentBatchId FROM main.jars`
  const missing = `id IN (${spokenOf}) AND id NOT IN (SELECT id FROM main.batches)`
  const count = async (from: string) => (await rowsOf<{ n: number }>(file, `SELECT COUNT(*) AS n FROM ${from}.batches WHERE ${missing}`))[0]?.n ?? 0
  while ((await count('brought')) + (await count('mine')) > 0) {
    await copyBatches(file, missing, 'brought')
    await copyBatches(file, missing, 'mine')
  }
}

const misfit = (detail: string) => new Problem(400, 'cannot be', REFUSE_KEEPING.theseChoicesDoNotFit(detail))

/** Reads every jar, bake and recipe of the new kitchen, as a window would. */
async function readWhole(folder: string, nowMs: number): Promise<void> {
  const path = join(folder, DATABASE_FILE)
  const { damage } = await contentsOf(path, STEP_NAMES, 'thorough')
  if (damage !== null) throw misfit(damage.detail ?? damage.code)
  const { file, close } = await withFile(path, { readOnly: true })
  const short = await rowsOf<{ account: string }>(
    file,
    `SELECT account FROM ledger_entries WHERE account LIKE 'jar:%' OR account LIKE 'batch:%' GROUP BY account HAVING SUM(milligrams) < 0`
  ).finally(close)
  if (short.length > 0) throw misfit('more would have been taken from a jar than was in it')
  const models = openForReading(folder)
  const work = { models, nowMs }
  try {
    await listJars(work)
    await listFormulas(work)
    for (const state of ['open', 'done'] as const)
      for (let offset = 0; ; offset += 100) {
        const { bakes } = await listBakes(work, { state, offset, limit: 100 })
        if (bakes.length < 100) break
      }
  } catch (error) {
    throw error instanceof Problem ? error : misfit('one of the bakes could not be read')
  } finally {
    await models.kitchens.sequelize?.close()
  }
}
