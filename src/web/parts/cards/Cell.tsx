import { memo, useCallback, useLayoutEffect, useRef, useState } from 'react'
import { evaluate } from '../../../core'
import classes from './Cell.module.css'

/** A text that changes by itself. */
export interface LiveText {
  readonly get: () => string
  readonly subscribe: (listener: () => void) => () => void
}

/** A cell of a grid. */
export interface CellProps {
  /** The figure as it stands; a live one is put into the cell without drawing anything else anew. */
  readonly shown: string | LiveText
  readonly label: string
  /** Place in the grid, for the arrow keys. */
  readonly row: number
  readonly column: number
  readonly disabled?: boolean
  /** Told with every figure that can be read, null for one that cannot. @returns whether it was taken */
  readonly onFigure: (row: number, column: number, figure: number | null) => boolean
  /** Escape: back to what stood here when the cell was entered. */
  readonly onRevert: (row: number, column: number) => void
  readonly onFocus: (row: number, column: number) => void
}

/** One cell of a grid: a figure that is typed like in a spreadsheet, sums and products too. */
export const Cell = memo(function Cell({ shown, label, row, column, disabled = false, onFigure, onRevert, onFocus }: CellProps) {
  const input = useRef<HTMLInputElement>(null)
  /** What is typed stays until the cell is left, or for as long as it cannot be taken. */
  const typing = useRef(false)
  const [wrong, setWrong] = useState(false)
  const put = useCallback(() => {
    if (input.current !== null && !typing.current) input.current.value = typeof shown === 'string' ? shown : shown.get()
  }, [shown])
  useLayoutEffect(() => {
    put()
    return typeof shown === 'string' ? undefined : shown.subscribe(put)
  }, [put, shown])
  return (
    <input
      ref={input}
      className={classes.cell}
      aria-label={label}
      aria-invalid={wrong}
      data-row={row}
      data-column={column}
      inputMode="decimal"
      autoComplete="off"
      disabled={disabled}
      onChange={(event) => {
        typing.current = true
        setWrong(!onFigure(row, column, evaluate(event.currentTarget.value)))
      }}
      onFocus={(event) => {
        event.currentTarget.select()
        onFocus(row, column)
      }}
      onBlur={() => {
        if (wrong) return
        typing.current = false
        put()
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !typing.current) return
        event.stopPropagation()
        typing.current = false
        setWrong(false)
        onRevert(row, column)
        put()
      }}
    />
  )
})

/** Moves the focus in a grid of cells: up, down, Enter, and sideways at the ends of a text. */
export function moveInGrid(event: React.KeyboardEvent<HTMLElement>): void {
  const from = event.target
  if (!(from instanceof HTMLInputElement) || from.dataset.row === undefined) return
  const whole = from.selectionStart === 0 && from.selectionEnd === from.value.length
  const atStart = whole || (from.selectionStart === 0 && from.selectionEnd === 0)
  const atEnd = whole || from.selectionStart === from.value.length
  const steps: Readonly<Record<string, readonly [rows: number, columns: number] | undefined>> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    Enter: [event.shiftKey ? -1 : 1, 0],
    ArrowLeft: atStart ? [0, -1] : undefined,
    ArrowRight: atEnd ? [0, 1] : undefined
  }
  const step = steps[event.key]
  if (step === undefined) return
  event.preventDefault()
  const cells = [...event.currentTarget.querySelectorAll<HTMLInputElement>('input[data-row]:not(:disabled)')]
  const at = (input: HTMLInputElement) => [Number(input.dataset.row), Number(input.dataset.column)] as const
  const [row, column] = at(from)
  if (step[0] === 0) {
    cells.find((c) => at(c)[0] === row && at(c)[1] === column + step[1])?.focus()
    return
  }
  const inColumn = cells
    .filter((c) => at(c)[1] === column && (at(c)[0] - row) * step[0] > 0)
    .sort((a, b) => Math.abs(at(a)[0] - row) - Math.abs(at(b)[0] - row))
  inColumn[0]?.focus()
}
