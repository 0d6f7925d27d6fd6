import { Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { allergensOf, type BakeDough, drawnIngredients, type Formula, flourPartsOf, meanFact, type Pantry } from '../../../../core'
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
        <Figure value={format.percent(dough.exact.preFermented)} name="pre-fermented flour" />
      </Figures>
      <FlourWords dough={dough} pantry={pantry} />
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

/** Less than this share of water more or less is not felt. */
const FELT = 0.01

/** How strong the flours of the dough are, and how wet it will feel with them. */
function FlourWords({ dough, pantry }: { dough: BakeDough; pantry: Pantry }) {
  const { format } = useKitchen()
  const drawn = [...drawnIngredients(dough.weigh.lines)].map(([ingredientId, grams]) => ({ ingredientId, grams }))
  const flours = flourPartsOf(
    drawn.filter(({ ingredientId }) => pantry.get(ingredientId)?.kind === 'flour'),
    pantry
  )
  const protein = meanFact(flours ?? [], 'protein')
  const absorption = meanFact(flours ?? [], 'absorption')
  if (protein === null || absorption === null) return null
  const { hydration } = dough.weigh.truth
  return (
    <Text c="dimmed" mt="sm">
      Protein of its flours about {format.percent(protein)}.
      {Math.abs(absorption) >= FELT &&
        ` They drink ${absorption > 0 ? 'more' : 'less'} than white wheat: it feels like ${format.percent(hydration - absorption, 0)} of water.`}
    </Text>
  )
}
