import {
  correctDraws,
  drawForecast,
  HABIT_NAMES,
  HABITS,
  type Habit,
  horizonHours,
  type JarBelief,
  type LoggedBuild,
  learnJar,
  type Mark,
  normalFrom,
  type Observation,
  observationsOf,
  seededRandom,
  simulate,
  summarise,
  trueLog,
  twoLooks,
  UNKNOWN_JAR
} from '../src/core'
import { vesselOfLog } from './logs'
import { heading, percentile } from './report'

/** Bakes a jar is learned from, for the columns of the table. */
const BAKES = [0, 1, 3, 12] as const
/** Jars of a run, and unseen builds of each: a thousand builds in every cell. */
const JARS = 125
const UNSEEN = 8
const DRAWS = 200
/** The most the median error may be after so many bakes, as a share of the peak's hours. */
const BARS = [0.2, 0.125, 0.1, 0.085] as const
/** Seeds of a run begin somewhere below this. */
const SEEDS = 1_000_000

interface Tally {
  readonly off: number[]
  readonly nine: boolean[]
  readonly half: boolean[]
}
const tally = (): Tally => ({ off: [], nine: [], half: [] })
const shareOf = (values: readonly boolean[]) => values.filter(Boolean).length / values.length

/** A build as this habit writes it down. */
function notedBy(habit: Habit, build: LoggedBuild, seed: number): Observation[] {
  const random = seededRandom(seed)
  const { looks, mixed } = HABITS[habit](build.truth, { random, normal: normalFrom(random) })
  // Who does not say how it was mixes after the last look.
  return observationsOf(looks as readonly Mark[], mixed ?? { hours: looks.at(-1)?.hours ?? 0 })
}

/** Peak of an unseen build as foretold, against what it was. */
function foretold(build: LoggedBuild, belief: JarBelief, seen: readonly Observation[], into: Tally): void {
  const vessel = vesselOfLog(build)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const draws = correctDraws(drawForecast(vessel, belief, { untilHours: horizonHours(milestones), count: DRAWS }), seen)
  const { p05, p25, p50, p75, p95 } = summarise(draws, 'dome').peak
  const { peakHours } = build.truth
  into.off.push(Math.abs(p50 / peakHours - 1))
  into.nine.push(peakHours >= p05 && peakHours <= p95)
  into.half.push(peakHours >= p25 && peakHours <= p75)
}

const cell = ({ off, nine, half }: Tally) =>
  `${(100 * percentile(off, 0.5)).toFixed(1).padStart(5)} %  (90 %: ${shareOf(nine).toFixed(2)}, 50 %: ${shareOf(half).toFixed(2)})`

/**
 * How well jars are learned from logs that another generator wrote, as bakers of four habits write them.
 * @param from first seed of the run; drawn anew when left out
 */
export function benchLearn(from = Math.floor(Math.random() * SEEDS)): void {
  heading(
    `Learning by habit: seeds ${from} to ${from + JARS - 1}, ${JARS} jars, ${UNSEEN} unseen builds of each; median error of the peak as a share of its hours`
  )
  const most = Math.max(...BAKES)
  const logs = Array.from({ length: JARS }, (_, i) => trueLog(from + i, most + UNSEEN).builds)
  const unlearned = tally()
  for (const builds of logs) for (const build of builds.slice(most)) foretold(build, UNKNOWN_JAR, [], unlearned)
  for (const habit of HABIT_NAMES) {
    const running = tally()
    const cells = BAKES.map((bakes) => {
      if (bakes === 0) return unlearned
      const into = tally()
      logs.forEach((builds, j) => {
        const log = builds.slice(0, bakes).map((build, i) => ({ vessel: vesselOfLog(build), seen: notedBy(habit, build, (from + j) * most + i) }))
        const { belief } = learnJar(log)
        builds.slice(most).forEach((build, i) => {
          foretold(build, belief, [], into)
          if (bakes !== 3) return
          const random = seededRandom((from + j) * UNSEEN + i)
          const looks = twoLooks(build.truth, { random, normal: normalFrom(random) })
          foretold(build, belief, observationsOf(looks as readonly Mark[]), running)
        })
      })
      return into
    })
    process.stdout.write(`  ${habit}\n`)
    for (const [i, one] of cells.entries())
      process.stdout.write(`    after ${String(BAKES[i]).padStart(2)} bakes  ${cell(one)}   (at most ${100 * (BARS[i] ?? NaN)} %)\n`)
    const near = shareOf(running.off.map((off) => off <= 0.1))
    process.stdout.write(`    3 bakes, two looks  ${cell(running)}, within ±10 %: ${near.toFixed(2)}   (at most 7.5 %, at least 0.68)\n`)
  }
}
