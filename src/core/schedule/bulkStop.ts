import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { gasAt } from '../ferment/milestones'
import { createWorkspace, type Run, simulate, type Vessel } from '../ferment/simulate'
import { sure } from '../units/sure'

/** Share of its gas a dough loses when it is divided and shaped. Source: craft knowledge; a tenth with light hands, a half when it is knocked back. */
export const SHAPING_LOSES = 0.25
/** A night in the cold: so long the dough is followed there, h. Once it is cold it gains little more. */
const NIGHT_HOURS = 12
/** Bulk is never told to be shorter, h. */
const LEAST_HOURS = 0.25
/** Halvings of the time in which the stop is looked for: to a minute. */
const ROUNDS = 10

/** Room for the curves that are tried. */
const workspace = createWorkspace(4000)

/** What the end of bulk is worked back from where a dough is proofed in the cold. */
export interface ColdProof {
  /** Gas the loaf is to hold when it goes into the oven: g. */
  readonly wantedGas: number
  /** The largest piece, g. */
  readonly pieceGrams: number
  /** How cold it is there, °C. */
  readonly coldC: number
  /** From the end of bulk until it is put there, h. */
  readonly shapeHours: number
  /** Factor on the time of bulk, where a step was moved by hand. */
  readonly bulkStretch: number
}

/** Where to stop the bulk of a dough, as it is planned. */
export interface BulkStop {
  /** g: rise less 1. */
  readonly gas: number
  /** Where it was worked back from a night in the cold: how warm the dough is then (°C), and what it still gains while it is shaped, cools and rests (g). */
  readonly cold: { readonly tempC: number; readonly gas: number } | null
}

/**
 * Where to stop the bulk of a dough that is proofed in the cold, worked back from the loaf that goes into the oven. A warm or heavy dough rises on for hours
 * while it cools, a cool or small one hardly.
 * @param vessel the dough as it is mixed, where it stands
 * @param bulk the same followed there, in a workspace of its own
 * @returns hours of bulk as nobody moves it, and where it stands when it is stopped; null for a dough that never holds so much
 */
export function bulkStop(
  vessel: Vessel,
  bulk: Run,
  { wantedGas, pieceGrams, coldC, shapeHours, bulkStretch }: ColdProof,
  jar: JarParameters = TYPICAL_JAR
): { readonly hours: number; readonly stop: BulkStop } | null {
  const place = sure(vessel.stays.at(-1))
  const stoppedAt = (hours: number) => {
    const stays = [
      ...vessel.stays.filter((stay) => stay.fromHours < hours),
      { ...place, fromHours: hours, pieceGrams },
      { fromHours: hours + shapeHours, tempC: coldC, pieceGrams }
    ]
    const untilHours = hours + shapeHours + NIGHT_HOURS
    const { curve } = simulate({ ...vessel, stays }, jar, { untilHours, workspace })
    const gas = gasAt(bulk.curve, hours)
    return { gas, coldGas: gasAt(curve, untilHours) - gas }
  }
  const isEnough = ({ gas, coldGas }: { readonly gas: number; readonly coldGas: number }) => (1 - SHAPING_LOSES) * gas + coldGas >= wantedGas
  let [early, late] = [LEAST_HOURS, bulk.milestones.peakHours ?? LEAST_HOURS]
  if (!isEnough(stoppedAt(late))) return null
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (early + late) / 2
    if (isEnough(stoppedAt(middle))) late = middle
    else early = middle
  }
  const untilHours = late * bulkStretch
  const { gas, coldGas } = stoppedAt(untilHours)
  return { hours: late, stop: { gas, cold: { tempC: simulate(vessel, jar, { untilHours, workspace }).endTempC, gas: coldGas } } }
}

/** Gas in a loaf as a same-day proof leaves it: what shaping spared of the bulk, and what the proof added. */
export const proofedGas = (bulkGas: number, proofGas: number) => (1 - SHAPING_LOSES) * bulkGas + proofGas
