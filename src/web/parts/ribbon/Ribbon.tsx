import { VisuallyHidden } from '@mantine/core'
import { useElementSize } from '@mantine/hooks'
import { useId, useMemo } from 'react'
import { nightsBetween } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { near } from '../words'
import { describeRibbon } from './describe'
import { type Hill, layRibbon } from './geometry'
import classes from './Ribbon.module.css'

/** The rise ribbon: hills on a ground line of real hours. It takes clock, marks and readings as props. */
export function Ribbon({ fromMs, toMs, nowMs, hills, height = 260 }: { fromMs: number; toMs: number; nowMs: number; hills: readonly Hill[]; height?: number }) {
  const { kitchen, format } = useKitchen()
  const { ref, width } = useElementSize()
  const title = useId()
  const geometry = useMemo(
    () => (width > 0 ? layRibbon({ fromMs, toMs, width, height, nowMs, timeZone: kitchen.timeZone }, hills) : null),
    [fromMs, toMs, width, height, nowMs, kitchen.timeZone, hills]
  )
  const nights = useMemo(() => nightsBetween(fromMs, toMs, kitchen.sleep, kitchen.timeZone), [fromMs, toMs, kitchen.sleep, kitchen.timeZone])
  const words = useMemo(() => describeRibbon(hills, nowMs, format), [hills, nowMs, format])
  return (
    <figure className={classes.ribbon} ref={ref} aria-labelledby={title} data-testid="ribbon">
      <VisuallyHidden component="figcaption" id={title}>
        Rise ribbon from {format.dayTime(fromMs)} to {format.dayTime(toMs)}. {words.join(' ')}
      </VisuallyHidden>
      {geometry !== null && (
        <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className={classes.svg}>
          {nights.map((night) => {
            const left = Math.max(geometry.x(night.fromMs), 0)
            const right = Math.min(geometry.x(night.toMs), width)
            return (
              <g key={night.fromMs}>
                <rect x={left} y={0} width={Math.max(right - left, 0)} height={height} className={classes.night} />
                {right - left > 70 && (
                  <text x={left + 10} y={46} className={classes.soft}>
                    asleep
                  </text>
                )}
              </g>
            )
          })}
          {geometry.days.map((day) => (
            <text key={day.ms} x={day.x} y={24} className={classes.day}>
              {format.weekday(day.ms)}
            </text>
          ))}
          {geometry.hills.map(({ hill, ridge, fill, band, window, marks, startX, mixX, groundY }) => (
            <g key={hill.id} data-family={hill.family} data-running={hill.running}>
              <path d={band} className={classes.band} />
              <path d={fill} className={classes.fill} />
              <path d={window} className={classes.window} />
              <path d={ridge} className={classes.ridge} />
              {groundY !== geometry.groundY && (
                <line x1={startX} x2={geometry.x(hill.points.at(-1)?.ms ?? 0)} y1={groundY} y2={groundY} className={classes.lane} />
              )}
              <circle cx={startX} cy={groundY} r={6} className={classes.dot} />
              {mixX !== null && (
                <g>
                  <line x1={mixX} x2={mixX} y1={groundY} y2={groundY - 14} className={classes.stem} />
                  <path d={`M${mixX} ${groundY - 7}l7 7l-7 7l-7 -7z`} className={classes.dot} />
                </g>
              )}
              {marks.map((mark) => (
                <circle key={mark.x} cx={mark.x} cy={mark.y} r={5.5} className={classes.mark} />
              ))}
            </g>
          ))}
          <line x1={0} x2={width} y1={geometry.groundY} y2={geometry.groundY} className={classes.ground} />
          {geometry.hills.map(({ hill, startX, mixX, groundY }) => (
            <g key={hill.id} className={classes.ends}>
              {groundY === geometry.groundY && <circle cx={startX} cy={groundY} r={6} className={classes.dot} />}
              {groundY === geometry.groundY && mixX !== null && <path d={`M${mixX} ${groundY - 7}l7 7l-7 7l-7 -7z`} className={classes.dot} />}
            </g>
          ))}
          {geometry.ticks.map((tick) => (
            <g key={tick.ms}>
              <line x1={tick.x} x2={tick.x} y1={geometry.groundY} y2={geometry.groundY + (tick.labelled ? 7 : 4)} className={classes.tick} />
              {tick.labelled && (
                <text x={tick.x} y={geometry.groundY + 26} textAnchor="middle" className={classes.hour}>
                  {format.choice.clock === '24 h' ? format.time(tick.ms).slice(0, 2) : format.time(tick.ms).replace(/:\d\d/, '')}
                </text>
              )}
            </g>
          ))}
          {geometry.nowX !== null && (
            <g>
              <line x1={geometry.nowX} x2={geometry.nowX} y1={8} y2={geometry.groundY + 12} className={classes.now} />
              <rect
                x={Math.min(Math.max(geometry.nowX - 34, 2), width - 70)}
                y={geometry.groundY + 9}
                width={68}
                height={26}
                rx={8}
                className={classes.badge}
              />
              <text x={Math.min(Math.max(geometry.nowX, 36), width - 36)} y={geometry.groundY + 27} textAnchor="middle" className={classes.badgeText}>
                {format.time(nowMs)}
              </text>
            </g>
          )}
          {geometry.labels.map((label) => {
            const hill = geometry.hills.find((h) => h.hill.id === label.id)?.hill
            if (hill?.window === undefined || hill.window === null) return null
            return (
              <g key={label.id}>
                <text x={label.x} y={label.y - 14} textAnchor="middle" className={classes.answer}>
                  {format.time(near(hill.window.fromMs))} – {format.time(near(hill.window.toMs))}
                </text>
                <text x={label.x} y={label.y + 4} textAnchor="middle" className={classes.soft}>
                  {hill.label}
                </text>
              </g>
            )
          })}
        </svg>
      )}
    </figure>
  )
}
