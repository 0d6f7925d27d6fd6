import { ActionIcon, Button, Group, TextInput } from '@mantine/core'
import { IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { DEEPEST_MIX, type Ingredient, type Mix, type MixPart, usualMix, type WeighedPart } from '../../../../core'
import { MIX_EDITOR } from '../../../../words/screens/recipe'
import { useKitchen } from '../../../data/kitchen'
import { Cell, moveInGrid } from '../../../parts/cards/Cell'
import { IngredientPicker } from '../../../parts/fields/IngredientPicker'
import classes from './LineDetails.module.css'

const nothing = () => undefined

/** What a pre-ferment is made of, by parts of weight; a mix within a mix stands indented below. */
export function MixEditor({
  mix,
  parts,
  frozen,
  depth = 1,
  onMix
}: {
  readonly mix: Mix
  readonly parts: readonly WeighedPart[]
  readonly frozen: boolean
  readonly depth?: number
  readonly onMix: (mix: Mix) => void
}) {
  const { format, pantry } = useKitchen()
  const [picking, setPicking] = useState(false)
  const setPart = (i: number, part: MixPart) => onMix({ ...mix, parts: mix.parts.map((p, n) => (n === i ? part : p)) })
  const add = (part: MixPart) => onMix({ ...mix, parts: [...mix.parts, part] })
  const pick = ({ id }: Ingredient) => {
    setPicking(false)
    add({ ingredientId: id, parts: 10 })
  }
  const firstFlour = mix.parts.flatMap((p) => ('ingredientId' in p && pantry.get(p.ingredientId)?.kind === 'flour' ? [p.ingredientId] : []))[0]
  return (
    <div className={depth === 1 ? classes.mix : `${classes.mix} ${classes.within}`}>
      {!frozen && (
        <TextInput
          size="sm"
          aria-label={MIX_EDITOR.namePreFerment}
          value={mix.name}
          maxLength={80}
          onChange={(e) => onMix({ ...mix, name: e.currentTarget.value })}
        />
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the arrow keys move between the cells, which are inputs of their own */}
      <div onKeyDown={moveInGrid}>
        <div className={`${classes.part} ${classes.partHead}`} aria-hidden="true">
          <span />
          <span>{MIX_EDITOR.parts}</span>
          <span>{MIX_EDITOR.weigh}</span>
          <span />
        </div>
        {mix.parts.map((part, i) => {
          const name = 'mix' in part ? part.mix.name : (pantry.get(part.ingredientId)?.name ?? MIX_EDITOR.notInThisKitchenAny)
          const grams = parts[i]?.grams
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: parts have no identity of their own, only an order
            <div key={i}>
              <div className={classes.part}>
                <span>{name}</span>
                <Cell
                  shown={String(part.parts)}
                  label={MIX_EDITOR.parts2(name)}
                  row={i}
                  column={0}
                  disabled={frozen}
                  onFigure={(_row, _column, figure) => {
                    if (figure === null || figure < 0 || figure > 100_000) return false
                    setPart(i, { ...part, parts: figure })
                    return true
                  }}
                  onRevert={nothing}
                  onFocus={nothing}
                />
                <span className={classes.partGrams}>{grams === undefined ? '' : format.mass(grams, grams < 10 && grams % 1 > 0.01 ? 0.1 : 1)}</span>
                {!frozen && mix.parts.length > 1 ? (
                  <ActionIcon aria-label={MIX_EDITOR.takeOut(name)} onClick={() => onMix({ ...mix, parts: mix.parts.filter((_, n) => n !== i) })}>
                    <IconMinus size={18} />
                  </ActionIcon>
                ) : (
                  <span />
                )}
              </div>
              {'mix' in part && (
                <MixEditor
                  mix={part.mix}
                  parts={parts[i]?.parts ?? []}
                  frozen={frozen}
                  depth={depth + 1}
                  onMix={(next) => setPart(i, { mix: next, parts: part.parts })}
                />
              )}
            </div>
          )
        })}
      </div>
      {!frozen && (
        <Group gap="xs" mt="xs">
          <Button size="compact-md" variant="subtle" onClick={() => setPicking(true)}>
            {MIX_EDITOR.addTo}
          </Button>
          {depth < DEEPEST_MIX && firstFlour !== undefined && (
            <Button size="compact-md" variant="subtle" onClick={() => add({ mix: usualMix('scald', firstFlour), parts: 50 })}>
              {MIX_EDITOR.scaldWithin}
            </Button>
          )}
        </Group>
      )}
      <IngredientPicker
        title={MIX_EDITOR.addTo2(mix.name)}
        kinds={['flour', 'water', 'salt', 'yeast', 'starter', 'dairy', 'egg', 'fat', 'sweet', 'seed', 'malt', 'spice', 'fruit', 'other']}
        onPick={picking ? pick : null}
        onClose={() => setPicking(false)}
      />
    </div>
  )
}
