import { drawForecast } from '../ferment/forecast'
import { TYPICAL_JAR, UNKNOWN_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { whiteVessel } from '../testing/builds'
import { reasonsOf } from './reasons'

const vessel = whiteVessel(23)
const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: 30 })
const { milestones } = simulate(vessel, TYPICAL_JAR, { untilHours: 48 })
const peak = milestones.peakHours ?? 0
const past = (milestones.closesHours ?? 0) + 0.5

test('what each look said: the film above the level carries "past the top", the smell of flour spoke against it', () => {
  const { said } = reasonsOf(draws, [{ hours: past, signs: { smear: 'yes', bubbles: 'many' } }], past, 'wheat')
  const film = said.find((s) => s.of === 'smear')
  const bubbles = said.find((s) => s.of === 'bubbles')
  expect(said[0]).toBe(film)
  const moved = (s: typeof film) => Math.abs((s?.without ?? 0) - (film?.without ?? 0))
  expect(moved(bubbles)).toBeGreaterThan(0)
})

test('each thing that was seen is told once, levels among them', () => {
  const marks = [
    { hours: 4, rise: 1.6, signs: { top: 'domed' as const } },
    { hours: 6, rise: 2.1 }
  ]
  const { said } = reasonsOf(draws, marks, 6, 'wheat')
  expect(said.map((s) => `${s.mark} ${s.of}`).sort()).toEqual(['0 level', '0 top', '1 level'])
})

test('around the turn nothing tells more than the film on the glass, or the top; what was just looked at is not asked for again', () => {
  const close = milestones.closesHours ?? 0
  const { next } = reasonsOf(draws, [], close, 'wheat')
  expect(['smear', 'level', 'top']).toContain(next[0]?.of)
  const first = next[0]?.of
  const seen = reasonsOf(
    draws,
    [{ hours: close, rise: first === 'level' ? 2.6 : undefined, signs: { smear: first === 'smear' ? 'no' : undefined } }],
    close,
    'wheat'
  )
  expect(seen.next.map((n) => n.of)).not.toContain(first)
})

test('a spoon in water is a better adviser for a white levain than for rye', () => {
  const bits = (manner: 'wheat' | 'rye') => reasonsOf(draws, [], 0.6 * peak, manner).next.find((n) => n.of === 'spoon')?.bits ?? 0
  expect(bits('wheat')).toBeGreaterThan(3 * bits('rye'))
})
