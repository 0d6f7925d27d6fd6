import { Button, Drawer, SegmentedControl, Select, SimpleGrid, Stack, Switch, Text } from '@mantine/core'
import { type ReactNode, useMemo, useState } from 'react'
import { Link } from 'react-router'
import {
  beliefIn,
  FEED_WAYS,
  type FeedAmounts,
  type FeedDraft,
  type FeedFigures,
  type FeedWay,
  feedFigures,
  firstDraft,
  howItIs,
  LATER,
  type Later,
  minuteOf
} from '../../../answers'
import { isoOf, type Jar } from '../../../contract'
import {
  glutenInto,
  gramsOfBlend,
  HOTTEST_WATER_C,
  isCold,
  isHungry,
  type JarCondition,
  type JarParameters,
  POSSIBLE,
  pourManner,
  pourOrder,
  ratioOf
} from '../../../core'
import { tellCondition, whenWords } from '../../../words'
import { useCultures } from '../../data/beliefs'
import { nowMs, useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { doTogether } from '../../data/together'
import type { WeighedFeed } from '../../data/wakes'
import { BlendEditor } from '../BlendEditor'
import { Figure, Figures, Note } from '../Card'
import { PlaceSelect } from '../PlaceSelect'
import { QuantityField } from '../QuantityField'
import { tellDone, tellError } from '../tell'
import classes from './FeedSheet.module.css'
import { InVessel } from './InVessel'
import { NOTHING_OUT, type TakenOut, TakeOut, takenOut } from './TakeOut'
import { WakeUp } from './WakeUp'
import { WeighFeed } from './WeighFeed'
import { WeighJar } from './WeighJar'

const GRAMS = [1, POSSIBLE.grams[1]] as const
/** Below this ratio there is much old starter for little food. */
const MEAN_RATIO = 1
const HOTTEST_ASKED_C = 60

/** Feeds one jar: what is taken out and kept, what goes in, where it stands, and what comes of it. */
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
  const { kitchen, format, pantry, vessels } = useKitchen()
  const now = minuteOf(useNow())
  const [draft, setDraft] = useState(() => firstDraft(jar, kitchen, now, amounts))
  const [out, setOut] = useState<TakenOut>(NOTHING_OUT)
  const [weighing, setWeighing] = useState(false)
  const edit = (patch: Partial<FeedDraft>) => setDraft((before) => ({ ...before, ...patch }))
  const { line } = jar
  const there = jar.grams - out.grams
  const found = feedFigures(draft, jar, line, { kitchen, pantry, cups: kitchen.cups, vessels }, parameters, now)
  const figures = 'code' in found ? null : found
  const problem = 'code' in found ? found : null
  const coming = figures === null ? null : howItIs(figures, parameters, now)
  const condition = useMemo(() => howItIs({ line }, parameters, now), [line, now, parameters])
  const told = tellCondition(condition, now, format)
  const place = kitchen.places.find((p) => p.id === draft.placeId)
  const gluten = glutenInto(
    jar,
    draft.feed.map((p) => p.ingredientId),
    pantry
  )
  const tooMuch = figures !== null && figures.keepGrams + draft.trimGrams > there + 0.05
  const feed = async (weighed?: WeighedFeed) => {
    if (figures === null) return
    const happenedAt = isoOf(nowMs())
    const later = figures.afterHours === null || draft.laterPlaceId === null ? null : { placeId: draft.laterPlaceId, afterHours: figures.afterHours }
    const { placeId, trimGrams, vesselId, underWater } = draft
    const { keepGrams, waterGrams, mixTempC } = figures
    const fed = {
      id: newId(),
      happenedAt,
      keepGrams,
      trimGrams,
      flours: weighed === undefined ? gramsOfBlend(draft.feed, figures.flourGrams) : [...weighed.flours],
      waterGrams: weighed?.waterGrams ?? waterGrams,
      mixTempC,
      placeId,
      later,
      vesselId,
      underWater
    }
    const undo = await doTogether([...takenOut(jar, out), { do: 'feed', jarId: jar.id, feed: fed }])
    tellDone(`${jar.name} is fed.`, undo)
  }
  const choose = (by: FeedWay) =>
    edit({ by, ...(by === 'grams' && figures !== null ? { flourGrams: figures.flourGrams, waterGrams: figures.waterGrams } : {}) })
  /** Stays warm at first, and goes to the cold place that was chosen afterwards. */
  const workFirst = () => edit({ laterPlaceId: draft.placeId, later: 'an hour', placeId: kitchen.places.find((p) => !isCold(p.tempC))?.id ?? draft.placeId })
  const refused = figures === null || gluten.length > 0 || tooMuch
  if (weighing && figures !== null && !refused)
    return (
      <Stack gap="md">
        <Text>{format.mass(figures.keepGrams)} stay in the jar. Jar on the scale: what is in it counts as nothing.</Text>
        <WeighFeed
          feed={{ flours: gramsOfBlend(draft.feed, figures.flourGrams), waterGrams: figures.waterGrams }}
          manner={pourManner(figures.hydration, jar.flour)}
          onDone={(weighed) => {
            feed(weighed).catch(tellError)
            onClose()
          }}
        />
        <Button variant="default" onClick={() => setWeighing(false)}>
          Back to the feed
        </Button>
      </Stack>
    )
  const discarded = figures === null ? 0 : Math.max(there - figures.keepGrams - draft.trimGrams, 0)
  return (
    <Stack gap="md">
      <Text>
        {format.mass(jar.grams)} at {format.percent(jar.hydration, 0)}, fed {format.dayTime(line.startedAtMs)}. {told.headline}: {told.use}.{' '}
        <Link to={`/jars/${jar.id}`} onClick={onClose}>
          More about {jar.name}
        </Link>
      </Text>
      <WakeUp jar={jar} use={condition.use} parameters={parameters} now={now} placeId={draft.placeId} />
      <TakeOut jar={jar} out={out} onOut={setOut} />
      <SegmentedControl
        aria-label="Fed by"
        value={draft.by}
        onChange={(v) => choose(v as FeedWay)}
        data={FEED_WAYS.map((way) => ({ value: way, label: `By ${way}` }))}
      />
      <Amounts jar={jar} draft={draft} there={there} edit={edit} />
      {draft.by !== 'cups' && (draft.trimGrams > 0 || jar.culture === 'stiff' || jar.culture === 'stiff under water') && (
        <SimpleGrid cols={{ base: 2, xs: 3 }}>
          <QuantityField
            kind="mass"
            label="Cut away: crust, slime"
            value={draft.trimGrams}
            range={[0, Math.max(jar.grams - 1, 0)]}
            what="What is cut away"
            onCommit={(trimGrams) => edit({ trimGrams })}
          />
        </SimpleGrid>
      )}
      <BlendEditor of="the feed" blend={draft.feed} only={jar.flour === 'gluten-free' ? 'gluten-free' : undefined} onBlend={(blend) => edit({ feed: blend })} />
      {problem?.code === 'seed too wet' && (
        <Note tone="stop">What is kept is too wet for that. It works from {problem.leastRatio.toFixed(1)} of flour to one kept.</Note>
      )}
      {problem?.code === 'no cups' && <Note tone="stop">How much a cup of this flour weighs is not known. Weigh it, or tell its density on the Shelf.</Note>}
      {problem?.code === 'too hot' && <Note tone="stop">Water above {format.temperature(HOTTEST_WATER_C)} harms the culture. Stir, measure, let it cool.</Note>}
      {gluten.length > 0 && (
        <Note tone="stop">
          {jar.name} is kept free of gluten, and {gluten.join(' and ')} would bring it in. Take a gluten-free flour.
        </Note>
      )}
      {tooMuch && (
        <Note tone="stop">
          Only {format.mass(Math.max(there - draft.trimGrams, 0))} are left to keep{out.grams > 0 ? ` once ${format.mass(out.grams)} are out` : ''}.
        </Note>
      )}
      {figures !== null && <Told jar={jar} figures={figures} />}
      {figures !== null && figures.flourGrams < MEAN_RATIO * figures.keepGrams && (
        <Note tone="care">That is much old starter for little food: it gets sluggish, flat and sour. Keep less, or give it more flour.</Note>
      )}
      <Text c="dimmed">
        {discarded > 0.05 ? `${format.mass(discarded)} goes to the discard pot: kept cold, used within a week, cooked.` : 'Nothing is discarded.'}
        {draft.trimGrams > 0 && ` ${format.mass(draft.trimGrams)} of crust is thrown away.`}
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2 }}>
        <PlaceSelect label="Where it stands" value={draft.placeId} onPlace={({ id }) => edit({ placeId: id })} />
        <QuantityField
          kind="temperature"
          label="Water at"
          description={figures === null ? undefined : `the mix comes out at ${format.temperature(figures.mixTempC, 0)}`}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          value={draft.waterTempC}
          range={[0, HOTTEST_ASKED_C]}
          what="The water"
          onCommit={(waterTempC) => edit({ waterTempC })}
        />
      </SimpleGrid>
      <SimpleGrid cols={{ base: 1, xs: 2 }}>
        <PlaceSelect
          label="Then it goes to"
          placeholder="stays there"
          except={draft.placeId}
          value={draft.laterPlaceId}
          onPlace={({ id }) => edit({ laterPlaceId: id })}
          onClear={() => edit({ laterPlaceId: null })}
        />
        {draft.laterPlaceId !== null && (
          <Select
            label="After"
            data={LATER.map((value) => ({
              value,
              label: value === 'two thirds' ? `risen by two thirds${figures?.risen == null ? '' : `, about ${format.duration(figures.risen)}`}` : value
            }))}
            value={draft.later}
            allowDeselect={false}
            onChange={(v) => v !== null && edit({ later: v as Later })}
          />
        )}
      </SimpleGrid>
      {jar.culture === 'stiff under water' && (
        <Switch label="The ball lies in water" checked={draft.underWater} onChange={(e) => edit({ underWater: e.currentTarget.checked })} />
      )}
      {place !== undefined && isCold(place.tempC) && (
        <Note tone={isHungry(condition, now) ? 'care' : 'plain'}>
          {isHungry(condition, now) ? 'Never put it to bed hungry. ' : ''}Straight into the cold it has eaten little and made little. Many let it start to work
          first.{' '}
          <Button size="compact-sm" variant="light" onClick={workFirst}>
            An hour out first
          </Button>
        </Note>
      )}
      {figures !== null && coming !== null && (
        <InVessel jar={jar} figures={figures} peakRise={coming.peakRise} vesselId={draft.vesselId} onVessel={(vesselId) => edit({ vesselId })} />
      )}
      <Note tone="care">Lid on loosely: a sealed jar can burst. Pink, orange or fuzzy: throw all of it away.</Note>
      <WeighJar jar={jar} onClose={onClose} />
      <div className={classes.foot} data-testid="feed-forecast">
        {coming !== null && <FeedForecast coming={coming} now={now} />}
        <Button variant="default" disabled={refused} onClick={() => setWeighing(true)}>
          Weigh it in
        </Button>
        <Button
          disabled={refused}
          onClick={() => {
            feed().catch(tellError)
            onClose()
          }}
        >
          Fed like this
        </Button>
      </div>
    </Stack>
  )
}

