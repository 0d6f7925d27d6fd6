import { ActionIcon, Button, Chip, Group, Skeleton, Text, VisuallyHidden } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { NewBakeEvent, Place } from '../../../contract'
import { contentsOf, levelOf, mainKind, POSSIBLE, SIGNS, type SignKind, type Signs } from '../../../core'
import { addEvent } from '../../data/bakes'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { familyOf } from '../../parts/family'
import { JarDrawing, type Top } from '../../parts/jar/JarDrawing'
import large from '../../parts/Large.module.css'
import { PlaceSelect } from '../../parts/PlaceSelect'
import { QuantityField } from '../../parts/QuantityField'
import { Quiet } from '../../parts/Quiet'
import { tellDone, tellError } from '../../parts/tell'
import { adviceSentence, near, PHASE_WORDS } from '../../parts/words'
import classes from './BakeSheet.module.css'
import { MixCard } from './MixCard'
import type { StationProps } from './station'
import { WhenField } from './WhenField'

const MS_PER_HOUR = 3_600_000
const MS_PER_MINUTE = 60_000
const RISE_STEP = 0.1
/** Surer than this nobody is of a levain. */
const MOST_SURE = 0.99

const SIGN_WORDS: Readonly<Record<SignKind, string>> = {
  top: 'Top',
  bubbles: 'Bubbles',
  smell: 'Smell',
  smear: 'Film above the level',
  spoon: 'A spoon in water'
}

/** Look at the jar, and judge: is it ready to mix? */
export function Watch(props: StationProps) {
  const { bake, state, judged, plan } = props
  const { pantry } = useKitchen()
  const note = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, minutesAgo = 0) =>
    addEvent(bake, { id: newId(), happenedAt: new Date(nowMs() - minutesAgo * MS_PER_MINUTE).toISOString(), ...event } as NewBakeEvent, pantry)
  const undo = (id: string) => note({ type: 'undo', undoes: id })
  if (state.band === null) {
    return (
      <Quiet
        title="Nothing to watch yet"
        words="Once the levain is weighed in and the band is set, its rise is judged here."
        action={{ label: 'Go to the bench', href: `/bakes/${bake.id}/bench` }}
      />
    )
  }
  if (state.mixed !== null) return <Mixed {...props} onUndo={() => undo(state.mixed?.id ?? '').catch(tellError)} />
  return (
    <div className={classes.columns}>
      <Look
        {...props}
        onMark={(rise, signs, ago) => {
          const id = newId()
          addEvent(bake, { id, happenedAt: new Date(nowMs() - ago * MS_PER_MINUTE).toISOString(), type: 'mark', rise, signs }, pantry).then(
            () => tellDone('Noted.', () => undo(id)),
            tellError
          )
        }}
      />
      <div className={classes.stack}>
        <VerdictCard {...props} />
        {judged !== undefined && (
          <MixCard
            {...props}
            title="Into the dough"
            onMixed={(event) => note(event).then(() => tellDone(`${plan.name} is mixed and in the record.`), tellError)}
          />
        )}
        <Standing
          {...props}
          onMoved={(placeId, tempC, ago) => {
            const id = newId()
            const happenedAt = new Date(nowMs() - ago * MS_PER_MINUTE).toISOString()
            addEvent(bake, { id, happenedAt, type: 'moved', placeId, tempC }, pantry).then(() => tellDone('Moved.', () => undo(id)), tellError)
          }}
        />
        <Marks {...props} onUndo={(id) => undo(id).catch(tellError)} />
      </div>
    </div>
  )
}

