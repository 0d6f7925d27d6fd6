import { useDisclosure } from '@mantine/hooks'
import { lazy, Suspense, useState } from 'react'
import { believeClock, syncClock, useClockDoubt, useNow } from '../data/clock'
import { useKitchen } from '../data/kitchen'
import { flush, useOutbox } from '../data/outbox'
import { useStorage } from '../data/storage'
import { tellError } from '../parts/tell'
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
  away: 'Olvent’s server does not answer.',
  failing: 'Olvent’s server has a problem just now.',
  'disk full': 'The disk of Olvent’s computer is full: make some room there.',
  'signed out': 'This device is signed out.'
}

/** Told while writes wait for a server that cannot take them. */
function ServerNotice() {
  const { entries, held } = useOutbox()
  const works = useStorage((s) => s.works)
  if (held === null) return null
  const count = entries.length === 1 ? 'One entry is' : `${entries.length} entries are`
  return (
    <div className={classes.notice} role="status">
      <span>
        {HELD_WORDS[held]} {count} kept in this {works ? 'browser' : 'window (leave it open)'} and sent as soon as it can be taken.
      </span>
      <button type="button" className={classes.noticeButton} onClick={() => void flush()}>
        Try now
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
      <span>
        Is the clock of Olvent’s computer right? It says {moment(now)}, and the last entry was made on {moment(lastEntryMs)}. If it is wrong, set it there
        before you note anything.
      </span>
      <span className={classes.noticeButtons}>
        <button type="button" className={classes.noticeButton} onClick={() => void syncClock().catch(tellError)}>
          I have set it
        </button>
        <button type="button" className={classes.noticeButton} onClick={() => believeClock(lastEntryMs)}>
          It is right
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
      <span>
        This browser cannot keep anything: its storage is full or switched off. What you enter goes to Olvent’s server as usual. While the server is away, leave
        this window open.
      </span>
      <button type="button" className={classes.noticeButton} onClick={() => setRead(true)}>
        Close
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
          {tray.length === 1 ? 'One entry was' : `${tray.length} entries were`} not accepted after waiting for the server.{' '}
          {tray.length === 1 ? 'It is' : 'They are'} kept for you.
        </span>
        <button type="button" className={classes.noticeButton} onClick={open}>
          Look at {tray.length === 1 ? 'it' : 'them'}
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
