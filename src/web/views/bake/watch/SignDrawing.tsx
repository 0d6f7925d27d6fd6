import type { ReactNode } from 'react'
import type { SignKind } from '../../../../core'
import classes from './Watch.module.css'

/** A jar from the side whose contents end above in a line of some shape. */
const side = (level: string, more?: ReactNode) => (
  <>
    <path d={`${level}V36q0 4 -4 4H13q-4 0 -4 -4Z`} className={classes.paste} />
    {more}
    <path d="M8 4V36q0 5 5 5H43q5 0 5-5V4" className={classes.line} />
  </>
)
const dots = (places: readonly (readonly [x: number, y: number, r: number])[]) =>
  places.map(([x, y, r]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} className={classes.hole} />)
const above = (more?: ReactNode) => (
  <>
    <circle cx={28} cy={22} r={19} className={classes.paste} />
    {more}
    <circle cx={28} cy={22} r={19} className={classes.line} />
  </>
)
const lifted = (strands: string, blob: string) => (
  <>
    <path d={blob} className={classes.paste} />
    <path d={strands} className={classes.thread} />
    <path d="M16 10q12 9 24 0M40 10L52 3" className={classes.line} />
  </>
)
const water = (y: number) => (
  <>
    <path d="M9 12H47V36q0 4 -4 4H13q-4 0 -4 -4Z" className={classes.water} />
    <ellipse cx={28} cy={y} rx={10} ry={5} className={classes.paste} />
    <path d="M8 4V36q0 5 5 5H43q5 0 5-5V4" className={classes.line} />
  </>
)
const SIDE_FLAT = 'M9 18H47'

const DRAWINGS: Readonly<Record<SignKind, Readonly<Record<string, ReactNode>>>> = {
  top: {
    domed: side('M9 20Q28 4 47 20'),
    flat: side(SIDE_FLAT),
    dimpled: side('M9 17q4 6 9 0t10 1t10 0t9 -1'),
    sunken: side('M9 14Q14 26 28 26Q42 26 47 14')
  },
  surface: {
    smooth: above(),
    pitted: above(
      dots([
        [20, 15, 1.6],
        [34, 12, 1.6],
        [26, 24, 1.6],
        [37, 27, 1.6],
        [18, 30, 1.6]
      ])
    ),
    foamy: above(
      dots([
        [19, 13, 4],
        [30, 11, 5],
        [39, 19, 4],
        [17, 25, 5],
        [28, 23, 6],
        [38, 30, 4],
        [25, 34, 4]
      ])
    ),
    cracked: above(<path d="M14 18l8 3l4 8l9 -2l6 5M22 21l9 -9M26 29l-3 9" className={classes.line} />)
  },
  bubbles: {
    few: side(
      SIDE_FLAT,
      dots([
        [17, 30, 1.4],
        [38, 26, 1.4]
      ])
    ),
    many: side(
      SIDE_FLAT,
      dots([
        [14, 24, 2],
        [22, 32, 3],
        [27, 23, 2.4],
        [33, 34, 2],
        [36, 26, 3.4],
        [43, 32, 2],
        [16, 35, 1.6],
        [42, 22, 1.6]
      ])
    ),
    frothy: side(
      SIDE_FLAT,
      dots([
        [16, 24, 4.5],
        [26, 33, 5],
        [29, 22, 4],
        [39, 26, 5.5],
        [15, 35, 3],
        [38, 36, 3]
      ])
    )
  },
  webbing: {
    none: lifted('', 'M18 13q10 8 20 0v8q-10 8 -20 0Z'),
    strands: lifted('M21 16V34M28 18V38M35 16V33', 'M19 14q9 6 18 0v5q-9 5 -18 0ZM14 36h28v5H14Z'),
    web: lifted('M19 15q2 12 -2 22M24 17q-2 10 1 21M30 17q3 10 -1 21M36 15q-2 12 3 22M18 24h19M18 30h20', 'M14 37h28v4H14Z'),
    slack: lifted('M26 17q-2 8 0 12M30 17q2 7 0 10', 'M17 12q11 9 22 0q-8 8 -9 8q-3 3 -6 0ZM10 36q18 -4 36 0v5H10Z')
  },
  smell: {
    floury: <path d="M28 41V12M28 18q-8 -2 -9 -9q8 1 9 9q1 -8 9 -9q-1 7 -9 9M28 29q-8 -2 -9 -9q8 1 9 9q1 -8 9 -9q-1 7 -9 9" className={classes.line} />,
    'milky-sweet': <path d="M20 6h16v6l4 6V38q0 3 -3 3H19q-3 0 -3 -3V18l4 -6ZM16 26q12 5 24 0" className={classes.line} />,
    yeasty: (
      <>
        <path d="M14 16H36V38q0 3 -3 3H17q-3 0 -3 -3ZM36 20h4q4 0 4 5v4q0 5 -4 5h-4" className={classes.line} />
        {dots([
          [17, 13, 4],
          [25, 11, 5],
          [33, 13, 4]
        ])}
      </>
    ),
    tangy: <path d="M10 24a18 18 0 0 0 36 0ZM28 24V41M28 24L16 36M28 24L40 36" className={classes.line} />,
    vinegar: <path d="M24 4h8v10q8 4 8 12V38q0 3 -3 3H19q-3 0 -3 -3V26q0 -8 8 -12ZM16 28H40" className={classes.line} />,
    solvent: <path d="M23 20h10l6 18q0 3 -3 3H20q-3 0 -3 -3ZM25 20V5h6V20M10 8l6 4M46 8l-6 4M28 28v6" className={classes.line} />
  },
  smear: {
    yes: side('M9 26H47', <path d="M10 11q6 3 12 0t12 0t12 0M12 17v3M24 16v5M38 16v4" className={classes.thread} />),
    no: side('M9 26H47')
  },
  spoon: { floats: water(12), hangs: water(24), sinks: water(35) }
}

/** A small drawing of what is seen. */
export function SignDrawing({ kind, sign }: { readonly kind: SignKind; readonly sign: string }) {
  return (
    <svg viewBox="0 0 56 44" width={56} height={44} aria-hidden="true" className={classes.drawing}>
      {DRAWINGS[kind][sign]}
    </svg>
  )
}
