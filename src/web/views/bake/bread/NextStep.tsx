import { Group, Text } from '@mantine/core'
import { ovenOf, type Step } from '../../../../core'
import { fromNow, near, stepCaution, stepWord } from '../../../../words'
import { NEXT_STEP } from '../../../../words/screens/bread'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import large from '../../../parts/cards/Large.module.css'
import { MarkStep } from '../../../parts/steps/MarkStep'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'

/** What is to be done next, large, with its time and its caution. */
export function NextStep({ step }: { readonly step: Step }) {
  const { bake, now, plan } = useBakeHere()
  const { format } = useKitchen()
  const caution = stepCaution(step)
  const open = plan.course === null ? undefined : ovenOf(plan.formula, plan.course.bakeMinutes).stages.find((stage) => !stage.covered)
  return (
    <Card data-testid="next-step">
      <Text c="dimmed">{step.atMs <= now ? NEXT_STEP.now : fromNow(step.atMs, now, format)}</Text>
      <h2 className={large.item}>{stepWord(step, { cold: plan.course?.proof.kind === 'cold' })}</h2>
      <p className={large.huge}>{format.time(near(step.atMs))}</p>
      {step.kind === 'lid' && open !== undefined && <p className={sheet.advice}>{NEXT_STEP.downToNow(format.temperature(open.tempC))}</p>}
      {caution !== null && <Note tone="care">{caution}</Note>}
      <Group mt="md">
        <MarkStep bake={bake} step={step} now={now} size="xl" begins />
      </Group>
    </Card>
  )
}
