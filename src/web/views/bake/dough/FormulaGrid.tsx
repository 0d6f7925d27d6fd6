import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { IconChevronDown, IconGripVertical } from '@tabler/icons-react'
import { memo, type ReactNode, useCallback, useMemo, useRef, useState } from 'react'
import { problemSentence } from '../../../../contract'
import { type CellProblem, editCell, type Format, type FormulaContext, type Problem, type SizedFormula } from '../../../../core'
import { Note } from '../../../parts/Card'
import { Cell, moveInGrid } from '../../../parts/Cell'
import { scaleOf } from '../../../parts/figures'
import classes from './FormulaGrid.module.css'
import type { GridLine } from './gridLines'

const SHARE = 0
const GRAMS = 1

/**
 * The formula as a grid: type into any cell, the others answer. Each keystroke is reckoned from the formula as it was when the cell was entered,
 * so that a figure half typed leaves no trace.
 */
export function FormulaGrid({
  lines,
  total,
  sized,
  context,
  format,
  frozen,
  open,
  onOpen,
  unfolded,
  onEdit,
  onMove,
  nameOf
}: {
  readonly lines: readonly GridLine[]
  readonly total: { readonly share: string; readonly grams: string }
  readonly sized: SizedFormula
  readonly context: FormulaContext
  readonly format: Format
  readonly frozen: boolean
  /** Line that is unfolded. */
  readonly open: string | null
  readonly onOpen: (id: string | null) => void
  /** What an unfolded line shows. */
  readonly unfolded: (id: string) => ReactNode
  readonly onEdit: (next: SizedFormula) => void
  readonly onMove: (from: number, to: number) => void
  readonly nameOf: (id: string) => string | undefined
}) {
  const [refusal, setRefusal] = useState<string | null>(null)
  const latest = useRef({ sized, context, format, lines, onEdit, nameOf })
  latest.current = { sized, context, format, lines, onEdit, nameOf }
  const origin = useRef(sized)
  const enter = useCallback(() => {
    origin.current = latest.current.sized
  }, [])
  const type = useCallback((row: number, column: number, figure: number | null): boolean => {
    const now = latest.current
    const line = now.lines[row]
    if (line === undefined || figure === null) return figure !== null
    const value = column === SHARE ? figure / 100 : scaleOf('mass', now.format).read(figure)
    const answer = editCell(origin.current, line.id, column === SHARE ? 'share' : 'grams', value, now.context)
    setRefusal(answer.ok ? null : problemSentence(answer.problem as Problem<CellProblem>, now.nameOf))
    if (answer.ok) now.onEdit(answer.value)
    return answer.ok
  }, [])
  const revert = useCallback(() => {
    setRefusal(null)
    latest.current.onEdit(origin.current)
  }, [])
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates })
  )
  const ids = useMemo(() => lines.map((l) => l.id), [lines])
  const drop = ({ active, over }: DragEndEvent) => {
    if (over === null || active.id === over.id) return
    onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
  }
  const toggle = useCallback((id: string) => onOpen(open === id ? null : id), [onOpen, open])
  return (
    <div>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the arrow keys move between the cells, which are inputs of their own */}
      <div className={classes.grid} onKeyDown={moveInGrid}>
        <div className={classes.head} aria-hidden="true">
          <span />
          <span />
          <span>%</span>
          <span>{format.choice.mass}</span>
        </div>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={frozen}>
            {lines.map((line, row) => (
              <div key={line.id}>
                <Row
                  id={line.id}
                  name={line.name}
                  more={line.more}
                  share={line.share}
                  grams={line.grams}
                  fixedShare={line.fixedShare}
                  row={row}
                  frozen={frozen}
                  open={open === line.id}
                  onToggle={toggle}
                  onFigure={type}
                  onRevert={revert}
                  onFocus={enter}
                />
                {open === line.id && <div className={classes.unfolded}>{unfolded(line.id)}</div>}
              </div>
            ))}
          </SortableContext>
        </DndContext>
        <div className={classes.total}>
          <span />
          <span className={classes.totalName}>Dough</span>
          <span>{total.share}</span>
          <span>{total.grams}</span>
        </div>
      </div>
      {refusal !== null && <Note tone="stop">{refusal}</Note>}
    </div>
  )
}

const Row = memo(function Row({
  id,
  name,
  more,
  share,
  grams,
  fixedShare,
  row,
  frozen,
  open,
  onToggle,
  onFigure,
  onRevert,
  onFocus
}: {
  readonly id: string
  readonly name: string
  readonly more: string
  readonly share: string
  readonly grams: string
  readonly fixedShare: boolean
  readonly row: number
  readonly frozen: boolean
  readonly open: boolean
  readonly onToggle: (id: string) => void
  readonly onFigure: (row: number, column: number, figure: number | null) => boolean
  readonly onRevert: () => void
  readonly onFocus: () => void
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id })
  return (
    <div ref={setNodeRef} className={classes.row} data-dragging={isDragging} style={{ transform: CSS.Translate.toString(transform), transition }}>
      <button type="button" className={classes.grip} aria-label={`Move ${name}`} disabled={frozen} {...attributes} {...listeners}>
        <IconGripVertical size={18} aria-hidden="true" />
      </button>
      <button type="button" className={classes.name} aria-expanded={open} onClick={() => onToggle(id)}>
        <span>
          {name}
          {more !== '' && <span className={classes.more}>{more}</span>}
        </span>
        <IconChevronDown size={18} className={classes.chevron} aria-hidden="true" />
      </button>
      <Cell
        shown={share}
        label={`${name}, %`}
        row={row}
        column={SHARE}
        disabled={frozen || fixedShare}
        onFigure={onFigure}
        onRevert={onRevert}
        onFocus={onFocus}
      />
      <Cell shown={grams} label={`${name}, grams`} row={row} column={GRAMS} disabled={frozen} onFigure={onFigure} onRevert={onRevert} onFocus={onFocus} />
    </div>
  )
})
