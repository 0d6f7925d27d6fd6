import type sqlite3 from 'sqlite3'
import { type ClashKind, idSchema, isoOf, type WireClash } from '../../contract'
import { keysOf } from '../../core'
import { columnsOf, rowsOf } from '../db/file'

/** How things of one kind are found in the tables. */
interface Kind {
  readonly table: string
  /** Its name, as SQL within a schema. */
  readonly name: (schema: string) => string
  /** What its history of changes calls it. */
  readonly changed: string | null
  /** Ids of the entries and versions that make it up, as `ofId, part, atMs` from a schema. */
  readonly parts: (schema: string) => string | null
  /** Two of them may not share a name: one of them is used for both, or one is renamed. */
  readonly oneByName: boolean
}

/** What was noted of a jar itself, and every entry that took of it or added to it: that of a bake as well. */
const eventsOfJar = (schema: string) =>
  `SELECT jarId AS ofId, id AS part, recordedAtMs AS atMs FROM ${schema}.events WHERE jarId IS NOT NULL AND bakeId IS NULL
   UNION SELECT substr(account, 5), e.id, recordedAtMs FROM ${schema}.ledger_entries l JOIN ${schema}.events e ON e.id = l.eventId WHERE account LIKE 'jar:%'`
const eventsOfBake = (schema: string) => `SELECT bakeId AS ofId, id AS part, recordedAtMs AS atMs FROM ${schema}.events WHERE bakeId IS NOT NULL`

/** Things that are decided on as wholes, in the order in which they are told. */
export const KINDS: Readonly<Record<ClashKind, Kind>> = {
  jar: { table: 'jars', name: () => 'name', changed: 'jar', parts: eventsOfJar, oneByName: false },
  bake: { table: 'bakes', name: () => "json_extract(plan, '$.name')", changed: 'plan', parts: eventsOfBake, oneByName: false },
  recipe: {
    table: 'formulas',
    name: (schema) => `(SELECT v.name FROM ${schema}.formula_versions v WHERE v.formulaId = t.id ORDER BY v.version DESC LIMIT 1)`,
    changed: null,
    parts: (schema) => `SELECT formulaId AS ofId, version || ' ' || name || content AS part, recordedAtMs AS atMs FROM ${schema}.formula_versions`,
    oneByName: false
  },
  place: { table: 'places', name: () => 'name', changed: null, parts: () => null, oneByName: true },
  vessel: { table: 'vessels', name: () => 'name', changed: 'vessel', parts: () => null, oneByName: true },
  ingredient: { table: 'ingredients', name: () => "json_extract(content, '$.name')", changed: 'ingredient', parts: () => null, oneByName: true }
}
/** Where a thing belongs and stands in a list says nothing of itself. */
const NOT_COMPARED = ['kitchenId', 'position']
const ORDER = keysOf(KINDS)

interface Thing {
  readonly name: string
  readonly row: string
  readonly live: boolean
  readonly parts: Set<string>
  latestMs: number
}

/** Things of a kind in a schema, by their ids. */
async function thingsIn(file: sqlite3.Database, schema: 'main' | 'brought', kind: ClashKind): Promise<Map<string, Thing>> {
  const { table, name, changed, parts } = KINDS[kind]
  const columns = (await columnsOf(file, table)).map((column) => column.name).filter((column) => !NOT_COMPARED.includes(column))
  const live = columns.includes('deletedAtMs') ? 'deletedAtMs IS NULL' : '1'
  const rows = await rowsOf<{ id: string; name: string | null; row: string; live: number }>(
    file,
    `SELECT id, ${name(schema)} AS name, json_array(${columns.map((c) => `"${c}"`).join(', ')}) AS row, ${live} AS live FROM ${schema}.${table} t`
  )
  const things = new Map<string, Thing>()
  for (const row of rows) things.set(row.id, { name: row.name ?? kind, row: row.row, live: row.live === 1, parts: new Set(), latestMs: 0 })
  const changes = changed === null ? null : `SELECT ofId, 'change ' || atMs AS part, atMs FROM ${schema}.changes WHERE what = '${changed}'`
  for (const sql of [parts(schema), changes]) {
    if (sql === null) continue
    for (const { ofId, part, atMs } of await rowsOf<{ ofId: string; part: string; atMs: number }>(file, sql)) {
      const thing = things.get(ofId)
      thing?.parts.add(part)
      if (thing !== undefined) thing.latestMs = Math.max(thing.latestMs, Number(atMs))
    }
  }
  return things
}

const holdsAll = (one: Thing, other: Thing) => [...other.parts].every((part) => one.parts.has(part))

/** What a second kitchen would bring, beside what is here. */
export interface Compared {
  /** To be taken from the file without a question: new, or the same gone on there. */
  readonly takes: readonly { readonly kind: ClashKind; readonly id: string; readonly isNew: boolean }[]
  readonly same: number
  readonly clashes: readonly WireClash[]
}

/**
 * Compares two kitchens thing by thing. Where one side has all that the other has and more, it has gone on and nobody is asked;
 * where both have something of their own, it is a clash.
 * @param file the kitchen here as `main`, the other attached as `brought`
 */
export async function compare(file: sqlite3.Database): Promise<Compared> {
  const takes: Compared['takes'][number][] = []
  const clashes: WireClash[] = []
  let same = 0
  const side = (thing: Thing) => ({ entries: thing.parts.size, at: thing.latestMs === 0 ? null : isoOf(thing.latestMs) })
  for (const kind of ORDER) {
    const [here, there] = [await thingsIn(file, 'main', kind), await thingsIn(file, 'brought', kind)]
    const names = new Map([...here].filter(([, { live }]) => live).map(([id, { name }]) => [name.toLowerCase(), id]))
    for (const [id, theirs] of there) {
      const mine = here.get(id)
      if (mine === undefined) {
        // What is built in is known by its name and no id of its own.
        const namesake =
          KINDS[kind].oneByName && theirs.live && idSchema.safeParse(id).success ? here.get(names.get(theirs.name.toLowerCase()) ?? '') : undefined
        if (namesake === undefined) takes.push({ kind, id, isNew: true })
        else clashes.push({ kind, id, name: theirs.name, why: 'same name', here: side(namesake), there: side(theirs) })
      } else if (mine.row === theirs.row && mine.parts.size === theirs.parts.size && holdsAll(mine, theirs)) same++
      else if (mine.parts.size > theirs.parts.size && holdsAll(mine, theirs)) same++
      else if (theirs.parts.size > mine.parts.size && holdsAll(theirs, mine)) takes.push({ kind, id, isNew: false })
      else clashes.push({ kind, id, name: mine.name, why: 'changed', here: side(mine), there: side(theirs) })
    }
  }
  return { takes, same, clashes }
}
