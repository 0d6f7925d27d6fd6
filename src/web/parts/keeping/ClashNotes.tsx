import { Link } from 'react-router'
import { type Clash, clashesOf, type Format, stepNamed } from '../../../core'
import { stepWord } from '../../../words'
import { CLASH_NOTES } from '../../../words/screens/parts'
import type { OpenBake } from '../../data/days'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../cards/Card'
import classes from './ClashNotes.module.css'

const SHOWN = 3

/** Where two bakes want the oven, the hands or a place at once, with the way out; one line for each pair and thing. */
export function ClashNotes({ days, only }: { readonly days: readonly OpenBake[]; readonly only?: string }) {
  const { kitchen, format } = useKitchen()
  const takes = new Map(kitchen.places.flatMap((p) => (p.takes === null ? [] : [[p.id, p.takes] as const])))
  const clashes = clashesOf(
    days.map((day) => day.claim),
    takes
  ).filter((clash) => only === undefined || clash.ids.includes(only))
  const pairs = new Map<string, Clash[]>()
  for (const clash of clashes) {
    const key = `${ORDER[clash.kind]} ${clash.ids.join(' ')}`
    pairs.set(key, [...(pairs.get(key) ?? []), clash])
  }
  if (pairs.size === 0) return null
  const placeName = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? CLASH_NOTES.thatPlace
  const planned = (id: string) => days.find((day) => day.bake.id === id && day.bake.status === 'planned')
  const shown = [...pairs].sort(([a], [b]) => a.localeCompare(b))
  return (
    <div className={classes.notes}>
      {shown.slice(0, SHOWN).map(([key, [clash, ...more]]) => {
        if (clash === undefined) return null
        const free = [clash.ids[1], clash.ids[0]].find((id) => id !== only && planned(id) !== undefined)
        return (
          <Note key={key} tone="care">
            {clashWords(clash, format, placeName)}
            {more.length > 0 && CLASH_NOTES.andMoreTheseTwo(more.length)}{' '}
            {free !== undefined && (
              <Link to={`/bakes/${free}/plan`}>
                {CLASH_NOTES.findAnotherTimeFor}
                {planned(free)?.bake.plan.name}
              </Link>
            )}
          </Note>
        )
      })}
      {shown.length > SHOWN && <Note tone="care">{CLASH_NOTES.andMorePairsThatWant(shown.length - SHOWN)}</Note>}
    </div>
  )
}

/** What is told first. */
const ORDER = { oven: 0, hands: 1, place: 2 } as const

function clashWords({ kind, names, what, fromMs, toMs }: Clash, format: Format, placeName: (id: string) => string): string {
  const at = `${format.dayTime(fromMs)} – ${format.time(toMs)}`
  const step = (id: string) => stepWord(stepNamed(id)).toLowerCase()
  switch (kind) {
    case 'oven':
      return CLASH_NOTES.oneOvenTwoBakesAnd(names[0], names[1], at)
    case 'hands':
      return CLASH_NOTES.bothNeedYouAtOnce(at, step(what[0]), names[0], step(what[1]), names[1])
    case 'place':
      return CLASH_NOTES.fullAndBothStandThere(placeName(what[0]), names[0], names[1], at)
  }
}
