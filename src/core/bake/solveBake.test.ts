import { type BakeWish, type KitchenFacts, type SeedJar, solveBake } from './solveBake'

const HOUR = 3_600_000
const now = Date.UTC(2026, 10, 26, 19, 42)
const fed = now - 14 * HOUR

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
const kitchen: KitchenFacts = { sleep: { from: '22:30', to: '06:30' }, timeZone: 'Europe/Lisbon', smallScale: true, tapTempC: 14, flourTempC: 22 }
const wish: BakeWish = {
  pieces: [{ count: 2, grams: 780 }],
  base: 'dough flour',
  hydration: 0.74,
  salt: 0.021,
  levain: 0.18,
  levainHydration: 1,
  levainFlour: 'white wheat',
  flourPerSeed: 5,
  keepBackGrams: 20,
  tempC: 22,
  mixTempC: 24,
  school: 'dome',
  mixAtMs: Date.UTC(2026, 10, 27, 18)
}
const solve = (more: Partial<BakeWish> = {}, jarMore: Partial<SeedJar> = {}, facts: Partial<KitchenFacts> = {}) =>
  solveBake({ ...wish, ...more }, { ...jar, ...jarMore }, { ...kitchen, ...facts }, now)
const codes = (solved: ReturnType<typeof solve>) => solved.warnings.map((w) => w.code)

test('two of 780 g: grams to weigh, rounded, and what is truly in them', () => {
  const { dough, problem } = solve()
  expect(problem).toBeNull()
  if (!dough.ok) throw new Error('no dough')
  // D = 1560/.98 = 1591.84; divisor 1.91949 → flour 829.30, water 594.28, salt 18.98, levain 149.27
  expect(dough.value.weigh).toEqual({ flour: 829, water: 594, salt: 19, levain: 149, extras: [] })
  expect(dough.value.truth.hydration).toBeCloseTo((594 + 74.5) / (829 + 74.5), 9)
  expect(dough.value.truth.salt).toBeCloseTo(19 / 903.5, 9)
})

test('without a small scale salt is weighed to the gram', () => {
  const { dough } = solve({ salt: 0.0203 }, {}, { smallScale: false })
  expect(dough.ok && dough.value.weigh.salt % 1).toBe(0)
})

test('the levain: for the dough, to keep back, and what sticks', () => {
  const { build } = solve()
  if (build === null) throw new Error('no build')
  // 149 + 20 = 169, of which 3 % = 5.07 stick: 174.07; 1:5:5 → seed 15.82, flour and water 79.12
  expect(build.weigh).toEqual({ seed: 15.8, flour: 79, water: 79 })
  expect(build.needGrams).toBe(149)
  expect(build.sticksGrams).toBeCloseTo(5.07, 9)
  expect(build.jarAfterGrams).toBeCloseTo(85 - 15.8, 9)
})

test('water to bring the mix to 24 °C is warmer than the tap and comes with its blend', () => {
  const { build } = solve()
  const water = build?.water
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
  const warning = solve({ mixAtMs: now + 2 * HOUR }).warnings.find((w) => w.code === 'start has passed')
  if (warning?.code !== 'start has passed') throw new Error('not warned')
  expect(warning.soonestMs).toBeGreaterThan(now + 6 * HOUR)
})

test('a jar that cannot spare the seed', () => {
  const warning = solve({ flourPerSeed: 1 }, { grams: 60 }).warnings.find((w) => w.code === 'jar too small')
  if (warning?.code !== 'jar too small') throw new Error('not warned')
  expect(warning.spareGrams).toBe(45)
  expect(warning.seedGrams).toBe(58)
})

test('gluten on its way into a gluten-free jar’s levain', () => {
  expect(codes(solve({}, { flour: 'gluten-free' }))).toContain('gluten into gluten-free')
  expect(codes(solve({ levainFlour: 'gluten-free' }, { flour: 'gluten-free' }))).not.toContain('gluten into gluten-free')
})

test.each([
  ['salt three times over', { salt: 0.063 }, 'salt unusual'],
  ['a very dry dough', { hydration: 0.35 }, 'hydration unusual'],
  ['more than half the flour ripe', { levain: 2.2, hydration: 0.9 }, 'pre-fermented unusual'],
  ['a giant', { pieces: [{ count: 1, grams: 5000 }] }, 'piece unusual']
] as const)('%s is asked about', (_, more, code) => {
  expect(codes(solve(more))).toContain(code)
})

test('a dough that cannot be has no levain, and the reason is kept', () => {
  const solved = solve({ levain: 3, hydration: 0.3, levainHydration: 2.5 })
  expect(solved.build).toBeNull()
  expect(solved.problem?.code).toBe('levain wetter than dough')
})

test('a jar left out for two weeks is told to be weak', () => {
  const old = now - 14 * 24 * HOUR
  const line = { ...jar.line, startedAtMs: old, stays: [{ fromMs: old, tempC: 22 }] }
  expect(codes(solve({}, { line }))).toContain('culture weak')
})
