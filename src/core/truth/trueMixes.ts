import { keysOf } from '../units/keysOf'
import { mixPaceOf } from './trueRise'

/** What a made-up baker feeds a jar with, and how it behaves. */
export interface TrueMix {
  /** Water ÷ flour. */
  readonly hydration: number
  /** Factor on pace, and on the height it reaches. */
  readonly pace: number
  readonly height: number
  /** It neither domes nor floats nor pulls webs. */
  readonly dense: boolean
}

/** Mixes the judgement is tried on. Source: craft knowledge; the figures are not the forecast's own. */
export const TRUE_MIXES = {
  white: { hydration: 1, pace: 1, height: 1, dense: false },
  wholegrain: { hydration: 1, pace: 1.18, height: 0.75, dense: false },
  rye: { hydration: 1, pace: 1.25, height: 0.5, dense: true },
  wet: { hydration: 1.5, pace: 1, height: 1, dense: false },
  stiff: { hydration: 0.5, pace: mixPaceOf({ hydration: 0.5, salt: 0 }), height: 1, dense: false },
  'gluten-free': { hydration: 1.1, pace: 1.12, height: 0.4, dense: true }
} as const satisfies Record<string, TrueMix>
export type TrueMixName = keyof typeof TRUE_MIXES
export const TRUE_MIX_NAMES = keysOf(TRUE_MIXES)
