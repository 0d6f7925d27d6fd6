import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { IconChevronDown, IconGripVertical } from '@tabler/icons-react'
import { memo, type ReactNode, startTransition, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react'
import { editCell, type Formula, type SizedFormula } from '../../../../core'
import { problemSentence } from '../../../../words'
import { FORMULA_GRID } from '../../../../words/screens/recipe'
import { Note } from '../../../parts/cards/Card'
import { Cell, type CellProps, type LiveText, moveInGrid } from '../../../parts/cards/Cell'
import { scaleOf } from '../../../parts/figures'
import classes from './FormulaGrid.module.css'
import { type GridFacts, type GridLine, gridOf } from './gridLines'
import { createGridTexts, type GridTexts, textKey } from './gridTexts'

const SHARE = 0
const GRAMS = 1

/**
 * The formula as a grid: type into any cell, the others answer in the same frame, and the rest of the sheet follows when there is time.
 * Each keystroke is worked out from the formula as it was when the cell was entered, so that a figure half typed leaves no trace.
 */
export function FormulaGrid({
  sized,
  facts,
  frozen,
  open,
  onOpen,
  unfolded,
  onEdit,
  onMove
}: {
  readonly sized: SizedFormula
  readonly facts: GridFacts
  readonly frozen: boolean
  /** Line that is unfolded. */
  readonly open: string | null
  readonly onOpen: (id: string | null) => void
  /** What an unfolded line shows. */
  readonly unfolded: (id: string) => ReactNode
  readonly onEdit: (next: SizedFormula) => void
  readonly onMove: (from: number, to: number) => void
}) {
  const [refusal, setRefusal] = useState<string | null>(null)
  const { lines, total } = useMemo(() => gridOf(sized, facts), [sized, facts])
  const [texts] = useState(() => {
    const fresh = createGridTexts()
    fresh.set(lines, total)
    return fresh
  })
  const latest = useRef({ sized, facts, lines, onEdit })
  useLayoutEffect(() => {
    latest.current = { sized, facts, lines, onEdit }
  })
  const origin = useRef(sized)
  /** The formula typed last, until the sheet has caught up with it; and all that were on their way to it. */
  const typed = useRef<SizedFormula | null>(null)
  const onTheWay = useRef(new WeakSet<Formula>())

  useLayoutEffect(() => {
    const waits = typed.current !== null && typed.current.formula !== sized.formula && onTheWay.current.has(sized.formula)
    if (waits) return
    typed.current = null
    texts.set(lines, total)
  }, [texts, lines, total, sized])

  const enter = useCallback(() => {
    origin.current = typed.current ?? latest.current.sized
    onTheWay.current = new WeakSet([latest.current.sized.formula])
  }, [])
  const [afterPaint, flush] = useAfterPaint()
  const show = useCallback(
    (next: SizedFormula) => {
      const now = latest.current
      typed.current = next
      onTheWay.current.add(next.formula)
      const grid = gridOf(next, now.facts)
      texts.set(grid.lines, grid.total)
      afterPaint(() => startTransition(() => now.onEdit(next)))
    },
    [texts, afterPaint]
  )
  const type = useCallback(
    (row: number, column: number, figure: number | null): boolean => {
      const now = latest.current
      const line = now.lines[row]
      if (line === undefined || figure === null) return figure !== null
      const value = column === SHARE ? figure / 100 : scaleOf('mass', now.facts.format).read(figure)
      const answer = editCell(origin.current, line.id, column === SHARE ? 'share' : 'grams', value, now.facts.context)
      setRefusal(answer.ok ? null : problemSentence(answer.problem, (id) => now.lines.find((l) => l.id === id)?.name))
      if (answer.ok) show(answer.value)
      return answer.ok
    },
    [show]
  )
  const revert = useCallback(() => {
    setRefusal(null)
    show(origin.current)
  }, [show])
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
      <div className={classes.grid} onKeyDown={moveInGrid} onBlur={flush}>
        <div className={classes.head} aria-hidden="true">
          <span />
          <span />
          <span>%</span>
          <span>{facts.format.choice.mass}</span>
        </div>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={frozen}>
            {lines.map((line, row) => (
              <div key={line.id}>
                <Row
                  id={line.id}
                  name={line.name}
                  more={line.more}
                  fixedShare={line.fixedShare}
                  texts={texts}
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
          <span className={classes.totalName}>{FORMULA_GRID.dough}</span>
          <Sum texts={texts} name={textKey(null, 'share')} />
          <Sum texts={texts} name={textKey(null, 'grams')} />
        </div>
      </div>
      {refusal !== null && <Note tone="stop">{refusal}</Note>}
    </div>
  )
}

/** Does the latest of several pieces of work once the frame is on the screen; at once when it is flushed or the grid is closed before. */
function useAfterPaint(): readonly [later: (work: () => void) => void, flush: () => void] {
  const waiting = useRef<(() => void) | null>(null)
  const flush = useCallback(() => {
    const work = waiting.current
    waiting.current = null
    work?.()
  }, [])
  useEffect(() => flush, [flush])
  const later = useCallback(
    (work: () => void) => {
      if (waiting.current === null) requestAnimationFrame(() => setTimeout(flush))
      waiting.current = work
    },
    [flush]
  )
  return [later, flush]
}

/** One text of the grid by itself. */
function useLive(texts: GridTexts, name: string): LiveText {
  return useMemo(() => ({ get: () => texts.get(name), subscribe: texts.subscribe }), [texts, name])
}

function Sum({ texts, name }: { readonly texts: GridTexts; readonly name: string }) {
  const { subscribe, get } = useLive(texts, name)
  return <span>{useSyncExternalStore(subscribe, get)}</span>
}

type RowProps = Pick<GridLine, 'id' | 'name' | 'more' | 'fixedShare'> &
  Pick<CellProps, 'onFigure' | 'onRevert' | 'onFocus' | 'row'> & {
    readonly texts: GridTexts
    readonly frozen: boolean
    readonly open: boolean
    readonly onToggle: (id: string) => void
  }

const Row = memo(function Row({ id, name, more, fixedShare, texts, row, frozen, open, onToggle, ...cell }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id })
  const share = useLive(texts, textKey(id, 'share'))
  const grams = useLive(texts, textKey(id, 'grams'))
  return (
    <div ref={setNodeRef} className={classes.row} data-dragging={isDragging} style={{ transform: CSS.Translate.toString(transform), transition }}>
      <button type="button" className={classes.grip} aria-label={FORMULA_GRID.move(name)} disabled={frozen} {...attributes} {...listeners}>
        <IconGripVertical size={18} aria-hidden="true" />
      </button>
      <button type="button" className={classes.name} aria-expanded={open} onClick={() => onToggle(id)}>
        <span>
          {name}
          {more !== '' && <span className={classes.more}>{more}</span>}
        </span>
        <IconChevronDown size={18} className={classes.chevron} aria-hidden="true" />
      </button>
      <Cell {...cell} shown={share} label={`${name}, %`} row={row} column={SHARE} disabled={frozen || fixedShare} />
      <Cell {...cell} shown={grams} label={FORMULA_GRID.grams(name)} row={row} column={GRAMS} disabled={frozen} />
    </div>
  )
})
