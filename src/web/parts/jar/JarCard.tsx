import { Button } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { Link } from 'react-router'
import { whereItStands } from '../../../answers'
import type { Jar } from '../../../contract'
import type { JarCondition } from '../../../core'
import { agoWords, beganWord, near, tellCondition, whenWords } from '../../../words'
import { JAR_CARD } from '../../../words/screens/parts-jar'
import { useKitchen } from '../../data/kitchen'
import { familyOf } from './family'
import classes from './JarCard.module.css'
import { JarDrawing } from './JarDrawing'

/** A jar at a glance: its level now, what is in it, how hungry it is; from here it is fed, or looked at closer. */
export function JarCard({
  jar,
  condition,
  alone,
  now,
  onFeed
}: {
  jar: Jar
  condition: JarCondition | undefined
  /** There is no spare of it. */
  alone: boolean
  now: number
  onFeed: (jar: Jar) => void
}) {
  const { kitchen, format } = useKitchen()
  const dried = jar.culture === 'dried'
  const told = condition === undefined || dried ? undefined : tellCondition(condition, now, format, jar)
  const stands = whereItStands(jar, now)
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? 'somewhere'
  return (
    <article className={classes.card} aria-label={jar.name}>
      <Link to={`/jars/${jar.id}`} className={classes.jar}>
        <JarDrawing rise={jar.young ? 1 : (condition?.rise ?? 1)} family={familyOf(jar.flour)} height={112} />
        <span className={classes.words}>
          <b className={classes.name}>{jar.name}</b>
          <span>
            {jar.guesses.includes('grams') ? JAR_CARD.about(format.mass(jar.grams)) : format.mass(jar.grams)} · {jar.culture}{' '}
            {dried ? '' : format.percent(jar.hydration, 0)}
          </span>
          <span>
            {nameOf(stands.placeId)}
            {stands.next !== null && JAR_CARD.to(nameOf(stands.next.placeId), format.dayTime(near(stands.next.atMs)))}
            {JAR_CARD.began(beganWord(jar), agoWords((now - jar.line.startedAtMs) / millisecondsInHour, format))}
            {jar.guesses.length > 0 && JAR_CARD.partlyGuessed}
          </span>
          {jar.program === null ? (
            <>
              <span className={classes.headline} data-hungry={told?.hungry}>
                {dried ? JAR_CARD.asleep : told?.headline}
              </span>
              <span>{dried ? JAR_CARD.threeDaysWake : told?.use}</span>
            </>
          ) : (
            <>
              <span className={classes.headline}>{jar.program.step}</span>
              <span>
                {jar.program.dueAt <= now ? 'now' : whenWords(jar.program.dueAt, now, format)} · {jar.program.title}
              </span>
            </>
          )}
          {alone && <span className={classes.alone}>{JAR_CARD.noSpare}</span>}
        </span>
      </Link>
      {jar.program !== null ? (
        <Button size="sm" variant="default" component={Link} to={`/programs/${jar.program.id}`} aria-label={JAR_CARD.goOnWith(jar.program.title)}>
          {JAR_CARD.goOn}
        </Button>
      ) : dried ? (
        <Button size="sm" variant="default" component={Link} to={`/jars/${jar.id}/programs`} aria-label={JAR_CARD.wake2(jar.name)}>
          {JAR_CARD.wake}
        </Button>
      ) : (
        <Button size="sm" variant={told?.hungry ? 'filled' : 'default'} aria-label={JAR_CARD.feed2(jar.name)} onClick={() => onFeed(jar)}>
          {JAR_CARD.feed}
        </Button>
      )}
    </article>
  )
}
