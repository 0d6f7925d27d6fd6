import { Button, Text } from '@mantine/core'
import type { FeedAmounts } from '../../../../answers'
import type { Jar } from '../../../../contract'
import { feedUp, nightAt, ratioOf, type SolvedLevain } from '../../../../core'
import { near } from '../../../../words'
import { useKitchen } from '../../../data/kitchen'
import { Card, Mass, Note } from '../../../parts/Card'
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
      <Card title="Grow the starter first">
        <Note tone="stop">
          {jar?.name ?? 'The jar'} has nothing to spare without falling below its least of {format.mass(jar?.keepMinimumGrams ?? 0)}. Feed it first to make
          more.
        </Note>
        <FeedUp build={build} jar={jar} onFeed={onFeed} />
      </Card>
    )
  }
  if (ladder.length === 0) return null
  const asleep = (ms: number) => nightAt(ms, kitchen.sleep, kitchen.timeZone) !== undefined
  return (
    <Card title="Grow the starter first">
      <Text mb="xs">
        {jar?.name ?? 'The jar'} can spare {format.mass(build.sourced.spareGrams)}, and {format.mass(build.sourced.fromJarGrams)} are needed:{' '}
        {ladder.length === 1 ? 'one stage' : `${ladder.length} stages`} before the build.
      </Text>
      <table className={classes.weigh}>
        <thead>
          <tr>
            <th scope="col" className={classes.unseen}>
              Begin
            </th>
            <th scope="col">seed</th>
            <th scope="col">flour</th>
            <th scope="col">water</th>
            <th scope="col">makes</th>
          </tr>
        </thead>
        <tbody>
          {ladder.map((stage) => (
            <tr key={stage.startMs}>
              <th scope="row">
                {format.dayTime(near(stage.startMs))}
                {stage.startMs < now ? ', which has passed' : asleep(stage.startMs) ? ', in the night' : ''}
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
      <Note>Each stage is used at its peak. The last build then begins {format.dayTime(near(build.timed.startMs))}.</Note>
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
      <Text mt="sm">
        Or feed {jar.name} as it is: {format.mass(flourGrams)} of flour and {format.mass(waterGrams)} of water, and nothing out, let it spare enough starter.
      </Text>
      <Button mt="xs" variant="default" size="sm" onClick={() => onFeed({ keepGrams: jar.grams, flourGrams, waterGrams })}>
        Feed {jar.name} like this
      </Button>
    </>
  )
}
