/**
 * Geometry of the rise ribbon: hours to pixels, hills to paths, labels that keep out of each other's way. Pure; the drawing only draws it.
 */

import { TZDate } from '@date-fns/tz'
import { millisecondsInHour } from 'date-fns/constants'
import { sure } from '../../../core'
import type { Family } from '../jar/family'

/** One point of a hill. */
export interface HillPoint {
  readonly ms: number
  /** g: rise less 1. */
  readonly gas: number
}

/** One vessel on the ribbon. */
export interface Hill {
  readonly id: string
  /** "Juno levain" */
  readonly label: string
  /** Colour family; the label says the same in words. */
  readonly family: Family
  /** Already mixed and in its jar; a planned one is drawn lighter. */
  readonly running: boolean
  readonly points: readonly HillPoint[]
  /** The ridge as it was foretold before anything was seen of it. */
  readonly was?: readonly HillPoint[]
  /** Where the level lies in nine of ten cases, same moments for low and high. */
  readonly band?: readonly { readonly ms: number; readonly low: number; readonly high: number }[]
  /** It can be taken hold of by its ridge. */
  readonly held?: boolean
  /** It is the jar itself, which is used as it is: it was fed, not built. */
  readonly ofJar?: boolean
  /** Its levain comes out of another pot, and rises there: only the dough's day is drawn. */
  readonly risesElsewhere?: boolean
  /** Ready to mix. */
  readonly window: { readonly fromMs: number; readonly toMs: number } | null
  readonly marks?: readonly HillPoint[]
  /** When the dough is to be mixed. */
  readonly mixAtMs?: number
  /** Probability that it is ready to mix, moment by moment. */
  readonly fit?: readonly { readonly ms: number; readonly share: number }[]
  /** One of several laid over each other: its letter stands at its top, and it is not filled. */
  readonly letter?: string
  /** Moments at which it moves on to another place. */
  readonly moves?: readonly number[]
  /** What the dough goes through after it. */
  readonly day?: readonly DoughStage[]
}

/** One stage of a dough, lying on the ground after its levain. */
export interface DoughStage {
  readonly kind: 'bulk' | 'proof' | 'cold' | 'oven'
  readonly fromMs: number
  readonly toMs: number
}

/** A stretch of real time on a strip of pixels. */
export interface Strip {
  readonly fromMs: number
  readonly toMs: number
  readonly width: number
  readonly height: number
  readonly nowMs: number
  readonly timeZone: string
}

/** Words that stand on the ribbon. */
export interface PlacedLabel {
  readonly id: string
  readonly x: number
  readonly y: number
}

/** A hill ready to draw. */
export interface DrawnHill {
  readonly hill: Hill
  readonly ridge: string
  /** The ridge as it was foretold; empty where it is not told. */
  readonly was: string
  readonly fill: string
  readonly band: string
  readonly window: string
  readonly marks: readonly { readonly x: number; readonly y: number }[]
  readonly startX: number
  readonly mixX: number | null
  readonly groundY: number
  readonly day: readonly { readonly kind: DoughStage['kind']; readonly left: number; readonly width: number }[]
  /** Height of a level on the strip. */
  readonly y: (gas: number) => number
}

/** The strip itself: what does not move while a hill is dragged. */
export interface RibbonFrame {
  readonly strip: Strip
  readonly groundY: number
  readonly nowX: number | null
  readonly ticks: readonly { readonly x: number; readonly ms: number; readonly labelled: boolean }[]
  readonly days: readonly { readonly x: number; readonly ms: number }[]
  readonly x: (ms: number) => number
  /** The moment at a place of the strip. */
  readonly msAt: (x: number) => number
}

/** The hills on it. */
export interface RibbonHills {
  readonly hills: readonly DrawnHill[]
  readonly labels: readonly PlacedLabel[]
}

/** Room above the hills for days and windows, and below for hours. */
const HEAD_PX = 98
const FOOT_PX = 44
const LEAST_TOP_GAS = 2
/** A lane stands this share of a hill above the one below it: hills may stand before each other like hills do. */
const LANE_RISE = 0.62
/** Doubt reaches no higher than this share of the highest hill. */
const MOST_OF_HILL = 1.25
const TICK_STEPS = [1, 2, 3, 6, 12, 24]
const LEAST_TICK_PX = 40
const BADGE_PX = 34
const LABEL_HALF_PX = 78
const DAY_PX = 104
const LABEL_LINE_PX = 40
/** A grip on the ridge wants room below the words. */
const HELD_GAP_PX = 30
/** Labels keep below the names of days and the word for sleep. */
const LABEL_TOP_PX = 84
/** No label stands higher. */
const LABEL_LEAST_Y = 66

/** Lays the strip out: its hours and days. */
export function layFrame(strip: Strip): RibbonFrame {
  const { fromMs, toMs, width, height, nowMs } = strip
  const x = (ms: number) => ((ms - fromMs) / (toMs - fromMs)) * width
  const nowX = nowMs >= fromMs && nowMs <= toMs ? x(nowMs) : null
  return {
    strip,
    groundY: height - FOOT_PX,
    nowX,
    ticks: ticksOf(strip, x, nowX),
    days: daysOf(strip, x, nowX),
    x,
    msAt: (px) => fromMs + (px / width) * (toMs - fromMs)
  }
}

