import { ActionIcon } from '@mantine/core'
import { notifications } from '@mantine/notifications'
import { IconX } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { z } from 'zod'
import { alarmsByClock, type LateRisk } from '../../core'
import { near, stepTitle, windowTitle } from '../../words'
import { REMINDERS } from '../../words/screens/app'
import { useNow } from '../data/clock'
import { useDays } from '../data/days'
import type { Judged } from '../data/forecasts'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { noticesAllowed, reminderChoice, useReminders } from '../data/reminders'
import { keep, kept } from '../data/storage'
import { chime } from './chime'
import { type Due, dueSince, type Reminded } from './dueSince'
import classes from './Shell.module.css'

const SEEN = 'olvent.seen'
const SHOWN = 4

/** The moment until which this device has been told everything; the first time, now. */
function seenMs(now: number): number {
  const seen = kept(SEEN, z.number())
  return seen !== null && seen <= now ? seen : now
}

/** Reminds of steps that become due, and tells on return what became due meanwhile. */
export function Reminders() {
  const now = useNow()
  const { format } = useKitchen()
  const { days, cultures } = useDays(now)
  const [away, setAway] = useState<readonly Due[]>([])
  const { choice } = useReminders()
  const due = useMemo(
    () =>
      (days ?? []).flatMap(({ bake, steps, judged }) => [
        ...steps.map((step): Due => {
          const title = stepTitle(bake, step, cultures?.jars ?? [])
          // A running levain is called for by its window, not by the step of mixing.
          return { key: `${bake.id} ${step.id}`, kind: step.kind, title, atMs: step.atMs, quiet: judged !== undefined && step.kind === 'mix' }
        }),
        ...windowsOf(judged, choice.lateRisk)
      ]),
    [days, cultures, choice.lateRisk]
  )
  const told = useRef(new Map<string, number>())
  useEffect(() => {
    if (days === undefined) return
    const seen = seenMs(now)
    // What was still to come, and by a look turns out to have been before, is told now.
    const timed = due.map((d) => ((told.current.get(d.key) ?? 0) > seen && d.atMs <= seen ? { ...d, atMs: now } : d))
    told.current = new Map(due.map((d) => [d.key, d.atMs]))
    const reminded = dueSince(timed, seen, now)
    keep(SEEN, now)
    if (reminded.away.length > 0) setAway((before) => [...before, ...reminded.away.filter((d) => !before.some((b) => b.key === d.key))])
    for (const one of reminded.now) ring(one)
    badge(reminded)
  }, [days, due, now])
  const open = away.filter((d) => due.some((other) => other.key === d.key))
  if (open.length === 0) return null
  return (
    <div className={classes.notice} role="status" data-testid="away">
      <span>
        {REMINDERS.whileYouWereAway(
          open
            .slice(0, SHOWN)
            .map((d) => `${d.title} (${format.dayTime(near(d.atMs))})`)
            .join(' · ')
        )}
        {open.length > SHOWN && REMINDERS.andMore(open.length - SHOWN)}. <Link to="/">{REMINDERS.goToToday}</Link>
      </span>
      <ActionIcon aria-label={REMINDERS.iHaveSeen} onClick={() => setAway([])}>
        <IconX size={20} />
      </ActionIcon>
    </div>
  )
}

/** What is told of the window of a running levain; of what has passed by now, only the last. */
function windowsOf(judged: Judged | undefined, risk: LateRisk): Due[] {
  if (judged === undefined) return []
  const { bake, line, verdict, hours } = judged
  const alarms = alarmsByClock(verdict, line.startedAtMs, risk)
  const last = alarms.findLastIndex((alarm) => alarm.atMs <= line.startedAtMs + hours * millisecondsInHour)
  return alarms.slice(Math.max(last, 0)).map(({ kind, atMs }) => ({ key: `${bake.id}-${kind}`, kind: 'window', title: windowTitle(bake, kind), atMs }))
}

function ring({ title }: Due): void {
  const choice = reminderChoice()
  notifications.show({ id: newId(), withBorder: true, color: 'plum', title: REMINDERS.now, message: title, autoClose: 60_000 })
  if (choice.sound) chime()
  if (choice.notices && noticesAllowed() === 'granted') new Notification('Olvent', { body: title, tag: title })
}

/** How many steps are overdue, on the tab and on the icon. */
function badge({ overdue }: Reminded): void {
  document.title = overdue === 0 ? 'Olvent' : REMINDERS.olvent(overdue)
  if (!('setAppBadge' in navigator)) return
  const set = overdue === 0 ? navigator.clearAppBadge() : navigator.setAppBadge(overdue)
  set.catch(() => undefined)
}
