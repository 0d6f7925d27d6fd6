import { Button, Drawer, SegmentedControl, Select, SimpleGrid, Stack, Switch, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import {
  beliefIn,
  FEED_WAYS,
  type FeedAmounts,
  type FeedDraft,
  type FeedWay,
  feedFigures,
  firstDraft,
  type HabitualFeed,
  habitualFeed,
  howItIs,
  howItShows,
  LATER,
  minuteOf
} from '../../../answers'
import { isoOf, type Jar } from '../../../contract'
import { glutenInto, gramsOfBlend, HOTTEST_WATER_C, isCold, isHungry, type JarBelief, type JarCondition, pHAfter, pourManner } from '../../../core'
import { tellCondition, usualFeedWords, whenWords } from '../../../words'
import { FEED_SHEET } from '../../../words/screens/parts-feed'
import { useCultures } from '../../data/beliefs'
import { nowMs, useNow } from '../../data/clock'
import type { WeighedFeed } from '../../data/jarFeeds'
import { lookAtJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { doTogether } from '../../data/together'
import { Figure, Figures, Note } from '../cards/Card'
import { tellDone, tellError } from '../cards/tell'
import { BlendEditor } from '../fields/BlendEditor'
import { PlaceSelect } from '../fields/PlaceSelect'
import { QuantityField } from '../fields/QuantityField'
import { WhenField } from '../fields/WhenField'
import { PhField } from '../weigh/PhField'
import { FeedAmountFields, FeedInGrams } from './FeedAmountFields'
import classes from './FeedSheet.module.css'
import { InVessel } from './InVessel'
import { NOTHING_OUT, type TakenOut, TakeOut, takenOut } from './TakeOut'
import { WakeUp } from './WakeUp'
import { WeighFeed } from './WeighFeed'
import { WeighJar } from './WeighJar'

/** Below this ratio there is much old starter for little food. */
const MEAN_RATIO = 1
const HOTTEST_ASKED_C = 60

/** Feeds one jar: what is taken out and kept, what goes in, where it stands, and what comes of it. */
export function FeedSheet({ jar, amounts, onClose }: { jar: Jar | null; amounts?: FeedAmounts; onClose: () => void }) {
  const { cultures } = useCultures()
  return (
    <Drawer opened={jar !== null} onClose={onClose} position="right" size="lg" title={jar === null ? '' : FEED_SHEET.feed(jar.name)}>
      {jar !== null && cultures !== undefined && (
        <FeedForm key={jar.id} jar={jar} belief={beliefIn(cultures.beliefs, jar.id)} amounts={amounts} onClose={onClose} />
      )}
    </Drawer>
  )
}

/** The feed a jar is used to, as a draft: its grams, and how long it stays out of the cold. */
function likeLast({ keepGrams, flourGrams, waterGrams, placeId, later }: HabitualFeed): Partial<FeedDraft> {
  const out = later == null ? {} : { laterPlaceId: later.placeId, later: later.afterHours > AN_HOUR ? ('two hours' as const) : ('an hour' as const) }
  return { by: 'grams', keepGrams, flourGrams, waterGrams, placeId, laterPlaceId: null, ...out }
}

/** Out of the cold for longer than this is two hours, h. */
const AN_HOUR = 1.5

interface FormProps {
  readonly jar: Jar
  readonly belief: JarBelief
  readonly amounts: FeedAmounts | undefined
  readonly onClose: () => void
}

function FeedForm({ jar, belief, amounts, onClose }: FormProps) {
  const parameters = belief.centre
  const { kitchen, format, pantry, vessels } = useKitchen()
  const now = minuteOf(useNow())
  const [draft, setDraft] = useState(() => firstDraft(jar, kitchen, now, amounts))
  const usual = habitualFeed(jar, kitchen, now)
  const [out, setOut] = useState<TakenOut>(NOTHING_OUT)
  const [weighing, setWeighing] = useState(false)
  const [pH, setPh] = useState<number | null>(null)
  const [ago, setAgo] = useState(0)
  const fedMs = now - ago * millisecondsInMinute
  const edit = (patch: Partial<FeedDraft>) => setDraft((before) => ({ ...before, ...patch }))
  const { line } = jar
  const there = jar.grams - out.grams
  const found = feedFigures(draft, jar, line, { kitchen, pantry, cups: kitchen.cups, vessels }, parameters, fedMs)
  const figures = 'code' in found ? null : found
  const problem = 'code' in found ? found : null
  const coming = figures === null ? null : howItIs(figures, parameters, now)
  const condition = useMemo(() => howItShows(jar, belief, now), [jar, now, belief])
  const told = tellCondition(condition, now, format, jar)
  const place = kitchen.places.find((p) => p.id === draft.placeId)
  const gluten = glutenInto(
    jar,
    draft.feed.map((p) => p.ingredientId),
    pantry
  )
  const tooMuch = figures !== null && figures.keepGrams + draft.trimGrams > there + 0.05
  const feed = async (weighed?: WeighedFeed) => {
    if (figures === null) return
    const atMs = nowMs() - ago * millisecondsInMinute
    const happenedAt = isoOf(atMs)
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
    const unlook = pH === null ? null : await lookAtJar(jar, { pH, signs: {} })
    const unfeed = await doTogether([...takenOut(jar, out, atMs), { do: 'feed', jarId: jar.id, feed: fed }])
    tellDone(FEED_SHEET.fed(jar.name), async () => {
      await unfeed()
      await unlook?.()
    })
  }
  const choose = (by: FeedWay) =>
    edit({ by, ...(by === 'grams' && figures !== null ? { flourGrams: figures.flourGrams, waterGrams: figures.waterGrams } : {}) })
  /** Stays warm at first, and goes to the cold place that was chosen afterwards. */
  const workFirst = () => edit({ laterPlaceId: draft.placeId, later: 'an hour', placeId: kitchen.places.find((p) => !isCold(p.tempC))?.id ?? draft.placeId })
  const refused = figures === null || gluten.length > 0 || tooMuch
  if (weighing && figures !== null && !refused)
    return (
      <Stack gap="md">
        <Text>{FEED_SHEET.stayInJarJarOn(format.mass(figures.keepGrams))}</Text>
        <WeighFeed
          feed={{ flours: gramsOfBlend(draft.feed, figures.flourGrams), waterGrams: figures.waterGrams }}
          manner={pourManner(figures.hydration, jar.flour)}
          onDone={(weighed) => {
            feed(weighed).catch(tellError)
            onClose()
          }}
        />
        <Button variant="default" onClick={() => setWeighing(false)}>
          {FEED_SHEET.backToFeed}
        </Button>
      </Stack>
    )
  const discarded = figures === null ? 0 : Math.max(there - figures.keepGrams - draft.trimGrams, 0)
  return (
    <Stack gap="md">
      <Text>
        {FEED_SHEET.atFed(format.mass(jar.grams), format.percent(jar.hydration, 0), format.dayTime(line.startedAtMs), told.headline, told.use)}
        <Link to={`/jars/${jar.id}`} onClick={onClose}>
          {FEED_SHEET.moreAbout(jar.name)}
        </Link>
      </Text>
      <WakeUp jar={jar} use={condition.use} parameters={parameters} now={now} placeId={draft.placeId} />
      <TakeOut jar={jar} out={out} onOut={setOut} />
      {usual !== null && amounts === undefined && (
        <Button variant="light" onClick={() => edit(likeLast(usual))}>
          {usualFeedWords(usual, format)}
        </Button>
      )}
      <SegmentedControl
        aria-label={FEED_SHEET.fedBy}
        value={draft.by}
        onChange={(v) => choose(v)}
        data={FEED_WAYS.map((way) => ({ value: way, label: FEED_SHEET.by(way) }))}
      />
      <FeedAmountFields jar={jar} draft={draft} there={there} edit={edit} />
      {draft.by !== 'cups' && (draft.trimGrams > 0 || jar.culture === 'stiff' || jar.culture === 'stiff under water') && (
        <SimpleGrid cols={{ base: 2, xs: 3 }}>
          <QuantityField
            kind="mass"
            label={FEED_SHEET.cutAwayCrustSlime}
            value={draft.trimGrams}
            range={[0, Math.max(jar.grams - 1, 0)]}
            what={FEED_SHEET.whatCutAway}
            onCommit={(trimGrams) => edit({ trimGrams })}
          />
        </SimpleGrid>
      )}
      <BlendEditor
        of={FEED_SHEET.feed2}
        blend={draft.feed}
        only={jar.flour === 'gluten-free' ? 'gluten-free' : undefined}
        onBlend={(blend) => edit({ feed: blend })}
      />
      {problem?.code === 'seed too wet' && <Note tone="stop">{FEED_SHEET.whatKeptTooWetFor(problem.leastRatio.toFixed(1))}</Note>}
      {problem?.code === 'no cups' && <Note tone="stop">{FEED_SHEET.howMuchCupThisFlour}</Note>}
      {problem?.code === 'too hot' && <Note tone="stop">{FEED_SHEET.waterAboveHarmsCultureStir(format.temperature(HOTTEST_WATER_C))}</Note>}
      {gluten.length > 0 && <Note tone="stop">{FEED_SHEET.keptFreeGlutenAndWould(jar.name, gluten.join(' and '))}</Note>}
      {tooMuch && (
        <Note tone="stop">
          {FEED_SHEET.onlyAreLeftToKeep(format.mass(Math.max(there - draft.trimGrams, 0)), out.grams > 0 ? FEED_SHEET.onceAreOut(format.mass(out.grams)) : '')}
        </Note>
      )}
      {figures !== null && <FeedInGrams jar={jar} figures={figures} />}
      {figures !== null && figures.flourGrams < MEAN_RATIO * figures.keepGrams && <Note tone="care">{FEED_SHEET.thatMuchOldStarterFor}</Note>}
      <Text c="dimmed">
        {discarded > 0.05 ? FEED_SHEET.goesToDiscardPotKept(format.mass(discarded)) : FEED_SHEET.nothingDiscarded}
        {draft.trimGrams > 0 && FEED_SHEET.crustThrownAway(format.mass(draft.trimGrams))}
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2 }}>
        <PlaceSelect label={FEED_SHEET.whereStands} value={draft.placeId} onPlace={({ id }) => edit({ placeId: id })} />
        <QuantityField
          kind="temperature"
          label={FEED_SHEET.waterAt}
          description={figures === null ? undefined : FEED_SHEET.mixComesOutAt(format.temperature(figures.mixTempC, 0))}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          value={draft.waterTempC}
          range={[0, HOTTEST_ASKED_C]}
          what={FEED_SHEET.water}
          onCommit={(waterTempC) => edit({ waterTempC })}
        />
      </SimpleGrid>
      <WhenField label={FEED_SHEET.when} minutesAgo={ago} onChange={setAgo} />
      <SimpleGrid cols={{ base: 1, xs: 2 }}>
        <PlaceSelect
          label={FEED_SHEET.thenGoesTo}
          placeholder={FEED_SHEET.staysThere}
          except={draft.placeId}
          value={draft.laterPlaceId}
          onPlace={({ id }) => edit({ laterPlaceId: id })}
          onClear={() => edit({ laterPlaceId: null })}
        />
        {draft.laterPlaceId !== null && (
          <Select
            label={FEED_SHEET.after}
            data={LATER.map((value) => ({
              value,
              label:
                value === 'two thirds' ? FEED_SHEET.risenByTwoThirds(figures?.risen == null ? '' : FEED_SHEET.about(format.duration(figures.risen))) : value
            }))}
            value={draft.later}
            allowDeselect={false}
            onChange={(v) => v !== null && edit({ later: v })}
          />
        )}
      </SimpleGrid>
      {draft.laterPlaceId !== null && draft.later === 'two thirds' && figures !== null && figures.risen === null && <Note>{FEED_SHEET.hardlyRises}</Note>}
      {jar.culture === 'stiff under water' && (
        <Switch label={FEED_SHEET.ballLiesInWater} checked={draft.underWater} onChange={(e) => edit({ underWater: e.currentTarget.checked })} />
      )}
      {place !== undefined && isCold(place.tempC) && (
        <Note tone={isHungry(condition, now) ? 'care' : 'plain'}>
          {FEED_SHEET.straightIntoColdHasEaten(isHungry(condition, now) ? FEED_SHEET.neverPutToBedHungry : '')}
          <Button size="compact-sm" variant="light" onClick={workFirst}>
            {FEED_SHEET.hourOutFirst}
          </Button>
        </Note>
      )}
      {figures !== null && coming !== null && (
        <InVessel jar={jar} figures={figures} peakRise={coming.peakRise} vesselId={draft.vesselId} onVessel={(vesselId) => edit({ vesselId })} />
      )}
      <Note tone="care">{FEED_SHEET.lidOnLooselySealedJar}</Note>
      <WeighJar jar={jar} onClose={onClose} />
      <Text fw={500}>{FEED_SHEET.beforeFeed}</Text>
      <PhField value={pH} expected={pHAfter(line, now, parameters)} onRead={setPh} />
      <div className={classes.foot} data-testid="feed-forecast">
        {coming !== null && !jar.young && <FeedForecast coming={coming} now={now} />}
        <Button variant="default" disabled={refused} onClick={() => setWeighing(true)}>
          {FEED_SHEET.weighIn}
        </Button>
        <Button
          disabled={refused}
          onClick={() => {
            feed().catch(tellError)
            onClose()
          }}
        >
          {FEED_SHEET.fedLikeThis}
        </Button>
      </div>
    </Stack>
  )
}

/** What comes of a feed. */
function FeedForecast({ coming, now }: { coming: JarCondition; now: number }) {
  const { format } = useKitchen()
  const { peakMs, peakRise, hungryMs } = coming
  const when = (ms: number | null) => (ms === null ? FEED_SHEET.notInDays : whenWords(ms, now, format))
  return (
    <Figures>
      <Figure value={when(peakMs)} name={peakMs === null ? 'ripe' : FEED_SHEET.ripe(format.rise(peakRise))} />
      <Figure value={when(hungryMs)} name={FEED_SHEET.feedAgainBy} />
    </Figures>
  )
}
