import { millisecondsInHour } from 'date-fns/constants'
import { DAY_BUILD } from '../testing/builds'
import { dragBuild } from './dragBuild'
import { buildFrom, type PlannedBuild } from './planBuild'

const start = Date.UTC(2026, 10, 26, 8)
const build: PlannedBuild = { ...DAY_BUILD, moves: [{ afterHours: 5, tempC: 18 }] }
const first = buildFrom(build, start, 'dome')
const hours = first.ok ? first.value.fitHours : 0
const held = { build, startMs: start, mixAtMs: start + hours * millisecondsInHour }
const minutes = (a: number, b: number) => Math.abs(a - b) / 60_000

test('the top later: the start follows by as much, when it answers', () => {
  const dragged = dragBuild(held, 'ripe', held.mixAtMs + 2 * millisecondsInHour, 'start', 'dome')
  expect(minutes(dragged?.startMs ?? 0, start + 2 * millisecondsInHour)).toBeLessThan(1)
  expect(dragged?.stuck).toBeNull()
})

test('the top later: the ratio grows and the start stays, when the ratio answers', () => {
  const dragged = dragBuild(held, 'ripe', held.mixAtMs + millisecondsInHour, 'ratio', 'dome')
  expect(dragged?.startMs).toBe(start)
  expect(minutes(dragged?.mixAtMs ?? 0, held.mixAtMs + millisecondsInHour)).toBeLessThan(1)
  const by = dragged?.build.levain.by
  expect(by?.kind === 'ratio' && by.flourPerSeed).toBeGreaterThan(6)
})

test('the start later: the ripe moment follows, or the ratio keeps it', () => {
  const follows = dragBuild(held, 'start', start + millisecondsInHour, 'start', 'dome')
  expect(minutes(follows?.mixAtMs ?? 0, held.mixAtMs + millisecondsInHour)).toBeLessThan(1)
  const keeps = dragBuild(held, 'start', start + millisecondsInHour, 'ratio', 'dome')
  expect(minutes(keeps?.mixAtMs ?? 0, held.mixAtMs)).toBeLessThan(1)
  const by = keeps?.build.levain.by
  expect(by?.kind === 'ratio' && by.flourPerSeed).toBeLessThan(5)
})

test('into the cool corner an hour sooner: ripe later', () => {
  const dragged = dragBuild(held, { move: 0 }, start + 4 * millisecondsInHour, 'start', 'dome')
  expect(dragged?.build.moves?.[0]?.afterHours).toBeCloseTo(4, 9)
  expect(dragged?.mixAtMs ?? 0).toBeGreaterThan(held.mixAtMs)
})

test('a move cannot be dragged before the start', () => {
  expect(dragBuild(held, { move: 0 }, start - 3 * millisecondsInHour, 'start', 'dome')?.build.moves?.[0]?.afterHours).toBe(0)
})

test('the top dragged too near: it stays where the smallest ratio has it, and says why', () => {
  const dragged = dragBuild(held, 'ripe', start + millisecondsInHour, 'ratio', 'dome')
  expect(dragged?.stuck).toBe('ripe too late')
  expect(dragged?.mixAtMs ?? 0).toBeGreaterThan(start + millisecondsInHour)
})
