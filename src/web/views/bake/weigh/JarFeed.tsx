import { Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { pourManner, REFILL } from '../../../../core'
import { JAR_FEED } from '../../../../words/screens/weigh'
import { nowMs } from '../../../data/clock'
import { feedForBake, feedOfStep, type WeighedFeed } from '../../../data/jarFeeds'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { WeighFeed } from '../../../parts/feed/WeighFeed'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** A feed of the plan, before the levain or when starter was drawn for it: weighed into the jar, and fed there. */
export function JarFeed({ stepId, choice }: { readonly stepId: string; readonly choice: ReactNode }) {
  const { bake, plan, state, jar, now } = useBakeHere()
  const here = useKitchen()
  const { format } = here
  const feed = jar === undefined ? null : feedOfStep({ plan, state }, stepId, jar, here.kitchen, now)
  if (feed === null || jar === undefined) return null
  const isRefill = stepId === REFILL
  const done = (weighed: WeighedFeed) => {
    feedForBake(bake, stepId, jar, here, nowMs(), weighed).then((undo) => tellDone(JAR_FEED.fed(jar.name), undo), tellError)
  }
  return (
    <div className={sheet.columns}>
      {choice}
      <WeighFeed feed={feed} manner={pourManner(jar.hydration, jar.flour)} onDone={done} />
      <Card title={isRefill ? JAR_FEED.refill(jar.name) : JAR_FEED.feed(jar.name)}>
        <Text>{isRefill ? JAR_FEED.ontoWhatIsLeft(format.mass(jar.grams)) : JAR_FEED.leaveInJarRestGoes(format.mass(feed.keepGrams))}</Text>
        {feed.later != null && <Text mt="xs">{JAR_FEED.outFor(format.duration(feed.later.afterHours))}</Text>}
        <Note tone="care">{JAR_FEED.neverSealFermentingJarTight}</Note>
      </Card>
    </div>
  )
}
