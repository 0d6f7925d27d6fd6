import { fromNow, near, problemSentence } from '../../../../words'
import { BEGIN_CARD } from '../../../../words/screens/plan'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/cards/Card'
import { useBakeHere } from '../bakeHere'
import { Warnings } from '../Warnings'

/** When the build begins, or began. */
export function BeginCard() {
  const { solved, state, day, now, plan } = useBakeHere()
  const { format } = useKitchen()
  const atMs = day.beginsMs
  return (
    <Card title={plan.build.source === 'as it is' ? BEGIN_CARD.begin : state.band === null ? BEGIN_CARD.beginBuild : BEGIN_CARD.buildBegan}>
      {atMs === null ? (
        <Note tone="stop">{solved?.problem === null || solved === null ? BEGIN_CARD.setDoughAndLevainFirst : problemSentence(solved.problem)}</Note>
      ) : (
        <Figures>
          <Figure size="lg" value={format.dayTime(state.band?.atMs ?? near(atMs))} name={fromNow(atMs, now, format)} />
        </Figures>
      )}
      <Warnings codes={['start in the night', 'start has passed']} />
    </Card>
  )
}
