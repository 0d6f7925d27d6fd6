import { Menu } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { type ReactNode, useState } from 'react'
import { MARK_MENU } from '../../../words/screens/parts-steps'
import { useKitchen } from '../../data/kitchen'
import { AskWhen } from './AskWhen'

/** How long ago it may have been, min. */
const AGO = [10, 20, 30, 60]

interface MarkMenuProps {
  readonly now: number
  /** The button it hangs from. */
  readonly children: ReactNode
  readonly onDone: (atMs: number) => void
  readonly onSkipped: () => void
}

/** Done some time ago, or left out; open from the start. */
export function MarkMenu({ now, children, onDone, onSkipped }: MarkMenuProps) {
  const { format } = useKitchen()
  const [asking, setAsking] = useState(false)
  return (
    <>
      <Menu position="bottom-end" defaultOpened>
        <Menu.Target>{children}</Menu.Target>
        <Menu.Dropdown>
          {AGO.map((minutes) => (
            <Menu.Item key={minutes} onClick={() => onDone(now - minutes * millisecondsInMinute)}>
              {MARK_MENU.doneMinAgoAt(minutes, format.time(now - minutes * millisecondsInMinute))}
            </Menu.Item>
          ))}
          <Menu.Item onClick={() => setAsking(true)}>{MARK_MENU.doneAtAnotherTime}</Menu.Item>
          <Menu.Divider />
          <Menu.Item onClick={onSkipped}>{MARK_MENU.leftOut}</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      {asking && <AskWhen now={now} onWhen={onDone} onClose={() => setAsking(false)} />}
    </>
  )
}