function Look({ state, judged, now, onMark }: StationProps & { onMark: (rise: number | undefined, signs: Signs, minutesAgo: number) => void }) {
  const { kitchen, format } = useKitchen()
  const lastRise = state.marks.findLast((m) => m.rise !== undefined)?.rise
  const expected = judged === undefined ? 1 : 1 + levelOf(judged.verdict.forecast, Math.max((now - judged.line.startedAtMs) / MS_PER_HOUR, 0))
  const start = Math.round(Math.max(expected, lastRise ?? 1) * 10) / 10
  const [typed, setTyped] = useState<number | null>(null)
  const [signs, setSigns] = useState<Signs>({})
  const [ago, setAgo] = useState(0)
  const rise = typed ?? start
  const step = (by: number) => setTyped(Math.min(Math.max(Math.round((rise + by) * 10) / 10, POSSIBLE.rise[0]), POSSIBLE.rise[1]))
  const mark = () => {
    onMark(rise, signs, ago)
    setTyped(null)
    setSigns({})
    setAgo(0)
  }
  useHotkeys(kitchen.keys ? [['m', mark]] : [])
  return (
    <Card title="What you see">
      <div className={classes.look}>
        <JarDrawing
          rise={rise}
          top={(signs.top as Top | undefined) ?? 'flat'}
          family={familyOf(judged === undefined ? 'white wheat' : mainKind(contentsOf(judged.line).flours))}
          height={230}
          scale
        />
        <div className={classes.riseBox}>
          <Text c="dimmed">Level against the band</Text>
          <div className={classes.ratio}>
            <ActionIcon aria-label="Lower" variant="default" onClick={() => step(-RISE_STEP)}>
              <IconMinus size={22} />
            </ActionIcon>
            <output className={large.huge} aria-label={`Rise ${rise.toFixed(1)} times`}>
              {format.rise(rise)}
            </output>
            <ActionIcon aria-label="Higher" variant="default" onClick={() => step(RISE_STEP)}>
              <IconPlus size={22} />
            </ActionIcon>
          </div>
        </div>
      </div>
      <Group grow mt="sm" align="flex-end">
        <QuantityField kind="rise" label="Or typed" what="The rise" value={rise} range={POSSIBLE.rise} onCommit={setTyped} />
        <WhenField label="Seen" minutesAgo={ago} onChange={setAgo} />
      </Group>
      {(Object.keys(SIGNS) as SignKind[]).map((kind) => (
        <fieldset key={kind} className={classes.signs}>
          <legend>{SIGN_WORDS[kind]}</legend>
          <Group gap={8}>
            {Object.keys(SIGNS[kind]).map((sign) => (
              <Chip key={sign} size="md" checked={signs[kind] === sign} onChange={(on) => setSigns({ ...signs, [kind]: on ? sign : undefined })}>
                {sign}
              </Chip>
            ))}
          </Group>
        </fieldset>
      ))}
      <Note tone="stop">Pink, orange or fuzzy: throw all of it away, do not scoop; wash the jar with hot water and soap.</Note>
      <Button size="lg" fullWidth mt="md" variant={judged?.verdict.advice.kind === 'mix now' ? 'light' : 'filled'} onClick={mark}>
        Note this look{kitchen.keys && <span className={large.keyHint}>m</span>}
      </Button>
    </Card>
  )
}

/** Where it stands, and moving it on. */
function Standing({ plan, state, onMoved }: StationProps & { onMoved: (placeId: string, tempC: number, minutesAgo: number) => void }) {
  const { kitchen } = useKitchen()
  const here = state.moves.at(-1)?.placeId ?? plan.placeId
  const [place, setPlace] = useState<Place | null>(null)
  const [ago, setAgo] = useState(0)
  const name = kitchen.places.find((p) => p.id === here)?.name ?? 'another place'
  return (
    <Card title={`It stands: ${name}`}>
      <Group grow align="flex-end">
        <PlaceSelect label="Moved to" placeholder="still there" except={here} value={place?.id ?? null} onPlace={setPlace} onClear={() => setPlace(null)} />
        <WhenField label="When" minutesAgo={ago} onChange={setAgo} />
      </Group>
      <Button
        mt="sm"
        variant="default"
        disabled={place === null}
        onClick={() => {
          if (place !== null) onMoved(place.id, place.tempC, ago)
          setPlace(null)
          setAgo(0)
        }}
      >
        It stands there now
      </Button>
    </Card>
  )
}

