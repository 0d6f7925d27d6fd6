import { Button, Group, Text } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import { awaitsPot, jarQuestion } from '../../../../answers'
import { type Jar, type Place, ROUTES } from '../../../../contract'
import type { Reasons } from '../../../../core'
import { near, seenWords } from '../../../../words'
import { STANDING } from '../../../../words/screens/jars'
import { WATCH_STATION } from '../../../../words/screens/watch'
import { nowMs } from '../../../data/clock'
import { moveJar } from '../../../data/jars'
import { useReasons } from '../../../data/judging'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/cards/Card'
import { Quiet } from '../../../parts/cards/Quiet'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { PlaceSelect } from '../../../parts/fields/PlaceSelect'
import { WhenField } from '../../../parts/fields/WhenField'
import { TroubleCard } from '../../../parts/trouble/TroubleCard'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { useSourAsked } from '../doughHere'
import { Happened } from '../Happened'
import { OnePotCard } from '../levain/OnePotCard'
import { MixCard } from '../MixCard'
import { LevainOutCard } from '../OutCard'
import { FromLog } from './FromLog'
import { FromPictures } from './FromPictures'
import { Look } from './Look'
import { useLooks } from './useLooks'
import { useNotes } from './useNotes'
import { VerdictCard } from './VerdictCard'
import watch from './Watch.module.css'
import { WaysCard } from './WaysCard'

/** Look at the jar, and judge: is it ready to mix? */
export function WatchStation() {
  const bakeHere = useBakeHere()
  const { bake, state, judged, plan } = bakeHere
  const { note, undo, noteUndoably } = useNotes()
  const move = (placeId: string, tempC: number, ago: number) => noteUndoably({ type: 'moved', placeId, tempC }, ago, 'Moved.')
  const reasons = useReasons(state.mixed === null ? judged : undefined)
  const asItIs = plan.build.source === 'as it is'
  if (state.band === null && asItIs && bakeHere.jar !== undefined) {
    const { jar, belief, now } = bakeHere
    return jarQuestion({ state, plan, line: bake.line }, jar, belief, now) !== null ? (
      <WatchJar jar={jar} reasons={reasons} />
    ) : (
      <Quiet
        title={WATCH_STATION.lookAtJar(jar.name)}
        words={WATCH_STATION.usedAsItIs(jar.name)}
        action={{ label: WATCH_STATION.goToJar(jar.name), href: `/jars/${jar.id}` }}
      />
    )
  }
  if (awaitsPot(plan)) return <OnePotCard />
  if (state.band === null) {
    return (
      <Quiet
        title={WATCH_STATION.nothingToWatchYet}
        words={WATCH_STATION.onceLevainWeighedAndLevel}
        action={{ label: WATCH_STATION.goToWeigh, href: `/bakes/${bake.id}/weigh` }}
      />
    )
  }
  if (state.mixed !== null) return <Mixed onUndo={() => undo(state.mixed?.id ?? '').catch(tellError)} />
  const mix = (
    <MixCard
      title={WATCH_STATION.intoDough}
      onMixed={(event, minutesAgo) => note(event, minutesAgo).then(() => tellDone(WATCH_STATION.mixedAndInRecord(plan.name)), tellError)}
    />
  )
  if (asItIs) return mix
  return (
    <Rising
      reasons={reasons}
      onMove={(placeId, tempC) => move(placeId, tempC, 0)}
      beside={
        <Card title={WATCH_STATION.fromPicturesOrLog}>
          <details className={classes.how}>
            <summary>{WATCH_STATION.photographsJar}</summary>
            <FromPictures />
          </details>
          <details className={classes.how}>
            <summary>{WATCH_STATION.logLevels}</summary>
            <FromLog />
          </details>
        </Card>
      }
    >
      {judged !== undefined && mix}
      <Standing onMoved={move} />
    </Rising>
  )
}

/** A jar that goes into the dough as it is: looked at and judged like a levain. */
function WatchJar({ jar, reasons }: { readonly jar: Jar; readonly reasons: Reasons | undefined }) {
  const { bake, judged } = useBakeHere()
  const { kitchen } = useKitchen()
  const move = (placeId: string) =>
    void moveJar(jar, placeId, nowMs()).then(
      (undo) => tellDone(STANDING.standsAtNow(jar.name, kitchen.places.find((p) => p.id === placeId)?.name ?? WATCH_STATION.anotherPlace), undo),
      tellError
    )
  return (
    <Rising reasons={reasons} onMove={move}>
      <Card title={WATCH_STATION.intoDough}>
        <Text>{WATCH_STATION.usedAsItIs(jar.name)}</Text>
        <Group mt="md" gap="xs">
          <Button component={Link} to={`/bakes/${bake.id}/weigh`} variant={judged?.told.advice.kind === 'mix now' ? 'filled' : 'default'}>
            {WATCH_STATION.weighIntoDough}
          </Button>
          <Button component={Link} to={`/jars/${jar.id}`} variant="subtle">
            {WATCH_STATION.goToJar(jar.name)}
          </Button>
        </Group>
      </Card>
    </Rising>
  )
}

