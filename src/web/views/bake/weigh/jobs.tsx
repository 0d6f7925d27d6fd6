import { SegmentedControl } from '@mantine/core'
import { awaitsPot } from '../../../../answers'
import { pieceCount, REFILL, type RepairInto } from '../../../../core'
import { stepWord } from '../../../../words'
import { JOBS } from '../../../../words/screens/weigh'
import type { BakeHere } from '../bakeHere'
import classes from './Weigh.module.css'

/** What is weighed at the bench: the levain, what ferments ahead, the dough, its pieces. */
export type Job = {
  readonly id: string
  readonly name: string
  readonly into: 'wake' | 'refill' | 'first build' | 'levain' | 'pre-ferment' | 'dough' | 'pieces'
  readonly lineId?: string
}

/** What there is to weigh as the bake stands. */
export function jobsOf({ plan, state, jar }: BakeHere): Job[] {
  const ahead =
    state.mixed === null
      ? plan.formula.lines.flatMap((l): Job[] => (l.kind === 'pre-ferment' ? [{ id: l.id, name: l.mix.name, into: 'pre-ferment', lineId: l.id }] : []))
      : []
  const before =
    state.status === 'planned'
      ? plan.before.flatMap(({ id, kind }): Job[] => (state.deeds.has(id) ? [] : [{ id, name: stepWord({ kind, id }), into: kind }]))
      : []
  const asItIs = plan.build.source === 'as it is'
  return [
    ...before,
    // Starter that is used as it is is in the bowl once it is weighed.
    ...((asItIs && state.band !== null) || awaitsPot(plan) ? [] : [{ id: 'levain', name: asItIs ? JOBS.starter : JOBS.levain, into: 'levain' } as const]),
    // The jar is refilled once starter was drawn from it.
    ...(plan.build.source === 'draw and top up' && state.poured.seed > 0 && !state.deeds.has(REFILL)
      ? [{ id: REFILL, name: JOBS.refill(jar?.name ?? ''), into: 'refill' } as const]
      : []),
    ...ahead,
    ...(state.band !== null && state.mixed === null ? [{ id: 'dough', name: JOBS.dough, into: 'dough' } as const] : []),
    ...(state.mixed !== null && pieceCount(plan.target) !== null ? [{ id: 'pieces', name: JOBS.pieces, into: 'pieces' } as const] : [])
  ]
}

/** What a job's temperatures and ways on are noted of; null: it has none. */
export const mixOf = ({ into, lineId }: Job): { readonly into: RepairInto; readonly lineId?: string } | null =>
  into === 'wake' || into === 'refill' || into === 'pieces' ? null : { into, ...(lineId === undefined ? {} : { lineId }) }

/** Which of several things is weighed. */
export function Jobs({ jobs, job, onJob }: { readonly jobs: readonly Job[]; readonly job: Job; readonly onJob: (id: string) => void }) {
  if (jobs.length < 2) return null
  return (
    <div className={classes.jobs}>
      <SegmentedControl
        size="md"
        data={jobs.map(({ id, name }) => ({ value: id, label: name }))}
        value={job.id}
        onChange={onJob}
        aria-label={JOBS.whatWeighed}
      />
    </div>
  )
}
