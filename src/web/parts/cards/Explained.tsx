import { Fragment, lazy, Suspense, useState } from 'react'
import { piecesOf } from '../../../words'
import classes from './Explained.module.css'

/** What floats is fetched when the first word is tapped. */
const Meaning = lazy(() => import('./Meaning').then((m) => ({ default: m.Meaning })))

/**
 * A text whose first trade word is underlined with dots and explained where it stands.
 * @param ofField it names a field: the Tab key goes on to the field itself
 */
export function Explained({ text, ofField = false }: { readonly text: string; readonly ofField?: boolean }) {
  const [open, setOpen] = useState(false)
  return piecesOf(text).map(({ text: piece, says }) =>
    says === undefined ? (
      <Fragment key={piece}>{piece}</Fragment>
    ) : (
      <Fragment key={piece}>
        <button type="button" className={classes.word} tabIndex={ofField ? -1 : undefined} aria-expanded={open} onClick={() => setOpen(true)}>
          {piece}
        </button>
        {open && (
          <Suspense fallback={null}>
            <Meaning says={says} onClose={() => setOpen(false)} />
          </Suspense>
        )}
      </Fragment>
    )
  )
}
