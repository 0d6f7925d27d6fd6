import { millisecondsInHour } from 'date-fns/constants'
import { BUILT_IN_INGREDIENTS } from '../../dough/builtInIngredients'
import { pantryOf } from '../../dough/ingredient'
import { CULTURE_TRAITS, type Culture } from '../cultures'
import type { Kept } from '../feeding'
import type { BatchLine, LineStay } from '../lineage'
import { type FeedsFrom, timedFeeds } from '../timedFeeds'
import { absenceWays, longAbsence } from './absence'
import { changeCulture } from './changeCulture'
import { crumbFlour, dryCulture, dryWeight, wakeDried } from './dryAndWake'
import { giftOfJar } from './gift'
import { growJar } from './grow'
import { firstMix, NEW_CULTURE_SCHOOLS, newCulture } from './newCulture'
import { OWN_STEP, ownCulture, ownFeeds } from './ownSteps'
import { comingSteps, type Deed, foldProgram, gramsOfBlend, type Outcome, type Program } from './program'
import { REVIVAL_RATIOS, revive } from './revive'
import { STRENGTHENING_RATIOS, strengthen } from './strengthen'

const DAY = 24 * millisecondsInHour
const now = Date.UTC(2026, 10, 27, 9)
const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)
const WHITE = [{ ingredientId: 'white wheat', share: 1 }]
const warm = (fromMs: number): LineStay => ({ fromMs, tempC: 24 })
const fridge = (fromMs: number): LineStay => ({ fromMs, tempC: 4 })
const jarLine: BatchLine = {
  startedAtMs: now - 2 * DAY,
  flours: { 'white wheat': 40 },
  waterGrams: 40,
  saltGrams: 0,
  mixTempC: 22,
  stays: [fridge(now - 2 * DAY)],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
}
const kept: Kept = { grams: 20, hydration: 1, flour: 'white wheat', line: jarLine }
const from: FeedsFrom = { kept, feed: WHITE, hydration: 1, pantry: PANTRY, stayAt: warm }
const flourOf = (deed: Deed | null) => (deed?.kind === 'feed' ? deed.flours.reduce((sum, f) => sum + f.grams, 0) : 0)

/** Goes through a program by the book of a jar: what it holds after each step. */
function grown(program: Program, startGrams: number): number[] {
  let grams = startGrams
  return program.steps.map(({ deed }) => {
    if (deed?.kind === 'feed') grams = (deed.keepGrams ?? grams) + flourOf(deed) + deed.waterGrams
    if (deed?.kind === 'take') grams -= deed.grams
    return grams
  })
}

describe('where a program stands', () => {
  const program: Program = {
    kind: 'revival',
    title: 'T',
    says: 'S',
    steps: [
      { title: 'one', afterHours: 0, what: '', sign: null, deed: null },
      { title: 'two', afterHours: 24, what: '', sign: { good: '', notYet: '', againHours: 6, meanwhile: null }, deed: null }
    ]
  }
  const standing = (...entries: [step: number, hours: number, outcome: Outcome][]) =>
    foldProgram(
      program,
      now,
      entries.map(([step, hours, outcome]) => ({ step, atMs: now + hours * millisecondsInHour, outcome }))
    )
  test('a step is due so long after the one before was really done, not after it should have been', () => {
    expect(standing()).toMatchObject({ status: 'running', step: 0, dueMs: now, tries: 0 })
    expect(standing([0, 5, 'done'])).toMatchObject({ step: 1, dueMs: now + 29 * millisecondsInHour })
  })
  test('not yet: the same step again later, as often as it takes', () => {
    expect(standing([0, 0, 'done'], [1, 24, 'not yet'])).toMatchObject({ step: 1, dueMs: now + 30 * millisecondsInHour, tries: 1 })
    expect(standing([0, 0, 'done'], [1, 24, 'not yet'], [1, 31, 'not yet'])).toMatchObject({ dueMs: now + 37 * millisecondsInHour, tries: 2 })
    expect(standing([0, 0, 'done'], [1, 24, 'not yet'], [1, 31, 'done'])).toMatchObject({ status: 'done', step: 2 })
  })
  test('mould ends it', () => {
    expect(standing([0, 0, 'done'], [1, 24, 'bad']).status).toBe('stopped')
  })
  test('days are counted from its beginning, and what comes is told with its times', () => {
    expect(standing().dayAt(now + 23 * millisecondsInHour)).toBe(1)
    expect(standing().dayAt(now + 25 * millisecondsInHour)).toBe(2)
    expect(comingSteps(program, standing()).map((c) => (c.atMs - now) / millisecondsInHour)).toEqual([0, 24])
    expect(comingSteps(program, standing([0, 5, 'done'])).map((c) => (c.atMs - now) / millisecondsInHour)).toEqual([29])
  })
})

