import { ActionIcon, Button, Group, Popover, Select, SimpleGrid, Switch } from '@mantine/core'
import { IconMinus, IconPlus, IconShape } from '@tabler/icons-react'
import { useState } from 'react'
import { BAKE_LOSS, type Formula, HANDLING_LOSS, keysOf, POSSIBLE, SHAPES, type ShapeId, type SolvedDough, shapeGrams, type Target } from '../../../../core'
import { SIZE_CARD } from '../../../../words/screens/recipe'
import { useKitchen } from '../../../data/kitchen'
import { Card } from '../../../parts/cards/Card'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'

const KNOWN: readonly { readonly value: Target['kind']; readonly label: string }[] = [
  { value: 'pieces', label: SIZE_CARD.piecesWord },
  { value: 'flour pieces', label: SIZE_CARD.flourInEachPiece },
  { value: 'dough', label: SIZE_CARD.allDough },
  { value: 'added flour', label: SIZE_CARD.flourToBeAdded },
  { value: 'total flour', label: SIZE_CARD.allFlourLevainsToo },
  { value: 'levain', label: SIZE_CARD.ripeLevainAtHand },
  { value: 'line', label: SIZE_CARD.oneIngredientAtHand }
]

/** What is known of the size: any one figure, and the rest follows. */
export function SizeCard({
  target,
  formula,
  solved,
  frozen,
  nameOf,
  onTarget,
  onRoundUp
}: {
  readonly target: Target
  readonly formula: Formula
  readonly solved: SolvedDough | null
  readonly frozen: boolean
  readonly nameOf: (id: string) => string | undefined
  readonly onTarget: (target: Target) => void
  readonly onRoundUp: (roundUp: boolean) => void
}) {
  const grams = (lineId: string) => Math.max(Math.round(solved?.lines.find((l) => l.id === lineId)?.grams ?? 500), 1)
  /** Another known that leaves the dough as large as it is. */
  const choose = (kind: Target['kind']) => {
    const whole = Math.round(solved?.doughGrams ?? 1500)
    if (kind === 'pieces') {
      return onTarget({ kind, pieces: [{ count: 2, grams: Math.round((whole * (1 - HANDLING_LOSS)) / 2) }], handlingLoss: HANDLING_LOSS, bakeLoss: null })
    }
    if (kind === 'flour pieces') {
      const pieces = target.kind === 'pieces' ? target.pieces : [{ count: 2, grams: 1 }]
      const each = Math.round((solved?.addedFlourGrams ?? 1000) / pieces.reduce((sum, p) => sum + p.count, 0))
      return onTarget({ kind, pieces: pieces.map(({ count }) => ({ count, grams: each })) })
    }
    if (kind === 'dough') return onTarget({ kind, grams: whole })
    if (kind === 'added flour') return onTarget({ kind, grams: Math.round(solved?.addedFlourGrams ?? 1000) })
    if (kind === 'total flour') return onTarget({ kind, grams: Math.round(solved?.truth.flourGrams ?? 1000) })
    if (kind === 'levain') return onTarget({ kind, grams: Math.max(Math.round(solved?.levainGrams ?? 200), 1) })
    const first = formula.lines.find((l) => l.kind === 'flour')?.id ?? ''
    return onTarget({ kind, lineId: first, grams: grams(first) })
  }
  return (
    <Card title={SIZE_CARD.howMuch}>
      <Select label={SIZE_CARD.sizeDoughBy} data={[...KNOWN]} value={target.kind} disabled={frozen} onChange={(v) => v !== null && choose(v)} />
      <div className={classes.sizeFields}>
        {(target.kind === 'pieces' || target.kind === 'flour pieces') && <Pieces target={target} frozen={frozen} onTarget={onTarget} />}
        {target.kind === 'line' && (
          <Select
            label={SIZE_CARD.whichOne}
            disabled={frozen}
            data={formula.lines.map((l) => ({ value: l.id, label: nameOf(l.id) ?? l.kind }))}
            value={target.lineId}
            onChange={(lineId) => lineId !== null && onTarget({ kind: 'line', lineId, grams: grams(lineId) })}
          />
        )}
        {target.kind !== 'pieces' && target.kind !== 'flour pieces' && (
          <QuantityField
            kind="mass"
            label={KNOWN.find((k) => k.value === target.kind)?.label}
            what={SIZE_CARD.thisWord}
            disabled={frozen}
            value={target.grams}
            range={target.kind === 'line' ? [0.1, 50_000] : target.kind === 'levain' ? [1, 50_000] : POSSIBLE.doughGrams}
            onCommit={(g) => onTarget({ ...target, grams: g })}
          />
        )}
      </div>
      <Switch
        mt="md"
        label={SIZE_CARD.roundUp}
        description={SIZE_CARD.roundUpSays}
        disabled={frozen}
        checked={formula.roundUp === true}
        onChange={(event) => onRoundUp(event.currentTarget.checked)}
      />
    </Card>
  )
}

type PieceTarget = Extract<Target, { kind: 'pieces' | 'flour pieces' }>

