import { Button } from '@mantine/core'
import { Link } from 'react-router'
import { whereItStands } from '../../../answers'
import type { Jar } from '../../../contract'
import type { JarCondition } from '../../../core'
import { near, tellCondition, whenWords } from '../../../words'
import { useKitchen } from '../../data/kitchen'
import { familyOf } from '../family'
import classes from './JarCard.module.css'
import { JarDrawing } from './JarDrawing'

const MS_PER_HOUR = 3_600_000

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
  const told = condition === undefined || dried ? undefined : tellCondition(condition, now, format)
  const stands = whereItStands(jar, now)
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? 'somewhere'
  return (
    <article className={classes.card} aria-label={jar.name}>
      <Link to={`/jars/${jar.id}`} className={classes.jar}>
        <JarDrawing rise={condition?.rise ?? 1} family={familyOf(jar.flour)} height={112} />
        <span className={classes.words}>
          <b className={classes.name}>{jar.name}</b>
          <span>
            {format.mass(jar.grams)} · {jar.culture} {dried ? '' : format.percent(jar.hydration, 0)}
          </span>
          <span>
            {nameOf(stands.placeId)}
            {stands.next !== null && `, to ${nameOf(stands.next.placeId)} ${format.dayTime(near(stands.next.atMs))}`} ·{' '}
            {dried ? 'dried' : Object.keys(jar.line.flours).length > 0 ? 'fed' : 'split off'} {format.duration((now - jar.line.startedAtMs) / MS_PER_HOUR)} ago
          </span>
          {jar.program === null ? (
            <>
              <span className={classes.headline} data-hungry={told?.hungry}>
                {dried ? 'Asleep' : told?.headline}
              </span>
              <span>{dried ? 'three days wake it' : told?.use}</span>
            </>
          ) : (
            <>
              <span className={classes.headline}>{jar.program.step}</span>
              <span>
                {jar.program.dueAt <= now ? 'now' : whenWords(jar.program.dueAt, now, format)} · {jar.program.title}
              </span>
            </>
          )}
          {alone && <span className={classes.alone}>no spare of it</span>}
        </span>
      </Link>
      {jar.program !== null ? (
        <Button size="sm" variant="default" component={Link} to={`/programs/${jar.program.id}`} aria-label={`Go on with ${jar.program.title}`}>
          Go on
        </Button>
      ) : dried ? (
        <Button size="sm" variant="default" component={Link} to={`/jars/${jar.id}/programs`} aria-label={`Wake ${jar.name}`}>
          Wake
        </Button>
      ) : (
        <Button size="sm" variant={told?.hungry ? 'filled' : 'default'} aria-label={`Feed ${jar.name}`} onClick={() => onFeed(jar)}>
          Feed
        </Button>
      )}
    </article>
  )
}
