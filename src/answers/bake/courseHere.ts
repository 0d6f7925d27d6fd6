import type { Course, Kitchen, Plan } from '../../contract'
import { type CourseHere, doughPieces, type Hands, isCold, shapedOf, uncoveredAfter, workOf } from '../../core'

/** A loaf, where the plan tells no pieces, g; and a fridge, where the kitchen has no cold place, °C. */
const USUAL_PIECE_GRAMS = 850
const FRIDGE_C = 4

type Sized = Pick<Plan, 'formula' | 'target'>

/** The pieces of a dough. With its flour it gets as much water and salt as all of the dough: near enough for how long it keeps its warmth, and for its shaping. */
const piecesOf = ({ formula, target }: Sized) => doughPieces(target, { doughGrams: 1 + formula.hydration + formula.salt, addedFlourGrams: 1 })

/** Whose hands shape a dough, and how much there is to shape. */
export const handsHere = (plan: Sized, kitchen: Pick<Kitchen, 'work' | 'workSeen'>): Hands => ({ work: workOf(kitchen), ...shapedHere(plan) })

/** Loaves and rolls of a plan. */
export const shapedHere = (plan: Sized): Pick<Hands, 'pieces' | 'rolls'> => shapedOf(piecesOf(plan))

/** The course of a plan with what the end of its bulk is worked back from: its kind of dough, its largest piece, the coldest place of the kitchen; and its hands. */
export function courseHere(course: Course, plan: Sized, kitchen: Pick<Kitchen, 'places' | 'work' | 'workSeen'>): Course & CourseHere {
  const { formula } = plan
  const pieces = piecesOf(plan).map((piece) => piece.grams)
  const cold = kitchen.places.map((place) => place.tempC).filter(isCold)
  return {
    ...course,
    ...(formula.oven === undefined ? {} : { lidMinutes: uncoveredAfter(formula.oven.stages) }),
    ...handsHere(plan, kitchen),
    kind: formula.doughKind,
    pieceGrams: pieces.length === 0 ? USUAL_PIECE_GRAMS : Math.max(...pieces),
    coldC: cold.length === 0 ? FRIDGE_C : Math.min(...cold)
  }
}
