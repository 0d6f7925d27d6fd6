import { Text } from '@mantine/core'
import { useState } from 'react'
import { driverRows } from '../../../../words'
import { DRIVERS_CARD } from '../../../../words/screens/plan'
import { useDrivers } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/cards/Card'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** What moves the ripe moment, and by how much: pressed open, since it is a second question. */
export function DriversCard() {
  const { solved, judged, plan, belief, bake } = useBakeHere()
  const { format } = useKitchen()
  const [open, setOpen] = useState(false)
  const line = judged?.line ?? (bake.line === null ? (solved?.build?.asItStands.line ?? null) : null)
  const drivers = useDrivers(open ? line : null, belief, plan.school)
  if (line === null) return null
  return (
    <Card title={DRIVERS_CARD.whatChangesTiming}>
      <button type="button" className={classes.unfold} aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? DRIVERS_CARD.hide : DRIVERS_CARD.showHowWarmthRatioAnd}
      </button>
      {open && drivers !== undefined && (
        <>
          <table className={classes.weigh}>
            <tbody>
              {driverRows(drivers, format).map(({ name, says }) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td className={classes.grams}>{says}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Text c="dimmed" mt="xs">
            {DRIVERS_CARD.eachByItselfWithAll}
          </Text>
        </>
      )}
    </Card>
  )
}
