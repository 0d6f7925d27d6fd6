import { Button, SegmentedControl, Select, Skeleton, Stack, Switch, Text, TextInput } from '@mantine/core'
import { millisecondsInDay } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { beliefIn, type ProgramChoices, type ProgramGround, proposeProgram, waysToWait, whereItStands } from '../../../answers'
import type { Jar } from '../../../contract'
import {
  type AbsenceWay,
  CULTURE_TRAITS,
  CULTURES,
  DRIED_SHAPES,
  isCold,
  OWN_STEP,
  POSSIBLE,
  PROGRAM_KINDS,
  type Program,
  type ProgramKind
} from '../../../core'
import { KIND_WORDS } from '../../../words'
import { CHOOSE_PROGRAM } from '../../../words/screens/programs'
import { useCultures } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { startProgram } from '../../data/programs'
import { Card, Note } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { Room } from '../../parts/cards/Room'
import { tellError } from '../../parts/cards/tell'
import { MomentField } from '../../parts/fields/MomentField'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { QuantityField } from '../../parts/fields/QuantityField'
import { OwnSteps } from './OwnSteps'
import classes from './programs.module.css'
import { StepList } from './StepList'

/** Chooses a program for a jar. */
export function ChooseProgram() {
  const { id = '' } = useParams()
  const [params, setParams] = useSearchParams()
  const { cultures, error } = useCultures()
  if (cultures === undefined)
    return error === undefined ? <Skeleton height={320} /> : <Quiet title={CHOOSE_PROGRAM.jarsCouldNotBeOpened} words={error.message} />
  const jar = cultures.jars.find((j) => j.id === id)
  if (jar === undefined)
    return <Quiet title={CHOOSE_PROGRAM.thisJarNotHere} words={CHOOSE_PROGRAM.hasBeenTakenAwayOr} action={{ label: CHOOSE_PROGRAM.jars, href: '/jars' }} />
  if (jar.program !== null) {
    return (
      <Quiet
        title={CHOOSE_PROGRAM.inProgramAlready(jar.name)}
        words={CHOOSE_PROGRAM.finishOrCallOffFirst(jar.program.title)}
        action={{ label: CHOOSE_PROGRAM.goTo, href: `/programs/${jar.program.id}` }}
      />
    )
  }
  const kinds = PROGRAM_KINDS.filter((kind) => kind !== 'new culture' && (kind === 'wake') === (jar.culture === 'dried'))
  const wanted = kinds.find((kind) => kind === params.get('kind'))
  const kind = wanted ?? (kinds.length === 1 ? kinds[0] : undefined)
  return (
    <Room title={CHOOSE_PROGRAM.whatToDo(jar.name)}>
      {kinds.length > 1 && (
        <fieldset className={classes.kinds} aria-label={CHOOSE_PROGRAM.programs}>
          {kinds.map((k) => (
            <button key={k} type="button" className={classes.kind} aria-pressed={k === kind} onClick={() => setParams({ kind: k }, { replace: true })}>
              <b>{KIND_WORDS[k].name}</b>
              <span>{KIND_WORDS[k].use}</span>
            </button>
          ))}
        </fieldset>
      )}
      {kind !== undefined && kind !== 'new culture' && <Propose key={kind} kind={kind} jar={jar} parameters={beliefIn(cultures.beliefs, jar.id).centre} />}
    </Room>
  )
}

/** So much in a jar was grown to be dried: all of it but its least. */
const LARGE_GRAMS = 300

const USUAL_GRAMS: Readonly<Partial<Record<ProgramKind, number>>> = { dry: 40, grow: 400, gift: 50 }

