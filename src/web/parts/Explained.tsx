import { Popover } from '@mantine/core'
import { Fragment } from 'react'
import { piecesOf } from '../../words'
import classes from './Explained.module.css'

/**
 * A text whose first trade word is underlined with dots and explained where it stands.
 * @param ofField it names a field: the Tab key goes on to the field itself
 */
export function Explained({ text, ofField = false }: { readonly text: string; readonly ofField?: boolean }) {
  return piecesOf(text).map(({ text: piece, says }) =>
    says === undefined ? (
      <Fragment key={piece}>{piece}</Fragment>
    ) : (
      <Popover key={piece} width={280} position="bottom-start" withArrow shadow="sm">
        <Popover.Target>
          <button type="button" className={classes.word} tabIndex={ofField ? -1 : undefined}>
            {piece}
          </button>
        </Popover.Target>
        <Popover.Dropdown>
          <span className={classes.says}>{says}</span>
        </Popover.Dropdown>
      </Popover>
    )
  )
}
