import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { conditionOf } from '../../core'
import { culturesWith, KITCHEN, NOW } from '../../testing/plannedBake'
import { jarFacts } from './jarFacts'

test('the facts of a jar are those of its feed and its place', () => {
  const jar = { ...(culturesWith(3).jars[0] as Jar), placeId: 'room', stays: [{ placeId: 'room', from: NOW - 80 * millisecondsInHour }] }
  const condition = conditionOf(jar.line, NOW)
  const facts = jarFacts(jar, condition, KITCHEN, NOW)
  expect(facts.fedMs).toBe(jar.line.startedAtMs)
  expect(facts.tempC).toBe(KITCHEN.places.find((p) => p.id === 'room')?.tempC)
  expect(facts.ripeHours).toBeCloseTo(((condition.peakMs ?? 0) - jar.line.startedAtMs) / millisecondsInHour, 9)
  expect(facts.hungryHours).toBeCloseTo(((condition.hungryMs ?? 0) - jar.line.startedAtMs) / millisecondsInHour, 9)
  expect(facts.hungry).toBe(NOW >= (condition.hungryMs ?? 0))
  // Split off, nothing fresh went in.
  expect(jarFacts({ ...jar, line: { ...jar.line, flours: {} } }, condition, KITCHEN, NOW).fed).toBeNull()
})
