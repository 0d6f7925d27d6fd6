import { Button, type ButtonProps, Group, Menu, Modal } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconCheck, IconChevronDown } from '@tabler/icons-react'
import { useState } from 'react'
import type { Bake } from '../../../answers'
import type { Step } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { MomentField } from '../MomentField'
import { useMarkStep } from './useMarkStep'

const MINUTE = 60_000
/** How long ago it may have been, min. */
const AGO = [10, 20, 30, 60]

/** Done, done some time ago, or left out. */
export function MarkStep({ bake, step, now, size }: { readonly bake: Bake; readonly step: Step; readonly now: number; readonly size: ButtonProps['size'] }) {
  const { format } = useKitchen()
  const mark = useMarkStep()
  const [asking, ask] = useDisclosure(false)
  const [at, setAt] = useState(now)
  return (
    <Group gap={2} wrap="nowrap">
      <Button size={size} leftSection={<IconCheck size={20} />} onClick={() => mark(bake, step, 'done')}>
        Done
      </Button>
      <Menu position="bottom-end">
        <Menu.Target>
          <Button size={size} variant="light" px={10} miw={44} aria-label="Done earlier, or left out">
            <IconChevronDown size={20} />
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          {AGO.map((minutes) => (
            <Menu.Item key={minutes} onClick={() => mark(bake, step, 'done', now - minutes * MINUTE)}>
              Done {minutes} min ago, at {format.time(now - minutes * MINUTE)}
            </Menu.Item>
          ))}
          <Menu.Item
            onClick={() => {
              setAt(now)
              ask.open()
            }}
          >
            Done at another time …
          </Menu.Item>
          <Menu.Divider />
          <Menu.Item onClick={() => mark(bake, step, 'skipped')}>Left out</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <Modal opened={asking} onClose={ask.close} title="When was it?">
        <MomentField ms={at} fromMs={now - 48 * 60 * MINUTE} onMs={setAt} />
        <Button
          mt="md"
          onClick={() => {
            mark(bake, step, 'done', Math.min(at, now))
            ask.close()
          }}
        >
          Note it
        </Button>
      </Modal>
    </Group>
  )
}
