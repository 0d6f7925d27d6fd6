import { type Cultures, planProblemOf, type Stocked, solvePlan, wayTaken } from '../src/answers'
import type { Kitchen, Plan } from '../src/contract'
import {
  type BreadWish,
  createFormat,
  type DayPlan,
  drawForecast,
  type FoundPlans,
  findSchedules,
  horizonHours,
  makeStages,
  type PlanProblem,
  restedSeed,
  seededRandom,
  simulate,
  sure,
  type ToldPlan,
  UNKNOWN_JAR,
  vesselOf,
  windowOf
} from '../src/core'
import { BAKE, culturesWith, KITCHEN, PLAN, STOCKED } from '../src/testing/plannedBake'
import { planTitles, proofWords } from '../src/words'
import { heading, report } from './report'

const HOUR = 3_600_000
const MINUTE = 60_000
const DAY = 24 * HOUR
const SEEDS = 1_000_000
/** Lisbon keeps the time of Greenwich in November: a clock is plain arithmetic here. */
const MONDAY = Date.UTC(2026, 10, 23)
/** Draws of the second opinion, and how far the told chance may lie from it. */
const DRAWS = 2000
const CHANCE_OFF = 0.06
const ROOM_OFF_K = 2
/** Free time around a mix counts so far, ms. */
const LEEWAY = HOUR

/** A wish with all that it hangs on. */
interface Wish {
  readonly name: string
  readonly nowMs: number
  readonly kitchen: Kitchen
  readonly plan: Plan
  readonly cultures: Cultures
  readonly wish: BreadWish
}

const place = (id: string, tempC: number, takes: number | null = null) => ({ id, name: id, tempC, nightTempC: null, surroundings: 'air', takes })
const clock = (hour: number) => `${String(hour % 24).padStart(2, '0')}:00`

function kitchenOf(roomC: number, coolC: number | null, warmC: number | null, sleep: [number, number], work: [number, number] | null): Kitchen {
  return {
    ...KITCHEN,
    sleep: { from: clock(sleep[0]), to: clock(sleep[1]) },
    weekly: work === null ? [] : [{ id: 'w', name: 'work', kind: 'out', days: [1, 2, 3, 4, 5], from: clock(work[0]), to: clock(work[1]) }],
    places: [
      place('room', roomC),
      ...(coolC === null ? [] : [place('cellar', coolC)]),
      ...(warmC === null ? [] : [place('proofer', warmC, 1)]),
      place('fridge', 4)
    ]
  } as unknown as Kitchen
}

function culturesAt(nowMs: number, coldDays: number, weak: boolean): Cultures {
  const usual = culturesWith(0)
  const rested = restedSeed('white wheat', coldDays, nowMs)
  // A weak one stood in a warm room instead: out of food, its yeast dying.
  const line = weak ? { ...rested, stays: rested.stays.map((stay) => ({ ...stay, tempC: 22 })) } : rested
  return { ...usual, jars: usual.jars.map((jar) => ({ ...jar, line })) }
}

/** The next moment of a clock. */
function next(nowMs: number, hour: number, days = 0): number {
  const today = Math.floor(nowMs / DAY) * DAY + hour * HOUR
  return (today > nowMs ? today : today + DAY) + days * DAY
}

const planAt = (roomC: number, mixAt: number): Plan => ({
  ...PLAN,
  tempC: roomC,
  mixAt,
  course: PLAN.course === null ? null : { ...PLAN.course, tempC: roomC }
})

