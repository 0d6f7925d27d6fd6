import { IconBook2, IconBottle, IconBread, IconHome, IconSun, IconWheat } from '@tabler/icons-react'
import { ROOMS_WORDS } from '../../words/screens/app'

/** Rooms that exist, with their single keys. */
export const ROOMS = [
  { path: '/', label: ROOMS_WORDS.today, key: 't', icon: IconSun },
  { path: '/bakes', label: ROOMS_WORDS.bakes, key: 'b', icon: IconBread },
  { path: '/jars', label: ROOMS_WORDS.jars, key: 'j', icon: IconBottle },
  { path: '/shelf', label: ROOMS_WORDS.shelf, key: 's', icon: IconWheat },
  { path: '/recipes', label: ROOMS_WORDS.recipes, key: 'r', icon: IconBook2 },
  { path: '/kitchen', label: ROOMS_WORDS.kitchen, key: 'k', icon: IconHome }
] as const

/** Single keys besides those of the rooms; stations add their own while they are open. */
export const KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: 't · b · j · s · r · k', does: ROOMS_WORDS.todayBakesJarsShelfRecipes },
  { keys: 'n', does: ROOMS_WORDS.newBake },
  { keys: 'd', does: ROOMS_WORDS.brightOrDim },
  { keys: '1 – 6', does: ROOMS_WORDS.stationsBake },
  { keys: '← →', does: ROOMS_WORDS.stationBeforeStationAfter },
  { keys: '↑ ↓ Enter', does: ROOMS_WORDS.fromCellToCellIn },
  { keys: ROOMS_WORDS.ctrlZCtrlY, does: ROOMS_WORDS.undoDoAgain },
  { keys: 'space', does: ROOMS_WORDS.nextStepAtWeigh },
  { keys: 'm', does: ROOMS_WORDS.noteWhatYouSawAt },
  { keys: 'x · l · o', does: ROOMS_WORDS.todayNextStepDoneDone },
  { keys: ROOMS_WORDS.ctrlK, does: ROOMS_WORDS.findAnything },
  { keys: '?', does: ROOMS_WORDS.thisSheet }
]
