import { UNKNOWN_JAR } from '../core'
import { jarSentence, knownSentence } from './jar'

const trait = (factor: number, doubt = 0.02) => ({ factor, low: factor * (1 - doubt), high: factor * (1 + doubt) })
const typical = { peakTime: trait(1), height: trait(1), cold: trait(1), waking: trait(1) }

test('a jar in words', () => {
  expect(jarSentence('Juno', { ...typical, peakTime: trait(0.8), cold: trait(1.3) })).toBe('Juno peaks 20 % sooner than a typical jar; slow in the cold.')
  expect(jarSentence('Keel', { ...typical, peakTime: trait(1.12), height: trait(0.7) })).toBe('Keel peaks 12 % later than a typical jar; stays 30 % lower.')
  expect(jarSentence('Moth', typical)).toBe('Moth peaks when a typical jar does.')
})

test('what is not sure is said with doubt', () => {
  expect(jarSentence('Juno', { ...typical, peakTime: trait(0.9, 0.3) })).toBe('Juno perhaps peaks 10 % sooner than a typical jar.')
})

test('how much is known', () => {
  const learned = { kind: 'learned' as const, since: null }
  expect(knownSentence({ name: 'Juno', pace: learned }, UNKNOWN_JAR)).toMatch(/does not know Juno yet/)
  const sharp = { ...UNKNOWN_JAR, covariance: UNKNOWN_JAR.covariance.map((row) => row.map((x) => x / 25)) }
  expect(knownSentence({ name: 'Juno', pace: learned }, sharp)).toBe('From what Juno did before.')
  expect(knownSentence({ name: 'Juno', pace: { kind: 'pinned', parameters: UNKNOWN_JAR.centre } }, sharp)).toMatch(/pinned/)
})
