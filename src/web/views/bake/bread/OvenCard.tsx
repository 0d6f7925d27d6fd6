import { Button, Group, Text } from '@mantine/core'
import { useState } from 'react'
import { coreSays, OVEN, type Step } from '../../../../core'
import { near } from '../../../../words'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/Card'
import { QuantityField } from '../../../parts/QuantityField'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import type { StationProps } from '../station'

/** Heat, steam, lid, middle: what this kind of bread wants. */
export function OvenCard({ plan, state, steps, onCore }: StationProps & { readonly steps: readonly Step[]; readonly onCore: (tempC: number) => void }) {
  const { format } = useKitchen()
  const oven = OVEN[plan.formula.doughKind]
  const [coreC, setCoreC] = useState<number | null>(null)
  const course = plan.course
  if (course === null) return null
  const measured = state.readings.findLast((r) => r.coreTempC !== undefined)?.coreTempC
  const says = measured === undefined ? null : coreSays(oven.coreC, measured)
  const bakeAt = steps.find((s) => s.kind === 'bake')?.atMs
  return (
    <Card title="The oven">
      <Figures>
        <Figure size="lg" value={format.temperature(oven.startC)} name="heat it to" />
        {oven.laterC !== null && <Figure size="lg" value={format.temperature(oven.laterC)} name={`after ${oven.laterMinutes} min`} />}
        <Figure size="lg" value={`${course.bakeMinutes} min`} name={course.loads > 1 ? `each of ${course.loads} loads` : 'in the oven'} />
        {oven.coreC !== null && (
          <Figure
            size="lg"
            value={`${format.temperature(oven.coreC[0], 0).replace(/\D+$/, '')}–${format.temperature(oven.coreC[1], 0)}`}
            name="in the middle, done"
          />
        )}
      </Figures>
      {bakeAt !== undefined && (
        <Text c="dimmed" mt="xs">
          Heat it {course.preheatMinutes} min before, from {format.time(near(bakeAt - course.preheatMinutes * 60_000))}.
          {oven.steam ? ' Steam or a lid for the first part, then let the steam out.' : ' No steam.'}
        </Text>
      )}
      {oven.steam && <Note tone="care">Heat gloves, and face away when the steam comes out. Put the cap back on the blade.</Note>}
      {state.deeds.has('bake') && oven.coreC !== null && (
        <>
          <Group mt="md" align="flex-end">
            <QuantityField
              kind="temperature"
              label="Measured in the middle"
              what="The middle"
              value={coreC ?? measured ?? oven.coreC[0]}
              range={[0, 130]}
              onCommit={setCoreC}
            />
            <Button variant="default" onClick={() => onCore(coreC ?? oven.coreC?.[0] ?? 96)}>
              Note it
            </Button>
          </Group>
          <ReadFrom kind="probe" onRead={setCoreC} />
          {says !== null && (
            <Note tone={says === 'done' ? 'plain' : 'care'}>
              {says === 'not yet' && 'Not yet: back into the oven, and measure again in five minutes.'}
              {says === 'done' && 'Done. Take it out.'}
              {says === 'dry soon' && 'More than done: take it out now, before it dries.'}
            </Note>
          )}
        </>
      )}
      {state.deeds.has('bake') && (
        <Text mt="xs">
          Knock on the underside: a hollow sound is a baked loaf, a dull one wants a few minutes more. Then let it cool {format.duration(course.coolHours)}{' '}
          before it is cut.
        </Text>
      )}
    </Card>
  )
}
