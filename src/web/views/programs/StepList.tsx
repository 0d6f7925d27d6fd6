import { comingSteps, foldProgram, type Program } from '../../../core'
import { deedWords, whenWords } from '../../../words'
import { STEP_LIST } from '../../../words/screens/programs'
import { useKitchen } from '../../data/kitchen'
import rows from '../../parts/cards/Rows.module.css'
import classes from './programs.module.css'
import { useAwake } from './useAwake'

/** The steps of a program that begins now, with their times if all goes well. */
export function StepList({ program, from }: { program: Program; from: number }) {
  const awake = useAwake()
  return (
    <ol className={rows.rows}>
      <ComingSteps program={program} state={foldProgram(program, from, [], awake)} now={from} />
    </ol>
  )
}

/** Steps that are still to come, as rows of a list. */
export function ComingSteps({ program, state, now }: { program: Program; state: ReturnType<typeof foldProgram>; now: number }) {
  const { format, pantry } = useKitchen()
  const awake = useAwake()
  return comingSteps(program, state, awake).map(({ step, atMs }, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: steps never change their order
    <li key={i}>
      <b>{atMs <= now ? STEP_LIST.now : whenWords(atMs, now, format)}</b>
      <span>
        {step.title}
        <span className={classes.deed}>{deedWords(step.deed, pantry, format)}</span>
      </span>
    </li>
  ))
}
