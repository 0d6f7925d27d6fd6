import { ActionIcon } from '@mantine/core'
import { notifications } from '@mantine/notifications'
import { IconX } from '@tabler/icons-react'
import { useEffect, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { stepTitle } from '../../contract'
import { useNow } from '../data/clock'
import { useDays } from '../data/days'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { noticesAllowed, reminderChoice } from '../data/reminders'
import { near } from '../parts/words'
import { chime } from './chime'
import { type Due, dueSince, type Reminded } from './dueSince'
import classes from './Shell.module.css'

const SEEN = 'olvent.seen'
const SHOWN = 4

/** The moment until which this device has been told everything; the first time, now. */
function seenMs(now: number): number {
  const seen = Number(localStorage.getItem(SEEN) ?? Number.NaN)
  return Number.isFinite(seen) && seen <= now ? seen : now
}

/** Reminds of steps that become due, and tells on return what became due meanwhile. */
export function Reminders() {
  const now = useNow()
  const { format } = useKitchen()
  const { days, cultures } = useDays(now)
  const [away, setAway] = useState<readonly Due[]>([])
  const due = useMemo(
    () =>
      (days ?? []).flatMap(({ bake, steps }) =>
        steps.map((step): Due => ({ key: `${bake.id} ${step.id}`, kind: step.kind, title: stepTitle(bake, step, cultures?.jars ?? []), atMs: step.atMs }))
      ),
    [days, cultures]
  )
  useEffect(() => {
    if (days === undefined) return
    const reminded = dueSince(due, seenMs(now), now)
    localStorage.setItem(SEEN, String(now))
    if (reminded.away.length > 0) setAway((before) => [...before, ...reminded.away.filter((d) => !before.some((b) => b.key === d.key))])
    for (const one of reminded.now) ring(one)
    badge(reminded)
  }, [days, due, now])
  const open = away.filter((d) => due.some((other) => other.key === d.key))
  if (open.length === 0) return null
  return (
    <div className={classes.notice} role="status" data-testid="away">
      <span>
        While you were away:{' '}
        {open
          .slice(0, SHOWN)
          .map((d) => `${d.title} (${format.dayTime(near(d.atMs))})`)
          .join(' · ')}
        {open.length > SHOWN && ` and ${open.length - SHOWN} more`}. <Link to="/">Go to Today</Link>
      </span>
      <ActionIcon aria-label="I have seen it" onClick={() => setAway([])}>
        <IconX size={20} />
      </ActionIcon>
    </div>
  )
}

function ring({ title }: Due): void {
  const choice = reminderChoice()
  notifications.show({ id: newId(), withBorder: true, color: 'plum', title: 'Now', message: title, autoClose: 60_000 })
  if (choice.sound) chime()
  if (choice.notices && noticesAllowed() === 'granted') new Notification('Olvent', { body: title, tag: title })
}

/** How many steps are overdue, on the tab and on the icon. */
function badge({ overdue }: Reminded): void {
  document.title = overdue === 0 ? 'Olvent' : `(${overdue}) Olvent`
  if (!('setAppBadge' in navigator)) return
  const set = overdue === 0 ? navigator.clearAppBadge() : navigator.setAppBadge(overdue)
  set.catch(() => undefined)
}
