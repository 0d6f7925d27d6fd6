import { Button } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { awakeAt, type FeedAmounts, type FeedTold, feedsTold, nextStage, sameAgain, soonestMixed } from '../../../../answers'
import { isoOf, type Jar } from '../../../../contract'
import { type FedWay, isCollapsed, ratioOf } from '../../../../core'
import { near } from '../../../../words'
import { WAYS_CARD } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { FeedSheet } from '../../../parts/feed/FeedSheet'
import { useBakeHere } from '../bakeHere'
import { useNotes } from './useNotes'

/** Feeds of what stands there: each with when it is ripe, and the button that plans the next levain of it, or feeds the jar. */
export function FeedAgain({ feeds, hydration }: { readonly feeds: readonly FedWay[]; readonly hydration: number }) {
  const { plan, judged, jar } = useBakeHere()
  const { format, kitchen } = useKitchen()
  // What is still on its way up is waited for.
  const isAdvised = judged !== undefined && isCollapsed(judged.verdict)
  const isToFeed = judged?.told.advice.kind !== 'wait'
  const ofJar = plan.build.source === 'as it is' ? jar : undefined
  const told = feedsTold(feeds, plan.mixAt, (ms) => awakeAt(kitchen, ms))
  const best = soonestMixed(told)
  return told.map((feed) => (
    <li key={feed.flourPerSeed}>
      <b>{WAYS_CARD.feedAgain(ratioOf({ seed: 1, flour: feed.flourPerSeed, water: feed.flourPerSeed * hydration }))}</b>
      {WAYS_CARD.ripeAboutWhereStands(format.dayTime(near(feed.ripeMs)))}
      {feed.mixAtMs === null && WAYS_CARD.youSleepThen}
      {isToFeed &&
        feed.mixAtMs !== null &&
        (ofJar === undefined ? (
          <FeedIt feed={feed} mixAtMs={feed.mixAtMs} isAdvised={isAdvised && feed === best} />
        ) : (
          <FeedJar jar={ofJar} amounts={sameAgain(ofJar.grams, feed, hydration)} isAdvised={isAdvised && feed === best} />
        ))}
    </li>
  ))
}

/** Opens the feed of a jar that goes into the dough as it is; the day goes on from it. */
function FeedJar({ jar, amounts, isAdvised }: { readonly jar: Jar; readonly amounts: FeedAmounts; readonly isAdvised: boolean }) {
  const [feeding, setFeeding] = useState(false)
  return (
    <div>
      <Button variant={isAdvised ? 'filled' : 'default'} size="sm" mt={8} onClick={() => setFeeding(true)}>
        {WAYS_CARD.feedJar(jar.name)}
      </Button>
      <FeedSheet jar={feeding ? jar : null} amounts={amounts} onClose={() => setFeeding(false)} />
    </div>
  )
}

/** Begins the next levain from this one. */
function FeedIt({ feed: { flourPerSeed }, mixAtMs, isAdvised }: { readonly feed: FeedTold; readonly mixAtMs: number; readonly isAdvised: boolean }) {
  const { bake, state } = useBakeHere()
  const { format } = useKitchen()
  const { note, undo } = useNotes()
  const navigate = useNavigate()
  const feed = () => {
    const id = newId()
    note({ type: 'fed again', stage: nextStage(state), flourPerSeed, mixAt: isoOf(near(mixAtMs)) }, 0, id).then(() => {
      tellDone(WAYS_CARD.weighNextOfIt, () => undo(id))
      void navigate(`/bakes/${bake.id}/weigh`)
    }, tellError)
  }
  return (
    <div>
      <Button variant={isAdvised ? 'filled' : 'default'} size="sm" mt={8} onClick={feed}>
        {WAYS_CARD.feedItMixAt(format.dayTime(near(mixAtMs)))}
      </Button>
    </div>
  )
}
