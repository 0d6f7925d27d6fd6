import { ActionIcon, Button, Group, Select } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { type BlendPart, holdsGluten } from '../../../core'
import { BLEND_EDITOR } from '../../../words/screens/parts'
import { useKitchen } from '../../data/kitchen'
import classes from './BlendEditor.module.css'
import { QuantityField } from './QuantityField'

/** Flours with their parts; one flour needs no figure. */
export function BlendEditor({
  blend,
  of,
  frozen = false,
  only,
  onBlend
}: {
  readonly blend: readonly BlendPart[]
  /** What they are flours of: "the levain". */
  readonly of: string
  readonly frozen?: boolean
  /** Only flours that hold no gluten, or only those that are no blends. */
  readonly only?: 'gluten-free' | 'single'
  readonly onBlend: (blend: BlendPart[]) => void
}) {
  const { ingredients } = useKitchen()
  const fits = (id: string) => blend.some((p) => p.ingredientId === id)
  const flours = ingredients
    .map((i) => i.ingredient)
    .filter((i) => i.kind === 'flour' && (fits(i.id) || only === undefined || (only === 'single' ? i.blend === undefined : !holdsGluten(i))))
  const set = (i: number, patch: Partial<BlendPart>) => onBlend(blend.map((p, n) => (n === i ? { ...p, ...patch } : p)))
  const unused = flours.find((f) => !blend.some((p) => p.ingredientId === f.id))
  return (
    <div className={classes.parts}>
      {blend.map((part, i) => (
        <Group key={part.ingredientId} wrap="nowrap" align="flex-end" gap="xs">
          <Select
            label={i === 0 ? BLEND_EDITOR.flour(of) : undefined}
            aria-label={BLEND_EDITOR.flour2(i + 1, of)}
            disabled={frozen}
            searchable
            data={flours.filter((f) => f.id === part.ingredientId || !blend.some((p) => p.ingredientId === f.id)).map((f) => ({ value: f.id, label: f.name }))}
            value={part.ingredientId}
            onChange={(v) => v !== null && set(i, { ingredientId: v })}
            style={{ flex: 1 }}
          />
          {blend.length > 1 && (
            <>
              <QuantityField
                kind="parts"
                label={i === 0 ? BLEND_EDITOR.parts : undefined}
                aria-label={BLEND_EDITOR.partsFlour(i + 1)}
                what={BLEND_EDITOR.theParts}
                disabled={frozen}
                value={part.share}
                range={[0.01, 10_000]}
                onCommit={(share) => set(i, { share })}
                w={90}
              />
              {!frozen && (
                <ActionIcon aria-label={BLEND_EDITOR.takeFlourOut(i + 1)} onClick={() => onBlend(blend.filter((_, n) => n !== i))}>
                  <IconMinus size={20} />
                </ActionIcon>
              )}
            </>
          )}
        </Group>
      ))}
      {!frozen && unused !== undefined && blend.length < 10 && (
        <Button
          variant="subtle"
          size="sm"
          leftSection={<IconPlus size={18} />}
          onClick={() => onBlend([...blend, { ingredientId: unused.id, share: blend[0]?.share ?? 1 }])}
        >
          {BLEND_EDITOR.anotherFlour}
        </Button>
      )}
    </div>
  )
}
