import type { Jar } from '../contract'
import { createFormat } from '../core'
import { jarFactWords, QUESTIONS } from './questions'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' }, () => Date.UTC(2026, 10, 27, 12))
const found = (typed: string) => QUESTIONS.filter(({ asks, words }) => `${asks} ${words}`.toLowerCase().includes(typed)).map(({ id }) => id)

test('each question is found by the words people use', () => {
  const looked: Readonly<Record<string, string>> = {
    hooch: 'hooch',
    sour: 'too-sour',
    flat: 'flat',
    mould: 'mould',
    mold: 'mould',
    protein: 'protein',
    'too much': 'too-much',
    discard: 'too-much',
    'how often': 'how-often',
    summer: 'summer',
    month: 'forgotten',
    slow: 'slow',
    help: 'begin',
    backup: 'backup'
  }
  for (const [typed, id] of Object.entries(looked)) expect(found(typed)).toContain(id)
  expect(new Set(QUESTIONS.map(({ id }) => id)).size).toBe(QUESTIONS.length)
})

test('mould has one answer, and nothing is said of health', () => {
  const mould = QUESTIONS.find(({ id }) => id === 'mould')
  expect(mould?.says).toHaveLength(1)
  expect(mould?.says[0]).toMatch(/^Throw all of it away; do not scoop\./)
  for (const { says } of QUESTIONS) expect(says.join(' ')).not.toMatch(/health|digest|gut\b|coeliac|celiac|allerg|cure/i)
})

test('a jar answers with what it was fed, where it stands, and what comes of that', () => {
  const facts = {
    jar: { name: 'Juno', line: { flours: { 'white wheat': 20 }, parents: [{ grams: 20 }] } } as unknown as Jar,
    fed: { seed: 20, flour: 20, water: 20 },
    fedMs: Date.UTC(2026, 10, 24, 18),
    tempC: 26,
    ripeHours: 4.1,
    hungryHours: 6.8,
    hungry: true
  }
  const plain = (words: string) => words.replace(/\s/g, ' ')
  expect(plain(jarFactWords(facts, format))).toBe(
    'Juno was fed 1:1:1 Tue 18:00, and stands at 26 °C: it is at its peak after about 4 h, and hungry after about 7 h. It is hungry now.'
  )
  // A cold one is told in days.
  expect(plain(jarFactWords({ ...facts, hungryHours: 205 }, format))).toContain('hungry after about 9 d')
  const split = { ...facts.jar, line: { flours: {}, parents: [{ grams: 20 }] } } as unknown as Jar
  expect(plain(jarFactWords({ ...facts, jar: split, fed: null, tempC: null, ripeHours: null, hungryHours: null, hungry: false }, format))).toBe(
    'Juno was split off Tue 18:00: it hardly rises, and does not get hungry within two months.'
  )
})
