import { useDisclosure } from '@mantine/hooks'
import { lazy, Suspense, useState } from 'react'
import { NOTICES } from '../../words/screens/app'
import { believeClock, syncClock, useClockDoubt, useNow } from '../data/clock'
import { useKitchen } from '../data/kitchen'
import { flush, useOutbox } from '../data/outbox'
import { useStorage } from '../data/storage'
import { tellError } from '../parts/cards/tell'
import classes from './Shell.module.css'

const Tray = lazy(() => import('./Tray').then((m) => ({ default: m.Tray })))

/** What the whole window has to know: the server is away, an entry was not accepted, this browser keeps nothing. */
export function Notices() {
  return (
    <>
      <ServerNotice />
      <ClockNotice />
      <TrayNotice />
      <StorageNotice />
    </>
  )
}

const HELD_WORDS = {
  away: NOTICES.olventsServerDoesNotAnswer,
  failing: NOTICES.olventsServerHasProblemJust,
  'disk full': NOTICES.diskOlventsComputerFullMake,
  'signed out': NOTICES.thisDeviceSignedOut
}

/** Told while writes wait for a server that cannot take them. */
function ServerNotice() {
  const { entries, held } = useOutbox()
  const works = useStorage((s) => s.works)
  if (held === null) return null
  const count = entries.length === 1 ? NOTICES.oneEntry : NOTICES.entriesAre(entries.length)
  return (
    <div className={classes.notice} role="status">
      <span>{NOTICES.keptInThisAndSent(HELD_WORDS[held], count, works ? 'browser' : NOTICES.windowLeaveOpen)}</span>
      <button type="button" className={classes.noticeButton} onClick={() => void flush()}>
        {NOTICES.tryNow}
      </button>
    </div>
  )
}

/** Asked while the clock of the server stands before the newest entry: every time on the screen would be wrong. */
function ClockNotice() {
  const now = useNow()
  const { format } = useKitchen()
  const { lastEntryMs, believedMs } = useClockDoubt()
  if (lastEntryMs === null || lastEntryMs === believedMs || now >= lastEntryMs) return null
  const moment = (ms: number) => `${format.date(ms)}, ${format.time(ms)}`
  return (
    <div className={classes.notice} role="status">
      <span>{NOTICES.clockOlventsComputerRightSays(moment(now), moment(lastEntryMs))}</span>
      <span className={classes.noticeButtons}>
        <button type="button" className={classes.noticeButton} onClick={() => void syncClock().catch(tellError)}>
          {NOTICES.iHaveSet}
        </button>
        <button type="button" className={classes.noticeButton} onClick={() => believeClock(lastEntryMs)}>
          {NOTICES.right}
        </button>
      </span>
    </div>
  )
}

/** Said once, until it has been read. */
function StorageNotice() {
  const works = useStorage((s) => s.works)
  const [read, setRead] = useState(false)
  if (works || read) return null
  return (
    <div className={classes.notice} role="status">
      <span>{NOTICES.thisBrowserCannotKeepAnything}</span>
      <button type="button" className={classes.noticeButton} onClick={() => setRead(true)}>
        {NOTICES.close}
      </button>
    </div>
  )
}

/** Entries that had to wait and were not accepted: each can be mended and sent again. */
function TrayNotice() {
  const { tray } = useOutbox()
  const [opened, { open, close }] = useDisclosure(false)
  if (tray.length === 0) return null
  return (
    <>
      <div className={classes.notice} role="status" data-testid="tray">
        <span>
          {NOTICES.notAcceptedAfterWaitingFor(
            tray.length === 1 ? NOTICES.oneEntryWas : NOTICES.entriesWere(tray.length),
            tray.length === 1 ? NOTICES.itIs : NOTICES.theyAre
          )}
        </span>
        <button type="button" className={classes.noticeButton} onClick={open}>
          {NOTICES.lookAt(tray.length === 1 ? 'it' : 'them')}
        </button>
      </div>
      {opened && (
        <Suspense fallback={null}>
          <Tray tray={tray} onClose={close} />
        </Suspense>
      )}
    </>
  )
}
