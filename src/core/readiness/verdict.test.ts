import { drawForecast, summarise } from '../ferment/forecast'
import { pinnedJar, TYPICAL_JAR, UNKNOWN_JAR } from '../ferment/jarParameters'
import { gasAt } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { whiteVessel } from '../testing/builds'
import type { CultureManner } from './likelihoods'
import type { Mark } from './marks'
import { phaseAt } from './phases'
import { judge, mannerOf } from './verdict'
import { weighDraws } from './weighLooks'

const vessel = whiteVessel(23)
const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: 30 })
const prior = summarise(draws, 'dome')
const wheat = 'wheat'
const { milestones } = simulate(vessel, TYPICAL_JAR, { untilHours: 48 })
const peak = milestones.peakHours ?? 0

/** Looks at a jar that runs `pace` times as fast as typical. */
function looks(pace: number, hours: readonly number[]): Mark[] {
  const { curve } = simulate(vessel, { ...TYPICAL_JAR, vigour: pace }, { untilHours: 48 })
  return hours.map((h) => ({ hours: h, rise: 1 + gasAt(curve, h) }))
}

test('phases along one hill', () => {
  const along = [0.5, 4, (milestones.doubledHours ?? 0) + 0.3, peak, (milestones.closesHours ?? 0) + 0.3, (milestones.collapsedHours ?? 0) + 1]
  const { curve } = simulate(vessel, TYPICAL_JAR, { untilHours: 48 })
  expect(along.map((h) => phaseAt(milestones, gasAt(curve, h), h))).toEqual(['lag', 'climbing', 'young', 'peak', 'easing', 'collapsed'])
})

test('without a look the judgement is the forecast', () => {
  const verdict = judge(draws, [], 1, 'dome', wheat)
  expect(verdict.phase).toBe('lag')
  expect(verdict.forecast.peak.p50).toBeCloseTo(prior.peak.p50, 6)
  expect(verdict.advice.kind).toBe('wait')
})

test('looks at a fast jar bring its peak forward and narrow it', () => {
  const marks = looks(1.35, [3, 4.5, 6])
  const verdict = judge(draws, marks, 6, 'dome', wheat)
  const fast = simulate(vessel, { ...TYPICAL_JAR, vigour: 1.35 }, { untilHours: 48 }).milestones.peakHours ?? 0
  expect(verdict.forecast.peak.p50).toBeLessThan(prior.peak.p50)
  expect(Math.abs(verdict.forecast.peak.p50 - fast)).toBeLessThan(Math.abs(prior.peak.p50 - fast))
  expect(verdict.forecast.peak.p95 - verdict.forecast.peak.p05).toBeLessThan(0.7 * (prior.peak.p95 - prior.peak.p05))
})

test('looks at a slow jar push it back', () => {
  const verdict = judge(draws, looks(0.7, [4, 6, 8]), 8, 'dome', wheat)
  expect(verdict.forecast.peak.p50).toBeGreaterThan(prior.peak.p50 + 0.5)
})

test('a full dome at the peak: mix now, with an end', () => {
  const { advice, phase, fitNow } = judge(
    draws,
    [...looks(1, [4, 6]), { hours: peak, rise: 1 + milestones.peakGas, signs: { top: 'flat', bubbles: 'many' } }],
    peak,
    'dome',
    wheat
  )
  expect(phase).toBe('peak')
  expect(fitNow).toBeGreaterThan(0.5)
  expect(advice.kind).toBe('mix now')
  if (advice.kind === 'mix now') expect(advice.closesHours).toBeGreaterThan(peak)
})

test('too early for the dome is just right for those who mix young', () => {
  const hours = ((milestones.doubledHours ?? 0) + (milestones.opensHours ?? 0)) / 2
  const marks = looks(1, [3, 5, hours])
  expect(judge(draws, marks, hours, 'dome', wheat).advice.kind).toBe('wait')
  expect(judge(draws, marks, hours, 'young', wheat).advice.kind).toBe('mix now')
})

test('sunken with a film above the level, long past: collapsed', () => {
  const { advice, phase } = judge(draws, [{ hours: 20, rise: 1.7, signs: { top: 'sunken', smear: 'yes', smell: 'vinegar' } }], 20, 'dome', wheat)
  expect(phase).toBe('collapsed')
  expect(advice).toEqual({ kind: 'past', how: 'collapsed' })
})

