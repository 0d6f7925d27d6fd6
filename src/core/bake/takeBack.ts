import { type Happening, REFILL, standing } from './foldBake'

type Stood = Exclude<Happening, { type: 'undo' }>

/** Nothing stands on these: a look, a move, a reading, how the bread was. */
const FREE: readonly Stood['type'][] = ['mark', 'explained', 'moved', 'measured', 'dough', 'begun', 'outcome']
/** What a levain is made of, and what it became. */
const OF_LEVAIN: readonly Stood['type'][] = ['pour', 'band', 'repair', 'fed again']
/** Feeds and builds before the levain have batches and jars of their own. */
const isStage = (h: Stood) => h.type === 'step' && (/^wake/.test(h.step) || h.step === 'first build')

/**
 * What has to be taken back before something can be, since it stands on it: of a pour the mark of the level, of the mark the mix, of the mix the dough's day.
 * What was seen and where it stood stays.
 * @param happenings in the order they were recorded
 * @returns the last first; none where nothing stands on it; null where it does not stand, or cannot be taken back from here
 */
export function hangsOn(happenings: readonly Happening[], id: string): readonly Stood[] | null {
  const stood = standing(happenings)
  const asked = stood.find((h) => h.id === id)
  if (asked === undefined) return null
  const at = (h: Stood) => stood.indexOf(h)
  const fed = stood.findLastIndex((h) => h.type === 'fed again')
  const of = (type: Stood['type']) => stood.filter((h, i) => h.type === type && i > fed)
  const mixed = of('mixed')
  const band = of('band')
  /** The dough's own day, and its pieces. */
  const day = stood.filter(
    (h) =>
      (h.type === 'step' && !isStage(h) && h.step !== REFILL && mixed.some((m) => at(h) > at(m))) ||
      (h.type === 'weigh' && h.into === 'pieces') ||
      h.type === 'dough' ||
      h.type === 'outcome' ||
      (h.type === 'moved' && mixed.some((m) => at(h) > at(m)))
  )
  const throughMix = mixed.length === 0 ? [] : [...day, ...mixed]
  const throughBand = band.length === 0 ? [] : [...throughMix, ...band]
  const newestFirst = (some: readonly Stood[]) => [...some].sort((a, b) => at(b) - at(a))
  if (FREE.includes(asked.type)) return []
  // What a levain was made of stands while the next one is built from it.
  if (at(asked) < fed && OF_LEVAIN.includes(asked.type)) return null
  switch (asked.type) {
    case 'fed again':
      return newestFirst([...throughBand, ...of('pour'), ...of('repair').filter((h) => h.type === 'repair' && h.into === 'levain')])
    case 'pour':
      return newestFirst(throughBand)
    case 'band':
      return newestFirst(throughMix)
    case 'mixed':
      return newestFirst(day)
    case 'repair':
      return newestFirst(asked.into === 'levain' ? throughBand : throughMix)
    case 'weigh':
      if (asked.into === 'pieces') return []
      if (asked.into !== 'first build') return newestFirst(throughMix)
      return stood.some((h) => h.type === 'pour' || isStage(h)) ? null : []
    case 'step':
      // A stage is free while nothing has come after it; the jar knows for itself whether its feed can be taken back.
      return !isStage(asked) || asked === stood.at(-1) ? [] : null
    default:
      return null
  }
}

/** Whether something can be taken back as it is: nothing stands on it. */
export const canUndo = (happenings: readonly Happening[], id: string): boolean => hangsOn(happenings, id)?.length === 0
