import { Button, Group, Skeleton, Text } from '@mantine/core'
import { IconPlus } from '@tabler/icons-react'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { ListedIngredient } from '../../../contract'
import { factsOf, SHELF_DAYS, type ShelfNeed } from '../../../core'
import { whenWords } from '../../../words'
import { SHELF_ROOM } from '../../../words/screens/shelf'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { useShelf } from '../../data/shelf'
import { Card } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { Room } from '../../parts/cards/Room'
import { newIngredient } from '../../parts/fields/IngredientForm'
import { CostCard } from './CostCard'
import { IngredientsCard } from './IngredientsCard'
import { needsOf } from './needsOf'
import classes from './ShelfRoom.module.css'
import { ShelfSheet } from './ShelfSheet'
import { ShoppingCard } from './ShoppingCard'

/** Flours and the rest: what is left, what will be taken, what it costs. */
export function ShelfRoom() {
  const now = useNow()
  const { ingredients } = useKitchen()
  const { shelf, error } = useShelf()
  const [fresh, setFresh] = useState<ListedIngredient | null>(null)
  // Which one is open stands in the address: it can be found, and gone back from.
  const [asked, setAsked] = useSearchParams()
  const open = fresh ?? ingredients.find(({ ingredient }) => ingredient.id === asked.get('ingredient')) ?? null
  const setOpen = (listed: ListedIngredient) => (ingredients.includes(listed) ? setAsked({ ingredient: listed.ingredient.id }) : setFresh(listed))
  const close = () => {
    setFresh(null)
    if (asked.has('ingredient')) setAsked({}, { replace: true })
  }
  const needs = useMemo(() => (shelf === undefined ? [] : needsOf(shelf)), [shelf])
  if (shelf === undefined) return error === undefined ? <Skeleton height={320} /> : <Quiet title={SHELF_ROOM.shelfCouldNotBeOpened} words={error.message} />
  const byId = new Map(ingredients.map((listed) => [listed.ingredient.id, listed]))
  const inUse = new Set(needs.map((need) => need.ingredientId))
  const flours = ingredients.filter(({ ingredient, changed }) => ingredient.kind === 'flour' && (changed || inUse.has(ingredient.id)))
  const rows = [
    ...needs.flatMap((need) => {
      const listed = byId.get(need.ingredientId)
      return listed === undefined || listed.ingredient.kind === 'water' ? [] : [{ listed, need }]
    }),
    ...flours.filter(({ ingredient }) => !inUse.has(ingredient.id)).map((listed) => ({ listed, need: null }))
  ]
  const addNew = (blend: boolean) => {
    const ingredient = newIngredient('', 'flour')
    const first = ingredients.find(({ ingredient: i }) => i.kind === 'flour' && i.blend === undefined)?.ingredient.id ?? 'white wheat'
    setOpen({ ingredient: blend ? { ...ingredient, blend: [{ ingredientId: first, share: 80 }] } : ingredient, builtIn: false, changed: false, version: 0 })
  }
  return (
    <Room
      title={SHELF_ROOM.shelf}
      actions={
        <Group>
          <Button variant="default" leftSection={<IconPlus size={20} />} onClick={() => addNew(true)}>
            {SHELF_ROOM.newBlend}
          </Button>
          <Button variant="default" leftSection={<IconPlus size={20} />} onClick={() => addNew(false)}>
            {SHELF_ROOM.newFlour}
          </Button>
        </Group>
      }
    >
      <Card title={SHELF_ROOM.inStoreAndNextWeeks(SHELF_DAYS / 7)} data-testid="stock">
        {rows.length === 0 ? (
          <Text c="dimmed">{SHELF_ROOM.planBakeOrFeedJar}</Text>
        ) : (
          <ul className={classes.stock}>
            {rows.map(({ listed, need }) => (
              <StockRow key={listed.ingredient.id} listed={listed} need={need} now={now} onOpen={() => setOpen(listed)} />
            ))}
          </ul>
        )}
      </Card>
      <div className={classes.columns}>
        <ShoppingCard uses={shelf.uses} stock={shelf.stock} now={now} />
        <CostCard shelf={shelf} now={now} />
      </div>
      <IngredientsCard onOpen={setOpen} />
      <ShelfSheet listed={open} shelf={shelf} onClose={close} />
    </Room>
  )
}

function StockRow({ listed, need, now, onOpen }: { listed: ListedIngredient; need: ShelfNeed | null; now: number; onOpen: () => void }) {
  const { format } = useKitchen()
  const { ingredient } = listed
  const grams = need?.grams ?? null
  const facts = ingredient.kind === 'flour' ? factsOf(ingredient) : null
  const known = [
    ingredient.blend === undefined ? '' : 'blend',
    facts === null ? '' : SHELF_ROOM.protein(facts.protein.from === 'kind' ? SHELF_ROOM.about : '', format.percent(facts.protein.value)),
    ingredient.price === undefined ? '' : SHELF_ROOM.forWord(format.money(ingredient.price.amount), format.mass(ingredient.price.packGrams))
  ]
  const left = grams === null ? SHELF_ROOM.notCounted : grams < 0.5 ? SHELF_ROOM.noneLeft : format.mass(grams)
  return (
    <li>
      <button type="button" className={classes.row} onClick={onOpen}>
        <b>{ingredient.name}</b>
        <span className={classes.left} data-out={need?.runsOut != null} data-unknown={grams === null}>
          {left}
        </span>
        <span>{need === null || need.takenGrams < 0.5 ? SHELF_ROOM.nothingPlanned : SHELF_ROOM.takes(format.mass(need.takenGrams))}</span>
        <span data-out={need?.runsOut != null} className={classes.out}>
          {need?.runsOut == null
            ? grams === null || need === null || need.takenGrams < 0.5
              ? ''
              : 'lasts'
            : SHELF_ROOM.short(whenWords(need.runsOut.atMs, now, format), need.runsOut.forWhat)}
        </span>
        <span className={classes.facts}>{known.filter((word) => word !== '').join(' · ')}</span>
      </button>
    </li>
  )
}
