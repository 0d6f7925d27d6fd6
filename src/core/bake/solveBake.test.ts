import { millisecondsInHour } from 'date-fns/constants'
import { PANTRY, simpleFormula } from '../testing/doughs'
import { CUP_SIZES } from '../units/volume'
import { type BakeWish, type BuildPlan, type KitchenFacts, mixWithWater, type SeedJar, solveBake } from './solveBake'

const now = Date.UTC(2026, 10, 26, 19, 42)
const fed = now - 14 * millisecondsInHour

const jar: SeedJar = {
  grams: 85,
  keepMinimumGrams: 15,
  hydration: 1,
  flour: 'white wheat',
  line: {
    startedAtMs: fed,
    flours: { 'white wheat': 35 },
    waterGrams: 35,
    saltGrams: 0,
    mixTempC: 22,
    stays: [{ fromMs: fed, tempC: 22 }],
    parents: [{ grams: 15, hydration: 1, flour: 'white wheat', line: null }]
  }
}
const litre = { id: 'v1', name: 'Litre jar', capacityMl: 1000, innerDiameterMm: 95, heightMm: 155 }
const small = { id: 'v2', name: 'Small jar', capacityMl: 250, innerDiameterMm: 65, heightMm: 85 }
const kitchen: KitchenFacts = {
  sleep: { from: '22:30', to: '06:30' },
  timeZone: 'Europe/Lisbon',
  smallScale: true,
  tapTempC: 14,
  flourTempC: 22,
  pantry: PANTRY,
  cups: CUP_SIZES.metric,
  vessels: [litre, small]
}
const build: BuildPlan = {
  source: 'separate build',
  by: { kind: 'ratio', flourPerSeed: 5 },
  hydration: 1,
  salt: 0,
  oil: 0,
  flours: [{ ingredientId: 'white wheat', share: 1 }],
  keepBackGrams: 20,
  older: { share: 0.5, hydration: 1 },
  vesselId: null,
  alsoFor: []
}
const wish: BakeWish = {
  target: { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: 0.02, bakeLoss: null },
  formula: simpleFormula({ levain: 0.18 }),
  build,
  tempC: 22,
  mixTempC: 24,
  school: 'dome',
  mixAtMs: Date.UTC(2026, 10, 27, 18)
}
const solve = (more: Partial<BakeWish> = {}, jarMore: Partial<SeedJar> = {}, facts: Partial<KitchenFacts> = {}) =>
  solveBake({ ...wish, ...more }, { ...jar, ...jarMore }, { ...kitchen, ...facts }, now)
const levain = (more: Partial<BuildPlan> = {}, jarMore: Partial<SeedJar> = {}) => {
  const { build: answer } = solve({ build: { ...build, ...more } }, jarMore)
  if (answer === null) throw new Error('no build')
  return answer
}
const codes = (solved: ReturnType<typeof solve>) => solved.warnings.map((w) => w.code)

test('two of 780 g: grams to weigh, rounded, and what is truly in them', () => {
  const { dough, problem } = solve()
  expect(problem).toBeNull()
  if (!dough.ok) throw new Error('no dough')
  // D = 1560/.98 = 1591.84; divisor 1.91949 → flour 829.30, water 594.28, salt 18.98, levain 149.27
  expect(Object.fromEntries(dough.value.weigh.lines.map((l) => [l.id, l.grams]))).toEqual({ flour: 829, water: 594, salt: 19, levain: 149 })
  expect(dough.value.weigh.truth.hydration).toBeCloseTo((594 + 74.5) / (829 + 74.5), 9)
  expect(dough.value.weigh.truth.salt).toBeCloseTo(19 / 903.5, 9)
})

test('without a small scale salt is weighed to the gram', () => {
  const { dough } = solve({ formula: simpleFormula({ levain: 0.18, salt: 0.0203 }) }, {}, { smallScale: false })
  expect(dough.ok && (dough.value.weigh.lines.find((l) => l.id === 'salt')?.grams ?? 0.5) % 1).toBe(0)
})

