import { NOTHING_SAID, type StarterSaid, starterSaid, starterTold } from './starterTold'

const NOW = Date.parse('2026-11-26T19:42:00.000Z')
const HOUR = 3_600_000
const told = (said: Partial<StarterSaid>, cold = false) => starterTold({ ...NOTHING_SAID, ...said }, cold, NOW)

test.each([
  [{ flour: 'white wheat', texture: 'liquid' }, 'white wheat', 'white wheat', 1],
  [{ flour: 'wholegrain wheat', texture: 'thick' }, 'wholegrain', 'wholegrain wheat', 0.7],
  [{ flour: 'rye', texture: 'thick' }, 'rye', 'rye', 0.7],
  [{ flour: 'house blend', texture: 'liquid' }, 'house blend', 'white wheat', 1],
  // A ball stays a ball, of whatever flour.
  [{ flour: 'ancient wheat', texture: 'stiff' }, 'stiff', 'ancient wheat', 0.5],
  [{ flour: 'house blend', texture: 'stiff' }, 'stiff', 'white wheat', 0.5],
  [{ flour: 'ancient wheat', texture: 'in water' }, 'stiff under water', 'ancient wheat', 0.45],
  // Whoever knows the figure is believed over the word.
  [{ flour: 'white wheat', texture: null, hydration: 0.6 }, 'stiff', 'white wheat', 0.6],
  [{ flour: 'gluten-free', texture: 'thick' }, 'gluten-free', 'gluten-free', 0.7],
  [{ flour: 'rye', dried: true }, 'dried', 'rye', 0.1]
] as const)('%j is a %s starter', (said, culture, flour, hydration) => {
  expect(told(said)).toMatchObject({ culture, flour, hydration })
})

test('what nobody says is a guess: a cold jar was fed a week ago, a warm one yesterday', () => {
  expect(told({}, true)).toMatchObject({ grams: 100, hydration: 1, lastFedAt: NOW - 7 * 24 * HOUR, guesses: ['grams', 'hydration', 'lastFedAt'] })
  expect(told({}, false).lastFedAt).toBe(NOW - 24 * HOUR)
})

test('what is said is no guess; an amount by eye stays one', () => {
  const known = { texture: 'liquid', grams: 180, fedAtMs: NOW - 9 * 24 * HOUR, flourPerSeed: 5 } as const
  expect(told(known)).toMatchObject({ grams: 180, lastFedAt: NOW - 9 * 24 * HOUR, flourPerSeed: 5, guesses: [] })
  expect(told({ ...known, byEye: true }).guesses).toEqual(['grams'])
})

test('flakes have neither feed nor texture to guess at', () => {
  expect(told({ dried: true, grams: 20 }).guesses).toEqual([])
})

test.each([
  [{ flour: 'ancient wheat', texture: 'in water', grams: 300, fedAtMs: NOW - HOUR }],
  [{ flour: 'house blend', texture: 'liquid', grams: 90, byEye: true, fedAtMs: NOW - HOUR, flourPerSeed: 2 }],
  [{ flour: 'rye', hydration: 1.2, grams: 90, fedAtMs: NOW - HOUR }],
  [{ flour: 'white wheat', texture: 'stiff', grams: 100 }]
] as const)('%j is shown again as it was said', (said) => {
  const whole = { ...NOTHING_SAID, ...said }
  expect(starterSaid({ ...starterTold(whole, false, NOW), begun: false, placeId: 'p' })).toEqual(whole)
})
