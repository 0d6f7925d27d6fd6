import { isItReady, shownAge } from '../src/answers'
import {
  type BatchLine,
  beliefShown,
  HOLD,
  type Mark,
  mixPaceOf,
  normalFrom,
  type Signs,
  seededRandom,
  seedShareOf,
  TRUE_RIPE,
  type TrueCulture,
  trueLook,
  trueRise,
  UNKNOWN_JAR,
  USUAL_COURSE,
  waysNow
} from '../src/core'
import { heading, percentile } from './report'

const BUILDS = 150
const SEEDS = 1_000_000
const HOUR = 3_600_000
const START = Date.UTC(2026, 10, 27, 8)
/** A fifth of levain in a dough at 72 % and 2 % salt, to half as high again. */
const DOUGH = { flour: 900, water: 620, salt: 20, levain: 200, gas: 0.5 } as const
const COURSE = { ...USUAL_COURSE.wheat, kind: 'wheat' as const, pieceGrams: 850, coldC: 4, bulkGas: DOUGH.gas }

interface TrueBuildHere {
  readonly flourPerSeed: number
  readonly tempC: number
  readonly pace: number
}

/** The levain as it really is at an hour; chilled from another hour on. */
function trueLevain({ flourPerSeed, tempC, pace }: TrueBuildHere, hours: number, chilledAt = Number.POSITIVE_INFINITY): TrueCulture {
  const tau = 1.5
  const tempAt = (h: number) => (h < chilledAt ? tempC : 4 + (tempC - 4) * Math.exp(-(h - chilledAt) / tau))
  return trueRise({ seedShare: seedShareOf(flourPerSeed), seed: TRUE_RIPE, tempAt, jar: { pace, pause: 1, height: 1 }, chance: 1 }, hours).end
}

/** Hours in which the dough made with it really rises as far as wanted. */
function trueBulk(seed: TrueCulture, { tempC, pace }: TrueBuildHere): number {
  const flour = DOUGH.flour + DOUGH.levain / 2
  const mixPace = mixPaceOf({ hydration: (DOUGH.water + DOUGH.levain / 2) / flour, salt: DOUGH.salt / flour })
  const curve = trueRise({ seedShare: DOUGH.levain / 2 / flour, seed, tempAt: () => tempC, jar: { pace, pause: 1, height: 1 }, chance: 1, mixPace }, 30)
  return curve.hours.find((_, i) => (curve.rise[i] ?? 0) >= 1 + DOUGH.gas) ?? Number.POSITIVE_INFINITY
}

/** The bulk that Watch promises when it is mixed at an hour, after two looks. */
function promisedBulk(build: TrueBuildHere, hours: number, marks: readonly Mark[]): number | null {
  const levain: BatchLine = {
    startedAtMs: START,
    flours: { 'white wheat': 100 },
    waterGrams: 100,
    saltGrams: 0,
    mixTempC: build.tempC,
    stays: [{ fromMs: START, tempC: build.tempC }],
    parents: [{ grams: 100 / build.flourPerSeed, hydration: 1, flour: 'white wheat', line: null }]
  }
  const nowMs = START + hours * HOUR
  const question = { line: levain, marks, hours, school: 'dome' as const, belief: UNKNOWN_JAR }
  const verdict = isItReady(question)
  const dough: BatchLine = {
    ...levain,
    startedAtMs: nowMs,
    flours: { 'white wheat': DOUGH.flour },
    waterGrams: DOUGH.water,
    saltGrams: DOUGH.salt,
    stays: [{ fromMs: nowMs, tempC: build.tempC }],
    parents: [{ grams: DOUGH.levain, hydration: 1, flour: 'white wheat', line: levain }]
  }
  const asked = {
    line: levain,
    nowMs,
    school: 'dome' as const,
    forecast: verdict.forecast,
    shown: shownAge(question, verdict),
    jar: beliefShown(UNKNOWN_JAR, levain, shownAge(question, verdict)).centre,
    places: [],
    dough,
    course: COURSE,
    mostGrams: DOUGH.levain,
    plannedMixMs: nowMs
  }
  return waysNow(asked, () => verdict.forecast).mix?.bulkHours ?? null
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`

/** What Watch promises of mixing young and of holding in the cold, against what another generator then does. */
export function benchPromises(from = Math.floor(Math.random() * SEEDS)): void {
  heading(`Promises kept, ${BUILDS} builds (seeds from ${from})`)
  const off: Record<'young' | 'ripe', number[]> = { young: [], ripe: [] }
  const held: number[] = []
  const longer: number[] = []
  for (let seed = from; seed < from + BUILDS; seed++) {
    const random = seededRandom(seed)
    const normal = normalFrom(random)
    const build = { flourPerSeed: [2, 3, 5, 8][Math.floor(4 * random())] ?? 5, tempC: 20 + 7 * random(), pace: Math.exp(0.25 * normal()) }
    const curve = trueRise(
      { seedShare: seedShareOf(build.flourPerSeed), seed: TRUE_RIPE, tempAt: () => build.tempC, jar: { pace: build.pace, pause: 1, height: 1 }, chance: 1 },
      60
    )
    for (const [when, share] of [
      ['young', 0.72 + 0.13 * random()],
      ['ripe', 1]
    ] as const) {
      const hours = share * curve.peakHours
      const marks = [0.6 * hours, hours].map((at): Mark => {
        const { rise, signs } = trueLook(curve, at, 'careful', 2, random, normal)
        return { hours: at, rise, signs: signs as Signs }
      })
      const promised = promisedBulk(build, hours, marks)
      if (promised !== null) off[when].push(Math.abs(promised / trueBulk(trueLevain(build, hours), build) - 1))
    }
    const { peakHours } = curve
    const fresh = trueBulk(trueLevain(build, peakHours), build)
    const middle = (HOLD.mostHours + HOLD.leastHours) / 2
    longer.push(trueBulk(trueLevain(build, peakHours + 4), build) / fresh - 1)
    held.push(trueBulk(trueLevain(build, peakHours + middle, peakHours), build) / fresh - 1)
  }
  const say = (name: string, values: readonly number[]) =>
    process.stdout.write(`  ${name.padEnd(58)} median ${percent(percentile(values, 0.5))}, 90th percentile ${percent(percentile(values, 0.9))}\n`)
  say('bulk after mixing young, promised against true, off by', off.young)
  say('bulk after mixing ripe, promised against true, off by', off.ripe)
  say('bulk from a levain held for 16 h in the cold, longer by', held)
  say('bulk from one left for 4 h where it stood, longer by', longer)
}