test('grams of a blend are whole and sum to the whole', () => {
  const thirds = [1, 1, 1].map((share, i) => ({ ingredientId: `f${i}`, share }))
  expect(gramsOfBlend(thirds, 100).map((f) => f.grams)).toEqual([33, 34, 33])
  expect(gramsOfBlend([...WHITE, { ingredientId: 'rye', share: 0 }], 50)).toEqual([{ ingredientId: 'white wheat', grams: 50 }])
})

test('a new culture, gathering: 100, 200, 300, 400? No: three days of 50 and 50 on top of the first, then half is kept', () => {
  const choice = { school: 'gather first', feed: CULTURE_TRAITS['white wheat'].feed, hydration: 1 } as const
  expect(firstMix(choice)).toEqual({ flourGrams: 50, waterGrams: 50 })
  const grams = grown(newCulture(choice), 100)
  // Day 2: 200, day 3: 300; from then on 50 kept with 50 and 50; at last 25 kept
  expect(grams.slice(0, 6)).toEqual([200, 300, 150, 150, 150, 125])
})

test('a new culture, kept small: it never holds more than 90 g', () => {
  const choice = { school: 'keep it small', feed: CULTURE_TRAITS.rye.feed, hydration: 1 } as const
  const grams = grown(newCulture(choice), 60)
  expect(Math.max(...grams)).toBe(90)
  expect(grams[0]).toBe(60)
})

test.each(NEW_CULTURE_SCHOOLS)('%s: every day of the first week has its step, what to expect and what to do when it does not come', (school) => {
  const { steps } = newCulture({ school, feed: CULTURE_TRAITS.rye.feed, hydration: 1.2 })
  expect(steps.length).toBeGreaterThanOrEqual(8)
  for (const { afterHours } of steps) expect(afterHours).toBe(24)
  for (const { sign } of steps) if (sign !== null) expect(sign.notYet.length).toBeGreaterThan(20)
  expect(steps.filter((s) => s.sign !== null).length).toBeGreaterThanOrEqual(4)
})

test('revival: gently at first, each feed when the one before is ripe', () => {
  const feeds = timedFeeds(from, REVIVAL_RATIOS, now)
  const { steps } = revive('Juno', WHITE, feeds)
  expect(steps.slice(0, 3).map((s) => flourOf(s.deed))).toEqual([20, 20, 40])
  expect(steps[1]?.afterHours).toBeCloseTo(feeds[0]?.ripeHours ?? 0, 9)
  expect(steps.at(-1)?.sign?.meanwhile).toEqual(steps[2]?.deed)
})

test('white to stiff: the water goes down a quarter of the way at each feed, and the last feed is stiff', () => {
  const made = changeCulture({ name: 'Juno', from: { culture: 'white wheat', hydration: 1, feed: WHITE }, to: 'stiff', keepGrams: 20 })
  if (!made.ok) throw new Error(made.problem.code)
  let [flour, water] = [10, 10]
  const hydrations = made.value.steps.slice(0, 5).map(({ deed }) => {
    if (deed?.kind !== 'feed') throw new Error('no feed')
    const share = 20 / (flour + water)
    flour = flour * share + flourOf(deed)
    water = water * share + deed.waterGrams
    return water / flour
  })
  // 100 % to 50 %: 87.5, 75, 62.5, 50, 50; grams are whole, so to two points
  for (const [i, wanted] of [0.875, 0.75, 0.625, 0.5, 0.5].entries()) expect(Math.abs((hydrations[i] ?? 0) - wanted)).toBeLessThan(0.02)
  expect(made.value.steps.at(-1)?.deed).toMatchObject({ kind: 'become', culture: 'stiff' })
})

test('white to rye: 25, 50, 75 and 100 % of rye', () => {
  const made = changeCulture({ name: 'Juno', from: { culture: 'white wheat', hydration: 1, feed: WHITE }, to: 'rye', keepGrams: 20 })
  if (!made.ok) throw new Error(made.problem.code)
  const shares = made.value.steps.slice(0, 5).map(({ deed }) => {
    if (deed?.kind !== 'feed') throw new Error('no feed')
    return (deed.flours.find((f) => f.ingredientId === 'rye')?.grams ?? 0) / flourOf(deed)
  })
  for (const [i, wanted] of [0.25, 0.5, 0.75, 1, 1].entries()) expect(Math.abs((shares[i] ?? 0) - wanted)).toBeLessThan(0.02)
})

test.each([
  ['white wheat', 'gluten-free', 'gluten stays'],
  ['rye', 'gluten-free', 'gluten stays'],
  ['gluten-free', 'rye', 'no gluten in'],
  ['dried', 'rye', 'dried wakes'],
  ['rye', 'dried', 'dried wakes'],
  ['rye', 'rye', 'already that']
] as [Culture, Culture, string][])('%s to %s is refused: %s', (culture, to, code) => {
  const made = changeCulture({ name: 'X', from: { culture, hydration: 1, feed: CULTURE_TRAITS[culture].feed }, to, keepGrams: 20 })
  expect(made).toMatchObject({ ok: false, problem: { code } })
})

