import { millisecondsInHour } from 'date-fns/constants'
import { feedsToWake } from '../../jars/lineage'
import { sure } from '../../units/sure'
import { readOff } from './exact'
import type { Grid } from './grid'
import type { PlanProblem, PlanStage } from './problem'
import { firstStages } from './stages'
import { type Trouble, usedUntil } from './trouble'
import { type WindowTable, windowTables } from './windows'

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

/** Stages that differ only in their ratio, with their windows. */
export function optionsOf(problem: PlanProblem, grid: Grid, stages: readonly PlanStage[]): readonly Option[] {
  const tables = windowTables(problem, stages, grid.at(0), grid.at(grid.count - 1))
  return stages.map((stage, i) => ({ stage, table: sure(tables[i]) }))
}

/** Moments at which the strength of a culture is looked at first; between two alike it is taken to be the same, h. */
const STRENGTH_EVERY_HOURS = 4

/** Wake-up feeds that the culture would want at each moment. */
export function feedsWanted({ build }: PlanProblem, grid: Grid): Int32Array {
  const wanted = new Int32Array(grid.count)
  const { line, jar } = build.seed
  if (line === null) return wanted
  const at = (k: number) => feedsToWake(line, grid.at(k), jar)
  const every = Math.max(Math.round((STRENGTH_EVERY_HOURS * millisecondsInHour) / grid.stepMs), 1)
  wanted[0] = at(0)
  for (let from = 0; from < grid.count - 1; from += every) {
    const to = Math.min(from + every, grid.count - 1)
    wanted[to] = at(to)
    const alike = wanted[from] === wanted[to]
    for (let k = from + 1; k < to; k++) wanted[k] = alike ? (wanted[to] ?? NaN) : at(k)
  }
  return wanted
}

/** A way to the seed of the last build. */
export interface Way {
  readonly name: string
  /** Feeds and builds on the way. */
  readonly fed: number
  readonly ready: Ready | null
  /** How many ways there are. */
  readonly of: number
}

/** Ways to the seed: straight from the jar, after wake-up feeds, after a first build. */
export function* waysTo(problem: PlanProblem, trouble: Trouble, grid: Grid, wanted: Int32Array): Generator<Way, void> {
  const most = problem.straightFromJar === true ? 0 : wanted.reduce((m, n) => Math.max(m, n), 0)
  const isBuilt = problem.asItIs !== true && problem.straightFromJar !== true
  const of = 1 + Number(isBuilt) + most
  yield { name: 'jar', fed: 0, ready: null, of }
  const first = (kind: 'wake' | 'first build', fedBefore: number) => firstStages(problem, kind, fedBefore).flatMap((stages) => optionsOf(problem, grid, stages))
  if (isBuilt) yield { name: 'first build', fed: 1, ready: stageReady(trouble, grid, first('first build', 0), null, wanted, 1), of }
  if (most === 0) return
  const after = Array.from({ length: most }, (_, fed) => first('wake', fed))
  for (let feeds = 1; feeds <= most; feeds++) {
    let ready = stageReady(trouble, grid, after[0] ?? [], null, wanted, feeds)
    for (let fed = 1; fed < feeds; fed++) ready = stageReady(trouble, grid, after[fed] ?? [], ready, wanted, feeds)
    yield { name: `wake ${feeds}`, fed: feeds, ready, of }
  }
}

/**
 * What a stage makes ready at each moment, from what was ready before it.
 * @param feeds how many the whole way has: those the culture wants besides are missing
 */
function stageReady(trouble: Trouble, grid: Grid, options: readonly Option[], before: Ready | null, wanted: Int32Array, feeds: number): Ready {
  const cost = new Float64Array(grid.count).fill(Number.POSITIVE_INFINITY)
  const start = new Int32Array(grid.count)
  const option = new Int32Array(grid.count)
  const perStep = millisecondsInHour / grid.stepMs
  options.forEach(({ stage, table }, i) => {
    for (let s = 0; s < grid.count; s++) {
      const seedCost = before === null ? trouble.ofMissing((wanted[s] ?? NaN) - feeds) : (before.cost[s] ?? NaN)
      if (seedCost === Number.POSITIVE_INFINITY) continue
      // Only one way to each moment is kept: it has to hold when it is worked out exactly.
      const window = readOff.narrowed(table(grid.at(s)))
      const own = window === null ? Number.POSITIVE_INFINITY : trouble.ofStage(stage, grid.at(s))
      if (window === null || own === Number.POSITIVE_INFINITY) continue
      const last = Math.min(Math.floor(s + usedUntil(window) * perStep), grid.count - 1)
      for (let t = Math.ceil(s + window.opens * perStep); t <= last; t++) {
        const all = seedCost + own + trouble.ofUse(window, (t - s) / perStep)
        if (all < (cost[t] ?? NaN)) {
          cost[t] = all
          start[t] = s
          option[t] = i
        }
      }
    }
  })
  return { cost, start, option, options, before }
}
