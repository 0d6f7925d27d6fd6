import { Button, Group, Text } from '@mantine/core'
import { useState } from 'react'
import { coreSays, ovenOf, type Step } from '../../../../core'
import { near } from '../../../../words'
import { OVEN_CARD } from '../../../../words/screens/bread'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/cards/Card'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import { useBakeHere } from '../bakeHere'

/** Heat, steam, lid, middle: what this kind of bread wants. */
export function OvenCard({ steps, onCore }: { readonly steps: readonly Step[]; readonly onCore: (tempC: number) => void }) {
  const { plan, state } = useBakeHere()
  const { format } = useKitchen()
  const [coreC, setCoreC] = useState<number | null>(null)
  const course = plan.course
  if (course === null) return null
  const oven = ovenOf(plan.formula, course.bakeMinutes)
  const [first] = oven.stages
  const measured = state.readings.findLast((r) => r.coreTempC !== undefined)?.coreTempC
  const says = measured === undefined ? null : coreSays(oven.coreC, measured)
  const bakeAt = steps.find((s) => s.kind === 'bake')?.atMs
  return (
    <Card title={OVEN_CARD.oven}>
      <Figures>
        {oven.stages.map((stage, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a step of the oven is known by its place
          <Figure key={i} size="lg" value={format.temperature(stage.tempC)} name={OVEN_CARD.stage(stage.minutes, stage.covered)} />
        ))}
        <Figure size="lg" value={OVEN_CARD.min(course.bakeMinutes)} name={course.loads > 1 ? OVEN_CARD.eachLoads(course.loads) : OVEN_CARD.inOven} />
        {oven.coreC !== null && (
          <Figure
            size="lg"
            value={`${format.temperature(oven.coreC[0], 0).replace(/\D+$/, '')}–${format.temperature(oven.coreC[1], 0)}`}
            name={OVEN_CARD.inMiddleDone}
          />
        )}
      </Figures>
      {bakeAt !== undefined && (
        <Text c="dimmed" mt="xs">
          {OVEN_CARD.heatMinBeforeFrom(
            course.preheatMinutes,
            format.time(near(bakeAt - course.preheatMinutes * 60_000)),
            first?.covered ? OVEN_CARD.steamOrLidForFirst : OVEN_CARD.noSteam
          )}
        </Text>
      )}
      {first?.covered && <Note tone="care">{OVEN_CARD.heatGlovesAndFaceAway}</Note>}
      {state.deeds.has('bake') && oven.coreC !== null && (
        <>
          <Group mt="md" align="flex-end">
            <QuantityField
              kind="temperature"
              label={OVEN_CARD.measuredInMiddle}
              what={OVEN_CARD.middle}
              value={coreC ?? measured ?? oven.coreC[0]}
              range={[0, 130]}
              onCommit={setCoreC}
            />
            <Button variant="default" onClick={() => onCore(coreC ?? oven.coreC?.[0] ?? 96)}>
              {OVEN_CARD.note}
            </Button>
          </Group>
          <ReadFrom kind="probe" onRead={setCoreC} />
          {says !== null && (
            <Note tone={says === 'done' ? 'plain' : 'care'}>
              {says === 'not yet' && OVEN_CARD.notYetBackIntoOven}
              {says === 'done' && OVEN_CARD.doneTakeOut}
              {says === 'dry soon' && OVEN_CARD.moreThanDoneTakeOut}
            </Note>
          )}
        </>
      )}
      {state.deeds.has('bake') && <Text mt="xs">{OVEN_CARD.knockOnUndersideHollowSound(format.duration(course.coolHours))}</Text>}
    </Card>
  )
}