test('at the band after nine hours: it is not rising', () => {
  expect(judge(draws, [{ hours: 9, rise: 1.02 }], 9, 'dome', wheat).advice.kind).toBe('not rising')
  expect(judge(draws, [{ hours: 1, rise: 1.02 }], 1, 'dome', wheat).advice.kind).toBe('wait')
})

test('one misread line does not throw the judgement over', () => {
  const honest = looks(1, [3, 4.5, 6, 7])
  const slip: Mark = { hours: 5, rise: 6 }
  const with1 = judge(draws, [...honest, slip], 7, 'dome', wheat).forecast.peak.p50
  const without = judge(draws, honest, 7, 'dome', wheat).forecast.peak.p50
  expect(Math.abs(with1 - without)).toBeLessThan(1)
})

test('a spoon that sinks says much less of a rye than of a white one', () => {
  const sinking: Mark[] = [{ hours: 8, signs: { spoon: 'sinks' } }]
  const peakAfter = (marks: Mark[], manner: CultureManner) => {
    const weighed = weighDraws(draws, marks, manner)
    return summarise(weighed.draws, 'dome').peak.p50
  }
  const shift = (manner: CultureManner) => Math.abs(peakAfter(sinking, manner) - prior.peak.p50)
  expect(shift('rye')).toBeLessThan(shift('wheat'))
})

test('one that falls quickly is collapsed sooner than the forecast has it: the levels past the top say so', () => {
  const top = 1 + milestones.peakGas
  const falling = [
    { hours: peak, rise: top },
    { hours: peak + 1.7, rise: 1 + 0.85 * milestones.peakGas },
    { hours: peak + 2.7, rise: 1 + 0.74 * milestones.peakGas }
  ]
  // By the forecast it would be down to 80 % only after nearly four hours.
  expect((milestones.collapsedHours ?? 0) - peak).toBeGreaterThan(3.7)
  expect(judge(draws, falling, peak + 2.7, 'dome', wheat).phases.collapsed).toBeGreaterThan(0.5)
})

test('at its height, with a film above the level: one look does not make it ready, and three levels do', () => {
  const filmed: Mark = { hours: peak, rise: 1 + milestones.peakGas, signs: { smear: 'yes', bubbles: 'many', webbing: 'web' } }
  const bare: Mark = { ...filmed, signs: { smear: 'no', bubbles: 'many', webbing: 'web' } }
  expect(judge(draws, [bare], peak, 'dome', wheat).advice.kind).toBe('mix now')
  expect(judge(draws, [filmed], peak, 'dome', wheat).advice).toMatchObject({ kind: 'look', why: 'not sure' })
  expect(judge(draws, [...looks(1, [4, 6]), filmed], peak, 'dome', wheat).advice.kind).toBe('mix now')
})

test('sunken, a film on the glass, and far below what was read half an hour ago: it is believed against the forecast', () => {
  const early = [...looks(1, [4, 5.5]), { hours: 6, rise: 1.7, signs: { top: 'sunken' as const, smear: 'yes' as const } }]
  const { phase, advice, fitNow } = judge(draws, [...looks(1, [4]), { hours: 5.5, rise: 2.5 }, early.at(-1) as Mark], 6, 'dome', wheat)
  expect(phase).toBe('collapsed')
  expect(advice).toEqual({ kind: 'past', how: 'collapsed' })
  expect(fitNow).toBeLessThan(0.2)
  // One odd sign among others that fit is a slip, and changes little.
  const odd = judge(
    draws,
    [...looks(1, [4]), { hours: 5.5, rise: looks(1, [5.5])[0]?.rise, signs: { top: 'sunken', webbing: 'web', bubbles: 'many' } }],
    5.5,
    'dome',
    wheat
  )
  expect(odd.phases.collapsed).toBeLessThan(0.1)
})

test('far below what was read half an hour ago, and the baker says it is right: it has collapsed, at the next look, too', () => {
  const high: Mark = { hours: peak - 0.5, rise: 3.3 }
  const low: Mark = { hours: peak, rise: 1.3 }
  expect(judge(draws, [high, low], peak, 'dome', wheat).advice.kind).toBe('ask')
  const said: Mark = { ...low, explained: 'right' }
  expect(judge(draws, [high, said], peak, 'dome', wheat)).toMatchObject({ phase: 'collapsed', advice: { kind: 'past', how: 'collapsed' } })
  const later = judge(draws, [high, said, { hours: peak + 0.5, rise: 1.25 }], peak + 0.5, 'dome', wheat)
  expect(later.advice).toEqual({ kind: 'past', how: 'collapsed' })
  expect(later.fitNow).toBeLessThan(0.2)
})

