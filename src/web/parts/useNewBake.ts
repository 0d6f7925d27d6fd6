import { useNavigate } from 'react-router'
import { type NewBake, newPlan } from '../../answers'
import { createBake, useOpenBakes } from '../data/bakes'
import { useCultures } from '../data/beliefs'
import { nowMs } from '../data/clock'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { tellError } from './cards/tell'
import { useOnce } from './useOnce'

/** In the address of Plan: it opens with the ways to the bread. */
export const FIND = 'find'

/** Begins a new bake and opens its sheet: at its recipe, or with the ways to the bread where that was wished for. */
export function useNewBake(): { readonly ready: boolean; readonly start: (begin?: NewBake, id?: string) => void } {
  const navigate = useNavigate()
  const here = useKitchen()
  const { cultures } = useCultures()
  const { bakes } = useOpenBakes()
  /** The jar that lives on a flour, or a white one; the one fed last first. */
  const jarFor = (flour: string) =>
    [...(cultures?.jars ?? [])]
      .filter((jar) => jar.culture !== 'dried')
      .sort(
        (a, b) =>
          Number(a.flour !== flour) - Number(b.flour !== flour) ||
          Number(a.flour !== 'white wheat') - Number(b.flour !== 'white wheat') ||
          b.line.startedAtMs - a.line.startedAtMs
      )[0]
  const begin = useOnce(async (from: NewBake = {}, id: string = newId()) => {
    const jar = jarFor(here.pantry.get(from.from?.content.levain.flours[0]?.ingredientId ?? '')?.flourKind ?? 'white wheat')
    if (jar === undefined || cultures === undefined) return
    const now = nowMs()
    const names = (bakes ?? []).map((bake) => bake.plan.name)
    const created = createBake(id, newPlan(jar, cultures, here, now, names, from), now).catch(tellError)
    void navigate(from.wish === undefined ? `/bakes/${id}/recipe` : `/bakes/${id}/plan?${FIND}`, { replace: from.wish !== undefined })
    await created
  })
  return { ready: (cultures?.jars ?? []).some((jar) => jar.culture !== 'dried'), start: begin.run }
}
