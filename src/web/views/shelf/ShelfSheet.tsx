import { Button, Drawer, Group, Stack, Text } from '@mantine/core'
import { useState } from 'react'
import type { ListedIngredient, Shelf } from '../../../contract'
import { useKitchen } from '../../data/kitchen'
import { moveStock } from '../../data/shelf'
import { dropIngredient } from '../../data/stores'
import { Card } from '../../parts/Card'
import { IngredientForm } from '../../parts/IngredientForm'
import { QuantityField } from '../../parts/QuantityField'
import { tellDone, tellError } from '../../parts/tell'

/** One ingredient: what is there of it, and all that is known of it. */
export function ShelfSheet({ listed, shelf, onClose }: { listed: ListedIngredient | null; shelf: Shelf; onClose: () => void }) {
  const reset = ({ ingredient, builtIn }: ListedIngredient) => {
    dropIngredient(ingredient.id).then(() => tellDone(builtIn ? `${ingredient.name} is as it was.` : `${ingredient.name} has been taken away.`), tellError)
    onClose()
  }
  return (
    <Drawer opened={listed !== null} onClose={onClose} position="right" size="lg" title={listed?.ingredient.name || 'A new one'}>
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
              {listed.builtIn ? 'Back to what it was' : 'Take it away'}
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
    <Card title="In store">
      <Text mb="sm">
        {there === undefined
          ? 'Never counted: from the first count on it is drawn down by what you weigh.'
          : `${format.mass(Math.max(there.grams, 0))} recorded.`}
      </Text>
      <Group align="flex-end" wrap="nowrap" mb="sm">
        <QuantityField kind="mass" label="There is" value={counted} range={[0, 200_000]} onCommit={setCounted} style={{ flex: 1 }} />
        <Button variant="default" onClick={() => move('counted', counted, `${format.mass(counted)} of ${name} are in store.`)}>
          Counted
        </Button>
      </Group>
      <Group align="flex-end" wrap="nowrap">
        <QuantityField
          kind="mass"
          label={blend === undefined ? 'A pack of' : 'So much of it'}
          value={bought}
          range={[1, 200_000]}
          onCommit={setBought}
          style={{ flex: 1 }}
        />
        {blend === undefined ? (
          <Button onClick={() => move('bought', bought, `${format.mass(bought)} of ${name} are in.`)}>Bought</Button>
        ) : (
          <Button onClick={() => move('blended', bought, `${format.mass(bought)} of ${name} are mixed.`)}>Mixed it</Button>
        )}
      </Group>
    </Card>
  )
}
