import type { BakeProblem } from '../core'
import { problemSentence } from './problems'

test.each([
  ['levain wetter than dough', { levainHydration: 2.5, hydration: 0.3 }, /250 %.*30 %/],
  ['seed too wet', { leastFlourPerSeed: 1.11 }, /1\.2 parts of flour/],
  ['never ripe', { tempC: 4 }, /4 °C.*warmer/],
  ['dough mass', {}, /give it a size/]
] as [BakeProblem, Record<string, number>, RegExp][])('%s has a sentence with its figures', (code, values, pattern) => {
  expect(problemSentence({ code, values })).toMatch(pattern)
})
