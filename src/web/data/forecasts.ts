import { useEffect, useMemo, useState } from 'react'
import useSWR from 'swr'
import { type AdviceNow, adviceNow, awakeAt, type Bake, type Cultures, minuteOf, questionOfBake, type ReadyQuestion } from '../../answers'
import type { BatchLine, Busy, Drivers, Forecast, HourRange, JarBelief, Mark, School, Verdict } from '../../core'
import { desk, ONCE } from './desk'
import { useKitchen } from './kitchen'

/** A running levain with what is thought of it now. */
export interface Judged {
  readonly bake: Bake
  /** The levain as it was mixed. */
  readonly line: BatchLine
  /** What was believed of its jar. */
  readonly belief: JarBelief
  readonly verdict: Verdict
  /** What follows from it by the clock: every face tells this. */
  readonly told: AdviceNow
  /** The looks it rests on, and when it was judged, hours since mixing. */
  readonly marks: readonly Mark[]
  readonly hours: number
}

/** A build that is planned. */
export interface PlannedLine {
  /** Of its bake. */
  readonly id: string
  readonly line: BatchLine
  readonly school: School
  readonly belief: JarBelief
}

/** Forecasts of builds that are planned, by bake; those before stay until the new ones are there. */
export function useForecasts(planned: readonly PlannedLine[]): ReadonlyMap<string, Forecast> {
  const { data } = useSWR(
    planned.length === 0 ? null : ['forecasts', planned],
    ([, asked]: [string, PlannedLine[]]) =>
      Promise.all(asked.map(async ({ id, line, school, belief }) => [id, await desk().forecast(line, school, belief)] as const)),
    ONCE
  )
  return useMemo(() => new Map(planned.length === 0 ? [] : data), [planned, data])
}

/** A planned levain, when its dough is mixed, and what takes the baker away until then. */
export interface PlannedMix extends PlannedLine {
  readonly mixMs: number
  readonly busy: readonly Busy[]
  readonly fromMs: number
}

/** How likely planned levains are ready while the baker is at home around their mix, by id. */
export function useChances(planned: readonly PlannedMix[]): ReadonlyMap<string, number> {
  const { data } = useSWR(
    planned.length === 0 ? null : ['chances', planned],
    ([, asked]: [string, PlannedMix[]]) =>
      Promise.all(
        asked.map(async ({ id, line, belief, school, mixMs, busy, fromMs }) => [id, await desk().chance(line, belief, school, mixMs, busy, fromMs)] as const)
      ),
    ONCE
  )
  return useMemo(() => new Map(planned.length === 0 ? [] : data), [planned, data])
}

/** A hill that is dragged is forecast anew once it has been held still for so long. */
const STILL_MS = 120

/**
 * Forecast of a build that changes faster than it can be worked out: asked for once it stands still.
 * @returns the newest answer with the line it belongs to
 */
export function useLiveForecast(
  line: BatchLine | null,
  school: School,
  belief: JarBelief
): { readonly line: BatchLine; readonly forecast: Forecast } | undefined {
  const [answer, setAnswer] = useState<{ line: BatchLine; forecast: Forecast }>()
  useEffect(() => {
    if (line === null) return
    let wanted = true
    const timer = setTimeout(async () => {
      const forecast = await desk().forecast(line, school, belief)
      if (wanted) setAnswer({ line, forecast })
    }, STILL_MS)
    return () => {
      wanted = false
      clearTimeout(timer)
    }
  }, [line, school, belief])
  return line === null ? undefined : answer
}

/** What drives a build; undefined while it is worked out, or not asked for. */
export function useDrivers(line: BatchLine | null, belief: JarBelief, school: School): Drivers | undefined {
  const { data } = useSWR(
    line === null ? null : ['drivers', line, belief, school],
    ([, l, b, s]: [string, BatchLine, JarBelief, School]) => desk().drivers(l, b, s),
    ONCE
  )
  return line === null ? undefined : data
}

/** When a dough has grown by each of some shares, hours since it was mixed. */
export function useGrown(line: BatchLine | null, belief: JarBelief, gas: readonly number[], paceSd: number): readonly HourRange[] | undefined {
  const { data } = useSWR(
    line === null ? null : ['grown', line, belief, gas, paceSd],
    ([, l, b, g, sd]: [string, BatchLine, JarBelief, readonly number[], number]) => desk().grown(l, b, g, sd),
    ONCE
  )
  return line === null ? undefined : data
}

interface Question extends ReadyQuestion {
  /** Of its bake. */
  readonly id: string
}

const questionsOf = (bakes: readonly Bake[], nowMs: number, cultures: Cultures): Question[] =>
  bakes.flatMap((bake) => {
    const question = questionOfBake(bake, cultures, nowMs)
    return question === null ? [] : [{ id: bake.id, ...question }]
  })

/** Answers as an array: two maps are alike to SWR, whatever they hold. */
const answersTo = (questions: readonly Question[]): Promise<(Omit<Judged, 'bake' | 'told'> & { readonly id: string })[]> =>
  Promise.all(questions.map(async (question) => ({ ...question, verdict: await desk().judge(question) })))

/**
 * Verdicts of all levains under way, by bake; renewed every minute and with every mark.
 * @returns undefined until the first have been worked out
 */
export function useVerdicts(bakes: readonly Bake[] | undefined, now: number, cultures: Cultures | undefined): ReadonlyMap<string, Judged> | undefined {
  const minute = minuteOf(now)
  const { kitchen } = useKitchen()
  const questions = useMemo(() => (cultures === undefined ? [] : questionsOf(bakes ?? [], minute, cultures)), [bakes, minute, cultures])
  const { data, error } = useSWR(questions.length === 0 ? null : ['verdicts', questions], ([, asked]: [string, Question[]]) => answersTo(asked), ONCE)
  return useMemo(() => {
    if (bakes === undefined || cultures === undefined || (questions.length > 0 && data === undefined && error === undefined)) return undefined
    const judged = new Map<string, Judged>()
    for (const { id } of questions) {
      const answer = data?.find((a) => a.id === id)
      const bake = bakes.find((b) => b.id === id)
      if (answer !== undefined && bake !== undefined)
        judged.set(id, { ...answer, bake, told: adviceNow(answer.verdict, answer.line.startedAtMs, minute, (ms) => awakeAt(kitchen, ms)) })
    }
    return judged
  }, [questions, bakes, cultures, data, error, minute, kitchen])
}