/** All wishes a baker may have, by name. */
const HABITS: Readonly<Record<string, (nowMs: number, random: () => number, kitchen: Kitchen) => BreadWish>> = {
  'evening build, morning mix': (nowMs, _, { sleep }) => {
    const buildMs = next(nowMs, (hourOf(sleep.from) || 24) - 1.5)
    return { kind: 'habit', buildMs, mixMs: next(buildMs, hourOf(sleep.to) + 1) }
  },
  'morning build, evening mix': (nowMs, _, { sleep }) => {
    const buildMs = next(nowMs, hourOf(sleep.to) + 1)
    return { kind: 'habit', buildMs, mixMs: next(buildMs, 18) }
  },
  'the same day': (nowMs, random) => ({ kind: 'out', atMs: next(nowMs, 22) - Math.floor(3 * random()) * HOUR }),
  'tomorrow noon': (nowMs) => ({ kind: 'eat', atMs: next(nowMs, 12) + (next(nowMs, 12) - nowMs < 14 * HOUR ? DAY : 0) }),
  'two days ahead': (nowMs, random) => ({ kind: 'out', atMs: next(nowMs, 8 + Math.floor(12 * random()), 2) }),
  'mixed at an hour': (nowMs, random) => ({ kind: 'mix', atMs: next(nowMs, 8 + Math.floor(12 * random()), random() < 0.5 ? 0 : 1) }),
  soonest: () => ({ kind: 'soonest' })
}

function drawnWish(random: () => number): Wish {
  const between = (low: number, high: number) => low + (high - low) * random()
  const roomC = Math.round(between(17, 30) * 2) / 2
  const wakes = 5 + Math.floor(4 * random())
  const works = random() < 0.7 ? 8 + Math.floor(3 * random()) : null
  const kitchen = kitchenOf(
    roomC,
    random() < 0.5 && roomC > 19 ? Math.max(roomC - 6, 13) : null,
    random() < 0.4 && roomC < 25 ? 27 : null,
    [21 + Math.floor(3 * random()), wakes],
    works === null ? null : [works, works + 5 + Math.floor(4 * random())]
  )
  const nowMs = MONDAY + Math.floor(7 * random()) * DAY + Math.round(between(wakes, 21) * 4) * 15 * MINUTE
  const names = Object.keys(HABITS)
  const name = sure(names[Math.floor(names.length * random())])
  const age = random()
  const coldDays = age < 0.3 ? 0 : age < 0.75 ? between(0.5, 9) : between(9, 30)
  return {
    name,
    nowMs,
    kitchen,
    plan: planAt(roomC, nowMs + 26 * HOUR),
    cultures: culturesAt(nowMs, coldDays, random() < 0.15),
    wish: sure(HABITS[name])(nowMs, random, kitchen)
  }
}

interface Answered extends Wish {
  readonly problem: PlanProblem
  readonly stocked: Stocked
  readonly found: FoundPlans
  readonly firstMs: number
  readonly allMs: number
}

function answered(wish: Wish): Answered {
  const stocked: Stocked = { ...STOCKED, kitchen: wish.kitchen }
  const solved = solvePlan(wish.plan, wish.cultures, stocked, wish.nowMs)
  const problem = planProblemOf(BAKE, wish.plan, solved, wish.wish, wish.cultures, stocked, wish.nowMs, [])
  const line = solved?.build?.asItStands.line
  if (problem === null || line === undefined) throw new Error('nothing to ask')
  const start = performance.now()
  const search = findSchedules(problem, line, UNKNOWN_JAR)
  let firstMs = Number.NaN
  for (;;) {
    const step = search.next()
    if (step.done === true) {
      const allMs = performance.now() - start
      return { ...wish, problem: step.value.problem, stocked, found: step.value, firstMs: Number.isNaN(firstMs) ? allMs : firstMs, allMs }
    }
    if (Number.isNaN(firstMs) && step.value.plans.length > 0) firstMs = performance.now() - start
  }
}

/** What a baker has to do with the hands, from the plan itself: moment, minutes. */
function handsOf({ stages, times }: DayPlan): [string, number, number][] {
  return [
    ...stages.flatMap(({ stage, startMs }): [string, number, number][] => [
      [stage.kind, startMs, 8],
      ...(stage.chill === null ? [] : [['chill', startMs + stage.chill.afterHours * HOUR, 2] as [string, number, number]])
    ]),
    ...(times.autolyseMs === null ? [] : [['autolyse', times.autolyseMs, 8] as [string, number, number]]),
    ['mix', times.mixMs, 15],
    ...times.moveMs.map((ms): [string, number, number] => ['move', ms, 2]),
    ['shape', times.shapeMs, 20],
    ['oven on', times.preheatMs, 2],
    ['bake', times.bakeMs, 5],
    ['out', times.outMs, 5]
  ]
}

