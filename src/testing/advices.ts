import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { adviceNow, type Bake, isItReady, type ReadyQuestion } from '../answers'
import {
  alarmsByClock,
  type BatchLine,
  createFormat,
  EXPLANATIONS,
  type FlourKind,
  type Mark,
  normalFrom,
  POSSIBLE,
  SCHOOLS,
  type Signs,
  type StepFacts,
  seededRandom,
  seedShareOf,
  simulate,
  stepsOf,
  TRUE_RIPE,
  trueLook,
  trueRise,
  UNKNOWN_JAR,
  USUAL_JAR,
  USUAL_RISK,
  vesselOf
} from '../core'
import { adviceSentence, HEADLINE_WORDS, mixTitle, stepTitle, windowTitle } from '../words'

const START = Date.UTC(2026, 10, 26, 20)
const FLOURS: readonly FlourKind[] = ['white wheat', 'wholegrain wheat', 'rye', 'gluten-free']
/** Nobody is up between these hours of the day. */
const SLEEP = { from: 22.5, until: 6.5 } as const
const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })

const hourOf = (ms: number) => (ms % (24 * millisecondsInHour)) / millisecondsInHour
function awake(ms: number): number {
  const hour = hourOf(ms)
  if (hour >= SLEEP.until && hour < SLEEP.from) return ms
  return ms + (hour < SLEEP.until ? SLEEP.until - hour : 24 - hour + SLEEP.until) * millisecondsInHour
}

/** A levain at a moment, looked at by a baker who slips now and then. */
export interface DrawnMoment {
  readonly question: ReadyQuestion
  readonly nowMs: number
  readonly mixAtMs: number
  /** It is a jar that goes into the dough as it is. */
  readonly asItIs: boolean
}

/** Any levain, at any moment, with any looks. @param seed the same gives the same */
export function drawnMoment(seed: number): DrawnMoment {
  const random = seededRandom(seed)
  const normal = normalFrom(random)
  const flour = FLOURS[Math.floor(random() * FLOURS.length)] ?? 'white wheat'
  const hydration = [0.5, 1, 1, 1, 1.5][Math.floor(random() * 5)] ?? 1
  const flourPerSeed = [1, 2, 3, 5, 8, 10][Math.floor(random() * 6)] ?? 5
  const tempC = 17 + 12 * random()
  const line: BatchLine = {
    startedAtMs: START,
    flours: { [flour]: 100 },
    waterGrams: 100 * hydration,
    saltGrams: 0,
    mixTempC: tempC + 2,
    stays: [{ fromMs: START, tempC }],
    parents: [{ grams: 100 / flourPerSeed, hydration, flour, line: null }]
  }
  const pace = Math.exp(0.25 * normal())
  const truth = trueRise(
    { seedShare: seedShareOf(flourPerSeed, hydration), seed: TRUE_RIPE, tempAt: () => tempC, jar: { ...USUAL_JAR, pace }, chance: 1, hydration },
    60
  )
  const peak = simulate(vesselOf(line, UNKNOWN_JAR.centre), UNKNOWN_JAR.centre, { untilHours: 240, stopPastPeak: true }).milestones.peakHours ?? 10
  const hours = peak * (0.1 + 1.9 * random())
  const chilled = random() < 0.15 ? hours * random() : null
  const stays = chilled === null ? line.stays : [...line.stays, { fromMs: START + chilled * millisecondsInHour, tempC: 4 }]
  const marks = Array.from({ length: Math.floor(4 * random()) }, () => hours * (0.2 + 0.8 * random() ** 0.4))
    .sort((a, b) => a - b)
    .map((at): Mark => {
      const { rise, signs } = trueLook(truth, at, 'careful', Math.floor(4 * random()), random, normal, flour === 'rye')
      const slip = random()
      const level = slip < 0.1 ? rise * (0.4 + 1.4 * random()) : rise
      const seen = { hours: at, rise: slip > 0.85 ? undefined : Math.min(Math.max(level, POSSIBLE.rise[0]), POSSIBLE.rise[1]), signs: signs as Signs }
      return random() < 0.1 && seen.rise !== undefined ? { ...seen, explained: EXPLANATIONS[Math.floor(random() * EXPLANATIONS.length)] } : seen
    })
  const school = SCHOOLS[Math.floor(random() * SCHOOLS.length)] ?? 'dome'
  const nowMs = Math.floor((START + hours * millisecondsInHour) / millisecondsInMinute) * millisecondsInMinute
  return {
    question: { line: { ...line, stays }, marks, hours: (nowMs - START) / millisecondsInHour, school, belief: UNKNOWN_JAR },
    nowMs,
    mixAtMs: START + peak * (0.6 + 0.9 * random()) * millisecondsInHour,
    asItIs: random() < 0.25
  }
}

