import { Button, NumberInput, SegmentedControl, SimpleGrid, Text } from '@mantine/core'
import { courseFor } from '../../../../answers'
import type { Course } from '../../../../contract'
import { POSSIBLE, USUAL_COURSE } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/Card'
import { PlaceSelect } from '../../../parts/PlaceSelect'
import { QuantityField } from '../../../parts/QuantityField'
import type { StationProps } from '../station'

const PERCENT = 100
const COLD_HOURS = 12

/** The dough's own day after the mix: how far it rises, how it is proofed and baked. */
export function DoughDayCard({ plan, edit, frozen }: StationProps) {
  const { kitchen } = useKitchen()
  const { course } = plan
  if (course === null) {
    const place = kitchen.places.find((p) => p.id === plan.placeId) ?? kitchen.places[0]
    return (
      <Card title="Bulk, shape, proof, bake">
        <Text>Only the levain is planned: this bake ends with the mix.</Text>
        {!frozen && place !== undefined && (
          <Button mt="sm" variant="default" onClick={() => edit({ course: courseFor(plan.formula, place) })}>
            Plan bulk, proof and bake too
          </Button>
        )}
      </Card>
    )
  }
  const put = (patch: Partial<Course>) => edit((p) => (p.course === null ? {} : { course: { ...p.course, ...patch } }))
  const number = (label: string, value: number, range: readonly [number, number], step: number, onValue: (value: number) => void, suffix = '') => (
    <NumberInput
      label={label}
      value={value}
      disabled={frozen}
      min={range[0]}
      max={range[1]}
      step={step}
      suffix={suffix}
      clampBehavior="blur"
      onChange={(v) => typeof v === 'number' && v >= range[0] && v <= range[1] && onValue(v)}
    />
  )
  const { proof } = course
  return (
    <Card title="Bulk, shape, proof, bake">
      <SimpleGrid cols={2} spacing="sm">
        <PlaceSelect label="It rises" disabled={frozen} value={course.placeId} onPlace={({ id, tempC }) => put({ placeId: id, tempC })} />
        <QuantityField
          kind="temperature"
          label="Dough when mixed"
          what="The dough"
          disabled={frozen}
          value={course.mixTempC}
          range={POSSIBLE.tempC}
          onCommit={(mixTempC) => put({ mixTempC })}
        />
        {number('Autolyse', course.autolyseMinutes, [0, 480], 10, (autolyseMinutes) => put({ autolyseMinutes }), ' min')}
        {number('Folds', course.folds, [0, 12], 1, (folds) => put({ folds }))}
        {number('Rise in bulk', Math.round(course.bulkGas * PERCENT), [5, 250], 5, (v) => put({ bulkGas: v / PERCENT, bulkStretch: 1 }), ' %')}
        {proof.kind === 'warm'
          ? number(
              'Growth in the proof',
              Math.round(proof.gas * PERCENT),
              [5, 200],
              5,
              (v) => put({ proof: { kind: 'warm', gas: v / PERCENT }, proofStretch: 1 }),
              ' %'
            )
          : number('In the cold', Math.round(proof.hours * 4) / 4, [1, 96], 1, (hours) => put({ proof: { kind: 'cold', hours } }), ' h')}
        {number('Heat the oven', course.preheatMinutes, [0, 180], 5, (preheatMinutes) => put({ preheatMinutes }), ' min')}
        {number('In the oven', course.bakeMinutes, [2, 300], 5, (bakeMinutes) => put({ bakeMinutes }), ' min')}
        {number('Loads', course.loads, [1, 12], 1, (loads) => put({ loads }))}
        {number('Cooling', course.coolHours, [0, 48], 0.5, (coolHours) => put({ coolHours }), ' h')}
      </SimpleGrid>
      <SegmentedControl
        mt="md"
        fullWidth
        disabled={frozen}
        aria-label="Proof"
        value={proof.kind}
        data={[
          { value: 'warm', label: 'Same-day proof' },
          { value: 'cold', label: 'Cold proof' }
        ]}
        onChange={(kind) => put({ proof: kind === 'cold' ? { kind, hours: COLD_HOURS } : USUAL_COURSE[plan.formula.doughKind].proof, proofStretch: 1 })}
      />
      {!frozen && (
        <Button mt="sm" variant="subtle" onClick={() => edit({ course: null })}>
          Plan only the levain
        </Button>
      )}
    </Card>
  )
}
