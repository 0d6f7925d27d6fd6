import { Button, NumberInput, SimpleGrid, Text } from '@mantine/core'
import { useState } from 'react'
import { MOST_WORK_MINUTES, minutesOf, WORK_STEPS, type WorkStep, workOf } from '../../../core'
import { WORK_CARD } from '../../../words/screens/kitchen'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { useChange } from './useChange'

/** How long things take this baker: schedules and the calendar count with it. */
export function WorkCard() {
  const { kitchen, format } = useKitchen()
  const change = useChange()
  const work = workOf(kitchen)
  const isSeen = kitchen.work === undefined && Object.keys(kitchen.workSeen).length > 0
  const put = (step: WorkStep, minutes: number) => minutes !== work[step] && change({ work: { ...work, [step]: minutes } })
  return (
    <Card title={WORK_CARD.howLongThingsTakeYou}>
      <Text c="dimmed">{WORK_CARD.handsOnMinutes}</Text>
      <SimpleGrid cols={2} mt="sm">
        {WORK_STEPS.map((step) => (
          <Minutes
            key={`${step} ${work[step]}`}
            label={WORK_CARD.steps[step]}
            seen={isSeen && kitchen.workSeen[step] !== undefined}
            value={work[step]}
            onMinutes={(minutes) => put(step, minutes)}
          />
        ))}
      </SimpleGrid>
      <Text mt="sm">
        {WORK_CARD.twoLoavesAndADozen(
          format.duration(minutesOf('shape', { work, pieces: 2 }) / 60),
          format.duration(minutesOf('shape', { work, pieces: 0, rolls: 12 }) / 60)
        )}
      </Text>
      {kitchen.work !== undefined && (
        <Button mt="sm" variant="subtle" onClick={() => change({ work: undefined })}>
          {Object.keys(kitchen.workSeen).length > 0 ? WORK_CARD.asSeen : WORK_CARD.asUsual}
        </Button>
      )}
    </Card>
  )
}

/** Minutes that are saved once they are typed to the end. */
function Minutes({
  label,
  seen,
  value,
  onMinutes
}: {
  readonly label: string
  /** As it was seen, and not what is usual. */
  readonly seen: boolean
  readonly value: number
  readonly onMinutes: (minutes: number) => void
}) {
  const [typed, setTyped] = useState<number | string>(value)
  const save = () => (typeof typed === 'number' ? onMinutes(typed) : setTyped(value))
  return (
    <NumberInput
      label={label}
      description={seen ? WORK_CARD.seen : undefined}
      value={typed}
      min={0}
      max={MOST_WORK_MINUTES}
      suffix={WORK_CARD.min}
      clampBehavior="strict"
      onChange={setTyped}
      onBlur={save}
    />
  )
}
