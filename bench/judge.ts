import {
  drawForecast,
  type Explanation,
  FRESH_HOURS,
  horizonHours,
  type JarBelief,
  judge,
  type LoggedBuild,
  learnJar,
  type Mark,
  mannerOf,
  normalFrom,
  PHASES,
  type Phase,
  POSSIBLE,
  type Signs,
  seededRandom,
  simulate,
  TRUE_MIX_NAMES,
  TRUE_MIXES,
  type TrueCurve,
  trueLog,
  trueLook,
  trueRiseAt,
  UNKNOWN_JAR,
  type Verdict
} from '../src/core'
import { flourOf, logOf, vesselOfLog } from './logs'
import { heading, report } from './report'

/** Builds a jar is learned from, and builds it is judged at. */
const TRAINING = 12
const JUDGED = 6
/** Jars of each mix. */
const JARS = 36
/** Seeds of a run begin somewhere below this. */
const SEEDS = 1_000_000
const NEAR_HOURS = 20 / 60
/** One baker in so many always sees domes and reads high. */
const BIASED_EVERY = 8
const LOOK_COUNTS = [1, 2, 4] as const

/** What goes wrong with the looks at a build, and how often. */
const MISHAPS = { none: 0.7, mistyped: 0.12, stirred: 0.06, 'band moved': 0.06, 'nobody looked': 0.06 } as const
type Mishap = keyof typeof MISHAPS
/** What a stirred levain keeps of its gas, and how soon the rest of what it lost makes no difference any more, h. */
const STIRRED = { keeps: 0.35, forgottenHours: 6 } as const

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
  readonly mishap: Mishap
  /** In the order of time; the last is the one that was mistyped, stirred before, or read from another band. */
  readonly marks: readonly Mark[]
}

function mishapFor(random: () => number): Mishap {
  let left = random()
  for (const [mishap, share] of Object.entries(MISHAPS)) {
    left -= share
    if (left <= 0) return mishap as Mishap
  }
  return 'none'
}

/** A level with a slip of the thumb: a digit beside the right one, another last digit, or both the wrong way round; never one that no field takes. */
function mistyped(rise: number, random: () => number): number {
  const [first = 0, second = 0] = [Math.floor(rise), Math.round((rise % 1) * 10) % 10]
  const slips = [first + 1 + second / 10, first - 1 + second / 10, second + first / 10, first + Math.floor(random() * 10) / 10]
  const can = slips.filter((r) => r >= POSSIBLE.rise[0] && r <= POSSIBLE.rise[1] && Math.abs(r - rise) >= 0.3)
  return can[Math.floor(random() * can.length)] ?? rise + 1
}

function disturbed(mark: Mark, mishap: Mishap, build: LoggedBuild, random: () => number): Mark {
  const { rise = 1, hours } = mark
  if (mishap === 'mistyped') return { ...mark, rise: mistyped(rise, random) }
  if (mishap === 'band moved') return { ...mark, rise: rise / (1.2 + 0.5 * random()) }
  if (mishap !== 'stirred') return mark
  const since = 0.1 + 1.5 * random()
  const lost = (1 - STIRRED.keeps) * (trueRiseAt(build.truth, Math.max(hours - since, 0)) - 1) * Math.exp(-since / STIRRED.forgottenHours)
  return { hours, rise: Math.max(rise - lost, 1), signs: {} }
}

function casesOf(from: number, jars: number): Case[] {
  const cases: Case[] = []
  TRUE_MIX_NAMES.forEach((mix, m) => {
    for (let j = 0; j < jars; j++) {
      const seed = from + m * jars + j
      const random = seededRandom(seed * 7919)
      const normal = normalFrom(random)
      const { builds } = trueLog(seed, TRAINING + JUDGED, mix)
      const training = builds.slice(0, TRAINING)
      const { belief: learned } = learnJar(training.map(logOf))
      const peaks = training.map((b) => b.seenPeakHours ?? b.ended.hours)
      const usualHours = peaks.reduce((a, b) => a + b, 0) / peaks.length
      const observer = seed % BIASED_EVERY === 0 ? 'sees domes' : 'careful'
      builds.slice(TRAINING).forEach((build, i) => {
        // Every third query is of a collapsed one, every third of one at its peak; the rest goes through the other phases in turn.
        const wanted = i % 3 === 0 ? 'collapsed' : i % 3 === 1 ? 'peak' : (PHASES[(seed + i) % 5] as Phase)
        const hours = momentIn(build.truth, wanted, random)
        if (hours === null) return
        const shares = [0.35 + 0.2 * random(), 0.6 + 0.15 * random(), 0.8 + 0.1 * random()].map((share) => share * hours)
        const last = Math.max(hours - FRESH_HOURS * random(), 0.05)
        const marks = [...shares.filter((h) => h < last - 0.1), last].map((at): Mark => {
          const seen = trueLook(build.truth, at, observer, 2 + Math.floor(3 * random()), random, normal, TRUE_MIXES[mix].dense)
          return { hours: seen.hours, rise: seen.rise, signs: seen.signs as Signs }
        })
        const mishap = mishapFor(random)
        const wrong = disturbed(marks.at(-1) as Mark, mishap, build, random)
        cases.push({ build, learned, usualHours, hours, truth: wanted, mishap, marks: mishap === 'nobody looked' ? [] : [...marks.slice(0, -1), wrong] })
      })
    }
  })
  return cases
}

