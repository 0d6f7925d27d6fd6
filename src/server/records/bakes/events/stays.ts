import { millisecondsInHour } from 'date-fns/constants'
import type { Kitchen, Plan } from '../../../../contract'
import { type BakeState, doughPlaces, type VesselMaterial } from '../../../../core'
import { plain } from '../../../db/rows'
import { type NewStay, stayAt } from '../../jars/batches'
import type { Work } from '../../work'

/** Where a levain stands: as planned, until it was moved otherwise. */
export function staysOfPlan(kitchen: Kitchen, plan: Plan, startMs: number, moves: BakeState['moves']): NewStay[] {
  const planned = [
    stayAt(kitchen, plan.placeId, startMs, plan.tempC),
    ...plan.moves.map((move) => stayAt(kitchen, move.placeId, startMs + move.afterHours * millisecondsInHour, move.tempC))
  ].sort((a, b) => a.fromMs - b.fromMs)
  const first = moves[0]
  if (first === undefined) return planned
  return [...planned.filter((stay) => stay.fromMs < first.atMs), ...moves.map((move) => stayAt(kitchen, move.placeId, move.atMs, move.tempC))]
}

/** Where a dough stands: as it was moved, and as it is planned from there on. */
export function doughStays(kitchen: Kitchen, plan: Plan, mixedMs: number, state: Pick<BakeState, 'doughMoves' | 'deeds'>): NewStay[] {
  const planned = plan.course ?? { placeId: plan.placeId, tempC: plan.tempC }
  return doughPlaces(planned, mixedMs, state).map(({ placeId, fromMs, tempC }) => stayAt(kitchen, placeId, fromMs, tempC))
}

/** What the vessel of a plan is made of. */
export async function materialOf({ models, transaction }: Work, { build }: Plan): Promise<VesselMaterial | null> {
  const row = build.vesselId === null ? null : await models.vessels.findByPk(build.vesselId, { transaction })
  return row === null ? null : plain(row).material
}
