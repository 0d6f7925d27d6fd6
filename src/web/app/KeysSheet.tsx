import { Modal, Table } from '@mantine/core'
import { Link } from 'react-router'
import { KEYS_SHEET } from '../../words/screens/app'
import { WORDS_ROOM } from '../../words/screens/words'
import { useKitchen } from '../data/kitchen'
import { KEYS } from './rooms'
import classes from './Shell.module.css'

/** All single keys, and whether they are on. */
export function KeysSheet({ onClose }: { readonly onClose: () => void }) {
  const { kitchen } = useKitchen()
  return (
    <Modal opened onClose={onClose} title={KEYS_SHEET.keys} size="md">
      <Table verticalSpacing="sm">
        <Table.Tbody>
          {KEYS.map(({ keys, does }) => (
            <Table.Tr key={keys}>
              <Table.Td>
                <kbd className={classes.key}>{keys}</kbd>
              </Table.Td>
              <Table.Td>{does}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <p className={classes.hint}>{KEYS_SHEET.singleKeysAreYouCan(kitchen.keys ? 'on' : 'off', kitchen.keys ? 'off' : 'on')}</p>
      <p className={classes.hint}>
        <Link to="/words" onClick={onClose}>
          {WORDS_ROOM.words}
        </Link>
      </p>
    </Modal>
  )
}
