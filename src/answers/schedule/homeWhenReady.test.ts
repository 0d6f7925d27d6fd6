import type { Busy } from '../../core'
import { homeWhenReady } from './homeWhenReady'

const at = (hour: number, minute = 0) => Date.UTC(2026, 10, 27, hour, minute)
const night: Busy = { kind: 'asleep', name: 'asleep', fromMs: at(22), toMs: at(31) }
const window = (from: number, to: number) => ({ fromMs: at(from), toMs: at(to) })

test.each<[string, { readonly fromMs: number; readonly toMs: number }, number, readonly Busy[], number | null]>([
  ['the middle of its window', window(15, 20), 6, [night], at(17, 30)],
  // Ripe 20:00 to 26:00, the middle is 23:00: the last moment before bed.
  ['before bed, where the middle is asleep', window(20, 26), 6, [night], at(21, 55)],
  ['once the night is over', window(26, 33), 6, [night], at(31)],
  ['now, where half of it is over', window(15, 20), 19, [night], at(19)],
  ['never, where it is over', window(15, 20), 20.5, [night], null],
  ['never, where somebody sleeps through it', window(23, 30), 6, [night], null],
  ['whatever somebody would rather not', window(15, 20), 6, [{ kind: 'rather not', name: 'supper', fromMs: at(14), toMs: at(21) }], at(17, 30)]
])('a starter that ripens anyway is mixed at %s', (_, ripe, now, busy, wanted) => {
  expect(homeWhenReady(ripe, busy, at(Math.floor(now), (now % 1) * 60))).toBe(wanted)
})
