import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { stepsOf, windowOf } from '../../core'
import { BAKE, culturesWith, NOW, PLAN, STOCKED } from '../../testing/plannedBake'
import { dayOfBake } from '../bake/dayOfBake'
import { solvePlan } from '../bake/solvePlan'
import { bakeOf } from '../fromWire'
import { awakeAt } from '../kitchen/awakeAt'
import { feedForMix } from './feedForMix'

const cultures = culturesWith(3)
const jar = cultures.jars[0] as Jar
const SEED = 200
const asItIs = { ...PLAN, build: { ...PLAN.build, source: 'as it is' as const } }

test.each([10, 16, 22, 30, 40])('a feed makes a cold jar ready for a mix %i hours on, large enough, while its baker is up', (hours) => {
  const plan = { ...asItIs, mixAt: NOW + hours * millisecondsInHour }
  const feed = feedForMix(plan, jar, SEED, cultures, STOCKED, NOW)
  if (feed === null) throw new Error('There is none.')
  expect(feed.at).toBeGreaterThanOrEqual(NOW)
  expect(feed.at).toBeLessThan(plan.mixAt)
  expect(awakeAt(STOCKED.kitchen, feed.at)).toBe(feed.at)
  expect(feed.seedGrams).toBeLessThanOrEqual(jar.grams)
  const { seedGrams, flourGrams, waterGrams } = feed
  // What the dough takes and what has to stay; at the jar's own hydration.
  expect(seedGrams + flourGrams + waterGrams).toBeGreaterThanOrEqual(SEED + jar.keepMinimumGrams - 2)
  expect(waterGrams / flourGrams).toBeCloseTo(jar.hydration, 1)
  // With it, the mix is within the time at which the jar is at its best.
  const timed = solvePlan({ ...plan, before: [feed] }, cultures, STOCKED, NOW)?.build?.timed
  if (timed === undefined) throw new Error('It cannot be.')
  const { opensHours, closesHours } = windowOf(timed.milestones, plan.school)
  const mixHours = (plan.mixAt - feed.at) / millisecondsInHour
  expect(mixHours).toBeGreaterThan(opensHours ?? NaN)
  expect(mixHours).toBeLessThan(closesHours ?? NaN)
})

test('the last 20 g of a jar make 220 and 20 again, and the feed waits until somebody is up', () => {
  const flours = [{ ingredientId: 'white wheat', grams: 110 }]
  // As the ledger has it to the milligram: a hair below 100 %.
  const empty = { ...jar, grams: 20, hydration: 0.9999, lastFeed: { at: NOW, keepGrams: 20, flours, waterGrams: 110, everyHours: 24 } } as Jar
  // 1:5.5 is open ten hours and ten minutes after its feed, and best after twelve: before 17:10 one would have to get up for it.
  const feeds = [23.5, 24, 24.5, 25, 25.5].map((hours) =>
    feedForMix({ ...asItIs, mixAt: NOW + hours * millisecondsInHour }, empty, 220, cultures, STOCKED, NOW)
  )
  for (const feed of feeds) {
    if (feed === null) throw new Error('There is none.')
    expect(awakeAt(STOCKED.kitchen, feed.at)).toBe(feed.at)
    expect(feed.seedGrams + feed.flourGrams + feed.waterGrams).toBeGreaterThanOrEqual(239)
  }
  // 1:5.5, as it is used to.
  expect(feeds.filter((feed) => feed?.flourGrams === 110).length).toBeGreaterThan(3)
})

test('no feed can make it ready within the hour', () => {
  expect(feedForMix({ ...asItIs, mixAt: NOW + millisecondsInHour }, jar, SEED, cultures, STOCKED, NOW)).toBeNull()
})

test('the day of such a bake goes from its feed to the dough, with no levain to build', () => {
  const plan = { ...asItIs, mixAt: NOW + 16 * millisecondsInHour }
  const feed = feedForMix(plan, jar, SEED, cultures, STOCKED, NOW)
  if (feed === null) throw new Error('There is none.')
  const bake = bakeOf({ ...BAKE, plan: { ...plan, before: [feed] } })
  const solved = solvePlan(bake.plan, cultures, STOCKED, NOW)
  const day = dayOfBake(bake, { solved, verdict: null }, STOCKED, cultures, NOW)
  expect(
    stepsOf(day.facts, NOW)
      .map((s) => s.kind)
      .slice(0, 2)
  ).toEqual(['wake', 'autolyse'])
  expect(day.beginsMs).toBe(feed.at)
  expect(day.mixMs).toBe(plan.mixAt)
})
