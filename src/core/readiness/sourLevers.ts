/** What a baker can turn to make a loaf tangier or milder, each worked out on the bake or jar at hand: by the same model that tells its hours. */
import { millisecondsInHour } from 'date-fns/constants'
import { mainKind } from '../dough/blend'
import type { Acidity } from '../ferment/acidity'
import { fitHours, type School } from '../ferment/forecast'
import type { JarParameters } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { type BatchLine, contentsOf, vesselOf } from '../jars/lineage'
import { type CourseHere, courseTimes, doughPace } from '../schedule/course'
import { shifted } from '../schedule/planBuild'
import { sourAfter } from './compareLines'

/** What can be turned. */
export const SOUR_LEVERS = [
  'warmer',
  'cooler',
  'riper',
  'younger',
  'more levain',
  'less levain',
  'more starter',
  'less starter',
  'wholegrain',
  'cold proof',
  'firmer',
  'wetter',
  'fed twice before'
] as const
export type SourLever = (typeof SOUR_LEVERS)[number]

/** What sourness is worked out for: a levain, and the dough it goes into. */
export interface SourAsked {
  readonly levain: BatchLine
  /** null: only the levain is planned, or it is a jar that is kept. */
  readonly dough: { readonly line: BatchLine; readonly course: CourseHere } | null
  readonly school: School
  readonly jar: JarParameters
  /** The levain is mixed by now: what went into it stands. */
  readonly begun: boolean
}

/** What one lever does: how sour it comes out, and that against how it would be. */
export interface LeverEffect {
  readonly lever: SourLever
  readonly sour: Acidity
  /** Acid for its flour against that without it, less 1. */
  readonly change: number
}

/** So much each lever is turned. Source: what a home kitchen can do. */
export const TURNS = { tempK: 2, hours: 1, levain: 1.5, starter: 2, wholegrain: 0.2, coldHours: 12, firm: 0.6, wet: 1.3 } as const
/** Levains this firm or wet already are not made more so, water ÷ flour. */
const ALREADY = { firm: 0.75, wet: 1.2 } as const
const LONGEST_HOURS = 96
/** A difference that nobody tastes is no lever. */
const LEAST_CHANGE = 0.02

const warmedBy = (line: BatchLine, byK: number): BatchLine => ({
  ...line,
  mixTempC: line.mixTempC + byK,
  stays: line.stays.map((stay) => ({ ...stay, tempC: stay.tempC + byK, readings: undefined }))
})

/** A fifth of its flour as the wholegrain of its kind. */
function withWholegrain(line: BatchLine): BatchLine {
  const main = mainKind(line.flours)
  const from = line.flours[main] ?? 0
  const to = main === 'rye' ? 'rye' : 'wholegrain wheat'
  if (main === to || main === 'gluten-free') return line
  const moved = Math.min(TURNS.wholegrain * Object.values(line.flours).reduce((a, b) => a + b, 0), from)
  return { ...line, flours: { ...line.flours, [main]: from - moved, [to]: (line.flours[to] ?? 0) + moved } }
}

const wetted = (line: BatchLine, hydration: number): BatchLine => ({ ...line, waterGrams: hydration * Object.values(line.flours).reduce((a, b) => a + b, 0) })

const seeded = (line: BatchLine, factor: number): BatchLine => ({ ...line, parents: line.parents.map((p) => ({ ...p, grams: p.grams * factor })) })

/** Another share of levain in a dough as heavy as before. */
function leavened(dough: BatchLine, factor: number): BatchLine {
  const [levain, ...others] = dough.parents
  if (levain === undefined) return dough
  const left = levain.grams * (1 - factor)
  const flour = left / (1 + levain.hydration)
  const main = mainKind(dough.flours)
  return {
    ...dough,
    flours: { ...dough.flours, [main]: Math.max((dough.flours[main] ?? 0) + flour, 0) },
    waterGrams: Math.max(dough.waterGrams + left - flour, 0),
    parents: [{ ...levain, grams: levain.grams * factor }, ...others]
  }
}

