import { Button, CopyButton, Text } from '@mantine/core'
import { TELL_ONCE } from '../../../words/screens/kitchen'
import { Note } from '../../parts/cards/Card'
import classes from './KitchenRoom.module.css'

/** Something secret that is told now and never again. */
export function TellOnce({ says, secret }: { readonly says: string; readonly secret: string }) {
  return (
    <Note>
      <Text>{says}</Text>
      <code className={classes.address}>{secret}</code>
      <CopyButton value={secret}>
        {({ copied, copy }) => (
          <Button size="sm" variant="default" mt="xs" onClick={copy}>
            {copied ? TELL_ONCE.copied : TELL_ONCE.copy}
          </Button>
        )}
      </CopyButton>
    </Note>
  )
}
