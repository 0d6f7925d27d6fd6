import { Button } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { Link } from 'react-router'
import { near } from '../../../words'
import { THEN_LIST } from '../../../words/screens/today'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { type Entry, isLate } from './entries'
import { asleepWords, movedWords } from './NextCard'
import classes from './Today.module.css'

const SHOWN = 6

/** What comes after the next thing, over all bakes and jars. */
export function ThenList({ entries, now }: { readonly entries: readonly Entry[]; readonly now: number }) {
  const { format } = useKitchen()
  const [all, { toggle }] = useDisclosure(false)
  return (
    <Card title={THEN_LIST.thenWord}>
      <ol className={classes.then}>
        {(all ? entries : entries.slice(0, SHOWN)).map((entry) => (
          <li key={entry.key}>
            <Link to={entry.href} className={classes.thenRow} data-late={isLate(entry, now)}>
              <span className={classes.thenTime}>{format.dayTime(near(entry.atMs))}</span>
              <span>
                {entry.title}
                {isLate(entry, now) && <b className={classes.late}>{THEN_LIST.overdue}</b>}
                {entry.plannedMs !== null && <span className={classes.moved}>{movedWords(entry.atMs - entry.plannedMs, entry.plannedMs, format)}</span>}
                {entry.asleepUntilMs !== null && <span className={classes.asleep}>{asleepWords(entry, format)}</span>}
              </span>
            </Link>
          </li>
        ))}
      </ol>
      {entries.length > SHOWN && (
        <Button variant="subtle" onClick={toggle} mt="xs">
          {all ? THEN_LIST.fewer : THEN_LIST.allTheseTwoDays(entries.length)}
        </Button>
      )}
    </Card>
  )
}
