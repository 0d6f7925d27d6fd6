import { toGrams } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'

/**
 * Refuses a pour when another device has noted one of the same item since: nobody knows whether it is the same one.
 * @param there what stands of it already
 */
export function refuseSecond({ nth, weighedGrams }: { nth?: number; weighedGrams: number }, there: readonly { readonly grams: number }[]): void {
  if (nth === undefined || there.length <= nth) return
  const grams = there.reduce((sum, p) => sum + p.grams, 0)
  throw new Problem(409, 'poured already', REFUSE_BAKES.anotherDeviceHasNotedG(toGrams(Math.round(grams * 1000)), weighedGrams))
}
