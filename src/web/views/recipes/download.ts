import {
  formulaCsv,
  formulaJson,
  formulaJsonLd,
  formulaMarkdown,
  levainComposition,
  type PortableFormula,
  portableFormula,
  roundDough,
  solveFormula,
  type WrittenFormula
} from '../../../core'
import { DOWNLOAD } from '../../../words/screens/recipes'
import type { KitchenHere } from '../../data/kitchen'
import { tellError } from '../../parts/cards/tell'
import { download } from '../../parts/keeping/download'

/** Formats a formula can be saved in. */
export const FORMATS = [
  { id: 'json', label: DOWNLOAD.recipeJsonComplete, ending: 'json', type: 'application/json' },
  { id: 'jsonld', label: DOWNLOAD.schemaOrgRecipeJsonLd, ending: 'jsonld', type: 'application/ld+json' },
  { id: 'csv', label: DOWNLOAD.tableCsv, ending: 'csv', type: 'text/csv' },
  { id: 'md', label: DOWNLOAD.pageMarkdown, ending: 'md', type: 'text/markdown' }
] as const
export type FormatId = (typeof FORMATS)[number]['id']

/** Hands the browser a file of a formula. */
export function downloadFormula(
  id: FormatId,
  content: Pick<PortableFormula, 'name' | 'note' | 'formula' | 'target' | 'levain'>,
  { pantry, kitchen }: Pick<KitchenHere, 'pantry' | 'kitchen'>
): void {
  const format = FORMATS.find((f) => f.id === id)
  const solved = solveFormula(content.formula, content.target, { pantry, levain: levainComposition(content.levain) })
  if (format === undefined || !solved.ok) {
    tellError(new Error(DOWNLOAD.thisRecipeCannotBeWorked))
    return
  }
  const written: WrittenFormula = { portable: portableFormula(content, pantry), solved: solved.value, weigh: roundDough(solved.value, kitchen.smallScale) }
  const texts: Readonly<Record<FormatId, () => string>> = {
    json: () => formulaJson(written.portable),
    jsonld: () => formulaJsonLd(written),
    csv: () => formulaCsv(written),
    md: () => formulaMarkdown(written, pantry)
  }
  download(`${content.name}.${format.ending}`, texts[id](), format.type)
}
