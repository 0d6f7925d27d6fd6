import { millisecondsInHour } from 'date-fns/constants'
import { createFormat, type Warning } from '../core'
import { fromNow, near, spanWords } from './phases'
import { possessive } from './steps'
import { tellWarning } from './warnings'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const plain = (words: string) => words.replace(/\s/g, ' ')
test('from now', () => {
  const now = Date.UTC(2026, 10, 27, 8)
  expect(plain(fromNow(now + 2.75 * millisecondsInHour, now, format))).toBe('in 2 h 45 min')
  expect(plain(fromNow(now - 12 * 60_000, now, format))).toBe('12 min ago')
  expect(fromNow(now + 5000, now, format)).toBe('now')
})

test('times of a forecast are told to five minutes', () => {
  expect(near(Date.UTC(2026, 10, 27, 8, 12, 40))).toBe(Date.UTC(2026, 10, 27, 8, 15))
})

test('a span has its days where it is longer than a night', () => {
  const at = (hours: number) => Date.UTC(2026, 10, 27, 20, 34) + hours * millisecondsInHour
  expect(spanWords(at(0), at(2.8), format)).toBe('20:35 – 23:20')
  expect(spanWords(at(0), at(24), format)).toBe('Fri 20:35 – Sat 20:35')
  expect(spanWords(at(0), at(2.8), format, true)).toBe('Fri 20:35 – 23:20')
  expect(spanWords(at(0), Number.POSITIVE_INFINITY, format)).toBe('Fri 20:35 – later')
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
    const startMs = Date.UTC(2026, 10, 27, 0, 2)
    const others = [{ flourPerSeed: 8, startMs, ratio: '1:8:8', seedGrams: 12 }]
    expect(tell({ code: 'start in the night', startMs, others }).others).toEqual(others)
  })
})