const hourOf = (words: string) => Number(words.slice(0, 2)) + Number(words.slice(3, 5)) / 60

/** Hours nobody has hands in, by plain arithmetic: asleep, at work. */
function hardAt(kitchen: Kitchen, fromMs: number, toMs: number): boolean {
  for (let ms = fromMs; ms < toMs; ms += MINUTE) {
    const hour = ((((ms - MONDAY) % DAY) + DAY) % DAY) / HOUR
    const [bed, up] = [hourOf(kitchen.sleep.from), hourOf(kitchen.sleep.to)]
    if (bed > up ? hour >= bed || hour < up : hour >= bed && hour < up) return true
    const weekday = (Math.floor((ms - MONDAY) / DAY) % 7) + 1
    for (const { days, from, to } of kitchen.weekly) if (days.includes(weekday as 1) && hour >= hourOf(from) && hour < hourOf(to)) return true
  }
  return false
}

/** The share of many draws whose window meets the free time around the mix. */
function chanceAgain({ problem, kitchen, nowMs }: Answered, plan: DayPlan): number {
  const line = makeStages(problem, plan.stages)?.at(-1)?.line
  if (line === undefined) return 0
  const isFree = (ms: number) => ms >= nowMs && !hardAt(kitchen, ms, ms + MINUTE)
  let [from, to] = [plan.mixMs, plan.mixMs]
  while (from > plan.mixMs - LEEWAY && isFree(from - MINUTE)) from -= MINUTE
  while (to < plan.mixMs + LEEWAY && isFree(to)) to += MINUTE
  const vessel = vesselOf(line, UNKNOWN_JAR.centre)
  const { milestones } = simulate(vessel, UNKNOWN_JAR.centre, { untilHours: 240, stopPastPeak: true })
  const hours = (ms: number) => (ms - line.startedAtMs) / HOUR
  const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: Math.max(horizonHours(milestones), 1.2 * hours(to)), count: DRAWS, roomSdC: ROOM_OFF_K })
  const chill = plan.stages.at(-1)?.stage.chill?.afterHours ?? Number.POSITIVE_INFINITY
  const met = draws.milestones.filter((m) => {
    const { opensHours, closesHours } = windowOf(m, problem.school)
    // In the cold the level tells little: held for sixteen hours where it was ready by then, good for a day where it gets ready there.
    if (opensHours !== null && hours(plan.mixMs) > chill)
      return opensHours > chill
        ? opensHours <= hours(to) && hours(from) <= opensHours + 24
        : (closesHours ?? Number.POSITIVE_INFINITY) >= chill && hours(from) <= chill + 16
    return opensHours !== null && opensHours <= hours(to) && (closesHours ?? Number.POSITIVE_INFINITY) >= hours(from)
  })
  return met.length / draws.milestones.length
}

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon' })

