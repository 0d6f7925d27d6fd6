import { Button, type ButtonProps, Group } from '@mantine/core'
import { IconCheck, IconChevronDown } from '@tabler/icons-react'
import { lazy, Suspense, useState } from 'react'
import type { Bake } from '../../../answers'
import type { Step } from '../../../core'
import { MARK_STEP } from '../../../words/screens/parts-steps'
import { useMarkStep } from './useMarkStep'

// Most steps are done when they are marked: the menu for the others is fetched when it is opened.
const MarkMenu = lazy(() => import('./MarkMenu').then((m) => ({ default: m.MarkMenu })))

/** Done, done some time ago, or left out. */
export function MarkStep({ bake, step, now, size }: { readonly bake: Bake; readonly step: Step; readonly now: number; readonly size: ButtonProps['size'] }) {
  const mark = useMarkStep()
  const [more, setMore] = useState(false)
  const chevron = (
    <Button size={size} variant="light" px={10} miw={44} aria-label={MARK_STEP.doneEarlierOrLeftOut} onClick={more ? undefined : () => setMore(true)}>
      <IconChevronDown size={20} />
    </Button>
  )
  return (
    <Group gap={2} wrap="nowrap">
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
