import { millisecondsInHour } from 'date-fns/constants'
import { type ProgramChoices, type ProgramGround, proposeNewCulture, proposeProgram, waysToWait } from '../../../answers'
import { type Jar, type Kitchen, programSchema } from '../../../contract'
import {
  BUILT_IN_INGREDIENTS,
  CULTURES,
  createFormat,
  type Deed,
  NEW_CULTURE_SCHOOLS,
  OWN_STEP,
  PROGRAM_KINDS,
  type Program,
  type ProgramKind,
  pantryOf,
  TYPICAL_JAR
} from '../../../core'
import { deedWords, KIND_WORDS } from '../../../words'

const DAY = 24 * millisecondsInHour
const now = Date.UTC(2026, 10, 27, 9)
const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const pantry = pantryOf(BUILT_IN_INGREDIENTS)
const [counter, fridge] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002']
const kitchen = {
  timeZone: 'UTC',
  places: [
    { id: counter, name: 'Counter', tempC: 22, nightTempC: null, surroundings: 'air' },
    { id: fridge, name: 'Fridge', tempC: 4, nightTempC: null, surroundings: 'air' }
  ]
} as unknown as Kitchen
const ground: ProgramGround = { kitchen, pantry, format, nowMs: now, parameters: TYPICAL_JAR }
const jar = (more: Partial<Jar> = {}) =>
  ({
    id: '00000000-0000-4000-8000-000000000003',
    name: 'Juno',
    culture: 'white wheat',
    flour: 'white wheat',
    feed: [{ ingredientId: 'white wheat', share: 1 }],
    hydration: 1,
    grams: 90,
    keepMinimumGrams: 15,
    placeId: counter,
    line: {
      startedAtMs: now - 10 * millisecondsInHour,
      flours: { 'white wheat': 40 },
      waterGrams: 40,
      saltGrams: 0,
      mixTempC: 22,
      stays: [{ fromMs: now - 10 * millisecondsInHour, tempC: 22 }],
      parents: [{ grams: 10, hydration: 1, flour: 'white wheat', line: null }]
    },
    ...more
  }) as Jar
const choices = (more: Partial<ProgramChoices> = {}): ProgramChoices => ({
  placeId: counter,
  culture: 'stiff',
  school: 'gather first',
  name: 'Ada',
  grams: 50,
  shape: 'flakes',
  feedFirst: false,
  hydration: null,
  steps: [OWN_STEP, { ...OWN_STEP, keepGrams: 40 }],
  awayDays: 14,
  way: waysToWait(jar(), counter, ground)[0] ?? null,
  whenMs: now + 3 * DAY,
  ...more
})
type JarKind = Exclude<ProgramKind, 'new culture'>
const kinds = PROGRAM_KINDS.filter((kind): kind is JarKind => kind !== 'new culture')
function programOf(kind: JarKind, of = jar(), more: Partial<ProgramChoices> = {}): Program {
  const proposed = proposeProgram(kind, of, choices(more), ground)
  if ('sentence' in proposed) throw new Error(proposed.sentence)
  return proposed.program
}
const sentence = (kind: JarKind, of = jar(), more: Partial<ProgramChoices> = {}) => {
  const proposed = proposeProgram(kind, of, choices(more), ground)
  return 'sentence' in proposed ? proposed.sentence : null
}
const grams = (deed: Deed | null | undefined) => (deed?.kind === 'feed' ? deed.flours.reduce((t, f) => t + f.grams, 0) : 0)

test.each(kinds)('%s: what is proposed can be sent, and every step says what to do', (kind) => {
  const dried = jar({ culture: 'dried', grams: 22 })
  const program = programOf(kind, kind === 'wake' ? dried : jar(), kind === 'grow' ? { grams: 400 } : {})
  expect(programSchema.safeParse(program).success).toBe(true)
  expect(program.kind).toBe(kind)
  expect(program.steps.length).toBeGreaterThanOrEqual(2)
  for (const step of program.steps) {
    expect(step.title.length).toBeGreaterThan(3)
    expect(step.what.length).toBeGreaterThan(5)
    expect(step.afterHours).toBeGreaterThanOrEqual(0)
  }
  expect(KIND_WORDS[kind].name.length).toBeGreaterThan(3)
})

