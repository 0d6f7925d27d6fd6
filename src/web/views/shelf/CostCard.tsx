import { Text } from '@mantine/core'
import { Link } from 'react-router'
import { msOf, type Shelf } from '../../../contract'
import { costOf } from '../../../core'
import { whenWords } from '../../../words'
import { COST_CARD } from '../../../words/screens/shelf'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../../parts/cards/Card'
import classes from './ShelfRoom.module.css'

const SHOWN_BAKES = 8
const SHOWN_MONTHS = 4

/** What a bake costs, a loaf of it, and a month of keeping jars. */
export function CostCard({ shelf, now }: { shelf: Shelf; now: number }) {
  const { format, pantry } = useKitchen()
  const unpriced = [...new Set(shelf.bakes.flatMap((bake) => bake.unpriced))]
  return (
    <Card title={COST_CARD.whatCosts} data-testid="costs">
      {shelf.bakes.length === 0 && <Text c="dimmed">{COST_CARD.noBakeYetGiveYour}</Text>}
      <ul className={classes.list}>
        {shelf.bakes.slice(0, SHOWN_BAKES).map(({ id, name, mixAt, amount, pieces, unpriced: without }) => (
          <li key={id}>
            <span>
              <Link to={`/bakes/${id}`} className={classes.link}>
                {name}
              </Link>
            </span>
            <b>{amount === 0 && without.length > 0 ? COST_CARD.noPrice : `${without.length > 0 ? COST_CARD.from : ''}${format.money(amount)}`}</b>
            <small>
              {whenWords(mixAt, now, format)}
              {pieces !== null && pieces > 0 && amount > 0 && COST_CARD.pieceThem(format.money(amount / pieces), pieces)}
            </small>
          </li>
        ))}
      </ul>
      {shelf.keeping.length > 0 && (
        <>
          <Text fw={600} mt="md">
            {COST_CARD.keepingJars}
          </Text>
          <ul className={classes.list}>
            {shelf.keeping.slice(0, SHOWN_MONTHS).map(({ month, flours }) => {
              const cost = costOf(new Map(flours.map((f) => [f.ingredientId, f.grams])), pantry)
              return (
                <li key={month}>
                  <span>{format.month(msOf(`${month}-15`))}</span>
                  <b>{format.money(cost.amount)}</b>
                  <small>{COST_CARD.flour(format.mass(flours.reduce((t, f) => t + f.grams, 0)))}</small>
                </li>
              )
            })}
          </ul>
        </>
      )}
      {unpriced.length > 0 && <Note>{COST_CARD.withoutPriceCostsThatMuch(unpriced.slice(0, 8).join(', '), unpriced.length > 8 ? COST_CARD.andMore : '')}</Note>}
    </Card>
  )
}