/** By which measure a mix is judged. */
function mannerOfMix({ mix }: LoggedBuild) {
  const flour = 100
  const line = { startedAtMs: 0, flours: { [flourOf(mix)]: flour }, waterGrams: flour * TRUE_MIXES[mix].hydration, saltGrams: 0, mixTempC: 24, parents: [] }
  return mannerOf({ ...line, stays: [{ fromMs: 0, tempC: 24 }] })
}

function verdictOf({ build, hours, marks }: Case, belief: JarBelief, looks: number, explained?: Explanation): Verdict {
  const vessel = vesselOfLog(build)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const draws = drawForecast(vessel, belief, { untilHours: Math.max(horizonHours(milestones), 1.2 * hours) })
  const seen = marks.slice(Math.max(marks.length - looks, 0))
  const told = explained === undefined ? seen : seen.map((mark, i) => (i === seen.length - 1 ? { ...mark, explained } : mark))
  return judge(draws, told, hours, 'dome', mannerOfMix(build))
}

/** Whether something that was truly seen, or the forecast before any look, is against a levain being ready. */
function isAgainst(c: Case, belief: JarBelief, looks: number): boolean {
  const seen = c.marks.slice(Math.max(c.marks.length - looks, 0))
  const last = seen.at(-1)
  const fell = seen.some(({ rise = 0 }) => (last?.rise ?? 9) < 0.85 * rise)
  const { phases } = verdictOf({ ...c, marks: [] }, belief, 0)
  return fell || last?.signs?.top === 'sunken' || last?.signs?.smear === 'yes' || phases.easing + phases.collapsed >= 0.8
}

const isNear = ({ build, hours }: Case, phase: Phase) =>
  [-1, -0.5, 0, 0.5, 1].some((by) => truePhase(build.truth, Math.max(hours + by * NEAR_HOURS, 0)) === phase)
const share = (some: number, all: number) => (all === 0 ? '–' : `${((100 * some) / all).toFixed(1)} %`)
const of = (some: number, all: number) => `${some} of ${all} (${share(some, all)})`

/** What a rule says of a case: ready, not yet, past. */
type Rule = (c: Case) => 'not yet' | 'ready' | 'past'
const RULES: Readonly<Record<string, Rule>> = {
  'clock alone': ({ hours, usualHours }) => (hours < 0.9 * usualHours ? 'not yet' : hours <= 1.2 * usualHours ? 'ready' : 'past'),
  doubled: ({ marks }) => {
    const rises = marks.map((m) => m.rise ?? 1)
    const now = rises.at(-1) ?? 1
    return now < 2 ? (Math.max(...rises, 1) >= 2 ? 'past' : 'not yet') : 'ready'
  },
  floats: ({ marks }) => {
    const now = marks.at(-1)?.signs?.spoon
    return now === 'floats' ? 'ready' : 'not yet'
  }
}
const truthOf = (phase: Phase) => (phase === 'peak' ? 'ready' : phase === 'easing' || phase === 'collapsed' ? 'past' : 'not yet')

/**
 * How well phases are judged, and how often a collapsed one is told to be mixed; truth, baker and mishaps are another generator's.
 * @param from first seed of the run; drawn anew when left out
 * @param jars of each mix
 */
