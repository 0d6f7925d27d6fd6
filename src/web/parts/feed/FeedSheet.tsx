import { Button, Drawer, Group, SegmentedControl, Select, SimpleGrid, Stack, Text } from '@mantine/core'
import { type ReactNode, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { type Jar, lineFromWire } from '../../../contract'
import {
  type BatchLine,
  conditionOf,
  feedByRatio,
  isCold,
  type JarParameters,
  lineOfFeed,
  POSSIBLE,
  pourManner,
  pourOrder,
  ratioOf,
  risenHours,
  TWO_THIRDS
} from '../../../core'
import { beliefIn, useCultures } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { feedJar, weighJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { standingAt } from '../../data/solve'
import { Figure, Figures, Note } from '../Card'
import { tellCondition, whenWords } from '../conditionWords'
import { PlaceSelect } from '../PlaceSelect'
import { QuantityField } from '../QuantityField'
import { tellDone, tellError } from '../tell'
import classes from './FeedSheet.module.css'
import { WakeUp } from './WakeUp'

const MS_PER_HOUR = 3_600_000
const GRAMS = [1, POSSIBLE.grams[1]] as const
/** Below this ratio there is much old starter for little food. */
const MEAN_RATIO = 1
const USUAL_RATIO = 2
const USUAL_KEEP = 20

/** What a feed begins with. */
export interface FeedAmounts {
  readonly keepGrams: number
  readonly flourGrams: number
  readonly waterGrams: number
}

/** When a fed jar goes on to another place. */
const LATER = ['an hour', 'two hours', 'two thirds'] as const
type Later = (typeof LATER)[number]
const HOURS: Readonly<Record<Exclude<Later, 'two thirds'>, number>> = { 'an hour': 1, 'two hours': 2 }

/** Feeds one jar: what is kept, what goes in, where it stands, and what comes of it. */
export function FeedSheet({ jar, amounts, onClose }: { jar: Jar | null; amounts?: FeedAmounts; onClose: () => void }) {
  const { cultures } = useCultures()
  return (
    <Drawer opened={jar !== null} onClose={onClose} position="right" size="lg" title={jar === null ? '' : `Feed ${jar.name}`}>
      {jar !== null && cultures !== undefined && (
        <FeedForm key={jar.id} jar={jar} parameters={beliefIn(cultures.beliefs, jar.id).centre} amounts={amounts} onClose={onClose} />
      )}
    </Drawer>
  )
}

interface FormProps {
  readonly jar: Jar
  readonly parameters: JarParameters
  readonly amounts: FeedAmounts | undefined
  readonly onClose: () => void
}

function FeedForm({ jar, parameters, amounts, onClose }: FormProps) {
  const { kitchen, format } = useKitchen()
  const now = useMemo(nowMs, [])
  const [by, setBy] = useState<'ratio' | 'grams'>(amounts === undefined ? 'ratio' : 'grams')
  const [keepGrams, setKeep] = useState(amounts?.keepGrams ?? Math.min(Math.max(jar.keepMinimumGrams, USUAL_KEEP), jar.grams))
  const [ratio, setRatio] = useState(USUAL_RATIO)
  const [hydration, setHydration] = useState(jar.hydration)
  const [typed, setTyped] = useState({ flourGrams: amounts?.flourGrams ?? 0, waterGrams: amounts?.waterGrams ?? 0 })
  const [placeId, setPlaceId] = useState(jar.placeId)
  const place = kitchen.places.find((p) => p.id === placeId) ?? kitchen.places[0]
  const [mixTempC, setMixTempC] = useState(Math.max(place?.tempC ?? 22, 18))
  const [laterPlaceId, setLaterPlaceId] = useState<string | null>(null)
  const [later, setLater] = useState<Later>('an hour')
  const line = useMemo(() => lineFromWire(jar.line), [jar.line])
  const kept = { grams: keepGrams, hydration: jar.hydration, flour: jar.flour, line }
  const fed = feedByRatio(kept, ratio, hydration)
  const fresh =
    by === 'grams' ? typed : fed.ok ? { flourGrams: Math.max(Math.round(fed.value.flour), 1), waterGrams: Math.max(Math.round(fed.value.water), 1) } : null
  const laterPlace = kitchen.places.find((p) => p.id === laterPlaceId)
  const stayAt = (where: typeof place, fromMs: number) => ({ fromMs, ...standingAt(where, where?.tempC ?? 22, fromMs, kitchen.timeZone) })
  const whole = fresh !== null && fresh.flourGrams > 0 && fresh.waterGrams > 0 ? { ...fresh, mixTempC } : null
  const staying = whole === null ? null : lineOfFeed(kept, whole, [stayAt(place, now)])
  const risen = staying === null ? null : risenHours(staying, TWO_THIRDS, parameters)
  const afterHours = later === 'two thirds' ? risen : HOURS[later]
  const moves = laterPlace !== undefined && afterHours !== null
  const feedLine = staying === null || !moves ? staying : { ...staying, stays: [...staying.stays, stayAt(laterPlace, now + afterHours * MS_PER_HOUR)] }
  const condition = useMemo(() => conditionOf(line, now, parameters), [line, now, parameters])
  const told = tellCondition(condition, now, format)
  const feed = () => {
    if (fresh === null) return
    const happenedAt = new Date(nowMs()).toISOString()
    const goesOn = moves ? { placeId: laterPlace.id, afterHours } : null
    feedJar(jar, { id: newId(), happenedAt, keepGrams, ...fresh, mixTempC, placeId, later: goesOn }).then(
      (undo) => tellDone(`${jar.name} is fed.`, undo),
      tellError
    )
    onClose()
  }
  const toGrams = () => {
    if (fresh !== null) setTyped(fresh)
    setBy('grams')
  }
  /** Stays warm at first, and goes to the cold place that was chosen afterwards. */
  const workFirst = () => {
    setLaterPlaceId(placeId)
    setLater('an hour')
    setPlaceId(kitchen.places.find((p) => !isCold(p.tempC))?.id ?? placeId)
  }
  return (
    <Stack gap="md">
      <Text>
        {format.mass(jar.grams)} at {format.percent(jar.hydration, 0)}, fed {format.dayTime(line.startedAtMs)}. {told.headline}: {told.use}.{' '}
        <Link to={`/jars/${jar.id}`} onClick={onClose}>
          More about {jar.name}
        </Link>
      </Text>
      <WakeUp jar={jar} use={condition.use} parameters={parameters} now={now} placeId={placeId} />
      <SegmentedControl
        aria-label="Fed by"
        value={by}
        onChange={(v) => (v === 'grams' ? toGrams() : setBy('ratio'))}
        data={[
          { value: 'ratio', label: 'By ratio' },
          { value: 'grams', label: 'By grams' }
        ]}
      />
      <SimpleGrid cols={{ base: 2, xs: 3 }}>
        <QuantityField kind="mass" label="Keep" value={keepGrams} range={[1, Math.max(jar.grams, 1)]} what="What is kept" onCommit={setKeep} />
        {by === 'ratio' ? (
          <>
            <QuantityField kind="parts" label="Flour to one kept" value={ratio} range={POSSIBLE.flourPerSeed} what="The ratio" onCommit={setRatio} />
            <QuantityField kind="percent" label="Hydration then" value={hydration} range={POSSIBLE.levainHydration} onCommit={setHydration} />
          </>
        ) : (
          freshInOrder(
            jar,
            <QuantityField
              key="flour"
              kind="mass"
              label={`Flour (${jar.flour})`}
              value={typed.flourGrams}
              range={GRAMS}
              what="Flour"
              onCommit={(flourGrams) => setTyped((t) => ({ ...t, flourGrams }))}
            />,
            <QuantityField
              key="water"
              kind="mass"
              label="Water"
              value={typed.waterGrams}
              range={GRAMS}
              what="Water"
              onCommit={(waterGrams) => setTyped((t) => ({ ...t, waterGrams }))}
            />
          )
        )}
      </SimpleGrid>
      {by === 'ratio' && !fed.ok && fed.problem.code === 'seed too wet' && (
        <Note tone="stop">What is kept is too wet for that. It works from {(fed.problem.values.leastFlourPerSeed ?? 0).toFixed(1)} of flour to one kept.</Note>
      )}
      {whole !== null && (
        <Figures>
          {freshInOrder(
            jar,
            <Figure key="flour" value={format.mass(whole.flourGrams)} name="flour" />,
            <Figure key="water" value={format.mass(whole.waterGrams)} name="water" />
          )}
          <Figure value={ratioOf({ seed: keepGrams, flour: whole.flourGrams, water: whole.waterGrams })} name="kept : flour : water" />
          <Figure value={format.mass(keepGrams + whole.flourGrams + whole.waterGrams)} name="then in the jar" />
        </Figures>
      )}
      {whole !== null && whole.flourGrams < MEAN_RATIO * keepGrams && (
        <Note tone="care">That is much old starter for little food: it gets sluggish, flat and sour. Keep less, or give it more flour.</Note>
      )}
      <Text c="dimmed">
        {jar.grams - keepGrams > 0
          ? `${format.mass(jar.grams - keepGrams)} goes to the discard pot: kept cold, used within a week, cooked.`
          : 'Nothing is discarded.'}
      </Text>
      <SimpleGrid cols={2}>
        <PlaceSelect label="Where it stands" value={placeId} onPlace={({ id }) => setPlaceId(id)} />
        <QuantityField kind="temperature" label="Mixed at" value={mixTempC} range={POSSIBLE.tempC} what="The mix" onCommit={setMixTempC} />
      </SimpleGrid>
      <SimpleGrid cols={2}>
        <PlaceSelect
          label="Then it goes to"
          placeholder="stays there"
          except={placeId}
          value={laterPlaceId}
          onPlace={({ id }) => setLaterPlaceId(id)}
          onClear={() => setLaterPlaceId(null)}
        />
        {laterPlace !== undefined && (
          <Select
            label="After"
            data={LATER.map((value) => ({
              value,
              label: value === 'two thirds' ? `risen by two thirds${risen === null ? '' : `, about ${format.duration(risen)}`}` : value
            }))}
            value={later}
            allowDeselect={false}
            onChange={(v) => v !== null && setLater(v as Later)}
          />
        )}
      </SimpleGrid>
      {place !== undefined && isCold(place.tempC) && (
        <Note>
          Straight into the cold it has eaten little and made little. Many let it start to work first.{' '}
          <Button size="compact-sm" variant="light" onClick={workFirst}>
            An hour out first
          </Button>
        </Note>
      )}
      <Note tone="care">Lid on loosely: a sealed jar can burst. Pink, orange or fuzzy: throw all of it away.</Note>
      <Weighing jar={jar} onClose={onClose} />
      <div className={classes.foot} data-testid="feed-forecast">
        {feedLine !== null && <FeedForecast line={feedLine} parameters={parameters} now={now} />}
        <Button onClick={feed} disabled={fresh === null || whole === null}>
          Fed like this
        </Button>
      </div>
    </Stack>
  )
}

/** Flour and water in the order in which this culture gets them. */
function freshInOrder(jar: Jar, flour: ReactNode, water: ReactNode): ReactNode[] {
  return pourOrder(pourManner(jar.hydration, jar.flour)).flatMap((item) => (item === 'flour' ? [flour] : item === 'water' ? [water] : []))
}

/** What comes of a feed. */
function FeedForecast({ line, parameters, now }: { line: BatchLine; parameters: JarParameters; now: number }) {
  const { format } = useKitchen()
  const { peakMs, peakRise, hungryMs } = conditionOf(line, now, parameters)
  const when = (ms: number | null) => (ms === null ? 'not in 60 days' : whenWords(ms, now, format))
  return (
    <Figures>
      <Figure value={when(peakMs)} name={peakMs === null ? 'ripe' : `ripe, ${format.rise(peakRise)}`} />
      <Figure value={when(hungryMs)} name="feed it again by" />
    </Figures>
  )
}

/** One weighing puts the book right. */
function Weighing({ jar, onClose }: { jar: Jar; onClose: () => void }) {
  const { format } = useKitchen()
  const [weighed, setWeighed] = useState(jar.grams)
  const correct = () => {
    weighJar(jar, weighed, new Date(nowMs()).toISOString()).then(() => tellDone(`${jar.name} now holds ${format.mass(weighed)}.`), tellError)
    onClose()
  }
  return (
    <Group align="flex-end" wrap="nowrap">
      <QuantityField
        kind="mass"
        label="The book is wrong? Weigh it"
        value={weighed}
        range={[0, 20_000]}
        what="What is in the jar"
        onCommit={setWeighed}
        style={{ flex: 1 }}
      />
      <Button variant="default" onClick={correct}>
        Correct
      </Button>
    </Group>
  )
}