test.each(CULTURES.filter((c) => c !== 'dried').flatMap((culture) => NEW_CULTURE_SCHOOLS.map((school) => [culture, school] as const)))(
  'a new culture of %s, %s, can be sent',
  (culture, school) => {
    expect(programSchema.safeParse(proposeNewCulture({ culture, school })).success).toBe(true)
  }
)

test('a jar with little in it keeps no more than there is', () => {
  const little = jar({ grams: 8 })
  for (const kind of ['change', 'strengthen', 'gift', 'dry'] as const) {
    const [first] = programOf(kind, little).steps
    expect(first?.deed?.kind === 'feed' ? first.deed.keepGrams : null).toBe(8)
  }
})

test('for a friend: fed so that 50 g can go and 15 stay', () => {
  const [feed] = programOf('gift').steps
  if (feed?.deed?.kind !== 'feed') throw new Error('no feed')
  const there = (feed.deed.keepGrams ?? 0) + grams(feed.deed) + feed.deed.waterGrams
  expect(there).toBeGreaterThanOrEqual(65)
  expect(there).toBeLessThan(75)
})

test('what cannot be is told in a sentence', () => {
  expect(sentence('gift', jar(), { name: ' ' })).toBe('For whom is it?')
  expect(sentence('change', jar(), { culture: 'gluten-free' })).toMatch(/never becomes gluten-free/)
  expect(sentence('change', jar({ culture: 'gluten-free', flour: 'gluten-free' }), { culture: 'rye' })).toMatch(/kept free of gluten/)
  expect(sentence('strengthen', jar(), { whenMs: now + 2 * millisecondsInHour })).toMatch(/too soon for three feeds there\. From Sat|From Fri/)
  expect(sentence('grow', jar(), { grams: 60 })).toMatch(/enough already: 90/)
  expect(sentence('grow', jar({ grams: 0 }))).toMatch(/nothing in the jar/)
  expect(sentence('dry', jar({ grams: 0 }))).toMatch(/nothing in the jar/)
  expect(sentence('wake', jar({ culture: 'dried', grams: 1 }))).toMatch(/too little/)
  expect(sentence('own', jar(), { steps: [] })).toBe('Add a step.')
  expect(sentence('absence', jar(), { way: null })).toBe('Choose how it waits.')
})

test('woken, it has the name that was given, or that of the jar it came from', () => {
  const dried = jar({ name: 'Juno, dried', culture: 'dried', grams: 30 })
  const name = (given: string) => {
    const [first] = programOf('wake', dried, { name: given }).steps
    return first?.deed?.kind === 'wake' ? first.deed.name : null
  }
  expect(name('Juno II')).toBe('Juno II')
  expect(name(' ')).toBe('Juno, woken')
})

test('ways to wait are in the cold and at the coolest place, the longest first', () => {
  const ways = waysToWait(jar(), counter, ground)
  expect(new Set(ways.map((w) => w.placeId))).toEqual(new Set([fridge]))
  const lasts = ways.map((w) => w.lastsDays)
  expect(lasts).toEqual([...lasts].sort((a, b) => b - a))
})

test('a step’s grams in words', () => {
  const deed: Deed = { kind: 'feed', keepGrams: null, flours: [{ ingredientId: 'rye', grams: 30 }], waterGrams: 36 }
  const plain = (words: string) => words.replace(/\s+/g, ' ')
  expect(plain(deedWords(deed, pantry, format))).toBe('keep all of it, 30 g wholegrain rye flour, 36 g water')
  expect(plain(deedWords({ ...deed, keepGrams: 20 }, pantry, format))).toMatch(/^keep 20 g, /)
  expect(plain(deedWords({ kind: 'take', grams: 40, name: 'X', dried: true }, pantry, format))).toBe('40 g out of the jar')
  expect(plain(deedWords({ kind: 'wake', grams: 10, name: 'X', flours: deed.flours, waterGrams: 20 }, pantry, format))).toBe(
    '10 g flakes, 30 g wholegrain rye flour, 20 g water'
  )
  expect(deedWords(null, pantry, format)).toBe('')
  expect(deedWords({ kind: 'weigh' }, pantry, format)).toBe('')
})
