import { VisuallyHidden } from '@mantine/core'
import { useElementSize } from '@mantine/hooks'
import { memo, type PointerEvent, type SVGProps, useId, useMemo, useState } from 'react'
import { nightsBetween } from '../../../core'
import { near } from '../../../words'
import { RIBBON } from '../../../words/screens/parts-ribbon'
import { useKitchen } from '../../data/kitchen'
import { textScale } from '../textScale'
import { describeRibbon } from './describe'
import { Grips, type RibbonGrip } from './Grips'
import { type DrawnHill, type Hill, layFrame, layHills, levelAt, type PlacedLabel, type RibbonFrame } from './geometry'
import classes from './Ribbon.module.css'

/** Narrower than this the drawing tells nothing, however large its letters. */
const LEAST_WIDTH = 320

const NO_GRIPS: readonly RibbonGrip[] = []

/** The rise ribbon: hills on a ground line of real hours. It takes clock, marks and readings as props; with grips it can be taken hold of. */
export function Ribbon({
  fromMs,
  toMs,
  nowMs,
  hills,
  told = hills,
  height = 260,
  grips = NO_GRIPS
}: {
  fromMs: number
  toMs: number
  nowMs: number
  hills: readonly Hill[]
  /** What is told in words; while a hill is dragged, the one before. */
  told?: readonly Hill[]
  height?: number
  grips?: readonly RibbonGrip[]
}) {
  const { kitchen } = useKitchen()
  const { ref, width: wide } = useElementSize()
  // The drawing grows with the letters of the page, as a whole: its own units are those of usual letters.
  const [wanted] = useState(textScale)
  const scale = Math.max(Math.min(wanted, wide / LEAST_WIDTH), 1)
  const width = wide / scale
  const title = useId()
  const frame = useMemo(
    () => (width > 0 ? layFrame({ fromMs, toMs, width, height, nowMs, timeZone: kitchen.timeZone }) : null),
    [fromMs, toMs, width, height, nowMs, kitchen.timeZone]
  )
  const drawn = useMemo(() => (frame === null ? null : layHills(frame, hills)), [frame, hills])
  const [readMs, setReadMs] = useState<number | null>(null)
  const read = (event: PointerEvent<SVGSVGElement>) => {
    if (frame !== null && event.buttons === 0) setReadMs(frame.msAt((event.clientX - event.currentTarget.getBoundingClientRect().left) / scale))
  }
  return (
    // It takes its room before its width is known: what stands below does not move away under a finger.
    <figure className={classes.ribbon} ref={ref} aria-labelledby={title} data-testid="ribbon" style={{ minHeight: height * (wide === 0 ? wanted : scale) }}>
      <Words id={title} fromMs={fromMs} toMs={toMs} nowMs={nowMs} hills={told} />
      {frame !== null && drawn !== null && (
        <>
          <Sheet frame={frame} scale={scale} className={classes.svg}>
            <Sky frame={frame} />
          </Sheet>
          <Sheet frame={frame} scale={scale} className={classes.moving}>
            {drawn.hills.map((hill) => (
              <HillShape key={hill.hill.id} drawn={hill} frame={frame} />
            ))}
            {drawn.labels.map((label) => (
              <WindowLabel key={label.id} label={label} hill={drawn.hills.find((h) => h.hill.id === label.id)?.hill} />
            ))}
          </Sheet>
          <Sheet frame={frame} scale={scale} className={classes.layer} onPointerMove={read} onPointerLeave={() => setReadMs(null)}>
            <Ground frame={frame} />
            {drawn.hills.map(({ hill, startX, mixX, groundY }) =>
              groundY === frame.groundY ? <Ends key={hill.id} startX={startX} mixX={mixX} groundY={groundY} /> : null
            )}
            <Now frame={frame} />
            {readMs !== null && <Reading ms={readMs} frame={frame} hills={drawn.hills} />}
          </Sheet>
        </>
      )}
      {frame !== null && drawn !== null && grips.length > 0 && <Grips grips={grips} frame={frame} hill={drawn.hills[0]} scale={scale} />}
    </figure>
  )
}

/** A sheet of the drawing: those that stand still lie apart from what is dragged. */
function Sheet({ frame: { strip }, scale, ...rest }: { frame: RibbonFrame; scale: number } & SVGProps<SVGSVGElement>) {
  return <svg width={strip.width * scale} height={strip.height * scale} viewBox={`0 0 ${strip.width} ${strip.height}`} aria-hidden="true" {...rest} />
}

