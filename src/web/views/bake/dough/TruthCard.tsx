import type { ReactNode } from 'react'
import { allergensOf, type BakeDough, type Formula, type Pantry } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures } from '../../../parts/Card'
import classes from '../BakeSheet.module.css'

/** What the formula says beside what is truly in it, everything counted, from the rounded grams. */
export function TruthCard({
  formula,
  dough,
  pantry,
  levainFlours,
  children
}: {
  readonly formula: Formula
  readonly dough: BakeDough | null
  readonly pantry: Pantry
  readonly levainFlours: readonly string[]
  readonly children: ReactNode
}) {
  const { format } = useKitchen()
  if (dough === null) return null
  const { truth } = dough.weigh
  const allergens = allergensOf(formula, levainFlours, pantry)
  return (
    <Card title="What is really in it">
      <Figures>
        <Figure value={format.percent(truth.hydration)} name={`hydration, ${format.percent(formula.hydration)} asked`} />
        <Figure value={format.percent(truth.salt, 2)} name={`salt, ${format.percent(formula.salt, 2)} asked`} />
        <Figure value={format.percent(dough.exact.preFermented)} name="flour that ripens ahead" />
      </Figures>
      {children}
      <p className={classes.contains}>{allergens.length === 0 ? 'No allergens of the list.' : `Contains ${allergens.join(', ')}.`}</p>
      <details className={classes.how}>
        <summary>How {format.mass(dough.exact.baseFlourGrams)} that count as 100 % came about</summary>
        <p>
          {format.mass(dough.exact.doughGrams)} of dough ÷ {dough.exact.divisor.toFixed(4)} = {format.mass(dough.exact.baseFlourGrams)}.{' '}
          {dough.exact.divisor.toFixed(4)} is the sum of all shares.
        </p>
      </details>
    </Card>
  )
}
