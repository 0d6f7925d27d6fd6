import { ActionIcon, Button, Group } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import type { PlannedMove } from '../../../../contract'
import { MOVES } from '../../../../words/screens/plan'
import { useKitchen } from '../../../data/kitchen'
import { PlaceSelect } from '../../../parts/fields/PlaceSelect'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'

const MOST_MOVES = 3
const NEXT_HOURS = 2

interface MovesProps {
  /** The levain or the dough: it tells the two apart where both are on one page. */
  readonly of: 'levain' | 'dough'
  /** Where it stands first. */
  readonly placeId: string
  readonly moves: readonly PlannedMove[]
  readonly frozen: boolean
  readonly onMoves: (moves: PlannedMove[]) => void
}

/** Where a levain goes on to while it ripens, or a dough while it rises: an hour out, then the fridge; a cool night, then the warm. */
export function Moves({ of, placeId, moves, frozen, onMoves }: MovesProps) {
  const { kitchen } = useKitchen()
  const words = MOVES[of]
  const put = (index: number, patch: Partial<PlannedMove>) => onMoves(moves.map((move, i) => (i === index ? { ...move, ...patch } : move)))
  const add = () => {
    const last = moves.at(-1)
    const there = last?.placeId ?? placeId
    const place = kitchen.places.find((other) => other.id !== there) ?? kitchen.places[0]
    if (place === undefined) return
    onMoves([...moves, { afterHours: (last?.afterHours ?? 0) + NEXT_HOURS, placeId: place.id, tempC: place.tempC }])
  }
  return (
    <div className={classes.moves}>
      {moves.map((move, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: moves have no identity but their order.
        <Group key={i} gap="xs" align="flex-end" wrap="nowrap">
          <PlaceSelect
            label={i === 0 ? MOVES.thenTo : MOVES.andThenTo}
            aria-label={words.moveTo(i + 1)}
            disabled={frozen}
            value={move.placeId}
            style={{ flex: 1 }}
            onPlace={({ id, tempC }) => put(i, { placeId: id, tempC })}
          />
          <QuantityField
            kind="hours"
            label={MOVES.after}
            aria-label={words.moveHoursAfterMixing(i + 1)}
            what={MOVES.hoursAfterMixing}
            disabled={frozen}
            value={move.afterHours}
            range={[0, 96]}
            onCommit={(afterHours) => put(i, { afterHours })}
            w={96}
          />
          {!frozen && (
            <ActionIcon aria-label={words.takeMoveAway(i + 1)} onClick={() => onMoves(moves.filter((_, at) => at !== i))}>
              <IconMinus size={20} />
            </ActionIcon>
          )}
        </Group>
      ))}
      {!frozen && moves.length < MOST_MOVES && (
        <Button variant="subtle" size="sm" leftSection={<IconPlus size={18} />} onClick={add}>
          {words.moveOnToAnotherPlace}
        </Button>
      )}
    </div>
  )
}
