import type { Kitchen } from '../../contract'
import { nightAt } from '../../core'

/** When somebody is up for what would be due at a moment: then, or at the end of the night it falls into, ms. */
export const awakeAt = ({ sleep, timeZone }: Pick<Kitchen, 'sleep' | 'timeZone'>, ms: number): number => nightAt(ms, sleep, timeZone)?.toMs ?? ms
