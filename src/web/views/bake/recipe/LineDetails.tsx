import { Button, Group } from '@mantine/core'
import { type ExplainStep, explainLine, type Format, type Formula, type FormulaLine, POSSIBLE, type SolvedDough, USUAL_AHEAD_HOURS } from '../../../../core'
import { LINE_DETAILS } from '../../../../words/screens/recipe'
import { useKitchen } from '../../../data/kitchen'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from './LineDetails.module.css'
import { MixEditor } from './MixEditor'

/** What an unfolded line shows: how its grams came about, what a pre-ferment is made of, and what can be done with it. */
export function LineDetails({
  line,
  formula,
  solved,
  index,
  frozen,
  onLine,
  onMove,
  onRemove,
  onReplace,
  onScale
}: {
  readonly line: FormulaLine
  readonly formula: Formula
  readonly solved: SolvedDough | null
  readonly index: number
  readonly frozen: boolean
  readonly onLine: (line: FormulaLine) => void
  readonly onMove: (to: number) => void
  readonly onRemove: (() => void) | null
  readonly onReplace: (() => void) | null
  readonly onScale: (() => void) | null
}) {
  const { format } = useKitchen()
  const at = solved?.lines.find((l) => l.id === line.id)
  const steps = solved === null ? [] : explainLine(formula, solved, line.id)
  return (
    <>
      {at !== undefined && steps.length > 0 && (
        <dl className={classes.steps}>
          {steps.map((step) => (
            <div key={stepWords(step, format)}>
              <dt>{format.mass(step.grams, Math.abs(step.grams) < 10 ? 0.1 : 1)}</dt>
              <dd>{stepWords(step, format)}</dd>
            </div>
          ))}
          <div className={classes.sum}>
            <dt>{format.mass(at.grams, at.grams < 10 ? 0.1 : 1)}</dt>
            <dd>{LINE_DETAILS.toWeighAtMix}</dd>
          </div>
        </dl>
      )}
      {line.kind === 'pre-ferment' && <MixEditor mix={line.mix} parts={at?.parts ?? []} frozen={frozen} onMix={(mix) => onLine({ ...line, mix })} />}
      {line.kind === 'pre-ferment' && (
        <QuantityField
          kind="hours"
          mt="sm"
          maw={240}
          label={LINE_DETAILS.standsBeforeMix}
          placeholder={`${USUAL_AHEAD_HOURS[line.style]}`}
          disabled={frozen}
          value={line.hours ?? null}
          range={POSSIBLE.aheadHours}
          onCommit={(hours) => onLine({ ...line, hours })}
          onClear={() => onLine({ ...line, hours: undefined })}
        />
      )}
      {!frozen && (
        <Group gap="xs" mt="sm">
          {line.estimate !== undefined && (
            <Button size="compact-md" onClick={() => onLine({ ...line, estimate: undefined })}>
              {LINE_DETAILS.weighedNow}
            </Button>
          )}
          {onScale !== null && (
            <Button size="compact-md" variant="default" onClick={onScale}>
              {LINE_DETAILS.scaleAllToThis}
            </Button>
          )}
          {onReplace !== null && (
            <Button size="compact-md" variant="default" onClick={onReplace}>
              {LINE_DETAILS.anotherInstead}
            </Button>
          )}
          <Button size="compact-md" variant="default" disabled={index === 0} onClick={() => onMove(index - 1)}>
            {LINE_DETAILS.up}
          </Button>
          <Button size="compact-md" variant="default" disabled={index === formula.lines.length - 1} onClick={() => onMove(index + 1)}>
            {LINE_DETAILS.down}
          </Button>
          {onRemove !== null && (
            <Button size="compact-md" variant="default" onClick={onRemove}>
              {LINE_DETAILS.takeOut}
            </Button>
          )}
        </Group>
      )}
    </>
  )
}

const OF: Readonly<Record<Extract<ExplainStep, { kind: 'share of' }>['of'], string>> = {
  'base flour': LINE_DETAILS.thatCountsAs,
  'all flour': LINE_DETAILS.flourInAll,
  'flour lines': LINE_DETAILS.flourToBeAdded
}

function stepWords(step: ExplainStep, format: Format): string {
  if (step.kind === 'share of') return LINE_DETAILS.ofThe(format.percent(step.share, 2), format.mass(step.ofGrams), OF[step.of])
  if (step.kind === 'goes ahead') return LINE_DETAILS.goesIntoPreFerments
  return step.grams < 0 ? LINE_DETAILS.comesWithAlready(step.name.toLowerCase()) : step.name
}
