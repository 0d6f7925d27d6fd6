import type { BakeEvent } from '../../../../contract'
import { pourKey, weighKey } from '../../../../core'

/** Two windows read the same scale: what both say of it within so long, and so near, is one pour. */
const ECHO = { ms: 8000, grams: 2 } as const

/** Whether a pour is what another window has noted of the same device just before. */
export function isEcho(noted: readonly BakeEvent[], event: BakeEvent): boolean {
  if ((event.type !== 'pour' && event.type !== 'weigh') || event.source !== 'device') return false
  const keyOf = (e: BakeEvent) => (e.type === 'pour' ? pourKey(e) : e.type === 'weigh' ? weighKey(e) : null)
  return noted.some(
    (e) =>
      (e.type === 'pour' || e.type === 'weigh') &&
      e.source === 'device' &&
      e.device === event.device &&
      keyOf(e) === keyOf(event) &&
      Math.abs(e.happenedAt - event.happenedAt) < ECHO.ms &&
      Math.abs(e.weighedGrams - event.weighedGrams) <= ECHO.grams &&
      !noted.some((u) => u.type === 'undo' && u.undoes === e.id)
  )
}
