import { millisecondsInMinute } from 'date-fns/constants'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { flushSync } from 'react-dom'
import { type DrawnHill, levelAt, type RibbonFrame } from './geometry'
import classes from './Ribbon.module.css'

/** A place where the hill can be taken hold of. */
export interface RibbonGrip {
  readonly id: string
  /** "Ripe moment" */
  readonly label: string
  readonly ms: number
  /** On the ridge, or on the ground. */
  readonly on: 'ridge' | 'ground'
  /** What one tap or key moves it by. */
  readonly stepMs: number
  /** Its moment in words, with what answers. */
  readonly says: string
  /** Moved, and not let go yet. */
  readonly onDrag: (ms: number) => void
  /** Let go. */
  readonly onDrop: () => void
  /** Put elsewhere in one go, by a key. */
  readonly onPut: (ms: number) => void
}

/** Grips over a drawn ribbon. Each is a slider: pointer and keys do the same. */
export function Grips({ scale, grips, ...drawn }: { grips: readonly RibbonGrip[]; frame: RibbonFrame; hill: DrawnHill | undefined; scale: number }) {
  return (
    <div className={classes.grips} style={{ transform: `scale(${scale})` }}>
      {apart(grips, drawn.frame).map((grip) => (
        <Grip key={grip.id} grip={grip} scale={scale} {...drawn} />
      ))}
    </div>
  )
}

/** Two grips closer than a thumb can tell apart are one too many, px. */
const LEAST_APART_PX = 28

/** The grips that find room; those that come first in the order have it first. */
function apart(grips: readonly RibbonGrip[], { x }: RibbonFrame): RibbonGrip[] {
  const placed: RibbonGrip[] = []
  for (const grip of grips) {
    const crowded = grip.on === 'ground' && placed.some((p) => p.on === 'ground' && Math.abs(x(p.ms) - x(grip.ms)) < LEAST_APART_PX)
    if (!crowded) placed.push(grip)
  }
  return placed
}

/** Keys of a slider, as numbers of steps. */
const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -4, PageUp: 4 }

function Grip({ grip, frame, hill, scale }: { grip: RibbonGrip; frame: RibbonFrame; hill: DrawnHill | undefined; scale: number }) {
  /** Where on the grip it was taken, so that it does not jump under the finger. */
  const taken = useRef<number | null>(null)
  const wanted = useRef<{ ms: number; frame: number } | null>(null)
  const x = frame.x(grip.ms)
  const y = grip.on === 'ridge' && hill !== undefined ? hill.y(levelAt(hill.hill.points, grip.ms)) : (hill?.groundY ?? frame.groundY)
  const place = (event: PointerEvent<HTMLElement>) => (event.clientX - (event.currentTarget.parentElement?.getBoundingClientRect().left ?? 0)) / scale
  const down = (event: PointerEvent<HTMLButtonElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    taken.current = place(event) - x
  }
  const move = (event: PointerEvent<HTMLButtonElement>) => {
    if (taken.current === null) return
    const ms = frame.msAt(place(event) - taken.current)
    if (wanted.current !== null) {
      wanted.current.ms = ms
      return
    }
    // One answer a frame, however many moves the pointer makes.
    wanted.current = {
      ms,
      frame: requestAnimationFrame(() => {
        const to = wanted.current?.ms ?? ms
        wanted.current = null
        // Drawn within this very frame: a later one would be laid out and painted twice.
        if (taken.current !== null) flushSync(() => grip.onDrag(Math.round(to / millisecondsInMinute) * millisecondsInMinute))
      })
    }
  }
  const up = () => {
    if (taken.current === null) return
    taken.current = null
    if (wanted.current !== null) cancelAnimationFrame(wanted.current.frame)
    wanted.current = null
    grip.onDrop()
  }
  const key = (event: KeyboardEvent<HTMLButtonElement>) => {
    const steps = KEYS[event.key]
    if (steps === undefined) return
    event.preventDefault()
    event.stopPropagation()
    grip.onPut(grip.ms + steps * grip.stepMs)
  }
  return (
    <button
      type="button"
      role="slider"
      aria-label={grip.label}
      aria-valuetext={grip.says}
      aria-valuenow={Math.round(grip.ms / millisecondsInMinute)}
      aria-orientation="horizontal"
      className={classes.grip}
      data-on={grip.on}
      style={{ transform: `translate(${x}px, ${y}px)` }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={key}
    >
      <span className={classes.knob} aria-hidden="true" />
    </button>
  )
}
