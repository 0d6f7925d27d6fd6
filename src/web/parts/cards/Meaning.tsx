import { Popover } from '@mantine/core'
import classes from './Explained.module.css'

/** What a trade word means, below the place where it stands; gone with the next tap. */
export function Meaning({ says, onClose }: { readonly says: string; readonly onClose: () => void }) {
  return (
    <Popover opened onChange={(opened) => !opened && onClose()} width={280} position="bottom-end" withArrow shadow="sm">
      <Popover.Target>
        <span aria-hidden="true" />
      </Popover.Target>
      <Popover.Dropdown role="status">
        <span className={classes.says}>{says}</span>
      </Popover.Dropdown>
    </Popover>
  )
}
