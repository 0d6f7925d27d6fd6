import { Op } from 'sequelize'
import type { z } from 'zod'
import { isoOf, type jarHistoryQuerySchema, type WireJarEvent } from '../../contract'
import { plain } from '../db/models'
import { findJar } from './jars'
import { theKitchen } from './kitchens'
import { undoneIds, type Work } from './work'

const TOLD = ['opened', 'feed', 'weighing', 'moved', 'split', 'pace', 'look', 'ended'] as const

/** What happened to a jar, newest first. */
export async function jarHistory(work: Work, jarId: string, { before, limit }: z.output<typeof jarHistoryQuerySchema>) {
  await findJar(work, jarId)
  const { models, transaction } = work
  const kitchen = await theKitchen(work)
  const where = { jarId, type: [...TOLD], ...(before === undefined ? {} : { sequence: { [Op.lt]: before } }) }
  const rows = await models.events.findAll({ where, order: [['sequence', 'DESC']], limit: limit + 1, transaction })
  const undone = await undoneIds(work, jarId)
  const shown = rows.slice(0, limit).map(plain)
  const figure = (value: unknown) => (typeof value === 'number' ? value : null)
  const events = shown.map(({ id, happenedAtMs, type, payload }): WireJarEvent => {
    const later = payload.later as { placeId?: string } | null | undefined
    const placeId = later?.placeId ?? payload.placeId
    return {
      id,
      at: isoOf(Number(happenedAtMs)),
      type: type as WireJarEvent['type'],
      undone: undone.has(id),
      grams: figure(payload.grams),
      keepGrams: figure(payload.keepGrams),
      flourGrams: figure(payload.flourGrams),
      waterGrams: figure(payload.waterGrams),
      rise: figure(payload.rise),
      placeName: kitchen.places.find((p) => p.id === placeId)?.name ?? null
    }
  })
  return { events, next: rows.length > limit ? (shown.at(-1)?.sequence ?? null) : null }
}
