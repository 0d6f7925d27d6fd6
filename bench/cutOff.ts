import { spawn } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { cp, mkdtemp, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Program, startProgram } from '../e2e/support'
import { ROUTES } from '../src/contract'
import { seededRandom } from '../src/core'
import { rowsOf, withFile } from '../src/server/db/file'
import { MIGRATIONS } from '../src/server/db/migrate'
import { keyOf, TABLES } from '../src/server/keeping/tables'
import { versionOne } from '../src/server/testing/versionOne'
import { heading } from './report'

const NOW = '2026-11-27T08:30:00.000Z'
const KILLS = Number(process.env.OLVENT_KILLS ?? 40)
const SEED = Number(process.env.OLVENT_SEED ?? 1)
const random = seededRandom(SEED)

/** The program killed at any moment of a write, a copy, a restore, an import or a migration, and started again: what was lost, and what was half. */
export async function benchCutOff(): Promise<void> {
  heading(`Killed with SIGKILL in the middle, and started again: ${KILLS} times each, seed ${SEED}`)
  const folder = await mkdtemp(join(tmpdir(), 'olvent-cut-'))
  const program = await startProgram({ demo: true, now: NOW, folder })
  try {
    await writesCut(program, folder)
    await copiesCut(program, folder)
    await importsCut(program, folder)
    await restoresCut(program, folder)
  } finally {
    await program.end()
  }
  await migrationsCut()
}

const wait = (ms: number) => new Promise((go) => setTimeout(go, ms))
const tell = (what: string, found: Readonly<Record<string, number>>) =>
  process.stdout.write(
    `  ${what.padEnd(12)} ${Object.entries(found)
      .map(([name, n]) => `${name} ${n}`)
      .join(', ')}\n`
  )

/** All that a kitchen holds, in one word; read while it is closed. */
async function wholeOf(path: string): Promise<string> {
  const { file, close } = await withFile(path, { readOnly: true })
  const hash = createHash('sha1')
  for (const table of TABLES) hash.update(JSON.stringify(await rowsOf(file, `SELECT * FROM ${table} ORDER BY ${keyOf(table).join()}`)))
  await close()
  return hash.digest('hex')
}

/** Whether a file is whole, and its ledger adds up to nothing. */
async function isSound(path: string): Promise<boolean> {
  const { file, close } = await withFile(path, { readOnly: true })
  const check = await rowsOf<{ integrity_check: string }>(file, 'PRAGMA integrity_check')
  const [sum] = await rowsOf<{ n: number | null }>(file, 'SELECT SUM(milligrams) AS n FROM ledger_entries')
  const loose = await rowsOf(file, 'PRAGMA foreign_key_check')
  await close()
  return check[0]?.integrity_check === 'ok' && (sum?.n ?? 0) === 0 && loose.length === 0
}

/** Weighings of a jar, many at a time: those that were acknowledged are there, each once. */
async function writesCut(program: Program, folder: string): Promise<void> {
  const path = join(folder, 'kitchen.sqlite')
  const [{ jars }, { bakes }] = [await program.call('GET', ROUTES.jars), await program.call('GET', `${ROUTES.bakes}?state=open`)]
  let [acknowledged, lost, doubled, unsound] = [0, 0, 0, 0]
  for (let n = 0; n < KILLS; n++) {
    const known: string[] = []
    const write = async () => {
      const id = randomUUID()
      const bake = random() < 0.3
      const [where, body] = bake
        ? [ROUTES.bakes, { id, plan: bakes[0].plan }]
        : [`/api/jars/${jars[0].id}/weighings`, { id, happenedAt: NOW, grams: 50 + Math.round(random() * 100) }]
      await program
        .call('POST', where, body)
        .then(() => known.push(id))
        .catch(() => undefined)
    }
    const all = Array.from({ length: 25 }, write)
    await wait(random() * 2500)
    await program.kill()
    await Promise.all(all)
    const { file, close } = await withFile(path, { readOnly: true })
    for (const id of known) {
      const [found] = await rowsOf<{ n: number }>(file, 'SELECT (SELECT COUNT(*) FROM events WHERE id = ?) + (SELECT COUNT(*) FROM bakes WHERE id = ?) AS n', [
        id,
        id
      ])
      lost += Number(found?.n === 0)
      doubled += Number((found?.n ?? 0) > 1)
    }
    acknowledged += known.length
    await close()
    await program.start()
    unsound += Number(!(await isSound(path)))
  }
  tell('writes', { acknowledged, lost, doubled, unsound })
}

/** Copies: a half one is none, and the kitchen is as it was. */
async function copiesCut(program: Program, folder: string): Promise<void> {
  const path = join(folder, 'kitchen.sqlite')
  await program.stop()
  const before = await wholeOf(path)
  let [changed, whole, half] = [0, 0, 0]
  for (let n = 0; n < KILLS; n++) {
    await program.start()
    const asked = program.call('POST', ROUTES.copies, {}).catch(() => undefined)
    await wait(random() * 1500)
    await program.kill()
    await asked
    changed += Number((await wholeOf(path)) !== before)
  }
  for (const name of await readdir(join(folder, 'copies'))) {
    if (!name.endsWith('.sqlite')) continue
    if (await isSound(join(folder, 'copies', name)).catch(() => false)) whole++
    else half++
  }
  await program.start()
  tell('copies', { changed, 'whole ones kept': whole, 'half ones kept': half })
}

