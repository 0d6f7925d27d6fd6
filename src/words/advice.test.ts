import type { AdviceNow } from '../answers'
import { type Advice, createFormat } from '../core'
import { adviceSentence, mixTitle } from './advice'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const plain = (words: string) => words.replace(/\s/g, ' ')
const start = Date.UTC(2026, 10, 27, 0, 2)
const told = (advice: Advice, lookMs: number | null = null): AdviceNow => ({ advice, headline: 'peak', probability: 0.9, lookMs, window: null, fitNow: 0.84 })
const level = (look: number, hours: number, rise: number) => ({ look, hours, rise })

test.each([
  [{ kind: 'mix now', closesHours: 9 }, 'Mix now: 84 % chance that it is ready. It stays ready until about Fri 09:00.'],
  [{ kind: 'wait', opensHours: 7, lookAgainHours: 6 }, 'Wait: it should be ready from about Fri 07:00. Look again at Fri 06:30.'],
  [{ kind: 'past', how: 'collapsed' }, 'It has collapsed: keep some of it, feed it again, and mix with the next one.'],
  [
    { kind: 'look', why: 'should be ready', closesHours: 9, pastNow: 0.1 },
    'It should be ready: 84 % chance. Look first: at the level, the top, and the glass above the level. It stays ready until about Fri 09:00.'
  ],
  [
    { kind: 'look', why: 'may be past', closesHours: 9, pastNow: 0.7 },
    'It may be past its best: 70 % chance. Look first: a sunken top, or a film on the glass above the level, shows that it has fallen.'
  ],
  [
    { kind: 'ask', about: { kind: 'fell', last: level(1, 6, 1.4), earlier: level(0, 5.5, 2.4), expected: 2.4, believed: false } },
    '×1.4 is much lower than the ×2.4 you saw at 05:32. Did you type it right?'
  ],
  [
    { kind: 'ask', about: { kind: 'leapt', last: level(0, 3, 6), earlier: null, expected: 2.1, believed: false } },
    '×6.0 is higher than it can be by now: at most about ×2.1 was expected. Did you type it right?'
  ]
] as const satisfies readonly (readonly [Advice, string])[])('advice %j is one plain sentence or two', (advice, words) => {
  expect(plain(adviceSentence(told(advice, Date.UTC(2026, 10, 27, 6, 30)), start, format))).toBe(words)
})

test('what is less likely than not is not told as a fact', () => {
  const collapsed = (probability: number) =>
    plain(adviceSentence({ ...told({ kind: 'past', how: 'collapsed' }), headline: 'collapsed', probability }, start, format))
  expect(collapsed(0.38)).toMatch(/^It has probably collapsed: keep some of it/)
  expect(collapsed(0.91)).toMatch(/^It has collapsed: keep some of it/)
})

test('a window without a known end promises none', () => {
  expect(adviceSentence(told({ kind: 'mix now', closesHours: Number.POSITIVE_INFINITY }), start, format)).not.toContain('until')
})

test('mixing is called "Mix now" only where that is the advice', () => {
  expect(mixTitle(told({ kind: 'mix now', closesHours: 9 }))).toBe('Mix now')
  for (const why of ['should be ready', 'may be past', 'not sure'] as const)
    expect(mixTitle(told({ kind: 'look', why, closesHours: 9, pastNow: 0.2 }))).toBe('If you mix it now')
  expect(mixTitle(told({ kind: 'past', how: 'past its best' }))).toBe('Mix it past its best')
})
