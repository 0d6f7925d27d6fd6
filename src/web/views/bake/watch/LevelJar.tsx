import { useMove } from '@mantine/hooks'
import { POSSIBLE } from '../../../../core'
import { LEVEL_JAR } from '../../../../words/screens/watch'
import type { Family } from '../../../parts/jar/family'
import { JarDrawing, riseAtShare, type Top } from '../../../parts/jar/JarDrawing'
import classes from './Watch.module.css'

const STEP = 0.1
const inRange = (rise: number) => Math.min(Math.max(Math.round(rise * 10) / 10, POSSIBLE.rise[0]), POSSIBLE.rise[1])

/** A drawn jar whose level is taken by hand and put where it is seen; arrow keys do the same. */
export function LevelJar({
  rise,
  top,
  family,
  height,
  onRise
}: {
  readonly rise: number
  readonly top: Top
  readonly family: Family
  readonly height: number
  readonly onRise: (rise: number) => void
}) {
  const { ref } = useMove(({ y }) => onRise(inRange(riseAtShare(y))))
  return (
    <div
      ref={ref}
      className={classes.level}
      role="slider"
      tabIndex={0}
      aria-label={LEVEL_JAR.levelInJar}
      aria-orientation="vertical"
      aria-valuemin={POSSIBLE.rise[0]}
      aria-valuemax={POSSIBLE.rise[1]}
      aria-valuenow={rise}
      aria-valuetext={LEVEL_JAR.markedLevel(rise.toFixed(1))}
      onKeyDown={(event) => {
        const by = { ArrowUp: STEP, ArrowDown: -STEP, PageUp: 5 * STEP, PageDown: -5 * STEP }[event.key]
        if (by === undefined) return
        event.preventDefault()
        event.stopPropagation()
        onRise(inRange(rise + by))
      }}
    >
      <JarDrawing rise={rise} top={top} family={family} height={height} scale />
    </div>
  )
}
