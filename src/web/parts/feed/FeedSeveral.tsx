import { Button, Checkbox, Drawer, Stack, Text } from '@mantine/core'
import { useMemo, useState } from 'react'
import { beliefIn, type Cultures, type FeedFigures, feedFigures, firstDraft, habitualFeed, whereItStands } from '../../../answers'
import { isoOf, type Jar, type TogetherPart } from '../../../contract'
import { gramsOfBlend, isHungry, type JarCondition, ratioOf } from '../../../core'
import { tellCondition } from '../../../words'
import { FEED_SEVERAL } from '../../../words/screens/parts-feed'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { doTogether } from '../../data/together'
import { tellDone, tellError } from '../cards/tell'
import { jarsByNeed } from '../jar/jarsByNeed'
import classes from './FeedSheet.module.css'

interface Row {
  readonly jar: Jar
  readonly figures: FeedFigures | null
  readonly trimGrams: number
  readonly hungry: boolean
}

/** Feeds several jars in one go, each as it usually is; the hungry ones are ticked. */
export function FeedSeveral({
  cultures,
  conditions,
  opened,
  onClose
}: {
  cultures: Cultures
  conditions: ReadonlyMap<string, JarCondition> | undefined
  opened: boolean
  onClose: () => void
}) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="lg" title={FEED_SEVERAL.feedSeveral}>
      {opened && conditions !== undefined && <Several cultures={cultures} conditions={conditions} onClose={onClose} />}
    </Drawer>
  )
}

function Several({ cultures, conditions, onClose }: { cultures: Cultures; conditions: ReadonlyMap<string, JarCondition>; onClose: () => void }) {
  const { kitchen, pantry, format, vessels } = useKitchen()
  const now = useMemo(nowMs, [])
  const rows = useMemo(
    () =>
      jarsByNeed(cultures.jars, conditions, now)
        .filter((jar) => jar.culture !== 'dried' && jar.program === null)
        .map((jar): Row => {
          const draft = usualDraft(jar, firstDraft(jar, kitchen, now))
          const parameters = beliefIn(cultures.beliefs, jar.id).centre
          const found = feedFigures(draft, jar, jar.line, { kitchen, pantry, cups: kitchen.cups, vessels }, parameters, now)
          const condition = conditions.get(jar.id)
          return { jar, figures: 'code' in found ? null : found, trimGrams: draft.trimGrams, hungry: condition !== undefined && isHungry(condition, now) }
        }),
    [cultures, conditions, kitchen, pantry, vessels, now]
  )
  const [ticked, setTicked] = useState<readonly string[]>(rows.filter((row) => row.hungry && row.figures !== null).map((row) => row.jar.id))
  const chosen = rows.filter((row) => ticked.includes(row.jar.id))
  const feed = async () => {
    const happenedAt = isoOf(nowMs())
    const parts = chosen.flatMap(({ jar, figures, trimGrams }): TogetherPart[] => {
      if (figures === null) return []
      const { keepGrams, flourGrams, waterGrams, mixTempC } = figures
      const flours = gramsOfBlend(jar.feed, flourGrams)
      const underWater = jar.culture === 'stiff under water'
      const usual = habitualFeed(jar, kitchen, now)
      // Out of the cold for as long as at its last feed.
      const stands = usual === null ? { placeId: whereItStands(jar, now).placeId } : { placeId: usual.placeId, later: usual.later }
      return [{ do: 'feed', jarId: jar.id, feed: { id: newId(), happenedAt, keepGrams, trimGrams, flours, waterGrams, mixTempC, underWater, ...stands } }]
    })
    if (parts.length === 0) return
    const undo = await doTogether(parts)
    tellDone(FEED_SEVERAL.fed(parts.length, parts.length === 1 ? FEED_SEVERAL.jar : FEED_SEVERAL.jarsAre), undo)
  }
  return (
    <Stack gap="md">
      <Text c="dimmed">{FEED_SEVERAL.eachAsWasFedLast}</Text>
      {rows.map(({ jar, figures }) => {
        const condition = conditions.get(jar.id)
        const flour = gramsOfBlend(jar.feed, figures?.flourGrams ?? 1)
        return (
          <Checkbox
            key={jar.id}
            size="md"
            radius="sm"
            disabled={figures === null}
            checked={ticked.includes(jar.id)}
            onChange={(e) => setTicked(e.currentTarget.checked ? [...ticked, jar.id] : ticked.filter((id) => id !== jar.id))}
            label={
              figures === null
                ? FEED_SEVERAL.feedAlone(jar.name)
                : FEED_SEVERAL.keepWater(
                    jar.name,
                    ratioOf({ seed: figures.keepGrams, flour: figures.flourGrams, water: figures.waterGrams }),
                    format.mass(figures.keepGrams),
                    flour.map((f) => `${format.mass(f.grams)} ${pantry.get(f.ingredientId)?.name.toLowerCase() ?? 'flour'}`).join(', '),
                    format.mass(figures.waterGrams)
                  )
            }
            description={condition === undefined ? undefined : tellCondition(condition, now, format, jar).headline}
          />
        )
      })}
      <div className={classes.foot}>
        <Button
          disabled={chosen.length === 0}
          onClick={() => {
            feed().catch(tellError)
            onClose()
          }}
        >
          {chosen.length === 1 ? FEED_SEVERAL.fedThisOne : FEED_SEVERAL.fedThese(chosen.length)}
        </Button>
      </div>
    </Stack>
  )
}

/** As it was fed last, as far as there is enough of it. */
function usualDraft(jar: Jar, draft: ReturnType<typeof firstDraft>): ReturnType<typeof firstDraft> {
  const { lastFeed } = jar
  if (lastFeed === null) return draft
  const flourGrams = lastFeed.flours.reduce((sum, f) => sum + f.grams, 0)
  const share = Math.min(1, (jar.grams - draft.trimGrams) / lastFeed.keepGrams)
  return {
    ...draft,
    by: 'grams',
    keepGrams: lastFeed.keepGrams * share,
    flourGrams: Math.round(flourGrams * share),
    waterGrams: Math.round(lastFeed.waterGrams * share)
  }
}