/** How much is kept and fed, in the way it is told. */
function Amounts({ jar, draft, there, edit }: { jar: Jar; draft: FeedDraft; there: number; edit: (patch: Partial<FeedDraft>) => void }) {
  const keep = (
    <QuantityField
      key="keep"
      kind="mass"
      label="Keep"
      value={draft.keepGrams}
      range={[1, Math.max(there, 1)]}
      what="What is kept"
      onCommit={(keepGrams) => edit({ keepGrams })}
    />
  )
  if (draft.by === 'ratio') {
    return (
      <SimpleGrid cols={{ base: 2, xs: 3 }}>
        {keep}
        <QuantityField
          kind="parts"
          label="Flour to one kept"
          value={draft.ratio}
          range={POSSIBLE.flourPerSeed}
          what="The ratio"
          onCommit={(ratio) => edit({ ratio })}
        />
        <QuantityField
          kind="percent"
          label="Hydration then"
          value={draft.hydration}
          range={POSSIBLE.levainHydration}
          onCommit={(hydration) => edit({ hydration })}
        />
      </SimpleGrid>
    )
  }
  if (draft.by === 'grams') {
    return (
      <SimpleGrid cols={{ base: 2, xs: 3 }}>
        {keep}
        {freshInOrder(
          jar,
          <QuantityField key="flour" kind="mass" label="Flour" value={draft.flourGrams} range={GRAMS} onCommit={(flourGrams) => edit({ flourGrams })} />,
          <QuantityField key="water" kind="mass" label="Water" value={draft.waterGrams} range={GRAMS} onCommit={(waterGrams) => edit({ waterGrams })} />
        )}
      </SimpleGrid>
    )
  }
  return (
    <SimpleGrid cols={{ base: 2, xs: 3 }}>
      <QuantityField kind="parts" label="Keep, tablespoons" value={draft.spoons} range={[0.25, 40]} what="Spoons" onCommit={(spoons) => edit({ spoons })} />
      {freshInOrder(
        jar,
        <QuantityField
          key="flour"
          kind="parts"
          label="Flour, cups"
          value={draft.flourCups}
          range={[0.06, 20]}
          what="Cups of flour"
          onCommit={(flourCups) => edit({ flourCups })}
        />,
        <QuantityField
          key="water"
          kind="parts"
          label="Water, cups"
          value={draft.waterCups}
          range={[0.06, 20]}
          what="Cups of water"
          onCommit={(waterCups) => edit({ waterCups })}
        />
      )}
    </SimpleGrid>
  )
}

