import { sure } from '../units/sure'
/**
 * Finds a jar and the level in it in a photograph. Its sides are two upright edges that go on for long; what is in it differs from the wall that is
 * seen through the empty glass; the level is where the one gives way to the other. Says that it cannot tell rather than guess.
 */

/** A picture, upper left first, four bytes a pixel. */
export interface Pixels {
  readonly width: number
  readonly height: number
  /** RGBA. */
  readonly data: Uint8ClampedArray
}

/** Where a jar stands in a picture, as shares of its width and height. */
export interface JarFrame {
  readonly left: number
  readonly right: number
  readonly rim: number
  readonly floor: number
}

/** A jar with its level. */
export interface FoundLevel {
  readonly frame: JarFrame
  /** Share of the picture's height. */
  readonly level: number
  /** How plainly it is seen, 0 … 1. */
  readonly sure: number
}

/** Sides of a jar: so far apart at least and at most, shares of the width. */
const NARROWEST = 0.25
const WIDEST = 0.8
/** A jar keeps clear of so much of the picture at the top, share of its height. */
const TOP = 0.04
/** Shorter than this it is no jar, share of the height; and so plainly its sides have to be seen. */
const SHORTEST = 0.25
const LEAST_SCORE = 0.2
/** The floor lies so far below the end of the sides at most, share of the height; and so plainly it has to be seen. */
const FLOOR_BELOW = 0.25
const LEAST_CHANGE = 25
const AS_PLAINLY = 0.7
/** The strip that is read, from side to side: the glass itself and its glare are left out. */
const INSET = 0.2
/** What lies beside the jar is read over so much of the width. */
const BESIDE = 0.06
/** Below so much certainty the level cannot be told. */
const LEAST_SURE = 0.3
/** Left and right the level may differ by so much of the jar: it is tilted, or the light is. */
const LEVEL_OUT = 0.08
/** Level and rim, level and floor lie so far apart at least, shares of the jar. */
const MARGIN = 0.04

type Rows = Float64Array

/** How light each pixel is, 0 … 255. */
function lightness({ width, height, data }: Pixels): Float32Array {
  const light = new Float32Array(width * height)
  for (let i = 0; i < light.length; i++) light[i] = 0.299 * (data[4 * i] ?? NaN) + 0.587 * (data[4 * i + 1] ?? NaN) + 0.114 * (data[4 * i + 2] ?? NaN)
  return light
}

/**
 * Finds the sides, the rim and the floor of a jar.
 * @returns null where there is none to be seen
 */
export function findFrame(picture: Pixels): JarFrame | null {
  const sides = findSides(picture)
  return sides === null ? null : withFloor(picture, sides)
}

/** The sides of a jar, from where both begin to where both end. */
function findSides(picture: Pixels): JarFrame | null {
  const { width, height } = picture
  const light = lightness(picture)
  // How many rows have an upright edge at a column, or next to it.
  const reach = Math.max(2, Math.round(width * 0.008))
  const edges = new Uint8Array(width * height)
  const columns = new Float64Array(width)
  for (let y = 0; y < height; y++)
    for (let x = 2; x < width - 2; x++) {
      const at = y * width + x
      const step =
        Math.abs((light[at + 2] ?? NaN) - (light[at - 2] ?? NaN)) + Math.abs((light[at] ?? NaN) * 2 - (light[at - 2] ?? NaN) - (light[at + 2] ?? NaN))
      if (step > 22) edges[at] = 1
    }
  const near = (x: number, y: number) => {
    for (let dx = -reach; dx <= reach; dx++) if (edges[y * width + Math.min(Math.max(x + dx, 0), width - 1)] === 1) return true
    return false
  }
  for (let x = reach; x < width - reach; x++) {
    let rows = 0
    for (let y = 0; y < height; y += 2) if (near(x, y)) rows++
    columns[x] = rows / (height / 2)
  }
  let best: { score: number; left: number; right: number; from: number; to: number } | null = null
  const candidates = peaksOf(columns, Math.round(width * 0.02))
  const gap = Math.round(height * 0.06)
  for (const left of candidates)
    for (const right of candidates) {
      const apart = (right - left) / width
      if (apart < NARROWEST || apart > WIDEST) continue
      // Both sides run between rim and floor: the longest stretch in which they do, small gaps let pass. What both go on to the upper edge is tiles or a door.
      const stretch = longestStretch(
        Array.from({ length: height }, (_, y) => near(left, y) && near(right, y)),
        gap
      )
      if (stretch === null || stretch.from < TOP * height || stretch.to - stretch.from < SHORTEST * height) continue
      // What stands about the middle of the picture is likelier meant.
      const score = stretch.count / height - 0.4 * Math.abs((left + right) / 2 / width - 0.5)
      if (best === null || score > best.score) best = { score, left, right, ...stretch }
    }
  if (best === null || best.score < LEAST_SCORE) return null
  const { left, right, from, to } = best
  return { left: left / width, right: right / width, rim: from / height, floor: to / height }
}