/**
 * Lays hills on a strip.
 * @param frame the strip
 * @param hills vessels, in the order in which they get a lane
 */
export function layHills({ strip, groundY, nowX, x }: RibbonFrame, hills: readonly Hill[]): RibbonHills {
  const { fromMs, toMs } = strip
  const shown = hills.filter((hill) => hill.points.length > 1 && endOf(hill) > fromMs && startOf(hill) < toMs)
  const lanes = shown.some((hill) => hill.letter !== undefined) ? shown.map(() => 0) : assignLanes(shown)
  const laneCount = Math.max(1, ...lanes.map((lane) => lane + 1))
  const hillPx = (groundY - HEAD_PX) / (1 + LANE_RISE * (laneCount - 1))
  const topGas = Math.max(LEAST_TOP_GAS, ...shown.flatMap((hill) => [...hill.points, ...(hill.marks ?? [])].map((p) => p.gas)))
  const drawn = shown.map((hill, i) => {
    const ground = groundY - (laneCount - 1 - (lanes[i] ?? NaN)) * LANE_RISE * hillPx
    return drawHill(hill, x, (gas) => ground - Math.min(Math.max(gas, 0) / topGas, MOST_OF_HILL) * hillPx, ground)
  })
  return { hills: drawn, labels: placeLabels(drawn, strip, x, nowX) }
}

const startOf = (hill: Hill) => hill.points[0]?.ms ?? 0
const endOf = (hill: Hill) => Math.max(hill.points.at(-1)?.ms ?? 0, hill.day?.at(-1)?.toMs ?? 0)

/** The lowest lane in which a hill overlaps no other. */
export function assignLanes(hills: readonly Hill[]): number[] {
  const ends: number[] = []
  const order = hills.map((_, i) => i).sort((a, b) => startOf(sure(hills[a])) - startOf(sure(hills[b])))
  const lanes = new Array<number>(hills.length).fill(0)
  for (const i of order) {
    const hill = sure(hills[i])
    const free = ends.findIndex((end) => end <= startOf(hill))
    const lane = free === -1 ? ends.length : free
    ends[lane] = endOf(hill)
    lanes[i] = lane
  }
  const last = Math.max(0, ...lanes)
  return lanes.map((lane) => last - lane)
}

const at = (value: number) => value.toFixed(1)
const line = (points: readonly (readonly [number, number])[]) => points.map(([px, py], i) => `${i === 0 ? 'M' : 'L'}${at(px)} ${at(py)}`).join('')

function drawHill(hill: Hill, x: (ms: number) => number, y: (gas: number) => number, groundY: number): DrawnHill {
  const ridge = hill.points.map((p) => [x(p.ms), y(p.gas)] as const)
  const under = (points: readonly (readonly [number, number])[]) =>
    points.length < 2 ? '' : `${line(points)}L${at(sure(points.at(-1))[0])} ${at(groundY)}L${at(sure(points[0])[0])} ${at(groundY)}Z`
  const band = hill.band ?? []
  const inside = hill.window === null ? [] : between(hill.points, hill.window.fromMs, hill.window.toMs)
  return {
    hill,
    ridge: line(ridge),
    was: line((hill.was ?? []).map((p) => [x(p.ms), y(p.gas)] as const)),
    fill: under(ridge),
    band:
      band.length < 2
        ? ''
        : `${line(band.map((b) => [x(b.ms), y(b.high)] as const))}${line([...band].reverse().map((b) => [x(b.ms), y(b.low)] as const)).replace('M', 'L')}Z`,
    window: under(inside.map((p) => [x(p.ms), y(p.gas)] as const)),
    marks: (hill.marks ?? []).map((m) => ({ x: x(m.ms), y: y(m.gas) })),
    startX: x(startOf(hill)),
    mixX: hill.mixAtMs === undefined ? null : x(hill.mixAtMs),
    groundY,
    day: (hill.day ?? []).map(({ kind, fromMs, toMs }) => ({ kind, left: x(fromMs), width: Math.max(x(toMs) - x(fromMs), 0) })),
    y
  }
}

/** The part of a curve between two moments, its ends put in between the points. */
export function between(points: readonly HillPoint[], fromMs: number, toMs: number): HillPoint[] {
  const first = points[0]
  const last = points.at(-1)
  if (first === undefined || last === undefined || toMs <= first.ms || fromMs >= last.ms) return []
  const from = Math.max(fromMs, first.ms)
  const to = Math.min(toMs, last.ms)
  return [{ ms: from, gas: levelAt(points, from) }, ...points.filter((p) => p.ms > from && p.ms < to), { ms: to, gas: levelAt(points, to) }]
}

