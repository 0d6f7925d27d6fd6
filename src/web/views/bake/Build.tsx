import { ActionIcon, Button, Group, Select, SimpleGrid, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { type Jar, problemSentence } from '../../../contract'
import { FLOUR_KINDS, type FlourKind, POSSIBLE, ratioOf } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { FeedSheet, NewJarSheet } from '../../parts/FeedSheet'
import { QuantityField } from '../../parts/QuantityField'
import { needOf } from '../../parts/warnings'
import classes from './BakeSheet.module.css'
import type { StationProps } from './station'
import { Warnings } from './Warnings'

const RATIO_STEP = 0.5

/** The levain: from which jar, at which ratio, how much. */
export function Build(props: StationProps) {
  const { plan, edit, solved, jars, jar, frozen, state } = props
  const { format } = useKitchen()
  const [feeding, setFeeding] = useState<Jar | null>(null)
  const [newJar, newJarOpen] = useDisclosure(false)
  const build = solved?.build ?? null
  const weigh = state.band === null ? build?.weigh : state.poured
  const step = (by: number) => edit({ flourPerSeed: Math.min(Math.max(Math.round((plan.flourPerSeed + by) * 2) / 2, 0.5), POSSIBLE.flourPerSeed[1]) })
  return (
    <div className={classes.columns}>
      <fieldset disabled={frozen} className={classes.plain}>
        <Card title="From which seed">
          <Select
            label="Jar"
            data={jars.map((j) => ({ value: j.id, label: `${j.name}: ${format.mass(j.grams)}, ${j.flour}` }))}
            value={plan.jarId}
            disabled={frozen}
            onChange={(v) => {
              const next = jars.find((j) => j.id === v)
              if (next !== undefined) edit({ jarId: next.id, levainFlour: next.flour })
            }}
          />
          <Group mt="sm" gap="xs">
            {jar !== undefined && (
              <Button variant="default" size="sm" onClick={() => setFeeding(jar)}>
                Feed {jar.name}
              </Button>
            )}
            <Button variant="subtle" size="sm" onClick={newJarOpen.open}>
              A new jar
            </Button>
          </Group>
          <Text mt="lg" mb={6} fw={500}>
            Ratio, seed : flour : water
          </Text>
          <div className={classes.ratio}>
            <ActionIcon aria-label="Less flour per seed: faster" variant="default" onClick={() => step(-RATIO_STEP)}>
              <IconMinus size={22} />
            </ActionIcon>
            <output className={classes.ratioFigure}>
              {weigh === undefined ? `1:${plan.flourPerSeed}` : ratioOf(build === null ? weigh : build.timed.masses)}
            </output>
            <ActionIcon aria-label="More flour per seed: slower" variant="default" onClick={() => step(RATIO_STEP)}>
              <IconPlus size={22} />
            </ActionIcon>
          </div>
          <Text c="dimmed" ta="center" mt={4}>
            less flour ripens sooner, more flour later
          </Text>
          <SimpleGrid cols={2} mt="md">
            <QuantityField
              kind="parts"
              label="Flour per seed"
              value={plan.flourPerSeed}
              range={POSSIBLE.flourPerSeed}
              onCommit={(flourPerSeed) => edit({ flourPerSeed })}
            />
            <QuantityField
              kind="percent"
              label="Hydration of the levain"
              value={plan.levainHydration}
              range={POSSIBLE.levainHydration}
              onCommit={(levainHydration) => edit({ levainHydration })}
            />
            <Select
              label="Flour of the levain"
              data={[...FLOUR_KINDS]}
              value={plan.levainFlour}
              disabled={frozen}
              onChange={(v) => v !== null && edit({ levainFlour: v as FlourKind })}
            />
            <QuantityField
              kind="mass"
              label="Keep-back"
              value={plan.keepBackGrams}
              range={POSSIBLE.keepBackGrams}
              onCommit={(keepBackGrams) => edit({ keepBackGrams })}
            />
          </SimpleGrid>
        </Card>
      </fieldset>
      <div className={classes.stack}>
        <Card title={state.band === null ? 'Weigh for the levain' : 'What went into the levain'}>
          {weigh === undefined ? (
            <Note tone="stop">{solved?.problem === null || solved === null ? 'The dough has to be known first.' : problemSentence(solved.problem)}</Note>
          ) : (
            <>
              <Figures>
                <Figure size="lg" value={<Mass grams={weigh.seed} />} name="seed" />
                <Figure size="lg" value={<Mass grams={weigh.water} />} name="water" />
                <Figure size="lg" value={<Mass grams={weigh.flour} />} name={`flour, ${plan.levainFlour}`} />
              </Figures>
              {build !== null && state.band === null && (
                <Text mt="md" c="dimmed">
                  {format.mass(build.needGrams)} for the dough + {format.mass(build.keepBackGrams)} keep-back + {format.mass(build.sticksGrams)} that sticks ={' '}
                  {format.mass(build.needGrams + build.keepBackGrams + build.sticksGrams)}
                </Text>
              )}
              <Warnings {...props} codes={['jar too small', 'gluten into gluten-free']} />
            </>
          )}
        </Card>
        {build !== null && jar !== undefined && state.band === null && (
          <Card title={`What stays in ${jar.name}`}>
            <Figures>
              <Figure value={<Mass grams={jar.grams} />} name="in the jar now" />
              <Figure value={build.jarAfterGrams >= 0 ? format.mass(build.jarAfterGrams) : 'not enough'} name="once the seed is out" />
            </Figures>
            <Text mt="sm">
              By the time of the build {jar.name} {needOf(build.strength)}. The keep-back of the ripe levain goes back into the jar when you mix.
            </Text>
            <Warnings {...props} codes={['culture weak']} />
          </Card>
        )}
        <Button component={Link} to={`/bakes/${props.bake.id}/clock`} variant="light" size="lg">
          On to the time
        </Button>
      </div>
      <FeedSheet jar={feeding} onClose={() => setFeeding(null)} />
      <NewJarSheet opened={newJar} onClose={newJarOpen.close} />
    </div>
  )
}
