import { Skeleton, Text, VisuallyHidden } from '@mantine/core'
import { awakeAt } from '../../../../answers'
import type { Reasons, Said } from '../../../../core'
import { adviceSentence, near, PHASE_WORDS, SIGN_WORDS } from '../../../../words'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/Card'
import large from '../../../parts/Large.module.css'
import sheet from '../BakeSheet.module.css'
import type { StationProps } from '../station'
import classes from './Watch.module.css'

const MS_PER_HOUR = 3_600_000
/** Surer than this nobody is of a levain. */
const MOST_SURE = 0.99
/** Observations told at once; a share that moved less than this said nothing. */
const MOST_TOLD = 6
const LEAST_MOVED = 0.005

/** Phase, window and the one sentence of advice; and why. */
export function VerdictCard({ judged, reasons }: StationProps & { readonly reasons: Reasons | undefined }) {
  const { kitchen, format } = useKitchen()
  if (judged === undefined) return <Skeleton height={190} />
  const { verdict, line, marks } = judged
  const { word, says, shape } = PHASE_WORDS[verdict.phase]
  const at = (hours: number) => (Number.isFinite(hours) ? format.time(near(line.startedAtMs + hours * MS_PER_HOUR)) : 'later')
  const { opens, closes } = verdict.forecast
  const next = reasons?.next[0]
  return (
    <Card data-testid="verdict">
      <VisuallyHidden>Verdict</VisuallyHidden>
      <h2 className={large.item}>
        <span aria-hidden="true" className={sheet.shape}>
          {shape}
        </span>{' '}
        {word}
      </h2>
      <Text c="dimmed">
        {says}, {sure(verdict.probability, format.percent)} sure
      </Text>
      <p className={sheet.advice}>{adviceSentence(verdict, line.startedAtMs, format, (ms) => awakeAt(kitchen, ms))}</p>
      {!verdict.holds && <Note tone="care">This is not what the forecast said. What you saw counts, so the forecast no longer holds.</Note>}
      {verdict.holds && (
        <Figures>
          <Figure value={`${at(opens.p50)} – ${at(closes.p50)}`} name="ready to mix" />
          <Figure value={`${at(opens.p25)} – ${at(closes.p75)}`} name="50 % chance between" />
          <Figure value={`${at(opens.p05)} – ${at(closes.p95)}`} name="90 % chance between" />
        </Figures>
      )}
      {next !== undefined && (
        <Text mt="md">
          What would tell most now: <b>{next.of === 'level' ? 'the level' : SIGN_WORDS[next.of].toLowerCase()}</b>.
        </Text>
      )}
      {reasons !== undefined && reasons.said.length > 0 && (
        <details className={sheet.how}>
          <summary>What each look said</summary>
          <table className={classes.why}>
            <tbody>
              {reasons.said.slice(0, MOST_TOLD).map((s) => (
                <Reason key={`${s.mark} ${s.of}`} said={s} hours={marks[s.mark]?.hours ?? 0} startMs={line.startedAtMs} now={verdict.probability} word={word} />
              ))}
            </tbody>
          </table>
        </details>
      )}
    </Card>
  )
}

const sure = (probability: number, percent: (share: number, digits?: number) => string) =>
  `${probability > MOST_SURE ? 'over ' : ''}${percent(Math.min(probability, MOST_SURE), 0)}`

/** One observation, and how sure it would be without it. */
function Reason({
  said,
  hours,
  startMs,
  now,
  word
}: {
  readonly said: Said
  readonly hours: number
  readonly startMs: number
  readonly now: number
  readonly word: string
}) {
  const { format } = useKitchen()
  const what = said.of === 'level' ? `level ${format.rise(Number(said.seen))}` : `${SIGN_WORDS[said.of].toLowerCase()}: ${said.seen}`
  const moved = now - said.without
  return (
    <tr>
      <th scope="row">
        {format.time(startMs + hours * MS_PER_HOUR)} {what}
      </th>
      <td>
        {Math.abs(moved) < LEAST_MOVED
          ? 'changed nothing'
          : `${moved > 0 ? 'for' : 'against'} “${word.toLowerCase()}”: ${sure(said.without, format.percent)} without it`}
      </td>
    </tr>
  )
}
