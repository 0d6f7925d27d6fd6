import { Op } from 'sequelize'
import { stateOf } from '../../../answers'
import type { JarBuild, JarLook } from '../../../contract'
import { type BatchLine, undisturbed } from '../../../core'
import { plain } from '../../db/rows'
import { eventsOf } from '../bakes/bakes'
import { undoneIds, type Work } from '../work'
import { linesOf } from './batches'
import { descentOf } from './descent'
import { findJar } from './jars'

/** Builds a log goes back. */
const MOST_BUILDS = 200

/**
 * The finished builds of a jar, oldest first: what its pace is learned from. A log that was begun anew starts there; that of a jar that came out of others goes
 * on from theirs.
 */
export async function jarLog(work: Work, jarId: string): Promise<{ builds: JarBuild[] }> {
  const { pace } = await findJar(work, jarId)
  const sinceMs = pace.kind === 'learned' && pace.since !== null ? pace.since : 0
  const builds: JarBuild[] = []
  for (const { id, untilMs } of await descentOf(work, jarId)) {
    const earlier = (await buildsOf(work, id, sinceMs)).filter(({ line, mixedAt }) => mixedAt <= untilMs && !builds.some((known) => isSame(known.line, line)))
    builds.push(...earlier)
  }
  return { builds: builds.sort((a, b) => a.line.startedAtMs - b.line.startedAtMs).slice(-MOST_BUILDS) }
}

/** Whether it is the same levain: what was seen of it went along with a share of it. */
const isSame = (a: BatchLine, b: BatchLine) => a.startedAtMs === b.startedAtMs

/** What one jar has seen itself. */
async function buildsOf(work: Work, jarId: string, sinceMs: number): Promise<JarBuild[]> {
  const { models, transaction } = work
  const levains = (
    await models.batches.findAll({ where: { kind: ['levain', 'preferment'], jarId }, order: [['startedAtMs', 'DESC']], limit: MOST_BUILDS, transaction })
  )
    .map(plain)
    // Starter that was used as it is was no build: nothing new rose in it.
    .filter((batch) => batch.startedAtMs !== null && Number(batch.startedAtMs) >= sinceMs && Object.keys(batch.floursMg).length > 0)
  const bakeIds = levains.flatMap((batch) => batch.bakeId ?? [])
  const [bakes, events, fedAgain] = await Promise.all([
    models.bakes.findAll({ where: { id: bakeIds, deletedAtMs: null }, transaction }),
    eventsOf(work, bakeIds),
    models.events.findAll({ where: { type: 'fed again', bakeId: bakeIds }, order: [['sequence', 'ASC']], transaction })
  ])
  const fedIn = new Map(fedAgain.map(plain).map(({ batchId, id }) => [batchId ?? '', id]))
  const nameOf = new Map(bakes.map(plain).map((bake) => [bake.id, bake.plan.name]))
  const mixedOnes = levains.reverse().flatMap(({ id, bakeId, kind }) => {
    const name = nameOf.get(bakeId ?? '')
    const happened = events.get(bakeId ?? '') ?? []
    if (kind === 'preferment') {
      // A levain that became the seed of the next tells as much of its jar as one that was mixed; what was never looked at tells nothing.
      const fed = happened.findIndex((e) => e.id === fedIn.get(id))
      const { marks } = stateOf(happened.slice(0, Math.max(fed, 0)))
      const mixedAt = happened[fed]?.happenedAt
      return name === undefined || mixedAt === undefined || marks.length === 0
        ? []
        : [{ id, bakeId, name, marks, metered: [], mixedAt, mixedAs: undefined, breadRise: undefined }]
    }
    const { marks, mixed, readings, outcome } = stateOf(happened)
    const metered = readings.flatMap(({ atMs, pH }) => (pH === undefined ? [] : [{ at: atMs, pH }]))
    return name === undefined || mixed === null ? [] : [{ id, bakeId, name, marks, metered, mixedAt: mixed.atMs, mixedAs: mixed.was, breadRise: outcome?.rise }]
  })
  const lines = await linesOf(
    work,
    mixedOnes.map(({ id }) => id),
    { usedUp: new Map(mixedOnes.map(({ id, mixedAt }) => [id, mixedAt])) }
  )
  const doughs = await doughsOf(
    work,
    mixedOnes.flatMap(({ bakeId, metered }) => (metered.length > 0 && bakeId !== null ? [bakeId] : []))
  )
  const builds = mixedOnes.flatMap(({ id, bakeId, name, marks, metered, mixedAt, mixedAs, breadRise }): JarBuild[] => {
    const line = lines.get(id)
    if (line === undefined) return []
    const dough = doughs.get(bakeId ?? '')
    const seen = undisturbed(marks).map(({ atMs, rise, pH, signs }) => ({ at: atMs, rise, pH, signs }))
    return [
      { batchId: id, name, kind: 'levain', line, marks: seen, mixedAt, mixedAs, breadRise, dough: dough === undefined ? undefined : { line: dough, metered } }
    ]
  })
  return [...builds, ...(await lookedAtFeeds(work, jarId, sinceMs))]
}

/** Doughs by their bake. */
async function doughsOf(work: Work, bakeIds: readonly string[]): Promise<Map<string, BatchLine>> {
  const rows = await work.models.batches.findAll({ where: { kind: 'dough', bakeId: bakeIds as string[] }, transaction: work.transaction })
  const bakeOf = new Map(rows.map(plain).map(({ id, bakeId }) => [id, bakeId ?? '']))
  const lines = await linesOf(work, [...bakeOf.keys()])
  return new Map([...lines].map(([id, line]) => [bakeOf.get(id) ?? '', line]))
}

/** Feeds of the jar that somebody looked at while they rose. */
async function lookedAtFeeds(work: Work, jarId: string, sinceMs: number): Promise<JarBuild[]> {
  const undone = await undoneIds(work, jarId)
  const rows = await work.models.events.findAll({
    where: { type: 'look', jarId, happenedAtMs: { [Op.gte]: sinceMs } },
    order: [['happenedAtMs', 'ASC']],
    transaction: work.transaction
  })
  const looks = new Map<string, (JarBuild['marks'][number] & Pick<JarLook, 'explained'>)[]>()
  for (const { id, batchId, happenedAtMs, payload } of rows.map(plain)) {
    if (batchId === null || undone.has(id)) continue
    const { rise, pH, signs, explained } = payload as Pick<JarLook, 'rise' | 'pH' | 'signs' | 'explained'>
    looks.set(batchId, [...(looks.get(batchId) ?? []), { at: Number(happenedAtMs), rise, pH, signs, explained }])
  }
  const latest = [...looks].slice(-MOST_BUILDS)
  const lines = await linesOf(
    work,
    latest.map(([batchId]) => batchId),
    { usedUp: new Map(latest.map(([batchId, marks]) => [batchId, marks.at(-1)?.at ?? work.nowMs])) }
  )
  return latest.flatMap(([batchId, marks]): JarBuild[] => {
    const line = lines.get(batchId)
    const last = marks.at(-1)
    return line === undefined || last === undefined
      ? []
      : [{ batchId, name: 'A feed', kind: 'feed', line, marks: undisturbed(marks).map(({ explained: _said, ...seen }) => seen), mixedAt: last.at }]
  })
}
