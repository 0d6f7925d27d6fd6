import { Button, Group, Text } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { chanceAt, feedForMix, fitWindow, homeWhenReady } from '../../../answers'
import { isAwaited } from '../../../core'
import { HEADLINE_WORDS, near, spanWords } from '../../../words'
import { AS_IT_IS } from '../../../words/screens/levain'
import { useCultures } from '../../data/beliefs'
import { useChances } from '../../data/forecasts'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../parts/cards/Card'
import { tellError } from '../../parts/cards/tell'
import { useBakeHere } from './bakeHere'
import { useBusyHere } from './plan/useBusyHere'
import { Warnings } from './Warnings'

/** Starter that goes into the dough as it is: when the jar is at its best, and the feed that makes it so for the mix. */
export function AsItIsCard() {
  const { bake, plan, edit, state, solved, forecast, judged, jar, day, frozen, now, belief } = useBakeHere()
  // Near the mix, what was seen of it tells its hours.
  const told = judged?.told
  const here = useKitchen()
  const { format } = here
  const { cultures } = useCultures()
  const build = solved?.build
  const { busy, fromMs } = useBusyHere(bake.id, now)
  const line = build?.asItStands.line
  const whileHome = useChances(
    useMemo(
      () => (line === undefined ? [] : [{ id: bake.id, line, school: plan.school, belief, mixMs: day.mixMs, busy, fromMs }]),
      [line, bake.id, plan.school, belief, day.mixMs, busy, fromMs]
    )
  ).get(bake.id)
  const chance =
    judged === undefined ? whileHome : told?.window == null ? undefined : (chanceAt(judged.verdict.forecast, judged.line.startedAtMs, day.mixMs) ?? undefined)
  if (build == null || jar === undefined || state.mixed !== null) return null
  const { startMs } = build.timed
  const waits = isAwaited(plan.school)
  const window = told !== undefined ? told.window : forecast === undefined || !waits ? null : fitWindow(forecast, startMs)
  const isOutside = window !== null && (day.mixMs < window.fromMs || day.mixMs > window.toMs)
  const readyMs = window !== null && isOutside ? homeWhenReady(window, busy, now) : null
  const feed = plan.before.find((stage) => stage.kind === 'wake' && !state.deeds.has(stage.id))
  const planFeed = () => {
    const stage = cultures === undefined ? null : feedForMix(plan, jar, build.weigh.seed, cultures, here, now)
    if (stage === null) tellError(new Error(AS_IT_IS.noFeedFits(jar.name)))
    else edit({ before: [stage], moves: [], startAt: null })
  }
  return (
    <Card title={AS_IT_IS.title(jar.name)} data-testid="as-it-is">
      {waits && (
        <Figures>
          {told !== undefined && window === null ? (
            <Figure size="lg" value={HEADLINE_WORDS[told.headline].word} name={AS_IT_IS.asSeen} />
          ) : (
            <Figure
              size="lg"
              value={forecast === undefined ? AS_IT_IS.working : window === null ? AS_IT_IS.notKnown : spanWords(window.fromMs, window.toMs, format, true)}
              name={AS_IT_IS.atItsBest}
            />
          )}
          {chance !== undefined && (
            <Figure
              size="lg"
              value={format.percent(chance, 0)}
              name={(judged === undefined ? AS_IT_IS.chanceAt : AS_IT_IS.chanceThen)(format.dayTime(near(day.mixMs)))}
            />
          )}
        </Figures>
      )}
      <Text mt="sm">
        {feed === undefined
          ? AS_IT_IS.sinceFeed(jar.name, format.dayTime(startMs), format.duration((day.mixMs - startMs) / millisecondsInHour))
          : AS_IT_IS.afterFeed(
              jar.name,
              format.dayTime(near(feed.at)),
              format.mass(feed.seedGrams),
              format.mass(feed.flourGrams),
              format.mass(feed.waterGrams)
            )}
        {feed !== undefined && jar.grams - feed.seedGrams >= 1 && AS_IT_IS.restToDiscard(format.mass(jar.grams - feed.seedGrams))}
      </Text>
      {window !== null && day.mixMs < window.fromMs && <Note tone="care">{AS_IT_IS.notReadyYet(jar.name)}</Note>}
      {window !== null && day.mixMs > window.toMs && <Note tone="care">{AS_IT_IS.pastItsBest(jar.name)}</Note>}
      <Warnings codes={['jar too small', 'nothing kept']} />
      {!frozen && plan.levainFrom == null && (
        <Group mt="md" gap="xs">
          {readyMs !== null && <Button onClick={() => edit({ mixAt: readyMs })}>{AS_IT_IS.mixWhenReady(format.dayTime(readyMs))}</Button>}
          <Button variant={feed === undefined && readyMs === null && (window === null || isOutside) ? 'filled' : 'default'} onClick={planFeed}>
            {feed === undefined ? AS_IT_IS.planFeed : AS_IT_IS.planFeedAgain}
          </Button>
          {feed !== undefined && (
            <Button variant="default" onClick={() => edit({ before: [] })}>
              {AS_IT_IS.noFeed}
            </Button>
          )}
          <Button component={Link} to={`/jars/${jar.id}`} variant="subtle">
            {AS_IT_IS.lookAt(jar.name)}
          </Button>
        </Group>
      )}
      {jar.guesses.length > 0 && feed === undefined && <Note>{AS_IT_IS.guessed(jar.name)}</Note>}
    </Card>
  )
}
