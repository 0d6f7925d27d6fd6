import { literal, Op } from 'sequelize'
import type { z } from 'zod'
import { isoOf, type jarHistoryQuerySchema, type WireJarEvent } from '../../../contract'
import { toGrams } from '../../../core'
import { plain } from '../../db/rows'
import { theKitchen } from '../kitchen/kitchens'
import { undoneIds, type Work } from '../work'
import { jarRow } from './jars'

const TOLD = ['opened', 'feed', 'weighing', 'moved', 'planned move', 'put off', 'split', 'pace', 'look', 'ended', 'corrected'] as const
/** What of a bake takes from a jar or gives back to it. */
const OF_BAKES = ['pour', 'weigh', 'step', 'band', 'mixed'] as const

/** What happened to a jar, newest first: its own, and what bakes drew from it. */
export async function jarHistory(work: Work, jarId: string, { before, limit }: z.output<typeof jarHistoryQuerySchema>) {
  const row = await jarRow(work, jarId)
  const { models, transaction } = work
  const kitchen = await theKitchen(work)
  const account = `jar:${row.id}` as const
  const own = { jarId, type: [...TOLD] }
  // The id of a jar that is there: nothing else can stand in it.
  const ofBakes = { jarId: null, type: [...OF_BAKES], id: { [Op.in]: literal(`(SELECT eventId FROM ledger_entries WHERE account = 'jar:${row.id}')`) } }
  const where = { [Op.or]: [own, ofBakes], ...(before === undefined ? {} : { sequence: { [Op.lt]: before } }) }
  const rows = await models.events.findAll({ where, order: [['sequence', 'DESC']], limit: limit + 1, transaction })
  const shown = rows.slice(0, limit).map(plain)
  const bakeIds = [...new Set(shown.flatMap((event) => event.bakeId ?? []))]
  const [undone, undoneOfBakes, bakes, entries] = await Promise.all([
    undoneIds(work, jarId),
    models.events.findAll({ where: { type: 'undo', bakeId: bakeIds }, transaction }),
    models.bakes.findAll({ where: { id: bakeIds }, transaction }),
    models.ledger.findAll({ where: { account, eventId: shown.map((event) => event.id) }, transaction })
  ])
  for (const event of undoneOfBakes) undone.add(plain(event).payload.undoes)
  const nameOf = new Map(bakes.map((bake) => [plain(bake).id, plain(bake).plan.name]))
  const cameIn = (eventId: string) => entries.reduce((sum, entry) => (entry.get('eventId') === eventId ? sum + (entry.get('milligrams') as number) : sum), 0)
  const figure = (value: unknown) => (typeof value === 'number' ? value : null)
  const events = shown.map(({ id, bakeId, happenedAtMs, type, payload }): WireJarEvent => {
    const common = {
      id,
      at: isoOf(Number(happenedAtMs)),
      undone: undone.has(id),
      rise: figure(payload.rise),
      pH: figure(payload.pH),
      until: typeof payload.until === 'number' ? isoOf(payload.until) : null,
      bakeName: nameOf.get(bakeId ?? '') ?? null
    }
    if (bakeId !== null) {
      const milligrams = cameIn(id)
      const nothing = { keepGrams: null, flourGrams: null, waterGrams: null, placeName: null }
      return { ...common, ...nothing, type: milligrams < 0 ? 'drawn' : 'returned', grams: Math.abs(toGrams(milligrams)) }
    }
    const later = payload.later as { placeId?: string } | null | undefined
    const placeId = later?.placeId ?? payload.placeId
    return {
      ...common,
      type: type as WireJarEvent['type'],
      grams: figure(payload.grams),
      keepGrams: figure(payload.keepGrams),
      flourGrams: figure(payload.flourGrams),
      waterGrams: figure(payload.waterGrams),
      placeName: kitchen.places.find((p) => p.id === placeId)?.name ?? null
    }
  })
  return { events, next: rows.length > limit ? (shown.at(-1)?.sequence ?? null) : null }
}
