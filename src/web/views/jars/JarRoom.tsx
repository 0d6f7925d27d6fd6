import { Button, Group, Menu, Skeleton, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconChevronDown } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import type { FeedAmounts } from '../../../answers'
import { beliefIn, levainAsFed, seenNow } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarBelief, type JarCondition, type JarParameters, type SourAsked, sourOf, withoutSpare } from '../../../core'
import { GUESS_WORDS, knownSentence, sourWords, tellCondition, USE_WORDS, whenWords } from '../../../words'
import { JAR_ROOM } from '../../../words/screens/jars'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useUsualSour } from '../../data/compare'
import { useConditions } from '../../data/conditions'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/cards/Card'
import { History } from '../../parts/cards/History'
import { Quiet } from '../../parts/cards/Quiet'
import { Room } from '../../parts/cards/Room'
import rows from '../../parts/cards/Rows.module.css'
import { FeedSheet } from '../../parts/feed/FeedSheet'
import { familyOf } from '../../parts/jar/family'
import { JarDrawing } from '../../parts/jar/JarDrawing'
import { VesselDrawing } from '../../parts/jar/VesselDrawing'
import { SourCard } from '../../parts/sour/SourCard'
import { TroubleCard } from '../../parts/trouble/TroubleCard'
import { CorrectJarSheet } from './CorrectJarSheet'
import { DateCard } from './DateCard'
import { EditJarSheet } from './EditJarSheet'
import { EndJar } from './EndJar'
import { JarHistory } from './JarHistory'
import classes from './JarRoom.module.css'
import { LookSheet } from './LookSheet'
import { SplitSheet } from './SplitSheet'
import { Standing } from './Standing'

/** One culture: how it is, what comes, where it stands, what happened to it. */
export function JarRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const { cultures, error } = useCultures()
  const conditions = useConditions(cultures, now)
  const [feeding, setFeeding] = useState<{ readonly jar: Jar; readonly amounts?: FeedAmounts } | null>(null)
  const [splitting, split] = useDisclosure(false)
  const [editing, edit] = useDisclosure(false)
  const [changing, changed] = useDisclosure(false)
  const [looking, look] = useDisclosure(false)
  const [ending, end] = useDisclosure(false)
  const [correcting, correct] = useDisclosure(false)
  if (cultures === undefined) {
    return error === undefined ? <Skeleton height={320} radius={0} /> : <Quiet title={JAR_ROOM.jarsCouldNotBeOpened} words={error.message} />
  }
  const jar = cultures.jars.find((j) => j.id === id)
  if (jar === undefined) return <Quiet title={JAR_ROOM.thisJarNotHere} words={JAR_ROOM.hasBeenTakenAwayOr} action={{ label: JAR_ROOM.jars, href: '/jars' }} />
  const condition = conditions?.get(jar.id)
  const dried = jar.culture === 'dried'
  const { centre } = beliefIn(cultures.beliefs, jar.id)
  return (
    <Room
      title={jar.name}
      actions={
        <Group>
          <Menu position="bottom-end" withinPortal>
            <Menu.Target>
              <Button size="lg" variant="default" rightSection={<IconChevronDown size={20} />}>
                {JAR_ROOM.more}
              </Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={split.open}>{dried ? JAR_ROOM.split : JAR_ROOM.newJarFrom}</Menu.Item>
              <Menu.Item component={Link} to={`/jars/${jar.id}/programs`}>
                {JAR_ROOM.programsOverSeveralDays}
              </Menu.Item>
              <Menu.Item component={Link} to={`/jars/${jar.id}/label`}>
                {JAR_ROOM.label}
              </Menu.Item>
              <Menu.Item onClick={edit.open}>{JAR_ROOM.editNameCultureVessel}</Menu.Item>
              {jar.originId === null && <Menu.Item onClick={correct.open}>{JAR_ROOM.correctHowCame}</Menu.Item>}
              <Menu.Item onClick={changed.open}>{JAR_ROOM.whatWasChanged}</Menu.Item>
              <Menu.Item onClick={end.open}>{JAR_ROOM.mouldOrRemoveJar}</Menu.Item>
            </Menu.Dropdown>
          </Menu>
          {!dried && (
            <Button size="lg" variant="default" onClick={look.open}>
              {JAR_ROOM.noteWhatYouSaw}
            </Button>
          )}
          {dried ? (
            <Button size="lg" component={Link} to={`/jars/${jar.id}/programs`}>
              {JAR_ROOM.wakeSome}
            </Button>
          ) : (
            <Button size="lg" onClick={() => setFeeding({ jar })}>
              {JAR_ROOM.feed(jar.name)}
            </Button>
          )}
        </Group>
      }
    >
      {changing && <History what="jar" ofId={jar.id} title={jar.name} onClose={changed.close} />}
      {jar.program !== null && <InProgram jar={jar} now={now} />}
      {jar.guesses.length > 0 && (
        <Note>
          {JAR_ROOM.guessed(jar.guesses.map((guess) => GUESS_WORDS[guess]).join(', '))}{' '}
          <Button size="compact-sm" variant="light" onClick={correct.open}>
            {JAR_ROOM.putRight}
          </Button>
        </Note>
      )}
      <div className={classes.columns}>
        <div className={classes.side}>
          {dried ? (
            <Asleep jar={jar} />
          ) : condition === undefined ? (
            <Skeleton height={280} />
          ) : (
            <HowItIs jar={jar} parameters={centre} condition={condition} now={now} />
          )}
          <JarHistory jar={jar} now={now} onCorrect={correct.open} />
        </div>
        <div className={classes.side}>
          <Standing jar={jar} jars={cultures.jars} condition={dried ? undefined : condition} now={now} onFeed={(amounts) => setFeeding({ jar, amounts })} />
          <Kept jar={jar} jars={cultures.jars} onSpare={split.open} />
          {!dried && (
            <Card title={JAR_ROOM.pace}>
              <Text>
                {knownSentence(jar, beliefIn(cultures.beliefs, jar.id))} <Link to={`/jars/${jar.id}/pace`}>{JAR_ROOM.whatOlventKnowsAbout(jar.name)}</Link>
              </Text>
            </Card>
          )}
          {!dried && !jar.young && <DateCard jar={jar} belief={beliefIn(cultures.beliefs, jar.id)} now={now} />}
          {!dried && <SourAndTrouble jar={jar} belief={beliefIn(cultures.beliefs, jar.id)} now={now} />}
        </div>
      </div>
      <FeedSheet jar={feeding?.jar ?? null} amounts={feeding?.amounts} onClose={() => setFeeding(null)} />
      <SplitSheet jar={jar} opened={splitting} onClose={split.close} />
      <EditJarSheet jar={jar} opened={editing} onClose={edit.close} />
      <LookSheet jar={jar} expected={condition?.rise ?? 1} parameters={centre} opened={looking} onClose={look.close} />
      <CorrectJarSheet jar={jar} opened={correcting} onClose={correct.close} />
      <EndJar jar={jar} jars={cultures.jars} opened={ending} onClose={end.close} />
    </Room>
  )
}