/** Where a hill on the ground begins, and where it is mixed. */
function Ends({ startX, mixX, groundY }: { startX: number; mixX: number | null; groundY: number }) {
  return (
    <g>
      <circle cx={startX} cy={groundY} r={6} className={classes.dot} />
      {mixX !== null && <path d={`M${mixX} ${groundY - 7}l7 7l-7 7l-7 -7z`} className={classes.dot} />}
    </g>
  )
}

/** The ribbon in words; not worked out again while nothing has changed. */
const Words = memo(function Words({ id, fromMs, toMs, nowMs, hills }: { id: string; fromMs: number; toMs: number; nowMs: number; hills: readonly Hill[] }) {
  const { format } = useKitchen()
  return (
    <VisuallyHidden component="figcaption" id={id}>
      {RIBBON.riseRibbonFromTo(format.dayTime(fromMs), format.dayTime(toMs), describeRibbon(hills, nowMs, format).join(' '))}
    </VisuallyHidden>
  )
})

/** Nights and the names of days. */
const Sky = memo(function Sky({ frame }: { frame: RibbonFrame }) {
  const { kitchen, format } = useKitchen()
  const { fromMs, toMs, width, height } = frame.strip
  return (
    <g>
      {nightsBetween(fromMs, toMs, kitchen.sleep, kitchen.timeZone).map((night) => {
        const left = Math.max(frame.x(night.fromMs), 0)
        const right = Math.min(frame.x(night.toMs), width)
        return (
          <g key={night.fromMs}>
            <rect x={left} y={0} width={Math.max(right - left, 0)} height={height} className={classes.night} />
            {right - left > 70 && (
              <text x={left + 10} y={46} className={classes.soft}>
                {RIBBON.asleep}
              </text>
            )}
          </g>
        )
      })}
      {frame.days.map((day) => (
        <text key={day.ms} x={day.x} y={24} className={classes.day}>
          {format.weekday(day.ms)}
        </text>
      ))}
    </g>
  )
})

/** One hill with its doubt, window, looks and moves. */
const HillShape = memo(function HillShape({ drawn, frame }: { drawn: DrawnHill; frame: RibbonFrame }) {
  const { hill, ridge, was, fill, band, window, marks, startX, mixX, groundY } = drawn
  return (
    <g data-family={hill.family} data-running={hill.running} data-letter={hill.letter}>
      <path d={band} className={classes.band} />
      <path d={fill} className={classes.fill} />
      <path d={window} className={classes.window} />
      {was !== '' && <path d={was} className={classes.was} />}
      <path d={ridge} className={classes.ridge} />
      {hill.moves?.map((ms) => (
        <line key={ms} x1={frame.x(ms)} x2={frame.x(ms)} y1={groundY} y2={drawn.y(levelAt(hill.points, ms))} className={classes.move} />
      ))}
      <Day drawn={drawn} frame={frame} />
      {groundY !== frame.groundY && <line x1={startX} x2={frame.x(hill.points.at(-1)?.ms ?? 0)} y1={groundY} y2={groundY} className={classes.lane} />}
      {groundY !== frame.groundY && <circle cx={startX} cy={groundY} r={6} className={classes.dot} />}
      {mixX !== null && <line x1={mixX} x2={mixX} y1={groundY} y2={groundY - 14} className={classes.stem} />}
      {mixX !== null && groundY !== frame.groundY && <path d={`M${mixX} ${groundY - 7}l7 7l-7 7l-7 -7z`} className={classes.dot} />}
      {hill.letter !== undefined && <Letter drawn={drawn} letter={hill.letter} frame={frame} />}
      {marks.map((mark) => (
        <circle key={mark.x} cx={mark.x} cy={mark.y} r={5.5} className={classes.mark} />
      ))}
    </g>
  )
})

/** Words of a dough's stages, with the room they want. */
const STAGE_WORDS = { bulk: ['bulk', 40], proof: ['proof', 46], cold: ['cold proof', 84], oven: ['oven', 44] } as const
const STAGE_PX = 20

/** What the dough goes through, lying on the ground after its levain. */
function Day({ drawn: { day, groundY }, frame }: { drawn: DrawnHill; frame: RibbonFrame }) {
  return day.map(({ kind, left, width }) => {
    const [word, room] = STAGE_WORDS[kind]
    const from = Math.max(left, 0)
    const to = Math.min(left + width, frame.strip.width)
    return to <= from ? null : (
      <g key={kind} data-stage={kind}>
        <rect x={left} y={groundY - STAGE_PX} width={width} height={STAGE_PX} className={classes.stage} />
        {to - from > room && (
          <text x={(from + to) / 2} y={groundY - 5} textAnchor="middle" className={classes.stageWord}>
            {word}
          </text>
        )}
      </g>
    )
  })
}

