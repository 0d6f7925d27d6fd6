import type { Formula } from './formula'
import type { SolvedLine } from './solveFormula'

/** When a part of the dough goes in. */
export type PortionKind = 'autolyse' | 'mix' | 'late'

/** Some of one line. */
export interface PortionItem {
  readonly lineId: string
  readonly name: string
  readonly grams: number
}

/** What goes in together. */
export interface DoughPortion {
  readonly kind: PortionKind
  readonly items: readonly PortionItem[]
}

/**
 * The same total, in the order it goes in: flour and first water of an autolyse, the mix, and the water held back.
 * @param lines solved or rounded
 * @param baseFlourGrams what counts as 100 %
 * @returns only portions that hold something; their masses sum to the dough
 */
export function portionsOf(formula: Formula, lines: readonly SolvedLine[], baseFlourGrams: number): DoughPortion[] {
  const held = lines.reduce((t, l) => (l.kind === 'water' ? t + Math.min(Math.round(formula.heldBack * baseFlourGrams), l.grams) : t), 0)
  const items = (kinds: readonly SolvedLine['kind'][], grams = (l: SolvedLine) => l.grams): PortionItem[] =>
    lines
      .filter((l) => kinds.includes(l.kind))
      .map((l) => ({ lineId: l.id, name: l.name, grams: grams(l) }))
      .filter((i) => i.grams > 0)
  const first = (l: SolvedLine) => (l.kind === 'water' ? l.grams - held : l.grams)
  const rest = formula.autolyse
    ? (['levain', 'pre-ferment', 'extra', 'salt'] as const)
    : (['flour', 'water', 'levain', 'pre-ferment', 'extra', 'salt'] as const)
  const portions: DoughPortion[] = [
    { kind: 'autolyse', items: formula.autolyse ? items(['flour', 'water'], first) : [] },
    { kind: 'mix', items: items(rest, first) },
    { kind: 'late', items: held > 0 ? items(['water'], () => held) : [] }
  ]
  return portions.filter((p) => p.items.length > 0)
}