/** What is wrong with a schedule, by rules of this bench's own; nothing where it is as promised. */
function wrongWith(asked: Answered, { plan, told }: { readonly plan: DayPlan; readonly told: ToldPlan }): string[] {
  const { kitchen, wish, nowMs, problem } = asked
  const wrong: string[] = []
  const last = sure(plan.stages.at(-1))
  for (const [step, ms, minutes] of handsOf(plan)) {
    if (hardAt(kitchen, ms, ms + minutes * MINUTE)) wrong.push(`${step} while nobody has hands`)
    if (ms < nowMs - MINUTE) wrong.push(`${step} in the past`)
  }
  if (hardAt({ ...kitchen, sleep: { from: '03:00', to: '03:00' } } as Kitchen, plan.times.bakeMs, plan.times.outMs))
    wrong.push('bread in the oven while nobody is at home')
  for (const { stage, startMs } of plan.stages)
    if (stage.chill !== null && plan.mixMs - (startMs + stage.chill.afterHours * HOUR) < 2 * HOUR - MINUTE) wrong.push('chilled within two hours of the mix')
  const hours = (plan.mixMs - last.startMs) / HOUR
  if (hours < last.window.opens - 0.02 || hours > last.window.closes + 0.02) wrong.push('not in its window at the mix')
  const again = chanceAgain(asked, plan)
  if (Math.abs(again - told.chance) > CHANCE_OFF) wrong.push(`chance ${told.chance.toFixed(2)} told, ${again.toFixed(2)} drawn`)
  if (wish.kind === 'out' && plan.times.outMs > wish.atMs + MINUTE) wrong.push('late')
  if (wish.kind === 'eat' && plan.times.eatMs > wish.atMs + MINUTE) wrong.push('late')
  if (wish.kind === 'mix' && plan.mixMs !== wish.atMs) wrong.push('another hour of the mix')
  if (wish.kind === 'habit' && (plan.mixMs !== wish.mixMs || Math.abs(last.startMs - wish.buildMs) > 21 * MINUTE)) wrong.push('not the habit')
  const taken = wayTaken(asked.plan, problem, plan, asked.cultures, asked.stocked, nowMs)
  const weigh = taken.solved?.build?.weigh
  if (weigh === undefined || taken.solved === null) wrong.push('cannot be weighed once it is taken')
  else {
    // What is weighed makes what the dough takes, with 20 g to keep and a little that sticks.
    const made = weigh.seed + weigh.older + weigh.flour + weigh.water
    const needed = taken.solved.dough.ok ? taken.solved.dough.value.weigh.levainGrams + 20 : Number.NaN
    if (made < needed - 1 || made > needed + 16) wrong.push(`${Math.round(made)} g are weighed for ${Math.round(needed)} g`)
    const ratio = weigh.flour / weigh.seed
    if (Math.abs(Math.log(ratio / last.stage.flourPerSeed)) > 0.12) wrong.push(`1:${last.stage.flourPerSeed} told, 1:${ratio.toFixed(1)} weighed`)
  }
  if (taken.solved?.build != null && Math.abs(taken.solved.build.timed.startMs - last.startMs) > MINUTE)
    wrong.push(
      `begins ${Math.round((taken.solved.build.timed.startMs - last.startMs) / MINUTE)} min off once it is taken (${plan.stages.map((x) => x.stage.kind + x.stage.flourPerSeed).join(', ')}, ${last.stage.place.id}, ${last.stage.chill === null ? '' : 'chilled'})`
    )
  return wrong
}

function wrongWithAll(asked: Answered): string[] {
  const { found, problem, kitchen } = asked
  const plans = found.plans.map(({ plan }) => plan)
  const titles = planTitles(problem, plans, kitchen, format)
  return titles.size < plans.length ? [`${plans.length - titles.size} read alike`] : []
}

