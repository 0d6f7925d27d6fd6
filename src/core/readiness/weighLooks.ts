import { correctDraws, type Sighting } from '../ferment/correctDraws'
import { type Draws, drawnGas } from '../ferment/forecast'
import { LEVELS } from '../ferment/milestones'
import type { Observation } from '../ferment/oneBuild'
import { entriesOf, recordOf } from '../units/keysOf'
import { quantileOf } from '../units/quantile'
import { type CultureManner, likelihood, type Signs, temperOf } from './likelihoods'
import { AS_MARKED, type Mark, type Reads, since } from './marks'
import { PHASES, type Phase, phaseAt } from './phases'
import { blended, type Phases, type Surprise, surpriseOf } from './surprise'

type Level = Extract<Observation, { kind: 'level' }>

/** A running build after the looks so far. */
export interface Weighed {
  /** The draws as levels and signs have corrected them. */
  readonly draws: Draws
  /** Whether the last look is to be believed against all of them. */
  readonly surprise: Surprise | null
}

/**
 * Corrects the draws by the looks at the jar: levels, and signs by the phase they go with.
 */
export function weighDraws(draws: Draws, marks: readonly Mark[], manner: CultureManner): Weighed {
  if (marks.length === 0) return { draws, surprise: null }
  const levels = marks.flatMap(({ hours, rise }): Level[] => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))
  const last = marks.reduce((latest, mark) => (mark.hours >= latest.hours ? mark : latest))
  const sightings = (looks: readonly Mark[]) =>
    looks.flatMap(({ hours, signs }): Sighting[] => (signs === undefined || Object.keys(signs).length === 0 ? [] : [sightingOf(hours, signs, manner)]))
  const before = correctDraws(draws, levels, sightings(marks.filter((mark) => mark !== last)))
  const foretold = drawnPhases(before, last.hours)
  const { signs = {}, rise = null, hours } = last
  const isSaid = marks.some((mark) => mark.explained === 'right' && hasFallen(mark, levels))
  const surprise = surpriseOf({ signs, hasFallen: hasFallen(last, levels), isSaid, rise, hours }, foretold, manner)
  return { draws: sightings([last]).length === 0 ? before : correctDraws(draws, levels, sightings(marks)), surprise }
}

/** Signs of one look: how likely they are of each phase. */
function sightingOf(hours: number, signs: Signs, manner: CultureManner): Sighting {
  const logs = recordOf(PHASES, (phase) =>
    entriesOf(signs).reduce(
      (sum, [kind, sign]) => (sign === undefined ? sum : sum + temperOf(kind, manner, sign) * Math.log(likelihood(kind, sign, phase, manner))),
      0
    )
  )
  return { hours, logOf: (onHill) => logs[phaseAt(onHill, onHill.gas, hours)] }
}

/**
 * Levels as they would be read had nobody stirred the levain or moved its band: those after it count from what was forecast at that moment.
 * @param marks as they were noted, in the order of time
 */
export function straightened(draws: Draws, marks: readonly Mark[], manner: CultureManner): { readonly marks: readonly Mark[]; readonly reads: Reads } {
  let reads = AS_MARKED
  const straight: Mark[] = []
  for (const mark of marks) {
    const { explained, rise } = mark
    if (explained === 'stirred' || explained === 'band moved') {
      const before = weighDraws(draws, straight, manner)
      const foretold = medianGas(before, mark.hours)
      reads = since(reads, explained, rise ?? 1, foretold)
      // What a stirred levain shows says nothing of its age.
      straight.push({ hours: mark.hours, explained })
    } else straight.push(rise === undefined ? mark : { ...mark, rise: rise * reads.scale + reads.lostGas })
  }
  return { marks: straight, reads }
}

function medianGas({ draws }: Weighed, hours: number): number {
  return quantileOf(
    Float64Array.from(draws.milestones, (_, k) => drawnGas(draws, k, hours)),
    0.5
  )
}

/** Two readings of one level differ by less than this share of it: early on, when little has risen, one below another is no fall. */
const READ_ALIKE = 0.12

/** A level so far below the highest one read before, by its g and by more than readings are off by, that it has collapsed. */
const hasFallen = ({ hours, rise }: Mark, levels: readonly Level[]) =>
  rise !== undefined && levels.some((l) => l.hours < hours && rise - 1 < LEVELS.collapsed * (l.rise - 1) && rise < (1 - READ_ALIKE) * l.rise)

/** Nobody times a look or a mix closer than this, h. */
const WITHIN_HOURS = 1 / 3
/** The slower a levain, the longer its window: so much of its hours counts as nothing, too. */
const WITHIN_SHARE = 0.05

/** How far from its window a levain counts as in it, h. @param hours since mixing */
export const withinHours = (hours: number) => Math.max(WITHIN_HOURS, WITHIN_SHARE * hours)

/** Moments around one that count as that one, in shares of WITHIN_HOURS. */
const AROUND = [-1, -0.5, 0, 0.5, 1] as const

/** How likely each phase is at a time, and the one it is most likely in, or within twenty minutes of. */
export function phasesOf({ draws, surprise }: Weighed, hours: number): { readonly phases: Phases; readonly phase: Phase } {
  const believed = (drawn: Phases) => (surprise === null ? drawn : blended(drawn, surprise, hours))
  return { phases: believed(drawnPhases(draws, hours)), phase: likeliest(believed(phasesAround(draws, hours))) }
}

/** Who looks at a levain mostly does so when it should be ready: it is called at its peak where that is so nearly as likely as anything else. Source: craft knowledge. */
const PEAK_FROM = 0.75

function likeliest(phases: Phases): Phase {
  const best = PHASES.reduce((most, p) => (phases[p] > phases[most] ? p : most))
  return phases.peak >= PEAK_FROM * phases[best] ? 'peak' : best
}

/** How likely it is in each phase at some moment of the twenty minutes before and after; they sum to more than 1. */
function phasesAround(draws: Draws, hours: number): Phases {
  const around = recordOf(PHASES, () => 0)
  draws.milestones.forEach((m, k) => {
    const met = AROUND.map((share) => Math.max(hours + share * WITHIN_HOURS, 0)).map((h) => phaseAt(m, drawnGas(draws, k, h), h))
    for (const phase of new Set(met)) around[phase] += 1 / draws.milestones.length
  })
  return around
}

function drawnPhases(draws: Draws, hours: number): Phases {
  const phases = recordOf(PHASES, () => 0)
  draws.milestones.forEach((m, k) => {
    phases[phaseAt(m, drawnGas(draws, k, hours), hours)] += 1 / draws.milestones.length
  })
  return phases
}
