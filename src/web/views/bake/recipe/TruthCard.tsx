import { Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { allergensOf, type BakeDough, drawnIngredients, type Formula, flourPartsOf, meanFact, type Pantry } from '../../../../core'
import { TRUTH_CARD } from '../../../../words/screens/recipe'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/cards/Card'
import classes from '../BakeSheet.module.css'

/** What the formula says beside what is truly in it, everything counted, from the rounded grams. */
export function TruthCard({
  formula,
  dough,
  pantry,
  levainFlours,
  gluten,
  children
}: {
  readonly formula: Formula
  readonly dough: BakeDough | null
  readonly pantry: Pantry
  readonly levainFlours: readonly string[]
  /** What would bring gluten into it, where it is marked gluten-free. */
  readonly gluten: readonly string[]
  readonly children: ReactNode
}) {
  const { format } = useKitchen()
  if (dough === null) return null
  const { truth } = dough.weigh
  const allergens = allergensOf(formula, levainFlours, pantry)
  return (
    <Card title={TRUTH_CARD.whatReallyIn}>
      <Figures>
        <Figure value={format.percent(truth.hydration)} name={TRUTH_CARD.hydrationAsked(format.percent(formula.hydration))} />
        <Figure value={format.percent(truth.salt, 2)} name={TRUTH_CARD.saltAsked(format.percent(formula.salt, 2))} />
        <Figure value={format.percent(dough.exact.preFermented)} name={TRUTH_CARD.preFermentedFlour} />
      </Figures>
      <FlourWords dough={dough} pantry={pantry} />
      {children}
      {formula.doughKind === 'gluten-free' && (
        <Note tone={gluten.length > 0 ? 'stop' : undefined}>{gluten.length > 0 ? TRUTH_CARD.glutenIn(gluten.join(', ')) : TRUTH_CARD.glutenFree}</Note>
      )}
      <p className={classes.contains}>{allergens.length === 0 ? TRUTH_CARD.noAllergensList : TRUTH_CARD.contains(allergens.join(', '))}</p>
      <details className={classes.how}>
        <summary>{TRUTH_CARD.howThatCountAsCame(format.mass(dough.exact.baseFlourGrams))}</summary>
        <p>{TRUTH_CARD.doughSumAllShares(format.mass(dough.exact.doughGrams), dough.exact.divisor.toFixed(4), format.mass(dough.exact.baseFlourGrams))}</p>
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
      {TRUTH_CARD.proteinFloursAbout(format.percent(protein))}
      {Math.abs(absorption) >= FELT && TRUTH_CARD.theyDrinkThanWhiteWheat(absorption > 0 ? 'more' : 'less', format.percent(hydration - absorption, 0))}
    </Text>
  )
}
