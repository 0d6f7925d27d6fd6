import { Button, Chip, Group, SegmentedControl, Select, SimpleGrid, Stack, Switch, Text, TextInput } from '@mantine/core'
import { ingredientSchema } from '../../../contract'
import {
  ALLERGENS,
  FLOUR_KINDS,
  FLOURS,
  type FlourKind,
  glutenByName,
  holdsGluten,
  INGREDIENT_KINDS,
  type Ingredient,
  type IngredientKind
} from '../../../core'
import { INGREDIENT_FORM } from '../../../words/screens/parts'
import { newId } from '../../data/newId'
import { saveIngredient } from '../../data/stores'
import { Note } from '../cards/Card'
import { HistoryButton } from '../cards/History'
import { tellDone, tellError } from '../cards/tell'
import { BlendEditor } from './BlendEditor'
import { FlourFields, StoreFields } from './FlourFields'
import { QuantityField } from './QuantityField'
import { useSchemaForm } from './useSchemaForm'

/** g/ml of spooned flour, to begin from. */
const LIKE_FLOUR = [0.5, 0.6] as const

/** An ingredient to begin from. */
export const newIngredient = (name: string, kind: IngredientKind): Ingredient => {
  const plain = { id: newId(), name, kind, composition: { flour: 0, water: 0, salt: 0 }, density: LIKE_FLOUR, allergens: [], fine: false }
  return withKind(withGluten(plain, glutenByName(name) === 'holds'), kind)
}

/** The same with gluten among its allergens, or without. */
const withGluten = (ingredient: Ingredient, gluten: boolean): Ingredient => ({
  ...ingredient,
  allergens: [...ingredient.allergens.filter((a) => a !== 'gluten'), ...(gluten ? (['gluten'] as const) : [])]
})

/** A flour that ferments like a kind holds gluten as that does. */
const withFlourKind = (ingredient: Ingredient, flourKind: FlourKind): Ingredient => withGluten({ ...ingredient, flourKind }, FLOURS[flourKind].gluten)

/** A flour is all flour and ferments somehow; other kinds keep what they hold. */
function withKind(ingredient: Ingredient, kind: IngredientKind): Ingredient {
  if (kind !== 'flour') return { ...ingredient, kind, flourKind: undefined }
  return withFlourKind({ ...ingredient, kind, composition: { flour: 1, water: 0, salt: 0 } }, ingredient.flourKind ?? 'white wheat')
}