test('the levain: for the dough, to keep back, and what sticks', () => {
  const { weigh, ...build } = levain()
  // 149 + 20 = 169, of which 3 % = 5.07 stick: 174.07; 1:5:5 → seed 15.82, flour and water 79.12
  expect(weigh).toEqual({ seed: 15.8, older: 0, flour: 79, flours: [{ ingredientId: 'white wheat', grams: 79 }], water: 79, salt: 0, oil: 0 })
  expect(build.needGrams).toBe(149)
  expect(build.sticksGrams).toBeCloseTo(5.07, 9)
  expect(build.jarAfterGrams).toBeCloseTo(85 - 174.07 / 11, 9)
  expect(build.jarInTheEndGrams).toBeCloseTo(105 - 174.07 / 11, 9)
})

test('water to bring the mix to 24 °C is warmer than the tap and comes with its blend', () => {
  const { water } = levain()
  expect(water?.tempC).toBeGreaterThan(24)
  expect(water?.tempC).toBeLessThan(40)
  expect((water?.blend.tapGrams ?? 0) + (water?.blend.kettleGrams ?? 0)).toBeCloseTo(79, 9)
})

test('a mix wanted hotter than the water may be says so', () => {
  expect(codes(solve({ mixTempC: 38 }, {}, { flourTempC: 10 }))).toContain('water too hot')
})

test('the plan of an ordinary evening has nothing to warn of', () => {
  expect(codes(solve())).toEqual([])
})

test('ready at nine in the morning would begin in the night, and other ratios do not', () => {
  const solved = solve({ mixAtMs: Date.UTC(2026, 10, 28, 9), tempC: 25 })
  const warning = solved.warnings.find((w) => w.code === 'start in the night')
  expect(warning).toBeDefined()
  if (warning?.code === 'start in the night') expect(warning.others.length).toBeGreaterThan(0)
})

test('ready at three in the morning falls in the night itself', () => {
  expect(codes(solve({ mixAtMs: Date.UTC(2026, 10, 28, 3) }))).toContain('mix in the night')
})

test('ready in two hours is too late to begin, and the soonest is told', () => {
  const warning = solve({ mixAtMs: now + 2 * millisecondsInHour }).warnings.find((w) => w.code === 'start has passed')
  if (warning?.code !== 'start has passed') throw new Error('not warned')
  expect(warning.soonestMs).toBeGreaterThan(now + 6 * millisecondsInHour)
})

test('a jar that cannot spare the seed', () => {
  const warning = solve({ build: { ...build, by: { kind: 'ratio', flourPerSeed: 1 } } }, { grams: 60 }).warnings.find((w) => w.code === 'jar too small')
  if (warning?.code !== 'jar too small') throw new Error('not warned')
  expect(warning.spareGrams).toBe(45)
  expect(warning.seedGrams).toBe(58)
})

test('gluten on its way into a gluten-free jar’s levain', () => {
  expect(codes(solve({}, { flour: 'gluten-free' }))).toContain('gluten into gluten-free')
  expect(codes(solve({ build: { ...build, flours: [{ ingredientId: 'buckwheat', share: 1 }] } }, { flour: 'gluten-free' }))).not.toContain(
    'gluten into gluten-free'
  )
})

test.each([
  ['salt three times over', { formula: simpleFormula({ levain: 0.18, salt: 0.063 }) }, 'salt unusual'],
  ['a very dry dough', { formula: simpleFormula({ levain: 0.18, hydration: 0.35 }) }, 'hydration unusual'],
  ['more than half the flour ripe', { formula: simpleFormula({ levain: 2.2, hydration: 0.9 }) }, 'pre-fermented unusual'],
  ['a giant', { target: { kind: 'pieces', pieces: [{ count: 1, grams: 5000 }], handlingLoss: 0.02, bakeLoss: null } }, 'piece unusual']
] as const)('%s is asked about', (_, more, code) => {
  expect(codes(solve(more))).toContain(code)
})

