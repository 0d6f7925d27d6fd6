import { contradictions, drawnMoment, facesAt } from './advices'

/** `npm run bench -- faces` draws thousands, on fresh seeds. */
const MOMENTS = 120

test('at any moment, with any looks, no two faces contradict each other', () => {
  const wrong = Array.from({ length: MOMENTS }, (_, i) => {
    const moment = drawnMoment(i + 1)
    const faces = facesAt(moment)
    return contradictions(faces).map((why) => `${i + 1}: ${why}: ${JSON.stringify(faces)}`)
  }).flat()
  expect(wrong).toEqual([])
})

test('a contradiction would be seen', () => {
  const faces = facesAt(drawnMoment(3))
  expect(contradictions({ ...faces, sentence: 'Mix now: 80 % chance that it is ready.', way: 'Mix it young' })).not.toEqual([])
  expect(contradictions({ ...faces, window: 'over' })).not.toEqual([])
  const forTaste = facesAt({ ...drawnMoment(3), question: { ...drawnMoment(3).question, school: 'for taste' } })
  expect(contradictions(forTaste)).toEqual([])
  expect(contradictions({ ...forTaste, steps: 'look now, mix later' })).not.toEqual([])
  expect(contradictions({ ...forTaste, way: 'Mix now' })).not.toEqual([])
})
