import { millisecondsInHour } from 'date-fns/constants'
import type { Advice, Phase, Verdict } from '../../core'
import { fitWindow } from './isItReady'

/** What stands large above an advice: the phase it is in, or that this is not known. */
export type Headline =
  | Phase
  | 'souring'
  | 'full sour'
  | 'should be ready'
  | 'may be past'
  | 'not sure'
  | 'not rising'
  | 'held'
  | 'for taste'
  | 'one level does not fit'

/** The one advice of a moment by the clock: the headline, the sentence, the ways on, the ribbon, Today, reminders and the calendar are views of it. */
export interface AdviceNow {
  readonly advice: Advice
  readonly headline: Headline
  /** How likely the headline is true; null where it is no phase. */
  readonly probability: number | null
  /** When to look, at an hour somebody is up, ms; null: no look is asked for. */
  readonly lookMs: number | null
  /** When it is ready, as every face tells it, ms; null where it is past, where its end has passed, or where nobody knows. */
  readonly window: { readonly fromMs: number; readonly toMs: number } | null
  /** Probability that it is fit to mix now. */
  readonly fitNow: number
}

/** Phases an advice may stand under; in any other it is not sure. */
const PHASES_OF = {
  'mix now': ['young', 'peak', 'easing'],
  wait: ['lag', 'climbing', 'young', 'peak']
} as const satisfies Partial<Record<Advice['kind'], readonly Phase[]>>

function headlineOf({ advice, phase }: Pick<Verdict, 'advice' | 'phase'>): Headline {
  switch (advice.kind) {
    case 'look':
      return advice.why
    case 'ask':
      return 'one level does not fit'
    case 'not rising':
    case 'held':
    case 'for taste':
      return advice.kind
    case 'mix now':
      return advice.fullSour === true ? 'full sour' : headlineOfPhase(advice.kind, phase)
    case 'past':
      return advice.how === 'collapsed' ? 'collapsed' : advice.how === 'past its best' ? 'easing' : 'peak'
    case 'wait':
      // Past its peak it is waited for on purpose.
      if (advice.fullSour === true && (phase === 'easing' || phase === 'collapsed')) return 'souring'
      if (advice.fullSour === true) return phase
      return headlineOfPhase(advice.kind, phase)
  }
}

function headlineOfPhase(kind: 'wait' | 'mix now', phase: Phase): Headline {
  return (PHASES_OF[kind] as readonly Phase[]).includes(phase) ? phase : kind === 'wait' ? 'climbing' : 'peak'
}

/** Whether its window is told beside an advice. */
const hasWindow = (advice: Advice) =>
  advice.kind === 'wait' || advice.kind === 'mix now' || advice.kind === 'held' || (advice.kind === 'look' && advice.why !== 'may be past')

/**
 * A verdict by the clock.
 * @param startMs when the levain was mixed
 * @param nowMs when it is asked, ms
 * @param awake when somebody is up for what would be due at a moment
 */
export function adviceNow(verdict: Verdict, startMs: number, nowMs: number, awake: (ms: number) => number): AdviceNow {
  const { advice, phases, forecast, holds, fitNow } = verdict
  const headline = headlineOf(verdict)
  const at = (hours: number) => startMs + hours * millisecondsInHour
  const window = holds && hasWindow(advice) ? fitWindow(forecast, startMs) : null
  const lookMs =
    advice.kind === 'wait' || advice.kind === 'not rising'
      ? awake(at(advice.lookAgainHours))
      : advice.kind === 'look' || advice.kind === 'ask'
        ? awake(nowMs)
        : null
  return {
    advice,
    headline,
    probability: headline in phases ? phases[headline as Phase] : null,
    lookMs,
    window: window !== null && window.toMs > nowMs ? window : null,
    fitNow
  }
}