test('strength for Saturday noon: three feeds, the last one ripe then; too soon is said with the first moment that works', () => {
  const feeds = timedFeeds(from, STRENGTHENING_RATIOS, now)
  const when = now + 2 * DAY
  const made = strengthen('Juno', 20, WHITE, feeds, now, when)
  if (!made.ok) throw new Error(made.problem.code)
  const times = comingSteps(made.value, foldProgram(made.value, now, []))
  expect(times.at(-1)?.atMs).toBeCloseTo(when, -3)
  expect(times[0]?.atMs).toBeGreaterThan(now)
  const early = strengthen('Juno', 20, WHITE, feeds, now, now + 5 * millisecondsInHour)
  const all = feeds.reduce((sum, f) => sum + f.ripeHours, 0)
  expect(early).toMatchObject({ ok: false, problem: { code: 'too soon', values: { earliestMs: now + all * millisecondsInHour } } })
})

test('drying: 100 g at 100 % become 55 g; a thin sheet at the peak, and dry is when it snaps', () => {
  expect(dryWeight(100, 1)).toBeCloseTo(55, 9)
  expect(dryWeight(90, 0.5)).toBeCloseTo(66, 9)
  const [fed] = timedFeeds(from, [2], now)
  if (fed === undefined) throw new Error('no feed')
  const { steps } = dryCulture({ name: 'Juno', feed: WHITE, hydration: 1 }, { grams: 60, keepGrams: 20, shape: 'flakes' }, fed)
  expect(steps.map((s) => s.deed?.kind ?? 'by hand')).toEqual(['feed', 'take', 'by hand', 'weigh', 'by hand'])
  expect(steps[1]).toMatchObject({ deed: { grams: 60, dried: true, name: 'Juno, dried' } })
  expect(steps[1]?.afterHours).toBeCloseTo(fed.ripeHours, 9)
  expect(steps[3]?.sign?.good).toMatch(/snaps/)
  expect(steps[3]?.what).toMatch(/about 33 g/)
  // 100 g at the end of the feed, 60 taken, 40 stay
  expect(grown(dryCulture({ name: 'Juno', feed: WHITE, hydration: 1 }, { grams: 60, keepGrams: 20, shape: 'crumb' }, fed), 80)[1]).toBe(40)
})

test('what is there is dried as it is, without a feed; crumb takes the flour that makes it roll apart', () => {
  const { steps, says } = dryCulture({ name: 'Tub', feed: WHITE, hydration: 2 }, { grams: 3300, keepGrams: 20, shape: 'crumb' }, null)
  expect(steps.map((s) => s.deed?.kind ?? 'by hand')).toEqual(['take', 'by hand', 'weigh', 'by hand'])
  // 3300 g at 200 % are 1100 g of flour and 2200 g of water; at 35 % that water wants 6286 g of flour, 5186 g more.
  expect(steps[0]?.what).toMatch(/Rub 3300 g with about 5186 g of flour/)
  // 6286 g of flour with a tenth of water.
  expect(says).toMatch(/about 6914 g of crumb/)
  expect(steps[3]?.what).toMatch(/346 packets of 20 g/)
  expect(crumbFlour(100, 0.3)).toBe(0)
})

test('own steps: what is kept, what goes in, how warm; a step without flour is a look', () => {
  const own = ownFeeds(
    'Juno',
    [
      { ...OWN_STEP, afterHours: 0 },
      { ...OWN_STEP, keepGrams: 40, flourGrams: 120, waterGrams: 150, mixTempC: 29 },
      { ...OWN_STEP, flourGrams: 0 }
    ],
    WHITE
  )
  expect(own.steps.map((s) => [s.afterHours, s.deed])).toEqual([
    [0, { kind: 'feed', keepGrams: null, flours: [{ ingredientId: 'white wheat', grams: 60 }], waterGrams: 60 }],
    [24, { kind: 'feed', keepGrams: 40, flours: [{ ingredientId: 'white wheat', grams: 120 }], waterGrams: 150, mixTempC: 29 }],
    [24, null]
  ])
  const culture = ownCulture([OWN_STEP, { ...OWN_STEP, flourGrams: 120, waterGrams: 120 }], WHITE)
  expect(culture.kind).toBe('new culture')
  expect(culture.steps.map((s) => s.title)).toEqual(['Feed it', 'Feed it', 'Does it double within eight hours?', 'It is a culture'])
  // Not doubled: the last feed again.
  expect(culture.steps[2]?.sign?.meanwhile).toMatchObject({ flours: [{ grams: 120 }] })
})

