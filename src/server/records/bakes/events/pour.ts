import { awaitsPot } from '../../../../answers'
import { kindsOfBlend, mainKind, pourKey, toMilligrams, transfer } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { createBatch } from '../../jars/batches'
import { levainOfBake } from '../bakes'
import { seedSource } from '../firstBuild'
import { pantryFor } from '../keptBake'
import { type Effect, type Told, wrongMoment } from './effect'
import { drawn, guardOlder, refuseMoreThanThereIs } from './pourSources'
import { refuseSecond } from './refuseSecond'

/** Something goes into the levain: out of the jar, a first build, the pot or the shelf. */
export async function pour({ work, row, state, event }: Told<'pour'>): Promise<Effect> {
  if (state.band !== null) throw wrongMoment(REFUSE_BAKES.levelMarkedAlreadySoNothing)
  const { jarId, build, levainFrom } = row.plan
  if (awaitsPot(row.plan)) throw wrongMoment(REFUSE_BAKES.levainComesOutOfPot)
  refuseSecond(event, state.pours.get(pourKey(event)) ?? [])
  const poured = toMilligrams(event.weighedGrams)
  const { first, fromFirst } = event.item === 'seed' ? await seedSource(work, row, poured) : { first: null, fromFirst: 0 }
  if (event.item === 'seed' && poured > fromFirst)
    // A jar that only holds a share of a pot may be emptied.
    await refuseMoreThanThereIs(work, jarId, poured - fromFirst, levainFrom != null || (build.source !== 'as it is' && build.keepBackGrams > 0))
  const olderJarId = build.older.jarId ?? null
  if (event.item === 'older levain') await guardOlder(work, jarId, olderJarId)
  const levain = await levainOfBake(work, row.id)
  const batchId =
    levain?.id ??
    (await createBatch(work, {
      kitchenId: row.kitchenId,
      kind: 'levain',
      jarId,
      bakeId: row.id,
      startedAtMs: null,
      flour: mainKind(kindsOfBlend(build.flours, await pantryFor(work, row)) ?? {}),
      floursMg: {},
      waterMg: 0,
      saltMg: 0,
      mixTempC: null,
      parents: [],
      stays: []
    }))
  const fromBuild = first === null ? [] : transfer(`batch:${first.id}`, `batch:${batchId}`, fromFirst)
  return { entries: [...fromBuild, ...(await drawn(work, event, jarId, olderJarId, batchId, poured - fromFirst))], batchId }
}
