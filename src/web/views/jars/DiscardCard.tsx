import { TZDate } from '@date-fns/tz'
import { Button, Group, Select, SimpleGrid, Stack, Text } from '@mantine/core'
import { format as formatDate } from 'date-fns'
import { useState } from 'react'
import { type DiscardPot, type DiscardUse, msOf } from '../../../contract'
import { DISCARD_FOODS, type Format, foodOfDiscard, type PotContents, type PotPortion, potContents, stalePotGrams } from '../../../core'
import { whenWords } from '../../../words'
import { takeDiscard, useDiscardPot } from '../../data/discard'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import { tellDone, tellError } from '../../parts/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './JarsRoom.module.css'

/** Less than this is an empty pot. */
const LEAST_GRAMS = 0.5

/** The discard pot: what is in it and from when, what to make of it, and what was wasted. */
export function DiscardCard({ now }: { now: number }) {
  const { pot, error } = useDiscardPot()
  if (error !== undefined && pot === undefined) return <Note tone="care">The discard pot could not be looked into: {error.message}</Note>
  if (pot === undefined) return null
  const portions = pot.portions.map(({ since, ...portion }) => ({ ...portion, sinceMs: since }))
  const contents = potContents(portions)
  const staleGrams = stalePotGrams(portions, now)
  return (
    <Card title="Discard pot" data-testid="discard">
      {contents.grams < LEAST_GRAMS ? (
        <Text c="dimmed">Empty. What is not kept at a feed goes here: kept cold, used within a week, cooked.</Text>
      ) : (
        <div className={classes.pot}>
          <Contents portions={portions} contents={contents} now={now} />
          {staleGrams >= LEAST_GRAMS ? <Stale grams={staleGrams} /> : <Uses contents={contents} />}
        </div>
      )}
      <Months pot={pot} now={now} />
    </Card>
  )
}

const take = (grams: number, went: DiscardUse['went'], told: string) => takeDiscard(grams, went).then((undo) => tellDone(told, undo), tellError)

/** What is too old comes out first: nothing is cooked over it. */
function Stale({ grams }: { grams: number }) {
  const { format } = useKitchen()
  return (
    <Stack gap="md" align="flex-start">
      <Note tone="care">{format.mass(grams)} of it are older than a week. That is thrown away first; if any of it is pink, orange or fuzzy, all of it.</Note>
      <Button onClick={() => take(grams, 'thrown away', `${format.mass(grams)} were thrown away.`)}>Throw {format.mass(grams)} away</Button>
    </Stack>
  )
}

/** Portions that are listed; the rest is told in one line. */
const LISTED = 8

function Contents({
  portions,
  contents,
  now
}: {
  portions: readonly (PotPortion & { readonly jarName: string | null })[]
  contents: PotContents
  now: number
}) {
  const { format } = useKitchen()
  const { useByMs } = contents
  // One more is told as itself: a line of its own for one portion would save nothing.
  const listed = portions.length === LISTED + 1 ? LISTED + 1 : LISTED
  const unlisted = portions.slice(0, -listed)
  return (
    <Stack gap="md">
      <Figures>
        <Figure size="lg" value={<Mass grams={contents.grams} />} name="in the pot" />
        {useByMs !== null && (
          <Figure size="lg" value={whenWords(useByMs, now, format)} name={useByMs < now ? 'the oldest was to be used by' : 'use the oldest by'} />
        )}
      </Figures>
      <ul className={classes.portions}>
        {unlisted.length > 0 && (
          <li>
            <span>{format.mass(unlisted.reduce((sum, p) => sum + p.grams, 0))}</span>
            <span>{unlisted.length} older portions</span>
            <span>since {whenWords(unlisted[0]?.sinceMs ?? now, now, format)}</span>
          </li>
        )}
        {portions.slice(-listed).map((portion) => (
          <li key={`${portion.sinceMs} ${portion.jarName}`}>
            <span>{format.mass(portion.grams)}</span>
            <span>
              {portion.jarName ?? 'older levain'}, {portion.flour} {format.percent(portion.hydration, 0)}
            </span>
            <span>{whenWords(portion.sinceMs, now, format)}</span>
          </li>
        ))}
      </ul>
    </Stack>
  )
}

/** What to make of it, scaled to what is taken. */
function Uses({ contents }: { contents: PotContents }) {
  const { pantry, format } = useKitchen()
  const [name, setName] = useState<string>(DISCARD_FOODS[0]?.name ?? '')
  const [wanted, setWanted] = useState<number | null>(null)
  const grams = Math.min(wanted ?? contents.grams, contents.grams)
  const food = DISCARD_FOODS.find((f) => f.name === name)
  const made = food === undefined ? null : foodOfDiscard(food, contents, grams, pantry)
  const { run, busy } = useOnce(take)
  return (
    <Stack gap="md">
      <SimpleGrid cols={2}>
        <QuantityField kind="mass" label="Take" value={grams} range={[0.1, contents.grams]} what="What is taken" onCommit={setWanted} />
        <Select label="For" data={DISCARD_FOODS.map((f) => f.name)} value={name} allowDeselect={false} onChange={(v) => v !== null && setName(v)} />
      </SimpleGrid>
      {made !== null && food !== undefined && (
        <>
          <ul className={classes.portions}>
            {made.lines.map((line) => (
              <li key={line.ingredientId}>
                <span>{format.mass(line.grams)}</span>
                <span>{line.name}</span>
              </li>
            ))}
          </ul>
          <Text c="dimmed">
            With the discard {format.mass(made.values.flourGrams)} of flour and {format.mass(made.values.waterGrams)} of water. {food.method}
          </Text>
        </>
      )}
      <Note tone="care">Raw flour, raw dough and raw discard are not eaten.</Note>
      <Group>
        <Button disabled={busy} onClick={() => run(grams, 'into food', `${format.mass(grams)} went into food.`)}>
          Made it
        </Button>
        <Button variant="default" disabled={busy} onClick={() => run(grams, 'thrown away', `${format.mass(grams)} were thrown away.`)}>
          Thrown away
        </Button>
      </Group>
    </Stack>
  )
}

/** What was thrown away this month, beside the months before: a figure one can bring down. */
function Months({ pot, now }: { pot: DiscardPot; now: number }) {
  const { kitchen, format } = useKitchen()
  if (pot.months.length === 0) return null
  const here = formatDate(new TZDate(now, kitchen.timeZone), 'yyyy-MM')
  const thisMonth = pot.months.find(({ month }) => month === here)
  const before = pot.months.filter(({ month }) => month !== here).slice(0, MONTHS_BEFORE)
  const told = before.map(({ month, usedGrams, thrownGrams }) => `${nameOf(month, format)} ${format.mass(thrownGrams)}, ${format.mass(usedGrams)} used`)
  return (
    <div className={classes.months}>
      <Figures>
        <Figure value={format.mass(thisMonth?.thrownGrams ?? 0)} name={`thrown away in ${nameOf(here, format)}`} />
        <Figure value={format.mass(thisMonth?.usedGrams ?? 0)} name="became food" />
      </Figures>
      {told.length > 0 && <Text c="dimmed">Thrown away before: {told.join('; ')}.</Text>}
    </div>
  )
}

const MONTHS_BEFORE = 2
const nameOf = (month: string, format: Format) => format.month(msOf(`${month}-15`))