function Propose({ kind, jar, parameters }: { kind: Exclude<ProgramKind, 'new culture'>; jar: Jar; parameters: ProgramGround['parameters'] }) {
  const { kitchen, pantry, format } = useKitchen()
  const navigate = useNavigate()
  const now = useMemo(nowMs, [])
  const warm =
    kitchen.places.find((p) => p.id === whereItStands(jar, now).placeId && !isCold(p.tempC)) ??
    kitchen.places.find((p) => !isCold(p.tempC)) ??
    kitchen.places[0]
  const [choices, setChoices] = useState<ProgramChoices>({
    placeId: warm?.id ?? jar.placeId,
    culture: jar.culture === 'stiff' ? 'white wheat' : 'stiff',
    school: 'gather first',
    name: '',
    grams: kind === 'dry' && jar.grams - jar.keepMinimumGrams > LARGE_GRAMS ? Math.round(jar.grams - jar.keepMinimumGrams) : (USUAL_GRAMS[kind] ?? 50),
    shape: 'flakes',
    feedFirst: false,
    hydration: null,
    steps: [{ ...OWN_STEP, afterHours: 0 }, OWN_STEP],
    awayDays: 21,
    way: null,
    whenMs: now + 2 * millisecondsInDay
  })
  const edit = (patch: Partial<ProgramChoices>) => setChoices((before) => ({ ...before, ...patch }))
  const ground = useMemo(() => ({ kitchen, pantry, format, nowMs: now, parameters }), [kitchen, pantry, format, now, parameters])
  const ways = useMemo(() => (kind === 'absence' ? waysToWait(jar, choices.placeId, ground) : []), [kind, jar, choices.placeId, ground])
  const chosen = useMemo(() => ({ ...choices, way: choices.way ?? bestWay(ways, choices.awayDays) }), [choices, ways])
  const proposed = useMemo(() => proposeProgram(kind, jar, chosen, ground), [kind, jar, chosen, ground])
  const begin = (program: Program) => startProgram({ jarId: jar.id, placeId: choices.placeId, program }).then((id) => navigate(`/programs/${id}`), tellError)
  return (
    <div className={classes.columns}>
      <Card title={KIND_WORDS[kind].name}>
        <Stack gap="md">
          {kind === 'change' && (
            <Select
              label={CHOOSE_PROGRAM.toBecome}
              data={CULTURES.filter((c) => c !== 'dried' && c !== jar.culture)}
              description={CULTURE_TRAITS[choices.culture].says}
              value={choices.culture}
              allowDeselect={false}
              onChange={(v) => v !== null && edit({ culture: v })}
            />
          )}
          {kind === 'strengthen' && <MomentField ms={choices.whenMs} fromMs={now} onMs={(whenMs) => edit({ whenMs })} />}
          {kind === 'gift' && (
            <TextInput
              label={CHOOSE_PROGRAM.forWord}
              placeholder={CHOOSE_PROGRAM.nameWord}
              maxLength={60}
              value={choices.name}
              onChange={(e) => edit({ name: e.currentTarget.value })}
            />
          )}
          {kind === 'wake' && (
            <TextInput
              label={CHOOSE_PROGRAM.nameWokenJar}
              maxLength={80}
              value={choices.name}
              placeholder={CHOOSE_PROGRAM.woken(jar.name.replace(/, dried$/, ''))}
              onChange={(e) => edit({ name: e.currentTarget.value })}
            />
          )}
          {(kind === 'dry' || kind === 'grow' || kind === 'gift') && (
            <QuantityField
              kind="mass"
              label={kind === 'dry' ? CHOOSE_PROGRAM.wetToBeDried : kind === 'grow' ? CHOOSE_PROGRAM.wantedBesideLeast : CHOOSE_PROGRAM.givenAway}
              value={choices.grams}
              range={[5, 10_000]}
              onCommit={(grams) => edit({ grams })}
            />
          )}
          {kind === 'dry' && (
            <SegmentedControl
              aria-label={CHOOSE_PROGRAM.driedAs}
              data={[...DRIED_SHAPES]}
              value={choices.shape}
              onChange={(shape) => edit({ shape: shape as ProgramChoices['shape'] })}
            />
          )}
          {kind === 'dry' && choices.grams <= jar.grams - jar.keepMinimumGrams && (
            <Switch label={CHOOSE_PROGRAM.feedFirst} checked={choices.feedFirst} onChange={(e) => edit({ feedFirst: e.currentTarget.checked })} />
          )}
          {kind === 'grow' && (
            <QuantityField
              kind="percent"
              label={CHOOSE_PROGRAM.hydration}
              value={choices.hydration ?? jar.hydration}
              range={POSSIBLE.levainHydration}
              onCommit={(hydration) => edit({ hydration })}
            />
          )}
          {kind === 'own' && <OwnSteps steps={choices.steps} onSteps={(steps) => edit({ steps })} />}
          {kind === 'absence' && (
            <QuantityField
              kind="count"
              label={CHOOSE_PROGRAM.awayForDays}
              value={choices.awayDays}
              range={[3, 365]}
              onCommit={(awayDays) => edit({ awayDays, way: null })}
            />
          )}
          <PlaceSelect
            label={kind === 'absence' ? CHOOSE_PROGRAM.standsFirstAt : CHOOSE_PROGRAM.whereStands}
            value={choices.placeId}
            onPlace={({ id }) => edit({ placeId: id, way: null })}
          />
          {kind === 'absence' && chosen.way !== null && <Honestly name={jar.name} way={chosen.way} awayDays={choices.awayDays} />}
          {kind === 'absence' && <Ways ways={ways} awayDays={choices.awayDays} chosen={chosen.way} onWay={(way) => edit({ way })} />}
        </Stack>
      </Card>
      {'sentence' in proposed ? (
        <Card title={CHOOSE_PROGRAM.whatToExpect}>
          <Note tone="stop">{proposed.sentence}</Note>
          {kind === 'change' && (choices.culture === 'gluten-free' || jar.culture === 'gluten-free') && (
            <Button mt="md" component={Link} to={`/programs/new?culture=${choices.culture}`}>
              {CHOOSE_PROGRAM.startNewCulture}
            </Button>
          )}
        </Card>
      ) : (
        <Preview program={proposed.program} now={now} onBegin={() => void begin(proposed.program)} />
      )}
    </div>
  )
}

