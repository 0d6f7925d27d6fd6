import { sure } from '../units/sure'
import { PARAMETER_SPREAD } from './constants'

/** θ: what makes one jar differ from another. All are factors on a typical jar, 1 by default. */
export interface JarParameters {
  /** v: pace of the yeast and its gas. */
  readonly vigour: number
  /** Factor on the lag work h₀. */
  readonly lag: number
  /** Factor on the gas held. */
  readonly hold: number
  /** Factor on all rates at 4 °C, gone at 12 °C. */
  readonly cold: number
  /** Factor on φ, the share of the yeast that stands warmth. */
  readonly warmth: number
  /** How full its climb is: factor on the odds of the share reached (shape.ts). */
  readonly shape: number
  /** How steep the middle of its climb is: power of those odds. */
  readonly steep: number
  /** Factor on the acid its bacteria make, by what a pH meter showed; 1 when left out. No level tells of it. */
  readonly souring?: number
}

export const TYPICAL_JAR: JarParameters = { vigour: 1, lag: 1, hold: 1, cold: 1, warmth: 1, shape: 1, steep: 1 }

/** The parameters in the order of every vector and matrix of them. */
export const PARAMETERS = ['vigour', 'lag', 'hold', 'cold', 'warmth', 'shape', 'steep'] as const satisfies readonly (keyof JarParameters)[]

/** What is believed of a jar: the parameters most likely, and how far from them the truth may lie. */
export interface JarBelief {
  readonly centre: JarParameters
  /** Covariance of the logarithms, in the order of PARAMETERS. */
  readonly covariance: readonly (readonly number[])[]
}

/** A jar nobody has watched yet. */
export const UNKNOWN_JAR: JarBelief = {
  centre: TYPICAL_JAR,
  covariance: PARAMETERS.map((row) => PARAMETERS.map((column) => (row === column ? PARAMETER_SPREAD[row] ** 2 : 0)))
}

/** A jar whose parameters are taken to be known exactly: pinned by its baker. */
export function pinnedJar(centre: JarParameters): JarBelief {
  return { centre, covariance: PARAMETERS.map(() => PARAMETERS.map(() => 0)) }
}

/**
 * Parameters as their logarithms.
 * @returns in the order of PARAMETERS
 */
export const logsOf = (jar: JarParameters): number[] => PARAMETERS.map((name) => Math.log(jar[name]))

/** Parameters from their logarithms, in the order of PARAMETERS. */
export function parametersOf(logs: ArrayLike<number>): JarParameters {
  const jar: { -readonly [K in keyof JarParameters]: number } = { ...TYPICAL_JAR }
  for (let i = 0; i < PARAMETERS.length; i++) jar[sure(PARAMETERS[i])] = Math.exp(logs[i] ?? NaN)
  return jar
}
