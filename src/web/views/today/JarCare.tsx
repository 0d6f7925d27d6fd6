import { Button, Group, Menu } from '@mantine/core'
import { IconChevronDown } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { awakeAt, type Cultures, type FeedDue, feedDue, type HabitualFeed, habitualFeed, plannedMoves, putOffTo, skippedUntil } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarCondition, POTS, type Pot, stalePotGrams } from '../../../core'
import { feedBy, feedTitle, moveTitle, near, usualFeedWords } from '../../../words'
import { JAR_CARE } from '../../../words/screens/today'
import type { OpenBake } from '../../data/days'
import { takeDiscard, useDiscardPot } from '../../data/discard'
import { feedLikeLast } from '../../data/jarFeeds'
import { putOffFeed } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { PlannedMove } from '../../parts/jar/PlannedMove'
import { useOnce } from '../../parts/useOnce'
import { MOVE_WAITS_MS } from './entries'
import classes from './Today.module.css'

/** How far ahead is shown. */
const AHEAD_MS = 48 * millisecondsInHour
/** Discard is spoken of so long before it is a week old. */
const DISCARD_AHEAD_MS = 24 * millisecondsInHour
const LEAST_DISCARD_GRAMS = 1

interface Due extends FeedDue {
  readonly jar: Jar
  readonly usual: HabitualFeed | null
}

/** What the jars want of these days: each feed in one tap, with its grams; put off or left out in two. Nothing where nothing is wanted. */
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
  const { pot: discard } = useDiscardPot()
  const plans = days.map((day) => day.bake.plan)
  const due = cultures.jars
    .flatMap((jar): Due[] => {
      const condition = conditions?.get(jar.id)
      const feed = condition === undefined ? null : feedDue(jar, condition, kitchen, plans)
      return feed === null || feed.atMs > now + AHEAD_MS ? [] : [{ jar, ...feed, usual: habitualFeed(jar, kitchen, now) }]
    })
    .sort((a, b) => a.atMs - b.atMs)
  const moves = cultures.jars.flatMap((jar) =>
    plannedMoves(jar, now)
      .filter((move) => move.atMs <= now - MOVE_WAITS_MS)
      .map((move) => ({ jar, move }))
  )
  const old = POTS.flatMap((pot) => {
    const portions = (discard?.portions ?? []).filter((p) => p.pot === pot).map(({ since, ...portion }) => ({ ...portion, sinceMs: since }))
    const grams = stalePotGrams(portions, now + DISCARD_AHEAD_MS)
    return grams < LEAST_DISCARD_GRAMS ? [] : [{ pot, grams, tooOldGrams: stalePotGrams(portions, now) }]
  })
  if (due.length === 0 && moves.length === 0 && old.length === 0) return null
  return (
    <div className={classes.careCard}>
      <Card title={JAR_CARE.title} data-testid="jar-care">
        <ul className={classes.care}>
          {moves.map(({ jar, move }) => (
            <Row
              key={`${jar.id} ${move.atMs}`}
              when={JAR_CARE.now}
              title={moveTitle(jar.name, move, kitchen.places)}
              says={[JAR_CARE.wasPlanned(format.dayTime(near(move.atMs)))]}
            >
              <PlannedMove jar={jar} move={move} now={now} />
            </Row>
          ))}
          {due.map((feed) => (
            <Row
              key={feed.jar.id}
              when={feed.atMs <= now ? JAR_CARE.now : format.dayTime(near(feed.atMs))}
              title={feedTitle(feed.jar.name)}
              says={[feedBy(feed, now, format), feed.usual === null ? null : usualFeedWords(feed.usual, format)]}
            >
              <Feed due={feed} now={now} />
            </Row>
          ))}
          {old.map(({ pot, grams, tooOldGrams }) => (
            <Row
              key={pot}
              when={JAR_CARE.now}
              title={JAR_CARE.cookDiscard(pot)}
              says={[tooOldGrams < LEAST_DISCARD_GRAMS ? JAR_CARE.discardOld(format.mass(grams)) : JAR_CARE.discardTooOld(format.mass(tooOldGrams))]}
            >
              <OldDiscard pot={pot} grams={tooOldGrams < LEAST_DISCARD_GRAMS ? grams : tooOldGrams} tooOld={tooOldGrams >= LEAST_DISCARD_GRAMS} />
            </Row>
          ))}
        </ul>
      </Card>
    </div>
  )
}

function Row({
  when,
  title,
  says,
  children
}: {
  readonly when: string
  readonly title: string
  readonly says: readonly (string | null)[]
  readonly children: ReactNode
}) {
  return (
    <li>
      <span className={classes.careTime}>{when}</span>
      <span className={classes.careWords}>
        <b>{title}</b>
        {says.map((words) => words !== null && <span key={words}>{words}</span>)}
      </span>
      {children}
    </li>
  )
}

function Feed({ due, now }: { readonly due: Due; readonly now: number }) {
  const { kitchen, format } = useKitchen()
  const { jar, usual } = due
  const { run: feed, busy } = useOnce(() =>
    usual === null ? Promise.resolve() : feedLikeLast(jar, usual).then((undo) => tellDone(JAR_CARE.fed(jar.name), undo), tellError)
  )
  const { run: putOff, busy: puttingOff } = useOnce((untilMs: number) =>
    putOffFeed(jar, untilMs).then((undo) => tellDone(JAR_CARE.canWait(jar.name, format.dayTime(near(untilMs))), undo), tellError)
  )
  // As it is asked for again then: never in sleep.
  const waitsTo = (untilMs: number) => awakeAt(kitchen, putOffTo(untilMs, due, now))
  const later = (untilMs: number) => () => putOff(waitsTo(untilMs))
  const after = (hours: number) => later(now + hours * millisecondsInHour)
  const skipMs = skippedUntil(jar, due, now)
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
      <Menu position="bottom-end" withinPortal>
        <Menu.Target>
          <Button variant="default" disabled={puttingOff} rightSection={<IconChevronDown size={18} />} aria-label={JAR_CARE.laterOf(jar.name)}>
            {JAR_CARE.later}
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={after(HOURS_LATER)}>{JAR_CARE.inHours(HOURS_LATER)}</Menu.Item>
          <Menu.Item onClick={after(24)}>{JAR_CARE.tomorrow}</Menu.Item>
          <Menu.Item onClick={after(DAYS_LATER * 24)}>{JAR_CARE.inDays(DAYS_LATER)}</Menu.Item>
          {skipMs !== null && <Menu.Item onClick={later(skipMs)}>{JAR_CARE.skip(format.dayTime(near(waitsTo(skipMs))))}</Menu.Item>}
        </Menu.Dropdown>
      </Menu>
    </Group>
  )
}

const HOURS_LATER = 4
const DAYS_LATER = 3

/** Discard that is a week old: thrown away in one tap, or cooked at the jars. */
function OldDiscard({ pot, grams, tooOld }: { readonly pot: Pot; readonly grams: number; readonly tooOld: boolean }) {
  const { format } = useKitchen()
  const { run, busy } = useOnce(() =>
    takeDiscard(pot, grams, 'thrown away').then((undo) => tellDone(JAR_CARE.discardThrown(format.mass(grams)), undo), tellError)
  )
  return (
    <Group gap="xs">
      <Button variant={tooOld ? 'light' : 'default'} disabled={busy} onClick={() => run()}>
        {JAR_CARE.thrownAway}
      </Button>
      {!tooOld && (
        <Button component={Link} to="/jars" variant="light">
          {JAR_CARE.seeRecipes}
        </Button>
      )}
    </Group>
  )
}
