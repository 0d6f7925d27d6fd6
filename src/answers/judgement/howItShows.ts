import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { type JarBelief, type JarCondition, judge, type Mark, mannerOf } from '../../core'
import { howItIs } from '../jars/jarNow'
import { drawsOf, levelToRead } from './isItReady'

/** Looks at what is in a jar, as judging takes them. */
export function marksOfJar({ line, looks }: Pick<Jar, 'line' | 'looks'>): Mark[] {
  return looks.map(({ at, rise, signs, explained }) => ({ hours: Math.max((at - line.startedAtMs) / millisecondsInHour, 0), rise, signs, explained }))
}

/**
 * How a jar is at a moment, and what it needs when, as the looks at it since its feed have shown it: as much quicker or slower than its forecast as its peak is.
 * Where nobody has looked, by the forecast.
 */
export function howItShows(jar: Pick<Jar, 'line' | 'looks'>, belief: JarBelief, nowMs: number): JarCondition {
  const { line } = jar
  const startMs = line.startedAtMs
  const usual = howItIs(jar, belief.centre, nowMs)
  const marks = marksOfJar(jar)
  if (marks.length === 0 || usual.peakMs === null) return usual
  const hours = Math.max((nowMs - startMs) / millisecondsInHour, 0)
  const verdict = judge(drawsOf(line, belief), marks, hours, 'dome', mannerOf(line))
  const peakHours = verdict.forecast.peak.p50
  if (!verdict.holds || !Number.isFinite(peakHours)) return usual
  const slower = (peakHours * millisecondsInHour) / (usual.peakMs - startMs)
  const shown = howItIs(jar, belief.centre, startMs + (nowMs - startMs) / slower)
  const later = (ms: number) => startMs + (ms - startMs) * slower
  return {
    ...shown,
    rise: levelToRead(verdict, hours),
    peakMs: later(usual.peakMs),
    peakRise: levelToRead(verdict, peakHours),
    hungryMs: shown.hungryMs === null ? null : later(shown.hungryMs),
    fades: shown.fades.map((fade) => ({ ...fade, fromMs: later(fade.fromMs) }))
  }
}
