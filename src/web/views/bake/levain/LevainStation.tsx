import { Button, Group, Select, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { useState } from 'react'
import { Link } from 'react-router'
import { awaitsPot, coldPlaceOf, type FeedAmounts, usesOfLevain } from '../../../../answers'
import type { Jar, Plan } from '../../../../contract'
import { asUsed, type BuildPlan, LEVAIN_SOURCES, POUR_ITEMS, type PourStep, pouredGrams, pourKey, ratioOf } from '../../../../core'
import { ITEM_WORDS, needOf, problemSentence, SOURCE_WORDS } from '../../../../words'
import { LEVAIN_STATION } from '../../../../words/screens/levain'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/cards/Card'
import { FeedSheet } from '../../../parts/feed/FeedSheet'
import { NewJarSheet } from '../../../parts/feed/NewJarSheet'
import { BlendEditor } from '../../../parts/fields/BlendEditor'
import { AsItIsCard } from '../AsItIsCard'
import classes from '../BakeSheet.module.css'
import type { BakeHere } from '../bakeHere'
import { useBakeHere } from '../bakeHere'
import { Warnings } from '../Warnings'
import { FitCard } from './FitCard'
import { LadderCard } from './LadderCard'
import { OnePotCard, OnePotOffer } from './OnePotCard'
import { RefillFields } from './RefillFields'
import { SeedMeasureField } from './SeedMeasureField'
import { TextureFields } from './TextureFields'
import { WaterCard } from './WaterCard'

const MANNER_SAYS = {
  loosen: LEVAIN_STATION.loosenStarterInWaterFirst,
  'knead in': LEVAIN_STATION.flourIntoStarterFirstThen,
  'in portions': LEVAIN_STATION.waterInPortionsInTurn
} as const

/** The levain: from which jar and school, how much seed, how much of it. */
export function LevainStation() {
  const bakeHere = useBakeHere()
  const { bake, plan, edit, solved, jars, jar, frozen, state } = bakeHere
  const { format, kitchen, pantry } = useKitchen()
  const [feeding, setFeeding] = useState<{ readonly jar: Jar; readonly amounts?: FeedAmounts } | null>(null)
  const [newJar, newJarOpen] = useDisclosure(false)
  const { build: wish } = plan
  const asItIs = wish.source === 'as it is'
  const build = solved?.build ?? null
  const standsCold = jar !== undefined && coldPlaceOf(jar, kitchen, bakeHere.now) !== undefined
  const set = (patch: Partial<BuildPlan>) => edit((now) => ({ build: { ...now.build, ...patch } }))
  const ratio =
    state.band === null ? (build === null ? null : build.sourced.masses) : { ...state.poured, seed: state.poured.seed + state.poured['older levain'] }
  if (awaitsPot(plan)) return <OnePotCard />
  return (
    <div className={classes.columns}>
      <fieldset disabled={frozen} className={classes.plain}>
        <Card title={LEVAIN_STATION.whichStarter}>
          <Select
            label={LEVAIN_STATION.jar}
            data={jars.map((j) => ({ value: j.id, label: `${j.name}: ${format.mass(j.grams)}, ${j.culture}` }))}
            value={plan.jarId}
            disabled={frozen}
            onChange={(v) => {
              const next = jars.find((j) => j.id === v)
              if (next !== undefined) edit({ jarId: next.id, build: asUsed({ ...wish, flours: next.feed }, next.hydration) })
            }}
          />
          <Group mt="sm" gap="xs">
            {jar !== undefined && (
              <Button variant="default" size="sm" onClick={() => setFeeding({ jar })}>
                {LEVAIN_STATION.feed(jar.name)}
              </Button>
            )}
            <Button variant="subtle" size="sm" onClick={newJarOpen.open}>
              {LEVAIN_STATION.newJar}
            </Button>
          </Group>
          <Select
            mt="md"
            label={LEVAIN_STATION.howYouUseStarter}
            data={LEVAIN_SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value].name }))}
            value={wish.source}
            disabled={frozen}
            onChange={(source) => source !== null && edit(({ build: now }) => sourceTaken({ ...now, source }, jar))}
          />
          <Text c="dimmed" mt={6}>
            {SOURCE_WORDS[wish.source].says}
          </Text>
        </Card>
        <OnePotOffer />
        {!asItIs && (
          <>
            <Card title={LEVAIN_STATION.howMuchStarter}>
              <output className={classes.ratioLine} aria-label={LEVAIN_STATION.ratioStarterToFlourTo}>
                {ratio === null ? LEVAIN_STATION.noRatioYet : ratioOf(ratio)}
              </output>
              <SeedMeasureField wish={wish} build={build} seedHydration={build?.sourced.seedHydration ?? jar?.hydration ?? 1} frozen={frozen} onSet={set} />
            </Card>
            <Card title={LEVAIN_STATION.whatMade}>
              <BlendEditor of={LEVAIN_STATION.levain} blend={wish.flours} frozen={frozen} onBlend={(flours) => set({ flours })} />
              <TextureFields wish={wish} build={build} others={jars.filter((j) => j.id !== plan.jarId)} frozen={frozen} onSet={set} />
            </Card>
          </>
        )}
      </fieldset>
      <div className={classes.stack}>
        {asItIs && state.band === null && <AsItIsCard />}
        <Card
          title={
            state.band !== null
              ? asItIs
                ? LEVAIN_STATION.whatWentIn
                : LEVAIN_STATION.whatWentIntoLevain
              : asItIs
                ? LEVAIN_STATION.weighIntoDough
                : LEVAIN_STATION.weighForLevain
          }
        >
          {state.band === null && build === null ? (
            <Note tone="stop">{solved?.problem == null ? LEVAIN_STATION.setDoughFirst : problemSentence(solved.problem)}</Note>
          ) : (
            <>
              <Figures>
                {(state.band === null ? (build?.steps ?? []) : pouredSteps(bakeHere)).map((s) => (
                  <Figure
                    key={pourKey(s)}
                    size="lg"
                    value={<Mass grams={s.grams} />}
                    name={s.ingredientId === null ? ITEM_WORDS[s.item] : (pantry.get(s.ingredientId)?.name.toLowerCase() ?? 'flour')}
                  />
                ))}
              </Figures>
              {build !== null && state.band === null && (
                <>
                  <Text mt="md" c="dimmed">
                    {needWords(bakeHere)}
                  </Text>
                  {!asItIs && <Text c="dimmed">{MANNER_SAYS[build.manner]}</Text>}
                </>
              )}
              {state.band !== null && (
                <Text mt="md" c="dimmed">
                  {LEVAIN_STATION.inAll(format.mass(pouredGrams(state.poured)))}
                </Text>
              )}
              {!asItIs && <Warnings codes={['jar too small', 'gluten into gluten-free', 'much old starter', 'nothing kept']} />}
            </>
          )}
        </Card>
        {build !== null && state.band === null && !asItIs && (
          <LadderCard build={build} jar={jar} now={bakeHere.now} onFeed={(amounts) => jar !== undefined && setFeeding({ jar, amounts })} />
        )}
        {build !== null && jar !== undefined && state.band === null && (
          <Card title={LEVAIN_STATION.whatStaysIn(jar.name)}>
            <Figures>
              <Figure value={<Mass grams={jar.grams} />} name={LEVAIN_STATION.inJarNow} />
              <Figure
                value={build.jarAfterGrams >= -0.05 ? <Mass grams={Math.round(Math.max(build.jarAfterGrams, 0))} /> : LEVAIN_STATION.notEnough}
                name={wish.source === 'draw and top up' ? LEVAIN_STATION.onceRefilled : LEVAIN_STATION.onceStarterOut}
              />
              <Figure
                value={build.jarAfterGrams >= -0.05 ? <Mass grams={Math.round(Math.max(build.jarInTheEndGrams, 0))} /> : '–'}
                name={LEVAIN_STATION.whenYouHaveMixed}
              />
              {build.sourced.discardGrams > 0 && <Figure value={<Mass grams={Math.round(build.sourced.discardGrams)} />} name={LEVAIN_STATION.toDiscardPot} />}
            </Figures>
            {wish.source === 'draw and top up' && (
              <RefillFields wish={wish} jar={jar} drawnGrams={build.weigh.seed} cold={standsCold} frozen={frozen} onSet={set} />
            )}
            {build.sourced.discardGrams > 0 && <Note tone="care">{LEVAIN_STATION.discardKeptColdUsedWithin}</Note>}
            {!asItIs && (build.strength === 'ready as it is' || build.strength === 'one feed') && (
              <Text mt="sm">{LEVAIN_STATION.byTimeBuild(jar.name, build.ripens ? LEVAIN_STATION.notRipeYet : needOf(build.strength))}</Text>
            )}
            <Warnings codes={['culture weak']} />
          </Card>
        )}
        {build !== null && state.band === null && build.weigh.water > 0 && (
          <WaterCard build={build} mixTempC={plan.mixTempC} frozen={frozen} onMixTemp={(mixTempC) => edit({ mixTempC })}>
            <Warnings codes={['water too hot']} />
          </WaterCard>
        )}
        {!asItIs && (
          <FitCard wish={wish} build={build} frozen={frozen} onVessel={(vesselId) => set({ vesselId })}>
            <Warnings codes={['vessel too small']} />
          </FitCard>
        )}
        <Button component={Link} to={`/bakes/${bake.id}/plan`} variant="light" size="lg">
          {LEVAIN_STATION.goToPlan}
        </Button>
      </div>
      <FeedSheet jar={feeding?.jar ?? null} amounts={feeding?.amounts} onClose={() => setFeeding(null)} />
      <NewJarSheet opened={newJar} onClose={newJarOpen.close} />
    </div>
  )

  function needWords({ plan: { build: b }, solved: s }: BakeHere): string {
    if (s?.build == null) return ''
    const { dough, others, keptBack, sticks, whole } = usesOfLevain(s.build, b)
    const terms = [
      LEVAIN_STATION.forDough(format.mass(dough)),
      ...others.map((d) => LEVAIN_STATION.forWord(format.mass(d.grams), d.name)),
      ...(asItIs ? [] : [`${format.mass(keptBack)} ${b.source === 'put some back' ? LEVAIN_STATION.toSaveForJar : LEVAIN_STATION.backToJar}`]),
      ...(asItIs && sticks === 0 ? [] : [LEVAIN_STATION.stuckToJarAndSpoon(format.mass(sticks))])
    ]
    return terms.length === 1 ? (terms[0] ?? '') : `${terms.join(' + ')} = ${format.mass(whole)}`
  }
}

/** What a plan becomes when its starter is used in another way: nothing is built of what goes in as it is, so nothing of a build stays. */
function sourceTaken(build: BuildPlan, jar: Jar | undefined): Partial<Plan> {
  if (build.source !== 'as it is' || jar === undefined) return { build }
  return { build: { ...asUsed(build, jar.hydration), flours: jar.feed }, before: [], moves: [] }
}

/** What was poured, in the order it was. */
function pouredSteps({ state }: BakeHere): Omit<PourStep, 'resolution'>[] {
  const { poured, flours } = state
  return POUR_ITEMS.flatMap((item): Omit<PourStep, 'resolution'>[] =>
    item === 'flour' && Object.keys(flours).length > 0
      ? Object.entries(flours).map(([ingredientId, grams]) => ({ item, ingredientId, grams }))
      : [{ item, ingredientId: null, grams: poured[item] }]
  ).filter((s) => s.grams > 0)
}
