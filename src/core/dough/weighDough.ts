import { KITCHEN_SCALE_GRAMS } from '../units/mass'
import type { WeighItem } from '../weighing/readPour'
import { trueValues } from './composition'
import type { Formula } from './formula'
import type { WeighedPart } from './mix'
import { type PortionKind, portionsOf } from './portions'
import type { WeighedDough } from './roundDough'

/** One thing that is weighed for a dough. */
export interface DoughItem extends WeighItem {
  /** The line of the formula it is of. */
  readonly lineId: string
  readonly name: string
  /** Null for levain and pre-ferments. */
  readonly ingredientId: string | null
  readonly isLevain: boolean
  readonly portion: PortionKind
  /** Which bowl, from 1 on. */
  readonly bowl: number
}

/** Bowls a dough is mixed in at most. */
export const MOST_BOWLS = 6

/**
 * What is weighed for a dough, in the order it goes in: one bowl after the other, the last takes what rounding leaves.
 * @param bowls how many bowls it is shared out into
 */
export function doughItems(formula: Formula, { lines }: Pick<WeighedDough, 'lines'>, baseFlourGrams: number, bowls = 1): DoughItem[] {
  const portions = portionsOf(formula, lines, baseFlourGrams)
  return Array.from({ length: bowls }, (_, i) => i + 1).flatMap((bowl) =>
    portions.flatMap(({ kind, items }) =>
      items.flatMap(({ lineId, name, grams }): DoughItem[] => {
        const line = lines.find((l) => l.id === lineId)
        if (line === undefined) return []
        const { resolution } = line
        const share = Number((Math.round(grams / bowls / resolution) * resolution).toFixed(3))
        const own = bowl < bowls ? share : Number((grams - share * (bowls - 1)).toFixed(3))
        if (!(own > 0)) return []
        return [
          {
            key: `${kind}:${lineId}${bowls > 1 ? `:${bowl}` : ''}`,
            lineId,
            name,
            ingredientId: line.ingredientId,
            isLevain: line.kind === 'levain',
            portion: kind,
            bowl,
            grams: own,
            resolution
          }
        ]
      })
    )
  )
}

/** What is weighed for the pre-ferment or soaker of a line, what it is made of included. */
export function preFermentItems({ lines }: Pick<WeighedDough, 'lines'>, lineId: string): DoughItem[] {
  const line = lines.find((l) => l.id === lineId)
  const flat = (parts: readonly WeighedPart[]): readonly WeighedPart[] => parts.flatMap((p) => (p.parts.length > 0 ? flat(p.parts) : [p]))
  return flat(line?.parts ?? []).flatMap((part, i): DoughItem[] =>
    part.ingredientId === null || !(part.grams > 0)
      ? []
      : [
          {
            key: `${lineId}:${i}`,
            lineId,
            name: part.name,
            ingredientId: part.ingredientId,
            isLevain: false,
            portion: 'mix',
            bowl: 1,
            grams: part.grams,
            resolution: part.resolution ?? KITCHEN_SCALE_GRAMS
          }
        ]
  )
}

/** What was weighed of a dough. */
export interface WeighedOf {
  readonly key: string
  readonly grams: number
}

/**
 * A dough with what was really weighed of it; what was not weighed counts as planned.
 * @param items all that is weighed for it
 */
export function withWeighed(dough: WeighedDough, items: readonly DoughItem[], weighed: readonly WeighedOf[]): WeighedDough {
  if (weighed.length === 0) return dough
  const grams = new Map<string, number>()
  for (const w of weighed) grams.set(w.key, (grams.get(w.key) ?? 0) + w.grams)
  const lines = dough.lines.map((line) => {
    const own = items.filter((i) => i.lineId === line.id)
    if (own.length === 0) return line
    const really = own.reduce((sum, i) => sum + (grams.get(i.key) ?? i.grams), 0)
    const factor = line.grams > 0 ? really / line.grams : 1
    return { ...line, grams: really, parts: line.parts.map((p) => ({ ...p, grams: p.grams * factor })) }
  })
  const truth = trueValues(lines)
  return { lines, truth, doughGrams: truth.totalGrams, levainGrams: lines.reduce((t, l) => (l.kind === 'levain' ? t + l.grams : t), 0) }
}
