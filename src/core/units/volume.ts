/** Sizes of a household measure, ml. */
export interface CupSizes {
  readonly cup: number
  readonly tablespoon: number
  readonly teaspoon: number
}

/** Cups differ by country: asked once in Kitchen. */
export const CUP_SIZES = {
  metric: { cup: 250, tablespoon: 15, teaspoon: 5 },
  US: { cup: 236.588, tablespoon: 14.787, teaspoon: 4.929 },
  Australian: { cup: 250, tablespoon: 20, teaspoon: 5 }
} as const satisfies Record<string, CupSizes>
export type CupKind = keyof typeof CUP_SIZES
export const CUP_KINDS = ['metric', 'US', 'Australian'] as const

/** A mass known only within limits, g. */
export interface MassRange {
  readonly least: number
  readonly most: number
  /** Halfway. */
  readonly middle: number
}

/** Density of a starter, g/ml: by how far it has risen, or stirred down. Source: craft knowledge. */
export const STARTER_DENSITY = { risen: [0.35, 0.7], stirred: [1, 1.1] } as const

/** Of water, g/ml. */
export const WATER_DENSITY = [1, 1] as const

/**
 * Volume → mass with what is not known.
 * @param ml volume
 * @param density g/ml, least and most
 * @example massOfVolume(250, [0.5, 0.55]) // 125 to 137.5 g
 */
export function massOfVolume(ml: number, [least, most]: readonly [least: number, most: number]): MassRange {
  return { least: ml * least, most: ml * most, middle: (ml * (least + most)) / 2 }
}