/** The feed in grams. */
function Told({ jar, figures }: { jar: Jar; figures: FeedFigures }) {
  const { format } = useKitchen()
  const { keepGrams, flourGrams, waterGrams, ranges, hydration } = figures
  return (
    <>
      <Figures>
        {freshInOrder(
          jar,
          <Figure key="flour" value={format.mass(flourGrams)} name="flour" />,
          <Figure key="water" value={format.mass(waterGrams)} name="water" />
        )}
        <Figure value={ratioOf({ seed: keepGrams, flour: flourGrams, water: waterGrams })} name="kept : flour : water" />
        <Figure value={format.mass(keepGrams + flourGrams + waterGrams)} name={`then in the jar, ${format.percent(hydration, 0)}`} />
      </Figures>
      {ranges !== null && (
        <Text c="dimmed">
          {format.massFigure(ranges.keep.least)} to {format.mass(ranges.keep.most)} kept, {format.massFigure(ranges.flour.least)} to{' '}
          {format.mass(ranges.flour.most)} of flour: cups leave the ratio between 1:{(ranges.flour.least / ranges.keep.most).toFixed(1)} and 1:
          {(ranges.flour.most / ranges.keep.least).toFixed(1)}. Stir the starter down before it is spooned.
        </Text>
      )}
    </>
  )
}

/** Flour and water in the order in which this culture gets them. */
function freshInOrder(jar: Jar, flour: ReactNode, water: ReactNode): ReactNode[] {
  return pourOrder(pourManner(jar.hydration, jar.flour)).flatMap((item) => (item === 'flour' ? [flour] : item === 'water' ? [water] : []))
}

/** What comes of a feed. */
function FeedForecast({ coming, now }: { coming: JarCondition; now: number }) {
  const { format } = useKitchen()
  const { peakMs, peakRise, hungryMs } = coming
  const when = (ms: number | null) => (ms === null ? 'not in 60 days' : whenWords(ms, now, format))
  return (
    <Figures>
      <Figure value={when(peakMs)} name={peakMs === null ? 'ripe' : `ripe, ${format.rise(peakRise)}`} />
      <Figure value={when(hungryMs)} name="feed it again by" />
    </Figures>
  )
}