test('a dough that cannot be has no levain, and the reason is kept', () => {
  const solved = solve({ formula: simpleFormula({ levain: 3, hydration: 0.3 }), build: { ...build, hydration: 2.5 } })
  expect(solved.build).toBeNull()
  expect(solved.problem?.code).toBe('levain wetter than dough')
})

test('a jar left out for two weeks is told to be weak', () => {
  const old = now - 14 * 24 * millisecondsInHour
  const line = { ...jar.line, startedAtMs: old, stays: [{ fromMs: old, tempC: 22 }] }
  expect(codes(solve({}, { line }))).toContain('culture weak')
})

test('a jar that is fed two hours before the build is to ripen yet; fed in the evening it is ripe in the morning', () => {
  const fedAt = (hours: number) => {
    const startedAtMs = (levain().timed.startMs ?? now) - hours * millisecondsInHour
    return levain({}, { line: { ...jar.line, startedAtMs, stays: [{ fromMs: startedAtMs, tempC: 22 }] } }).ripens
  }
  expect([fedAt(2), fedAt(14)]).toEqual([true, false])
})

test('6.3 % salt is named as 2.1 % three times over', () => {
  const warning = solve({ formula: simpleFormula({ levain: 0.18, salt: 0.063 }) }).warnings.find((w) => w.code === 'salt unusual')
  expect(warning).toMatchObject({ slip: { kind: 'three times over', meant: 2.1 } })
})

test('105 % water is a lot for wheat and nothing special for rye', () => {
  const wet = { formula: simpleFormula({ levain: 0.18, hydration: 1.05 }) }
  expect(codes(solve(wet))).toContain('hydration unusual')
  expect(codes(solve({ formula: { ...wet.formula, doughKind: 'rye tin' } }))).not.toContain('hydration unusual')
})

describe('the levain in other ways', () => {
  test('a blend is weighed flour by flour', () => {
    const { weigh, planned } = levain({
      flours: [
        { ingredientId: 'strong white', share: 3 },
        { ingredientId: 'rye', share: 1 }
      ]
    })
    expect(weigh.flours).toEqual([
      { ingredientId: 'strong white', grams: 59 },
      { ingredientId: 'rye', grams: 20 }
    ])
    expect(planned.flours).toEqual({ 'white wheat': 0.75, rye: 0.25 })
  })
  test('two tablespoons of risen starter are 10 to 21 g, and the build takes the middle', () => {
    const { spoons, weigh } = levain({ by: { kind: 'spoons', count: 2, spoon: 'tablespoon', stirred: false } })
    expect(spoons).toEqual({ least: expect.closeTo(10.5, 9), most: expect.closeTo(21, 9), middle: expect.closeTo(15.75, 9) })
    expect(weigh.seed).toBe(15.8)
  })
  test('a salted levain: its salt is taken off the dough’s', () => {
    const plain = solve()
    const salted = solve({ build: { ...build, salt: 0.02 } })
    const salt = (s: typeof plain) => (s.dough.ok ? (s.dough.value.exact.lines.find((l) => l.id === 'salt')?.grams ?? 0) : 0)
    expect(salt(salted)).toBeLessThan(salt(plain) - 1)
    expect(salted.build?.weigh.salt).toBeGreaterThan(1)
    expect(salted.dough.ok && salted.dough.value.exact.truth.salt).toBeCloseTo(0.021, 9)
  })
  test('stiff goes flour first', () => {
    expect(levain({ hydration: 0.5 }).steps.map((s) => s.item)).toEqual(['seed', 'flour', 'water'])
  })
  test('other doughs take of the same levain', () => {
    expect(levain({ alsoFor: [{ name: 'rolls', grams: 101 }] }).needGrams).toBe(250)
  })
  test('a jar too small gets a ladder, and the first stage begins before the last', () => {
    const { ladder, timed, sourced } = levain({}, { grams: 18 })
    expect(ladder).toHaveLength(1)
    expect(ladder?.[0]?.masses.seed).toBeLessThanOrEqual(sourced.spareGrams + 1e-6)
    expect(ladder?.[0]?.startMs).toBeLessThan(timed.startMs)
  })
  test('a jar that has nothing to spare has no ladder', () => {
    expect(levain({}, { grams: 14 }).ladder).toBeNull()
  })
  test('174 g would foam over the small jar; the litre jar is named', () => {
    const solved = solve({ build: { ...build, vesselId: 'v2' } })
    expect(solved.warnings.find((w) => w.code === 'vessel too small')).toMatchObject({ vessel: 'Small jar', other: 'Litre jar' })
    expect(codes(solve({ build: { ...build, vesselId: 'v1' } }))).not.toContain('vessel too small')
    // 174.07 g / 1.05 over 33.18 cm² stand 50 mm high
    expect(solved.build?.fit?.bandMm).toBeCloseTo(49.96, 1)
  })
  test('all of the jar straight into the dough and nothing kept is asked about', () => {
    expect(codes(solve({ build: { ...build, source: 'straight from the jar', keepBackGrams: 0 } }))).toContain('nothing kept')
  })
  test('hardly any flour for so much old starter', () => {
    expect(codes(solve({ build: { ...build, by: { kind: 'ratio', flourPerSeed: 0.3 } } }, { grams: 500 }))).toContain('much old starter')
  })
  test('a dough without levain has nothing to build', () => {
    expect(solve({ formula: simpleFormula({ levain: 0 }) }).problem?.code).toBe('no levain')
  })
  test('a flour the kitchen does not have', () => {
    expect(solve({ build: { ...build, flours: [{ ingredientId: 'moon dust', share: 1 }] } }).problem?.code).toBe('levain flour missing')
  })
})

