import { Button } from '@mantine/core'
import { useNavigate } from 'react-router'
import { awakeAt, type FeedTold, feedsTold, nextStage, soonestMixed } from '../../../../answers'
import { isoOf } from '../../../../contract'
import { type FedWay, isCollapsed, ratioOf } from '../../../../core'
import { near } from '../../../../words'
import { WAYS_CARD } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { useBakeHere } from '../bakeHere'
import { useNotes } from './useNotes'

/** Feeds of what stands there: each with when it is ripe and, for a levain, the button that plans the next one of it. */
export function FeedAgain({ feeds, hydration }: { readonly feeds: readonly FedWay[]; readonly hydration: number }) {
  const { plan, judged } = useBakeHere()
  const { format, kitchen } = useKitchen()
  // What is still on its way up is waited for.
  const isAdvised = judged !== undefined && isCollapsed(judged.verdict)
  const isToFeed = plan.build.source !== 'as it is' && judged?.told.advice.kind !== 'wait'
  const told = feedsTold(feeds, plan.mixAt, (ms) => awakeAt(kitchen, ms))
  const best = soonestMixed(told)
  return told.map((feed) => (
    <li key={feed.flourPerSeed}>
      <b>{WAYS_CARD.feedAgain(ratioOf({ seed: 1, flour: feed.flourPerSeed, water: feed.flourPerSeed * hydration }))}</b>
      {WAYS_CARD.ripeAboutWhereStands(format.dayTime(near(feed.ripeMs)))}
      {feed.mixAtMs === null && WAYS_CARD.youSleepThen}
      {isToFeed && feed.mixAtMs !== null && <FeedIt feed={feed} mixAtMs={feed.mixAtMs} isAdvised={isAdvised && feed === best} />}
    </li>
  ))
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
