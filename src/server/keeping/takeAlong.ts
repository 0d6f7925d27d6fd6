import { createReadStream } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { PassThrough, Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import { isoOf } from '../../contract'
import { columnsOf, rowsOf, withFile } from '../db/file'
import { DATABASE_FILE } from '../db/health'
import { PICTURES_FOLDER } from './pictureFiles'
import { keyOf, TABLES } from './tables'

/** Says what a file is; the number grows when its shape changes. */
export const FORMAT = { format: 'olvent kitchen', version: 1 } as const
const PAGE = 5000

/**
 * Everything of a kitchen in one zip file: `manifest.json`, one JSON line per row in `tables/<name>.jsonl`, and `pictures/`.
 * The manifest names the columns of every table and how many rows it has, all as of one moment.
 * @returns the file as it is made; it never stands whole in memory
 */
export async function takeAlong(dataFolder: string, nowMs: number): Promise<Readable> {
  const { file, close } = await withFile(join(dataFolder, DATABASE_FILE), { readOnly: true })
  // One moment for all tables, whatever is written meanwhile.
  await rowsOf(file, 'BEGIN')
  const steps = (await rowsOf<{ name: string }>(file, 'SELECT name FROM migrations ORDER BY name')).map(({ name }) => name)
  const tables: Record<string, { columns: Record<string, string>; rows: number }> = {}
  for (const table of TABLES) {
    const columns = await columnsOf(file, table)
    const [count] = await rowsOf<{ n: number }>(file, `SELECT COUNT(*) AS n FROM ${table}`)
    tables[table] = { columns: Object.fromEntries(columns.map(({ name, type }) => [name, type])), rows: count?.n ?? 0 }
  }
  const [kitchen] = await rowsOf<{ name: string }>(file, 'SELECT name FROM kitchens LIMIT 1')
  const pictures = (await readdir(join(dataFolder, PICTURES_FOLDER)).catch(() => [])).filter((name) => !name.endsWith('.half'))
  const zip = new ZipFile()
  const manifest = { ...FORMAT, kitchen: kitchen?.name ?? '', madeAt: isoOf(nowMs), steps, tables, pictures: pictures.length }
  zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`), 'manifest.json')
  for (const table of TABLES) zip.addReadStreamLazy(`tables/${table}.jsonl`, (ready) => ready(null, Readable.from(linesOf(table))))
  for (const name of pictures) zip.addReadStreamLazy(`pictures/${name}`, (ready) => ready(null, createReadStream(join(dataFolder, PICTURES_FOLDER, name))))
  zip.end()

  async function* linesOf(table: string): AsyncGenerator<string> {
    const key = keyOf(table)
    const named = key.map((column, n) => `${column} AS key${n}`).join(', ')
    const order = key.join(', ')
    let after: unknown[] = key.map(() => -1)
    for (;;) {
      const rows = await rowsOf<Record<string, unknown>>(
        file,
        `SELECT ${named}, * FROM ${table} WHERE (${order}) > (${key.map(() => '?').join(', ')}) ORDER BY ${order} LIMIT ${PAGE}`,
        after
      )
      let lines = ''
      for (const row of rows) {
        after = key.map((_, n) => row[`key${n}`])
        for (const [n] of key.entries()) delete row[`key${n}`]
        lines += `${JSON.stringify(row)}\n`
      }
      if (lines !== '') yield lines
      if (rows.length < PAGE) return
    }
  }
  const out = new PassThrough()
  zip.outputStream.pipe(out)
  let closed = false
  const end = () => {
    if (closed) return
    closed = true
    void close().catch(() => undefined)
  }
  out.once('close', end)
  out.once('end', end)
  zip.on('error', (error: Error) => out.destroy(error))
  return out
}
