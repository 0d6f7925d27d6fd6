import type { Vessel } from '../../../contract'
import type { Family } from './family'
import classes from './VesselDrawing.module.css'

/** A vessel drawn to scale, so that several can be told from each other; with what stands in it, where that is known. */
export function VesselDrawing({
  vessel,
  pxPerMm,
  bandMm,
  peakMm,
  family = 'wheat'
}: {
  readonly vessel: Pick<Vessel, 'innerDiameterMm' | 'heightMm'>
  readonly pxPerMm: number
  /** Level after the feed, and expected peak, mm from the floor. */
  readonly bandMm?: number
  readonly peakMm?: number
  readonly family?: Family
}) {
  const wall = 3
  const width = vessel.innerDiameterMm * pxPerMm
  const height = vessel.heightMm * pxPerMm
  const [left, floor] = [wall, height + wall]
  const level = (mm: number) => floor - Math.min(mm * pxPerMm, height + wall)
  const corner = Math.min(10, width / 6)
  const over = peakMm !== undefined && peakMm > vessel.heightMm
  return (
    <svg width={width + 2 * wall} height={height + 2 * wall} className={classes.vessel} data-family={family} aria-hidden="true">
      {peakMm !== undefined && (
        <rect x={left} y={level(peakMm)} width={width} height={floor - level(peakMm)} rx={corner / 2} className={classes.rise} data-over={over} />
      )}
      {bandMm !== undefined && <rect x={left} y={level(bandMm)} width={width} height={floor - level(bandMm)} rx={corner / 2} className={classes.contents} />}
      <path
        d={`M${left} ${wall}V${floor - corner}q0 ${corner} ${corner} ${corner}H${left + width - corner}q${corner} 0 ${corner} -${corner}V${wall}`}
        className={classes.wall}
      />
      {bandMm !== undefined && <line x1={left} x2={left + width} y1={level(bandMm)} y2={level(bandMm)} className={classes.band} />}
    </svg>
  )
}
