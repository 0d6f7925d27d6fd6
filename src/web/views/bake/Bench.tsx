import { Button, Group, Text } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { IconCheck } from '@tabler/icons-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { NewBakeEvent } from '../../../contract'
import { POSSIBLE, POUR_ORDER, type PourItem, ratioOf } from '../../../core'
import { addEvent } from '../../data/bakes'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import { Quiet } from '../../parts/Quiet'
import { tellDone, tellError } from '../../parts/tell'
import classes from './BakeSheet.module.css'
import { shownForecast } from './shown'
import type { StationProps } from './station'
import { Warnings } from './Warnings'
import { WhenField } from './WhenField'

const ITEM_WORDS: Readonly<Record<PourItem, { readonly name: string; readonly how: string }>> = {
  seed: { name: 'Seed', how: 'Bowl or jar on the scale, tare, then the seed.' },
  water: { name: 'Water', how: 'Tare, then the water; swirl until the seed is loose in it.' },
  flour: { name: 'Flour', how: 'Tare, then the flour; stir until no dry flour is left.' }
}
const MS_PER_MINUTE = 60_000

/** Weigh in, one item at a time, and set the band. */
export function Bench(props: StationProps) {
  const { bake, state, solved, plan, jar } = props
  const { kitchen, format } = useKitchen()
  const navigate = useNavigate()
  const build = solved?.build ?? null
  const current = POUR_ORDER.find((item) => !state.done.includes(item))
  const [typed, setTyped] = useState<number | null>(null)
  const planned = current === undefined || build === null ? 0 : build.weigh[current]
  const weighed = typed ?? planned
  const note = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, minutesAgo = 0) =>
    addEvent(bake, { id: newId(), happenedAt: new Date(nowMs() - minutesAgo * MS_PER_MINUTE).toISOString(), ...event } as NewBakeEvent, build?.planned)
  const undoLast = state.lastUndoable
  const undo = () => (undoLast === null ? Promise.resolve() : note({ type: 'undo', undoes: undoLast.id }))
  const pour = () => {
    if (current === undefined || build === null || weighed <= 0) return
    setTyped(null)
    note({ type: 'pour', item: current, plannedGrams: planned, weighedGrams: weighed }).catch(tellError)
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
      {current !== undefined ? (
        <Card data-testid="pour">
          <div className={classes.progress} role="img" aria-label={`${state.done.length} of 3 poured`}>
            {POUR_ORDER.map((item) => (
              <span key={item} data-done={state.done.includes(item)} data-current={item === current} />
            ))}
          </div>
          <h2 className={classes.item}>
            {current === 'flour' ? `Flour, ${plan.levainFlour}` : current === 'seed' ? `Seed from ${jar?.name ?? 'the jar'}` : ITEM_WORDS[current].name}
          </h2>
          <Text c="dimmed">
            {current === 'water' && build.water !== null ? `At ${format.temperature(build.water.tempC, 0)}, never above ${format.temperature(40, 0)}. ` : ''}
            {ITEM_WORDS[current].how}
          </Text>
          <p className={classes.huge}>
            <Mass grams={planned} />
          </p>
          <QuantityField
            key={current}
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
          <Warnings {...props} frozen={state.done.length > 0} codes={['jar too small', 'gluten into gluten-free']} />
          <Button size="xl" fullWidth mt="lg" onClick={pour}>
            Poured{kitchen.keys && <span className={classes.keyHint}>space</span>}
          </Button>
        </Card>
      ) : (
        <SetBand
          {...props}
          onBand={(mixTempC, minutesAgo) => {
            const line = build.timed.line
            note({ type: 'band', mixTempC, ...(props.forecast === undefined ? {} : { shown: shownForecast(line, props.forecast) }) }, minutesAgo).then(
              () => tellDone('The band is set.'),
              tellError
            )
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
function Poured({ bake, state, jar }: StationProps) {
  const { format } = useKitchen()
  const { seed, water, flour } = state.poured
  const seedHydration = jar?.hydration ?? 1
  const allFlour = flour + seed / (1 + seedHydration)
  return (
    <>
      <table className={classes.weigh}>
        <tbody>
          {state.done.map((item) => {
            const planned = bake.events.flatMap((e) => (e.type === 'pour' && e.item === item ? [e.plannedGrams] : [])).at(-1) ?? 0
            return (
              <tr key={item}>
                <th scope="row">
                  <IconCheck size={18} className={classes.tick} aria-hidden="true" /> {ITEM_WORDS[item].name}
                </th>
                <td>{Math.abs(planned - state.poured[item]) >= 0.1 ? `planned ${format.mass(planned, planned % 1 === 0 ? 1 : 0.1)}` : ''}</td>
                <td className={classes.grams}>
                  <Mass grams={state.poured[item]} />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {state.done.length === 3 && (
        <Figures>
          <Figure value={ratioOf(state.poured)} name="really" />
          <Figure value={format.percent((water + seed - seed / (1 + seedHydration)) / allFlour, 0)} name="hydration" />
          <Figure value={<Mass grams={seed + water + flour} />} name="in all" />
        </Figures>
      )}
    </>
  )
}

function SetBand({ plan, onBand }: StationProps & { onBand: (mixTempC: number, minutesAgo: number) => void }) {
  const [mixTempC, setMixTempC] = useState(plan.mixTempC)
  const [ago, setAgo] = useState(0)
  return (
    <Card data-testid="set-band">
      <h2 className={classes.item}>Set the band</h2>
      <Text>Stir well, scrape the sides down, level the top, and put a band at the level. Lid on loosely.</Text>
      <QuantityField mt="md" kind="temperature" label="Temperature of the mix" what="The mix" value={mixTempC} range={[0, 40]} onCommit={setMixTempC} />
      <WhenField label="When" minutesAgo={ago} onChange={setAgo} />
      <Note tone="care">Never seal a fermenting jar tight: glass can burst.</Note>
      <Button size="xl" fullWidth mt="lg" onClick={() => onBand(mixTempC, ago)}>
        The band is set
      </Button>
    </Card>
  )
}