/** Level of a curve at a moment, on a straight line between its points. */
export function levelAt(points: readonly HillPoint[], ms: number): number {
  const i = points.findIndex((p) => p.ms >= ms)
  const right = sure(points[i === -1 ? points.length - 1 : i])
  const left = sure(points[Math.max((i === -1 ? points.length : i) - 1, 0)])
  return right.ms === left.ms ? right.gas : left.gas + ((ms - left.ms) / (right.ms - left.ms)) * (right.gas - left.gas)
}

const MOST_TICKS = 400

/** Full hours of the kitchen's clock, labelled as densely as there is room; none under the badge of the present. */
function ticksOf({ fromMs, toMs, width, timeZone }: Strip, x: (ms: number) => number, nowX: number | null) {
  const hours = (toMs - fromMs) / millisecondsInHour
  const step = TICK_STEPS.find((s) => (width / hours) * s >= LEAST_TICK_PX) ?? 24
  const ticks: { x: number; ms: number; labelled: boolean }[] = []
  // Over years nobody reads hours: what is drawn stays a few hundred strokes, whatever the clock says.
  const stride = millisecondsInHour * Math.max(1, Math.ceil(hours / MOST_TICKS))
  for (let ms = Math.ceil(fromMs / millisecondsInHour) * millisecondsInHour; ms <= toMs; ms += stride) {
    const local = new TZDate(ms, timeZone)
    const whole = new TZDate(local.getFullYear(), local.getMonth(), local.getDate(), local.getHours(), 0, 0, timeZone).getTime()
    const px = x(whole)
    if (whole < fromMs || px < 0 || px > width || ticks.at(-1)?.ms === whole) continue
    const clear = px > 14 && px < width - 14 && (nowX === null || Math.abs(px - nowX) > BADGE_PX + 14)
    ticks.push({ x: px, ms: whole, labelled: clear && local.getHours() % step === 0 })
  }
  return ticks
}

/** Where a day's name stands: at its midnight, the first day at the left edge while there is room. */
function daysOf({ fromMs, toMs, width, timeZone }: Strip, x: (ms: number) => number, nowX: number | null) {
  const days: { x: number; ms: number }[] = []
  const first = new TZDate(fromMs, timeZone)
  for (let i = 0; i < 12; i++) {
    const midnight = new TZDate(first.getFullYear(), first.getMonth(), first.getDate() + i, 0, 0, 0, timeZone).getTime()
    if (midnight > toMs) break
    const left = Math.max(x(midnight), 0) + 12
    const covered = nowX !== null && nowX > left - 8 && nowX < left + DAY_PX
    days.push({ x: covered ? nowX + 10 : left, ms: Math.max(midnight, fromMs) })
  }
  const room = (i: number) => (days[i + 1]?.x ?? width) - sure(days[i]).x
  return days.filter((_, i) => room(i) >= DAY_PX)
}

/** Stands each window's words over its hill, held inside the strip and clear of the present and of each other. */
function placeLabels(hills: readonly DrawnHill[], { width }: Strip, x: (ms: number) => number, nowX: number | null): PlacedLabel[] {
  const placed: PlacedLabel[] = []
  const ordered = hills
    .filter((h) => h.hill.window !== null && h.hill.letter === undefined)
    .sort((a, b) => (a.hill.window?.fromMs ?? 0) - (b.hill.window?.fromMs ?? 0))
  for (const { hill, groundY } of ordered) {
    const window = hill.window as { fromMs: number; toMs: number }
    const centre = x((window.fromMs + window.toMs) / 2)
    if (centre < -LABEL_HALF_PX || centre > width + LABEL_HALF_PX) continue
    let px = Math.min(Math.max(centre, LABEL_HALF_PX + 8), width - LABEL_HALF_PX - 8)
    if (nowX !== null && Math.abs(px - nowX) < LABEL_HALF_PX + 6) {
      const side = px >= nowX ? 1 : -1
      const moved = nowX + side * (LABEL_HALF_PX + 8)
      px = moved < LABEL_HALF_PX + 8 || moved > width - LABEL_HALF_PX - 8 ? nowX - side * (LABEL_HALF_PX + 8) : moved
    }
    const peak = Math.max(...hill.points.map((p) => p.gas))
    const top = topOf(hill, hills, peak) ?? groundY
    let y = Math.max(top - (hill.held === true ? HELD_GAP_PX : 14), hill.held === true ? LABEL_TOP_PX - 18 : LABEL_TOP_PX)
    const taken = () => placed.some((other) => Math.abs(other.x - px) < 2 * LABEL_HALF_PX && Math.abs(other.y - y) < LABEL_LINE_PX)
    while (taken() && y > LABEL_LEAST_Y) y = Math.max(y - LABEL_LINE_PX, LABEL_LEAST_Y)
    // Where there is no room left it is not written over another: the pointer and the words below tell it.
    if (!taken()) placed.push({ id: hill.id, x: px, y })
  }
  return placed
}

function topOf(hill: Hill, hills: readonly DrawnHill[], peak: number): number | null {
  const drawn = hills.find((h) => h.hill.id === hill.id)
  const highest = hill.points.findIndex((p) => p.gas === peak)
  const y = drawn?.ridge.split(/[ML]/)[highest + 1]?.split(' ')[1]
  return y === undefined ? null : Number(y)
}
