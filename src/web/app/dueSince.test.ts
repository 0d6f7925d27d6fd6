import { millisecondsInMinute } from 'date-fns/constants'
import { type Due, dueSince } from './dueSince'

const now = Date.UTC(2026, 10, 27, 8)
const due = (key: string, minutes: number, kind: Due['kind'] = 'mix'): Due => ({ key, kind, title: key, atMs: now + minutes * millisecondsInMinute })

test('what became due since the last tick is rung for once', () => {
  const steps = [due('build', -30), due('mix', 0), due('shape', 20)]
  expect(dueSince(steps, now - 5000, now).now.map((d) => d.key)).toEqual(['mix'])
  expect(dueSince(steps, now, now + 5000).now).toEqual([])
})

test('after a night with the lid closed, what was missed is told instead', () => {
  const { now: rung, away } = dueSince([due('mix', -300), due('shape', -20), due('bake', 60)], now - 480 * millisecondsInMinute, now)
  expect(rung).toEqual([])
  expect(away.map((d) => d.key)).toEqual(['mix', 'shape'])
})

test('the badge counts what is overdue; bread that has cooled calls nobody', () => {
  expect(dueSince([due('mix', -10), due('eat', -5, 'eat'), due('weigh', -2, 'finish weighing'), due('bake', 5)], now, now).overdue).toBe(1)
})

test('what somebody else calls for is counted and not called; a window is called and not counted', () => {
  const told = dueSince(
    [
      { key: 'a mix', kind: 'mix', title: 'Mix', atMs: 900, quiet: true },
      { key: 'a window opens', kind: 'window', title: 'The levain may be fit', atMs: 950 }
    ],
    800,
    1000
  )
  expect(told.now.map((d) => d.key)).toEqual(['a window opens'])
  expect(told.overdue).toBe(1)
})
