import { Button, Drawer, Group, Stack, Text } from '@mantine/core'
import { useState } from 'react'
import type { ListedIngredient, Shelf } from '../../../contract'
import { SHELF_SHEET } from '../../../words/screens/shelf'
import { useKitchen } from '../../data/kitchen'
import { moveStock } from '../../data/shelf'
import { dropIngredient } from '../../data/stores'
import { Card } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { IngredientForm } from '../../parts/fields/IngredientForm'
import { QuantityField } from '../../parts/fields/QuantityField'

/** One ingredient: what is there of it, and all that is known of it. */
export function ShelfSheet({ listed, shelf, onClose }: { listed: ListedIngredient | null; shelf: Shelf; onClose: () => void }) {
  const reset = ({ ingredient, builtIn }: ListedIngredient) => {
    dropIngredient(ingredient.id).then(() => tellDone(builtIn ? SHELF_SHEET.asWas(ingredient.name) : SHELF_SHEET.hasBeenTakenAway(ingredient.name)), tellError)
    onClose()
  }
  return (
    <Drawer opened={listed !== null} onClose={onClose} position="right" size="lg" title={listed?.ingredient.name || SHELF_SHEET.newOne}>
      {listed !== null && (
        <Stack gap="lg">
          {listed.version > 0 || listed.builtIn ? <InStore key={listed.ingredient.id} listed={listed} shelf={shelf} onClose={onClose} /> : null}
          <IngredientForm
            key={`${listed.ingredient.id} ${listed.version}`}
            ingredient={listed.ingredient}
            version={listed.version}
            onDone={onClose}
            onCancel={onClose}
          />
          {listed.changed && (
            <Button variant="subtle" onClick={() => reset(listed)}>
              {listed.builtIn ? SHELF_SHEET.backToWhatWas : SHELF_SHEET.takeAway}
            </Button>
          )}
        </Stack>
      )}
    </Drawer>
  )
}

const USUAL_PACK = 1000

function InStore({ listed, shelf, onClose }: { listed: ListedIngredient; shelf: Shelf; onClose: () => void }) {
  const { format } = useKitchen()
  const { id, name, price, blend } = listed.ingredient
  const there = shelf.stock.find((s) => s.ingredientId === id)
  const [counted, setCounted] = useState(Math.max(Math.round(there?.grams ?? 0), 0))
  const [bought, setBought] = useState(price?.packGrams ?? USUAL_PACK)
  const move = (how: 'bought' | 'counted' | 'blended', grams: number, told: string) => {
    moveStock({ how, ingredientId: id, grams }).then((undo) => tellDone(told, undo), tellError)
    onClose()
  }
  return (
    <Card title={SHELF_SHEET.inStore}>
      <Text mb="sm">{there === undefined ? SHELF_SHEET.neverCountedFromFirstCount : SHELF_SHEET.recorded(format.mass(Math.max(there.grams, 0)))}</Text>
      <Group align="flex-end" wrap="nowrap" mb="sm">
        <QuantityField kind="mass" label={SHELF_SHEET.there} value={counted} range={[0, 200_000]} onCommit={setCounted} style={{ flex: 1 }} />
        <Button variant="default" onClick={() => move('counted', counted, SHELF_SHEET.areInStore(format.mass(counted), name))}>
          {SHELF_SHEET.counted}
        </Button>
      </Group>
      <Group align="flex-end" wrap="nowrap">
        <QuantityField
          kind="mass"
          label={blend === undefined ? SHELF_SHEET.pack : SHELF_SHEET.soMuch}
          value={bought}
          range={[1, 200_000]}
          onCommit={setBought}
          style={{ flex: 1 }}
        />
        {blend === undefined ? (
          <Button onClick={() => move('bought', bought, SHELF_SHEET.areIn(format.mass(bought), name))}>{SHELF_SHEET.bought}</Button>
        ) : (
          <Button onClick={() => move('blended', bought, SHELF_SHEET.areMixed(format.mass(bought), name))}>{SHELF_SHEET.mixed}</Button>
        )}
      </Group>
    </Card>
  )
}
