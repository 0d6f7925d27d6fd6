import { Button, Group, Modal, ScrollArea, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Ingredient, IngredientKind } from '../../../core'
import { INGREDIENT_PICKER } from '../../../words/screens/parts'
import { useKitchen } from '../../data/kitchen'
import { IngredientForm, newIngredient } from './IngredientForm'
import classes from './IngredientPicker.module.css'

/** Finds an ingredient by name, or makes a new one. Closed while `onPick` is null. */
export function IngredientPicker({
  title,
  kinds,
  onPick,
  onClose
}: {
  readonly title: string
  /** Only these kinds; all but water and salt when left out. */
  readonly kinds?: readonly IngredientKind[]
  readonly onPick: ((ingredient: Ingredient) => void) | null
  readonly onClose: () => void
}) {
  return (
    <Modal opened={onPick !== null} onClose={onClose} title={title} size="md">
      {onPick !== null && <PickerList kinds={kinds} onPick={onPick} />}
    </Modal>
  )
}

function PickerList({ kinds, onPick }: { readonly kinds?: readonly IngredientKind[]; readonly onPick: (ingredient: Ingredient) => void }) {
  const { ingredients } = useKitchen()
  const [text, setText] = useState('')
  const [fresh, setFresh] = useState<Ingredient | null>(null)
  if (fresh !== null) return <IngredientForm ingredient={fresh} version={0} onDone={onPick} onCancel={() => setFresh(null)} />
  const wanted = text.trim().toLowerCase()
  const fits = ({ name, kind, alsoCalled }: Ingredient) =>
    (kinds === undefined ? kind !== 'water' && kind !== 'salt' : kinds.includes(kind)) &&
    (wanted === '' || [name.toLowerCase(), ...(alsoCalled ?? [])].some((word) => word.includes(wanted)))
  const found = ingredients.map((i) => i.ingredient).filter(fits)
  return (
    <>
      <TextInput
        data-autofocus
        aria-label={INGREDIENT_PICKER.findIngredient}
        placeholder={INGREDIENT_PICKER.findByName}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        onKeyDown={(e) => e.key === 'Enter' && found[0] !== undefined && onPick(found[0])}
      />
      <ScrollArea.Autosize mah="50vh" mt="sm" type="auto">
        <ul className={classes.list}>
          {found.map((ingredient) => (
            <li key={ingredient.id}>
              <button type="button" className={classes.item} onClick={() => onPick(ingredient)}>
                <span>{ingredient.name}</span>
                <span className={classes.kind}>{ingredient.kind}</span>
              </button>
            </li>
          ))}
        </ul>
        {found.length === 0 && <Text c="dimmed">{INGREDIENT_PICKER.nothingByThatNameYet}</Text>}
      </ScrollArea.Autosize>
      <Group mt="md">
        <Button variant="default" onClick={() => setFresh(newIngredient(text.trim(), kinds?.[0] ?? 'other'))}>
          {wanted === '' ? INGREDIENT_PICKER.newIngredient : INGREDIENT_PICKER.add(text.trim())}
        </Button>
      </Group>
    </>
  )
}
