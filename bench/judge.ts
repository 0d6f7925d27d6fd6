import {
  drawForecast,
  horizonHours,
  type JarBelief,
  judge,
  type LoggedBuild,
  learnJar,
  type Mark,
  normalFrom,
  PHASES,
  type Phase,
  type Signs,
  seededRandom,
  simulate,
  type TrueCurve,
  trueLog,
  trueLook,
  trueRiseAt,
  UNKNOWN_JAR,
  type Verdict
} from '../src/core'
import { logOf, vesselOfLog } from './logs'
import { heading, report } from './report'

/** Builds a jar is learned from, and builds it is judged at. */
const TRAINING = 12
const JUDGED = 6
/** Seeds the tables were argued over with (`-- judge tune`), and those reported. */
const TUNED = { first: 3001, last: 3100 } as const
const REPORTED = { first: 4001, last: 4100 } as const
const NEAR_HOURS = 20 / 60
/** One baker in so many always sees domes and reads high. */
const BIASED_EVERY = 8
const LOOK_COUNTS = [1, 2, 4] as const

/** Phases of a true hill, by the definition of the work: from its own height and top. */
function truePhase(curve: TrueCurve, hours: number): Phase {
  const top = Math.max(...curve.rise) - 1
  const gas = trueRiseAt(curve, hours) - 1
  if (gas >= 0.95 * top) return 'peak'
  if (hours > curve.peakHours) return gas < 0.8 * top ? 'collapsed' : 'easing'
  if (gas < 0.1) return 'lag'
  return gas >= 1 || gas >= 0.6 * top ? 'young' : 'climbing'
}

/** A moment in a phase of a hill; null where it never is in it. */
function momentIn(curve: TrueCurve, phase: Phase, random: () => number): number | null {
  const last = Math.min(2.2 * curve.peakHours, curve.hours.at(-1) ?? 0)
  const there = curve.hours.filter((h) => h > 0.3 && h < last && truePhase(curve, h) === phase)
  return there.length === 0 ? null : (there[Math.floor(random() * there.length)] as number)
}

interface Case {
  readonly build: LoggedBuild
  readonly learned: JarBelief
  /** Mean hours to peak of the builds in the log: what a baker goes by. */
  readonly usualHours: number
  readonly hours: number
  readonly truth: Phase
  readonly marks: readonly Mark[]
}

function casesOf(first: number, last: number): Case[] {
  const cases: Case[] = []
  for (let seed = first; seed <= last; seed++) {
    const random = seededRandom(seed * 7919)
    const normal = normalFrom(random)
    const { builds } = trueLog(seed, TRAINING + JUDGED)
    const training = builds.slice(0, TRAINING)
    const { belief: learned } = learnJar(training.map(logOf))
    const peaks = training.map((b) => b.seenPeakHours ?? b.ended.hours)
    const usualHours = peaks.reduce((a, b) => a + b, 0) / peaks.length
    const observer = seed % BIASED_EVERY === 0 ? 'sees domes' : 'careful'
    builds.slice(TRAINING).forEach((build, i) => {
      // Every other query is of a collapsed one; the rest goes through the other phases in turn.
      const wanted = i % 2 === 0 ? 'collapsed' : (PHASES[(seed * 3 + (i - 1) / 2) % 5] as Phase)
      const hours = momentIn(build.truth, wanted, random)
      if (hours === null) return
      const shares = [0.35 + 0.2 * random(), 0.6 + 0.15 * random(), 0.8 + 0.1 * random(), 1]
      const marks = shares.map((share): Mark => {
        const seen = trueLook(build.truth, share * hours, observer, 2 + Math.floor(3 * random()), random, normal)
        return { hours: seen.hours, rise: seen.rise, signs: seen.signs as Signs }
      })
      cases.push({ build, learned, usualHours, hours, truth: wanted, marks })
    })
  }
  return cases
}

function verdictOf({ build, hours, marks }: Case, belief: JarBelief, looks: number): Verdict {
  const vessel = vesselOfLog(build)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const draws = drawForecast(vessel, belief, { untilHours: Math.max(horizonHours(milestones), 1.2 * hours) })
  return judge(draws, marks.slice(marks.length - looks), hours, 'dome', 'wheat')
}

const isNear = ({ build, hours }: Case, phase: Phase) =>
  [-1, -0.5, 0, 0.5, 1].some((by) => truePhase(build.truth, Math.max(hours + by * NEAR_HOURS, 0)) === phase)
const share = (some: number, all: number) => (all === 0 ? '–' : `${((100 * some) / all).toFixed(1)} %`)