test('water as it is tells the mix, and is what that mix asks for', () => {
  const { build: levain } = solveBake(wish, jar, kitchen, now)
  if (levain === null) throw new Error('no levain')
  const { seed, flour, water } = levain.weigh
  // Starter at 100 %: (1.8 + 4.18) / 2 kJ/(kg·K); flour 1.8 at 22 °C; water 4.18 at 25 °C.
  const heat = 2.99 * seed + 1.8 * flour + 4.18 * water
  const expected = (2.99 * seed * levain.seedTempC + 1.8 * flour * 22 + 4.18 * water * 25) / heat
  const mixTempC = mixWithWater(levain, 22, 25)
  expect(mixTempC).toBeCloseTo(expected, 2)
  expect(solveBake({ ...wish, mixTempC }, jar, kitchen, now).build?.water?.tempC).toBeCloseTo(25, 1)
})

test('starter used as it is: the jar’s own water counts, and its hours since its feed are told', () => {
  const stiff: SeedJar = { ...jar, grams: 420, hydration: 0.5, line: { ...jar.line, flours: { 'white wheat': 200 }, waterGrams: 100 } }
  const at = (mixAtMs: number, grams = 420) =>
    solveBake({ ...wish, mixAtMs, build: { ...build, source: 'as it is', hydration: 1, salt: 0.02 } }, { ...stiff, grams }, kitchen, now)
  const { dough, build: levain, problem } = at(fed + 8 * millisecondsInHour)
  expect(problem).toBeNull()
  if (!dough.ok || levain === null) throw new Error('The dough cannot be.')
  const { weigh, exact } = dough.value
  expect(levain.steps).toEqual([expect.objectContaining({ item: 'seed', grams: weigh.levainGrams })])
  expect(levain.jarAfterGrams).toBeCloseTo(420 - levain.needGrams, 9)
  // Two thirds of a starter of 50 % are flour: that much of the whole dough’s flour is not added.
  const inLevain = exact.lines.find((l) => l.kind === 'levain')?.composition
  expect(inLevain?.flour).toBeCloseTo(2 / 3, 9)
  expect(inLevain?.salt).toBe(0)
  expect(levain.timed.startMs).toBe(fed)
  const codes = (mixAtMs: number, grams?: number) => at(mixAtMs, grams).warnings.map((w) => w.code)
  expect(codes(fed + 8 * millisecondsInHour)).not.toContain('start has passed')
  expect(codes(fed + 8 * millisecondsInHour, 100)).toContain('jar too small')
})
