import { Text } from '@mantine/core'
import { useState } from 'react'
import { driverRows } from '../../../../words'
import { useDrivers } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/Card'
import classes from '../BakeSheet.module.css'
import type { StationProps } from '../station'

/** What moves the ripe moment, and by how much: pressed open, since it is a second question. */
export function DriversCard({ solved, judged, plan, belief, bake }: StationProps) {
  const { format } = useKitchen()
  const [open, setOpen] = useState(false)
  const line = judged?.line ?? (bake.line === null ? (solved?.build?.asItStands.line ?? null) : null)
  const drivers = useDrivers(open ? line : null, belief, plan.school)
  if (line === null) return null
  return (
    <Card title="What changes the timing">
      <button type="button" className={classes.unfold} aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Hide' : 'Show how warmth, ratio and cold change it'}
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
            Each by itself, with all else as it is.
          </Text>
        </>
      )}
    </Card>
  )
}