/** What a kitchen is found as after it was cut off: as before, as wanted, or as neither. */
function createCount(before: string, wanted: string) {
  const found = { 'as before': 0, 'as wanted': 0, neither: 0, unsound: 0 }
  return {
    found,
    async look(path: string): Promise<void> {
      const now = await wholeOf(path).catch(() => 'cannot be read')
      found[now === before ? 'as before' : now === wanted ? 'as wanted' : 'neither']++
      found.unsound += Number(!(await isSound(path).catch(() => false)))
    }
  }
}

/**
 * A kitchen that has gone on since what it is brought back to. The program is stopped then.
 * @returns a copy of it as it is now, and the count of what it is found as
 */
async function goneOn(program: Program, path: string) {
  const { jars } = await program.call('GET', ROUTES.jars)
  await program.stop()
  const wanted = await wholeOf(path)
  await program.start()
  await program.call('POST', `/api/jars/${jars[0].id}/weighings`, { id: randomUUID(), happenedAt: NOW, grams: 77 })
  await program.stop()
  const kept = await mkdtemp(join(tmpdir(), 'olvent-kept-'))
  await cp(path, join(kept, 'kitchen.sqlite'))
  return { kept, count: createCount(await wholeOf(path), wanted) }
}

/** A file that replaces the kitchen: it is the old one or the new one. */
async function importsCut(program: Program, folder: string): Promise<void> {
  const path = join(folder, 'kitchen.sqlite')
  const zip = await (await fetch(program.address + ROUTES.takeAlong)).arrayBuffer()
  const replace = async () => {
    const sent = await fetch(program.address + ROUTES.bringIn, { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: zip })
    const { id } = (await sent.json()) as { id: string }
    await program.call('POST', ROUTES.broughtIn(id), { how: 'replace' })
  }
  const { kept, count } = await goneOn(program, path)
  for (let n = 0; n < KILLS; n++) {
    await layBack(kept, folder)
    await program.start()
    const asked = replace().catch(() => undefined)
    await wait(random() * 1600)
    await program.kill()
    await asked
    await program.start()
    await program.stop()
    await count.look(path)
  }
  await layBack(kept, folder)
  await rm(kept, { recursive: true, force: true })
  await program.start()
  tell('imports', count.found)
}

/** Puts a kitchen back where it was, without what a program that was killed left of another. */
async function layBack(kept: string, folder: string): Promise<void> {
  for (const name of await readdir(folder)) if (/^kitchen\.(sqlite|seal)/.test(name)) await rm(join(folder, name))
  await cp(join(kept, 'kitchen.sqlite'), join(folder, 'kitchen.sqlite'))
}

/** Runs the program with a command, and kills it after so long. */
async function commandCut(folder: string, words: readonly string[], afterMs: number): Promise<void> {
  const child = spawn(process.execPath, ['dist/server/main.js', ...words], { env: { ...process.env, OLVENT_DATA: folder, OLVENT_NOW: NOW }, stdio: 'ignore' })
  const ended = new Promise((gone) => child.once('exit', gone))
  await Promise.race([ended, wait(afterMs)])
  child.kill('SIGKILL')
  await ended
}

/** Back to a copy: it is the old kitchen or the copy. */
async function restoresCut(program: Program, folder: string): Promise<void> {
  const path = join(folder, 'kitchen.sqlite')
  await program.call('POST', ROUTES.copies, {})
  const { kept, count } = await goneOn(program, path)
  for (let n = 0; n < KILLS; n++) {
    await layBack(kept, folder)
    await commandCut(folder, ['restore', 'last'], 600 + random() * 1800)
    await program.start()
    await program.stop()
    await count.look(path)
  }
  await rm(kept, { recursive: true, force: true })
  await program.start()
  tell('restores', count.found)
}

/** An old kitchen that is brought to the newest tables: started again, it opens with all its bakes. */
async function migrationsCut(): Promise<void> {
  let [opened, closed, missing, unsound] = [0, 0, 0, 0]
  for (let n = 0; n < KILLS; n++) {
    const folder = await mkdtemp(join(tmpdir(), 'olvent-old-'))
    const path = join(folder, 'kitchen.sqlite')
    const { planned, started } = await versionOne(path, 1 + Math.floor(random() * (MIGRATIONS.length - 1)))
    await commandCut(folder, ['--no-web'], 300 + random() * 1500)
    const program = await startProgram({ now: NOW, folder }).catch(() => null)
    if (program === null) {
      closed++
      continue
    }
    opened++
    for (const id of [planned, started]) await program.call('GET', `/api/bakes/${id}`).catch(() => missing++)
    await program.stop()
    unsound += Number(!(await isSound(path)))
    await program.end()
  }
  tell('migrations', { opened, closed, 'bakes missing': missing, unsound })
}
