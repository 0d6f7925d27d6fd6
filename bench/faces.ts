import { contradictions, drawnMoment, facesAt } from '../src/testing/advices'
import { heading } from './report'

const MOMENTS = 5000
const SEEDS = 1_000_000

/** Moments drawn anew at which faces contradict each other, read word for word. */
export function benchFaces(from = Math.floor(Math.random() * SEEDS), count = MOMENTS): void {
  heading(`Faces of ${count} drawn moments (seeds from ${from})`)
  const kinds = new Map<string, number>()
  let wrong = 0
  for (let seed = from; seed < from + count; seed++) {
    const faces = facesAt(drawnMoment(seed))
    kinds.set(faces.headline ?? '', (kinds.get(faces.headline ?? '') ?? 0) + 1)
    for (const why of contradictions(faces)) {
      wrong++
      if (wrong <= 10) process.stdout.write(`  ${seed}: ${why}: ${JSON.stringify(faces)}\n`)
    }
  }
  process.stdout.write(`  ${[...kinds].map(([kind, n]) => `${kind} ${n}`).join(', ')}\n  contradictions: ${wrong}\n`)
}
