import {
  BUILT_IN_INGREDIENTS,
  CUP_SIZES,
  drawForecast,
  findMilestones,
  judge,
  mixCultures,
  normalFrom,
  pantryOf,
  RIPE,
  seededRandom,
  simulate,
  solveBake,
  summarise,
  TYPICAL_JAR,
  type Vessel
} from '../src/core'
import { largeFormula } from './formula'
import { referenceRun } from './reference'
import { heading, report, timed } from './report'

/** Cases checked against the one-second reference; each reference run takes about half a second. */
const CASES = 60
const MINUTES = 60

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
    timed(60, () => drawForecast(usual, TYPICAL_JAR, { untilHours: 24 })),
    'ms'
  )
  const draws = drawForecast(usual, TYPICAL_JAR, { untilHours: 24 })
  report(
    'summary of 400 draws',
    timed(60, () => summarise(draws, 'dome')),
    'ms'
  )
  const marks = [3, 5, 6.5].map((hours) => ({ hours, rise: 1.2 + hours / 6 }))
  report(
    'verdict from three looks',
    timed(60, () => judge(draws, marks, 7, 'dome', { domes: true, floats: true })),
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
  const normal = normalFrom(random)
  const errors = { doubled: [] as number[], opens: [] as number[], peak: [] as number[], closes: [] as number[] }
  for (let i = 0; i < CASES; i++) {
    const jarHere = { vigour: Math.exp(0.25 * normal()), lag: Math.exp(0.4 * normal()), hold: Math.exp(0.2 * normal()), cold: 1, warmth: 1 }
    const first = 16 + 14 * random()
    const stays =
      random() < 0.3
        ? [
            { fromHours: 0, tempC: first },
            { fromHours: 1 + 3 * random(), tempC: 16 + 14 * random() }
          ]
        : [{ fromHours: 0, tempC: first }]
    const here = vessel(0.7 + 11 * random(), first, 40 + 900 * random(), { mixTempC: 14 + 14 * random(), stays })
    const fast = simulate(here, jarHere, { untilHours: 36 }).milestones
    const slow = findMilestones(referenceRun(here, jarHere, 36))
    for (const [name, key] of [
      ['doubled', 'doubledHours'],
      ['opens', 'opensHours'],
      ['peak', 'peakHours'],
      ['closes', 'closesHours']
    ] as const) {
      const [f, s] = [fast[key], slow[key]]
      if (f !== null && s !== null) errors[name].push(Math.abs(f - s) * MINUTES)
    }
  }
  for (const [name, values] of Object.entries(errors)) report(`${name}: off by`, values, 'min', 2)
}
