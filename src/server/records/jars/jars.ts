import { millisecondsInHour } from 'date-fns/constants'
import { literal, Op, QueryTypes } from 'sequelize'
import type { z } from 'zod'
import { type Jar, type JarEdit, type jarPacePutSchema, type jarPutSchema, jarToWire, msOf, NO_LOG, paceToWire } from '../../../contract'
import {
  type BatchLine,
  type BlendPart,
  type Culture,
  contentsOf,
  DRY_FLAKES,
  FLOURS,
  type FlourKind,
  glutenInto,
  sure,
  toGrams,
  toMilligrams,
  usualFeed
} from '../../../core'
import { REFUSE_JARS } from '../../../words/refusals/jars'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { THINGS } from '../../../words/refusals/things'
import { type JarRow, plain, type VesselRow } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { noteChange } from '../kitchen/changes'
import { pantryIn } from '../shelf/ingredients'
import { balanceOf, balancesOf, eventOf, isRecorded, NOT_UNDONE, record, type Work } from '../work'
import { createBatch, lineOf, linesOf, type NewBatch, staysOfBatches } from './batches'
import { descentsOf } from './descent'
import { guessesOf } from './guesses'
import { programsOfJars } from './programStates'
import { youngJars } from './young'

/** Row of a jar. @throws Problem when it has been taken away */
export async function jarRow({ models, transaction }: Work, id: string): Promise<JarRow> {
  const row = await models.jars.findByPk(id, { transaction })
  if (row === null || (row.get('deletedAtMs') as number | null) !== null) throw notFound(THINGS.jar)
  return plain(row)
}

/** What is told of a jar beside its row. */
interface JarFacts {
  readonly line: BatchLine | undefined
  readonly stays: Jar['stays']
  readonly looks: Jar['looks']
  readonly placeToldAt: number
  readonly putOffUntil: number | null
  readonly young: boolean
  readonly milligrams: number
  readonly logStamp: string
  readonly lastFeed: Jar['lastFeed']
  readonly guesses: Jar['guesses']
  readonly program: Jar['program']
}

/** What a jar is fed: what its baker said, or what its culture usually is. */
export const feedOf = ({ feed, culture, flour }: Pick<JarRow, 'feed' | 'culture' | 'flour'>) => feed ?? [...usualFeed(culture, flour)]

/** Where the pace of a jar comes from, as it was kept. */
const storedPace = (pace: JarRow['pace']): Jar['pace'] =>
  pace === null ? { kind: 'learned', since: null } : pace.kind === 'pinned' ? pace : { ...pace, since: pace.since === null ? null : msOf(pace.since) }

function jarView(row: JarRow, { line, milligrams, ...facts }: JarFacts): Jar {
  if (line === undefined) throw new Error(`Jar ${row.id} has no contents.`)
  return {
    id: row.id,
    name: row.name,
    culture: row.culture,
    flour: row.flour,
    feed: feedOf(row),
    vesselId: row.vesselId,
    originId: row.originId,
    hydration: hydrationOf(line),
    keepMinimumGrams: toGrams(row.keepMinimumMg),
    grams: toGrams(milligrams),
    placeId: row.placeId,
    version: row.version,
    pace: storedPace(row.pace),
    line,
    ...facts
  }
}

/** Water ÷ flour of what is in a jar; of flakes once they are dry. */
const hydrationOf = (line: BatchLine) => (line.dried === true ? DRY_FLAKES : contentsOf(line).hydration)

/**
 * Stamps of the jars' logs: finished builds, the last thing that happened to one of them, the last reading, the looks at its feeds, corrections of how it came,
 * and levains that became the seed of the next.
 */
