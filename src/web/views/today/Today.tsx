import { Skeleton } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { TODAY } from '../../../words/screens/today'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { useDays } from '../../data/days'
import { useKitchen } from '../../data/kitchen'
import { Quiet } from '../../parts/cards/Quiet'
import { JarLineUp } from '../../parts/jar/JarLineUp'
import { ClashNotes } from '../../parts/keeping/ClashNotes'
import { Ribbon } from '../../parts/ribbon/Ribbon'
import { useHills } from '../../parts/ribbon/useHills'
import { isTold } from '../../parts/steps/stepPlaces'
import { useMarkStep } from '../../parts/steps/useMarkStep'
import { useNarrow } from '../../parts/useNarrow'
import { useNewBake } from '../../parts/useNewBake'
import { CopyWord } from './CopyWord'
import { entriesOf } from './entries'
import { JarCare } from './JarCare'
import { NextCard } from './NextCard'
import { ThenList } from './ThenList'
import classes from './Today.module.css'

const BEHIND_HOURS = 7
const LATE_MS = 15 * millisecondsInMinute
/** A ribbon of many hills stands higher, px. */
const HEIGHT = { narrow: 260, wide: 300, many: 380 } as const
const MANY = 4

/** What to do now and next, over all bakes and jars. */
export function Today() {
  const { kitchen } = useKitchen()
  const now = useNow()
  const narrow = useNarrow()
  const kitchenDays = useDays(now)
  const { days, cultures, error } = kitchenDays
  const conditions = useConditions(cultures, now)
  const newBake = useNewBake()
  const hills = useHills(kitchenDays)
  const mark = useMarkStep()
  const entries = days === undefined || cultures === undefined ? [] : entriesOf(days, cultures.jars, kitchen, now)
  const [next, ...then] = entries
  const markNext = (did: 'done' | 'skipped', agoMs = 0) => {
    if (next?.of.kind === 'bake' && isTold(next.of.step, next.of.day.bake.state)) mark(next.of.day.bake, next.of.step, did, now - agoMs)
  }
  useHotkeys(
    kitchen.keys
      ? [
          ['x', () => markNext('done')],
          ['l', () => markNext('done', LATE_MS)],
          ['o', () => markNext('skipped')]
        ]
      : []
  )
  if (days === undefined || cultures === undefined) {
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title={TODAY.todayCouldNotBeOpened} words={error.message} />
  }
  const fromMs = Math.floor(now / millisecondsInMinute) * millisecondsInMinute - BEHIND_HOURS * millisecondsInHour
  const height = narrow ? HEIGHT.narrow : hills.length >= MANY ? HEIGHT.many : HEIGHT.wide
  return (
    <>
      <h1 className={classes.hidden}>{TODAY.today}</h1>
      <Ribbon fromMs={fromMs} toMs={fromMs + (narrow ? 26 : 48 + BEHIND_HOURS) * millisecondsInHour} nowMs={now} hills={hills} height={height} />
      {next === undefined ? (
        <Quiet
          title={TODAY.nothingOnWay}
          words={TODAY.sayWhenYouWantBread}
          action={newBake.ready ? { label: TODAY.newBake, onClick: () => newBake.start() } : undefined}
        />
      ) : (
        <>
          <div className={classes.board}>
            <NextCard entry={next} now={now} />
            {then.length > 0 && <ThenList entries={then} now={now} />}
          </div>
          <div className={classes.clashes}>
            <ClashNotes days={days} />
          </div>
        </>
      )}
      <div className={classes.jars}>
        <JarCare cultures={cultures} conditions={conditions} days={days} now={now} />
        <JarLineUp cultures={cultures} conditions={conditions} now={now} />
        <CopyWord now={now} />
      </div>
    </>
  )
}
