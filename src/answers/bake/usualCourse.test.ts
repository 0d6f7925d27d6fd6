import { courseFor, courseOfKind } from './usualCourse'

const room = { id: 'room', tempC: 21 }
const wheat = courseFor({ doughKind: 'wheat', autolyse: false }, room)

test('a recipe with steps of its own for the oven takes as long as they do', () => {
  const stages = [
    { tempC: 280, minutes: 10, covered: true },
    { tempC: 180, minutes: 55, covered: false }
  ]
  expect(courseFor({ doughKind: 'rye tin', autolyse: false, oven: { stages, coreC: null } }, room).bakeMinutes).toBe(65)
})

test('a dough that becomes a flatbread bakes and cools as one', () => {
  expect(wheat).toMatchObject({ folds: 3, bakeMinutes: 45, coolHours: 1.5 })
  expect(courseOfKind(wheat, 'wheat', 'flatbread')).toEqual({ ...wheat, folds: 1, proof: { kind: 'warm', gas: 0.15 }, bakeMinutes: 15, coolHours: 0.25 })
})

test('what its baker has set stays, and there and back it is as it was', () => {
  const own = { ...wheat, bakeMinutes: 38, proof: { kind: 'cold' as const, hours: 12 } }
  expect(courseOfKind(own, 'wheat', 'rye tin')).toEqual({ ...own, folds: 0, coolHours: 12 })
  expect(courseOfKind(courseOfKind(wheat, 'wheat', 'enriched'), 'enriched', 'wheat')).toEqual(wheat)
})
