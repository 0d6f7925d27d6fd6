import { type Formula, type PortionKind, portionsOf, type SolvedLine } from '../../../core'
import { PORTIONS } from '../../../words/screens/parts-formula'
import { useKitchen } from '../../data/kitchen'
import classes from './formula.module.css'

const WORDS: Readonly<Record<PortionKind, string>> = { autolyse: PORTIONS.firstToRest, mix: PORTIONS.atMix, late: PORTIONS.atEndHeldBack }

/** The order in which a dough goes together; nothing where all of it goes in at once. */
export function Portions({
  formula,
  lines,
  baseFlourGrams
}: {
  readonly formula: Formula
  readonly lines: readonly SolvedLine[]
  readonly baseFlourGrams: number
}) {
  const { format } = useKitchen()
  const portions = portionsOf(formula, lines, baseFlourGrams)
  if (portions.length < 2) return null
  return (
    <div className={classes.portions}>
      {portions.map(({ kind, items }) => (
        <div key={kind}>
          <b>{WORDS[kind]}</b> {items.map((i) => `${i.name} ${format.mass(i.grams, i.grams % 1 > 0.01 ? 0.1 : 1)}`).join(', ')}
        </div>
      ))}
    </div>
  )
}
