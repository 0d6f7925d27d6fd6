import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import { isoOf, type programEntrySchema, type programPostSchema, type undoSchema, type WireRunningProgram } from '../../../contract'
import { type Deed, toGrams } from '../../../core'
import { REFUSE_JARS } from '../../../words/refusals/jars'
import { THINGS } from '../../../words/refusals/things'
import { type JarRow, type ProgramRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { eventById, eventOf, isRecorded, record, type Work } from '../work'
import { endJar, restoreJar } from './deeds/end'
import { feedJar } from './deeds/feed'
import { moveJar } from './deeds/move'
import { splitJar } from './deeds/split'
import { undoJar } from './deeds/undo'
import { weighJar } from './deeds/weighing'
import { changeCulture, jarForSeed, jarRow, refuseFuture } from './jars'
import { entriesOfPrograms, type NotedEntry, PROGRAM_ENTRY, programState } from './programStates'

async function programRow({ models, transaction }: Work, id: string): Promise<ProgramRow> {
  const row = await models.programs.findByPk(id, { transaction })
  if (row === null) throw notFound(THINGS.program)
  return plain(row)
}

const lastTaken = (entries: readonly NotedEntry[]) =>
  entries
    .filter((entry) => !entry.undone)
    .flatMap((entry) => entry.did.flatMap((did) => did.newJarId ?? []))
    .at(-1) ?? null

/** One program with what was noted of it. */
export async function findProgram(work: Work, id: string): Promise<WireRunningProgram> {
  const row = await programRow(work, id)
  const noted = (await entriesOfPrograms(work, [row])).get(id) ?? []
  const jar = await work.models.jars.findByPk(row.jarId, { transaction: work.transaction })
  const iso = (ms: number) => isoOf(ms)
  return {
    id: row.id,
    jarId: row.jarId,
    jarName: jar === null ? 'a jar' : plain(jar).name,
    placeId: row.placeId,
    program: row.program,
    startedAt: iso(Number(row.startedAtMs)),
    endedAt: row.endedAtMs === null ? null : iso(Number(row.endedAtMs)),
    takenJarId: lastTaken(noted),
    entries: noted.map(({ atMs, did: _did, ...entry }) => ({ ...entry, at: iso(atMs) }))
  }
}

/** Begins a program with a jar. A jar is in one at a time. */
export async function startProgram(work: Work, post: z.output<typeof programPostSchema>): Promise<void> {
  const { models, transaction } = work
  if ((await models.programs.count({ where: { id: post.id }, transaction })) > 0) return
  const kitchen = await theKitchen(work)
  placeIn(kitchen, post.placeId)
  const jar = await jarRow(work, post.jarId)
  refuseFuture(post.happenedAt, work.nowMs, REFUSE_JARS.start)
  const others = (await models.programs.findAll({ where: { jarId: jar.id, endedAtMs: null }, transaction })).map(plain)
  const entries = await entriesOfPrograms(work, others)
  if (others.some((row) => programState(row, entries.get(row.id) ?? [], kitchen).status === 'running'))
    throw new Problem(409, 'in a program', REFUSE_JARS.inProgramAlreadyFinishOr(jar.name))
  await models.programs.create(
    {
      id: post.id,
      kitchenId: kitchen.id,
      jarId: jar.id,
      program: post.program,
      placeId: post.placeId,
      startedAtMs: post.happenedAt,
      endedAtMs: null
    },
    { transaction }
  )
}

/** Calls a program off, or goes on with it. */
export async function setProgramEnded(work: Work, id: string, ended: boolean): Promise<void> {
  await programRow(work, id)
  await work.models.programs.update({ endedAtMs: ended ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
}

/** Notes a step of a program, and does what it does to the jar. */
export async function addProgramEntry(work: Work, id: string, entry: z.output<typeof programEntrySchema>): Promise<void> {
  if (await isRecorded(work, entry.id)) return
  const row = await programRow(work, id)
  const noted = (await entriesOfPrograms(work, [row])).get(id) ?? []
  const state = programState(row, noted, await theKitchen(work))
  refuseFuture(entry.happenedAt, work.nowMs, THINGS.step)
  if (row.endedAtMs !== null) throw new Problem(409, 'wrong moment', REFUSE_JARS.thisProgramWasStoppedGo)
  if (state.status !== 'running') throw new Problem(409, 'wrong moment', REFUSE_JARS.thisProgramAtEnd)
  if (entry.step !== state.step) throw new Problem(409, 'stale', REFUSE_JARS.anotherWindowWentOnWith)
  const step = row.program.steps[state.step]
  const deed = entry.outcome === 'done' ? (step?.deed ?? null) : entry.outcome === 'not yet' ? (step?.sign?.meanwhile ?? null) : null
  const { culture, flour, feed } = await jarRow(work, row.jarId)
  const before = deed?.kind === 'become' ? { culture, flour, feed } : undefined
  const did = deed === null ? [] : await doDeed(work, row, deed, entry, lastTaken(noted))
  await record(
    work,
    eventOf(row.kitchenId, row.jarId, entry, PROGRAM_ENTRY, { programId: id, step: entry.step, outcome: entry.outcome, note: entry.note, did, before })
  )
}

type Did = NotedEntry['did'][number]
type Noted = z.output<typeof programEntrySchema>

/** Does to the books what a step does. @returns the events it made */
async function doDeed(work: Work, { jarId, placeId, program }: ProgramRow, deed: Deed, entry: Noted, takenId: string | null): Promise<Did[]> {
  const kitchen = await theKitchen(work)
  const place = kitchen.places.find((p) => p.id === placeId) ?? kitchen.places[0]
  if (place === undefined) throw new Error('A kitchen without a place.')
  const note = () => ({ id: randomUUID(), happenedAt: entry.happenedAt, source: entry.source })
  const usual = { trimGrams: 0, later: null, underWater: false, placeId: place.id, mixTempC: place.tempC }
  switch (deed.kind) {
    case 'feed': {
      const fedId = deed.taken === true ? (takenId ?? jarId) : jarId
      const there = toGrams((await jarForSeed(work, fedId)).milligrams)
      const keepGrams = Math.min(deed.keepGrams ?? there, there)
      // What a culture leaves in its first week is not for eating, so it does not go into the pot.
      const trimGrams = program.kind === 'new culture' ? there - keepGrams : 0
      const feed = { ...note(), ...usual, mixTempC: deed.mixTempC ?? place.tempC, keepGrams, trimGrams, flours: [...deed.flours], waterGrams: deed.waterGrams }
      await feedJar(work, fedId, feed)
      return [{ jarId: fedId, eventId: feed.id }]
    }
    case 'take': {
      const split = {
        ...note(),
        jarId: randomUUID(),
        name: deed.name,
        grams: deed.grams,
        placeId: place.id,
        as: deed.dried ? ('dried' as const) : ('alike' as const)
      }
      await splitJar(work, jarId, split)
      return [{ jarId, eventId: split.id, newJarId: split.jarId }]
    }
    case 'weigh': {
      if (entry.grams === undefined) throw new Problem(400, 'not understood', REFUSE_JARS.weighAndSayHowMuch, { fields: { grams: REFUSE_JARS.whatDoesWeigh } })
      const weighing = { ...note(), grams: entry.grams }
      await weighJar(work, takenId ?? jarId, weighing)
      return [{ jarId: takenId ?? jarId, eventId: weighing.id }]
    }
    case 'wake': {
      const split = { ...note(), jarId: randomUUID(), name: deed.name, grams: deed.grams, placeId: place.id, as: 'woken' as const }
      await splitJar(work, jarId, split)
      const feed = { ...note(), ...usual, keepGrams: deed.grams, flours: [...deed.flours], waterGrams: deed.waterGrams }
      await feedJar(work, split.jarId, feed)
      return [
        { jarId, eventId: split.id, newJarId: split.jarId },
        { jarId: split.jarId, eventId: feed.id }
      ]
    }
    case 'become': {
      await changeCulture(work, await jarRow(work, jarId), deed)
      return []
    }
    case 'move': {
      placeIn(kitchen, deed.placeId)
      const move = { ...note(), placeId: deed.placeId }
      await moveJar(work, jarId, move)
      return [{ jarId, eventId: move.id }]
    }
    case 'give': {
      if (takenId === null) return []
      const end = { ...note(), why: 'given away' as const }
      await endJar(work, takenId, end)
      return [{ jarId: takenId, eventId: end.id }]
    }
  }
}

/** Takes the last entry of a program back, with what it did to jars. */
export async function undoProgramEntry(work: Work, id: string, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const row = await programRow(work, id)
  const noted = (await entriesOfPrograms(work, [row])).get(id) ?? []
  const last = noted.filter((entry) => !entry.undone).at(-1)
  if (last === undefined || last.id !== undo.undoes) throw new Problem(409, 'too late', REFUSE_JARS.onlyLastStepCanBe)
  for (const did of [...last.did].reverse()) {
    const own = { ...undo, id: randomUUID(), undoes: did.eventId }
    const event = await eventById(work, did.eventId)
    if (event?.type === 'ended') await restoreJar(work, did.jarId, own)
    else await undoJar(work, did.jarId, own)
  }
  const { before } = ((await eventById(work, last.id))?.payload ?? {}) as { before?: Pick<JarRow, 'culture' | 'flour' | 'feed'> }
  if (before !== undefined) await work.models.jars.update(before, { where: { id: row.jarId }, transaction: work.transaction })
  await record(work, eventOf(row.kitchenId, row.jarId, undo, 'undo', { undoes: last.id }))
}
