import { CategoryScale, Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import type { JarBuild } from '../../../contract'
import type { PastBuild } from '../../../core'
import { PAST_CHART } from '../../../words/screens/pace'
import { useKitchen } from '../../data/kitchen'
import { textScale } from '../../parts/textScale'
import classes from './PaceRoom.module.css'

Chart.register(CategoryScale, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip)

/** Forecast with its range and what came, build by build. The table beside it says the same in words. */
export function PastChart({ past, builds }: { readonly past: readonly PastBuild[]; readonly builds: readonly JarBuild[] }) {
  const { format } = useKitchen()
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (canvas.current === null) return
    const style = getComputedStyle(canvas.current)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const ink = colour('--ol-ink')
    Chart.defaults.font.family = colour('--ol-sans')
    Chart.defaults.font.size = 14 * textScale()
    const line = (values: readonly number[], more: object) => ({
      data: values.map((v) => (Number.isFinite(v) ? v : null)),
      pointRadius: 0,
      borderWidth: 1.5,
      ...more
    })
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        labels: past.map(({ index }) => format.date(builds[index]?.line.startedAtMs ?? 0)),
        datasets: [
          line(
            past.map((p) => p.forecast.p95),
            { label: PAST_CHART.forecastLatest, borderColor: colour('--ol-edge') }
          ),
          line(
            past.map((p) => p.forecast.p05),
            { label: PAST_CHART.forecastSoonest, borderColor: colour('--ol-edge'), backgroundColor: colour('--ol-tint'), fill: '-1' }
          ),
          line(
            past.map((p) => p.forecast.p50),
            { label: PAST_CHART.forecast, borderColor: colour('--ol-ridge'), borderDash: [7, 5], borderWidth: 2.5 }
          ),
          line(
            past.map((p) => p.outcome.p50),
            {
              label: PAST_CHART.peaked,
              borderColor: 'transparent',
              backgroundColor: colour('--ol-card'),
              pointBorderColor: ink,
              pointRadius: 5.5,
              pointBorderWidth: 2.5
            }
          )
        ]
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        interaction: { mode: 'index', intersect: false },
        scales: {
          x: { ticks: { color: colour('--ol-soft'), maxRotation: 0, autoSkipPadding: 16 }, grid: { display: false } },
          y: {
            beginAtZero: true,
            title: { display: true, text: PAST_CHART.hoursToPeak, color: colour('--ol-soft') },
            ticks: { color: colour('--ol-soft') },
            grid: { color: colour('--ol-line') }
          }
        },
        plugins: { legend: { display: false } }
      }
    })
    return () => chart.destroy()
  }, [past, builds, format])
  return (
    <figure className={classes.chart}>
      <canvas ref={canvas} role="img" aria-label={PAST_CHART.forecastPeakAndRealPeak} />
      <figcaption className={classes.caption}>{PAST_CHART.dotsWhenPeakedDashedForecast}</figcaption>
    </figure>
  )
}