export function benchJudge(from = Math.floor(Math.random() * SEEDS), jars = JARS): void {
  const cases = casesOf(from, jars)
  const trueOnes = cases.filter((c) => c.mishap === 'none')
  heading(`Judging ${cases.length} builds of six mixes (seeds from ${from}), ${cases.filter((c) => c.truth === 'collapsed').length} of them collapsed`)
  for (const [name, beliefOf] of [
    ['unlearned', () => UNKNOWN_JAR],
    ['learned', (c: Case) => c.learned]
  ] as const) {
    for (const looks of LOOK_COUNTS) {
      const verdicts = new Map(cases.map((c) => [c, verdictOf(c, beliefOf(c), looks)]))
      const told = (c: Case) => verdicts.get(c) as Verdict
      const mix = (c: Case) => told(c).advice.kind === 'mix now'
      const exact = trueOnes.filter((c) => told(c).phase === c.truth).length
      const near = trueOnes.filter((c) => isNear(c, told(c).phase)).length
      say(`${name}, ${looks} looks`, `exact ${share(exact, trueOnes.length)}, exact or within 20 min ${share(near, trueOnes.length)}`)
      const collapsed = cases.filter((c) => c.truth === 'collapsed')
      const onlyMistyped = collapsed.filter((c) => c.mishap === 'mistyped' && looks === 1)
      const others = collapsed.filter((c) => !onlyMistyped.includes(c))
      const against = others.filter((c) => isAgainst(c, beliefOf(c), looks))
      say(
        '   collapsed told "mix now"',
        `a level, a sunken centre, a film or the forecast against it ${of(against.filter(mix).length, against.length)}; nothing against it ${others.filter((c) => mix(c) && !against.includes(c)).length} of ${others.length - against.length}; the only look mistyped ${of(onlyMistyped.filter(mix).length, onlyMistyped.length)}`
      )
      for (const c of others.filter(mix))
        say('      ', `${c.mishap}, ${c.build.mix}, seen ${seenWords(c, looks)}, ${(c.hours / c.build.truth.peakHours).toFixed(2)} of its peak’s hours`)
      const inside = trueOnes.filter((c) => c.truth === 'peak')
      const kinds = ['mix now', 'wait', 'look', 'past', 'ask', 'not rising']
        .map((k) => `${k} ${inside.filter((c) => told(c).advice.kind === k).length}`)
        .join('  ')
      say('   inside its window', `told "mix now" ${of(inside.filter(mix).length, inside.length)}: ${kinds}`)
      if (looks === 1) continue
      for (const mishap of ['mistyped', 'stirred', 'band moved'] as const) {
        const own = cases.filter((c) => c.mishap === mishap)
        const asked = own.filter((c) => told(c).advice.kind === 'ask')
        const answered = mishap === 'mistyped' ? [] : own.map((c) => [c, verdictOf(c, beliefOf(c), looks, mishap)] as const)
        const right = answered.filter(([c, v]) => isNear(c, v.phase)).length
        say(
          `   ${mishap} (${own.length})`,
          `asked about ${of(asked.length, own.length)}${answered.length === 0 ? '' : `; once it is said, near ${of(right, own.length)}`}`
        )
      }
      const needless = trueOnes.filter((c) => told(c).advice.kind === 'ask')
      say('   asked about without need', of(needless.length, trueOnes.length))
      if (looks < 4) continue
      for (const phase of PHASES) {
        const own = trueOnes.filter((c) => c.truth === phase)
        say(`   truly ${phase} (${own.length})`, PHASES.map((p) => `${p} ${own.filter((c) => told(c).phase === p).length}`).join('  '))
      }
      for (const name of TRUE_MIX_NAMES) {
        const own = trueOnes.filter((c) => c.build.mix === name)
        say(`   ${name} (${own.length})`, `near ${share(own.filter((c) => isNear(c, told(c).phase)).length, own.length)}`)
      }
      calibration(trueOnes, told)
    }
  }
  heading('The same builds without mishaps: ready, not yet, or past?')
  const collapsed = trueOnes.filter((c) => c.truth === 'collapsed')
  const own = new Map(trueOnes.map((c) => [c, verdictOf(c, c.learned, 4)]))
  const ours: Rule = (c) => truthOf((own.get(c) as Verdict).phase)
  for (const [name, rule] of Object.entries({ ...RULES, 'Olvent, learned, 4 looks': ours }))
    say(
      name,
      `right ${share(trueOnes.filter((c) => rule(c) === truthOf(c.truth)).length, trueOnes.length)}, collapsed called ready ${share(collapsed.filter((c) => rule(c) === 'ready').length, collapsed.length)}`
    )
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

const seenWords = ({ marks }: Case, looks: number) =>
  marks
    .slice(Math.max(marks.length - looks, 0))
    .map(({ hours, rise, signs }) => `${hours.toFixed(1)} h ×${rise?.toFixed(1)} ${Object.values(signs ?? {}).join(' ')}`)
    .join(', ')

/** Of all that was told with so much certainty, how much was right. */
function calibration(cases: readonly Case[], told: (c: Case) => Verdict): void {
  for (const [low, high] of [
    [0, 0.5],
    [0.5, 0.7],
    [0.7, 0.85],
    [0.85, 0.95],
    [0.95, 1.01]
  ] as const) {
    const own = cases.filter((c) => told(c).probability >= low && told(c).probability < high)
    const mean = own.reduce((sum, c) => sum + told(c).probability, 0) / Math.max(own.length, 1)
    say(
      `   told ${low.toFixed(2)}–${Math.min(high, 1).toFixed(2)} (${own.length})`,
      `mean ${mean.toFixed(2)}, right ${share(own.filter((c) => told(c).phase === c.truth).length, own.length)}`
    )
  }
}

function say(name: string, words: string): void {
  process.stdout.write(`  ${name.padEnd(30)} ${words}\n`)
}
