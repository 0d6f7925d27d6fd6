import { Button, Modal, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import type { ChangedThing } from '../../../contract'
import { changeWords } from '../../../words'
import { HISTORY } from '../../../words/screens/parts'
import { useChanges } from '../../data/changes'
import { useKitchen } from '../../data/kitchen'
import classes from './History.module.css'

/** What was changed of something: when, on which device, from what to what. */
export function History({
  what,
  ofId,
  title,
  onClose
}: {
  readonly what: ChangedThing
  readonly ofId: string
  readonly title: string
  readonly onClose: () => void
}) {
  const { format } = useKitchen()
  const { changes, error } = useChanges(what, ofId)
  return (
    <Modal opened onClose={onClose} title={HISTORY.changes(title)} size="lg">
      {error !== undefined && <Text>{error.message}</Text>}
      {changes === undefined && error === undefined && <Text c="dimmed">{HISTORY.looking}</Text>}
      {changes?.length === 0 && <Text c="dimmed">{HISTORY.nothingHasBeenChangedYet}</Text>}
      {changes?.map((change) => (
        <section key={`${change.at} ${change.fields[0]?.field}`} className={classes.change}>
          <h3 className={classes.when}>
            {format.dayTime(change.at)}
            {change.who !== null && HISTORY.on(change.who)}
          </h3>
          <ul className={classes.fields}>
            {change.fields.map((field) => {
              const { name, from, to } = changeWords(field, format)
              return (
                <li key={field.field} className={classes.field}>
                  <span>{name}</span>
                  <span>{from === to ? to : `${from} → ${to}`}</span>
                </li>
              )
            })}
          </ul>
        </section>
      ))}
    </Modal>
  )
}

/** Opens what was changed of something. */
export function HistoryButton(of: { readonly what: ChangedThing; readonly ofId: string; readonly title: string }) {
  const [opened, { open, close }] = useDisclosure(false)
  return (
    <>
      <Button size="sm" variant="default" onClick={open}>
        {HISTORY.whatWasChanged}
      </Button>
      {opened && <History {...of} onClose={close} />}
    </>
  )
}