/** Where the jar ends below: its sides may draw in long before it does. The last row at which what stands in it gives way as plainly as it does anywhere below. */
function withFloor(picture: Pixels, frame: JarFrame): JarFrame {
  const { width, height } = picture
  const [left, right, floor] = [frame.left * width, frame.right * width, Math.round(frame.floor * height)]
  const [from, to] = [left + 0.3 * (right - left), right - 0.3 * (right - left)]
  const step = Math.max(2, Math.round(0.006 * height))
  const rows = Array.from({ length: Math.max(Math.round(Math.min(FLOOR_BELOW * height, height - step - 1 - floor)), 0) + step }, (_, i) => {
    const row = floor - step + i
    return { row, change: distance(meanColour(picture, row - step, from, to), meanColour(picture, row + step, from, to)) }
  })
  const most = Math.max(LEAST_CHANGE, ...rows.map((r) => r.change))
  const last = rows.findLastIndex((r) => r.change >= AS_PLAINLY * most)
  // To the top of that change, not to its far end.
  const best = rows.slice(Math.max(last - 2 * step, 0), last + 1).reduce((top, r) => (r.change > top.change ? r : top), { row: floor, change: LEAST_CHANGE })
  return { ...frame, floor: best.row / height }
}

/** Columns higher than those about them. */
function peaksOf(columns: Rows, reach: number): number[] {
  const found: number[] = []
  for (let x = 0; x < columns.length; x++) {
    const own = columns[x] ?? NaN
    if (own < 0.2) continue
    let highest = true
    for (let dx = -reach; dx <= reach && highest; dx++) {
      const other = columns[x + dx]
      if (other !== undefined && (other > own || (other === own && dx < 0))) highest = false
    }
    if (highest) found.push(x)
  }
  return found
}

function longestStretch(flags: readonly boolean[], gap: number): { readonly from: number; readonly to: number; readonly count: number } | null {
  let best: { from: number; to: number; count: number } | null = null
  let current: { from: number; to: number; count: number } | null = null
  flags.forEach((flag, y) => {
    if (!flag) return
    current = current !== null && y - current.to <= gap ? { from: current.from, to: y, count: current.count + 1 } : { from: y, to: y, count: 1 }
    if (best === null || current.count > best.count) best = current
  })
  return best
}

/** Mean colour of a stretch of a row. */
function meanColour({ width, data }: Pixels, y: number, from: number, to: number): Colour {
  let [r, g, b, n] = [0, 0, 0, 0]
  for (let x = Math.max(Math.round(from), 0); x < Math.min(Math.round(to), width); x++) {
    const at = 4 * (y * width + x)
    r += data[at] ?? NaN
    g += data[at + 1] ?? NaN
    b += data[at + 2] ?? NaN
    n++
  }
  return n === 0 ? [0, 0, 0] : [r / n, g / n, b / n]
}

const distance = (a: readonly number[], b: readonly number[]) =>
  Math.hypot((a[0] ?? NaN) - (b[0] ?? NaN), (a[1] ?? NaN) - (b[1] ?? NaN), (a[2] ?? NaN) - (b[2] ?? NaN))

/**
 * Finds the level in a jar.
 * @param frame where the jar stands; found by itself when left out
 * @returns null where it cannot be told
 */
export function findLevel(picture: Pixels, given?: JarFrame): FoundLevel | null {
  const frame = given ?? findSides(picture)
  if (frame === null) return null
  const { width, height } = picture
  const rim = Math.round(frame.rim * height)
  const floor = Math.round(frame.floor * height)
  const tall = floor - rim
  const wide = (frame.right - frame.left) * width
  if (tall < 40 || wide < 20) return null
  const from = frame.left * width + INSET * wide
  const to = frame.right * width - INSET * wide
  const strip = { picture, rim, tall, light: lightBeside(picture, frame, rim, tall) }
  const whole = stepBetween(strip, from, to)
  if (whole === null || whole.sure < LEAST_SURE) return null
  // In a jar the level stands alike left and right. Where half of what was taken for it is wall or a thing beside it, it does not.
  const halves = [stepBetween(strip, from, (from + to) / 2), stepBetween(strip, (from + to) / 2, to)]
  if (halves.some((half) => half === null || Math.abs(half.at - whole.at) > LEVEL_OUT * tall)) return null
  return { frame: given ?? withFloor(picture, frame), level: (rim + whole.at) / height, sure: whole.sure }
}

type Colour = readonly [number, number, number]

/** What is read of a picture to find a level: rows from the rim to the floor, and how the light changes on the wall beside them. */
interface Strip {
  readonly picture: Pixels
  readonly rim: number
  readonly tall: number
  /** Change of the wall against what it is at the rim. */
  readonly light: readonly Colour[]
}

/** A wall that has changed by more is no longer the wall. */
const STILL_WALL = 90

