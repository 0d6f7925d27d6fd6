import { ActionIcon, useMantineColorScheme } from '@mantine/core'
import { useDisclosure, useHotkeys, useMediaQuery } from '@mantine/hooks'
import { IconHome, IconKeyboard, IconMoon, IconPlus, IconSearch, IconSunHigh } from '@tabler/icons-react'
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react'
import { Link, NavLink, useLocation, useNavigate } from 'react-router'
import { SHELL } from '../../words/screens/app'
import { useNow } from '../data/clock'
import { useKitchen } from '../data/kitchen'
import { useOthersChanges } from '../data/live'
import { undoLatest } from '../parts/cards/tell'
import { useNewBake } from '../parts/useNewBake'
import { Notices } from './Notices'
import { ROOMS } from './rooms'
import classes from './Shell.module.css'

const KeysSheet = lazy(() => import('./KeysSheet').then((m) => ({ default: m.KeysSheet })))
const Palette = lazy(() => import('./Palette').then((m) => ({ default: m.Palette })))
const Reminders = lazy(() => import('./Reminders').then((m) => ({ default: m.Reminders })))
/** Reminders wait until the first room stands, ms. */
const AWAKE_MS = 1500

/** Frame of every room: the rooms, the time, the notice when the server is away. */
export function Shell({ children }: { children: ReactNode }) {
  const { kitchen, format } = useKitchen()
  const now = useNow()
  const navigate = useNavigate()
  const newBake = useNewBake()
  const [sheet, sheetOpen] = useDisclosure(false)
  useOthersChanges()
  const [awake, setAwake] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setAwake(true), AWAKE_MS)
    return () => clearTimeout(timer)
  }, [])
  const { colorScheme, setColorScheme } = useMantineColorScheme()
  const prefersDim = useMediaQuery('(prefers-color-scheme: dark)')
  const dim = colorScheme === 'dark' || (colorScheme === 'auto' && prefersDim === true)
  const toggleDim = () => setColorScheme(dim ? 'light' : 'dark')
  const [asked, setAsked] = useState(0)
  const find = () => setAsked((before) => before + 1)
  // From within a field as well.
  useHotkeys([['mod+K', find]], [])
  const { pathname } = useLocation()
  // A bake takes its own plan back, figure by figure.
  useHotkeys(pathname.startsWith('/bakes/') ? [] : [['mod+Z', undoLatest]])
  useHotkeys(
    kitchen.keys
      ? [
          ...ROOMS.map((room) => [room.key, () => void navigate(room.path)] as [string, () => void]),
          ['n', () => newBake.start()],
          ['d', toggleDim],
          ['shift+?', sheetOpen.open],
          ['?', sheetOpen.open]
        ]
      : []
  )
  return (
    <div className={classes.shell}>
      <a href="#room" className={classes.skip}>
        {SHELL.skipToRoom}
      </a>
      <header className={classes.head}>
        <Link to="/" className={classes.name}>
          {SHELL.olvent}
        </Link>
        <nav className={classes.rooms} aria-label={SHELL.rooms}>
          {ROOMS.map(({ path, label, icon: Icon }) => (
            <NavLink key={path} to={path} end={path === '/'} className={classes.room}>
              <Icon size={22} stroke={1.8} className={classes.roomIcon} aria-hidden="true" />
              <span>{label}</span>
            </NavLink>
          ))}
          {newBake.ready && (
            <button type="button" className={`${classes.room} ${classes.roomButton}`} onClick={() => newBake.start()}>
              <IconPlus size={22} stroke={1.8} className={classes.roomIcon} aria-hidden="true" />
              <span>{SHELL.newBake}</span>
            </button>
          )}
        </nav>
        <div className={classes.side}>
          <span className={classes.time}>
            <span className={classes.kitchen}>{kitchen.name} · </span>
            <span className={classes.date}>{format.date(now)} </span>
            {format.time(now)}
          </span>
          <ActionIcon aria-label={SHELL.findAnything} onClick={find}>
            <IconSearch size={22} />
          </ActionIcon>
          <ActionIcon aria-label={SHELL.keys} onClick={sheetOpen.open} className={classes.wideOnly}>
            <IconKeyboard size={22} />
          </ActionIcon>
          <ActionIcon component={Link} to="/kitchen" aria-label={SHELL.kitchen} className={classes.phoneOnly}>
            <IconHome size={22} />
          </ActionIcon>
          <ActionIcon aria-label={dim ? SHELL.bright : SHELL.dim} onClick={toggleDim}>
            {dim ? <IconSunHigh size={22} /> : <IconMoon size={22} />}
          </ActionIcon>
        </div>
      </header>
      <Notices />
      {awake && (
        <Suspense fallback={null}>
          <Reminders />
        </Suspense>
      )}
      <main id="room" className={classes.main} tabIndex={-1}>
        {children}
      </main>
      {asked > 0 && (
        <Suspense fallback={null}>
          <Palette asked={asked} />
        </Suspense>
      )}
      {sheet && (
        <Suspense fallback={null}>
          <KeysSheet onClose={sheetOpen.close} />
        </Suspense>
      )}
    </div>
  )
}
