import { ActionIcon, Group, Select } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { isAwaited, POSSIBLE, SCHOOLS } from '../../../../core'
import { SCHOOL_WORDS } from '../../../../words'
import { STAND_CARD } from '../../../../words/screens/plan'
import { Card, Note } from '../../../parts/cards/Card'
import { PlaceSelect } from '../../../parts/fields/PlaceSelect'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { useBakeHere } from '../bakeHere'
import { Moves } from './Moves'

const TEMP_STEP = 0.5

/** Where the levain stands, and how ripe it is wanted. */
export function StandCard() {
  const { plan, edit, frozen, solved } = useBakeHere()
  const hasYeast = solved?.dough.ok === true && solved.dough.value.exact.yeast > 0
  return (
    <Card title={STAND_CARD.levain}>
      <Select
        label={STAND_CARD.howRipeYouLike}
        data={SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value] }))}
        value={plan.school}
        disabled={frozen}
        onChange={(v) => v !== null && edit({ school: v })}
      />
      {!isAwaited(plan.school) && !hasYeast && <Note tone="care">{STAND_CARD.noYeast}</Note>}
      <PlaceSelect mt="md" label={STAND_CARD.place} disabled={frozen} value={plan.placeId} onPlace={({ id, tempC }) => edit({ placeId: id, tempC })} />
      <Group mt="md" wrap="nowrap" align="flex-end" gap="xs">
        <QuantityField
          kind="temperature"
          label={STAND_CARD.howWarmThere}
          what={STAND_CARD.place2}
          value={plan.tempC}
          range={POSSIBLE.tempC}
          onCommit={(tempC) => edit({ tempC })}
          style={{ flex: 1 }}
        />
        <ActionIcon aria-label={STAND_CARD.halfDegreeCooler} variant="default" onClick={() => edit({ tempC: plan.tempC - TEMP_STEP })}>
          <IconMinus size={20} />
        </ActionIcon>
        <ActionIcon aria-label={STAND_CARD.halfDegreeWarmer} variant="default" onClick={() => edit({ tempC: plan.tempC + TEMP_STEP })}>
          <IconPlus size={20} />
        </ActionIcon>
      </Group>
      <Moves of="levain" placeId={plan.placeId} moves={plan.moves} frozen={frozen} onMoves={(moves) => edit({ moves })} />
    </Card>
  )
}
