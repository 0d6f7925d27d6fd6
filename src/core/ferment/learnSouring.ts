/** How much acid a jar makes beside a typical one, from what a pH meter showed. */
import { acidityOf } from './acidity'
import type { JarParameters } from './jarParameters'
import { simulate, type Vessel } from './simulate'

/** A reading of a meter. */
export interface Metered {
  /** Hours since mixing. */
  readonly hours: number
  readonly pH: number
}

/** How much jars differ in it (sd of the logarithm), and how far a reading may be off with all that the model gets wrong. Source: craft knowledge. */
const SPREAD = 0.3
const READING_SD = 0.15
/** The factors tried: from a half to twice, in logarithms. */
const TRIED = Array.from({ length: 57 }, (_, i) => Math.LN2 * (i / 28 - 1))
/** One meter that was never calibrated does not turn a jar over: what lies further off counts no more, sd. */
const FURTHEST = 3

/**
 * The factor on a jar's acid that fits its readings best, drawn towards 1.
 * @param logs builds with their readings
 * @param jar how it ferments otherwise
 * @returns between a half and twice
 */
export function souringOf(logs: readonly { readonly vessel: Vessel; readonly metered?: readonly Metered[] }[], jar: JarParameters): number {
  const costOf = (log: number) => {
    const tried = { ...jar, souring: Math.exp(log) }
    let cost = (log / SPREAD) ** 2
    for (const { vessel, metered = [] } of logs) {
      for (const { hours, pH } of metered) {
        const foretold = acidityOf(simulate(vessel, tried, { untilHours: hours }).end.acid, vessel).pH
        cost += Math.min(((pH - foretold) / READING_SD) ** 2, FURTHEST ** 2)
      }
    }
    return cost
  }
  const costs = TRIED.map(costOf)
  return Math.exp(TRIED[costs.indexOf(Math.min(...costs))] ?? 0)
}