/** Drawn wishes, every schedule that is offered looked over; and a table of habits by jars. */
export function benchSchedules(from = Math.floor(Math.random() * SEEDS), count = 400): void {
  const random = seededRandom(from)
  const wishes = Array.from({ length: count }, () => drawnWish(random))
  heading(`Schedules for ${count} drawn wishes (seed ${from}), each looked over`)
  const all = wishes.map(answered)
  const wrong = new Map<string, number>()
  let offered = 0
  let examples = 0
  for (const asked of all) {
    offered += asked.found.plans.length
    const { yeasted } = asked.found
    const withYeast = yeasted === null ? [] : wrongWith({ ...asked, problem: yeasted.problem }, yeasted).map((words) => `with yeast: ${words}`)
    for (const words of [...asked.found.plans.flatMap((offer) => wrongWith(asked, offer)), ...wrongWithAll(asked), ...withYeast]) {
      const kind = words.replace(/[\d.]+/g, '…')
      wrong.set(kind, (wrong.get(kind) ?? 0) + 1)
      if (examples++ < 12) process.stdout.write(`    ${asked.name}: ${words}\n`)
    }
  }
  const yeasted = all.filter(({ found }) => found.yeasted !== null).length
  process.stdout.write(
    `  ${offered} schedules offered, and ${yeasted} days with a little yeast; ${[...wrong].map(([kind, n]) => `${kind}: ${n}`).join('; ') || 'nothing wrong with any of them'}\n`
  )
  for (const name of Object.keys(HABITS)) {
    const own = all.filter((asked) => asked.name === name)
    const some = own.filter(({ found }) => found.plans.length > 0).length
    const mended = own.filter(
      ({ found }) => found.plans.length === 0 && found.mendings !== null && (found.mendings.bent.length > 0 || found.mendings.later !== null)
    ).length
    process.stdout.write(
      `  ${name.padEnd(30)} ${own.length} wished, ${some} with schedules, ${mended} with what would mend it, ${own.length - some - mended} with neither; ${own.filter(({ found }) => found.yeasted !== null).length} with a day with yeast\n`
    )
  }
  const warm = all.slice(5)
  report(
    'first schedules',
    warm.filter(({ found }) => found.plans.length > 0).map((a) => a.firstMs),
    'ms',
    0
  )
  report(
    'all, with their chances',
    warm.filter(({ found }) => found.plans.length > 0).map((a) => a.allMs),
    'ms',
    0
  )
  report(
    'where none fits, with what would mend it',
    warm.filter(({ found }) => found.plans.length === 0).map((a) => a.allMs),
    'ms',
    0
  )
}

function mendedWords({ mendings }: FoundPlans): string {
  const bent = (mendings?.bent ?? []).map(({ violations }) => violations.map((v) => `${v.kind} ${v.step} ${Math.round(v.minutes)} min`).join(', '))
  const later = mendings?.later == null ? [] : [`else mixed ${format.dayTime(mendings.later.mixMs)}, out ${format.dayTime(mendings.later.times.outMs)}`]
  return [...bent, ...later].join(' | ') || 'nothing mends it'
}

/** One wish for each habit and jar, in a cool and in a warm kitchen: what is offered first. */
export function benchHabits(): void {
  heading('Each habit with jars of each age, at 18 and at 27 °C: what is offered first')
  const nowMs = MONDAY + 4 * DAY + 18 * HOUR
  for (const roomC of [18, 27])
    for (const name of Object.keys(HABITS))
      for (const coldDays of [0, 3, 8, 20]) {
        const isEarly = name === 'the same day' || name === 'morning build, evening mix'
        const at = isEarly ? MONDAY + 5 * DAY + 7 * HOUR : nowMs
        const home = kitchenOf(roomC, roomC > 20 ? 18 : 14, null, [23, 7], [9, 17])
        const asked = answered({
          name,
          nowMs: at,
          kitchen: home,
          plan: planAt(roomC, at + 26 * HOUR),
          cultures: culturesAt(at, coldDays, false),
          wish: sure(HABITS[name])(at, () => 0.4, home)
        })
        const { found, problem, kitchen } = asked
        const titles = planTitles(
          problem,
          found.plans.map((p) => p.plan),
          kitchen,
          format
        )
        const best = found.plans[0]
        const words =
          best === undefined
            ? `none: ${mendedWords(found)}`
            : `${found.plans.length}: ${titles.get(best.plan)}; mix ${format.dayTime(best.plan.mixMs)}; ${proofWords(best.plan, kitchen, format)}; out ${format.dayTime(best.plan.times.outMs)}; ${Math.round(100 * best.told.chance)} %`
        const yeast =
          found.yeasted === null
            ? ''
            : ` · with ${found.yeasted.yeastGrams} g of yeast mixed ${format.dayTime(found.yeasted.plan.mixMs)}, out ${format.dayTime(found.yeasted.plan.times.outMs)}`
        process.stdout.write(`  ${roomC} °C ${name.padEnd(27)} ${String(coldDays).padStart(2)} d cold: ${(words + yeast).replace(/ /g, ' ')}\n`)
      }
}