/** What rises, looked at and judged: the look, the verdict, the ways on; what goes into the dough, and what was seen. */
function Rising({
  reasons,
  onMove,
  beside,
  children
}: {
  readonly reasons: Reasons | undefined
  readonly onMove: (placeId: string, tempC: number) => void
  /** Other ways to take its level. */
  readonly beside?: ReactNode
  readonly children: ReactNode
}) {
  const { judged, jar, now } = useBakeHere()
  const sour = useSourAsked()
  return (
    <div className={watch.watch}>
      <div className={`${classes.stack} ${watch.look}`}>
        <Look reasons={reasons} />
        {beside}
      </div>
      <div className={watch.verdict}>
        <VerdictCard reasons={reasons} />
      </div>
      <div className={`${classes.stack} ${watch.rest}`}>
        <WaysCard onMove={onMove} />
        {judged?.told.advice.kind !== 'ask' && judged?.told.advice.kind !== 'for taste' && <LevainOutCard onMove={onMove} />}
        {children}
        {judged !== undefined && (
          <TroubleCard
            line={judged.line}
            belief={judged.belief}
            jar={jar}
            now={now}
            sour={sour}
            atFirst={judged.verdict.advice.kind === 'not rising' ? 'no rise' : null}
          />
        )}
        <Marks undoable />
        <Happened />
      </div>
    </div>
  )
}

/** Where it stands, and moving it on. */
function Standing({ onMoved }: { onMoved: (placeId: string, tempC: number, minutesAgo: number) => void }) {
  const { plan, state } = useBakeHere()
  const { kitchen } = useKitchen()
  const here = state.moves.at(-1)?.placeId ?? plan.placeId
  const [place, setPlace] = useState<Place | null>(null)
  const [ago, setAgo] = useState(0)
  const name = kitchen.places.find((p) => p.id === here)?.name ?? WATCH_STATION.anotherPlace
  return (
    <Card title={WATCH_STATION.stands(name)}>
      <Group grow align="flex-end">
        <PlaceSelect
          label={WATCH_STATION.movedTo}
          placeholder={WATCH_STATION.stillThere}
          except={here}
          value={place?.id ?? null}
          onPlace={setPlace}
          onClear={() => setPlace(null)}
        />
        <WhenField label={WATCH_STATION.when} minutesAgo={ago} onChange={setAgo} />
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
        {WATCH_STATION.standsThereNow}
      </Button>
    </Card>
  )
}

function Marks({ undoable = false }: { readonly undoable?: boolean }) {
  const { seen, undoLast } = useLooks()
  const { format } = useKitchen()
  if (seen.length === 0) return null
  return (
    <Card title={WATCH_STATION.whatYouSaw}>
      <table className={classes.weigh}>
        <tbody>
          {[...seen].reverse().map((m) => (
            <tr key={m.id}>
              <th scope="row">{format.dayTime(m.atMs)}</th>
              <td>
                {[...seenWords(m.signs), ...(m.pH === undefined ? [] : [WATCH_STATION.pH(m.pH)])].join(', ')}
                {m.picture !== undefined && <img className={watch.thumb} src={ROUTES.picture(m.picture)} alt={WATCH_STATION.jarAt(format.time(m.atMs))} />}
              </td>
              <td className={classes.grams}>{m.rise === undefined ? '' : format.rise(m.rise)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {undoable && undoLast !== null && (
        <Button variant="default" size="sm" mt="sm" onClick={undoLast}>
          {WATCH_STATION.undoLastLook}
        </Button>
      )}
    </Card>
  )
}

/** In the record: what happened, beside what had been forecast. */
function Mixed({ onUndo }: { onUndo: () => void }) {
  const { bake, state, jar, plan } = useBakeHere()
  const asItIs = plan.build.source === 'as it is'
  const { format } = useKitchen()
  if (state.mixed === null || state.band === null) return null
  const event = bake.events.find((e) => e.id === state.mixed?.id)
  const shown = event?.type === 'mixed' ? event.shown : undefined
  const keptApart = event?.type === 'mixed' ? event.keepAs : undefined
  const bandMs = state.band.atMs
  const at = (hours: number | null | undefined) => (typeof hours === 'number' ? format.time(near(bandMs + hours * millisecondsInHour)) : 'later')
  return (
    <div className={classes.columns}>
      <Card title={WATCH_STATION.inRecord}>
        <Figures>
          <Figure size="lg" value={format.dayTime(state.mixed.atMs)} name={WATCH_STATION.mixed} />
          {!asItIs && <Figure size="lg" value={format.duration((state.mixed.atMs - bandMs) / millisecondsInHour)} name={WATCH_STATION.sinceMixing} />}
          <Figure size="lg" value={<Mass grams={state.mixed.levainGrams} />} name={WATCH_STATION.levainInDough} />
          {!asItIs && (
            <Figure
              size="lg"
              value={<Mass grams={state.mixed.keepBackGrams} />}
              name={keptApart === undefined ? WATCH_STATION.backInto(jar?.name ?? WATCH_STATION.jar) : keptApart.name}
            />
          )}
        </Figures>
        {shown !== undefined && !asItIs && (
          <Note>{WATCH_STATION.whenYouMixedOlventSaw(shown.phase ?? 'ripening', at(shown.quantiles.opens[2]), at(shown.quantiles.closes[2]))}</Note>
        )}
        <Group mt="lg">
          {bake.status === 'mixed' && (
            <Button component={Link} to={`/bakes/${bake.id}/plan`} size="lg">
              {WATCH_STATION.goToBread}
            </Button>
          )}
          {state.lastUndoable?.type === 'mixed' && (
            <Button variant="default" onClick={onUndo}>
              {WATCH_STATION.undoWasNotMixed}
            </Button>
          )}
        </Group>
      </Card>
      <Marks />
      <Happened />
    </div>
  )
}
