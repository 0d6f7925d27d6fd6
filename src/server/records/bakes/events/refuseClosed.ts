import type { BakeState, RepairInto } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { wrongMoment } from './effect'

/** Refuses what comes after its bowl was closed. */
export function refuseClosed({ band, mixed }: BakeState, into: RepairInto): void {
  if (into === 'levain' && band !== null) throw wrongMoment(REFUSE_BAKES.levelMarkedAlreadySoNothing)
  if (into !== 'levain' && mixed !== null) throw wrongMoment(REFUSE_BAKES.doughMixedAlreadySoNothing)
}