/** How the light on the wall beside a jar changes from the rim down: by the side that changes less, since a thing may stand at the other. */
function lightBeside(picture: Pixels, frame: JarFrame, rim: number, tall: number): Colour[] {
  const { width } = picture
  const [near, far] = [0.02 * width, (BESIDE + 0.02) * width]
  const sides = [
    [frame.left * width - far, frame.left * width - near],
    [frame.right * width + near, frame.right * width + far]
  ].map(([from, to]) => {
    const rows = Array.from({ length: tall }, (_, i) => meanColour(picture, rim + i, from as number, to as number))
    const margin = Math.round(MARGIN * tall)
    const atRim = middle(rows.slice(margin, margin + Math.round(0.08 * tall)))
    return rows.map((row): Colour => [row[0] - atRim[0], row[1] - atRim[1], row[2] - atRim[2]])
  })
  const none: Colour = [0, 0, 0]
  return Array.from({ length: tall }, (_, i) => {
    const less = sides.map((side) => sure(side[i])).reduce((least, change) => (distance(change, none) < distance(least, none) ? change : least))
    return distance(less, none) < STILL_WALL ? less : none
  })
}

/** Where, between two columns, empty glass gives way to what is in it: rows from the rim, and how plainly. */
function stepBetween({ picture, rim, tall, light }: Strip, from: number, to: number): { readonly at: number; readonly sure: number } | null {
  const inside = Array.from({ length: tall }, (_, i) => meanColour(picture, rim + i, from, to))
  const margin = Math.round(MARGIN * tall)
  // What the empty glass shows, from just below the rim; what is in it, from just above the floor.
  const empty = middle(inside.slice(margin, margin + Math.round(0.08 * tall)))
  const full = middle(inside.slice(tall - Math.round(0.16 * tall), tall - margin))
  const likeness = inside.map((colour, i) => {
    const lit = [0, 1, 2].map((c) => (empty[c] ?? NaN) + (sure(light[i])[c] ?? NaN))
    const toEmpty = distance(colour, lit)
    const toFull = distance(colour, full)
    return toEmpty + toFull < 1e-6 ? 0.5 : toEmpty / (toEmpty + toFull)
  })
  const step = bestStep(medians(likeness, Math.max(2, Math.round(0.012 * tall))), margin, tall - margin)
  if (step === null) return null
  return { at: step.at, sure: Math.min(Math.max(step.gain, 0), 1) * Math.min(distance(empty, full) / 45, 1) }
}

/** Middle of some colours, channel by channel: a band or a glare does not count. */
function middle(colours: readonly (readonly number[])[]): Colour {
  const of = (c: number) => {
    const sorted = colours.map((colour) => colour[c] ?? NaN).sort((a, b) => a - b)
    return sorted[Math.floor(sorted.length / 2)] ?? 0
  }
  return [of(0), of(1), of(2)]
}

function medians(values: readonly number[], reach: number): number[] {
  return values.map((_, i) => {
    const about = values.slice(Math.max(i - reach, 0), i + reach + 1).sort((a, b) => a - b)
    return about[Math.floor(about.length / 2)] ?? NaN
  })
}

/**
 * The place at which a row of figures, low at first and high after, is best cut in two.
 * @returns place and how much of the spread the cut explains, 0 … 1; null where it does not go up
 */
function bestStep(values: readonly number[], first: number, last: number): { readonly at: number; readonly gain: number } | null {
  const sums = [0]
  const squares = [0]
  for (const v of values) {
    sums.push((sums.at(-1) ?? NaN) + v)
    squares.push((squares.at(-1) ?? NaN) + v * v)
  }
  const spread = (from: number, to: number) => {
    const n = to - from
    const sum = (sums[to] ?? NaN) - (sums[from] ?? NaN)
    return (squares[to] ?? NaN) - (squares[from] ?? NaN) - (sum * sum) / n
  }
  const meanOf = (from: number, to: number) => ((sums[to] ?? NaN) - (sums[from] ?? NaN)) / (to - from)
  const all = spread(0, values.length)
  let best: { at: number; left: number } | null = null
  for (let at = first; at < last; at++) {
    const left = spread(0, at) + spread(at, values.length)
    if (best === null || left < best.left) best = { at, left }
  }
  if (best === null || all <= 0) return null
  const low = meanOf(0, best.at)
  const high = meanOf(best.at, values.length)
  if (high - low < 0.3) return null
  // To the row at which it is half way from the one to the other.
  const half = (low + high) / 2
  let at = best.at
  const reach = Math.round(0.06 * values.length)
  for (let by = 0; by <= reach; by++) {
    const [up, down] = [best.at - by, best.at + by]
    const crosses = (i: number) => i > 0 && i < values.length && (values[i - 1] ?? NaN) < half && (values[i] ?? NaN) >= half
    if (crosses(up)) {
      at = up
      break
    }
    if (crosses(down)) {
      at = down
      break
    }
  }
  return { at, gain: (1 - best.left / all) * Math.min((high - low) / 0.6, 1) }
}
