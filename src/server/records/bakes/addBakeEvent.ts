import { randomUUID } from 'node:crypto'
import { happeningOf, statusOf } from '../../../answers'
import { type BakeEvent, eventToWire, type Plan, planToWire } from '../../../contract'
import { foldBake, hangsOn, hasBegun, type Ingredient, ingredientsOf, type Pantry, withParts } from '../../../core'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import type { BakeRow } from '../../db/rows'
import { Problem } from '../../problems'
import { refuseFuture } from '../jars/jars'
import { pantryIn } from '../shelf/ingredients'
import { isRecorded, record, type Work } from '../work'
import { bakeRow, eventsOf } from './bakes'
import { isEcho } from './events/echo'
import { effectOf } from './events/effects'
import type { KeptBake } from './keptBake'
import { learnFromBakes } from './learnFromBakes'
import { putShareAway } from './sharedPots'

/** Keeps what happened to a bake. Sent twice, it counts once. */
export async function addBakeEvent(work: Work, bakeId: string, sent: BakeEvent): Promise<void> {
  if (await isRecorded(work, sent.id)) return
  const row = await bakeRow(work, bakeId)
  if (row.deletedAtMs !== null) throw new Problem(409, 'taken away', REFUSE_BAKES.thisBakeWasRemovedPut)
  refuseFuture(sent.happenedAt, work.nowMs, REFUSE_BAKES.whatYouNoted)
  const event = withFlour(sent, row.plan)
  const noted = (await eventsOf(work, [bakeId])).get(bakeId) ?? []
  if (isEcho(noted, event)) return
  if (event.type === 'undo' && event.withAll === true) return takeBackWithAll(work, bakeId, event, noted)
  const before = noted.map(happeningOf)
  const state = foldBake(before)
  if (event.type === 'undo') await putShareAway(work, row.plan, false)
  const effect = await effectOf(event.type, { work, row, state, event, before })
  const { id, happenedAt: _, source: __, device, type, ...payload } = eventToWire(event)
  await record(
    work,
    {
      id,
      kitchenId: row.kitchenId,
      bakeId,
      jarId: null,
      batchId: effect.batchId,
      type,
      payload: { ...payload, ...(effect.trace === undefined ? {} : { trace: effect.trace }) },
      happenedAtMs: event.happenedAt,
      source: event.source,
      device: device ?? null
    },
    effect.entries
  )
  const after = foldBake([...before, happeningOf(event)])
  const plan = effect.plan ?? row.plan
  const status = statusOf(plan, after.status)
  await work.models.bakes.update(
    {
      ...(effect.plan === undefined ? {} : { plan: planToWire(plan), mixAtMs: plan.mixAt }),
      status,
      frozen: await frozenOf(work, { ...row, plan }, hasBegun(after)),
      version: row.version + 1
    },
    { where: { id: bakeId }, transaction: work.transaction }
  )
  await putShareAway(work, row.plan, status === 'baked')
  if (state.deeds.has('bake') || after.deeds.has('bake')) await learnFromBakes(work)
}

/** Takes something back together with what stands on it, the last first: all of it, or nothing. */
async function takeBackWithAll(
  work: Work,
  bakeId: string,
  { withAll: _, ...undo }: Extract<BakeEvent, { type: 'undo' }>,
  noted: readonly BakeEvent[]
): Promise<void> {
  for (const { id } of hangsOn(noted.map(happeningOf), undo.undoes) ?? []) await addBakeEvent(work, bakeId, { ...undo, id: randomUUID(), undoes: id })
  await addBakeEvent(work, bakeId, undo)
}

/** A pour of flour says which; where the levain has one flour only it is that. */
function withFlour(event: BakeEvent, plan: Plan): BakeEvent {
  if (event.type !== 'pour' || event.item !== 'flour' || event.ingredientId !== undefined) return event
  const [only, ...others] = plan.build.flours.filter((p) => p.share > 0)
  if (only === undefined || others.length > 0) {
    throw new Problem(400, 'which flour', REFUSE_BAKES.thisLevainHasSeveralFlours, { fields: { ingredientId: REFUSE_RECORDS.chooseFlour } })
  }
  return { ...event, ingredientId: only.ingredientId }
}

/** A started bake keeps its plan and what its ingredients were; one whose pours were all taken back is free again. */
async function frozenOf(work: Work, row: KeptBake, begun: boolean): Promise<BakeRow['frozen']> {
  if (!begun) return null
  return { plan: planToWire(row.plan), ingredients: row.frozen?.ingredients ?? usedIngredients(row.plan, await pantryIn(work)) }
}

function usedIngredients({ formula, build }: Plan, pantry: Pantry): Ingredient[] {
  const ids = [
    ...formula.lines.flatMap((line) => (line.kind === 'pre-ferment' ? ingredientsOf(line.mix) : 'ingredientId' in line ? [line.ingredientId] : [])),
    ...build.flours.map((p) => p.ingredientId),
    'water',
    'salt'
  ]
  return withParts(ids, pantry)
}
