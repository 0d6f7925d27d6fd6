import { Button, NumberInput, SegmentedControl, SimpleGrid, Text } from '@mantine/core'
import { courseFor } from '../../../../answers'
import type { Course } from '../../../../contract'
import { POSSIBLE, USUAL_COURSE } from '../../../../core'
import { bulkStopSentence } from '../../../../words'
import { DOUGH_DAY_CARD } from '../../../../words/screens/plan'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/cards/Card'
import { PlaceSelect } from '../../../parts/fields/PlaceSelect'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { useBakeHere } from '../bakeHere'
import { Moves } from './Moves'
import { OvenFields } from './OvenFields'

const PERCENT = 100
const COLD_HOURS = 12

/** The dough's own day after the mix: how far it rises, how it is proofed and baked. */
export function DoughDayCard() {
  const { plan, edit, frozen, day } = useBakeHere()
  const { kitchen, format } = useKitchen()
  const { course } = plan
  if (course === null) {
    const place = kitchen.places.find((p) => p.id === plan.placeId) ?? kitchen.places[0]
    return (
      <Card title={DOUGH_DAY_CARD.bulkShapeProofBake}>
        <Text>{DOUGH_DAY_CARD.onlyLevainPlannedThisBake}</Text>
        {!frozen && place !== undefined && (
          <Button mt="sm" variant="default" onClick={() => edit({ course: courseFor(plan.formula, place) })}>
            {DOUGH_DAY_CARD.planBulkProofAndBake}
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
  const stop = day.bulkStop === null ? null : bulkStopSentence(day.bulkStop, format)
  return (
    <Card title={DOUGH_DAY_CARD.bulkShapeProofBake}>
      <SimpleGrid cols={2} spacing="sm">
        <PlaceSelect label={DOUGH_DAY_CARD.rises} disabled={frozen} value={course.placeId} onPlace={({ id, tempC }) => put({ placeId: id, tempC })} />
        <QuantityField
          kind="temperature"
          label={DOUGH_DAY_CARD.doughWhenMixed}
          what={DOUGH_DAY_CARD.dough}
          disabled={frozen}
          value={course.mixTempC}
          range={POSSIBLE.tempC}
          onCommit={(mixTempC) => put({ mixTempC })}
        />
        {number('Autolyse', course.autolyseMinutes, [0, 480], 10, (autolyseMinutes) => put({ autolyseMinutes }), DOUGH_DAY_CARD.min)}
        {number('Folds', course.folds, [0, 12], 1, (folds) => put({ folds }))}
        <NumberInput
          label={DOUGH_DAY_CARD.riseInBulk}
          placeholder={day.bulkStop === null ? undefined : DOUGH_DAY_CARD.fromItsProof(format.growth(day.bulkStop.gas).slice(1))}
          value={course.bulkGas === null ? '' : Math.round(course.bulkGas * PERCENT)}
          disabled={frozen}
          min={5}
          max={250}
          step={5}
          suffix=" %"
          clampBehavior="blur"
          onChange={(v) => {
            if (v === '') put({ bulkGas: null, bulkStretch: 1 })
            else if (typeof v === 'number' && v >= 5 && v <= 250) put({ bulkGas: v / PERCENT, bulkStretch: 1 })
          }}
        />
        {proof.kind === 'warm'
          ? number(
              DOUGH_DAY_CARD.growthInProof,
              Math.round(proof.gas * PERCENT),
              [5, 200],
              5,
              (v) => put({ proof: { kind: 'warm', gas: v / PERCENT }, proofStretch: 1 }),
              ' %'
            )
          : number(DOUGH_DAY_CARD.inCold, Math.round(proof.hours * 4) / 4, [1, 96], 1, (hours) => put({ proof: { kind: 'cold', hours } }), ' h')}
        {number(DOUGH_DAY_CARD.heatOven, course.preheatMinutes, [0, 180], 5, (preheatMinutes) => put({ preheatMinutes }), DOUGH_DAY_CARD.min)}
        {plan.formula.oven === undefined &&
          number(DOUGH_DAY_CARD.inOven, course.bakeMinutes, [2, 300], 5, (bakeMinutes) => put({ bakeMinutes }), DOUGH_DAY_CARD.min)}
        {number('Loads', course.loads, [1, 12], 1, (loads) => put({ loads }))}
        {number('Cooling', course.coolHours, [0, 48], 0.5, (coolHours) => put({ coolHours }), ' h')}
      </SimpleGrid>
      <Moves of="dough" placeId={course.placeId} moves={course.moves} frozen={frozen} onMoves={(moves) => put({ moves })} />
      <SegmentedControl
        mt="md"
        fullWidth
        disabled={frozen}
        aria-label={DOUGH_DAY_CARD.proof}
        value={proof.kind}
        data={[
          { value: 'warm', label: DOUGH_DAY_CARD.sameDayProof },
          { value: 'cold', label: DOUGH_DAY_CARD.coldProof }
        ]}
        onChange={(kind) => put({ proof: kind === 'cold' ? { kind, hours: COLD_HOURS } : USUAL_COURSE[plan.formula.doughKind].proof, proofStretch: 1 })}
      />
      {stop !== null && <Text mt="md">{stop}</Text>}
      <OvenFields />
      {!frozen && (
        <Button mt="sm" variant="subtle" onClick={() => edit({ course: null })}>
          {DOUGH_DAY_CARD.planOnlyLevain}
        </Button>
      )}
    </Card>
  )
}
