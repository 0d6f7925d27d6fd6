import { Text } from '@mantine/core'
import { useMemo } from 'react'
import { doughLine, mainKind } from '../../../../core'
import { useGrown } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import { pantryOfBake, standingAt } from '../../../data/solve'
import { Card } from '../../../parts/Card'
import { near } from '../../../parts/words'
import classes from '../BakeSheet.module.css'
import type { StationProps } from '../station'

const MS_PER_HOUR = 3_600_000
/** How far doughs are let rise in bulk: g, with its word. */
const TARGETS = [
  { gas: 0.3, word: 'a third higher' },
  { gas: 0.5, word: 'half as high again' },
  { gas: 0.75, word: 'three quarters higher' },
  { gas: 1, word: 'doubled' }
] as const
const GAS = TARGETS.map((t) => t.gas)

/** The dough after the levain: when its bulk has risen so far, where the levain stood. */
export function DoughAfterCard({ solved, plan, belief, bake, state }: StationProps) {
  const { kitchen, pantry, format } = useKitchen()
  const build = solved?.build
  const line = useMemo(() => {
    if (build === null || build === undefined || !solved?.dough.ok || state.band !== null) return null
    const mixAtMs = Date.parse(plan.mixAt)
    const place = kitchen.places.find((p) => p.id === plan.placeId)
    return doughLine(
      solved.dough.value.weigh,
      { line: build.timed.line, hydration: plan.build.hydration, flour: mainKind(build.planned.flours) },
      { mixAtMs, mixTempC: plan.mixTempC, standing: standingAt(place, plan.tempC, mixAtMs, kitchen.timeZone) },
      pantryOfBake(bake, pantry)
    )
  }, [build, solved, plan, kitchen, pantry, bake, state.band])
  const grown = useGrown(line, belief, GAS)
  if (line === null || grown === undefined) return null
  const at = (hours: number) => (Number.isFinite(hours) ? format.time(near(line.startedAtMs + hours * MS_PER_HOUR)) : 'later')
  return (
    <Card title="The dough after it">
      <table className={classes.weigh}>
        <thead>
          <tr>
            <th scope="col">Risen in bulk</th>
            <th scope="col">likely</th>
            <th scope="col">nine times in ten</th>
          </tr>
        </thead>
        <tbody>
          {TARGETS.map(({ gas, word }, i) => {
            const range = grown[i]
            return range === undefined ? null : (
              <tr key={gas}>
                <th scope="row">{word}</th>
                <td className={classes.grams}>{at(range.p50)}</td>
                <td>
                  {at(range.p05)} – {at(range.p95)}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <Text c="dimmed" mt="xs">
        Mixed at {format.time(line.startedAtMs)} with {format.temperature(plan.mixTempC)}, standing where the levain stood.
      </Text>
    </Card>
  )
}
