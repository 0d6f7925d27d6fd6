import { cultureAt, strengthOf, WAKE_UP_RATIOS } from '../../jars/lineage'
import { type Exact, readOff } from './exact'
import type { Grid } from './grid'
import type { PlanProblem, PlanStage } from './problem'
import { firstStages } from './stages'
import { type Trouble, usedUntil } from './trouble'
import { type WindowTable, windowTable } from './windows'

const MS_PER_HOUR = 3_600_000

/** What is ready at each moment of the grid, at what cost, and how it came about. */
export interface Ready {
  readonly cost: Float64Array
  /** Start of the stage that made it, as a place in the grid. */
  readonly start: Int32Array
  readonly option: Int32Array
  readonly options: readonly Option[]
  readonly before: Ready | null
}

/** A stage that is tried, with its windows at any start. */
export interface Option {
  readonly stage: PlanStage
  readonly table: WindowTable
}

/** Moments at which the strength of a culture is looked at first; between two alike it is taken to be the same, h. */
const STRENGTH_EVERY_HOURS = 4

/** Wake-up feeds that the culture would want at each moment. */
export function feedsWanted({ build }: PlanProblem, grid: Grid): Int32Array {
  const wanted = new Int32Array(grid.count)
  const { line, jar } = build.seed
  if (line === null) return wanted
  const at = (k: number) => WAKE_UP_RATIOS[strengthOf(cultureAt(line, grid.at(k), jar))].length
  const every = Math.max(Math.round((STRENGTH_EVERY_HOURS * MS_PER_HOUR) / grid.stepMs), 1)
  wanted[0] = at(0)
  for (let from = 0; from < grid.count - 1; from += every) {
    const to = Math.min(from + every, grid.count - 1)
    wanted[to] = at(to)
    const alike = wanted[from] === wanted[to]
    for (let k = from + 1; k < to; k++) wanted[k] = alike ? (wanted[to] as number) : at(k)
  }
  return wanted
}

/** A way to the seed of the last build. */
export interface Way {
  readonly name: string
  readonly seed: PlanStage['seed']
  readonly ready: Ready | null
  /** How many ways there are. */
  readonly of: number
}

/** Ways to the seed: straight from the jar, after wake-up feeds, after a first build. */
export function* waysTo(problem: PlanProblem, trouble: Trouble, grid: Grid, exact: Exact, wanted: Int32Array): Generator<Way, void> {
  const most = wanted.reduce((m, n) => Math.max(m, n), 0)
  const of = 2 + most
  yield { name: 'jar', seed: 'jar', ready: null, of }
  const tableFrom = grid.at(0)
  const tableTo = grid.at(grid.count - 1)
  const optionsOf = (kind: 'wake' | 'first build', seed: PlanStage['seed']) =>
    firstStages(problem, kind, seed).map((stage): Option => ({ stage, table: windowTable(problem, stage, tableFrom, tableTo) }))
  yield { name: 'first build', seed: 'ripe', ready: stageReady(trouble, grid, exact, optionsOf('first build', 'jar'), null, wanted, 1), of }
  if (most === 0) return
  const fromJar = optionsOf('wake', 'jar')
  const ripe = most > 1 ? optionsOf('wake', 'ripe') : []
  for (let feeds = 1; feeds <= most; feeds++) {
    let ready = stageReady(trouble, grid, exact, fromJar, null, wanted, feeds)
    for (let fed = 1; fed < feeds; fed++) ready = stageReady(trouble, grid, exact, ripe, ready, wanted, feeds)
    yield { name: `wake ${feeds}`, seed: 'ripe', ready, of }
  }
}

/**
 * What a stage makes ready at each moment, from what was ready before it.
 * @param feeds how many the whole way has: those the culture wants besides are missing
 */
function stageReady(trouble: Trouble, grid: Grid, exact: Exact, options: readonly Option[], before: Ready | null, wanted: Int32Array, feeds: number): Ready {
  const cost = new Float64Array(grid.count).fill(Number.POSITIVE_INFINITY)
  const start = new Int32Array(grid.count)
  const option = new Int32Array(grid.count)
  const perStep = MS_PER_HOUR / grid.stepMs
  options.forEach(({ stage, table }, i) => {
    for (let s = 0; s < grid.count; s++) {
      const seedCost = before === null ? trouble.ofMissing((wanted[s] as number) - feeds) : (before.cost[s] as number)
      if (seedCost === Number.POSITIVE_INFINITY) continue
      const read = table(grid.at(s))
      // Only one way to each moment is kept, so a window whose edge lies by a moment of the grid is reckoned exactly.
      const window =
        read !== null && (readOff.isBeside(s + read.opens * perStep, perStep) || readOff.isBeside(s + usedUntil(read) * perStep, perStep))
          ? exact(stage, grid.at(s))
          : read
      const own = window === null ? Number.POSITIVE_INFINITY : trouble.ofStage(stage, grid.at(s))
      if (window === null || own === Number.POSITIVE_INFINITY) continue
      const last = Math.min(Math.floor(s + usedUntil(window) * perStep), grid.count - 1)
      for (let t = Math.ceil(s + window.opens * perStep); t <= last; t++) {
        const all = seedCost + own + trouble.ofUse(window, (t - s) / perStep)
        if (all < (cost[t] as number)) {
          cost[t] = all
          start[t] = s
          option[t] = i
        }
      }
    }
  })
  return { cost, start, option, options, before }
}