test('read at a tenth and then at a twentieth in its first hours, it has not fallen: readings differ by so much', () => {
  const { phases } = judge(
    draws,
    [
      { hours: 0.5, rise: 1.1 },
      { hours: 1, rise: 1.04, signs: { top: 'flat' } }
    ],
    1,
    'dome',
    wheat
  )
  expect(phases.collapsed).toBeLessThan(0.05)
})

test.each([0.94, 0.9])('half risen and read at %d of the level before, it still climbs: two readings of one level are as far apart', (lower) => {
  const half = looks(1, [4.6])[0]?.rise ?? 0
  expect(half).toBeGreaterThan(1.7)
  const { phases, advice } = judge(draws, [...looks(1, [2.8]), { hours: 4.6, rise: half }, { hours: 5, rise: lower * half }], 5, 'dome', wheat)
  expect(phases.climbing + phases.young).toBeGreaterThan(0.8)
  expect(advice.kind).toBe('wait')
})

test('smooth, without bubbles or strands, yet more than doubled: it is past, not in its lag', () => {
  const hours = (milestones.collapsedHours ?? 0) + 2
  const old = { hours, rise: 2.3, signs: { surface: 'smooth', bubbles: 'few', webbing: 'none' } } as const
  const { phases } = judge(draws, [...looks(1, [6, peak]), old], hours, 'dome', wheat)
  expect(phases.lag + phases.climbing).toBeLessThan(0.03)
  expect(phases.collapsed).toBeGreaterThan(0.7)
})

test('36 min before a window that opens after fourteen hours it is ready; before one that opens after six it is not', () => {
  const kindBefore = (tempC: number, opens: readonly [number, number]) => {
    const room = whiteVessel(tempC)
    const { curve, milestones: m } = simulate(room, TYPICAL_JAR, { untilHours: 48 })
    expect(m.opensHours).toBeGreaterThan(opens[0])
    expect(m.opensHours).toBeLessThan(opens[1])
    const hours = (m.opensHours ?? 0) - 0.6
    const look = { hours, rise: 1 + gasAt(curve, hours) }
    const known = drawForecast(room, pinnedJar(TYPICAL_JAR), { untilHours: 40, roomSdC: 0 })
    return judge(known, [look], hours, 'dome', wheat).advice.kind
  }
  expect(kindBefore(16, [14, 15])).toBe('mix now')
  expect(kindBefore(28, [5.5, 6.5])).toBe('wait')
})

test('however sure the marks are some doubt stays', () => {
  const { peak } = summarise(weighDraws(draws, looks(1.9, [3, 4, 5, 6, 7, 8]), wheat).draws, 'dome')
  expect(peak.p75).toBeGreaterThan(1.01 * peak.p25)
})

test('who looks does so when it should be ready: it is called at its peak a little before that is the likeliest', () => {
  const hours = Array.from({ length: 60 }, (_, i) => 5 + i / 12).find((h) => judge(draws, [], h, 'dome', wheat).phase === 'peak') ?? 0
  const { phases } = judge(draws, [], hours, 'dome', wheat)
  expect(phases.peak).toBeLessThan(phases.young)
  expect(phases.peak).toBeGreaterThan(0.5 * phases.young)
})

test('probabilities of the phases sum to one', () => {
  const { phases } = judge(draws, looks(1, [5]), 7, 'dome', wheat)
  expect(Object.values(phases).reduce((a, b) => a + b)).toBeCloseTo(1, 9)
})

describe('by which measure a culture is judged', () => {
  const line = (flours: Record<string, number>, waterGrams: number) => ({
    startedAtMs: 0,
    flours,
    waterGrams,
    saltGrams: 0,
    mixTempC: 22,
    stays: [{ fromMs: 0, tempC: 22 }],
    parents: []
  })
  test.each([
    ['white at 100 %', { 'white wheat': 100 }, 100, 'wheat'],
    ['white at 150 %', { 'white wheat': 100 }, 150, 'whole or wet'],
    ['white at 50 %', { 'white wheat': 100 }, 50, 'stiff'],
    ['mostly rye', { 'white wheat': 40, rye: 60 }, 100, 'rye'],
    ['half wholegrain', { 'white wheat': 50, 'wholegrain wheat': 50 }, 100, 'whole or wet'],
    ['gluten-free', { 'gluten-free': 100 }, 110, 'gluten-free']
  ])('%s', (_, flours, water, manner) => {
    expect(mannerOf(line(flours, water))).toEqual(manner)
  })
})