/** What a rule says of a case: ready, not yet, past. */
type Rule = (c: Case) => 'not yet' | 'ready' | 'past'
const RULES: Readonly<Record<string, Rule>> = {
  'clock alone': ({ hours, usualHours }) => (hours < 0.9 * usualHours ? 'not yet' : hours <= 1.2 * usualHours ? 'ready' : 'past'),
  doubled: ({ marks }) => {
    const rises = marks.map((m) => m.rise ?? 1)
    const now = rises.at(-1) ?? 1
    return now < 2 ? (Math.max(...rises) >= 2 ? 'past' : 'not yet') : 'ready'
  },
  floats: ({ marks }) => {
    const now = marks.at(-1)?.signs?.spoon
    return now === 'floats' ? 'ready' : 'not yet'
  }
}
const truthOf = (phase: Phase) => (phase === 'peak' ? 'ready' : phase === 'easing' || phase === 'collapsed' ? 'past' : 'not yet')

/** How well phases are judged, and how often a collapsed one is told to be mixed; truth and baker are another generator's. */
export function benchJudge(tune: boolean): void {
  const { first, last } = tune ? TUNED : REPORTED
  const cases = casesOf(first, last)
  const collapsed = cases.filter((c) => c.truth === 'collapsed')
  heading(`Judging ${cases.length} builds (seeds ${first}–${last}), ${collapsed.length} of them collapsed`)
  for (const [name, beliefOf] of [
    ['unlearned', () => UNKNOWN_JAR],
    ['learned', (c: Case) => c.learned]
  ] as const) {
    for (const looks of LOOK_COUNTS) {
      const verdicts = cases.map((c) => verdictOf(c, beliefOf(c), looks))
      const exact = cases.filter((c, i) => verdicts[i]?.phase === c.truth).length
      const near = cases.filter((c, i) => isNear(c, (verdicts[i] as Verdict).phase)).length
      const wrongMix = collapsed.filter((c) => verdicts[cases.indexOf(c)]?.advice.kind === 'mix now').length
      const bar = name === 'learned' && looks === 4 ? '   (at least 80 %, 92 %, at most 1 %)' : ''
      say(
        `${name}, ${looks} looks`,
        `exact ${share(exact, cases.length)}, near ${share(near, cases.length)}, collapsed told "mix now" ${share(wrongMix, collapsed.length)}${bar}`
      )
      if (looks === 4) {
        for (const phase of PHASES) {
          const own = cases.map((c, i) => [c, verdicts[i] as Verdict] as const).filter(([c]) => c.truth === phase)
          const told = PHASES.map((p) => `${p} ${own.filter(([, v]) => v.phase === p).length}`).join('  ')
          say(`   truly ${phase} (${own.length})`, told)
        }
        calibration(cases, verdicts)
      }
    }
  }
  heading('The same cases: ready, not yet, or past?')
  const right = (told: (c: Case) => string) => cases.filter((c) => told(c) === truthOf(c.truth)).length
  const toldReady = (told: (c: Case) => string) => collapsed.filter((c) => told(c) === 'ready').length
  for (const [name, rule] of Object.entries(RULES))
    say(name, `right ${share(right(rule), cases.length)}, collapsed called ready ${share(toldReady(rule), collapsed.length)}`)
  const own = new Map(cases.map((c) => [c, verdictOf(c, c.learned, 4)]))
  const ours = (c: Case) => truthOf((own.get(c) as Verdict).phase)
  say('Olvent, learned, 4 looks', `right ${share(right(ours), cases.length)}, collapsed called ready ${share(toldReady(ours), collapsed.length)}`)
  report(
    'one judgement, draws and all',
    cases.slice(0, 60).map((c) => {
      const start = performance.now()
      verdictOf(c, c.learned, 4)
      return performance.now() - start
    }),
    'ms'
  )
}

/** Of all that was told with so much certainty, how much was right. */
function calibration(cases: readonly Case[], verdicts: readonly Verdict[]): void {
  for (const [low, high] of [
    [0, 0.5],
    [0.5, 0.7],
    [0.7, 0.85],
    [0.85, 0.95],
    [0.95, 1.01]
  ] as const) {
    const own = cases.flatMap((c, i) => {
      const v = verdicts[i] as Verdict
      return v.probability >= low && v.probability < high ? [{ sure: v.probability, right: v.phase === c.truth }] : []
    })
    const mean = own.reduce((sum, o) => sum + o.sure, 0) / Math.max(own.length, 1)
    say(
      `   told ${low.toFixed(2)}–${Math.min(high, 1).toFixed(2)} (${own.length})`,
      `mean ${mean.toFixed(2)}, right ${share(own.filter((o) => o.right).length, own.length)}`
    )
  }
}

function say(name: string, words: string): void {
  process.stdout.write(`  ${name.padEnd(30)} ${words}\n`)
}
