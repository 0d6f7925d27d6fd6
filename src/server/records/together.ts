import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import type { togetherSchema, undoSchema } from '../../contract'
import { REFUSE_RECORDS } from '../../words/refusals/records'
import { notFound, Problem } from '../problems'
import { addBakeEvent } from './bakes/addBakeEvent'
import { feedByHand } from './jars/deeds/feedByHand'
import { moveJar } from './jars/deeds/move'
import { splitJar } from './jars/deeds/split'
import { undoJar } from './jars/deeds/undo'
import { theKitchen } from './kitchen/kitchens'
import { eventById, eventOf, isRecorded, record, undoneIds, type Work } from './work'

/** Type of the event that holds the parts together. */
const TOGETHER = 'together'

/** What one part has become: whose event it is. */
interface Done {
  readonly jarId?: string
  readonly bakeId?: string
  readonly eventId: string
}

/** Does several things that belong together, in their order. Sent twice, they count once. */
export async function doTogether(work: Work, { parts, ...note }: z.output<typeof togetherSchema>): Promise<void> {
  if (await isRecorded(work, note.id)) return
  const kitchen = await theKitchen(work)
  const done: Done[] = []
  for (const part of parts) done.push(await doPart(work, part))
  await record(work, eventOf(kitchen.id, null, note, TOGETHER, { done }))
}

async function doPart(work: Work, part: z.output<typeof togetherSchema>['parts'][number]): Promise<Done> {
  switch (part.do) {
    case 'feed':
      await feedByHand(work, part.jarId, part.feed)
      return { jarId: part.jarId, eventId: part.feed.id }
    case 'split':
      await splitJar(work, part.jarId, part.split)
      return { jarId: part.jarId, eventId: part.split.id }
    case 'move':
      await moveJar(work, part.jarId, part.move)
      return { jarId: part.jarId, eventId: part.move.id }
    case 'note':
      await addBakeEvent(work, part.bakeId, part.event)
      return { bakeId: part.bakeId, eventId: part.event.id }
  }
}

/** Takes all parts back, the last one first; none where one of them cannot be. */
export async function undoTogether(work: Work, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const event = await eventById(work, undo.undoes)
  if (event === null || event.type !== TOGETHER) throw notFound('This')
  if ((await undoneIds(work, null)).has(undo.undoes)) throw new Problem(409, 'too late', REFUSE_RECORDS.thisHasBeenTakenBack)
  for (const { jarId, bakeId, eventId } of [...(event.payload.done as readonly Done[])].reverse()) {
    const own = { ...undo, id: randomUUID(), undoes: eventId }
    if (jarId !== undefined) await undoJar(work, jarId, own)
    else if (bakeId !== undefined) await addBakeEvent(work, bakeId, { ...own, type: 'undo' })
  }
  await record(work, eventOf(event.kitchenId, null, undo, 'undo', { undoes: undo.undoes }))
}
