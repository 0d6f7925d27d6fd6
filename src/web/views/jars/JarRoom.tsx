import { Button, Group, Skeleton, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Jar, JarEvent, Place } from '../../../contract'
import { type Format, isCold, isHungry, type JarCondition, ratioOf } from '../../../core'
import { beliefIn, useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { moveJar, useJarHistory } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { tellCondition, USE_WORDS, whenWords } from '../../parts/conditionWords'
import { familyOf } from '../../parts/family'
import { FeedSheet } from '../../parts/feed/FeedSheet'
import { JarDrawing } from '../../parts/jar/JarDrawing'
import { knownSentence } from '../../parts/jarWords'
import { PlaceSelect } from '../../parts/PlaceSelect'
import { Quiet } from '../../parts/Quiet'
import { tellDone, tellError } from '../../parts/tell'
import classes from './JarRoom.module.css'
import { SplitSheet } from './SplitSheet'

/** One culture: how it is, what comes, where it stands, what happened to it. */
export function JarRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const { cultures, error } = useCultures()
  const conditions = useConditions(cultures, now)
  const [feeding, setFeeding] = useState<Jar | null>(null)
  const [splitting, split] = useDisclosure(false)
  if (cultures === undefined) {
    return error === undefined ? <Skeleton height={320} radius={0} /> : <Quiet title="The jars could not be opened" words={error.message} />
  }
  const jar = cultures.jars.find((j) => j.id === id)
  if (jar === undefined) return <Quiet title="This jar is not here" words="It has been taken away, or never was." action={{ label: 'Jars', href: '/jars' }} />
  const condition = conditions?.get(jar.id)
  return (
    <div className={classes.room}>
      <Group justify="space-between">
        <h1 className={classes.title}>{jar.name}</h1>
        <Group>
          <Button size="lg" variant="default" onClick={split.open}>
            New jar from it
          </Button>
          <Button size="lg" onClick={() => setFeeding(jar)}>
            Feed {jar.name}
          </Button>
        </Group>
      </Group>
      <div className={classes.columns}>
        {condition === undefined ? <Skeleton height={280} /> : <HowItIs jar={jar} condition={condition} now={now} />}
        <div className={classes.side}>
          <Standing jar={jar} condition={condition} now={now} />
          <Card title="Its pace">
            <Text>
              {knownSentence(jar, beliefIn(cultures.beliefs, jar.id))} <Link to={`/jars/${jar.id}/pace`}>What Olvent knows of {jar.name}</Link>
            </Text>
          </Card>
        </div>
      </div>
      <History jar={jar} now={now} />
      <FeedSheet jar={feeding} onClose={() => setFeeding(null)} />
      <SplitSheet jar={jar} opened={splitting} onClose={split.close} />
    </div>
  )
}

function HowItIs({ jar, condition, now }: { jar: Jar; condition: JarCondition; now: number }) {
  const { format } = useKitchen()
  const { rise, food, hungryMs, peakMs, peakRise, fades } = condition
  const told = tellCondition(condition, now, format)
  const coming = [
    ...(peakMs !== null && peakMs > now ? [{ ms: peakMs, words: `ripe, ${format.rise(peakRise)}` }] : []),
    ...(hungryMs !== null && hungryMs > now ? [{ ms: hungryMs, words: 'hungry' }] : []),
    ...fades.filter((f) => f.fromMs > now).map((f) => ({ ms: f.fromMs, words: USE_WORDS[f.strength] }))
  ]
  return (
    <Card title="How it is" data-testid="how-it-is">
      <div className={classes.how}>
        <JarDrawing rise={rise} family={familyOf(jar.flour)} height={220} scale />
        <div>
          <h2 className={classes.headline} data-hungry={told.hungry}>
            {told.headline}
          </h2>
          <Text c="dimmed">{told.use}</Text>
          <Figures>
            <Figure value={<Mass grams={jar.grams} />} name={`${jar.flour} ${format.percent(jar.hydration, 0)}`} />
            <Figure value={format.rise(rise)} name="expected now" />
            <Figure value={format.percent(food, 0)} name="food left" />
          </Figures>
        </div>
      </div>
      {coming.length > 0 && (
        <>
          <Text c="dimmed" mt="md">
            If nobody feeds it
          </Text>
          <ul className={classes.list}>
            {coming.map(({ ms, words }) => (
              <li key={words}>
                <b>{whenWords(ms, now, format)}</b>
                <span>{words}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Card>
  )
}

/** Where it stands, and taking it elsewhere; never hungry into the cold without a word. */
function Standing({ jar, condition, now }: { jar: Jar; condition: JarCondition | undefined; now: number }) {
  const { kitchen } = useKitchen()
  const here = kitchen.places.find((p) => p.id === jar.placeId)
  const hungry = condition !== undefined && isHungry(condition, now)
  const move = ({ id, name }: Place) => {
    if (id !== jar.placeId) moveJar(jar, id).then((undo) => tellDone(`${jar.name} stands at ${name} now.`, undo), tellError)
  }
  return (
    <Card title="Where it stands">
      <PlaceSelect aria-label="Where it stands" value={jar.placeId} onPlace={move} />
      {hungry && (
        <Note tone="care">
          {here !== undefined && isCold(here.tempC)
            ? `${jar.name} is hungry in the cold. Take it out and feed it.`
            : `Never put it to bed hungry: a small feed and an hour out before the cold, and it keeps.`}
        </Note>
      )}
    </Card>
  )
}

function History({ jar, now }: { jar: Jar; now: number }) {
  const { format } = useKitchen()
  const { events, error, more } = useJarHistory(jar)
  if (error !== undefined && events === undefined)
    return (
      <Note tone="care">
        What happened to {jar.name} could not be read: {error.message}
      </Note>
    )
  if (events === undefined) return <Skeleton height={160} />
  return (
    <Card title="What happened">
      <ul className={classes.list} data-testid="history">
        {events.map((event) => (
          <li key={event.id} data-undone={event.undone}>
            <b>{whenWords(Date.parse(event.at), now, format)}</b>
            <span>
              {eventWords(event, format)}
              {event.undone && ' (taken back)'}
            </span>
          </li>
        ))}
      </ul>
      {more !== undefined && (
        <Button variant="default" mt="md" onClick={more}>
          Show more
        </Button>
      )}
    </Card>
  )
}

function eventWords({ type, grams, keepGrams, flourGrams, waterGrams, placeName }: JarEvent, format: Format): string {
  const at = placeName === null ? '' : `, ${placeName}`
  if (type === 'feed' && keepGrams !== null && flourGrams !== null && waterGrams !== null) {
    const fed = { seed: keepGrams, flour: flourGrams, water: waterGrams }
    return `fed ${ratioOf(fed)}: ${format.mass(keepGrams)} kept, ${format.mass(flourGrams)} flour, ${format.mass(waterGrams)} water${at}`
  }
  if (type === 'weighing') return `weighed: ${format.mass(grams ?? 0)}`
  if (type === 'split') return `${format.mass(grams ?? 0)} went into a new jar`
  if (type === 'moved') return `moved${placeName === null ? '' : ` to ${placeName}`}`
  return type === 'opened' ? `came into the kitchen with ${format.mass(grams ?? 0)}` : 'pace pinned or begun anew'
}
