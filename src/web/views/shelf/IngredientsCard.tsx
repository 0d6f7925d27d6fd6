import { Button, Group, TextInput } from '@mantine/core'
import { IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import type { ListedIngredient } from '../../../contract'
import { INGREDIENTS_CARD } from '../../../words/screens/shelf'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { newIngredient } from '../../parts/fields/IngredientForm'
import classes from './ShelfRoom.module.css'

const SHOWN = 6

/** Everything that can be weighed in: what it holds, how dense it is, its allergens. */
export function IngredientsCard({ onOpen }: { onOpen: (listed: ListedIngredient) => void }) {
  const { ingredients, format } = useKitchen()
  const [text, setText] = useState('')
  const [all, setAll] = useState(false)
  const wanted = text.trim().toLowerCase()
  const found = ingredients.filter(({ ingredient: i }) => i.kind !== 'water' && i.kind !== 'salt' && i.name.toLowerCase().includes(wanted))
  const shown = all || wanted !== '' ? found : [...found].sort((a, b) => Number(b.changed) - Number(a.changed)).slice(0, SHOWN)
  return (
    <Card title={INGREDIENTS_CARD.ingredients}>
      <TextInput
        aria-label={INGREDIENTS_CARD.findIngredient}
        placeholder={INGREDIENTS_CARD.findByName}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        mb="xs"
      />
      {shown.map((listed) => {
        const { id, name, composition, allergens } = listed.ingredient
        const holds = [
          composition.flour > 0 && composition.flour < 1 ? INGREDIENTS_CARD.flour(format.percent(composition.flour, 0)) : '',
          composition.water > 0 ? INGREDIENTS_CARD.water(format.percent(composition.water, 0)) : '',
          composition.salt > 0 ? INGREDIENTS_CARD.salt(format.percent(composition.salt)) : '',
          ...allergens
        ]
        return (
          <button key={id} type="button" className={classes.line} onClick={() => onOpen(listed)}>
            <b>{name}</b>
            <span>
              {[holds.filter((h) => h !== '').join(', '), listed.changed ? (listed.builtIn ? 'changed' : 'yours') : '']
                .filter((word) => word !== '')
                .join(' · ')}
            </span>
          </button>
        )
      })}
      <Group mt="sm" gap="xs">
        <Button
          variant="subtle"
          size="sm"
          leftSection={<IconPlus size={18} />}
          onClick={() => onOpen({ ingredient: newIngredient(text.trim(), 'other'), builtIn: false, changed: false, version: 0 })}
        >
          {INGREDIENTS_CARD.anotherIngredient}
        </Button>
        {!all && wanted === '' && (
          <Button variant="subtle" size="sm" onClick={() => setAll(true)}>
            {INGREDIENTS_CARD.all(found.length)}
          </Button>
        )}
      </Group>
    </Card>
  )
}
