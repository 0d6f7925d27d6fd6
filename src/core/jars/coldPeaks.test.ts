import { millisecondsInDay } from 'date-fns/constants'
import { coldFeed, coldJarErrors } from '../testing/coldJar'
import { coldPeaks } from './coldPeaks'

test('days to the peak are those of the highest level seen, once a lower one follows', () => {
  const line = coldFeed(5)
  const marks = (...levels: [days: number, rise: number][]) => levels.map(([days, rise]) => ({ atMs: line.startedAtMs + days * millisecondsInDay, rise }))
  expect(coldPeaks([{ line, marks: marks([1, 1.3], [4, 2.4], [5, 2.6], [7, 2.1]) }])).toEqual([{ ratio: 5, days: 5 }])
  // Still climbing: nothing is known of its top
  expect(coldPeaks([{ line, marks: marks([1, 1.3], [4, 2.4]) }])).toEqual([])
  // A worktop says nothing of the cold
  expect(coldPeaks([{ line: { ...line, stays: [{ fromMs: line.startedAtMs, tempC: 22 }] }, marks: marks([0.3, 2.4], [0.6, 2]) }])).toEqual([])
})

// Of a hundred such jars npm run bench -- jars prints the median.
test('after four cycles in the cold the days to the peak are foretold better than before, the middle of nine jars within a fifth', () => {
  const errors = Array.from({ length: 9 }, (_, i) => coldJarErrors(3001 + i))
  const middle = (values: number[]) => values.sort((a, b) => a - b)[4] as number
  const [before, after] = [middle(errors.map((e) => e.before)), middle(errors.map((e) => e.after))]
  expect(after).toBeLessThan(0.2)
  expect(after).toBeLessThan(before)
})
