import { ActionIcon, Chip, Group, Select, Switch, Text, TextInput } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import { type BuildPlan, hydrationOfRatio, POSSIBLE, readRatio, type SeedMeasure, type SolvedLevain, STARTER_DENSITY, WATER_DENSITY } from '../../../../core'
import { SEED_MEASURE_FIELD } from '../../../../words/screens/levain'
import { useKitchen } from '../../../data/kitchen'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'

const RATIO_STEP = 0.5
const WAYS: readonly { readonly value: SeedMeasure['kind']; readonly label: string }[] = [
  { value: 'ratio', label: SEED_MEASURE_FIELD.ratio },
  { value: 'inoculation', label: SEED_MEASURE_FIELD.flour },
  { value: 'seed', label: SEED_MEASURE_FIELD.grams },
  { value: 'spoons', label: SEED_MEASURE_FIELD.spoonsWord },
  { value: 'amounts', label: SEED_MEASURE_FIELD.amounts }
]

/** How much starter: by ratio, by its share of the flour, in grams, by spoons, or with flour and water as they are to be weighed. Changing how it is given keeps the amount. */
export function SeedMeasureField({
  wish,
  build,
  seedHydration,
  frozen,
  onSet
}: {
  readonly wish: BuildPlan
  readonly build: SolvedLevain | null
  /** Of the starter that goes in. */
  readonly seedHydration: number
  readonly frozen: boolean
  readonly onSet: (patch: Partial<BuildPlan>) => void
}) {
  const { format, pantry } = useKitchen()
  const { by } = wish
  const densities = { seed: STARTER_DENSITY.stirred, flour: pantry.get(wish.flours[0]?.ingredientId ?? '')?.density, water: WATER_DENSITY }
  const flourPerSeed = build?.flourPerSeed ?? (by.kind === 'ratio' ? by.flourPerSeed : 5)
  const set = (next: SeedMeasure) => onSet({ by: next })
  /** Three amounts make the hydration, too. */
  const setAmounts = (next: Extract<SeedMeasure, { kind: 'amounts' }>) =>
    onSet({ by: next, hydration: hydrationOfRatio(next.flour / next.seed, next.water / next.seed, seedHydration) })
  const step = (from: number, change: number) =>
    set({ kind: 'ratio', flourPerSeed: Math.min(Math.max(Math.round((from + change) * 2) / 2, 0.5), POSSIBLE.flourPerSeed[1]) })
  const choose = (kind: SeedMeasure['kind']) => {
    if (kind === 'ratio') return set({ kind, flourPerSeed: Math.max(Math.round(flourPerSeed * 10) / 10, POSSIBLE.flourPerSeed[0]) })
    if (kind === 'inoculation') return set({ kind, share: Math.round(1000 / flourPerSeed) / 1000 })
    if (kind === 'amounts') {
      const { seed, older, flour, water } = build?.weigh ?? { seed: 20, older: 0, flour: 100, water: 100 }
      return setAmounts({ kind, seed: seed + older, flour, water })
    }
    if (kind === 'seed') return set({ kind, grams: Math.max(Math.round(build?.sourced.masses.seed ?? 20), 1) })
    return set({ kind, count: 2, spoon: 'tablespoon', stirred: true })
  }
  return (
    <>
      <Chip.Group value={by.kind} onChange={(v) => choose(v as SeedMeasure['kind'])}>
        <Group gap={8} role="radiogroup" aria-label={SEED_MEASURE_FIELD.howToGiveAmountStarter}>
          {WAYS.map(({ value, label }) => (
            <Chip key={value} value={value} disabled={frozen}>
              {label}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
      <div className={classes.sizeFields}>
        {by.kind === 'ratio' && (
          <>
            <Group wrap="nowrap" align="flex-end" gap="xs">
              <ActionIcon aria-label={SEED_MEASURE_FIELD.lessFlourFaster} variant="default" onClick={() => step(by.flourPerSeed, -RATIO_STEP)}>
                <IconMinus size={22} />
              </ActionIcon>
              <QuantityField
                kind="parts"
                label={SEED_MEASURE_FIELD.partsFlourToOneStarter}
                disabled={frozen}
                value={by.flourPerSeed}
                range={POSSIBLE.flourPerSeed}
                onCommit={(f) => set({ kind: 'ratio', flourPerSeed: f })}
                style={{ flex: 1 }}
              />
              <ActionIcon aria-label={SEED_MEASURE_FIELD.moreFlourSlower} variant="default" onClick={() => step(by.flourPerSeed, RATIO_STEP)}>
                <IconPlus size={22} />
              </ActionIcon>
              <RatioField
                frozen={frozen}
                onRatio={(f, w) =>
                  onSet({ by: { kind: 'ratio', flourPerSeed: f }, ...(w === null ? {} : { hydration: hydrationOfRatio(f, w, seedHydration) }) })
                }
              />
            </Group>
            <Text c="dimmed">{SEED_MEASURE_FIELD.lessFlourRipensSoonerMore}</Text>
          </>
        )}
        {by.kind === 'inoculation' && (
          <QuantityField
            kind="percent"
            label={SEED_MEASURE_FIELD.starterAsFlour}
            disabled={frozen}
            value={by.share}
            range={POSSIBLE.inoculation}
            onCommit={(share) => set({ kind: 'inoculation', share })}
          />
        )}
        {by.kind === 'seed' && (
          <QuantityField
            kind="mass"
            label={SEED_MEASURE_FIELD.starterYouHave}
            disabled={frozen}
            value={by.grams}
            range={[0.1, 20_000]}
            onCommit={(grams) => set({ kind: 'seed', grams })}
          />
        )}
        {by.kind === 'amounts' && (
          <>
            <Group wrap="nowrap" align="flex-end" gap="xs" grow>
              {(['seed', 'flour', 'water'] as const).map((item) => (
                <QuantityField
                  key={item}
                  kind="mass"
                  label={SEED_MEASURE_FIELD.amountOf[item]}
                  disabled={frozen}
                  value={by[item]}
                  density={densities[item]}
                  range={[item === 'water' ? 0 : 0.1, 20_000]}
                  onCommit={(grams) => setAmounts({ ...by, [item]: grams })}
                />
              ))}
            </Group>
            <Text c="dimmed">{SEED_MEASURE_FIELD.inAllStays(format.mass(by.seed + by.flour + by.water))}</Text>
          </>
        )}
        {by.kind === 'spoons' && (
          <>
            <Group wrap="nowrap" align="flex-end" gap="xs" grow>
              <QuantityField
                kind="parts"
                label={SEED_MEASURE_FIELD.howMany}
                disabled={frozen}
                value={by.count}
                range={[0.25, 100]}
                onCommit={(count) => set({ ...by, count })}
              />
              <Select
                label={SEED_MEASURE_FIELD.of}
                disabled={frozen}
                data={['tablespoon', 'teaspoon']}
                value={by.spoon}
                onChange={(v) => v !== null && set({ ...by, spoon: v })}
              />
            </Group>
            <Switch
              label={SEED_MEASURE_FIELD.stirredDownNotRisen}
              disabled={frozen}
              checked={by.stirred}
              onChange={(e) => set({ ...by, stirred: e.currentTarget.checked })}
            />
            {build?.spoons != null && (
              <Text c="dimmed">{SEED_MEASURE_FIELD.thatToStarterSoRipening(format.massFigure(build.spoons.least), format.mass(build.spoons.most))}</Text>
            )}
          </>
        )}
      </div>
    </>
  )
}

/** The ratio as it is written, 1:4:3; with its third number the hydration follows. */
function RatioField({ frozen, onRatio }: { readonly frozen: boolean; readonly onRatio: (flourPerSeed: number, waterPerSeed: number | null) => void }) {
  const [text, setText] = useState('')
  const ratio = text === '' ? null : readRatio(text)
  const wrong = text !== '' && (ratio === null || ratio.flourPerSeed < POSSIBLE.flourPerSeed[0] || ratio.flourPerSeed > POSSIBLE.flourPerSeed[1])
  return (
    <TextInput
      label={SEED_MEASURE_FIELD.orTyped}
      placeholder="1:4:4"
      disabled={frozen}
      value={text}
      error={wrong ? SEED_MEASURE_FIELD.ratioLooksLike : null}
      onChange={(e) => {
        const next = e.currentTarget.value
        setText(next)
        const read = readRatio(next)
        if (read !== null && read.flourPerSeed >= POSSIBLE.flourPerSeed[0] && read.flourPerSeed <= POSSIBLE.flourPerSeed[1])
          onRatio(read.flourPerSeed, read.waterPerSeed)
      }}
      onBlur={() => !wrong && setText('')}
      style={{ flex: 1 }}
    />
  )
}
