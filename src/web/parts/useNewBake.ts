import { useNavigate } from 'react-router'
import { type BakeSeed, newPlan } from '../../answers'
import { createBake, useOpenBakes } from '../data/bakes'
import { useCultures } from '../data/beliefs'
import { nowMs } from '../data/clock'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { tellError } from './cards/tell'
import { useOnce } from './useOnce'

/** Begins a new bake and opens its sheet. */
export function useNewBake(): { readonly ready: boolean; readonly start: (from?: BakeSeed) => void } {
  const navigate = useNavigate()
  const here = useKitchen()
  const { cultures } = useCultures()
  const { bakes } = useOpenBakes()
  /** The jar that lives on a flour, or a white one; the one fed last first. */
  const jarFor = (flour: string) =>
    [...(cultures?.jars ?? [])].sort(
      (a, b) =>
        Number(a.flour !== flour) - Number(b.flour !== flour) ||
        Number(a.flour !== 'white wheat') - Number(b.flour !== 'white wheat') ||
        b.line.startedAtMs - a.line.startedAtMs
    )[0]
  const begin = useOnce(async (from?: BakeSeed) => {
    const jar = jarFor(here.pantry.get(from?.content.levain.flours[0]?.ingredientId ?? '')?.flourKind ?? 'white wheat')
    if (jar === undefined || cultures === undefined) return
    const id = newId()
    const now = nowMs()
    const names = (bakes ?? []).map((bake) => bake.plan.name)
    const created = createBake(id, newPlan(jar, cultures, here, now, names, from), now).catch(tellError)
    void navigate(`/bakes/${id}/recipe`)
    await created
  })
  return { ready: cultures !== undefined && cultures.jars.length > 0, start: begin.run }
}
