import { Button, Modal } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { ASK_WHEN } from '../../../words/screens/parts-steps'
import { MomentField } from '../fields/MomentField'

const TWO_DAYS_MS = 48 * millisecondsInHour

interface AskWhenProps {
  readonly now: number
  readonly onWhen: (atMs: number) => void
  readonly onClose: () => void
}

/** When a step was done, within the last two days. */
export function AskWhen({ now, onWhen, onClose }: AskWhenProps) {
  const [at, setAt] = useState(now)
  const save = () => {
    onWhen(Math.min(at, now))
    onClose()
  }
  return (
    <Modal opened onClose={onClose} title={ASK_WHEN.whenWas}>
      <MomentField ms={at} fromMs={now - TWO_DAYS_MS} onMs={setAt} />
      <Button mt="md" onClick={save}>
        {ASK_WHEN.save}
      </Button>
    </Modal>
  )
}
