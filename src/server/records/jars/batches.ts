import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import type { Kitchen } from '../../../contract'
import { type Additions, type BatchLine, type FlourKind, FOLLOWED_BACK, type OwnTraits, swingOf, toGrams, type VesselMaterial } from '../../../core'
import { type BatchParentRow, type BatchRow, type BatchStayRow, plain } from '../../db/rows'
import { readingsFor, type Span } from '../kitchen/readings'
import type { Work } from '../work'

/** A batch about to be written. */
export interface NewBatch extends Omit<BatchRow, 'id' | 'material' | 'own' | 'additions'> {
  readonly material?: VesselMaterial
  readonly own?: OwnTraits
  readonly additions?: Additions
  readonly id?: string
  readonly parents: readonly { parentBatchId: string | null; milligrams: number; hydration: number; flour: FlourKind }[]
  readonly stays: readonly NewStay[]
}

/** A stay about to be written. */
export type NewStay = Omit<BatchStayRow, 'id' | 'batchId'>

/**
 * A stay at a place of the kitchen.
 * @param tempC what the place has by day; its own figure when left out
 */
export function stayAt({ places, timeZone }: Kitchen, placeId: string, fromMs: number, tempC?: number): NewStay {
  const place = places.find((p) => p.id === placeId)
  const warmest = tempC ?? place?.tempC ?? ROOM_C
  const swing = place === undefined ? undefined : swingOf(place, fromMs, timeZone)
  return {
    placeId,
    fromMs,
    tempC: warmest - (swing?.swingK ?? 0),
    surroundings: place?.surroundings ?? 'air',
    swingK: swing?.swingK ?? null,
    warmestMs: swing?.warmestMs ?? null
  }
}

/** A place that has been taken away since. */
const ROOM_C = 21

/** Writes a batch with its parents and stays. */
export async function createBatch(work: Work, batch: NewBatch): Promise<string> {
  const { parents, stays, material = null, own = null, additions = null, ...row } = batch
  const id = row.id ?? randomUUID()
  await work.models.batches.create({ ...row, floursMg: wholeMg(row.floursMg), material, own, additions, id }, { transaction: work.transaction })
  await addLineage(work, id, parents, stays)
  return id
}

const wholeMg = (flours: BatchRow['floursMg']) => Object.fromEntries(Object.entries(flours).map(([kind, mg]) => [kind, Math.round(mg)]))

/** Writes parents and stays of a batch that exists. */
export async function addLineage({ models, transaction }: Work, batchId: string, parents: NewBatch['parents'], stays: NewBatch['stays']): Promise<void> {
  await models.batchParents.bulkCreate(
    parents.map((p) => ({ ...p, batchId })),
    { transaction }
  )
  await models.batchStays.bulkCreate(
    stays.map((s) => ({ ...s, batchId })),
    { transaction }
  )
}

/** What a batch was made from. */
export async function parentsOf({ models, transaction }: Work, batchId: string): Promise<NewBatch['parents']> {
  const rows = await models.batchParents.findAll({ where: { batchId }, transaction })
  return rows.map(plain).map(({ parentBatchId, milligrams, hydration, flour }) => ({ parentBatchId, milligrams, hydration, flour }))
}

/** Where a batch stands and has stood, in the order of time. */
export const staysOf = async (work: Work, batchId: string): Promise<NewStay[]> => (await staysOfBatches(work, [batchId])).get(batchId) ?? []

/** Stays of many batches in one question, each in the order of time. */
export async function staysOfBatches({ models, transaction }: Work, batchIds: readonly string[]): Promise<Map<string, NewStay[]>> {
  const rows = await models.batchStays.findAll({ where: { batchId: [...batchIds] }, order: [['fromMs', 'ASC']], raw: true, transaction })
  const stays = new Map<string, NewStay[]>()
  for (const { batchId, placeId, fromMs, tempC, surroundings, swingK, warmestMs } of rows as unknown as BatchStayRow[]) {
    const stay = { placeId, fromMs: Number(fromMs), tempC, surroundings, swingK, warmestMs: warmestMs === null ? null : Number(warmestMs) }
    stays.set(batchId, [...(stays.get(batchId) ?? []), stay])
  }
  return stays
}

