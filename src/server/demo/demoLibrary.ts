import { randomUUID } from 'node:crypto'
import type { Formula, Target } from '../../core'
import { createFormula } from '../records/shelf/formulas'
import type { Work } from '../records/work'
import { DOUGHS, pieces } from './demoDoughs'

/** Formulas the kitchen bakes from, the loaf in its second version. */
export async function layLibrary(work: Work): Promise<void> {
  const levain = (...flours: string[]) => ({ hydration: 1, salt: 0, oil: 0, flours: flours.map((ingredientId) => ({ ingredientId, share: 1 })) })
  const entries: [name: string, note: string, formula: Formula, target: Target, levain: ReturnType<typeof levain>][] = [
    ['Lantern loaf', 'The loaf of the house. Rest half an hour before the levain goes in.', DOUGHS.lantern, pieces([2, 780]), levain('white wheat')],
    [
      'Market rolls and a crown',
      'Eighteen rolls and a crown from one dough; the soaker the evening before.',
      DOUGHS.market,
      pieces([18, 65], [1, 900]),
      levain('white wheat')
    ],
    ['Rye tin', 'Scald in the morning, mix at noon. Slice it the day after.', DOUGHS.rye, pieces([1, 950]), levain('rye')],
    ['Moth’s pan loaf', 'Buckwheat and sorghum, kept apart from all wheat.', DOUGHS.moth, pieces([1, 820]), levain('buckwheat', 'sorghum')]
  ]
  for (const [name, note, formula, target, levainContent] of entries) {
    await createFormula(work, { id: randomUUID(), name, note, content: { formula, target, levain: levainContent } })
  }
}
