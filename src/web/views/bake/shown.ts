import { type Bake, bakeOf, type Cultures, type Stocked, shownAge, stepFactsOf } from '../../../answers'
import { isoOf, lineToWire, type Plan, type Shown } from '../../../contract'
import { type BatchLine, beliefShown, type Forecast, type HourRange, type JarBelief, MODEL_VERSION, type SolvedBake, stepsOf } from '../../../core'
import type { Judged } from '../../data/forecasts'

const five = (range: HourRange) => [range.p05, range.p25, range.p50, range.p75, range.p95].map((h) => (Number.isFinite(h) ? h : null))

/** A forecast as it stands on the screen, to be kept with what the baker does now. */
export function shownForecast(line: BatchLine, forecast: Forecast, belief: JarBelief): Shown {
  return {
    modelVersion: MODEL_VERSION,
    inputs: lineToWire(line),
    theta: { ...belief.centre },
    quantiles: { opens: five(forecast.opens), peak: five(forecast.peak), closes: five(forecast.closes) }
  }
}

/** A verdict as it stands on the screen. */
export function shownVerdict({ bake, line, verdict, belief, marks, hours }: Judged): Shown {
  // What its looks have told of the jar goes with the dough; of a jar that is used as it is that is known already.
  const known = bake.plan.build.source === 'as it is' ? belief : beliefShown(belief, line, shownAge({ line, marks, hours }, verdict))
  return {
    ...shownForecast(line, verdict.forecast, known),
    phase: verdict.phase,
    holds: verdict.holds,
    probability: verdict.probability,
    advice: verdict.advice.kind
  }
}

/** The day as it was planned, to be kept when the build has begun: what moves later is told against it. */
export function shownSteps(bake: Bake, plan: Plan, solved: SolvedBake | null, stocked: Stocked, cultures: Cultures): Shown['steps'] {
  const unbegun = bakeOf({ ...bake, events: [], line: null })
  const facts = stepFactsOf(unbegun, plan, solved, null, stocked, cultures, Number.NEGATIVE_INFINITY)
  // As it was planned: that it is begun late is what moves it.
  return stepsOf({ ...facts, ripens: null }, Number.NEGATIVE_INFINITY).map(({ id, atMs }) => ({ id, at: isoOf(atMs) }))
}
