import { ActionIcon, Button, Group, Select } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import type { BlendPart } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { QuantityField } from '../../../parts/QuantityField'
import classes from '../BakeSheet.module.css'

/** Flours of a build with their parts; one flour needs no figure. */
export function BlendEditor({
  blend,
  frozen,
  onBlend
}: {
  readonly blend: readonly BlendPart[]
  readonly frozen: boolean
  readonly onBlend: (blend: BlendPart[]) => void
}) {
  const { ingredients } = useKitchen()
  const flours = ingredients.map((i) => i.ingredient).filter((i) => i.kind === 'flour')
  const set = (i: number, patch: Partial<BlendPart>) => onBlend(blend.map((p, n) => (n === i ? { ...p, ...patch } : p)))
  const unused = flours.find((f) => !blend.some((p) => p.ingredientId === f.id))
  return (
    <div className={classes.pieces}>
      {blend.map((part, i) => (
        <Group key={part.ingredientId} wrap="nowrap" align="flex-end" gap="xs">
          <Select
            label={i === 0 ? 'Flour of the levain' : undefined}
            aria-label={`Flour ${i + 1} of the levain`}
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
                label={i === 0 ? 'Parts' : undefined}
                aria-label={`Parts of flour ${i + 1}`}
                what="The parts"
                disabled={frozen}
                value={part.share}
                range={[0.01, 10_000]}
                onCommit={(share) => set(i, { share })}
                w={90}
              />
              {!frozen && (
                <ActionIcon aria-label={`Take flour ${i + 1} out`} onClick={() => onBlend(blend.filter((_, n) => n !== i))}>
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
          Another flour
        </Button>
      )}
    </div>
  )
}
