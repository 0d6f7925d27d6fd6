/** How fast the doughs of a kitchen go beside what is reckoned, from those that were read or ended by hand. */

/** What is believed of the doughs of a kitchen. */
export interface DoughBelief {
  /** Factor on how fast they go, as its logarithm; above 0: faster than reckoned. */
  readonly log: number
  /** How little that is known, sd of the logarithm. */
  readonly sd: number
  /** Doughs it was learned from. */
  readonly doughs: number
}

/** What one dough has shown. */
export interface DoughShown {
  /** Its pace beside what was reckoned, as a logarithm. */
  readonly log: number
  /** How well that is known of this dough, sd. */
  readonly sd: number
}

/** How far kitchens differ in it, and doughs of one kitchen from each other, sd of the logarithm. Source: craft knowledge. */
const KITCHENS_SD = 0.15
const DOUGHS_SD = 0.1
/** What lies further off than so many sds counts ever less: a step marked hours late is no fast or slow dough. */
const FAR_OFF = 2
const ROUNDS = 20

/** The doughs of a kitchen nobody knows yet. */
export const UNKNOWN_DOUGHS: DoughBelief = { log: 0, sd: KITCHENS_SD, doughs: 0 }

/**
 * Learns the pace of a kitchen's doughs: the mean of what they have shown, drawn towards what is reckoned, with less weight for what lies far off.
 * @param shown by its doughs, any order
 * @returns factor and doubt, as logarithms
 * @example learnDoughs([{ log: 0.2, sd: 0 }]) // one dough that was sure to be a fifth faster: log 0.14
 */
export function learnDoughs(shown: readonly DoughShown[]): DoughBelief {
  if (shown.length === 0) return UNKNOWN_DOUGHS
  let { log, sd } = UNKNOWN_DOUGHS
  for (let round = 0; round < ROUNDS; round++) {
    let [precision, pull] = [1 / KITCHENS_SD ** 2, 0]
    for (const one of shown) {
      const spread = Math.hypot(one.sd, DOUGHS_SD)
      const off = Math.abs(one.log - log) / spread
      const weight = Math.min(1, FAR_OFF / off) ** 2 / spread ** 2
      precision += weight
      pull += weight * one.log
    }
    log = pull / precision
    sd = 1 / Math.sqrt(precision)
  }
  return { log, sd, doughs: shown.length }
}
