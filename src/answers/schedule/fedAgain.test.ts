import { millisecondsInHour } from 'date-fns/constants'
import type { Plan } from '../../contract'
import type { FedWay } from '../../core'
import { BAKE, culturesWith, PLAN, STOCKED } from '../../testing/plannedBake'
import { fedAgainPlan, feedsTold, nextStage, sameAgain } from './fedAgain'
import { planAgain } from './newPlan'

const NOW = Date.UTC(2026, 10, 27, 15)
const hours = (n: number) => NOW + n * millisecondsInHour
const state = {
  ...BAKE.state,
  poured: { ...BAKE.state.poured, seed: 24, water: 120, flour: 122 },
  band: { id: 'band', atMs: hours(-17), mixTempC: 24 },
  moves: [{ id: 'moved', atMs: hours(-3), placeId: 'fridge', tempC: 4 }]
}
const feed = (flourPerSeed: number, ripe: number, closes: number): FedWay => ({
  flourPerSeed,
  ripeMs: hours(ripe),
  closesMs: hours(closes),
  line: { startedAtMs: NOW } as FedWay['line']
})
/** Asleep from 23 to 7. */
const awake = (ms: number) => {
  const hour = (ms / millisecondsInHour) % 24
  return hour >= 23 ? ms + (31 - hour) * millisecondsInHour : hour < 7 ? ms + (7 - hour) * millisecondsInHour : ms
}

test('the plan of a levain that is fed again: what stands there is a first build, and the next begins now, where it stands', () => {
  const plan = fedAgainPlan({ ...PLAN, pins: ['mix'] }, state, { stage: 'fed again', flourPerSeed: 2, atMs: NOW, mixAtMs: hours(8) })
  expect(plan.before).toEqual([
    { id: 'fed again', kind: 'first build', at: hours(-17), seedGrams: 24, flourGrams: 122, waterGrams: 120, placeId: PLAN.placeId, tempC: PLAN.tempC }
  ])
  expect(plan.build).toMatchObject({ source: 'separate build', by: { kind: 'ratio', flourPerSeed: 2 }, keepBackGrams: PLAN.build.keepBackGrams })
  expect(plan).toMatchObject({ startAt: NOW, mixAt: hours(8), placeId: 'fridge', tempC: 4, moves: [], pins: [], bread: null })
  expect(plan.formula).toBe(PLAN.formula)
})

test('each levain that is fed again has a name of its own; the same bake another day does not begin with it', () => {
  expect(nextStage(state)).toBe('fed again')
  const deeds = new Map([['fed again', { id: 'x', atMs: hours(-17), did: 'done' as const }]])
  expect(nextStage({ deeds })).toBe('fed again 2')
  const once = fedAgainPlan(PLAN, state, { stage: 'fed again', flourPerSeed: 2, atMs: NOW, mixAtMs: hours(8) })
  // Once more: the plan has no more stages than before.
  expect(fedAgainPlan(once, state, { stage: 'fed again 2', flourPerSeed: 2, atMs: NOW, mixAtMs: hours(8) }).before.map(({ id }) => id)).toEqual(['fed again 2'])
  const again: Plan = planAgain({ plan: once }, 'week', culturesWith(3), STOCKED, NOW)
  expect(again.before).toEqual([])
})

test('told are the soonest feed, the soonest that is ripe while the baker is up, and the one nearest to the planned mix', () => {
  // Ripe at 22, 0:00, 1:00, 3:00, 5:25 and 8:00; each stays ready for two to four hours.
  const all = [feed(1, 7, 9), feed(2, 9, 11), feed(3, 10, 12), feed(5, 12, 15), feed(8, 14.4, 18), feed(12, 17, 21)]
  const ratios = (feeds: readonly FedWay[], planned: number) =>
    feedsTold(feeds, hours(planned), awake).map(({ flourPerSeed, mixAtMs }) => [flourPerSeed, mixAtMs])
  expect(ratios(all, 17.5)).toEqual([
    [1, hours(7)],
    [12, hours(17)]
  ])
  // Planned for a time no feed comes near to.
  expect(ratios(all, 30)).toEqual([[1, hours(7)]])
  // In the night nobody mixes: the soonest is told, and the first that is still ready in the morning.
  expect(ratios(all.slice(1), 30)).toEqual([
    [2, null],
    [8, hours(16)]
  ])
  expect(feedsTold([], NOW, awake)).toEqual([])
})

test('a jar fed again holds as much as before: 248 g at 110 % by 1:1 and by 1:12', () => {
  // 248 ÷ (1 + 1 + 1.1) = 80; 248 ÷ (1 + 12 + 13.2) = 9.47, which is 9 and 108 and 119.
  expect(sameAgain(248, { flourPerSeed: 1 }, 1.1)).toEqual({ keepGrams: 80, flourGrams: 80, waterGrams: 88 })
  expect(sameAgain(248, { flourPerSeed: 12 }, 1.1)).toEqual({ keepGrams: 9, flourGrams: 108, waterGrams: 119 })
})
