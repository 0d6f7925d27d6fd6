import { Modal, Table } from '@mantine/core'
import { useKitchen } from '../data/kitchen'
import { KEYS } from './rooms'
import classes from './Shell.module.css'

/** All single keys, and whether they are on. */
export function KeysSheet({ onClose }: { readonly onClose: () => void }) {
  const { kitchen } = useKitchen()
  return (
    <Modal opened onClose={onClose} title="Keys" size="md">
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
      <p className={classes.hint}>
        Single keys are {kitchen.keys ? 'on' : 'off'}. You can turn them {kitchen.keys ? 'off' : 'on'} in Kitchen, under This kitchen.
      </p>
    </Modal>
  )
}
