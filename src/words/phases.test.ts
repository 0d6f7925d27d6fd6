import { millisecondsInHour } from 'date-fns/constants'
import { createFormat, type Verdict, type Warning } from '../core'
import { adviceSentence, fromNow, near } from './phases'
import { possessive } from './steps'
import { tellWarning } from './warnings'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const plain = (words: string) => words.replace(/\s/g, ' ')
const band = Date.UTC(2026, 10, 27, 0, 2)

const range = { p05: 6, p25: 6.5, p50: 7, p75: 7.5, p95: 8 }
const verdict = (advice: Verdict['advice'], fitNow = 0.84): Verdict => ({
  phase: 'peak',
  probability: 0.9,
  phases: { lag: 0, climbing: 0, young: 0, peak: 0.9, easing: 0.1, collapsed: 0 },
  fitNow,
  holds: true,
  forecast: { gridHours: [], gas: { p05: [], p25: [], p50: [], p75: [], p95: [] }, opens: range, peak: range, closes: range, fit: [] },
  advice
})

const up = (ms: number) => ms

test.each([
  [{ kind: 'mix now', closesHours: 9 }, 'Mix now: 84 % chance that it is ready. It stays ready until about Fri 09:00.'],
  [{ kind: 'wait', opensHours: 7, lookAgainHours: 6 }, 'Wait: it should be ready from about Fri 07:00. Look again at Fri 06:00.'],
  [{ kind: 'feed again' }, 'It has collapsed: keep some of it, feed it again, and mix with the next one.']
] as const)('advice %j is one plain sentence or two', (advice, words) => {
  expect(plain(adviceSentence(verdict(advice), band, format, up))).toBe(words)
})

test('nobody is told to look in the night', () => {
  const night = (ms: number) => Math.max(ms, Date.UTC(2026, 10, 27, 6, 30))
  expect(plain(adviceSentence(verdict({ kind: 'wait', opensHours: 7, lookAgainHours: 4.8 }), band, format, night))).toBe(
    'Wait: it should be ready from about Fri 07:00. Look again at Fri 06:30.'
  )
})

test('a window without a known end promises none', () => {
  expect(adviceSentence(verdict({ kind: 'mix now', closesHours: Number.POSITIVE_INFINITY }), band, format, up)).not.toContain('until')
})

test('from now', () => {
  const now = Date.UTC(2026, 10, 27, 8)
  expect(plain(fromNow(now + 2.75 * millisecondsInHour, now, format))).toBe('in 2 h 45 min')
  expect(plain(fromNow(now - 12 * 60_000, now, format))).toBe('12 min ago')
  expect(fromNow(now + 5000, now, format)).toBe('now')
})

test('times of a forecast are told to five minutes', () => {
  expect(near(Date.UTC(2026, 10, 27, 8, 12, 40))).toBe(Date.UTC(2026, 10, 27, 8, 15))
})

test('names own things', () => {
  expect(possessive('Juno')).toBe('Juno’s')
  expect(possessive('Bas')).toBe('Bas’')
})

describe('warnings say what, why and the way out', () => {
  const tell = (warning: Warning) => tellWarning(warning, 'Juno', format)
  test('salt three times over names the likely slip', () => {
    expect(plain(tell({ code: 'salt unusual', share: 0.063, slip: { kind: 'three times over', meant: 2.1 } }).words)).toBe(
      '6.3 % salt looks like 2.1 % three times over. Is it meant?'
    )
  })
  test('a jar too small names both masses and two ways out', () => {
    const { words, tone } = tell({ code: 'jar too small', seedGrams: 58, spareGrams: 45 })
    expect(plain(words)).toContain('58 g of starter are needed, and Juno can spare 45 g')
    expect(words).toMatch(/Feed it first, or take a higher ratio/)
    expect(tone).toBe('stop')
  })
  test('gluten into a gluten-free jar stops, and claims nothing about health', () => {
    const { tone, words } = tell({ code: 'gluten into gluten-free' })
    expect(tone).toBe('stop')
    expect(words).not.toMatch(/safe|healthy|coeliac/i)
  })
  test('a start in the night carries its other ratios along', () => {
    const others = [{ flourPerSeed: 8, startMs: band, ratio: '1:8:8', seedGrams: 12 }]
    expect(tell({ code: 'start in the night', startMs: band, others }).others).toEqual(others)
  })
})