/** Writes the stays of a batch anew: it was moved, or a move was taken back. */
export async function replaceStays({ models, transaction }: Work, batchId: string, stays: readonly NewStay[]): Promise<void> {
  await models.batchStays.destroy({ where: { batchId }, transaction })
  await models.batchStays.bulkCreate(
    stays.map((s) => ({ ...s, batchId })),
    { transaction }
  )
}

/** Takes parents and stays of a batch away again: the weighing-in is open once more. */
export async function dropLineage({ models, transaction }: Work, batchId: string): Promise<void> {
  await models.batchParents.destroy({ where: { batchId }, transaction })
  await models.batchStays.destroy({ where: { batchId }, transaction })
}

/** Takes a batch away. One that somebody looked at stays, without lineage: the record names it. */
export async function dropBatch(work: Work, batchId: string): Promise<void> {
  const { models, transaction } = work
  await dropLineage(work, batchId)
  if ((await models.events.count({ where: { batchId }, transaction })) === 0) await models.batches.destroy({ where: { id: batchId }, transaction })
}

const inGrams = (mg: Partial<Record<FlourKind, number>>) =>
  Object.fromEntries(Object.entries(mg).map(([kind, m]) => [kind, toGrams(m)])) as Partial<Record<FlourKind, number>>

/** One batch with its parents; null for one that is unknown or not mixed yet. */
export async function lineOf(work: Work, batchId: string | null, generations = FOLLOWED_BACK): Promise<BatchLine | null> {
  return batchId === null ? null : ((await linesOf(work, [batchId], { generations })).get(batchId) ?? null)
}

/** How far batches are followed. */
interface Followed {
  /** Back to parents of parents. */
  readonly generations?: number
  /** When a batch was used up, by id; one that is left out may still stand. */
  readonly usedUp?: ReadonlyMap<string, number>
}

/**
 * Batches with their parents, a few generations back; three questions to the database per generation, however many batches.
 * @returns by id; batches that are unknown or not mixed yet are left out
 */
export async function linesOf(
  work: Work,
  batchIds: readonly string[],
  { generations = FOLLOWED_BACK, usedUp = new Map() }: Followed = {}
): Promise<Map<string, BatchLine>> {
  const asked = new Set(batchIds)
  const batches = new Map<string, BatchRow>()
  const parents = new Map<string, BatchParentRow[]>()
  const stays = new Map<string, BatchStayRow[]>()
  let wanted = [...new Set(batchIds)]
  for (let generation = 0; generation < generations && wanted.length > 0; generation++) {
    const found = await generationOf(work, wanted)
    for (const batch of found.batches) batches.set(batch.id, batch)
    for (const parent of found.parents) parents.set(parent.batchId, [...(parents.get(parent.batchId) ?? []), parent])
    for (const stay of found.stays) stays.set(stay.batchId, [...(stays.get(stay.batchId) ?? []), stay])
    wanted = [...new Set(found.parents.flatMap((p) => (p.parentBatchId === null || batches.has(p.parentBatchId) ? [] : [p.parentBatchId])))]
  }
  // A parent is followed until its youngest child was mixed; what was measured of it later changes nothing.
  const until = new Map(usedUp)
  for (const { batchId, parentBatchId } of [...parents.values()].flat())
    if (parentBatchId !== null && !asked.has(parentBatchId))
      until.set(parentBatchId, Math.max(until.get(parentBatchId) ?? 0, Number(batches.get(batchId)?.startedAtMs ?? work.nowMs)))
  const measured = await measuredIn(work, stays, until)
  const lineStays = (rows: readonly BatchStayRow[]): BatchLine['stays'] =>
    rows.map((row) => {
      const { fromMs, tempC, surroundings, swingK, warmestMs } = row
      const readings = measured.get(row) ?? []
      return {
        fromMs: Number(fromMs),
        tempC,
        surroundings,
        ...(swingK === null || warmestMs === null ? {} : { swing: { swingK, warmestMs: Number(warmestMs) } }),
        ...(readings.length === 0 ? {} : { readings })
      }
    })
  const assemble = (id: string | null, left: number): BatchLine | null => {
    const batch = id === null || left === 0 ? undefined : batches.get(id)
    if (batch === undefined || batch.startedAtMs === null || batch.mixTempC === null) return null
    return {
      startedAtMs: Number(batch.startedAtMs),
      flours: inGrams(batch.floursMg),
      own: batch.own ?? undefined,
      additions: batch.additions ?? undefined,
      dried: batch.kind === 'dried' || undefined,
      waterGrams: toGrams(batch.waterMg),
      saltGrams: toGrams(batch.saltMg),
      mixTempC: batch.mixTempC,
      stays: lineStays(stays.get(batch.id) ?? []),
      material: batch.material ?? undefined,
      parents: (parents.get(batch.id) ?? []).map((p) => ({
        grams: toGrams(p.milligrams),
        hydration: p.hydration,
        flour: p.flour,
        line: assemble(p.parentBatchId, left - 1)
      }))
    }
  }
  return new Map(
    batchIds.flatMap((id) => {
      const line = assemble(id, generations)
      return line === null ? [] : [[id, line] as const]
    })
  )
}

