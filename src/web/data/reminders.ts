import { z } from 'zod'
import { create } from 'zustand'
import { LATE_RISKS, USUAL_RISK } from '../../core'
import { keep, kept } from './storage'

/** How this device reminds. */
const choiceSchema = z.object({ sound: z.boolean(), notices: z.boolean(), lateRisk: z.literal(LATE_RISKS).default(USUAL_RISK) })
export type ReminderChoice = z.infer<typeof choiceSchema>

const KEY = 'olvent.reminders'
const AT_FIRST: ReminderChoice = { sound: true, notices: true, lateRisk: USUAL_RISK }
/** What the browser says of notices: `missing` where it has none at this address. */
export const noticesAllowed = (): NotificationPermission | 'missing' =>
  'Notification' in window && window.isSecureContext ? Notification.permission : 'missing'

interface Reminding {
  readonly choice: ReminderChoice
  readonly notices: ReturnType<typeof noticesAllowed>
}
const reminding = create<Reminding>(() => ({ choice: kept(KEY, choiceSchema) ?? AT_FIRST, notices: noticesAllowed() }))

/** What this device was told about reminders. */
export const reminderChoice = (): ReminderChoice => reminding.getState().choice
/** The same for the screen. */
export const useReminders = (): Reminding => reminding()

export function putReminderChoice(choice: ReminderChoice): void {
  keep(KEY, choice)
  reminding.setState({ choice })
}

/** Asks the browser whether notices may be shown, once. */
export async function askNotices(): Promise<void> {
  if (noticesAllowed() === 'default') await Notification.requestPermission()
  reminding.setState({ notices: noticesAllowed() })
}
