import { millisecondsInHour } from 'date-fns/constants'
import type { DoughMove } from '../schedule/course'
import type { BakeState } from './foldBake'

/** A place with the moment from which a dough is there, ms. */
export interface DoughPlace extends Pick<DoughMove, 'placeId' | 'tempC'> {
  readonly fromMs: number
}

/** The step at which a dough is moved on, by its number from 0. */
export const moveStepId = (index: number) => `move ${index + 1}`
/** The number of the move that is made at such a step. */
export const moveOfStep = (stepId: string) => Number(stepId.slice('move '.length)) - 1

/** The planned moves of a dough that are still to be made, by their number: those left out are gone, and each that was made takes the place of the next. */
export function movesLeft(moves: readonly DoughMove[], { doughMoves, deeds }: Pick<BakeState, 'doughMoves' | 'deeds'>): ReadonlySet<number> {
  return new Set([...moves.keys()].filter((i) => !deeds.has(moveStepId(i))).slice(doughMoves.length))
}

/**
 * Where a dough stands: where it is mixed, where it was moved, and where it is still to be moved; once it is shaped it is proofed where it was mixed.
 * @param planned where it is mixed, with the moves that were planned
 * @param mixMs when it is mixed, ms
 * @returns in the order of time
 */
export function doughPlaces(
  { placeId, tempC, moves = [] }: Pick<DoughMove, 'placeId' | 'tempC'> & { readonly moves?: readonly DoughMove[] },
  mixMs: number,
  state: Pick<BakeState, 'doughMoves' | 'deeds'>
): DoughPlace[] {
  const { doughMoves, deeds } = state
  const open = movesLeft(moves, state)
  const mixed = { fromMs: mixMs, placeId, tempC }
  const made = doughMoves.map((move) => ({ fromMs: move.atMs, placeId: move.placeId, tempC: move.tempC }))
  const lastMs = made.at(-1)?.fromMs ?? mixMs
  const shaped = deeds.get('shape')
  const toCome = moves.flatMap((move, i) => {
    const fromMs = mixMs + move.afterHours * millisecondsInHour
    const left = !open.has(i) || fromMs < lastMs || (shaped !== undefined && fromMs >= shaped.atMs)
    return left ? [] : [{ fromMs, placeId: move.placeId, tempC: move.tempC }]
  })
  const stays = [mixed, ...made, ...toCome]
  const back = shaped !== undefined && stays.length > 1 && lastMs < shaped.atMs ? [{ ...mixed, fromMs: shaped.atMs }] : []
  return [...stays, ...back]
}