function Pieces({ target, frozen, onTarget }: { readonly target: PieceTarget; readonly frozen: boolean; readonly onTarget: (target: Target) => void }) {
  const { pieces } = target
  const set = (i: number, patch: Partial<{ count: number; grams: number }>) =>
    onTarget({ ...target, pieces: pieces.map((p, n) => (n === i ? { ...p, ...patch } : p)) })
  return (
    <div className={classes.pieces}>
      {pieces.map((piece, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no identity of their own, only an order
        <Group key={i} wrap="nowrap" align="flex-end" gap="xs">
          <QuantityField
            kind="count"
            label={i === 0 ? SIZE_CARD.pieces : undefined}
            aria-label={SIZE_CARD.numberPiecesSize(i + 1)}
            what={SIZE_CARD.numberPieces}
            disabled={frozen}
            value={piece.count}
            range={POSSIBLE.pieceCount}
            onCommit={(count) => set(i, { count })}
            w={84}
          />
          <QuantityField
            kind="mass"
            label={i === 0 ? eachWords(target) : undefined}
            aria-label={SIZE_CARD.weightPieceSize(i + 1)}
            what={SIZE_CARD.piece}
            disabled={frozen}
            value={piece.grams}
            range={POSSIBLE.pieceGrams}
            onCommit={(grams) => set(i, { grams })}
            style={{ flex: 1 }}
          />
          {target.kind === 'pieces' && <ShapeMenu label={SIZE_CARD.shapeSize(i + 1)} frozen={frozen} onGrams={(grams) => set(i, { grams })} />}
          {pieces.length > 1 && !frozen && (
            <ActionIcon aria-label={SIZE_CARD.takeAwaySize(i + 1)} onClick={() => onTarget({ ...target, pieces: pieces.filter((_, n) => n !== i) })}>
              <IconMinus size={20} />
            </ActionIcon>
          )}
        </Group>
      ))}
      {pieces.length < 20 && !frozen && (
        <Button
          variant="subtle"
          size="sm"
          leftSection={<IconPlus size={18} />}
          onClick={() => onTarget({ ...target, pieces: [...pieces, { count: 1, grams: 500 }] })}
        >
          {SIZE_CARD.anotherSize}
        </Button>
      )}
      {target.kind === 'pieces' && <Losses target={target} frozen={frozen} onTarget={onTarget} />}
    </div>
  )
}

/** What a piece is given by. */
function eachWords(target: PieceTarget): string {
  if (target.kind === 'flour pieces') return SIZE_CARD.flourInEach
  return target.bakeLoss === null ? SIZE_CARD.doughInEach : SIZE_CARD.eachBaked
}

/** What is lost of pieces on hands and in the oven. */
function Losses({
  target,
  frozen,
  onTarget
}: {
  readonly target: Extract<Target, { kind: 'pieces' }>
  readonly frozen: boolean
  readonly onTarget: (target: Target) => void
}) {
  return (
    <>
      <Switch
        label={SIZE_CARD.theseAreBakedWeights}
        disabled={frozen}
        checked={target.bakeLoss !== null}
        onChange={(e) => onTarget({ ...target, bakeLoss: e.currentTarget.checked ? BAKE_LOSS : null })}
      />
      <SimpleGrid cols={2}>
        <QuantityField
          kind="percent"
          label={SIZE_CARD.sticksToBowlHands}
          what={SIZE_CARD.whatSticksToBowlAnd}
          disabled={frozen}
          value={target.handlingLoss}
          range={POSSIBLE.loss}
          onCommit={(handlingLoss) => onTarget({ ...target, handlingLoss })}
        />
        {target.bakeLoss !== null && (
          <QuantityField
            kind="percent"
            label={SIZE_CARD.lostInOven}
            what={SIZE_CARD.whatLost}
            disabled={frozen}
            value={target.bakeLoss}
            range={POSSIBLE.loss}
            onCommit={(bakeLoss) => onTarget({ ...target, bakeLoss })}
          />
        )}
      </SimpleGrid>
    </>
  )
}

const MEASURE: Readonly<Record<(typeof SHAPES)[ShapeId]['measure'], { readonly label: string; readonly range: readonly [number, number] }>> = {
  basket: { label: SIZE_CARD.doughInG, range: [50, 5000] },
  piece: { label: SIZE_CARD.eachG, range: [20, 2000] },
  ml: { label: SIZE_CARD.tinHoldsMl, range: [100, 10_000] },
  cm: { label: SIZE_CARD.acrossCm, range: [8, 80] }
}

/** What a shape of any size takes; the figure stays free. */
function ShapeMenu({ label, frozen, onGrams }: { readonly label: string; readonly frozen: boolean; readonly onGrams: (grams: number) => void }) {
  const { format } = useKitchen()
  const [opened, setOpened] = useState(false)
  const [shape, setShape] = useState<ShapeId>('round')
  const [size, setSize] = useState<number>(SHAPES.round.sizes[1])
  if (frozen) return null
  const { measure, sizes } = SHAPES[shape]
  const grams = shapeGrams(shape, size)
  return (
    <Popover opened={opened} onChange={setOpened} position="bottom-end" trapFocus width={300}>
      <Popover.Target>
        <ActionIcon aria-label={label} variant="default" onClick={() => setOpened((o) => !o)}>
          <IconShape size={20} />
        </ActionIcon>
      </Popover.Target>
      <Popover.Dropdown>
        <Select
          label={SIZE_CARD.shape}
          comboboxProps={{ withinPortal: false }}
          data={keysOf(SHAPES).map((id) => ({ value: id, label: SHAPES[id].name }))}
          value={shape}
          onChange={(next) => {
            if (next === null) return
            setShape(next)
            setSize(SHAPES[next].sizes[1])
          }}
        />
        <QuantityField
          mt="sm"
          kind="parts"
          label={MEASURE[measure].label}
          what={SIZE_CARD.size}
          value={size}
          range={MEASURE[measure].range}
          onCommit={setSize}
        />
        <Group gap={6} mt="xs">
          {sizes.map((s) => (
            <Button key={s} size="compact-md" variant="default" onClick={() => setSize(s)}>
              {s}
            </Button>
          ))}
        </Group>
        <Button
          mt="md"
          fullWidth
          onClick={() => {
            onGrams(grams)
            setOpened(false)
          }}
        >
          {SIZE_CARD.take(format.mass(grams))}
        </Button>
      </Popover.Dropdown>
    </Popover>
  )
}