/** The step of its program that is next. */
function InProgram({ jar, now }: { jar: Jar; now: number }) {
  const { format } = useKitchen()
  const { program } = jar
  if (program === null) return null
  const due = program.dueAt
  return (
    <Card title={program.title} data-testid="in-program">
      <Group justify="space-between">
        <Text>
          {due <= now ? JAR_ROOM.now : whenWords(due, now, format)}: {program.step}
        </Text>
        <Button component={Link} to={`/programs/${program.id}`}>
          {JAR_ROOM.goTo}
        </Button>
      </Group>
    </Card>
  )
}

/** A dried culture: nothing happens to it. */
function Asleep({ jar }: { jar: Jar }) {
  return (
    <Card title={JAR_ROOM.how} data-testid="how-it-is">
      <h2 className={classes.headline}>{JAR_ROOM.driedSleeps}</h2>
      <Text c="dimmed">{JAR_ROOM.darkDryAndClosedKeeps}</Text>
      <Figures>
        <Figure value={<Mass grams={jar.grams} />} name={JAR_ROOM.culture(jar.flour)} />
      </Figures>
    </Card>
  )
}

/** In which vessel it stands, and whether there is another of it. */
function Kept({ jar, jars, onSpare }: { jar: Jar; jars: readonly Jar[]; onSpare: () => void }) {
  const { format, vessels } = useKitchen()
  const vessel = vessels.find((v) => v.id === jar.vesselId)
  const alone = withoutSpare(jars).some((j) => j.id === jar.id)
  return (
    <Card title={JAR_ROOM.whereAndHowKept}>
      <Group wrap="nowrap" gap="lg" align="flex-start">
        {vessel !== undefined && <VesselDrawing vessel={vessel} pxPerMm={DRAWN_PX / vessel.heightMm} family={familyOf(jar.flour)} />}
        <Text>
          {JAR_ROOM.atLeastAlwaysStay(
            jar.culture,
            vessel === undefined ? '' : JAR_ROOM.inMlEmpty(vessel.name, vessel.capacityMl, format.mass(vessel.tareGrams)),
            format.mass(jar.keepMinimumGrams)
          )}
        </Text>
      </Group>
      {alone && (
        <Note tone="care">
          {JAR_ROOM.thereNoSpareIfBreaks}
          {jar.culture !== 'dried' && (
            <Button size="compact-sm" variant="light" onClick={onSpare}>
              {JAR_ROOM.takeSpare}
            </Button>
          )}
        </Note>
      )}
    </Card>
  )
}

