import { allergensOf, levainComposition, type PortableFormula, roundDough, solveFormula, type WeighedPart } from '../../../core'
import { problemSentence, sizeWords } from '../../../words'
import { RECIPE_CARD } from '../../../words/screens/recipes'
import { useKitchen } from '../../data/kitchen'
import { Figure, Figures, Mass, Note } from '../../parts/cards/Card'
import { Portions } from '../../parts/formula/Portions'
import classes from './Recipes.module.css'

/** One formula to read and to print: grams, percents, truth, allergens. */
export function RecipeCard({ content }: { readonly content: Pick<PortableFormula, 'name' | 'note' | 'formula' | 'target' | 'levain'> }) {
  const { kitchen, format, pantry } = useKitchen()
  const { name, note, formula, target, levain } = content
  const solved = solveFormula(formula, target, { pantry, levain: levainComposition(levain) })
  const floursOf = levain.flours.map((f) => pantry.get(f.ingredientId)?.name.toLowerCase() ?? RECIPE_CARD.flourThatGone).join(', ')
  const allergens = allergensOf(
    formula,
    levain.flours.map((f) => f.ingredientId),
    pantry
  )
  const weigh = solved.ok ? roundDough(solved.value, kitchen.smallScale) : null
  return (
    <article className={classes.card}>
      <h2 className={classes.name}>{name}</h2>
      <p className={classes.size}>{RECIPE_CARD.levainAtFrom(sizeWords(target, format), format.percent(levain.hydration, 0), floursOf)}</p>
      {note !== '' && <p className={classes.note}>{note}</p>}
      {!solved.ok || weigh === null ? (
        <Note tone="stop">{solved.ok ? '' : problemSentence(solved.problem, (id) => pantry.get(id)?.name)}</Note>
      ) : (
        <>
          <table className={classes.lines}>
            <thead>
              <tr>
                <th scope="col">{RECIPE_CARD.of(formula.base === 'total flour' ? RECIPE_CARD.allFlour : RECIPE_CARD.flourAdded)}</th>
                <th scope="col">%</th>
                <th scope="col">{RECIPE_CARD.weigh}</th>
              </tr>
            </thead>
            <tbody>
              {weigh.lines.map((line) => (
                <LineRows key={line.id} name={line.name} share={format.percent(line.share, 1)} grams={line.grams} parts={line.parts} />
              ))}
            </tbody>
            <tfoot>
              <tr>
                <th scope="row">{RECIPE_CARD.dough}</th>
                <td>{format.percent(solved.value.divisor)}</td>
                <td>
                  <Mass grams={Math.round(weigh.doughGrams)} />
                </td>
              </tr>
            </tfoot>
          </table>
          <Figures>
            <Figure value={format.percent(weigh.truth.hydration)} name={RECIPE_CARD.trueHydration} />
            <Figure value={format.percent(weigh.truth.salt, 2)} name={RECIPE_CARD.trueSalt} />
            <Figure value={format.percent(solved.value.preFermented)} name={RECIPE_CARD.preFermentedFlour} />
          </Figures>
          <Portions formula={formula} lines={weigh.lines} baseFlourGrams={solved.value.baseFlourGrams} />
          {formula.oven !== undefined && (
            <p className={classes.note}>
              {RECIPE_CARD.oven(
                formula.oven.stages.map((stage) => RECIPE_CARD.ovenStage(format.temperature(stage.tempC), stage.minutes, stage.covered)).join(', then ')
              )}
            </p>
          )}
          <p className={classes.allergens}>
            {allergens.length === 0 ? RECIPE_CARD.noAllergensList : RECIPE_CARD.contains(allergens.join(', '))}
            {allergens.includes('gluten') && RECIPE_CARD.fermentingDoesNotMakeSafe}
          </p>
        </>
      )}
    </article>
  )
}

function LineRows({
  name,
  share,
  grams,
  parts
}: {
  readonly name: string
  readonly share: string
  readonly grams: number
  readonly parts: readonly WeighedPart[]
}) {
  return (
    <>
      <tr>
        <th scope="row">{name}</th>
        <td>{share}</td>
        <td>
          <Mass grams={grams} />
        </td>
      </tr>
      {parts.map((part) => (
        <PartRow key={part.name} part={part} depth={1} />
      ))}
    </>
  )
}

function PartRow({ part, depth }: { readonly part: WeighedPart; readonly depth: number }) {
  return (
    <>
      <tr className={classes.part}>
        <th scope="row" style={{ paddingLeft: depth * 20 }}>
          {part.name}
        </th>
        <td />
        <td>
          <Mass grams={part.grams} />
        </td>
      </tr>
      {part.parts.map((inner) => (
        <PartRow key={inner.name} part={inner} depth={depth + 1} />
      ))}
    </>
  )
}
