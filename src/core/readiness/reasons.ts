import { type Draws, drawnGas } from '../ferment/forecast'
import { entriesOf, recordOf } from '../units/keysOf'
import { sure } from '../units/sure'
import { type CultureManner, likelihood, rowsOf, SIGN_KINDS, type SignKind, temperOf } from './likelihoods'
import type { Mark } from './marks'
import { PHASES, phaseAt } from './phases'
import type { Phases } from './surprise'
import { phasesOf, straightened, weighDraws } from './weighLooks'

/** What one observation did to the verdict. */
export interface Said {
  /** Which look, in the order given. */
  readonly mark: number
  readonly of: SignKind | 'level'
  /** The sign; the rise, for a level. */
  readonly seen: string | number
  /** Probability of the verdict's phase without it. */
  readonly without: number
}

/** How much a look at one thing would tell, bits. */
export interface Telling {
  readonly of: SignKind | 'level'
  readonly bits: number
}

/** Why a verdict is what it is, and what to look at next. */
export interface Reasons {
  /** The most telling first. */
  readonly said: readonly Said[]
  /** What has not been looked at just now, the most telling first. */
  readonly next: readonly Telling[]
}

/** A look counts as of now for so long, h. */
const FRESH_HOURS = 0.25
/** Levels that a reading tells apart, in rise. */
const LEVEL_STEP = 0.1
/** Less than this is not worth a look, bits. */
const LEAST_BITS = 0.02

/**
 * What each observation said, and what to look at next.
 * @param draws forecast of the build as it was mixed
 * @param noted looks so far, in the order of time
 * @param nowHours hours since mixing
 */
export function reasonsOf(draws: Draws, noted: readonly Mark[], nowHours: number, manner: CultureManner): Reasons {
  const { marks } = straightened(draws, noted, manner)
  const all = weighDraws(draws, marks, manner)
  const { phases, phase } = phasesOf(all, nowHours)
  const said = marks.flatMap((mark, i) =>
    partsOf(mark).map(({ of, seen, left }): Said => {
      const less = phasesOf(weighDraws(draws, [...marks.slice(0, i), left, ...marks.slice(i + 1)], manner), nowHours)
      return { mark: i, of, seen, without: less.phases[phase] }
    })
  )
  const now = marks.filter((m) => nowHours - m.hours < FRESH_HOURS)
  const fresh = new Set<string>(now.flatMap((m) => [...Object.keys(m.signs ?? {}), ...(m.rise === undefined ? [] : ['level'])]))
  const signs = SIGN_KINDS.map((kind): Telling => ({ of: kind, bits: signBits(kind, manner, phases) }))
  const level: Telling = { of: 'level', bits: levelBits(all.draws, nowHours) }
  const next = [...signs, level].filter(({ of, bits }) => !fresh.has(of) && bits >= LEAST_BITS).sort((a, b) => b.bits - a.bits)
  return { said: said.sort((a, b) => Math.abs(phases[phase] - b.without) - Math.abs(phases[phase] - a.without)), next }
}

/** A mark taken apart: each thing seen, with the mark as it would be without it. */
function partsOf(mark: Mark): { readonly of: Said['of']; readonly seen: string | number; readonly left: Mark }[] {
  const signs = entriesOf(mark.signs ?? {}).flatMap(([kind, sign]) =>
    sign === undefined ? [] : [{ of: kind, seen: sign, left: { ...mark, signs: { ...mark.signs, [kind]: undefined } } }]
  )
  return mark.rise === undefined ? signs : [{ of: 'level', seen: mark.rise, left: { hours: mark.hours, signs: mark.signs } }, ...signs]
}

const entropy = (shares: readonly number[]) => shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)

/** Doubt about the phase that a look is expected to take away, bits. */
function expectedBits(phases: Phases, table: readonly (readonly number[])[]): number {
  const before = PHASES.map((p) => phases[p])
  let after = 0
  for (const row of table) {
    const joint = row.map((p, i) => p * (before[i] ?? NaN))
    const total = joint.reduce((a, b) => a + b, 0)
    if (total > 0) after += total * entropy(joint.map((j) => j / total))
  }
  return Math.max(entropy(before) - after, 0)
}

/** P(sign | phase) as far as it is believed, by sign and phase. */
function signBits(kind: SignKind, manner: CultureManner, phases: Phases): number {
  const signs = Object.keys(rowsOf(kind, manner))
  const raw = signs.map((sign) => PHASES.map((phase) => likelihood(kind, sign, phase, manner) ** temperOf(kind, manner)))
  const sums = PHASES.map((_, i) => raw.reduce((sum, row) => sum + (row[i] ?? NaN), 0))
  return expectedBits(
    phases,
    raw.map((row) => row.map((p, i) => p / (sums[i] ?? NaN)))
  )
}

function levelBits(draws: Draws, nowHours: number): number {
  const { milestones } = draws
  const phases = recordOf(PHASES, () => 0)
  const bins = new Map<number, number[]>()
  for (let k = 0; k < milestones.length; k++) {
    const gas = drawnGas(draws, k, nowHours)
    const phase = phaseAt(sure(milestones[k]), gas, nowHours)
    const weight = 1 / milestones.length
    phases[phase] += weight
    // A reading is off by a step to either side as often as not.
    for (const [by, share] of [
      [-1, 0.25],
      [0, 0.5],
      [1, 0.25]
    ] as const) {
      const bin = Math.round(gas / LEVEL_STEP) + by
      const row = bins.get(bin) ?? PHASES.map(() => 0)
      row[PHASES.indexOf(phase)] = (row[PHASES.indexOf(phase)] ?? NaN) + weight * share
      bins.set(bin, row)
    }
  }
  return expectedBits(
    phases,
    [...bins.values()].map((row) => row.map((joint, i) => joint / Math.max(phases[sure(PHASES[i])], 1e-12)))
  )
}
