import { ActionIcon, Button, Text } from '@mantine/core'
import { IconPlus, IconTrash } from '@tabler/icons-react'
import { OWN_STEP, type OwnStep } from '../../../core'
import { OWN_STEPS } from '../../../words/screens/programs'
import { QuantityField } from '../../parts/fields/QuantityField'
import classes from './programs.module.css'

/** A program of so many steps is enough for anybody. */
const MOST_STEPS = 30

/** Steps of a baker's own: after how long, what is kept, what goes in, how warm. */
export function OwnSteps({ steps, onSteps }: { readonly steps: readonly OwnStep[]; readonly onSteps: (steps: readonly OwnStep[]) => void }) {
  const edit = (at: number, patch: Partial<OwnStep>) => onSteps(steps.map((step, i) => (i === at ? { ...step, ...patch } : step)))
  return (
    <div>
      <ol className={classes.ownSteps} aria-label={OWN_STEPS.steps}>
        {steps.map((step, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a step has no more of its own than its place
          <li key={i} aria-label={OWN_STEPS.step(i + 1)}>
            <QuantityField
              kind="count"
              label={OWN_STEPS.after}
              value={step.afterHours}
              range={[0, 24 * 30]}
              onCommit={(afterHours) => edit(i, { afterHours })}
            />
            <QuantityField
              kind="mass"
              label={OWN_STEPS.keep}
              placeholder={OWN_STEPS.all}
              value={step.keepGrams}
              range={[1, 20_000]}
              onCommit={(keepGrams) => edit(i, { keepGrams })}
              onClear={() => edit(i, { keepGrams: null })}
            />
            <QuantityField kind="mass" label={OWN_STEPS.flour} value={step.flourGrams} range={[0, 20_000]} onCommit={(flourGrams) => edit(i, { flourGrams })} />
            <QuantityField kind="mass" label={OWN_STEPS.water} value={step.waterGrams} range={[0, 20_000]} onCommit={(waterGrams) => edit(i, { waterGrams })} />
            <QuantityField
              kind="temperature"
              label={OWN_STEPS.mixTemp}
              placeholder={OWN_STEPS.asPlace}
              value={step.mixTempC}
              range={[0, 45]}
              onCommit={(mixTempC) => edit(i, { mixTempC })}
              onClear={() => edit(i, { mixTempC: null })}
            />
            <ActionIcon variant="subtle" size="xl" aria-label={OWN_STEPS.remove(i + 1)} onClick={() => onSteps(steps.filter((_, at) => at !== i))}>
              <IconTrash size={20} />
            </ActionIcon>
          </li>
        ))}
      </ol>
      <Button
        variant="light"
        leftSection={<IconPlus size={18} />}
        disabled={steps.length >= MOST_STEPS}
        onClick={() => onSteps([...steps, { ...(steps.at(-1) ?? OWN_STEP), afterHours: OWN_STEP.afterHours }])}
      >
        {OWN_STEPS.add}
      </Button>
      <Text c="dimmed" mt="xs">
        {OWN_STEPS.help}
      </Text>
    </div>
  )
}
