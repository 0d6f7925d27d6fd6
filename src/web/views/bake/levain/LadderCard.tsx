import { Button, Text } from '@mantine/core'
import type { FeedAmounts } from '../../../../answers'
import type { Jar } from '../../../../contract'
import { feedUp, nightAt, ratioOf, type SolvedLevain } from '../../../../core'
import { near } from '../../../../words'
import { LADDER_CARD } from '../../../../words/screens/levain'
import { useKitchen } from '../../../data/kitchen'
import { Card, Mass, Note } from '../../../parts/cards/Card'
import classes from '../BakeSheet.module.css'

/** The stages that grow the seed when the jar is too small; nothing while it can spare it. */
export function LadderCard({
  build,
  jar,
  now,
  onFeed
}: {
  readonly build: SolvedLevain
  readonly jar: Jar | undefined
  readonly now: number
  readonly onFeed: (amounts: FeedAmounts) => void
}) {
  const { kitchen, format } = useKitchen()
  const { ladder } = build
  if (ladder === null) {
    return (
      <Card title={LADDER_CARD.growStarterFirst}>
        <Note tone="stop">{LADDER_CARD.hasNothingToSpareWithout(jar?.name ?? LADDER_CARD.jar, format.mass(jar?.keepMinimumGrams ?? 0))}</Note>
        <FeedUp build={build} jar={jar} onFeed={onFeed} />
      </Card>
    )
  }
  if (ladder.length === 0) return null
  const asleep = (ms: number) => nightAt(ms, kitchen.sleep, kitchen.timeZone) !== undefined
  return (
    <Card title={LADDER_CARD.growStarterFirst}>
      <Text mb="xs">
        {LADDER_CARD.canSpareAndAreNeeded(
          jar?.name ?? LADDER_CARD.jar,
          format.mass(build.sourced.spareGrams),
          format.mass(build.sourced.fromJarGrams),
          ladder.length === 1 ? LADDER_CARD.oneStage : LADDER_CARD.stages(ladder.length)
        )}
      </Text>
      <table className={classes.weigh}>
        <thead>
          <tr>
            <th scope="col" className={classes.unseen}>
              {LADDER_CARD.begin}
            </th>
            <th scope="col">{LADDER_CARD.seed}</th>
            <th scope="col">{LADDER_CARD.flour}</th>
            <th scope="col">{LADDER_CARD.water}</th>
            <th scope="col">{LADDER_CARD.makes}</th>
          </tr>
        </thead>
        <tbody>
          {ladder.map((stage) => (
            <tr key={stage.startMs}>
              <th scope="row">
                {format.dayTime(near(stage.startMs))}
                {stage.startMs < now ? LADDER_CARD.whichHasPassed : asleep(stage.startMs) ? LADDER_CARD.inNight : ''}
                <br />
                <span className={classes.stageRatio}>{ratioOf(stage.masses)}</span>
              </th>
              <td>{format.mass(stage.masses.seed, 0.1)}</td>
              <td>{format.mass(stage.masses.flour)}</td>
              <td>{format.mass(stage.masses.water)}</td>
              <td className={classes.grams}>
                <Mass grams={Math.round(stage.totalGrams)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Note>{LADDER_CARD.eachStageUsedAtPeak(format.dayTime(near(build.timed.startMs)))}</Note>
      <FeedUp build={build} jar={jar} onFeed={onFeed} />
    </Card>
  )
}

/** The other way: the whole jar is fed until it can spare the seed. */
function FeedUp({ build, jar, onFeed }: { readonly build: SolvedLevain; readonly jar: Jar | undefined; readonly onFeed: (amounts: FeedAmounts) => void }) {
  const { format } = useKitchen()
  if (jar === undefined || jar.grams <= 0) return null
  const { flourGrams, waterGrams } = feedUp({
    jarGrams: jar.grams,
    hydration: jar.hydration,
    seedGrams: build.sourced.fromJarGrams,
    keepMinimumGrams: jar.keepMinimumGrams
  })
  return (
    <>
      <Text mt="sm">{LADDER_CARD.orFeedAsFlourAnd(jar.name, format.mass(flourGrams), format.mass(waterGrams))}</Text>
      <Button mt="xs" variant="default" size="sm" onClick={() => onFeed({ keepGrams: jar.grams, flourGrams, waterGrams })}>
        {LADDER_CARD.feedLikeThis(jar.name)}
      </Button>
    </>
  )
}
