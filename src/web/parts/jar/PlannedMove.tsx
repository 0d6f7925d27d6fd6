import { Button, Group } from '@mantine/core'
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { type PlannedMove as Move, whereItStands } from '../../../answers'
import type { Jar } from '../../../contract'
import { moveTitle, near } from '../../../words'
import { PLANNED_MOVE } from '../../../words/screens/today'
import { moveJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { tellDone, tellError } from '../cards/tell'
import { useOnce } from '../useOnce'

/** Done so much later than planned, it may have been done in its time. */
const LATE_MS = 10 * millisecondsInMinute

/** A move that was planned: made now, made when it was to be, an hour later, or not at all, each in one tap. */
export function PlannedMove({ jar, move, now, size = 'md' }: { readonly jar: Jar; readonly move: Move; readonly now: number; readonly size?: 'md' | 'lg' }) {
  const { kitchen, format } = useKitchen()
  const { placeId, atMs } = move
  const place = kitchen.places.find((p) => p.id === placeId)?.name ?? ''
  const { run, busy } = useOnce((to: string, when: number, planned: boolean, told: string) =>
    moveJar(jar, to, when, planned).then((undo) => tellDone(told, undo), tellError)
  )
  const moved = (when: number) => run(placeId, when, false, PLANNED_MOVE.isMoved(jar.name, place))
  const laterMs = Math.max(now, atMs) + millisecondsInHour
  const before = whereItStands(jar, Math.min(now, atMs) - 1).placeId
  return (
    <Group gap="xs">
      <Button size={size} disabled={busy} aria-label={PLANNED_MOVE.doneOf(moveTitle(jar.name, move, kitchen.places))} onClick={() => moved(now)}>
        {PLANNED_MOVE.done}
      </Button>
      {now - atMs > LATE_MS && (
        <Button size={size} variant="default" disabled={busy} onClick={() => moved(atMs)}>
          {PLANNED_MOVE.doneAt(format.time(near(atMs)))}
        </Button>
      )}
      <Button
        size={size}
        variant="default"
        disabled={busy}
        onClick={() => run(placeId, laterMs, true, PLANNED_MOVE.isPutOff(jar.name, format.time(near(laterMs))))}
      >
        {PLANNED_MOVE.inAnHour}
      </Button>
      <Button size={size} variant="default" disabled={busy} onClick={() => run(before, Math.min(now, atMs), false, PLANNED_MOVE.itStays(jar.name))}>
        {PLANNED_MOVE.stays}
      </Button>
    </Group>
  )
}
