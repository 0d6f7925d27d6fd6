import { Button, CopyButton, Group, SegmentedControl, Text } from '@mantine/core'
import { millisecondsInWeek } from 'date-fns/constants'
import { useState } from 'react'
import type { Shelf } from '../../../contract'
import { type ShoppingItem, shoppingList, shoppingMarkdown } from '../../../core'
import { SHOPPING_CARD } from '../../../words/screens/shelf'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { download } from '../../parts/keeping/download'
import { needsOf } from './needsOf'
import classes from './ShelfRoom.module.css'

const WEEKS = ['1', '2', '4'] as const

/** What to buy, to be printed, copied or taken along as Markdown. */
export function ShoppingCard({ uses, stock, now }: { uses: Shelf['uses']; stock: Shelf['stock']; now: number }) {
  const { format, pantry, kitchen } = useKitchen()
  const [weeks, setWeeks] = useState<string>('2')
  const until = now + Number(weeks) * millisecondsInWeek
  const needs = needsOf({ stock, uses: uses.filter((use) => use.at < until) })
  const items = shoppingList(needs, pantry)
  const words = ({ grams, packs, counted }: ShoppingItem) =>
    `${packs === null ? format.mass(grams) : `${packs.count} × ${format.mass(packs.grams)}`}${counted ? '' : SHOPPING_CARD.inAllNotCounted}`
  const title = SHOPPING_CARD.shoppingUntil(format.date(until))
  const text = shoppingMarkdown(title, items, words)
  const sum = items.reduce((t, item) => t + (item.packs?.amount ?? 0), 0)
  return (
    <Card title={title} data-testid="shopping">
      <SegmentedControl
        className={classes.noPrint}
        aria-label={SHOPPING_CARD.howFarAhead}
        data={WEEKS.map((w) => ({ value: w, label: w === '1' ? SHOPPING_CARD.week : SHOPPING_CARD.weeks(w) }))}
        value={weeks}
        onChange={setWeeks}
        mb="sm"
      />
      {items.length === 0 ? (
        <Text c="dimmed">{SHOPPING_CARD.nothingMissingUntilThen}</Text>
      ) : (
        <ul className={classes.list}>
          {items.map((item) => (
            <li key={item.ingredient.id}>
              <span>{item.ingredient.name}</span>
              <b>{words(item)}</b>
              {item.counted && item.packs !== null && <small>{SHOPPING_CARD.areMissing(format.mass(item.grams))}</small>}
            </li>
          ))}
        </ul>
      )}
      {sum > 0 && (
        <Text mt="sm" c="dimmed">
          {SHOPPING_CARD.aboutAsFarAsPrices(format.money(sum))}
        </Text>
      )}
      {items.length > 0 && (
        <Group mt="md" className={classes.noPrint}>
          <Button variant="default" onClick={() => window.print()}>
            {SHOPPING_CARD.print}
          </Button>
          <CopyButton value={items.map((item) => `${item.ingredient.name}: ${words(item)}`).join('\n')}>
            {({ copied, copy }) => (
              <Button variant="default" onClick={copy}>
                {copied ? SHOPPING_CARD.copied : SHOPPING_CARD.copy}
              </Button>
            )}
          </CopyButton>
          <Button variant="default" onClick={() => download(SHOPPING_CARD.shoppingMd(kitchen.name), text, 'text/markdown')}>
            {SHOPPING_CARD.markdown}
          </Button>
        </Group>
      )}
    </Card>
  )
}
