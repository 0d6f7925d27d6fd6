import {
  BUILT_IN_INGREDIENTS,
  CUP_SIZES,
  drawForecast,
  FLOUR_KINDS,
  type JarParameters,
  judge,
  type Milestones,
  milestonesOf,
  mixCultures,
  normalFrom,
  pantryOf,
  RIPE,
  type RiseCurve,
  type Stay,
  seededRandom,
  simulate,
  solveBake,
  summarise,
  TYPICAL_JAR,
  topOf,
  UNKNOWN_JAR,
  type Vessel,
  withYeast
} from '../src/core'
import { bendClimb } from '../src/core/ferment/shape'
import { referenceRun } from '../src/core/testing/reference'
import { largeFormula } from './formula'
import { solverRun } from './reference'
import { heading, report, timed } from './report'

/** Cases checked against the one-second reference. */
const CASES = 200
const MINUTES = 60
/** The general solver is made tighter until its worst moment is as near to the reference as this, minutes. */
const SAME_ACCURACY_MINUTES = 1
const TOLERANCES = [1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9]
const SOLVER_CASES = 40

function vessel(flourPerSeed: number, tempC: number, grams: number, more: Partial<Vessel> = {}): Vessel {
  return {
    start: mixCultures([{ flourGrams: 1, state: RIPE }], 2 * flourPerSeed, 1),
    massGrams: grams,
    hydration: 1,
    salt: 0,
    flours: { 'white wheat': 1 },
    mixTempC: 24,
    stays: [{ fromHours: 0, tempC }],
    ...more
  }
}

/** Speed of the model and how near it is to its slow reference. */
export function benchModel(): void {
  const usual = vessel(5, 24, 220)
  heading('Model, one vessel 1:5:5 at 24 °C')
  const micro = (ms: number[]) => ms.map((x) => x * 1000)
  report('48 h run, to the end', micro(timed(3000, () => simulate(usual, TYPICAL_JAR, { untilHours: 48 }))), 'µs')
  report('48 h run, stopped past the peak', micro(timed(3000, () => simulate(usual, TYPICAL_JAR, { untilHours: 48, stopPastPeak: true }))), 'µs')
  report(
    'forecast of 400 draws',
    timed(60, () => drawForecast(usual, UNKNOWN_JAR, { untilHours: 24 })),
    'ms'
  )
  const draws = drawForecast(usual, UNKNOWN_JAR, { untilHours: 24 })
  report(
    'summary of 400 draws',
    timed(60, () => summarise(draws, 'dome')),
    'ms'
  )
  const marks = [3, 5, 6.5].map((hours) => ({ hours, rise: 1.2 + hours / 6 }))
  report(
    'verdict from three looks',
    timed(60, () => judge(draws, marks, 7, 'dome', 'wheat')),
    'ms'
  )

  heading('A bake solved anew, as with every keystroke')
  const now = Date.UTC(2026, 10, 26, 19)
  const fed = now - 14 * 3_600_000
  const line = { startedAtMs: fed, flours: { 'white wheat': 40 }, waterGrams: 40, saltGrams: 0, mixTempC: 22, stays: [{ fromMs: fed, tempC: 22 }], parents: [] }
  const jar = {
    grams: 85,
    keepMinimumGrams: 15,
    hydration: 1,
    flour: 'white wheat' as const,
    line: { ...line, parents: [{ grams: 15, hydration: 1, flour: 'white wheat' as const, line }] }
  }
  const pantry = pantryOf(BUILT_IN_INGREDIENTS)
  const kitchen = {
    sleep: { from: '22:30', to: '06:30' },
    timeZone: 'Europe/Lisbon',
    smallScale: true,
    tapTempC: 14,
    flourTempC: 22,
    pantry,
    cups: CUP_SIZES.metric,
    vessels: []
  }
  const wish = {
    target: { kind: 'dough' as const, grams: 1590 },
    formula: largeFormula(),
    build: {
      source: 'separate build' as const,
      by: { kind: 'ratio' as const, flourPerSeed: 5 },
      hydration: 1,
      salt: 0,
      oil: 0,
      flours: [{ ingredientId: 'white wheat', share: 1 }],
      keepBackGrams: 20,
      older: { share: 0.5, hydration: 1 },
      vesselId: null,
      alsoFor: []
    },
    tempC: 22,
    mixTempC: 24,
    school: 'dome' as const
  }
  report(
    'start by day',
    timed(200, () => solveBake({ ...wish, mixAtMs: Date.UTC(2026, 10, 27, 18) }, jar, kitchen, now)),
    'ms',
    2
  )
  report(
    'start in the night, other ratios sought',
    timed(60, () => solveBake({ ...wish, mixAtMs: Date.UTC(2026, 10, 28, 9) }, jar, kitchen, now)),
    'ms',
    2
  )

  heading(`Accuracy over ${CASES} random cases, against one explicit step a second`)
  const random = seededRandom(7)
  const cases = Array.from({ length: CASES }, () => anyCase(random, normalFrom(random)))
  const slow = cases.map(({ here, jar }) => bentMilestones(referenceRun(here, jar, 40), jar))
  const ours = cases.map(({ here, jar }) => simulate(here, jar, { untilHours: 40 }).milestones)
  for (const [name, values] of Object.entries(errorsOf(ours, slow))) report(`${name}: off by`, values, 'min', 2)

  heading(`Beside a general-purpose solver (extrapolation, step control), ${SOLVER_CASES} of these cases, 40 h to the end`)
  const some = cases.slice(0, SOLVER_CASES)
  const all = (errors: ReturnType<typeof errorsOf>) => Object.values(errors).flat()
  const solved = TOLERANCES.map((tolerance) => {
    const general = some.map(({ here, jar }) => bentMilestones(solverRun(here, jar, 40, tolerance), jar))
    return { tolerance, errors: all(errorsOf(general, slow)) }
  })
  const near = solved.find(({ errors }) => Math.max(...errors) <= SAME_ACCURACY_MINUTES) ?? (solved.at(-1) as (typeof solved)[number])
  report('ours, off by', all(errorsOf(ours.slice(0, SOLVER_CASES), slow)), 'min', 2)
  report(`solver at ${near.tolerance}, off by`, near.errors, 'min', 2)
  const each = (run: (c: (typeof cases)[number]) => unknown) => some.map((c) => Math.min(...timed(5, () => run(c), 2)) * 1000)
  const oursTook = each(({ here, jar }) => simulate(here, jar, { untilHours: 40 }))
  const solverTook = each(({ here, jar }) => solverRun(here, jar, 40, near.tolerance))
  report('ours, best of five', oursTook, 'µs')
  report('solver, best of five', solverTook, 'µs', 0)
  report(
    'solver ÷ ours',
    solverTook.map((t, i) => t / (oursTook[i] as number)),
    'times'
  )
}

