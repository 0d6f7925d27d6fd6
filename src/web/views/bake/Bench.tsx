import { Button, Group, Text } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { IconCheck } from '@tabler/icons-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { happeningOf, type NewBakeEvent } from '../../../contract'
import { POSSIBLE, type PourItem, type PourManner, pouredGrams, pourKey, ratioOf, standing } from '../../../core'
import { addEvent } from '../../data/bakes'
import { useCultures } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import { Quiet } from '../../parts/Quiet'
import { tellDone, tellError } from '../../parts/tell'
import classes from './BakeSheet.module.css'
import { shownForecast, shownSteps } from './shown'
import type { StationProps } from './station'
import { Warnings } from './Warnings'
import { WhenField } from './WhenField'

const ITEM_NAMES: Readonly<Record<PourItem, string>> = {
  seed: 'Seed',
  'older levain': 'Older levain',
  water: 'Water',
  flour: 'Flour',
  salt: 'Salt',
  oil: 'Oil'
}

/** How each item goes in, by the manner of the culture. */
const HOW: Readonly<Record<PourManner, Readonly<Record<PourItem, string>>>> = {
  loosen: {
    seed: 'Bowl or jar on the scale, tare, then the seed.',
    'older levain': 'Tare, then the older levain.',
    water: 'Tare, then the water; swirl until the seed is loose in it.',
    flour: 'Tare, then the flour; stir until no dry flour is left.',
    salt: 'Tare, then the salt; stir it in.',
    oil: 'Tare, then the oil; work it in.'
  },
  'knead in': {
    seed: 'Bowl on the scale, tare, then the seed. Cut away a dry crust or slimy outside first.',
    'older levain': 'Tare, then the older levain.',
    water: 'Tare, then the water; knead until smooth and firm.',
    flour: 'Tare, then the flour over the seed; rub it in.',
    salt: 'Tare, then the salt.',
    oil: 'Tare, then the oil; work it in.'
  },
  'in portions': {
    seed: 'Bowl or jar on the scale, tare, then the seed.',
    'older levain': 'Tare, then the older levain.',
    water: 'Tare, then the water: a third at first, the rest in portions while you stir the flour in.',
    flour: 'Tare, then the flour, in turn with the rest of the water, until it runs off the spoon.',
    salt: 'Tare, then the salt; stir it in.',
    oil: 'Tare, then the oil; stir it in.'
  }
}
const MS_PER_MINUTE = 60_000

/** Weigh in, one item at a time, and set the band. */
export function Bench(props: StationProps) {
  const { bake, state, solved, jar } = props
  const here = useKitchen()
  const { kitchen, format, pantry } = here
  const { cultures } = useCultures()
  const navigate = useNavigate()
  const build = solved?.build ?? null
  const step = build?.steps.find((s) => !state.done.includes(pourKey(s)))
  const current = step?.item
  const [typed, setTyped] = useState<number | null>(null)
  const planned = step?.grams ?? 0
  const weighed = typed ?? planned
  const note = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, minutesAgo = 0) =>
    addEvent(bake, { id: newId(), happenedAt: new Date(nowMs() - minutesAgo * MS_PER_MINUTE).toISOString(), ...event } as NewBakeEvent, pantry, build?.planned)
  const undoLast = state.lastUndoable
  const undo = () => (undoLast === null ? Promise.resolve() : note({ type: 'undo', undoes: undoLast.id }))
  const pour = () => {
    if (step === undefined || weighed <= 0) return
    setTyped(null)
    const { item, ingredientId } = step
    note({ type: 'pour', item, ...(ingredientId === null ? {} : { ingredientId }), plannedGrams: planned, weighedGrams: weighed }).catch(tellError)
  }
  useHotkeys(kitchen.keys && current !== undefined ? [['space', pour]] : [])
  if (state.band !== null) {
    return (
      <div className={classes.columns}>
        <Card title="The levain is weighed in">
          <Poured {...props} />
          <Group mt="lg">
            <Button size="lg" onClick={() => void navigate(`/bakes/${bake.id}/watch`)}>
              Watch it
            </Button>
            {undoLast?.type === 'band' && (
              <Button size="lg" variant="default" onClick={() => undo().catch(tellError)}>
                Undo the band
              </Button>
            )}
          </Group>
        </Card>
      </div>
    )
  }
  if (build === null)
    return (
      <Quiet title="Nothing to weigh yet" words="Dough and levain have to be known first." action={{ label: 'Go to Dough', href: `/bakes/${bake.id}/dough` }} />
    )
  return (
    <div className={classes.columns}>
      {step !== undefined ? (
        <Card data-testid="pour">
          <div className={classes.progress} role="img" aria-label={`${state.done.length} of ${build.steps.length} poured`}>
            {build.steps.map((s) => (
              <span key={pourKey(s)} data-done={state.done.includes(pourKey(s))} data-current={s === step} />
            ))}
          </div>
          <h2 className={classes.item}>
            {step.item === 'seed'
              ? `Seed from ${jar?.name ?? 'the jar'}`
              : step.ingredientId !== null
                ? (pantry.get(step.ingredientId)?.name ?? 'Flour')
                : ITEM_NAMES[step.item]}
          </h2>
          <Text c="dimmed">
            {current === 'water' && build.water !== null ? `At ${format.temperature(build.water.tempC, 0)}, never above ${format.temperature(40, 0)}. ` : ''}
            {HOW[build.manner][step.item]}
          </Text>
          <p className={classes.huge}>
            <Mass grams={planned} />
          </p>
          <QuantityField
            key={pourKey(step)}
            kind="mass"
            label="What the scale shows"
            what="What was weighed"
            value={weighed}
            range={[0.1, POSSIBLE.grams[1]]}
            onCommit={setTyped}
            size="lg"
            onKeyDown={(e) => e.key === 'Enter' && pour()}
          />
          {current === 'seed' && jar !== undefined && weighed > jar.grams && (
            <Note tone="stop">
              {jar.name} holds {format.mass(jar.grams)} by the book. Weigh the jar under Build if the book is wrong.
            </Note>
          )}
          {Math.abs(weighed - planned) > Math.max(1, 0.03 * planned) && (
            <Note tone="care">
              {format.mass(Math.abs(weighed - planned))} {weighed > planned ? 'over' : 'under'}. Nothing is lost: the levain is reckoned with what is really in
              it.
            </Note>
          )}
          <Warnings {...props} frozen={state.done.length > 0} codes={['jar too small', 'gluten into gluten-free', 'vessel too small']} />
          <Button size="xl" fullWidth mt="lg" onClick={pour}>
            Poured{kitchen.keys && <span className={classes.keyHint}>space</span>}
          </Button>
        </Card>
      ) : (
        <SetBand
          {...props}
          onBand={(mixTempC, minutesAgo) => {
            const line = build.timed.line
            note(
              {
                type: 'band',
                mixTempC,
                ...(props.forecast === undefined
                  ? {}
                  : {
                      shown: {
                        ...shownForecast(line, props.forecast, props.belief),
                        steps: cultures === undefined ? undefined : shownSteps(bake, props.plan, props.solved, here, cultures)
                      }
                    })
              },
              minutesAgo
            ).then(() => tellDone('The band is set.'), tellError)
            void navigate(`/bakes/${bake.id}/watch`)
          }}
        />
      )}
      <Card title="Poured so far">
        {state.done.length === 0 ? (
          <Text c="dimmed">Nothing yet. Each item is noted as you pour it, and what the scale shows counts, not the plan.</Text>
        ) : (
          <Poured {...props} />
        )}
        {undoLast?.type === 'pour' && (
          <Button variant="default" mt="md" onClick={() => undo().catch(tellError)}>
            Undo the last pour
          </Button>
        )}
      </Card>
    </div>
  )
}