/** The letter of an overlaid hill, at its top. */
function Letter({ drawn: { hill, y }, letter, frame }: { drawn: DrawnHill; letter: string; frame: RibbonFrame }) {
  const top = hill.points.reduce((best, p) => (p.gas > best.gas ? p : best), hill.points[0] ?? { ms: 0, gas: 0 })
  return (
    <g>
      <circle cx={frame.x(top.ms)} cy={y(top.gas) - 20} r={14} className={classes.letterRing} />
      <text x={frame.x(top.ms)} y={y(top.gas) - 14} textAnchor="middle" className={classes.letter}>
        {letter}
      </text>
    </g>
  )
}

/** The ground with its hours. */
const Ground = memo(function Ground({ frame }: { frame: RibbonFrame }) {
  const { format } = useKitchen()
  return (
    <g>
      <line x1={0} x2={frame.strip.width} y1={frame.groundY} y2={frame.groundY} className={classes.ground} />
      {frame.ticks.map((tick) => (
        <g key={tick.ms}>
          <line x1={tick.x} x2={tick.x} y1={frame.groundY} y2={frame.groundY + (tick.labelled ? 7 : 4)} className={classes.tick} />
          {tick.labelled && (
            <text x={tick.x} y={frame.groundY + 26} textAnchor="middle" className={classes.hour}>
              {format.choice.clock === '24 h' ? format.time(tick.ms).slice(0, 2) : format.time(tick.ms).replace(/:\d\d/, '')}
            </text>
          )}
        </g>
      ))}
    </g>
  )
})

/** The present. */
const Now = memo(function Now({ frame: { nowX, groundY, strip } }: { frame: RibbonFrame }) {
  const { format } = useKitchen()
  if (nowX === null) return null
  return (
    <g>
      <line x1={nowX} x2={nowX} y1={8} y2={groundY + 12} className={classes.now} />
      <rect x={Math.min(Math.max(nowX - 34, 2), strip.width - 70)} y={groundY + 9} width={68} height={26} rx={8} className={classes.badge} />
      <text x={Math.min(Math.max(nowX, 36), strip.width - 36)} y={groundY + 27} textAnchor="middle" className={classes.badgeText}>
        {format.time(strip.nowMs)}
      </text>
    </g>
  )
})

function WindowLabel({ label, hill }: { label: PlacedLabel; hill: Hill | undefined }) {
  const { format } = useKitchen()
  if (hill === undefined || hill.window === null) return null
  return (
    <g>
      <text x={label.x} y={label.y - 14} textAnchor="middle" className={classes.answer}>
        {format.time(near(hill.window.fromMs))} – {format.time(near(hill.window.toMs))}
      </text>
      <text x={label.x} y={label.y + 4} textAnchor="middle" className={classes.soft}>
        {hill.label}
      </text>
    </g>
  )
}

const READING_HALF_PX = 110

/** What the hill under the pointer says of that moment: time, level, and how likely it is ready to mix. */
function Reading({ ms, frame, hills }: { ms: number; frame: RibbonFrame; hills: readonly DrawnHill[] }) {
  const { format } = useKitchen()
  const under = hills.find(({ hill }) => ms >= (hill.points[0]?.ms ?? 0) && ms <= (hill.points.at(-1)?.ms ?? 0))
  if (under === undefined) return null
  const { hill, y } = under
  const gas = levelAt(hill.points, ms)
  const share = shareAt(hill.fit, ms)
  const x = frame.x(ms)
  return (
    <g className={classes.reading}>
      <line x1={x} x2={x} y1={y(gas)} y2={under.groundY} className={classes.readLine} />
      <circle cx={x} cy={y(gas)} r={4} className={classes.readDot} />
      <text
        x={Math.min(Math.max(x, READING_HALF_PX), frame.strip.width - READING_HALF_PX)}
        y={frame.groundY - 8}
        textAnchor="middle"
        className={classes.readText}
      >
        {format.time(ms)} · {format.rise(1 + gas)}
        {share !== null && RIBBON.ready(format.percent(share, 0))}
      </text>
    </g>
  )
}

function shareAt(fit: Hill['fit'], ms: number): number | null {
  if (fit === undefined || fit.length === 0) return null
  const i = fit.findIndex((f) => f.ms >= ms)
  return fit[i === -1 ? fit.length - 1 : i]?.share ?? null
}
