import { Skeleton, Text, VisuallyHidden } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import type { Reasons, Said } from '../../../../core'
import { adviceSentence, HEADLINE_WORDS, PHASE_WORDS, SIGN_WORDS, spanWords } from '../../../../words'
import { VERDICT_CARD } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/cards/Card'
import large from '../../../parts/cards/Large.module.css'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { LevelAsked } from './LevelAsked'
import classes from './Watch.module.css'

/** Surer than this nobody is of a levain. */
const MOST_SURE = 0.99
/** Observations told at once; a share that moved less than this said nothing. */
const MOST_TOLD = 6
const LEAST_MOVED = 0.005

/** Phase, window and the one sentence of advice; and why. */
export function VerdictCard({ reasons }: { readonly reasons: Reasons | undefined }) {
  const { judged } = useBakeHere()
  const { format } = useKitchen()
  if (judged === undefined) return <Skeleton height={190} />
  const { verdict, line, marks, told } = judged
  const { word, says, shape } = HEADLINE_WORDS[told.headline]
  const between = (from: number, to: number) => spanWords(line.startedAtMs + from * millisecondsInHour, line.startedAtMs + to * millisecondsInHour, format)
  const { opens, closes } = verdict.forecast
  const next = reasons?.next[0]
  return (
    <Card data-testid="verdict">
      <VisuallyHidden>{VERDICT_CARD.verdict}</VisuallyHidden>
      <h2 className={large.item}>
        <span aria-hidden="true" className={sheet.shape}>
          {shape}
        </span>{' '}
        {word}
      </h2>
      <Text c="dimmed">{told.probability === null ? says : VERDICT_CARD.sure(says, sure(told.probability, format.percent))}</Text>
      <p className={sheet.advice}>{adviceSentence(told, line.startedAtMs, format)}</p>
      {told.advice.kind === 'ask' && <LevelAsked about={told.advice.about} />}
      {!verdict.holds && told.advice.kind !== 'ask' && <Note tone="care">{VERDICT_CARD.thisNotWhatForecastSaid}</Note>}
      {told.window !== null && (
        <Figures>
          <Figure value={spanWords(told.window.fromMs, told.window.toMs, format)} name={VERDICT_CARD.readyToMix} />
          <Figure value={between(opens.p25, closes.p75)} name={VERDICT_CARD.chanceBetween} />
          <Figure value={between(opens.p05, closes.p95)} name={VERDICT_CARD.chanceBetween2} />
        </Figures>
      )}
      {/* Reasons come a moment later: their room is kept, so that what stands below stays where it is. */}
      {reasons === undefined && told.advice.kind !== 'for taste' && (
        <Text mt="md" aria-hidden="true">
          {'\u00a0'}
        </Text>
      )}
      {next !== undefined && told.advice.kind !== 'for taste' && (
        <Text mt="md">
          {VERDICT_CARD.whatWouldTellMostNow}
          <b>{next.of === 'level' ? VERDICT_CARD.level : SIGN_WORDS[next.of].toLowerCase()}</b>.
        </Text>
      )}
      {marks.length > 0 && reasons?.said.length !== 0 && (
        <details className={sheet.how}>
          <summary>{VERDICT_CARD.whatEachLookSaid}</summary>
          <table className={classes.why}>
            <tbody>
              {reasons?.said.slice(0, MOST_TOLD).map((s) => (
                <Reason
                  key={`${s.mark} ${s.of}`}
                  said={s}
                  hours={marks[s.mark]?.hours ?? 0}
                  startMs={line.startedAtMs}
                  now={verdict.probability}
                  word={PHASE_WORDS[verdict.phase].word}
                />
              ))}
            </tbody>
          </table>
        </details>
      )}
    </Card>
  )
}

const sure = (probability: number, percent: (share: number, digits?: number) => string) =>
  `${probability > MOST_SURE ? VERDICT_CARD.over : ''}${percent(Math.min(probability, MOST_SURE), 0)}`

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
  const what = said.of === 'level' ? VERDICT_CARD.level2(format.rise(Number(said.seen))) : `${SIGN_WORDS[said.of].toLowerCase()}: ${said.seen}`
  const moved = now - said.without
  return (
    <tr>
      <th scope="row">
        {format.time(startMs + hours * millisecondsInHour)} {what}
      </th>
      <td>
        {Math.abs(moved) < LEAST_MOVED
          ? VERDICT_CARD.changedNothing
          : VERDICT_CARD.without(moved > 0 ? 'for' : 'against', word.toLowerCase(), sure(said.without, format.percent))}
      </td>
    </tr>
  )
}
