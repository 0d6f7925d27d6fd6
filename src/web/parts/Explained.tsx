import { Popover } from '@mantine/core'
import { Fragment } from 'react'
import { piecesOf } from '../../words'
import classes from './Explained.module.css'

/** A text whose first trade word is underlined with dots and explained where it stands. */
export function Explained({ text }: { readonly text: string }) {
  return piecesOf(text).map(({ text: piece, says }) =>
    says === undefined ? (
      <Fragment key={piece}>{piece}</Fragment>
    ) : (
      <Popover key={piece} width={280} position="bottom-start" withArrow shadow="sm">
        <Popover.Target>
          <button type="button" className={classes.word}>
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
