import { IconBook2, IconBottle, IconBread, IconHome, IconSun, IconWheat } from '@tabler/icons-react'

/** Rooms that exist, with their single keys. */
export const ROOMS = [
  { path: '/', label: 'Today', key: 't', icon: IconSun },
  { path: '/bakes', label: 'Bakes', key: 'b', icon: IconBread },
  { path: '/jars', label: 'Jars', key: 'j', icon: IconBottle },
  { path: '/shelf', label: 'Shelf', key: 's', icon: IconWheat },
  { path: '/recipes', label: 'Recipes', key: 'r', icon: IconBook2 },
  { path: '/kitchen', label: 'Kitchen', key: 'k', icon: IconHome }
] as const

/** Rooms of the kitchen, with what is set there. */
export const KITCHEN_PLACES = [
  { path: '/kitchen/places', label: 'Places', holds: 'how warm each place is, by day and night; logs of a thermometer; tap water' },
  { path: '/kitchen/hours', label: 'Hours', holds: 'sleep, work and other times; reminders; calendar' },
  { path: '/kitchen/habits', label: 'Habits', holds: 'when you like to mix, percentages of, cups, units, scale' },
  { path: '/kitchen/vessels', label: 'Vessels', holds: 'jars and bowls, empty weight, size' },
  { path: '/kitchen/devices', label: 'Devices', holds: 'scale, probe, level sensor' },
  { path: '/kitchen/this', label: 'This kitchen', holds: 'name, time zone, currency, light, shortcuts' },
  { path: '/kitchen/copies', label: 'Copies and devices', holds: 'backup, moving house, passphrase, phone' }
] as const

/** Single keys besides those of the rooms; stations add their own while they are open. */
export const KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: 't · b · j · s · r · k', does: 'Today, Bakes, Jars, Shelf, Recipes, Kitchen' },
  { keys: 'n', does: 'New bake' },
  { keys: 'd', does: 'Bright or dim' },
  { keys: '1 – 6', does: 'Stations of a bake' },
  { keys: '← →', does: 'Station before, station after' },
  { keys: '↑ ↓ Enter', does: 'From cell to cell in a dough' },
  { keys: 'Ctrl Z · Ctrl Y', does: 'Undo, do again' },
  { keys: 'space', does: 'Next step at Weigh' },
  { keys: 'm', does: 'Note what you saw at Watch' },
  { keys: 'x · l · o', does: 'Today: next step done, done 15 min ago, left out' },
  { keys: 'Ctrl K', does: 'Find anything' },
  { keys: '?', does: 'This sheet' }
]