/** The way that lasts long enough with the least flour; the longest where none does. */
function bestWay(ways: readonly AbsenceWay[], awayDays: number): AbsenceWay | null {
  const enough = ways.filter((way) => way.hungryDays >= awayDays)
  return [...enough].sort((a, b) => a.flourGrams - b.flourGrams)[0] ?? ways[0] ?? null
}

/** What becomes of it when it is left longer than it lasts. */
function Honestly({ name, way, awayDays }: { name: string; way: AbsenceWay; awayDays: number }) {
  if (way.hungryDays >= awayDays) return null
  return (
    <Note tone={way.lastsDays < awayDays ? 'stop' : 'care'}>
      {way.lastsDays < awayDays ? CHOOSE_PROGRAM.thatLongerThanCanBe(name) : CHOOSE_PROGRAM.willBeHungryForLast(name, Math.round(awayDays - way.hungryDays))}
    </Note>
  )
}

const SHOWN_WAYS = 8

function Ways({
  ways,
  awayDays,
  chosen,
  onWay
}: {
  ways: readonly AbsenceWay[]
  awayDays: number
  chosen: AbsenceWay | null
  onWay: (way: AbsenceWay) => void
}) {
  const { kitchen, format } = useKitchen()
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? CHOOSE_PROGRAM.place
  return (
    <div>
      <Text fw={500}>{CHOOSE_PROGRAM.howWaits}</Text>
      <div className={classes.ways}>
        {ways.slice(0, SHOWN_WAYS).map((way) => (
          <button
            key={`${way.flourPerSeed} ${way.hydration} ${way.placeId}`}
            type="button"
            className={classes.way}
            aria-pressed={way === chosen}
            onClick={() => onWay(way)}
          >
            <b>
              1:{way.flourPerSeed}, {format.percent(way.hydration, 0)}, {nameOf(way.placeId)}
            </b>
            <span data-short={way.hungryDays < awayDays}>
              {CHOOSE_PROGRAM.hungryAfterDaysComesBack(
                Math.round(way.hungryDays),
                Math.round(way.lastsDays),
                way.lastsDays >= 60 ? CHOOSE_PROGRAM.andMore : ''
              )}
            </span>
          </button>
        ))}
      </div>
    </div>
  )
}

/** The steps with their times, before it is begun. */
function Preview({ program, now, onBegin }: { program: Program; now: number; onBegin: () => void }) {
  return (
    <Card title={program.title} data-testid="preview">
      <Text mb="md">{program.says}</Text>
      <StepList program={program} from={now} />
      <Button mt="lg" size="lg" onClick={onBegin}>
        {CHOOSE_PROGRAM.begin}
      </Button>
    </Card>
  )
}
