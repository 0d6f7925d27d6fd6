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
}

export const TYPICAL_JAR: JarParameters = { vigour: 1, lag: 1, hold: 1, cold: 1, warmth: 1 }

/** φ of a typical jar. */
export const WARM_SHARE = 0.3
