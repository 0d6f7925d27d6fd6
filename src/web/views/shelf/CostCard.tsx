import { Text } from '@mantine/core'
import { Link } from 'react-router'
import { msOf, type Shelf } from '../../../contract'
import { costOf } from '../../../core'
import { whenWords } from '../../../words'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../../parts/Card'
import classes from './ShelfRoom.module.css'

const SHOWN_BAKES = 8
const SHOWN_MONTHS = 4

/** What a bake costs, a loaf of it, and a month of keeping jars. */
export function CostCard({ shelf, now }: { shelf: Shelf; now: number }) {
  const { format, pantry } = useKitchen()
  const unpriced = [...new Set(shelf.bakes.flatMap((bake) => bake.unpriced))]
  return (
    <Card title="What it costs" data-testid="costs">
      {shelf.bakes.length === 0 && <Text c="dimmed">No bake yet. Give your flours a price, and every bake and loaf has one.</Text>}
      <ul className={classes.list}>
        {shelf.bakes.slice(0, SHOWN_BAKES).map(({ id, name, mixAt, amount, pieces, unpriced: without }) => (
          <li key={id}>
            <span>
              <Link to={`/bakes/${id}`} className={classes.link}>
                {name}
              </Link>
            </span>
            <b>{amount === 0 && without.length > 0 ? 'no price' : `${without.length > 0 ? 'from ' : ''}${format.money(amount)}`}</b>
            <small>
              {whenWords(mixAt, now, format)}
              {pieces !== null && pieces > 0 && amount > 0 && ` · ${format.money(amount / pieces)} a piece, ${pieces} of them`}
            </small>
          </li>
        ))}
      </ul>
      {shelf.keeping.length > 0 && (
        <>
          <Text fw={600} mt="md">
            Keeping the jars
          </Text>
          <ul className={classes.list}>
            {shelf.keeping.slice(0, SHOWN_MONTHS).map(({ month, flours }) => {
              const cost = costOf(new Map(flours.map((f) => [f.ingredientId, f.grams])), pantry)
              return (
                <li key={month}>
                  <span>{format.month(msOf(`${month}-15`))}</span>
                  <b>{format.money(cost.amount)}</b>
                  <small>{format.mass(flours.reduce((t, f) => t + f.grams, 0))} of flour</small>
                </li>
              )
            })}
          </ul>
        </>
      )}
      {unpriced.length > 0 && (
        <Note>
          Without a price: {unpriced.slice(0, 8).join(', ')}
          {unpriced.length > 8 ? ' and more' : ''}. It costs that much more.
        </Note>
      )}
    </Card>
  )
}