test('no step is due while its baker sleeps, but what belongs to the step before it', () => {
  const program = ownFeeds(
    'Juno',
    [
      { ...OWN_STEP, afterHours: 0 },
      { ...OWN_STEP, afterHours: 14 },
      { ...OWN_STEP, afterHours: 1 }
    ],
    WHITE
  )
  // It is nine; fourteen hours later it is 23:00, and the baker sleeps until seven.
  const awake = (ms: number) => (new Date(ms).getUTCHours() >= 23 || new Date(ms).getUTCHours() < 7 ? now + 22 * millisecondsInHour : ms)
  const state = foldProgram(program, now, [], awake)
  expect(comingSteps(program, state, awake).map(({ atMs }) => (atMs - now) / millisecondsInHour)).toEqual([0, 22, 23])
  const noted = foldProgram(program, now, [{ step: 0, atMs: now, outcome: 'done' }], awake)
  expect((noted.dueMs - now) / millisecondsInHour).toBe(22)
})

test('waking takes 10 g of flakes, never more than half, and comes out at the wished hydration', () => {
  const woken = { name: 'Juno', feed: WHITE, hydration: 1 }
  const deed = (grams: number) => wakeDried({ name: 'Juno, dried', grams }, woken).steps[0]?.deed
  expect(deed(60)).toMatchObject({ kind: 'wake', grams: 10, waterGrams: 18 })
  // 10 g of flakes hold 9.1 g of flour and 0.9 g of water; with 10 g of flour that wants 19.1 g of water in all
  expect(deed(8)).toMatchObject({ grams: 4 })
  expect(deed(3)).toMatchObject({ grams: 1 })
})

test('a long absence: colder, stiffer and more food last longer; each way tells until when it comes back', () => {
  const ways = absenceWays(
    kept,
    WHITE,
    PANTRY,
    warm(now),
    [
      { id: 'fridge', stay: fridge(now) },
      { id: 'cellar', stay: { fromMs: now, tempC: 14 } }
    ],
    now
  )
  const days = (flourPerSeed: number, hydration: number, placeId: string) =>
    ways.find((w) => w.flourPerSeed === flourPerSeed && w.hydration === hydration && w.placeId === placeId)?.hungryDays ?? 0
  expect(days(5, 1, 'fridge')).toBeGreaterThan(days(1, 1, 'fridge'))
  expect(days(5, 0.5, 'fridge')).toBeGreaterThan(days(5, 1, 'fridge'))
  expect(days(5, 1, 'fridge')).toBeGreaterThan(3 * days(5, 1, 'cellar'))
  for (const { hungryDays, lastsDays } of ways) expect(lastsDays).toBeGreaterThan(hungryDays)
  const best = ways[0]
  if (best === undefined) throw new Error('no way')
  expect(best).toMatchObject({ flourPerSeed: 10, hydration: 0.5, placeId: 'fridge' })
  const program = longAbsence('Juno', 20, WHITE, best, 'Fridge', 21)
  const times = comingSteps(program, foldProgram(program, now, [])).map((c) => (c.atMs - now) / DAY)
  expect(times[2]).toBeCloseTo(21 + 1 / 24, 9)
  expect(program.steps[1]?.deed).toEqual({ kind: 'move', placeId: 'fridge' })
})

test('grown from 60 g to a kilogram beside its least, each feed within what it can bear', () => {
  const made = growJar('Juno', 1000, { grams: 60, keepMinimumGrams: 15, strong: true }, from, WHITE, now)
  if (!made.ok) throw new Error(made.problem.code)
  const grams = grown(made.value, 60)
  expect(grams.at(-1)).toBeGreaterThanOrEqual(1015)
  expect(grams.at(-1)).toBeLessThan(1060)
  let before = 60
  for (const g of grams) {
    expect(g / before).toBeLessThan(12)
    before = g
  }
  const weak = growJar('Juno', 1000, { grams: 60, keepMinimumGrams: 15, strong: false }, from, WHITE, now)
  if (!weak.ok) throw new Error(weak.problem.code)
  expect(weak.value.steps.length).toBeGreaterThanOrEqual(made.value.steps.length)
  expect(growJar('Juno', 100, { grams: 0, keepMinimumGrams: 15, strong: true }, from, WHITE, now)).toMatchObject({ ok: false })
})

test('some for a friend: fed first, ripe, taken, labelled, given', () => {
  const [fed] = timedFeeds(from, [2], now)
  if (fed === undefined) throw new Error('no feed')
  const { steps } = giftOfJar({ name: 'Juno', feed: WHITE, keepGrams: 20 }, 'Ada', 50, fed)
  expect(steps.map((s) => s.deed?.kind)).toEqual(['feed', 'take', 'give'])
  expect(steps[1]?.deed).toMatchObject({ grams: 50, name: 'For Ada', dried: false })
})
