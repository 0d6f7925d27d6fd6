import { ActionIcon, Button, Group } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import type { Plan, PlannedMove } from '../../../../contract'
import { MOVES } from '../../../../words/screens/plan'
import { useKitchen } from '../../../data/kitchen'
import { PlaceSelect } from '../../../parts/fields/PlaceSelect'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'
import type { PlanPatch } from '../planDraft'

const MOST_MOVES = 3
const NEXT_HOURS = 2

/** Where a levain goes on to while it ripens: an hour out, then the fridge; a cool night, then the warm. */
export function Moves({ plan, edit, frozen }: { readonly plan: Plan; readonly edit: (patch: PlanPatch) => void; readonly frozen: boolean }) {
  const { kitchen } = useKitchen()
  const put = (index: number, patch: Partial<PlannedMove>) => edit((p) => ({ moves: p.moves.map((move, i) => (i === index ? { ...move, ...patch } : move)) }))
  const add = () =>
    edit((p) => {
      const last = p.moves.at(-1)
      const there = last?.placeId ?? p.placeId
      const place = kitchen.places.find((other) => other.id !== there) ?? kitchen.places[0]
      if (place === undefined) return {}
      return { moves: [...p.moves, { afterHours: (last?.afterHours ?? 0) + NEXT_HOURS, placeId: place.id, tempC: place.tempC }] }
    })
  return (
    <div className={classes.moves}>
      {plan.moves.map((move, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: moves have no identity but their order.
        <Group key={i} gap="xs" align="flex-end" wrap="nowrap">
          <PlaceSelect
            label={i === 0 ? MOVES.thenTo : MOVES.andThenTo}
            aria-label={MOVES.moveTo(i + 1)}
            disabled={frozen}
            value={move.placeId}
            style={{ flex: 1 }}
            onPlace={({ id, tempC }) => put(i, { placeId: id, tempC })}
          />
          <QuantityField
            kind="hours"
            label={MOVES.after}
            aria-label={MOVES.moveHoursAfterMixing(i + 1)}
            what={MOVES.hoursAfterMixing}
            disabled={frozen}
            value={move.afterHours}
            range={[0, 96]}
            onCommit={(afterHours) => put(i, { afterHours })}
            w={96}
          />
          {!frozen && (
            <ActionIcon aria-label={MOVES.takeMoveAway(i + 1)} onClick={() => edit((p) => ({ moves: p.moves.filter((_, at) => at !== i) }))}>
              <IconMinus size={20} />
            </ActionIcon>
          )}
        </Group>
      ))}
      {!frozen && plan.moves.length < MOST_MOVES && (
        <Button variant="subtle" size="sm" leftSection={<IconPlus size={18} />} onClick={add}>
          {MOVES.moveOnToAnotherPlace}
        </Button>
      )}
    </div>
  )
}