/** Moments of a curve straight from the equations, its climb bent as the model's is. */
function bentMilestones(curve: RiseCurve, jar: JarParameters): Milestones {
  const top = topOf(curve)
  if (top.reached) bendClimb(curve, top, jar)
  return milestonesOf(curve, top)
}

/** Any vessel of a kitchen: ratio, flour, texture, salt, yeast, sugar, fat, mass, moves, the cold too, days and nights, jars that differ. */
function anyCase(random: () => number, normal: () => number) {
  const jar = {
    ...TYPICAL_JAR,
    vigour: Math.exp(0.25 * normal()),
    lag: Math.exp(0.4 * normal()),
    hold: Math.exp(0.2 * normal()),
    warmth: Math.exp(0.3 * normal())
  }
  const first = 16 + 16 * random()
  const stays: Stay[] = [{ fromHours: 0, tempC: first, daily: random() < 0.3 ? { swingK: 3 * random(), warmestHours: 24 * random() } : undefined }]
  if (random() < 0.35) stays.push({ fromHours: 1 + 3 * random(), tempC: 14 + 18 * random(), surroundings: random() < 0.3 ? 'water bath' : 'air' })
  // A fifth goes into the cold, for a night and on; a third is a dough with yeast, with sugar and fat in it, or both.
  if (random() < 0.2) stays.push({ fromHours: 5 + 6 * random(), tempC: 2 + 5 * random() })
  const kind = FLOUR_KINDS[Math.floor(random() * FLOUR_KINDS.length)] ?? 'white wheat'
  const here = vessel(0.6 + 12 * random(), first, 20 + 1500 * random() ** 2, {
    hydration: 0.45 + 1.2 * random(),
    salt: random() < 0.2 ? 0.02 : 0,
    flours: random() < 0.4 ? { [kind]: 1 } : { 'white wheat': 1 },
    mixTempC: 12 + 18 * random(),
    stays
  })
  const yeast = random() < 0.3 ? 0.01 * random() : 0
  const rich = random() < 0.3 ? { sugar: 0.25 * random(), fat: 0.25 * random() } : {}
  return { here: { ...here, ...rich, start: withYeast(here.start, yeast) }, jar }
}

/** Minutes between the same moments of two runs. */
function errorsOf(fast: readonly Milestones[], slow: readonly Milestones[]) {
  const between = (key: 'doubledHours' | 'opensHours' | 'peakHours' | 'closesHours') =>
    fast.flatMap((m, i) => {
      const [f, s] = [m[key], slow[i]?.[key] ?? null]
      return f === null || s === null ? [] : [Math.abs(f - s) * MINUTES]
    })
  return { doubled: between('doubledHours'), opens: between('opensHours'), peak: between('peakHours'), closes: between('closesHours') }
}
