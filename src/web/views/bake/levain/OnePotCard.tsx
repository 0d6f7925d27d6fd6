import { Button, Group, Text } from '@mantine/core'
import { Link } from 'react-router'
import { fromPot, onItsOwn, plannedWindow, potsFor } from '../../../../answers'
import { near, spanWords } from '../../../../words'
import { ONE_POT } from '../../../../words/screens/levain'
import { useDays } from '../../../data/days'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/cards/Card'
import { useBakeHere } from '../bakeHere'

/** Other levains that could be built for this dough as well. */
export function OnePotOffer() {
  const { bake, plan, edit, day, now, frozen } = useBakeHere()
  const { format } = useKitchen()
  const { days = [] } = useDays(now)
  const pots = frozen ? [] : potsFor({ bake: { ...bake, plan }, mixMs: day.mixMs }, days)
  if (pots.length === 0) return null
  const take = (potId: string) => {
    const pot = days.find(({ bake: other }) => other.id === potId)
    if (pot !== undefined) edit((p) => fromPot(p, potId, pot.bake.plan))
  }
  return (
    <Card title={ONE_POT.offer}>
      {pots.map(({ bakeId, name, window }) => (
        <div key={bakeId}>
          <Text>{ONE_POT.couldTake(name, format.dayTime(near(window.fromMs)), format.time(near(window.toMs)))}</Text>
          <Button mt="sm" variant="default" onClick={() => take(bakeId)}>
            {ONE_POT.take}
          </Button>
        </div>
      ))}
    </Card>
  )
}

/** Its levain comes out of another pot: whose, how much, when, and the way back to its own. */
export function OnePotCard() {
  const { bake, plan, edit, day, now, frozen } = useBakeHere()
  const { format } = useKitchen()
  const { days } = useDays(now)
  if (days === undefined) return null
  const pot = days.find((other) => other.bake.id === plan.levainFrom?.bakeId)
  const name = pot?.bake.plan.name ?? ''
  const share = pot?.bake.plan.build.alsoFor.find(({ bakeId }) => bakeId === bake.id)
  const window = pot === undefined ? null : (pot.judged?.told.window ?? plannedWindow(pot))
  return (
    <Card title={pot === undefined ? ONE_POT.offer : ONE_POT.title(name)} data-testid="one-pot">
      {pot === undefined ? (
        <Note tone="care">{ONE_POT.gone}</Note>
      ) : (
        <>
          <Figures>
            {share !== undefined && <Figure size="lg" value={<Mass grams={share.grams} />} name={ONE_POT.share} />}
            {window !== null && <Figure size="lg" value={spanWords(window.fromMs, window.toMs, format, true)} name={ONE_POT.fit} />}
          </Figures>
          <Text mt="sm">{ONE_POT.how(name)}</Text>
          {day.mixMs < pot.mixMs && <Note tone="care">{ONE_POT.tooEarly(name)}</Note>}
          {window !== null && day.mixMs > window.toMs && <Note tone="care">{ONE_POT.tooLate}</Note>}
        </>
      )}
      <Group mt="md" gap="xs">
        {pot !== undefined && (
          <Button component={Link} to={`/bakes/${pot.bake.id}`} variant="default">
            {ONE_POT.open(name)}
          </Button>
        )}
        {!frozen && (
          <Button variant="subtle" onClick={() => edit(onItsOwn)}>
            {ONE_POT.onItsOwn}
          </Button>
        )}
      </Group>
    </Card>
  )
}
