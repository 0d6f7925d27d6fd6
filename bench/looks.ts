import {
  correctDraws,
  drawForecast,
  type Forecast,
  horizonHours,
  type JarBelief,
  type LoggedBuild,
  learnJar,
  normalFrom,
  type Observation,
  seededRandom,
  simulate,
  summarise,
  TRUE_SPREAD,
  trueLog,
  trueRiseAt,
  UNKNOWN_JAR
} from '../src/core'
import { logOf, vesselOfLog } from './logs'
import { heading, percentile, report, timed } from './report'

/** Builds a jar is learned from, and builds nobody has seen that it is judged by. */
const TRAINING = 12
const UNSEEN = 6
/** Seeds the model was tuned on; those it is reported on were looked at once. `-- looks tune` prints the first. */
const TUNED = { first: 1, last: 100 } as const
const REPORTED = { first: 1001, last: 1100 } as const
/** When the three looks at a running build are made, as shares of its climb. */
const LOOKS = [0.25, 0.42, 0.6]
const MANY_BUILDS = 200

const median = (values: readonly number[]) => percentile(values, 0.5)
const shareOf = (values: readonly boolean[]) => values.filter(Boolean).length / values.length

/** What is kept of each unseen build, for an unlearned or a learned jar. */
interface Tally {
  /** Hours the peak's forecast was off after no, one, two and three looks. */
  readonly off: number[][]
  /** Whether the peak lay within the range, for each number of looks. */
  readonly half: boolean[][]
  readonly nine: boolean[][]
}
const tally = (): Tally => ({ off: [[], [], [], []], half: [[], [], [], []], nine: [[], [], [], []] })

function count(into: Tally, looks: number, { peak }: Forecast, trueHours: number): void {
  into.off[looks]?.push(Math.abs(peak.p50 - trueHours))
  into.half[looks]?.push(trueHours >= peak.p25 && trueHours <= peak.p75)
  into.nine[looks]?.push(trueHours >= peak.p05 && trueHours <= peak.p95)
}

function tryBuild(build: LoggedBuild, belief: JarBelief, seed: number, into: Tally): void {
  const vessel = vesselOfLog(build)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const draws = drawForecast(vessel, belief, { untilHours: horizonHours(milestones) })
  const { peakHours } = build.truth
  count(into, 0, summarise(draws, 'dome'), peakHours)
  const normal = normalFrom(seededRandom(seed))
  const seen = LOOKS.map((share): Observation => {
    const hours = share * peakHours
    return { kind: 'level', hours, rise: Math.max(1, trueRiseAt(build.truth, hours) * (1 + TRUE_SPREAD.reading * normal())) }
  })
  for (let looks = 1; looks <= seen.length; looks++) {
    count(into, looks, summarise(correctDraws(draws, seen.slice(0, looks)), 'dome'), peakHours)
  }
}

/** How well jars are learned from logs that another generator wrote. */
export function benchLooks(tune: boolean): void {
  const { first, last } = tune ? TUNED : REPORTED
  heading(`Learning, ${last - first + 1} jars (seeds ${first}–${last}), ${TRAINING} builds each, judged by ${UNSEEN} unseen builds of each`)
  const unlearned = tally()
  const learned = tally()
  for (let seed = first; seed <= last; seed++) {
    const { builds } = trueLog(seed, TRAINING + UNSEEN)
    const { belief } = learnJar(builds.slice(0, TRAINING).map(logOf))
    builds.slice(TRAINING).forEach((build, i) => {
      tryBuild(build, UNKNOWN_JAR, seed * UNSEEN + i, unlearned)
      tryBuild(build, belief, seed * UNSEEN + i, learned)
    })
  }
  report('unlearned: peak off by', unlearned.off[0] ?? [], 'h', 2)
  report('learned: peak off by', learned.off[0] ?? [], 'h', 2)
  say('learned ÷ unlearned, median error', median(learned.off[0] ?? []) / median(unlearned.off[0] ?? []), '(at most 0.6)')
  for (const [name, t] of [
    ['unlearned', unlearned],
    ['learned', learned]
  ] as const) {
    say(`${name}: within the 90 % range`, shareOf(t.nine[0] ?? []), '(0.85 to 0.95)')
    say(`${name}: within the 50 % range`, shareOf(t.half[0] ?? []), '(0.42 to 0.58)')
    for (let looks = 1; looks <= LOOKS.length; looks++) {
      const bar = looks < LOOKS.length ? '(at most 1)' : name === 'learned' ? '(at most 0.8)' : '(at most 0.6)'
      const cover = `within 90 %: ${shareOf(t.nine[looks] ?? []).toFixed(2)}, 50 %: ${shareOf(t.half[looks] ?? []).toFixed(2)}`
      say(`${name}: error after ${looks} looks ÷ before`, median(t.off[looks] ?? []) / median(t.off[0] ?? []), `${bar}   ${cover}`)
    }
  }
  const many = trueLog(last + 1, MANY_BUILDS).builds.map(logOf)
  report(
    `learning from ${MANY_BUILDS} builds`,
    timed(4, () => learnJar(many), 1),
    'ms',
    0
  )
}

function say(name: string, value: number, beside: string): void {
  process.stdout.write(`  ${name.padEnd(46)} ${value.toFixed(3)}   ${beside}\n`)
}
