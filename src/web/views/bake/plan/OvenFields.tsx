import { ActionIcon, Button, Group, Stack, Switch, Text } from '@mantine/core'
import { IconMinus } from '@tabler/icons-react'
import { type OvenPlan, type OvenStage, ovenMinutes, ovenOf } from '../../../../core'
import { OVEN_FIELDS } from '../../../../words/screens/plan'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { useBakeHere } from '../bakeHere'

const OVEN_C = [50, 400] as const
const STAGE_MINUTES = [1, 300] as const
const CORE_C = [60, 110] as const
/** More than this nobody turns the oven. */
const MOST_STAGES = 6
/** Two fields and a switch stand in a row, or the switch below them. */
const FIELD = { flex: '1 1 96px' } as const
const USUAL_CORE: readonly [number, number] = [95, 98]

/** The oven step by step: how hot, how long, with lid or steam; and how hot the middle is when it is done. Kept with the recipe. */
export function OvenFields() {
  const { plan, edit, frozen } = useBakeHere()
  const { course, formula } = plan
  if (course === null) return null
  const oven = ovenOf(formula, course.bakeMinutes)
  const put = (next: OvenPlan) =>
    edit((p) => ({
      formula: { ...p.formula, oven: next },
      ...(p.course === null ? {} : { course: { ...p.course, bakeMinutes: ovenMinutes(next.stages) } })
    }))
  const stages = (next: readonly OvenStage[]) => put({ ...oven, stages: next })
  const set = (i: number, patch: Partial<OvenStage>) => stages(oven.stages.map((stage, n) => (n === i ? { ...stage, ...patch } : stage)))
  const last = oven.stages.at(-1)
  return (
    <Stack gap="sm" mt="md" align="stretch" data-testid="oven-steps">
      <Text fw={500}>{OVEN_FIELDS.title}</Text>
      {oven.stages.map((stage, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a step of the oven is known by its place
        <Group key={i} gap="xs" align="flex-end">
          <QuantityField
            kind="temperature"
            label={OVEN_FIELDS.step(i + 1)}
            aria-label={OVEN_FIELDS.oven(i + 1)}
            style={FIELD}
            disabled={frozen}
            value={stage.tempC}
            range={OVEN_C}
            onCommit={(tempC) => set(i, { tempC })}
          />
          <QuantityField
            kind="count"
            label={OVEN_FIELDS.minutes}
            aria-label={OVEN_FIELDS.minutesOf(i + 1)}
            style={FIELD}
            disabled={frozen}
            value={stage.minutes}
            range={STAGE_MINUTES}
            onCommit={(minutes) => set(i, { minutes: Math.round(minutes) })}
          />
          <Switch
            label={OVEN_FIELDS.covered}
            disabled={frozen}
            checked={stage.covered}
            onChange={(event) => set(i, { covered: event.currentTarget.checked })}
            mb={10}
            aria-label={OVEN_FIELDS.coveredAt(i + 1)}
          />
          {!frozen && oven.stages.length > 1 && (
            <ActionIcon aria-label={OVEN_FIELDS.remove(i + 1)} mb={4} onClick={() => stages(oven.stages.filter((_, n) => n !== i))}>
              <IconMinus size={20} />
            </ActionIcon>
          )}
        </Group>
      ))}
      {oven.coreC !== null && (
        <Group grow>
          <QuantityField
            kind="temperature"
            label={OVEN_FIELDS.coreFrom}
            disabled={frozen}
            value={oven.coreC[0]}
            range={CORE_C}
            onCommit={(low) => put({ ...oven, coreC: [low, Math.max(low, oven.coreC?.[1] ?? low)] })}
          />
          <QuantityField
            kind="temperature"
            label={OVEN_FIELDS.coreTo}
            disabled={frozen}
            value={oven.coreC[1]}
            range={CORE_C}
            onCommit={(high) => put({ ...oven, coreC: [Math.min(high, oven.coreC?.[0] ?? high), high] })}
          />
        </Group>
      )}
      {!frozen && (
        <Group gap="xs">
          {last !== undefined && oven.stages.length < MOST_STAGES && (
            <Button variant="default" size="sm" onClick={() => stages([...oven.stages, { ...last, minutes: 10, covered: false }])}>
              {OVEN_FIELDS.another}
            </Button>
          )}
          <Button variant="subtle" size="sm" onClick={() => put({ ...oven, coreC: oven.coreC === null ? USUAL_CORE : null })}>
            {oven.coreC === null ? OVEN_FIELDS.withCore : OVEN_FIELDS.withoutCore}
          </Button>
          {formula.oven !== undefined && (
            <Button variant="subtle" size="sm" onClick={() => edit((p) => ({ formula: { ...p.formula, oven: undefined } }))}>
              {OVEN_FIELDS.asUsual}
            </Button>
          )}
        </Group>
      )}
    </Stack>
  )
}