/** What went in, planned and weighed, and what it makes. */
function Poured({ bake, state, jar, plan, solved }: StationProps) {
  const { format, pantry } = useKitchen()
  const { seed, water, flour } = state.poured
  const older = state.poured['older levain']
  const starter = (grams: number, hydration: number) => ({ flour: grams / (1 + hydration), water: grams - grams / (1 + hydration) })
  const parts = [starter(seed, jar?.hydration ?? 1), starter(older, plan.build.older.hydration), { flour, water }]
  const sum = (pick: 'flour' | 'water') => parts.reduce((t, p) => t + p[pick], 0)
  const pours = new Map(standing(bake.events.map(happeningOf)).flatMap((e) => (e.type === 'pour' ? [[pourKey(e), e] as const] : [])))
  const gramsOf = (item: PourItem, id: string | undefined) => (id === undefined ? state.poured[item] : (state.flours[id] ?? 0))
  return (
    <>
      <table className={classes.weigh}>
        <tbody>
          {[...pours].map(([key, { item, ingredientId, plannedGrams }]) => {
            const grams = gramsOf(item, ingredientId)
            return (
              <tr key={key}>
                <th scope="row">
                  <IconCheck size={18} className={classes.tick} aria-hidden="true" />{' '}
                  {ingredientId === undefined ? ITEM_NAMES[item] : (pantry.get(ingredientId)?.name ?? 'Flour')}
                </th>
                <td>{Math.abs(plannedGrams - grams) >= 0.1 ? `planned ${format.mass(plannedGrams, plannedGrams % 1 === 0 ? 1 : 0.1)}` : ''}</td>
                <td className={classes.grams}>
                  <Mass grams={grams} />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {(solved?.build?.steps ?? []).every((s) => state.done.includes(pourKey(s))) && (
        <Figures>
          <Figure value={ratioOf({ seed: seed + older, flour, water })} name="really" />
          <Figure value={format.percent(sum('water') / sum('flour'), 0)} name="hydration" />
          <Figure value={<Mass grams={pouredGrams(state.poured)} />} name="in all" />
        </Figures>
      )}
    </>
  )
}

function SetBand({ plan, solved, onBand }: StationProps & { onBand: (mixTempC: number, minutesAgo: number) => void }) {
  const [mixTempC, setMixTempC] = useState(plan.mixTempC)
  const [ago, setAgo] = useState(0)
  return (
    <Card data-testid="set-band">
      <h2 className={classes.item}>Set the band</h2>
      <Text>Stir well, scrape the sides down, level the top, and put a band at the level. Lid on loosely.</Text>
      {solved?.build?.fit != null && (
        <Text mt="xs" c="dimmed">
          In the {solved.build.fit.vessel.name.toLowerCase()} it should stand about {Math.round(solved.build.fit.bandMm)} mm high, and{' '}
          {Math.round(solved.build.fit.peakMm)} mm at the peak.
        </Text>
      )}
      <QuantityField mt="md" kind="temperature" label="Temperature of the mix" what="The mix" value={mixTempC} range={[0, 40]} onCommit={setMixTempC} />
      <WhenField label="When" minutesAgo={ago} onChange={setAgo} />
      <Note tone="care">Never seal a fermenting jar tight: glass can burst.</Note>
      <Button size="xl" fullWidth mt="lg" onClick={() => onBand(mixTempC, ago)}>
        The band is set
      </Button>
    </Card>
  )
}
