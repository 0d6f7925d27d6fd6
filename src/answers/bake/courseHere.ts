import type { Course, Kitchen, Plan } from '../../contract'
import { type CourseHere, doughPieces, isCold, uncoveredAfter } from '../../core'

/** A loaf, where the plan tells no pieces, g; and a fridge, where the kitchen has no cold place, °C. */
const USUAL_PIECE_GRAMS = 850
const FRIDGE_C = 4

/** The course of a plan with what the end of its bulk is worked back from: its kind of dough, its largest piece, the coldest place of the kitchen. */
export function courseHere(course: Course, { formula, target }: Pick<Plan, 'formula' | 'target'>, { places }: Pick<Kitchen, 'places'>): Course & CourseHere {
  // With its flour it gets as much water and salt as all of the dough: near enough for how long it keeps its warmth.
  const pieces = doughPieces(target, { doughGrams: 1 + formula.hydration + formula.salt, addedFlourGrams: 1 }).map((piece) => piece.grams)
  const cold = places.map((place) => place.tempC).filter(isCold)
  return {
    ...course,
    ...(formula.oven === undefined ? {} : { lidMinutes: uncoveredAfter(formula.oven.stages) }),
    kind: formula.doughKind,
    pieceGrams: pieces.length === 0 ? USUAL_PIECE_GRAMS : Math.max(...pieces),
    coldC: cold.length === 0 ? FRIDGE_C : Math.min(...cold)
  }
}
