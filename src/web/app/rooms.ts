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
