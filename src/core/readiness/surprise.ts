import { NOISE } from '../ferment/constants'
import type { School } from '../ferment/forecast'
import { LEVELS } from '../ferment/milestones'
import { entriesOf, recordOf } from '../units/keysOf'
import { normalBelow } from '../units/normalBelow'
import { sure } from '../units/sure'
import { type CultureManner, likelihood, type Signs } from './likelihoods'
import { LAG_GAS, PHASES, type Phase } from './phases'

/** Shares of the phases. */
export type Phases = Readonly<Record<Phase, number>>

/** So often a levain does what no forecast has of it: knocked about, forgotten in the sun, noted for the wrong jar. */
const STRANGE = 0.04
/** How often a level has fallen to less than four fifths of what was read before, by phase: only a collapsed one really has. */
const FALLEN: Readonly<Record<Phase, number>> = { lag: 0.02, climbing: 0.02, young: 0.02, peak: 0.03, easing: 0.2, collapsed: 0.9 }
/** A fall that the baker says is right is believed so far at least, whatever the forecast has of it. Source: craft knowledge. */
const SAID_TO_HAVE_FALLEN = 0.8
/** Phases in which a school mixes. */
const FIT: Readonly<Record<School, readonly Phase[]>> = {
  young: ['young'],
  dome: ['peak'],
  mature: ['easing'],
  'full sour': ['collapsed'],
  'for taste': PHASES
}

/** A level that a phase cannot have is a slip of the thumb so often. Source: craft knowledge. */
const LEAST_LEVEL = 0.02

/** What the last look shows by itself. */
export interface LastLook {
  readonly signs: Signs
  /** The level has fallen far below what was read before. */
  readonly hasFallen: boolean
  /** The baker says that such a fall is right. */
  readonly isSaid: boolean
  /** The level as it would be read had nothing disturbed it; null: none was. */
  readonly rise: number | null
  /** Hours since mixing. */
  readonly hours: number
}

/** What is thought of a levain that does not do as foretold. */
export interface Surprise {
  /** How likely the forecast does not hold at all. */
  readonly strange: number
  /** Phases by the last look alone. */
  readonly phases: Phases
  /** When that was, hours since mixing. */
  readonly hours: number
}

/**
 * Weighs whether a look is so unlike the forecast that it is to be believed against it.
 * @param foretold phases as the forecast had them at that look, before its signs
 */
export function surpriseOf({ signs, hasFallen, isSaid, rise, hours }: LastLook, foretold: Phases, manner: CultureManner): Surprise {
  const seen = PHASES.map((phase) => {
    const all = entriesOf(signs).reduce((product, [kind, sign]) => (sign === undefined ? product : product * likelihood(kind, sign, phase, manner)), 1)
    return all * (hasFallen ? FALLEN[phase] : 1) * levelIn(phase, rise)
  })
  const alone = seen.reduce((sum, s) => sum + s, 0) / PHASES.length
  const told = seen.reduce((sum, s, i) => sum + s * foretold[sure(PHASES[i])], 0)
  const unlike = (STRANGE * alone) / (STRANGE * alone + (1 - STRANGE) * told)
  const strange = hasFallen && isSaid ? Math.max(unlike, SAID_TO_HAVE_FALLEN) : unlike
  const phases = recordOf(PHASES, (_, i) => (seen[i] ?? NaN) / (alone * PHASES.length))
  return { strange, phases, hours }
}

/** How well a level goes with a phase that ends at one: what has doubled is neither in its lag nor climbing. */
function levelIn(phase: Phase, rise: number | null): number {
  const mostGas = phase === 'lag' ? LAG_GAS : phase === 'climbing' ? LEVELS.doubled : null
  if (mostGas === null || rise === null) return 1
  return Math.max(normalBelow((1 + mostGas - rise) / (NOISE.readingSd * rise)), LEAST_LEVEL)
}

/** How likely the forecast does not hold by now: a look at one that climbs says less by the hour, one that is past stays past. */
export function strangeAt({ strange, phases, hours }: Surprise, nowHours: number): number {
  const past = phases.easing + phases.collapsed
  return strange * (past + (1 - past) * Math.exp(-Math.max(nowHours - hours, 0)))
}

/** Phases of the forecast and of the last look, each as far as it is believed by now. */
export function blended(foretold: Phases, surprise: Surprise, nowHours: number): Phases {
  const strange = strangeAt(surprise, nowHours)
  return recordOf(PHASES, (p) => (1 - strange) * foretold[p] + strange * surprise.phases[p])
}

/** The same for the chance that it is fit for a school. */
export function blendedFit(fit: number, school: School, surprise: Surprise, nowHours: number): number {
  const strange = strangeAt(surprise, nowHours)
  return (1 - strange) * fit + strange * FIT[school].reduce((sum, phase) => sum + surprise.phases[phase], 0)
}