/** Phase, window and the one sentence of advice. */
function VerdictCard({ judged }: StationProps) {
  const { format } = useKitchen()
  if (judged === undefined) return <Skeleton height={190} />
  const { verdict, line } = judged
  const { word, says, shape } = PHASE_WORDS[verdict.phase]
  const at = (hours: number) => (Number.isFinite(hours) ? format.time(near(line.startedAtMs + hours * MS_PER_HOUR)) : 'later')
  const { opens, closes } = verdict.forecast
  return (
    <Card data-testid="verdict">
      <VisuallyHidden>Verdict</VisuallyHidden>
      <h2 className={large.item}>
        <span aria-hidden="true" className={classes.shape}>
          {shape}
        </span>{' '}
        {word}
      </h2>
      <Text c="dimmed">
        {says}, {verdict.probability > MOST_SURE ? 'over ' : ''}
        {format.percent(Math.min(verdict.probability, MOST_SURE), 0)} sure
      </Text>
      <p className={classes.advice}>{adviceSentence(verdict, line.startedAtMs, format)}</p>
      <Figures>
        <Figure value={`${at(opens.p50)} – ${at(closes.p50)}`} name="fit to mix" />
        <Figure value={`${at(opens.p05)} – ${at(closes.p95)}`} name="nine times in ten within" />
      </Figures>
    </Card>
  )
}

function Marks({ state, onUndo }: StationProps & { onUndo: (id: string) => void }) {
  const { format } = useKitchen()
  if (state.marks.length === 0) return null
  return (
    <Card title="Looks so far">
      <table className={classes.weigh}>
        <tbody>
          {[...state.marks].reverse().map((m) => (
            <tr key={m.id}>
              <th scope="row">{format.dayTime(m.atMs)}</th>
              <td>{Object.values(m.signs).join(', ')}</td>
              <td className={classes.grams}>{m.rise === undefined ? '' : format.rise(m.rise)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {state.lastUndoable?.type === 'mark' && (
        <Button variant="default" size="sm" mt="sm" onClick={() => onUndo(state.lastUndoable?.id ?? '')}>
          Undo the last look
        </Button>
      )}
    </Card>
  )
}

/** In the record: what happened, beside what had been forecast. */
function Mixed({ bake, state, jar, onUndo, ...rest }: StationProps & { onUndo: () => void }) {
  const { format } = useKitchen()
  if (state.mixed === null || state.band === null) return null
  const event = bake.events.find((e) => e.id === state.mixed?.id)
  const shown = event?.type === 'mixed' ? event.shown : undefined
  const bandMs = state.band.atMs
  const at = (hours: number | null | undefined) => (typeof hours === 'number' ? format.time(near(bandMs + hours * MS_PER_HOUR)) : 'later')
  return (
    <div className={classes.columns}>
      <Card title="In the record">
        <Figures>
          <Figure size="lg" value={format.dayTime(state.mixed.atMs)} name="mixed" />
          <Figure size="lg" value={format.duration((state.mixed.atMs - bandMs) / MS_PER_HOUR)} name="after the band" />
          <Figure size="lg" value={<Mass grams={state.mixed.levainGrams} />} name="levain in the dough" />
          <Figure size="lg" value={<Mass grams={state.mixed.keepBackGrams} />} name={`back into ${jar?.name ?? 'the jar'}`} />
        </Figures>
        {shown !== undefined && (
          <Note>
            When you mixed, Olvent saw it {shown.phase ?? 'ripening'} and fit from {at(shown.quantiles.opens[2])} to {at(shown.quantiles.closes[2])}.
          </Note>
        )}
        <Group mt="lg">
          {bake.status === 'mixed' && (
            <Button component={Link} to={`/bakes/${bake.id}/clock`} size="lg">
              On to the dough
            </Button>
          )}
          {state.lastUndoable?.type === 'mixed' && (
            <Button variant="default" onClick={onUndo}>
              Not mixed after all
            </Button>
          )}
        </Group>
      </Card>
      <Marks bake={bake} state={{ ...state, lastUndoable: null }} jar={jar} {...rest} onUndo={onUndo} />
    </div>
  )
}
