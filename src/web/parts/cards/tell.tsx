import { Button, Group, Text } from '@mantine/core'
import { notifications } from '@mantine/notifications'
import { TELL } from '../../../words/screens/parts'
import { newId } from '../../data/newId'

/** The notice whose Undo can be pressed. What is undone is the latest thing, so an older way back goes when a newer one comes. */
let undoable: string | null = null

/** Says that something was done, with the way back. */
export function tellDone(words: string, undo?: () => Promise<unknown>): void {
  const id = newId()
  if (undo !== undefined) {
    if (undoable !== null) notifications.hide(undoable)
    undoable = id
  }
  notifications.show({
    id,
    withBorder: true,
    color: 'plum',
    message: (
      <Group justify="space-between" wrap="nowrap">
        <Text>{words}</Text>
        {undo !== undefined && (
          <Button
            variant="light"
            size="sm"
            onClick={() => {
              notifications.hide(id)
              undo().catch(tellError)
            }}
          >
            {TELL.undo}
          </Button>
        )}
      </Group>
    )
  })
}

/** Says in a sentence what did not work. */
export function tellError(error: unknown): void {
  notifications.show({
    withBorder: true,
    color: 'red',
    title: TELL.thatDidNotWork,
    message: error instanceof Error ? error.message : TELL.somethingWentWrong,
    autoClose: 12_000
  })
}
