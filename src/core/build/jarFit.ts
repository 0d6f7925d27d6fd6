/** A vessel, as it matters for filling. */
export interface FitVessel {
  /** To the rim, ml. */
  readonly capacityMl: number
  /** mm. */
  readonly innerDiameterMm: number
  /** Inside, floor to rim, mm. */
  readonly heightMm: number
}

/** Density of a fresh mix, g/ml, by hydration. Source: craft knowledge; a measured one wins. */
const FRESH_DENSITY = { liquid: 1.05, stiff: 1.1, stiffBelow: 0.6 } as const
/** A peak higher than this part of the jar foams over. */
export const FULLEST = 0.9

/** Density of a fresh levain or starter, g/ml. */
export function freshDensity(hydration: number): number {
  const { liquid, stiff, stiffBelow } = FRESH_DENSITY
  if (hydration >= 1) return liquid
  if (hydration <= stiffBelow) return stiff
  return stiff + ((liquid - stiff) * (hydration - stiffBelow)) / (1 - stiffBelow)
}

/** How a levain stands in a vessel. */
export interface JarFit {
  /** Level after mixing, where the band goes, mm from the floor. */
  readonly bandMm: number
  /** Expected peak, mm from the floor. */
  readonly peakMm: number
  /** Peak as a part of the height. */
  readonly full: number
  readonly fits: boolean
}

/**
 * Level after mixing and at the peak.
 * @param rise height at the peak ÷ height at the band
 * @param density g/ml; by hydration where none is measured
 * @returns mm; `fits` while the peak stays below 90 % of the height and the volume below the capacity
 * Source: volume = mass ÷ density, height = volume ÷ cross-section.
 * @example jarFit({ capacityMl: 500, innerDiameterMm: 80, heightMm: 110 }, 150, 1, 2.5).bandMm // 28.4
 */
export function jarFit(vessel: FitVessel, massGrams: number, hydration: number, rise: number, density = freshDensity(hydration)): JarFit {
  const volumeMl = massGrams / density
  const sectionCm2 = (Math.PI / 4) * (vessel.innerDiameterMm / 10) ** 2
  const bandMm = (volumeMl / sectionCm2) * 10
  const peakMm = bandMm * rise
  const full = peakMm / vessel.heightMm
  return { bandMm, peakMm, full, fits: full <= FULLEST && volumeMl * rise <= vessel.capacityMl }
}

/** The smallest vessel in which it fits; undefined when none does. */
export function smallestThatFits<Vessel extends FitVessel>(vessels: readonly Vessel[], massGrams: number, hydration: number, rise: number): Vessel | undefined {
  return [...vessels].sort((a, b) => a.capacityMl - b.capacityMl).find((v) => jarFit(v, massGrams, hydration, rise).fits)
}