/** What a lever makes of what was asked; null where it cannot be turned. */
function turned({ levain, dough, ...rest }: SourAsked, lever: SourLever): { readonly asked: SourAsked; readonly byHours: number } | null {
  const asked = (line: BatchLine, byHours = 0) => ({ asked: { ...rest, dough, levain: line }, byHours })
  const { hydration } = contentsOf(levain)
  const inDough = (line: (d: BatchLine) => BatchLine) =>
    dough === null ? null : { asked: { ...rest, levain, dough: { ...dough, line: line(dough.line) } }, byHours: 0 }
  switch (lever) {
    case 'warmer':
      return asked(warmedBy(levain, TURNS.tempK))
    case 'cooler':
      return asked(warmedBy(levain, -TURNS.tempK))
    case 'riper':
      return asked(levain, TURNS.hours)
    case 'younger':
      return asked(levain, -TURNS.hours)
    case 'more levain':
      return inDough((d) => leavened(d, TURNS.levain))
    case 'less levain':
      return inDough((d) => leavened(d, 1 / TURNS.levain))
    case 'more starter':
      return asked(seeded(levain, TURNS.starter))
    case 'less starter':
      return asked(seeded(levain, 1 / TURNS.starter))
    case 'wholegrain':
      if (dough === null && rest.begun) return null
      return dough === null ? asked(withWholegrain(levain)) : inDough(withWholegrain)
    case 'cold proof':
      if (dough === null || dough.course.proof.kind === 'cold') return null
      return { asked: { ...rest, levain, dough: { ...dough, course: { ...dough.course, proof: { kind: 'cold', hours: TURNS.coldHours } } } }, byHours: 0 }
    case 'firmer':
      return hydration > ALREADY.firm ? asked(wetted(levain, TURNS.firm)) : null
    case 'wetter':
      return hydration < ALREADY.wet ? asked(wetted(levain, TURNS.wet)) : null
    case 'fed twice before':
      return levain.parents.every((p) => p.line === null) ? null : asked({ ...levain, parents: levain.parents.map((p) => ({ ...p, line: null })) })
  }
}

/** How sour a loaf is when it goes into the oven; a levain that goes into none, when its school mixes it. */
function comesOut({ levain, dough, school, jar }: SourAsked, byHours: number): (Acidity & { readonly perFlour: number }) | null {
  // TTA is told for 10 g of a mix: a firmer one shows more of it and is no sourer for that.
  const told = (line: BatchLine, hours: number) => {
    const sour = sourAfter(line, hours, jar)
    return { ...sour, perFlour: sour.tta * (1 + contentsOf(line).hydration) }
  }
  const hours = fitHours(simulate(vesselOf(levain, jar), jar, { untilHours: LONGEST_HOURS, stopPastPeak: true }).milestones, school)
  if (hours === null) return null
  const mixedAfter = Math.max(hours + byHours, 0.5)
  if (dough === null) return told(levain, mixedAfter)
  const { line, course } = dough
  const [first, ...others] = line.parents
  if (first === undefined) return null
  const mixed = { ...line, parents: [{ ...first, line: shifted(levain, line.startedAtMs - mixedAfter * millisecondsInHour) }, ...others] }
  const times = courseTimes(course, line.startedAtMs, doughPace(mixed, course, jar))
  if (times === null) return null
  const stays = course.proof.kind === 'cold' ? [...mixed.stays, { fromMs: times.proofMs, tempC: course.coldC }] : mixed.stays
  return told({ ...mixed, stays }, (times.bakeMs - line.startedAtMs) / millisecondsInHour)
}

/** What can still be turned once the levain is mixed. */
const STILL: readonly SourLever[] = ['riper', 'younger', 'more levain', 'less levain', 'wholegrain', 'cold proof']

/**
 * How sour it comes out, and what each lever does to that; the strongest first.
 * @returns null where it cannot be told
 */
export function sourLevers(asked: SourAsked): { readonly as: Acidity; readonly levers: readonly LeverEffect[] } | null {
  const as = comesOut(asked, 0)
  if (as === null) return null
  const open = SOUR_LEVERS.filter((lever) => !asked.begun || STILL.includes(lever))
  const levers = open.flatMap((lever): LeverEffect[] => {
    const turn = turned(asked, lever)
    const sour = turn === null ? null : comesOut(turn.asked, turn.byHours)
    if (sour === null) return []
    const change = sour.perFlour / as.perFlour - 1
    return Math.abs(change) < LEAST_CHANGE ? [] : [{ lever, sour: { pH: sour.pH, tta: sour.tta }, change }]
  })
  return { as, levers: levers.sort((a, b) => Math.abs(b.change) - Math.abs(a.change)) }
}
