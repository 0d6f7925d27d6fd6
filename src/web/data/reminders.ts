import { useCallback, useSyncExternalStore } from 'react'
import { z } from 'zod'
import { LATE_RISKS, USUAL_RISK } from '../../core'
import { keep, kept } from './storage'

/** How this device reminds. */
const choiceSchema = z.object({ sound: z.boolean(), notices: z.boolean(), lateRisk: z.literal(LATE_RISKS).default(USUAL_RISK) })
export type ReminderChoice = z.infer<typeof choiceSchema>

const KEY = 'olvent.reminders'
const AT_FIRST: ReminderChoice = { sound: true, notices: true, lateRisk: USUAL_RISK }
const listeners = new Set<() => void>()
let shown = kept(KEY, choiceSchema) ?? AT_FIRST

const tell = () => {
  for (const listener of listeners) listener()
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** What the browser says of notices: `missing` where it has none at this address. */
export const noticesAllowed = (): NotificationPermission | 'missing' =>
  'Notification' in window && window.isSecureContext ? Notification.permission : 'missing'

/** What this device was told about reminders. */
export const reminderChoice = () => shown

/** The same for the screen, and how to change it. */
export function useReminderChoice() {
  const choice = useSyncExternalStore(subscribe, () => shown)
  const notices = useSyncExternalStore(subscribe, noticesAllowed)
  const put = useCallback((next: ReminderChoice) => {
    shown = next
    keep(KEY, next)
    tell()
  }, [])
  const askNotices = useCallback(async () => {
    if (noticesAllowed() === 'default') await Notification.requestPermission()
    tell()
  }, [])
  return { choice, put, notices, askNotices }
}
