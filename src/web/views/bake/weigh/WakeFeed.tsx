import { Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { gramsOfBlend, pourManner } from '../../../../core'
import { WAKE_FEED } from '../../../../words/screens/weigh'
import { nowMs } from '../../../data/clock'
import { useKitchen } from '../../../data/kitchen'
import { feedForBake, type WeighedFeed } from '../../../data/wakes'
import { Card, Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { WeighFeed } from '../../../parts/feed/WeighFeed'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** A wake-up feed of the plan: weighed into the jar, and fed there. */
export function WakeFeed({ stageId, choice }: { readonly stageId: string; readonly choice: ReactNode }) {
  const { bake, plan, jar } = useBakeHere()
  const { format, pantry } = useKitchen()
  const stage = plan.before.find((s) => s.id === stageId)
  if (stage === undefined || jar === undefined) return null
  const { seedGrams, waterGrams, flourGrams } = stage
  const done = (weighed: WeighedFeed) => {
    feedForBake(bake, stageId, jar, pantry, nowMs(), weighed).then((undo) => tellDone(WAKE_FEED.fed(jar.name), undo), tellError)
  }
  return (
    <div className={sheet.columns}>
      {choice}
      <WeighFeed feed={{ flours: gramsOfBlend(jar.feed, flourGrams), waterGrams }} manner={pourManner(jar.hydration, jar.flour)} onDone={done} />
      <Card title={WAKE_FEED.wake(jar.name)}>
        <Text>{WAKE_FEED.leaveInJarRestGoes(format.mass(Math.min(seedGrams, jar.grams)))}</Text>
        <Note tone="care">{WAKE_FEED.neverSealFermentingJarTight}</Note>
      </Card>
    </div>
  )
}
