import { createRequire } from 'node:module'
import type { JarParameters, RiseCurve, Vessel } from '../src/core'
import { mixTraits } from '../src/core/ferment/simulate'
import { curveOf, equations, levelOf, STATES } from '../src/core/testing/reference'

/** The little of the solver package that is used; what it ships is not strict TypeScript, so it is not imported but required. */
interface Solver {
  absoluteTolerance: number
  relativeTolerance: number
  denseOutput: boolean
  maxStepSize: number
  solve(
    f: (x: number, y: number[]) => number[],
    from: number,
    start: readonly number[],
    to: number,
    step: (nr: number, xOld: number, x: number, y: number[], dense: (component: number, x: number) => number) => undefined
  ): { readonly y: number[] }
}
const { Solver: GeneralSolver } = createRequire(import.meta.url)('odex') as { Solver: new (equations: number) => Solver }

/** Quarter hours at which the general solver's curve is read. */
const READ_HOURS = 0.25

/**
 * The same by a general-purpose solver (extrapolation with step control), from move to move.
 * @param tolerance absolute and relative
 */
export function solverRun(vessel: Vessel, jar: JarParameters, untilHours: number, tolerance: number): RiseCurve {
  const { start, slopes } = equations(vessel, jar)
  const { lift } = mixTraits(vessel)
  const moves = [0, ...vessel.stays.map((s) => s.fromHours).filter((h) => h > 0 && h < untilHours), untilHours]
  let y: number[] = [...start]
  const points: { t: number; g: number; dg: number }[] = [{ t: 0, g: 0, dg: 0 }]
  let next = READ_HOURS
  for (let i = 0; i + 1 < moves.length; i++) {
    const solver = new GeneralSolver(STATES)
    solver.absoluteTolerance = tolerance
    solver.relativeTolerance = tolerance
    solver.denseOutput = true
    solver.maxStepSize = 1
    const to = moves[i + 1] as number
    y = solver.solve(slopes, moves[i] as number, y, to, (_nr, _from, x, _y, dense) => {
      for (; next <= x + 1e-12; next += READ_HOURS) {
        const t = Math.min(next, x)
        const at = Array.from({ length: STATES }, (_, component) => dense(component, t))
        points.push(levelOf(t, at, slopes(t, at), lift))
      }
      return undefined
    }).y
  }
  return curveOf(points)
}
