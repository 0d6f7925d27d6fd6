import { Group, SegmentedControl, Stack, Text } from '@mantine/core'
import { usualRefill } from '../../../../answers'
import type { Jar } from '../../../../contract'
import type { BuildPlan, RefillPlan } from '../../../../core'
import { REFILL_FIELDS } from '../../../../words/screens/levain'
import { BlendEditor } from '../../../parts/fields/BlendEditor'
import { QuantityField } from '../../../parts/fields/QuantityField'

/** How long it may stay out, h; the cold is left for as long as the levain starts. */
const OUT_HOURS = [0, 1, 2, 3, 4] as const

/** What the jar gets in the moment in which starter is drawn from it: grams, flours, and how long it stays out. */
export function RefillFields({
  wish,
  jar,
  drawnGrams,
  cold,
  frozen,
  onSet
}: {
  readonly wish: BuildPlan
  readonly jar: Jar
  /** Starter that is drawn, g. */
  readonly drawnGrams: number
  /** The jar stands in the cold. */
  readonly cold: boolean
  readonly frozen: boolean
  readonly onSet: (patch: Partial<BuildPlan>) => void
}) {
  const refill = wish.refill ?? usualRefill(drawnGrams, jar)
  const set = (patch: Partial<RefillPlan>) => onSet({ refill: { ...refill, ...patch } })
  return (
    <Stack gap="sm" mt="md" align="stretch" data-testid="refill">
      <Text fw={500}>{REFILL_FIELDS.refill(jar.name)}</Text>
      <Group grow>
        <QuantityField
          kind="mass"
          label={REFILL_FIELDS.flour}
          disabled={frozen}
          value={refill.flourGrams}
          range={[1, 20_000]}
          onCommit={(flourGrams) => set({ flourGrams })}
        />
        <QuantityField
          kind="mass"
          label={REFILL_FIELDS.water}
          disabled={frozen}
          value={refill.waterGrams}
          range={[0, 20_000]}
          onCommit={(waterGrams) => set({ waterGrams })}
        />
      </Group>
      <BlendEditor
        of={REFILL_FIELDS.theRefill}
        blend={refill.flours ?? jar.feed}
        only={jar.flour === 'gluten-free' ? 'gluten-free' : undefined}
        frozen={frozen}
        onBlend={(flours) => set({ flours })}
      />
      {cold && (
        <div>
          <Text fw={500} mb={4}>
            {REFILL_FIELDS.out}
          </Text>
          <SegmentedControl
            fullWidth
            disabled={frozen}
            aria-label={REFILL_FIELDS.out}
            data={OUT_HOURS.map((hours) => ({ value: String(hours), label: hours === 0 ? REFILL_FIELDS.notAtAll : REFILL_FIELDS.hours(hours) }))}
            value={String(refill.outHours ?? 0)}
            onChange={(v) => set({ outHours: v === '0' ? null : Number(v) })}
          />
        </div>
      )}
    </Stack>
  )
}
