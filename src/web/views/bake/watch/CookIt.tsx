import { contentsOf, DISCARD_FOODS, FLOURS, foodOfDiscard, keysOf } from '../../../../core'
import { COOK_IT } from '../../../../words/screens/watch'
import type { Judged } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'

/** What a levain that is past can still be: food it makes all of it, with what else goes in. */
export function CookIt({ line }: { readonly line: Judged['line'] }) {
  const { pantry, format } = useKitchen()
  const { flours, hydration, totalGrams } = contentsOf(line)
  const gluten = keysOf(flours).some((kind) => FLOURS[kind].gluten && (flours[kind] ?? 0) > 0)
  return (
    <details>
      <summary>{COOK_IT.title(format.mass(totalGrams))}</summary>
      <ul>
        {DISCARD_FOODS.map((food) => {
          const { lines } = foodOfDiscard(food, { hydration, gluten }, totalGrams, pantry)
          return (
            <li key={food.name}>
              <b>{food.name}</b>
              {COOK_IT.with(lines.map(({ grams, name }) => `${format.mass(grams)} ${name.toLowerCase()}`).join(', '))} {food.method}
            </li>
          )
        })}
      </ul>
    </details>
  )
}
