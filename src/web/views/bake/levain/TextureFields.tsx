import { ActionIcon, Button, Group, SegmentedControl, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { Link } from 'react-router'
import { STARTER_TEXTURES } from '../../../../answers'
import type { Jar } from '../../../../contract'
import { type BuildPlan, POSSIBLE, type SolvedLevain } from '../../../../core'
import { TEXTURE_FIELDS } from '../../../../words/screens/levain'
import { editOf, saveKitchen, useKitchen } from '../../../data/kitchen'
import { tellError } from '../../../parts/cards/tell'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'

/** Old levain of no jar comes from there. */
const POT = 'pot'

/** Textures with their usual hydration. */
const TEXTURES = [
  { value: String(STARTER_TEXTURES.stiff), label: TEXTURE_FIELDS.stiff },
  { value: String(STARTER_TEXTURES.thick), label: TEXTURE_FIELDS.thick },
  { value: String(STARTER_TEXTURES.liquid), label: TEXTURE_FIELDS.liquid },
  { value: '2', label: TEXTURE_FIELDS.wetRye }
]

/** Hydration, salt and oil of the levain, keep-back, older levain, and other doughs that take of it. */
export function TextureFields({
  wish,
  build,
  others,
  frozen,
  onSet
}: {
  readonly wish: BuildPlan
  readonly build: SolvedLevain | null
  /** Jars besides the one it is seeded from. */
  readonly others: readonly Jar[]
  readonly frozen: boolean
  readonly onSet: (patch: Partial<BuildPlan>) => void
}) {
  const { source, alsoFor } = wish
  const { kitchen, format } = useKitchen()
  const given = wish.by.kind === 'amounts'
  /** The next levains stick as much. */
  const setSticks = (sticksGrams: number | null) => {
    onSet({ sticksGrams })
    if (kitchen.sticksGrams !== sticksGrams) saveKitchen(kitchen, { ...editOf(kitchen), sticksGrams }).catch(tellError)
  }
  const setOther = (i: number, patch: Partial<BuildPlan['alsoFor'][number]>) => onSet({ alsoFor: alsoFor.map((d, n) => (n === i ? { ...d, ...patch } : d)) })
  return (
    <div className={classes.sizeFields}>
      <SegmentedControl
        fullWidth
        disabled={frozen || given}
        aria-label={TEXTURE_FIELDS.texture}
        data={TEXTURES}
        value={TEXTURES.find((t) => Number(t.value) === wish.hydration)?.value ?? ''}
        onChange={(v) => onSet({ hydration: Number(v) })}
      />
      <SimpleGrid cols={2}>
        <QuantityField
          kind="percent"
          label={TEXTURE_FIELDS.hydration}
          disabled={frozen || given}
          value={wish.hydration}
          range={POSSIBLE.levainHydration}
          onCommit={(hydration) => onSet({ hydration })}
        />
        {source !== 'put some back' && !given && (
          <QuantityField
            kind="mass"
            label={source === 'straight from the jar' ? TEXTURE_FIELDS.staysInJar : TEXTURE_FIELDS.backToJar}
            what={TEXTURE_FIELDS.backToJar}
            disabled={frozen}
            value={wish.keepBackGrams}
            range={POSSIBLE.keepBackGrams}
            onCommit={(keepBackGrams) => onSet({ keepBackGrams })}
          />
        )}
        <QuantityField
          kind="mass"
          label={TEXTURE_FIELDS.sticks}
          what={TEXTURE_FIELDS.whatSticks}
          placeholder={build === null ? undefined : format.massFigure(build.sticksGrams)}
          disabled={frozen}
          value={wish.sticksGrams ?? null}
          range={POSSIBLE.sticksGrams}
          onCommit={setSticks}
          onClear={() => setSticks(null)}
        />
        <QuantityField
          kind="percent"
          label={TEXTURE_FIELDS.saltIn}
          disabled={frozen}
          value={wish.salt}
          range={[0, 0.05]}
          onCommit={(salt) => onSet({ salt })}
        />
        <QuantityField kind="percent" label={TEXTURE_FIELDS.oilIn} disabled={frozen} value={wish.oil} range={[0, 0.2]} onCommit={(oil) => onSet({ oil })} />
        {source === 'mixed seed' && (
          <>
            <Select
              label={TEXTURE_FIELDS.oldLevainFrom}
              disabled={frozen}
              allowDeselect={false}
              data={[{ value: POT, label: TEXTURE_FIELDS.discardPot }, ...others.map((j) => ({ value: j.id, label: `${j.name}, ${format.mass(j.grams)}` }))]}
              value={wish.older.jarId ?? POT}
              onChange={(id) => {
                const from = others.find((j) => j.id === id)
                onSet({ older: { ...wish.older, jarId: from?.id ?? null, hydration: from?.hydration ?? wish.older.hydration } })
              }}
            />
            <QuantityField
              kind="percent"
              label={TEXTURE_FIELDS.oldLevainBesidesStarter}
              disabled={frozen}
              value={wish.older.share}
              range={[0, 1]}
              onCommit={(share) => onSet({ older: { ...wish.older, share } })}
            />
            <QuantityField
              kind="percent"
              label={TEXTURE_FIELDS.hydration2}
              disabled={frozen || wish.older.jarId != null}
              value={wish.older.hydration}
              range={POSSIBLE.levainHydration}
              onCommit={(hydration) => onSet({ older: { ...wish.older, hydration } })}
            />
          </>
        )}
      </SimpleGrid>
      {alsoFor.map((dough, i) => {
        const takeAway = !frozen && (
          <ActionIcon aria-label={TEXTURE_FIELDS.takeOtherDoughAway(i + 1)} onClick={() => onSet({ alsoFor: alsoFor.filter((_, n) => n !== i) })}>
            <IconMinus size={20} />
          </ActionIcon>
        )
        // What a dough that is planned here takes follows its own recipe.
        if (dough.bakeId != null)
          return (
            <Group key={dough.bakeId} wrap="nowrap" justify="space-between" gap="xs">
              <Text>
                {TEXTURE_FIELDS.alsoFor} <Link to={`/bakes/${dough.bakeId}`}>{dough.name}</Link>: {format.mass(dough.grams)}
              </Text>
              {takeAway}
            </Group>
          )
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: other doughs have no identity of their own, only an order
          <Group key={i} wrap="nowrap" align="flex-end" gap="xs">
            <TextInput
              label={i === 0 ? TEXTURE_FIELDS.alsoFor : undefined}
              aria-label={TEXTURE_FIELDS.otherDough(i + 1)}
              disabled={frozen}
              value={dough.name}
              maxLength={80}
              error={dough.name.trim() === '' ? TEXTURE_FIELDS.nameNeeded : null}
              onChange={(e) => setOther(i, { name: e.currentTarget.value })}
              style={{ flex: 1 }}
            />
            <QuantityField
              kind="mass"
              label={i === 0 ? TEXTURE_FIELDS.levainFor : undefined}
              aria-label={TEXTURE_FIELDS.levainForOtherDough(i + 1)}
              what={TEXTURE_FIELDS.levain}
              disabled={frozen}
              value={dough.grams}
              range={[0, 50_000]}
              onCommit={(grams) => setOther(i, { grams })}
              w={130}
            />
            {takeAway}
          </Group>
        )
      })}
      {!frozen && alsoFor.length < 10 && (
        <Button
          variant="subtle"
          size="sm"
          leftSection={<IconPlus size={18} />}
          onClick={() => onSet({ alsoFor: [...alsoFor, { name: TEXTURE_FIELDS.anotherDough, grams: 100 }] })}
        >
          {TEXTURE_FIELDS.anotherDoughTakes}
        </Button>
      )}
    </div>
  )
}
