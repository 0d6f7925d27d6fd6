import { useElementSize } from '@mantine/hooks'
import { millisecondsInHour } from 'date-fns/constants'
import { type DayPlan, isCold, nightsBetween, type TimedPlanStage } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import classes from './DayStrip.module.css'

const HEIGHT = 46
const BASE = 36
const PEAK = 6

/** A plan's day in one line: hills of its feeds and builds, then bulk, proof and oven, nights behind. */
export function DayStrip({ plan, fromMs, toMs }: { readonly plan: DayPlan; readonly fromMs: number; readonly toMs: number }) {
  const { kitchen } = useKitchen()
  const { ref, width } = useElementSize()
  const span = toMs - fromMs + 2 * millisecondsInHour
  const x = (ms: number) => ((ms - fromMs + millisecondsInHour) / span) * width
  const { times, course } = plan
  return (
    <div ref={ref} className={classes.strip}>
      {width > 0 && (
        <svg width={width} height={HEIGHT} aria-hidden="true">
          {nightsBetween(fromMs - millisecondsInHour, toMs + millisecondsInHour, kitchen.sleep, kitchen.timeZone).map((night) => (
            <rect key={night.fromMs} x={x(night.fromMs)} y={0} width={Math.max(x(night.toMs) - x(night.fromMs), 0)} height={HEIGHT} className={classes.night} />
          ))}
          {plan.stages.map((stage, i) => (
            <path key={stage.startMs} d={hillOf(stage, plan.stages[i + 1]?.startMs ?? plan.mixMs, x)} className={classes.hill} />
          ))}
          <rect x={x(times.mixMs)} y={BASE - 10} width={x(times.shapeMs) - x(times.mixMs)} height={10} className={classes.bulk} />
          {times.moveMs.map((ms, i) =>
            isCold(course.moves?.[i]?.tempC ?? course.coldC) ? (
              <rect key={ms} x={x(ms)} y={BASE - 10} width={x(times.moveMs[i + 1] ?? times.shapeMs) - x(ms)} height={10} className={classes.cold} />
            ) : (
              <line key={ms} x1={x(ms)} x2={x(ms)} y1={BASE - 14} y2={BASE} className={classes.ground} />
            )
          )}
          <rect
            x={x(times.proofMs)}
            y={BASE - 10}
            width={x(times.bakeMs) - x(times.proofMs)}
            height={10}
            className={course.proof.kind === 'cold' ? classes.cold : classes.proof}
          />
          <rect x={x(times.bakeMs)} y={BASE - 10} width={Math.max(x(times.outMs) - x(times.bakeMs), 3)} height={10} className={classes.oven} />
          <line x1={0} x2={width} y1={BASE} y2={BASE} className={classes.ground} />
        </svg>
      )}
    </div>
  )
}

/** A hill from its start over the fit moment to its use. */
function hillOf({ startMs, window }: TimedPlanStage, usedMs: number, x: (ms: number) => number): string {
  const peak = x(startMs + window.fit * millisecondsInHour)
  const [left, right] = [x(startMs), Math.max(x(usedMs), peak + 1)]
  const middle = (left + peak) / 2
  const fall = PEAK + (right > peak + 2 ? 4 : 0)
  return `M${left} ${BASE}C${middle} ${BASE} ${middle} ${PEAK} ${peak} ${PEAK}L${right} ${fall}L${right} ${BASE}Z`
}
