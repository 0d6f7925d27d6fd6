import type { Family } from './family'
import classes from './JarDrawing.module.css'

/** Shape of the top, as it is named at the Watch. */
export type Top = 'domed' | 'flat' | 'dimpled' | 'sunken'

const WIDTH = 120
const HEIGHT = 190
const FLOOR = 178
const SHOULDER = 34
const LEFT = 14
const RIGHT = WIDTH - 14
/** Height of the contents at the band, px: three times fits below the shoulder. */
const BAND_PX = 46

/** Bubbles at fixed places, so that a jar looks the same at every look: x and y as shares of the contents, radius. */
const BUBBLES = [
  [0.14, 0.22, 3.2],
  [0.3, 0.62, 4.4],
  [0.22, 0.84, 2.6],
  [0.44, 0.34, 3],
  [0.52, 0.78, 5],
  [0.62, 0.18, 2.4],
  [0.68, 0.52, 3.8],
  [0.8, 0.82, 3.4],
  [0.86, 0.36, 4.6],
  [0.38, 0.12, 2],
  [0.74, 0.68, 2.2],
  [0.1, 0.52, 2.8]
] as const

/** The rise at a height of the drawing. @param share from its upper edge, 0 … 1 */
export const riseAtShare = (share: number) => (FLOOR - share * HEIGHT) / BAND_PX

/**
 * A jar with its band and level.
 * @param rise height ÷ height at the band; null: not mixed yet
 */
export function JarDrawing({
  rise,
  top = 'flat',
  family,
  height = 120,
  scale = false
}: {
  rise: number | null
  top?: Top
  family: Family
  height?: number
  scale?: boolean
}) {
  const level = FLOOR - Math.min((rise ?? 1) * BAND_PX, FLOOR - SHOULDER + 6)
  const arch = top === 'domed' ? -9 : top === 'sunken' ? 13 : top === 'dimpled' ? 4 : 0
  const wobble = top === 'dimpled' ? `q13 7 26 0t26 0t20 0` : `Q${WIDTH / 2} ${level + arch * 2} ${RIGHT - 4} ${level}`
  const band = FLOOR - BAND_PX
  const shown = rise === null ? 0 : Math.min(BUBBLES.length, Math.round((rise - 1) * 9))
  return (
    <svg viewBox={`0 0 ${WIDTH + (scale ? 34 : 0)} ${HEIGHT}`} height={height} className={classes.jar} data-family={family} aria-hidden="true">
      <path d={`M${LEFT + 4} ${level}${wobble}L${RIGHT - 4} ${FLOOR - 12}q0 10 -10 10H${LEFT + 14}q-10 0 -10 -10Z`} className={classes.contents} />
      {BUBBLES.slice(0, shown).map(([bx, by, r]) => (
        <circle
          key={`${bx}-${by}`}
          cx={LEFT + 8 + bx * (RIGHT - LEFT - 16)}
          cy={level + 8 + Math.max(arch, 0) + by * (FLOOR - level - 16 - Math.max(arch, 0))}
          r={r}
          className={classes.bubble}
        />
      ))}
      <path
        d={`M${LEFT + 10} 12H${RIGHT - 10}M${LEFT + 12} 12V20q0 6 -6 9q-6 3 -6 11V${FLOOR - 10}q0 14 14 14H${RIGHT - 14}q14 0 14 -14V40q0 -8 -6 -11q-6 -3 -6 -9V12`}
        className={classes.glass}
      />
      <path d={`M${LEFT + 9} 48V${FLOOR - 40}`} className={classes.shine} />
      {rise !== null && <rect x={LEFT - 4} y={band - 3} width={RIGHT - LEFT + 8} height={6} rx={3} className={classes.band} />}
      {scale &&
        [1, 2, 3].map((x) => (
          <g key={x}>
            <line x1={RIGHT + 6} x2={RIGHT + 12} y1={FLOOR - x * BAND_PX} y2={FLOOR - x * BAND_PX} className={classes.tick} />
            <text x={RIGHT + 15} y={FLOOR - x * BAND_PX + 5} className={classes.label}>
              ×{x}
            </text>
          </g>
        ))}
    </svg>
  )
}
