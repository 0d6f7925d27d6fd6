/**
 * A made-up baker who looks at a jar: what is really there, misread now and then, by one with a bias all of his own. It imports nothing from ferment
 * or readiness, so that the judgement is never checked by its own tables. What a levain shows is told by how full it is and whether it falls.
 */
import { sure } from '../units/sure'
import { type TrueCurve, trueRiseAt } from './trueRise'

/** How the observer errs. */
export type Observer = 'careful' | 'sees domes'

/** What was noted at one look. */
export interface TrueLook {
  readonly hours: number
  readonly rise: number
  readonly signs: Readonly<Record<string, string>>
}

/** Share of what is noted that is plainly wrong; reading error of the level, sd; and how much higher the biased one reads. */
const WRONG = 0.1
const READING_SD = 0.05
const BIASED_LEVEL = 1.08

/** How far along it is: share of its own height; and falling or not. */
function stateAt(curve: TrueCurve, hours: number): { readonly full: number; readonly falling: boolean } {
  const top = Math.max(...curve.rise) - 1
  return { full: (trueRiseAt(curve, hours) - 1) / Math.max(top, 1e-9), falling: hours > curve.peakHours }
}

type Weights = Readonly<Record<string, number>>

/** What a look may find, by kind of sign: weights that need not sum to one. */
function signsThere(full: number, falling: boolean): Readonly<Record<string, Weights>> {
  if (falling && full < 0.8)
    return {
      top: { sunken: 7, dimpled: 3, flat: 1 },
      surface: { foamy: 5, smooth: 3, pitted: 2 },
      bubbles: { frothy: 4, many: 3, few: 3 },
      webbing: { slack: 6, strands: 3, none: 2, web: 1 },
      smell: { tangy: 5, vinegar: 4, yeasty: 2, solvent: 1 },
      smear: { yes: 19, no: 1 },
      spoon: { sinks: 5, hangs: 3, floats: 3 }
    }
  if (falling && full < 0.95)
    return {
      top: { dimpled: 5, flat: 3, sunken: 2, domed: 1 },
      surface: { foamy: 5, pitted: 3, smooth: 1, cracked: 1 },
      bubbles: { frothy: 5, many: 4, few: 1 },
      webbing: { web: 4, slack: 3, strands: 3 },
      smell: { tangy: 4, yeasty: 4, 'milky-sweet': 1, vinegar: 1 },
      smear: { yes: 7, no: 3 },
      spoon: { floats: 5, hangs: 3, sinks: 3 }
    }
  if (full >= 0.95)
    return {
      top: { domed: falling ? 2 : 5, flat: 4, dimpled: falling ? 3 : 1 },
      surface: { pitted: 4, foamy: 4, cracked: 1, smooth: 1 },
      bubbles: { many: 6, frothy: 4 },
      webbing: { web: 7, strands: 2, slack: 1 },
      smell: { yeasty: 5, 'milky-sweet': 3, tangy: 2 },
      smear: { no: falling ? 6 : 19, yes: falling ? 4 : 1 },
      spoon: { floats: 8, hangs: 1, sinks: 1 }
    }
  if (full > 0.5)
    return {
      top: { domed: 8, flat: 2 },
      surface: { pitted: 5, smooth: 3, foamy: 2 },
      bubbles: { many: 8, frothy: 1, few: 1 },
      webbing: { web: 5, strands: 4, none: 1 },
      smell: { 'milky-sweet': 5, yeasty: 4, floury: 1 },
      smear: { no: 1 },
      spoon: { floats: 6, hangs: 3, sinks: 2 }
    }
  if (full > 0.08)
    return {
      top: { domed: 6, flat: 4 },
      surface: { smooth: 5, pitted: 5 },
      bubbles: { many: 6, few: 4 },
      webbing: { strands: 5, none: 4, web: 1 },
      smell: { 'milky-sweet': 5, floury: 3, yeasty: 2 },
      smear: { no: 1 },
      spoon: { sinks: 5, hangs: 3, floats: 2 }
    }
  return {
    top: { flat: 9, domed: 1 },
    surface: { smooth: 9, pitted: 1 },
    bubbles: { few: 9, many: 1 },
    webbing: { none: 9, strands: 1 },
    smell: { floury: 8, 'milky-sweet': 2 },
    smear: { no: 1 },
    spoon: { sinks: 9, hangs: 1 }
  }
}

/** The same of rye and of mixes without gluten: hardly a dome, no web, nothing that floats for long. */
function denseSigns(full: number, falling: boolean): Readonly<Record<string, Weights>> {
  const spoon = { sinks: 6, hangs: 3, floats: full > 0.8 ? 3 : 1 }
  const webbing = { none: 6, strands: full > 0.5 ? 3 : 1, slack: falling ? 3 : 1 }
  if (!falling) return { top: { flat: 6, domed: full > 0.5 ? 4 : 2 }, spoon, webbing }
  return { top: full < 0.8 ? { sunken: 6, dimpled: 2, flat: 2 } : { flat: 6, dimpled: 3, domed: 1 }, spoon, webbing }
}

const ALL: Readonly<Record<string, readonly string[]>> = {
  top: ['domed', 'flat', 'dimpled', 'sunken'],
  surface: ['smooth', 'pitted', 'foamy', 'cracked'],
  bubbles: ['few', 'many', 'frothy'],
  webbing: ['none', 'strands', 'web', 'slack'],
  smell: ['floury', 'milky-sweet', 'yeasty', 'tangy', 'vinegar', 'solvent'],
  smear: ['yes', 'no'],
  spoon: ['floats', 'hangs', 'sinks']
}

function drawn(weights: Weights, random: () => number): string {
  const entries = Object.entries(weights)
  let left = random() * entries.reduce((sum, [, w]) => sum + w, 0)
  for (const [sign, w] of entries) {
    left -= w
    if (left <= 0) return sign
  }
  return entries.at(-1)?.[0] ?? ''
}

/**
 * One look at a jar.
 * @param curve how it really goes
 * @param kinds how many kinds of sign are noted
 * @param dense it neither domes nor floats nor pulls webs
 */
export function trueLook(
  curve: TrueCurve,
  hours: number,
  observer: Observer,
  kinds: number,
  random: () => number,
  normal: () => number,
  dense = false
): TrueLook {
  const { full, falling } = stateAt(curve, hours)
  const there = { ...signsThere(full, falling), ...(dense ? denseSigns(full, falling) : {}) }
  const chosen = Object.keys(there)
    .map((kind) => ({ kind, at: random() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, kinds)
  const signs: Record<string, string> = {}
  for (const { kind } of chosen) {
    const honest = drawn(sure(there[kind]), random)
    const others = sure(ALL[kind]).filter((sign) => sign !== honest)
    signs[kind] = random() < WRONG ? sure(others[Math.floor(random() * others.length)]) : honest
    if (observer === 'sees domes' && kind === 'top' && honest !== 'sunken') signs[kind] = 'domed'
  }
  const bias = observer === 'sees domes' ? BIASED_LEVEL : 1
  return { hours, rise: Math.max(1, trueRiseAt(curve, hours) * bias * (1 + READING_SD * normal())), signs }
}
