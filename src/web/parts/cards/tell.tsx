import { Button, Group, Text } from '@mantine/core'
import { notifications } from '@mantine/notifications'
import { TELL } from '../../../words/screens/parts'
import { newId } from '../../data/newId'

/** What can be undone: its notice, its words, its way back. What is undone is the latest thing, so an older way back goes when a newer one comes. */
let undoable: { readonly id: string; readonly words: string; readonly undo: () => Promise<unknown> } | null = null

/** Takes the latest thing back that said it could be, also once its notice has gone. */
export function undoLatest(): void {
  if (undoable === null) return
  const { id, words, undo } = undoable
  undoable = null
  notifications.hide(id)
  undo().then(() => tellDone(TELL.takenBack(words)), tellError)
}

/** Says that something was done, with the way back. */
export function tellDone(words: string, undo?: () => Promise<unknown>): void {
  const id = newId()
  if (undo !== undefined) {
    if (undoable !== null) notifications.hide(undoable.id)
    undoable = { id, words, undo }
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
            flex="none"
            onClick={() => {
              if (undoable?.id === id) undoable = null
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
