import { expose } from 'comlink'
import {
  type BatchLine,
  type CultureManner,
  DRAW_COUNT,
  type Draws,
  drawForecast,
  type Forecast,
  horizonHours,
  judge,
  type Mark,
  type School,
  simulate,
  summarise,
  TYPICAL_JAR,
  type Verdict,
  vesselOf
} from '../../core'

/** Draws of the builds asked for last, by what was mixed: judging again costs no new draws. */
const kept = new Map<string, Draws>()
const KEEP = 12

function drawsOf(line: BatchLine): Draws {
  const key = JSON.stringify(line)
  const there = kept.get(key)
  if (there !== undefined) return there
  const vessel = vesselOf(line)
  const { milestones } = simulate(vessel, TYPICAL_JAR, { untilHours: 240, stopPastPeak: true })
  const draws = drawForecast(vessel, TYPICAL_JAR, { untilHours: horizonHours(milestones), count: DRAW_COUNT })
  if (kept.size >= KEEP) kept.delete(kept.keys().next().value ?? '')
  kept.set(key, draws)
  return draws
}

const desk = {
  forecast: (line: BatchLine, school: School): Forecast => summarise(drawsOf(line), school),
  judge: (line: BatchLine, marks: readonly Mark[], hours: number, school: School, manner: CultureManner): Verdict =>
    judge(drawsOf(line), marks, hours, school, manner)
}
/** What the worker answers. */
export type ForecastDesk = typeof desk

expose(desk)
