import { ActionIcon, Text } from '@mantine/core'
import { IconArrowBackUp, IconCheck } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { POUR_ITEMS, pourCompositions, pouredGrams, ratioOf } from '../../../../core'
import { near } from '../../../../words'
import { POURED } from '../../../../words/screens/weigh'
import { useKitchen } from '../../../data/kitchen'
import { Figure, Figures, Mass } from '../../../parts/cards/Card'
import type { Entry } from '../../../parts/weigh/entry'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import classes from './Weigh.module.css'

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
              <td>{!isIn ? POURED.toCome : Math.abs(grams - poured) >= 0.1 ? POURED.planned(format.mass(grams, grams % 1 === 0 ? 1 : 0.1)) : ''}</td>
              <td className={sheet.grams}>
                <Mass grams={isIn ? poured : grams} />
              </td>
              {onUndo !== null && (
                <td>
                  {isIn && (
                    <ActionIcon aria-label={POURED.undoPour(title)} variant="subtle" onClick={() => onUndo(lastPourId)}>
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

/** When it will be fit with what is in by now. */
export function FitAsPoured() {
  const { solved, forecast, state, plan } = useBakeHere()
  const { format } = useKitchen()
  const startMs = solved?.build?.asItStands.startMs
  if (state.done.length === 0 || startMs === undefined || forecast === undefined || state.band !== null || !Number.isFinite(forecast.opens.p50)) return null
  const fromMs = near(startMs + forecast.opens.p50 * millisecondsInHour)
  return (
    <Text mt="sm" data-testid="fit-as-poured">
      {POURED.asStandsReadyToMix}
      <b>{format.dayTime(fromMs)}</b>
      {POURED.plannedFor(format.dayTime(plan.mixAt))}
    </Text>
  )
}

/** What the levain really is, once all of it is in. */
export function LevainTruth() {
  const {
    state: { poured, done },
    jar,
    plan
  } = useBakeHere()
  const { format } = useKitchen()
  const made = pourCompositions(jar?.hydration ?? 1, plan.build.older.hydration)
  const sum = (of: 'flour' | 'water') => POUR_ITEMS.reduce((t, item) => t + poured[item] * made[item][of], 0)
  if (!done.includes('seed')) return null
  return (
    <Figures>
      <Figure value={ratioOf({ ...poured, seed: poured.seed + poured['older levain'] })} name={POURED.really} />
      <Figure value={format.percent(sum('water') / sum('flour'), 0)} name={POURED.hydration} />
      <Figure value={<Mass grams={pouredGrams(poured)} />} name={POURED.inAll} />
    </Figures>
  )
}
