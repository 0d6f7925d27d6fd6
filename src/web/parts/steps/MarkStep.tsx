import { Button, type ButtonProps, Group, Text } from '@mantine/core'
import { IconCheck, IconChevronDown } from '@tabler/icons-react'
import { lazy, Suspense, useState } from 'react'
import type { Bake } from '../../../answers'
import type { Step } from '../../../core'
import { MARK_STEP } from '../../../words/screens/parts-steps'
import { useKitchen } from '../../data/kitchen'
import { useBeginStep, useMarkStep } from './useMarkStep'

// Most steps are done when they are marked: the menu for the others is fetched when it is opened.
const MarkMenu = lazy(() => import('./MarkMenu').then((m) => ({ default: m.MarkMenu })))

/** Work that is shorter is over before it is noted, min. */
const WORTH_TIMING_MIN = 8

/** Begun, done, done some time ago, or left out. */
export function MarkStep({
  bake,
  step,
  now,
  size,
  begins = false
}: {
  readonly bake: Bake
  readonly step: Step
  readonly now: number
  readonly size: ButtonProps['size']
  /** It can be marked begun, too. */
  readonly begins?: boolean
}) {
  const mark = useMarkStep()
  const begin = useBeginStep()
  const { format } = useKitchen()
  const begunMs = bake.state.begun.get(step.id)
  const [more, setMore] = useState(false)
  const chevron = (
    <Button size={size} variant="light" px={10} miw={44} aria-label={MARK_STEP.doneEarlierOrLeftOut} onClick={more ? undefined : () => setMore(true)}>
      <IconChevronDown size={20} />
    </Button>
  )
  return (
    <Group gap={2} wrap="nowrap" align="center">
      {begunMs !== undefined ? (
        <Text c="dimmed" mr="xs">
          {MARK_STEP.begunAt(format.time(begunMs))}
        </Text>
      ) : (
        begins &&
        step.minutes >= WORTH_TIMING_MIN && (
          <Button size={size} variant="default" mr={6} onClick={() => begin(bake, step)}>
            {MARK_STEP.begin}
          </Button>
        )
      )}
      <Button size={size} leftSection={<IconCheck size={20} />} onClick={() => mark(bake, step, 'done')}>
        {MARK_STEP.done}
      </Button>
      {more ? (
        <Suspense fallback={chevron}>
          <MarkMenu now={now} onDone={(atMs) => mark(bake, step, 'done', atMs)} onSkipped={() => mark(bake, step, 'skipped')}>
            {chevron}
          </MarkMenu>
        </Suspense>
      ) : (
        chevron
      )}
    </Group>
  )
}