/** Edits one ingredient and keeps it. */
export function IngredientForm({
  ingredient,
  version,
  onDone,
  onCancel
}: {
  readonly ingredient: Ingredient
  readonly version: number
  readonly onDone: (ingredient: Ingredient) => void
  readonly onCancel: () => void
}) {
  const { form, problem, onSubmit } = useSchemaForm(ingredientSchema, ingredient, (saved) => {
    saveIngredient(saved, version).then(() => tellDone(INGREDIENT_FORM.kept(saved.name)), tellError)
    onDone(saved)
  })
  const { values: draft, setValues: edit } = form
  const { density } = draft
  const holds = (part: 'flour' | 'water' | 'salt') => (value: number) => edit({ composition: { ...draft.composition, [part]: value } })
  return (
    <Stack component="form" gap="sm" onSubmit={onSubmit}>
      <TextInput label={INGREDIENT_FORM.nameWord} maxLength={80} data-autofocus {...form.getInputProps('name')} />
      <SimpleGrid cols={2}>
        <Select
          label={INGREDIENT_FORM.kind}
          data={[...INGREDIENT_KINDS].filter((k) => k !== 'water' && k !== 'salt')}
          value={draft.kind}
          onChange={(v) => v !== null && edit(withKind(draft, v))}
        />
        {draft.kind === 'flour' && draft.blend === undefined && (
          <Select
            label={INGREDIENT_FORM.fermentsLike}
            data={[...FLOUR_KINDS]}
            value={draft.flourKind ?? 'white wheat'}
            onChange={(v) => v !== null && edit(withFlourKind(draft, v))}
          />
        )}
      </SimpleGrid>
      {draft.blend === undefined && <Gluten draft={draft} onGluten={(next) => edit(next)} />}
      {draft.kind !== 'flour' && (
        <SimpleGrid cols={3}>
          <QuantityField kind="percent" label={INGREDIENT_FORM.waterIn} value={draft.composition.water} range={[0, 1]} onCommit={holds('water')} />
          <QuantityField kind="percent" label={INGREDIENT_FORM.flourIn} value={draft.composition.flour} range={[0, 1]} onCommit={holds('flour')} />
          <QuantityField kind="percent" label={INGREDIENT_FORM.saltIn} value={draft.composition.salt} range={[0, 1]} onCommit={holds('salt')} />
          <QuantityField kind="percent" label={INGREDIENT_FORM.sugarIn} value={draft.sugar ?? 0} range={[0, 1]} onCommit={(sugar) => edit({ sugar })} />
          <QuantityField kind="percent" label={INGREDIENT_FORM.fatIn} value={draft.fat ?? 0} range={[0, 1]} onCommit={(fat) => edit({ fat })} />
        </SimpleGrid>
      )}
      {draft.blend !== undefined && <BlendEditor of={INGREDIENT_FORM.blend} only="single" blend={draft.blend} onBlend={(blend) => edit({ blend })} />}
      {draft.kind === 'flour' && draft.blend === undefined && <FlourFields draft={draft} edit={edit} />}
      <StoreFields draft={draft} edit={edit} />
      {draft.blend === undefined && (
        <Switch
          label={INGREDIENT_FORM.canBeToldBySpoons}
          checked={density !== undefined}
          onChange={(e) => edit({ density: e.currentTarget.checked ? LIKE_FLOUR : undefined })}
        />
      )}
      {density !== undefined && draft.blend === undefined && (
        <SimpleGrid cols={2}>
          <QuantityField
            kind="parts"
            label={INGREDIENT_FORM.gramsInMlLeast}
            value={density[0]}
            range={[0.05, 5]}
            onCommit={(least) => edit({ density: [least, Math.max(least, density[1])] })}
          />
          <QuantityField
            kind="parts"
            label={INGREDIENT_FORM.andMost}
            value={density[1]}
            range={[0.05, 5]}
            onCommit={(most) => edit({ density: [Math.min(most, density[0]), most] })}
          />
        </SimpleGrid>
      )}
      {draft.blend === undefined && (
        <>
          <Text fw={500}>{INGREDIENT_FORM.allergens}</Text>
          <Chip.Group multiple value={[...draft.allergens]} onChange={(v) => edit({ allergens: v })}>
            <Group gap={8}>
              {ALLERGENS.map((a) => (
                <Chip key={a} value={a}>
                  {a}
                </Chip>
              ))}
            </Group>
          </Chip.Group>
        </>
      )}
      <Switch label={INGREDIENT_FORM.goesOnSmallScale} checked={draft.fine} onChange={(e) => edit({ fine: e.currentTarget.checked })} />
      {problem !== null && <Note tone="stop">{problem}</Note>}
      <Group mt="sm">
        <Button type="submit">{INGREDIENT_FORM.save}</Button>
        <Button variant="default" onClick={onCancel}>
          {INGREDIENT_FORM.cancel}
        </Button>
        {version > 0 && <HistoryButton what="ingredient" ofId={ingredient.id} title={ingredient.name} />}
      </Group>
    </Stack>
  )
}

const GLUTEN = ['holds gluten', 'gluten-free'] as const

/** Whether it holds gluten: asked of every flour and of what sounds like it, since the guard of gluten-free jars and doughs goes by it. */
function Gluten({ draft, onGluten }: { readonly draft: Ingredient; readonly onGluten: (next: Ingredient) => void }) {
  const byName = glutenByName(draft.name)
  const gluten = holdsGluten(draft)
  if (draft.kind !== 'flour' && byName === null) return null
  const say = (holds: boolean) => {
    if (draft.kind !== 'flour') return onGluten(withGluten(draft, holds))
    const kind = draft.flourKind ?? 'white wheat'
    onGluten(withFlourKind(draft, holds ? (FLOURS[kind].gluten ? kind : 'white wheat') : 'gluten-free'))
  }
  return (
    <>
      <SegmentedControl
        aria-label={INGREDIENT_FORM.glutenAsked}
        data={[...GLUTEN]}
        value={gluten ? 'holds gluten' : 'gluten-free'}
        onChange={(v) => say(v === 'holds gluten')}
      />
      {byName !== null && !gluten && <Note tone="care">{byName === 'holds' ? INGREDIENT_FORM.soundsLikeGluten : INGREDIENT_FORM.oatsMayHold}</Note>}
    </>
  )
}