/** What each face says at a moment, word for word. */
export function facesAt({ question, nowMs, mixAtMs, asItIs }: DrawnMoment): Readonly<Record<string, string>> {
  const verdict = isItReady(question)
  const told = adviceNow(verdict, START, nowMs, awake)
  const facts: StepFacts = {
    status: asItIs ? 'planned' : 'ripening',
    asItIs,
    mixAtMs,
    startMs: START,
    growMs: [],
    ripens: null,
    before: [],
    ahead: [],
    chillsMs: [],
    running: { bandMs: START, verdict },
    mixedMs: null,
    dough: null,
    deeds: new Map(),
    awake,
    bedtime: (ms) => ms
  }
  const bake = { plan: { name: 'Two loaves', jarId: 'juno', course: null, build: { source: asItIs ? 'as it is' : 'separate build' } } } as unknown as Bake
  const at = (ms: number) => `${format.dayTime(ms)}`
  const steps = stepsOf(facts, nowMs)
  const { window } = told
  return {
    headline: HEADLINE_WORDS[told.headline].word,
    sentence: adviceSentence(told, START, format),
    way: mixTitle(told),
    today: steps[0] === undefined ? '' : `${stepTitle(bake, steps[0], [])} ${at(steps[0].atMs)}`,
    steps: steps.map((step) => `${step.kind} ${step.atMs <= nowMs ? 'now' : 'later'}`).join(', '),
    window: window === null ? 'none' : `${window.toMs <= nowMs ? 'over' : window.fromMs <= nowMs ? 'open' : 'to come'}`,
    alarms: alarmsByClock(verdict, START, USUAL_RISK)
      .filter((alarm) => alarm.atMs > nowMs)
      .map((alarm) => windowTitle(bake, alarm.kind))
      .join('; ')
  }
}

/** What a face claims of the levain. */
const CLAIMS: readonly (readonly [claim: string, words: RegExp])[] = [
  ['mix', /^Mix now|^Full sour/],
  ['look first', /Look first|Should be ready|May be past|Not sure/],
  ['asks', /Did you type it right|does not fit/],
  ['wait', /^Wait:|^Waking|^Climbing|^Getting sour/],
  ['past', /past its best\b.*(usable|tangier)|collapsed: keep|^Collapsed|^Easing|riper than you like/],
  ['not rising', /^Not rising|It is not rising/],
  ['held', /^Held|went into the cold/],
  ['at its hour', /^Mix at its hour|does not wait for the levain/]
]
const claimOf = (words: string) => CLAIMS.find(([, pattern]) => pattern.test(words))?.[0] ?? null

/** Where faces of one moment contradict each other, one line each. */
export function contradictions(faces: Readonly<Record<string, string>>): string[] {
  const { headline = '', sentence = '', way = '', steps = '', window = '', alarms = '' } = faces
  const says = claimOf(sentence)
  const head = claimOf(headline)
  const wrong: string[] = []
  const phase = /^(Young|At its peak)$/.test(headline)
  const easing = headline === 'Easing' && says === 'mix'
  if (says === null) wrong.push('the sentence says nothing')
  if (!phase && !easing && head !== says) wrong.push(`headline ${head}, sentence ${says}`)
  if (phase && !(says === 'mix' || says === 'wait' || says === 'past')) wrong.push(`phase ${headline}, sentence ${says}`)
  if ((way === 'Mix now') !== (says === 'mix')) wrong.push(`way ${way}, sentence ${says}`)
  if (/mix now/.test(steps) && !(says === 'mix' || says === 'past' || says === 'held' || says === 'at its hour')) wrong.push(`Today mixes, sentence ${says}`)
  if (/feed again/.test(steps) !== /It has (probably )?collapsed/.test(sentence)) wrong.push(`steps ${steps}, sentence ${says}`)
  if (says === 'mix' && !/mix/.test(steps)) wrong.push('to be mixed, and no step of it')
  if ((says === 'asks' || says === 'look first' || says === 'wait' || says === 'not rising') && !/look/.test(steps))
    wrong.push(`sentence ${says}, no look among the steps`)
  if (window === 'over') wrong.push('a window that is over')
  if (says === 'at its hour' && (!/^mix (now|later)$/.test(steps) || alarms !== '')) wrong.push(`at its hour, and ${steps} ${alarms}`)
  if (window !== 'none' && (says === 'past' || says === 'asks' || says === 'not rising' || says === 'at its hour'))
    wrong.push(`window ${window}, sentence ${says}`)
  if (says === 'wait' && window === 'open') wrong.push('told to wait within its window')
  if (alarms !== '' && (says === 'past' || says === 'asks' || says === 'not rising' || /may be past/.test(sentence))) wrong.push(`alarm, sentence ${says}`)
  return wrong
}