const DRAWN_PX = 72
/** Nobody works out the food of a jar to the minute: to an hour, and from two days on to a day. */
const roundedHours = (hours: number) => (hours >= 48 ? Math.round(hours / 24) * 24 : Math.max(Math.round(hours), 1))

/** How sour its levains come out as it is fed now, and what changes that; what may be wrong with it. */
function SourAndTrouble({ jar, belief, now }: { readonly jar: Jar; readonly belief: JarBelief; readonly now: number }) {
  const stocked = useKitchen()
  const { kitchen } = stocked
  const usual = useUsualSour(jar.id, belief)
  const fedMs = Math.floor(now / millisecondsInHour) * millisecondsInHour
  const asked = useMemo((): SourAsked => {
    const levain = levainAsFed(jar, { ...stocked, cups: kitchen.cups }, belief.centre, fedMs)
    return { levain, dough: null, school: 'dome', jar: belief.centre, begun: false }
  }, [jar, stocked, kitchen, belief, fedMs])
  return (
    <>
      {!jar.young && <SourCard asked={asked} usual={usual} />}
      <TroubleCard line={jar.line} belief={belief} jar={jar} now={now} sour={asked} />
    </>
  )
}

function HowItIs({ jar, parameters, condition, now }: { jar: Jar; parameters: JarParameters; condition: JarCondition; now: number }) {
  const { format } = useKitchen()
  const { rise, hungryMs, peakMs, peakRise, fades } = condition
  // What was just seen is no matter of forecasts.
  const level = seenNow(jar, now)
  const told = tellCondition(condition, now, format, jar)
  const sour = useMemo(() => sourOf(jar.line, Math.max((now - jar.line.startedAtMs) / millisecondsInHour, 0), parameters), [jar.line, parameters, now])
  const coming = jar.young
    ? []
    : [
        ...(peakMs !== null && peakMs > now ? [{ ms: peakMs, words: JAR_ROOM.ripe(format.rise(peakRise)) }] : []),
        ...(hungryMs !== null && hungryMs > now ? [{ ms: hungryMs, words: 'hungry' }] : []),
        ...fades.filter((f) => f.fromMs > now).map((f) => ({ ms: f.fromMs, words: USE_WORDS[f.strength] }))
      ]
  return (
    <Card title={JAR_ROOM.how} data-testid="how-it-is">
      <div className={classes.how}>
        <JarDrawing rise={jar.young ? 1 : (level?.rise ?? rise)} family={familyOf(jar.flour)} height={220} scale />
        <div>
          <h2 className={classes.headline} data-hungry={told.hungry}>
            {told.headline}
          </h2>
          <Text c="dimmed">{told.use}</Text>
          <Figures>
            <Figure
              value={<Mass grams={jar.grams} />}
              name={
                jar.guesses.includes('grams')
                  ? JAR_ROOM.aGuess(`${jar.culture} ${format.percent(jar.hydration, 0)}`)
                  : `${jar.culture} ${format.percent(jar.hydration, 0)}`
              }
            />
            {!jar.young && (
              <Figure
                value={format.rise(level?.rise ?? rise)}
                name={level?.rise === undefined ? JAR_ROOM.expectedNow : JAR_ROOM.seenAt(format.time(level.at))}
              />
            )}
            {!jar.young && hungryMs !== null && hungryMs > now && (
              <Figure value={JAR_ROOM.about(format.duration(roundedHours((hungryMs - now) / millisecondsInHour)))} name={JAR_ROOM.untilHungry} />
            )}
          </Figures>
          {!jar.young && (
            <Text c="dimmed" mt="sm">
              {sourWords(sour)}
            </Text>
          )}
        </div>
      </div>
      {coming.length > 0 && (
        <>
          <Text c="dimmed" mt="md">
            {JAR_ROOM.ifNobodyFeeds}
          </Text>
          <ul className={rows.rows}>
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
