import { TZDate } from '@date-fns/tz'
import { Button, Group, Select, SimpleGrid, Stack, Text } from '@mantine/core'
import { format as formatDate } from 'date-fns'
import { useState } from 'react'
import { type DiscardPot, type DiscardUse, msOf } from '../../../contract'
import { DISCARD_FOODS, type Format, foodOfDiscard, POTS, type Pot, type PotContents, type PotPortion, potContents, stalePotGrams } from '../../../core'
import { whenWords } from '../../../words'
import { DISCARD_CARD } from '../../../words/screens/jars'
import { takeDiscard, useDiscardPot } from '../../data/discard'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useOnce } from '../../parts/useOnce'
import classes from './JarsRoom.module.css'

/** Less than this is an empty pot. */
const LEAST_GRAMS = 0.5

/** The discard pots, gluten-free apart: what is in them and from when, what to make of it, and what was wasted. */
export function DiscardCard({ now }: { now: number }) {
  const { pot: discard, error } = useDiscardPot()
  if (error !== undefined && discard === undefined) return <Note tone="care">{DISCARD_CARD.discardPotCouldNotBe(error.message)}</Note>
  if (discard === undefined) return null
  const portions = discard.portions.map(({ since, ...portion }) => ({ ...portion, sinceMs: since }))
  const pots = POTS.map((pot) => ({ pot, portions: portions.filter((portion) => portion.pot === pot) })).filter(
    (own) => potContents(own.portions).grams >= LEAST_GRAMS
  )
  return (
    <Card title={DISCARD_CARD.discardPot} data-testid="discard">
      {pots.length === 0 && <Text c="dimmed">{DISCARD_CARD.emptyWhatNotKeptAt}</Text>}
      {pots.map((own) => (
        <OnePot key={own.pot} {...own} apart={pots.length > 1 || own.pot === 'gluten-free'} now={now} />
      ))}
      <Months pot={discard} now={now} />
    </Card>
  )
}

type Portions = readonly (PotPortion & Pick<DiscardPot['portions'][number], 'jarName' | 'bakeName'>)[]

/** One pot of a kitchen. */
function OnePot({ pot, portions, apart, now }: { readonly pot: Pot; readonly portions: Portions; readonly apart: boolean; readonly now: number }) {
  const contents = potContents(portions)
  const staleGrams = stalePotGrams(portions, now)
  return (
    <section aria-label={DISCARD_CARD.potOf(pot)} className={classes.onePot}>
      {apart && <h3>{DISCARD_CARD.potOf(pot)}</h3>}
      <div className={classes.pot}>
        <Contents portions={portions} contents={contents} now={now} />
        {staleGrams >= LEAST_GRAMS ? <Stale pot={pot} grams={staleGrams} /> : <Uses pot={pot} contents={contents} />}
      </div>
    </section>
  )
}

const take = (pot: Pot, grams: number, went: DiscardUse['went'], told: string) => takeDiscard(pot, grams, went).then((undo) => tellDone(told, undo), tellError)

/** What is too old comes out first: nothing is cooked over it. */
function Stale({ pot, grams }: { readonly pot: Pot; readonly grams: number }) {
  const { format } = useKitchen()
  return (
    <Stack gap="md" align="flex-start">
      <Note tone="care">{DISCARD_CARD.areOlderThanWeekThat(format.mass(grams))}</Note>
      <Button onClick={() => take(pot, grams, 'thrown away', DISCARD_CARD.wereThrownAway(format.mass(grams)))}>
        {DISCARD_CARD.throwAway(format.mass(grams))}
      </Button>
    </Stack>
  )
}

/** Portions that are listed; the rest is told in one line. */
const LISTED = 8

function Contents({ portions, contents, now }: { portions: Portions; contents: PotContents; now: number }) {
  const { format } = useKitchen()
  const { useByMs } = contents
  // One more is told as itself: a line of its own for one portion would save nothing.
  const listed = portions.length === LISTED + 1 ? LISTED + 1 : LISTED
  const unlisted = portions.slice(0, -listed)
  return (
    <Stack gap="md">
      <Figures>
        <Figure size="lg" value={<Mass grams={contents.grams} />} name={DISCARD_CARD.inPot} />
        {useByMs !== null && (
          <Figure size="lg" value={whenWords(useByMs, now, format)} name={useByMs < now ? DISCARD_CARD.oldestWasToBeUsed : DISCARD_CARD.toUseOldestBy} />
        )}
      </Figures>
      <ul className={classes.portions}>
        {unlisted.length > 0 && (
          <li>
            <span>{format.mass(unlisted.reduce((sum, p) => sum + p.grams, 0))}</span>
            <span>{DISCARD_CARD.olderPortions(unlisted.length)}</span>
            <span>{DISCARD_CARD.since(whenWords(unlisted[0]?.sinceMs ?? now, now, format))}</span>
          </li>
        )}
        {portions.slice(-listed).map((portion) => (
          <li key={`${portion.sinceMs} ${portion.jarName} ${portion.bakeName}`}>
            <span>{format.mass(portion.grams)}</span>
            <span>
              {portion.bakeName === null ? (portion.jarName ?? DISCARD_CARD.leftOver) : DISCARD_CARD.levainOf(portion.bakeName)}, {portion.flour}{' '}
              {format.percent(portion.hydration, 0)}
            </span>
            <span>{whenWords(portion.sinceMs, now, format)}</span>
          </li>
        ))}
      </ul>
    </Stack>
  )
}

/** What to make of it, scaled to what is taken. */
function Uses({ pot, contents }: { readonly pot: Pot; readonly contents: PotContents }) {
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
        <QuantityField kind="mass" label={DISCARD_CARD.take} value={grams} range={[0.1, contents.grams]} what={DISCARD_CARD.whatTaken} onCommit={setWanted} />
        <Select
          label={DISCARD_CARD.forWord}
          data={DISCARD_FOODS.map((f) => f.name)}
          value={name}
          allowDeselect={false}
          onChange={(v) => v !== null && setName(v)}
        />
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
          <Text c="dimmed">{DISCARD_CARD.withDiscardFlourAndWater(format.mass(made.values.flourGrams), format.mass(made.values.waterGrams), food.method)}</Text>
        </>
      )}
      <Note tone="care">{DISCARD_CARD.rawFlourRawDoughAnd}</Note>
      <Group>
        <Button disabled={busy} onClick={() => run(pot, grams, 'into food', DISCARD_CARD.wentIntoFood(format.mass(grams)))}>
          {DISCARD_CARD.made}
        </Button>
        <Button variant="default" disabled={busy} onClick={() => run(pot, grams, 'thrown away', DISCARD_CARD.wereThrownAway(format.mass(grams)))}>
          {DISCARD_CARD.thrownAway}
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
  const told = before.map(({ month, usedGrams, thrownGrams }) => DISCARD_CARD.used(nameOf(month, format), format.mass(thrownGrams), format.mass(usedGrams)))
  return (
    <div className={classes.months}>
      <Figures>
        <Figure value={format.mass(thisMonth?.thrownGrams ?? 0)} name={DISCARD_CARD.thrownAwayIn(nameOf(here, format))} />
        <Figure value={format.mass(thisMonth?.usedGrams ?? 0)} name={DISCARD_CARD.becameFood} />
      </Figures>
      {told.length > 0 && <Text c="dimmed">{DISCARD_CARD.thrownAwayBefore(told.join('; '))}</Text>}
    </div>
  )
}

const MONTHS_BEFORE = 2
const nameOf = (month: string, format: Format) => format.month(msOf(`${month}-15`))