async function logStamps({ models, transaction }: Work): Promise<Map<string, string>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<{ jarId: string; builds: number; last: number; reading: number | null }>(
    `SELECT batches.jarId, COUNT(DISTINCT bakes.id) AS builds, MAX(events.sequence) AS last, (SELECT SUM(count) FROM imports WHERE takenBackAtMs IS NULL) AS reading
     FROM batches JOIN bakes ON bakes.id = batches.bakeId AND bakes.status IN ('mixed', 'baked') AND bakes.deletedAtMs IS NULL JOIN events ON events.bakeId = bakes.id
     WHERE batches.kind = 'levain' GROUP BY batches.jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  const looks = await sequelize.query<{ jarId: string; looks: number; last: number }>(
    `SELECT jarId, COUNT(*) AS looks, MAX(sequence) AS last FROM events WHERE type IN ('look', 'corrected') AND ${NOT_UNDONE} GROUP BY jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  const fedAgain = await sequelize.query<{ jarId: string; last: number }>(
    `SELECT batches.jarId AS jarId, MAX(events.sequence) AS last FROM events JOIN batches ON batches.id = events.batchId AND batches.kind = 'preferment'
     WHERE events.type = 'fed again' GROUP BY batches.jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  const stamps = new Map(rows.map(({ jarId, builds, last, reading }) => [jarId, `${builds} ${last} ${reading ?? 0}`]))
  for (const { jarId, looks: count, last } of looks) stamps.set(jarId, `${stamps.get(jarId) ?? NO_LOG} ${count} ${last}`)
  for (const { jarId, last } of fedAgain) stamps.set(jarId, `${stamps.get(jarId) ?? NO_LOG} ${last}`)
  return stamps
}

/** Feeds that tell how often a jar is fed. */
const HABIT_FEEDS = 8

/** The last feed of each jar, and how often it is fed: the middle one of its last intervals. */
export async function lastFeeds({ models, transaction }: Work): Promise<Map<string, NonNullable<Jar['lastFeed']>>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<{ jarId: string; atMs: number; payload: string | null }>(
    `SELECT jarId, atMs, CASE nth WHEN 1 THEN payload END AS payload FROM
       (SELECT events.jarId AS jarId, events.happenedAtMs AS atMs, events.payload AS payload,
          ROW_NUMBER() OVER (PARTITION BY events.jarId ORDER BY events.sequence DESC) AS nth
        FROM jars JOIN events ON events.sequence IN
          (SELECT sequence FROM events WHERE jarId = jars.id AND type = 'feed' AND ${NOT_UNDONE} ORDER BY sequence DESC LIMIT ${HABIT_FEEDS})
        WHERE jars.deletedAtMs IS NULL)
     ORDER BY jarId, nth`,
    { type: QueryTypes.SELECT, transaction }
  )
  const feeds = new Map<string, NonNullable<Jar['lastFeed']>>()
  const gaps = new Map<string, number[]>()
  for (const [i, { jarId, atMs, payload }] of rows.entries()) {
    const before = rows[i - 1]
    if (before?.jarId === jarId) gaps.get(jarId)?.push((Number(before.atMs) - Number(atMs)) / millisecondsInHour)
    else gaps.set(jarId, [])
    if (payload === null) continue
    const { keepGrams, flours, waterGrams } = JSON.parse(payload) as Partial<Omit<NonNullable<Jar['lastFeed']>, 'at'>>
    // Feeds of older versions do not say which flour it was.
    if (keepGrams === undefined || flours === undefined || waterGrams === undefined) continue
    feeds.set(jarId, { at: Number(atMs), keepGrams, flours, waterGrams, everyHours: null })
  }
  for (const [jarId, feed] of feeds) feed.everyHours = middleOf(gaps.get(jarId) ?? [])
  return feeds
}

const middleOf = (values: readonly number[]): number | null => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? null

/** Looks at what is in the jars, by its batch; a pH alone shows nothing of how far it is. */
async function looksAt({ models, transaction }: Work, batchIds: readonly string[]): Promise<Map<string, Jar['looks']>> {
  const rows = await models.events.findAll({
    where: { type: 'look', batchId: batchIds as string[], [Op.and]: literal(NOT_UNDONE) },
    order: [['happenedAtMs', 'ASC']],
    transaction
  })
  const looks = new Map<string, Jar['looks']>()
  for (const { id, batchId, happenedAtMs, payload } of rows.map(plain)) {
    const { rise, pH, signs, explained } = payload as Omit<Jar['looks'][number], 'id' | 'at'>
    if (batchId === null || (rise === undefined && Object.keys(signs).length === 0)) continue
    looks.set(batchId, [...(looks.get(batchId) ?? []), { id, at: Number(happenedAtMs), rise, pH, signs, explained }])
  }
  return looks
}

/** Type of the events that put a feed off. */
export const PUT_OFF = 'put off'

/** When each jar was last moved by hand, ms. */
export async function lastMoves({ models, transaction }: Work): Promise<Map<string, number>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<{ jarId: string; atMs: number }>(
    `SELECT jarId, MAX(happenedAtMs) AS atMs FROM events WHERE type = 'moved' AND jarId IS NOT NULL AND ${NOT_UNDONE} GROUP BY jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  return new Map(rows.map(({ jarId, atMs }) => [jarId, Number(atMs)]))
}

/** When somebody last said where a jar stands, ms: at its last feed, or when it was moved since. */
export const placeToldAt = (stays: readonly { readonly fromMs: number }[], movedMs = 0) => Math.max(stays[0]?.fromMs ?? 0, movedMs)

/** Until when the feed of each jar was put off, ms; what was put off before its last feed counts no more. */
async function putOffs({ models, transaction }: Work): Promise<Map<string, number>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  // Of a group, SQLite takes the other columns from the row that has the largest sequence.
  const rows = await sequelize.query<{ jarId: string; untilMs: number }>(
    `SELECT jarId, json_extract(payload, '$.until') AS untilMs, MAX(sequence) FROM events
     WHERE type = '${PUT_OFF}' AND ${NOT_UNDONE} AND NOT EXISTS
       (SELECT 1 FROM events fed WHERE fed.jarId = events.jarId AND fed.sequence > events.sequence AND fed.type = 'feed' AND fed.${NOT_UNDONE})
     GROUP BY jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  return new Map(rows.map(({ jarId, untilMs }) => [jarId, Number(untilMs)]))
}

async function jarViews(work: Work, rows: readonly JarRow[]): Promise<Jar[]> {
  const batchIds = rows.flatMap((row) => row.currentBatchId ?? [])
  const lines = await linesOf(work, batchIds)
  const stays = await staysOfBatches(work, batchIds)
  const looks = await looksAt(work, batchIds)
  const stamps = await logStamps(work)
  const descents = await descentsOf(
    work,
    rows.map(({ id }) => id)
  )
  const stampOf = ({ id }: JarRow) => (descents.get(id) ?? [id]).flatMap((of) => stamps.get(of) ?? []).join(' · ') || NO_LOG
  const accountOf = ({ id }: JarRow) => `jar:${id}` as const
  const balances = await balancesOf(work, rows.map(accountOf))
  const feeds = await lastFeeds(work)
  const programs = await programsOfJars(work)
  const guesses = await guessesOf(work)
  const [moves, putOff, young] = [await lastMoves(work), await putOffs(work), await youngJars(work)]
  const staysOfJar = (row: JarRow) => stays.get(row.currentBatchId ?? '') ?? []
  return rows.map((row) =>
    jarView(row, {
      line: lines.get(row.currentBatchId ?? ''),
      placeToldAt: placeToldAt(staysOfJar(row), moves.get(row.id)),
      putOffUntil: putOff.get(row.id) ?? null,
      young: young.has(row.id),
      looks: looks.get(row.currentBatchId ?? '') ?? [],
      stays: staysOfJar(row).flatMap((stay) => (stay.placeId === null ? [] : [{ placeId: stay.placeId, from: stay.fromMs }])),
      milligrams: balances.get(accountOf(row)) ?? 0,
      logStamp: stampOf(row),
      lastFeed: feeds.get(row.id) ?? null,
      program: programs.get(row.id) ?? null,
      guesses: guesses.get(row.id) ?? []
    })
  )
}

/** One jar. */
export async function findJar(work: Work, id: string): Promise<Jar> {
  return sure((await jarViews(work, [await jarRow(work, id)]))[0])
}

/** All jars, by name. */
export async function listJars(work: Work): Promise<Jar[]> {
  const rows = await work.models.jars.findAll({ where: { deletedAtMs: null }, order: [['name', 'ASC']], transaction: work.transaction })
  return jarViews(work, rows.map(plain))
}

/** What each jar gives as seed, and is fed with. */
export async function jarSeeds(work: Work): Promise<ReadonlyMap<string, Pick<Jar, 'hydration' | 'feed'>>> {
  const rows = (await work.models.jars.findAll({ where: { deletedAtMs: null }, transaction: work.transaction })).map(plain)
  const lines = await linesOf(
    work,
    rows.flatMap((row) => row.currentBatchId ?? []),
    { generations: 1 }
  )
  return new Map(
    rows.flatMap((row) => {
      const line = lines.get(row.currentBatchId ?? '')
      return line === undefined ? [] : [[row.id, { hydration: hydrationOf(line), feed: feedOf(row) }] as const]
    })
  )
}

/** Row and present contents of a jar, for what takes seed out of it. */
export async function jarForSeed(work: Work, id: string): Promise<{ row: JarRow; hydration: number; milligrams: number }> {
  const row = await jarRow(work, id)
  const line = await lineOf(work, row.currentBatchId, 1)
  if (line === null) throw new Error(`Jar ${id} has no contents.`)
  return { row, hydration: hydrationOf(line), milligrams: await balanceOf(work, `jar:${id}`) }
}

/** Writes a jar with its first batch. @returns id of the batch */
export async function createJar(
  work: Work,
  jar: Omit<JarRow, 'currentBatchId' | 'version' | 'deletedAtMs'>,
  batch: Pick<NewBatch, 'startedAtMs' | 'floursMg' | 'waterMg' | 'mixTempC' | 'parents' | 'stays'> &
    Partial<Pick<NewBatch, 'kind' | 'saltMg' | 'own' | 'additions'>>
): Promise<string> {
  const { models, transaction } = work
  await models.jars.create({ ...jar, currentBatchId: null, version: 1, deletedAtMs: null }, { transaction })
  const of = { kitchenId: jar.kitchenId, kind: 'feed' as const, jarId: jar.id, bakeId: null, flour: jar.flour, saltMg: 0 }
  const batchId = await createBatch(work, { ...of, ...batch })
  await models.jars.update({ currentBatchId: batchId }, { where: { id: jar.id }, transaction })
  return batchId
}

/** A gluten-free culture lives on gluten-free flour, and the others do not. */
export function refuseMixedUp(culture: Culture, flour: FlourKind): void {
  if (culture === 'dried' || (culture === 'gluten-free') === !FLOURS[flour].gluten) return
  throw new Problem(400, 'gluten guard', REFUSE_JARS.glutenFreeCultureLivesOn, {
    fields: { culture: REFUSE_JARS.cultureAndFlourDoNot }
  })
}

/** Keeps gluten out of a jar that is free of it. @throws Problem naming what would bring it in */
export async function guardGluten(work: Work, jar: { readonly name: string; readonly flour: FlourKind }, ingredientIds: readonly string[]): Promise<void> {
  const found = glutenInto(jar, ingredientIds, await pantryIn(work))
  if (found.length === 0) return
  throw new Problem(409, 'gluten guard', REFUSE_JARS.keptFreeGlutenAndWould(jar.name, found.join(' and ')), {
    fields: { flours: REFUSE_JARS.thisFlourHoldsGluten }
  })
}

/** Flours of a feed have to be in the kitchen. */
export async function refuseUnknownFlours(work: Work, ingredientIds: readonly string[]): Promise<void> {
  const pantry = await pantryIn(work)
  if (ingredientIds.every((id) => pantry.get(id)?.kind === 'flour')) return
  throw new Problem(400, 'not understood', REFUSE_JARS.oneFloursNotInThis, { fields: { flours: REFUSE_RECORDS.chooseFlour } })
}

/** A vessel that is there; null for none. */
export async function vesselIn({ models, transaction }: Work, vesselId: string | null): Promise<VesselRow | null> {
  if (vesselId === null) return null
  const found = await models.vessels.findByPk(vesselId, { transaction })
  if (found === null || plain(found).deletedAtMs !== null)
    throw new Problem(400, 'not understood', REFUSE_JARS.thisVesselNotInKitchen, { fields: { vesselId: REFUSE_JARS.chooseVessel } })
  return plain(found)
}

/** Changes what a baker may change of a jar; refused when another window was faster, or gluten would come in by it. */
export async function editJar(work: Work, jarId: string, { version, jar }: z.output<typeof jarPutSchema>): Promise<void> {
  const row = await jarRow(work, jarId)
  if (row.version !== version) throw new Problem(409, 'stale', REFUSE_JARS.thisJarWasChangedIn, { current: jarToWire(await findJar(work, jarId)) })
  await changeCulture(work, row, jar)
  await vesselIn(work, jar.vesselId)
  const { models, transaction } = work
  const { keepMinimumGrams, name, vesselId } = jar
  const before = {
    name: row.name,
    vesselId: row.vesselId,
    keepMinimumGrams: toGrams(row.keepMinimumMg),
    culture: row.culture,
    flour: row.flour,
    feed: row.feed
  }
  await noteChange(work, 'jar', jarId, before, { name, vesselId, keepMinimumGrams, culture: jar.culture, flour: jar.flour, feed: jar.feed })
  await models.jars.update({ name, vesselId, keepMinimumMg: toMilligrams(keepMinimumGrams), version: version + 1 }, { where: { id: jarId }, transaction })
}

/** Makes a jar another culture: what it lives on and is fed. Gluten-free stays gluten-free, and nothing else becomes it. */
export async function changeCulture(work: Work, row: JarRow, to: Pick<JarEdit, 'culture' | 'flour'> & { readonly feed: readonly BlendPart[] }): Promise<void> {
  if (FLOURS[row.flour].gluten !== FLOURS[to.flour].gluten) {
    throw new Problem(
      409,
      'gluten guard',
      FLOURS[row.flour].gluten ? REFUSE_JARS.hasLivedOnGlutenAnd(row.name) : REFUSE_JARS.keptFreeGlutenAndStays(row.name),
      { fields: { culture: REFUSE_JARS.startNewCultureForThis } }
    )
  }
  if ((row.culture === 'dried') !== (to.culture === 'dried')) {
    throw new Problem(409, 'wrong moment', REFUSE_JARS.driedCultureWokenAndLiving, { fields: { culture: REFUSE_JARS.seePrograms } })
  }
  refuseMixedUp(to.culture, to.flour)
  await guardGluten(
    work,
    row,
    to.feed.map((p) => p.ingredientId)
  )
  await refuseUnknownFlours(
    work,
    to.feed.map((p) => p.ingredientId)
  )
  await work.models.jars.update({ culture: to.culture, flour: to.flour, feed: [...to.feed] }, { where: { id: row.id }, transaction: work.transaction })
}

/** A little room for clocks that differ. */
const CLOCKS_DIFFER_MS = 5 * 60_000

/** Things happen before they are noted. */
export function refuseFuture(atMs: number, nowMs: number, what: string): void {
  if (atMs > nowMs + CLOCKS_DIFFER_MS) {
    throw new Problem(400, 'in the future', REFUSE_JARS.liesInFutureGiveTime(what), { fields: { happenedAt: REFUSE_JARS.thisTimeHasNotCome } })
  }
}

/** Points a jar at another batch. */
export async function setContents({ models, transaction }: Work, row: JarRow, batchId: string | null, placeId: string): Promise<void> {
  await models.jars.update({ currentBatchId: batchId, placeId, version: row.version + 1 }, { where: { id: row.id }, transaction })
}

/** Pins the pace of a jar, or has it learned from its log again. */
export async function setPace(work: Work, jarId: string, { pace, ...note }: z.output<typeof jarPacePutSchema>): Promise<void> {
  if (await isRecorded(work, note.id)) return
  const row = await jarRow(work, jarId)
  await record(work, eventOf(row.kitchenId, jarId, note, 'pace', { pace: paceToWire(pace), before: row.pace }))
  await work.models.jars.update({ pace: paceToWire(pace), version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
}
