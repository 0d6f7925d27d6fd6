import { Group } from '@mantine/core'
import type { ReactNode } from 'react'
import classes from './Room.module.css'

/** A room: its name, what can be done in it, and what stands there. */
export function Room({ title, actions, children }: { title: string; actions?: ReactNode; children: ReactNode }) {
  return (
    <div className={classes.room}>
      <Group justify="space-between">
        <h1 className={classes.title}>{title}</h1>
        {actions}
      </Group>
      {children}
    </div>
  )
}
