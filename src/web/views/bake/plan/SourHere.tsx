import { SourCard } from '../../../parts/sour/SourCard'
import { useSourAsked } from '../doughHere'

/** How sour the bread of this bake gets, and what changes that. */
export function SourHere() {
  return <SourCard asked={useSourAsked()} />
}