/** Readings are kept for so long after a batch was used up, ms: its curve is drawn a little further. */
const DRAWN_ON_MS = 12 * millisecondsInHour

/** What was measured during stays, each batch's in the order of time. */
async function measuredIn(
  work: Work,
  batches: ReadonlyMap<string, readonly BatchStayRow[]>,
  until: ReadonlyMap<string, number>
): Promise<Map<BatchStayRow, NonNullable<BatchLine['stays'][number]['readings']>>> {
  const stays = [...batches].flatMap(([id, rows]) => {
    const endMs = (until.get(id) ?? Number.MAX_SAFE_INTEGER) + DRAWN_ON_MS
    return rows.map((row, i) => ({ row, toMs: Math.min(Number(rows[i + 1]?.fromMs ?? endMs), endMs) }))
  })
  const spans = stays.map(({ row, toMs }): Span => ({ placeId: row.placeId, fromMs: Number(row.fromMs), toMs }))
  const found = await readingsFor(work, spans)
  return new Map(stays.map(({ row }, i) => [row, found[i] ?? []]))
}

/** One generation with its parents and stays. Plain rows: of hundreds of jars the making of model instances takes longer than the asking. */
async function generationOf({ models, transaction }: Work, ids: readonly string[]) {
  const batchId = ids as string[]
  const [batches, parents, stays] = await Promise.all([
    models.batches.findAll({ where: { id: batchId }, raw: true, transaction }),
    models.batchParents.findAll({ where: { batchId }, order: [['id', 'ASC']], raw: true, transaction }),
    models.batchStays.findAll({ where: { batchId }, order: [['fromMs', 'ASC']], raw: true, transaction })
  ])
  return {
    batches: (batches as unknown as Written<BatchRow, 'floursMg' | 'own' | 'additions'>[]).map(
      (row): BatchRow => ({
        ...row,
        floursMg: JSON.parse(row.floursMg) as BatchRow['floursMg'],
        own: JSON.parse(row.own ?? 'null') as BatchRow['own'],
        additions: JSON.parse(row.additions ?? 'null') as BatchRow['additions']
      })
    ),
    parents: parents as unknown as BatchParentRow[],
    stays: stays as unknown as BatchStayRow[]
  }
}

/** A row as it is written: its documents are text. */
type Written<Row, Documents extends keyof Row> = Omit<Row, Documents> & Record<Documents, string>
