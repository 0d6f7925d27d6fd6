import { Text } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { hoursToGas } from '../../../../core'
import { doughsSentence, near } from '../../../../words'
import { DOUGH_AFTER_CARD } from '../../../../words/screens/plan'
import { useGrown } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/cards/Card'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** How far doughs are let rise in bulk: g, with its word. */
const TARGETS = [
  { gas: 0.3, word: DOUGH_AFTER_CARD.thirdHigher },
  { gas: 0.5, word: DOUGH_AFTER_CARD.halfAsHighAgain },
  { gas: 0.75, word: DOUGH_AFTER_CARD.threeQuartersHigher },
  { gas: 1, word: 'doubled' }
] as const
const GAS = TARGETS.map((t) => t.gas)

/** The dough after the levain: when its bulk has risen so far, with its doubt, where it will stand. */
export function DoughAfterCard() {
  const { plan, day } = useBakeHere()
  const { format, kitchen } = useKitchen()
  const { dough: line, belief } = day
  const grown = useGrown(line, belief, GAS, kitchen.doughs.sd)
  const likely = useMemo(() => (line === null ? [] : GAS.map((bulkGas) => hoursToGas(line, bulkGas, belief.centre))), [line, belief])
  const { placeId } = plan.course ?? plan
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name.toLowerCase() ?? DOUGH_AFTER_CARD.thatPlace
  const moved = (plan.course?.moves ?? []).map((move) => DOUGH_AFTER_CARD.movedTo(nameOf(move.placeId), format.duration(move.afterHours)))
  const places = [nameOf(placeId), ...moved].join(', ')
  if (line === null || grown === undefined) return null
  const at = (hours: number) => (Number.isFinite(hours) ? format.time(near(line.startedAtMs + hours * millisecondsInHour)) : 'later')
  return (
    <Card title={DOUGH_AFTER_CARD.doughAfter}>
      <table className={classes.weigh}>
        <thead>
          <tr>
            <th scope="col">{DOUGH_AFTER_CARD.risenInBulk}</th>
            <th scope="col">{DOUGH_AFTER_CARD.likely}</th>
            <th scope="col">{DOUGH_AFTER_CARD.chance}</th>
          </tr>
        </thead>
        <tbody>
          {TARGETS.map(({ gas, word }, i) => {
            const range = grown[i]
            return range === undefined ? null : (
              <tr key={gas}>
                <th scope="row">{word}</th>
                <td className={classes.grams}>{at(likely[i] ?? range.p50)}</td>
                <td>
                  {at(range.p05)} – {at(range.p95)}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <Text c="dimmed" mt="xs">
        {DOUGH_AFTER_CARD.mixedAtWithStandingIn(format.time(line.startedAtMs), format.temperature(line.mixTempC), places)}
      </Text>
      {kitchen.doughs.doughs > 0 && <Text c="dimmed">{doughsSentence(kitchen.doughs)}</Text>}
    </Card>
  )
}
