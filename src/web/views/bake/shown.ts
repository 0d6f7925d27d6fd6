import { lineToWire, type Shown } from '../../../contract'
import { type BatchLine, type Forecast, type HourRange, MODEL_VERSION, TYPICAL_JAR, type Verdict } from '../../../core'

const five = (range: HourRange) => [range.p05, range.p25, range.p50, range.p75, range.p95].map((h) => (Number.isFinite(h) ? h : null))

/** A forecast as it stands on the screen, to be kept with what the baker does now. */
export function shownForecast(line: BatchLine, forecast: Forecast): Shown {
  return {
    modelVersion: MODEL_VERSION,
    inputs: lineToWire(line),
    theta: { ...TYPICAL_JAR },
    quantiles: { opens: five(forecast.opens), peak: five(forecast.peak), closes: five(forecast.closes) }
  }
}

/** A verdict as it stands on the screen. */
export function shownVerdict(line: BatchLine, verdict: Verdict): Shown {
  return { ...shownForecast(line, verdict.forecast), phase: verdict.phase, probability: verdict.probability, advice: verdict.advice.kind }
}
