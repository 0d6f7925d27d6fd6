import { ActionIcon } from '@mantine/core'
import { IconArrowBackUp, IconCheck } from '@tabler/icons-react'
import { happeningOf } from '../../../../contract'
import { POUR_ITEMS, type PourItem, pouredGrams, pourKey, ratioOf, standing } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Figure, Figures, Mass } from '../../../parts/Card'
import type { Entry } from '../../../parts/weigh/entry'
import sheet from '../BakeSheet.module.css'
import type { StationProps } from '../station'
import classes from './Bench.module.css'

/** What is in the bowl, item by item, planned and weighed; and what is still to come. */
export function PouredList({ entries, onUndo }: { readonly entries: readonly Entry[]; readonly onUndo: ((pourId: string) => void) | null }) {
  const { format } = useKitchen()
  return (
    <table className={sheet.weigh}>
      <tbody>
        {entries.map(({ key, title, grams, poured, lastPourId }) => {
          const isIn = lastPourId !== null
          return (
            <tr key={key} className={isIn ? undefined : classes.toCome}>
              <th scope="row">
                {isIn && <IconCheck size={18} className={sheet.tick} aria-hidden="true" />} {title}
              </th>
              <td>{!isIn ? 'to come' : Math.abs(grams - poured) >= 0.1 ? `planned ${format.mass(grams, grams % 1 === 0 ? 1 : 0.1)}` : ''}</td>
              <td className={sheet.grams}>
                <Mass grams={isIn ? poured : grams} />
              </td>
              {onUndo !== null && (
                <td>
                  {isIn && (
                    <ActionIcon aria-label={`Undo the pour of ${title}`} variant="subtle" onClick={() => onUndo(lastPourId)}>
                      <IconArrowBackUp size={20} />
                    </ActionIcon>
                  )}
                </td>
              )}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** What the levain really is, once all of it is in. */
export function LevainTruth({ bake, state, jar, plan }: StationProps) {
  const { format } = useKitchen()
  const { seed, water, flour } = state.poured
  const older = state.poured['older levain']
  const starter = (grams: number, hydration: number) => ({ flour: grams / (1 + hydration), water: grams - grams / (1 + hydration) })
  const parts = [starter(seed, jar?.hydration ?? 1), starter(older, plan.build.older.hydration), { flour, water }]
  const sum = (pick: 'flour' | 'water') => parts.reduce((t, p) => t + p[pick], 0)
  const seen = new Set<PourItem>(standing(bake.events.map(happeningOf)).flatMap((e) => (e.type === 'pour' ? [e.item] : [])))
  if (!POUR_ITEMS.some((item) => seen.has(item)) || !state.done.some((key) => key === pourKey({ item: 'seed' }))) return null
  return (
    <Figures>
      <Figure value={ratioOf({ seed: seed + older, flour, water })} name="really" />
      <Figure value={format.percent(sum('water') / sum('flour'), 0)} name="hydration" />
      <Figure value={<Mass grams={pouredGrams(state.poured)} />} name="in all" />
    </Figures>
  )
}
