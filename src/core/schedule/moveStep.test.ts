import { millisecondsInHour } from 'date-fns/constants'
import fc from 'fast-check'
import { courseTimes, type DoughCourse, STRETCH, USUAL_COURSE } from './course'
import { ANCHORS, type Anchor, type HeldDoughDay, moveStep } from './moveStep'

const QUARTER = millisecondsInHour / 4
const mix = Date.UTC(2026, 10, 28, 8)
const pace = { bulkHours: 4, proofHours: 1.5 }
const cold: DoughCourse = { ...USUAL_COURSE.wheat, proof: { kind: 'cold', hours: 14 } }

function held(course: DoughCourse, pins: readonly Anchor[] = []): HeldDoughDay {
  const times = courseTimes(course, mix, pace)
  if (times === null) throw new Error('no day')
  return { course, pace, at: { mix: times.mixMs, shape: times.shapeMs, bake: times.bakeMs }, pins }
}
/** The day that a move makes. */
function after(day: HeldDoughDay, step: Anchor, by: number) {
  const moved = moveStep(day, step, day.at[step] + by)
  if (!moved.ok) return moved.problem
  const times = courseTimes(moved.course, moved.mixMs, pace)
  return [
    (moved.mixMs - day.at.mix) / millisecondsInHour,
    ((times?.shapeMs ?? 0) - day.at.shape) / millisecondsInHour,
    ((times?.bakeMs ?? 0) - day.at.bake) / millisecondsInHour
  ]
}

test('same-day dough: move the bake, and the whole day goes with it', () => {
  expect(after(held(USUAL_COURSE.wheat), 'bake', millisecondsInHour)).toEqual([1, 1, 1])
  expect(after(held(USUAL_COURSE.wheat), 'mix', -2 * millisecondsInHour)).toEqual([-2, -2, -2])
})

test('in the cold: the night gives way first, mix and bulk stay', () => {
  expect(after(held(cold), 'bake', 2 * millisecondsInHour)).toEqual([0, 0, 2])
  expect(after(held(cold), 'mix', millisecondsInHour)).toEqual([1, 1, 0])
  // Fourteen hours bear six less; the seventh moves the mix.
  expect(after(held(cold), 'bake', -7 * millisecondsInHour)).toEqual([-1, -1, -7])
})

test('what is pinned stays: the stages between share the time, as far as they bear it', () => {
  const moved = after(held(USUAL_COURSE.wheat, ['mix']), 'shape', QUARTER) as number[]
  expect(moved.map((h) => Math.round(h * 100) / 100)).toEqual([0, 0.25, 0.25])
  expect(after(held(USUAL_COURSE.wheat, ['mix']), 'shape', millisecondsInHour)).toEqual({
    stage: 'bulk',
    end: 'long',
    hours: 4 * STRETCH.bulk[1],
    pinned: 'mix'
  })
  expect(after(held(USUAL_COURSE.wheat, ['bake']), 'shape', millisecondsInHour)).toMatchObject({ stage: 'proof', end: 'short', pinned: 'bake' })
})

test('any move keeps the order of the day, its pins, and what each stage bears', () => {
  fc.assert(
    fc.property(fc.boolean(), fc.constantFrom(...ANCHORS), fc.subarray([...ANCHORS]), fc.integer({ min: -40, max: 40 }), (inCold, step, pins, quarters) => {
      const day = held(
        inCold ? cold : USUAL_COURSE.wheat,
        pins.filter((p) => p !== step)
      )
      const moved = moveStep(day, step, day.at[step] + quarters * QUARTER)
      if (!moved.ok) return
      const times = courseTimes(moved.course, moved.mixMs, pace)
      if (times === null) throw new Error('no day')
      const at = { mix: times.mixMs, shape: times.shapeMs, bake: times.bakeMs }
      expect(Math.abs(at[step] - (day.at[step] + quarters * QUARTER))).toBeLessThanOrEqual(5 * 60_000)
      for (const pin of day.pins) expect(Math.abs(at[pin] - day.at[pin])).toBeLessThanOrEqual(5 * 60_000)
      const { bulkStretch, proofStretch, proof } = moved.course
      expect(bulkStretch).toBeGreaterThan(STRETCH.bulk[0] - 0.01)
      expect(bulkStretch).toBeLessThan(STRETCH.bulk[1] + 0.01)
      if (proof.kind === 'cold') expect(proof.hours).toBeGreaterThan(STRETCH.coldHours[0] - 0.1)
      else expect(proofStretch).toBeLessThan(STRETCH.proof[1] + 0.02)
    }),
    { numRuns: 300 }
  )
})
