import { Button, Group } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { Link } from 'react-router'
import { type Cultures, feedDue, type HabitualFeed, habitualFeed } from '../../../answers'
import type { Jar } from '../../../contract'
import type { JarCondition } from '../../../core'
import { feedBy, feedTitle, near, usualFeedWords } from '../../../words'
import { JAR_CARE } from '../../../words/screens/today'
import type { OpenBake } from '../../data/days'
import { feedLikeLast } from '../../data/jarFeeds'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './Today.module.css'

/** How far ahead is shown. */
const AHEAD_MS = 48 * millisecondsInHour

/** What the jars want of these days: each feed in one tap, with its grams. Nothing where nothing is wanted. */
export function JarCare({
  cultures,
  conditions,
  days,
  now
}: {
  readonly cultures: Cultures
  readonly conditions: ReadonlyMap<string, JarCondition> | undefined
  readonly days: readonly OpenBake[]
  readonly now: number
}) {
  const { kitchen, format } = useKitchen()
  const plans = days.map((day) => day.bake.plan)
  const due = cultures.jars
    .flatMap((jar) => {
      const condition = conditions?.get(jar.id)
      const feed = condition === undefined ? null : feedDue(jar, condition, kitchen, plans)
      return feed === null || feed.atMs > now + AHEAD_MS ? [] : [{ jar, ...feed, usual: habitualFeed(jar, kitchen, now) }]
    })
    .sort((a, b) => a.atMs - b.atMs)
  if (due.length === 0) return null
  return (
    <div className={classes.careCard}>
      <Card title={JAR_CARE.title} data-testid="jar-care">
        <ul className={classes.care}>
          {due.map(({ jar, usual, ...feed }) => (
            <li key={jar.id}>
              <span className={classes.careTime}>{feed.atMs <= now ? JAR_CARE.now : format.dayTime(near(feed.atMs))}</span>
              <span className={classes.careWords}>
                <b>{feedTitle(jar.name)}</b>
                <span>{feedBy(feed, now, format)}</span>
                {usual !== null && <span>{usualFeedWords(usual, format)}</span>}
              </span>
              <Feed jar={jar} usual={usual} />
            </li>
          ))}
        </ul>
      </Card>
    </div>
  )
}

function Feed({ jar, usual }: { readonly jar: Jar; readonly usual: HabitualFeed | null }) {
  const { run: feed, busy } = useOnce(() =>
    usual === null ? Promise.resolve() : feedLikeLast(jar, usual).then((undo) => tellDone(JAR_CARE.fed(jar.name), undo), tellError)
  )
  return (
    <Group gap="xs">
      {usual !== null && (
        <Button variant="light" disabled={busy} aria-label={JAR_CARE.fedLikeThisOf(jar.name)} onClick={() => feed()}>
          {JAR_CARE.fedLikeThis}
        </Button>
      )}
      <Button component={Link} to={`/jars/${jar.id}`} variant={usual === null ? 'light' : 'default'}>
        {usual === null ? JAR_CARE.goTo(jar.name) : JAR_CARE.otherwise}
      </Button>
    </Group>
  )
}
