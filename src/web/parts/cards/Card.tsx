import type { ReactNode } from 'react'
import { useKitchen } from '../../data/kitchen'
import classes from './Card.module.css'
import { Explained } from './Explained'

/** A quiet surface with a heading of its own. */
export function Card({
  title,
  aside,
  children,
  tone,
  'data-testid': testId
}: {
  title?: string
  aside?: ReactNode
  children: ReactNode
  tone?: 'care' | 'stop'
  'data-testid'?: string
}) {
  return (
    <section className={classes.card} data-tone={tone} data-testid={testId} aria-label={title}>
      {title !== undefined && (
        <div className={classes.head}>
          <h3 className={classes.title}>
            <Explained text={title} />
          </h3>
          {aside}
        </div>
      )}
      {children}
    </section>
  )
}

/** A figure to read from two metres, its name below. */
export function Figure({ value, name, size = 'md' }: { value: ReactNode; name: ReactNode; size?: 'md' | 'lg' }) {
  return (
    <div className={classes.figure} data-size={size}>
      <span className={classes.value}>{value}</span>
      <span className={classes.name}>{typeof name === 'string' ? <Explained text={name} /> : name}</span>
    </div>
  )
}

/** Figures side by side. */
export function Figures({ children }: { children: ReactNode }) {
  return <div className={classes.figures}>{children}</div>
}

/** A line that says how a number came about, or a caution at its step. */
export function Note({ children, tone = 'plain' }: { children: ReactNode; tone?: 'plain' | 'care' | 'stop' }) {
  return (
    <div className={classes.note} data-tone={tone} role={tone === 'plain' ? undefined : 'note'}>
      {children}
    </div>
  )
}

/** A mass to read at a distance: the figure large, its unit small; tenths only where there are some. */
export function Mass({ grams }: { grams: number }) {
  const { format } = useKitchen()
  return (
    <span className={classes.mass}>
      {format.massFigure(grams, Math.abs(grams - Math.round(grams)) < 0.05 ? 1 : 0.1)}
      <span className={classes.unit}>{format.choice.mass}</span>
    </span>
  )
}
