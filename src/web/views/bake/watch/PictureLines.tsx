import { type PointerEvent, useRef } from 'react'
import { keysOf } from '../../../../core'
import { PICTURE_LINES } from '../../../../words/screens/watch'
import classes from './Watch.module.css'

/** The three lines laid over a picture, shares of its height. */
export interface Lines {
  readonly floor: number
  readonly band: number
  readonly level: number
}
const NAMES: Readonly<Record<keyof Lines, string>> = { floor: PICTURE_LINES.floorJar, band: 'Band', level: 'Level' }
const KINDS = keysOf(NAMES)
const STEP = 0.005

/** Rise as three lines tell it; null where they tell none. */
export function riseOf({ floor, band, level }: Lines): number | null {
  const rise = (floor - level) / (floor - band)
  return floor > band && rise > 0.5 && rise < 8 ? Math.round(rise * 100) / 100 : null
}

/** A picture with floor, band and level as lines that are taken by hand, or moved by the arrow keys. */
export function PictureLines({ url, lines, onLines }: { readonly url: string; readonly lines: Lines; readonly onLines: (lines: Lines) => void }) {
  const held = useRef<keyof Lines | null>(null)
  const shareOf = (event: PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    return Math.min(Math.max((event.clientY - box.top) / box.height, 0), 1)
  }
  return (
    <div
      className={classes.picture}
      onPointerDown={(event) => {
        const at = shareOf(event)
        held.current = KINDS.reduce((best, kind) => (Math.abs(lines[kind] - at) < Math.abs(lines[best] - at) ? kind : best))
        event.currentTarget.setPointerCapture(event.pointerId)
        onLines({ ...lines, [held.current]: at })
      }}
      onPointerMove={(event) => {
        if (held.current !== null) onLines({ ...lines, [held.current]: shareOf(event) })
      }}
      onPointerUp={() => {
        held.current = null
      }}
    >
      <img src={url} alt={PICTURE_LINES.jar} draggable={false} />
      {KINDS.map((kind) => (
        <div
          key={kind}
          className={classes.pictureLine}
          data-kind={kind}
          style={{ top: `${100 * lines[kind]}%` }}
          role="slider"
          tabIndex={0}
          aria-label={NAMES[kind]}
          aria-orientation="vertical"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(100 * (1 - lines[kind]))}
          onKeyDown={(event) => {
            const by = { ArrowUp: -STEP, ArrowDown: STEP }[event.key]
            if (by === undefined) return
            event.preventDefault()
            event.stopPropagation()
            onLines({ ...lines, [kind]: Math.min(Math.max(lines[kind] + by, 0), 1) })
          }}
        >
          <span>{NAMES[kind]}</span>
        </div>
      ))}
    </div>
  )
}
