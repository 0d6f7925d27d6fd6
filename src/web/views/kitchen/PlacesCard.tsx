import { ActionIcon, Button, Checkbox, FileButton, Group, NumberInput, Select, Text, Textarea, TextInput } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import type { Kitchen, KitchenEdit, Place, PlaceReadings } from '../../../contract'
import { POSSIBLE, type ReadReadings, SURROUNDINGS, type Surroundings } from '../../../core'
import { PLACES_CARD } from '../../../words/screens/kitchen'
import { useKitchen } from '../../data/kitchen'
import { type Log, textOf, useLog } from '../../data/logs'
import { newId } from '../../data/newId'
import { bringReadings, setImportTakenBack, usePlaceReadings } from '../../data/readings'
import { Card, Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useOnce } from '../../parts/useOnce'
import classes from './KitchenRoom.module.css'

/** A night is first taken to be so much cooler, K. */
const NIGHT_COOLER = 3
const SURROUNDING_WORDS: Readonly<Record<Surroundings, string>> = {
  air: PLACES_CARD.stillAir,
  'water bath': PLACES_CARD.waterBath,
  'insulated box': PLACES_CARD.boxThatKeepsWarmthOr
}

/** Places where jars stand: how warm by day and night, what surrounds them, and what was measured there. */
export function PlacesCard({ kitchen, change }: { readonly kitchen: Kitchen; readonly change: (patch: Partial<KitchenEdit>) => void }) {
  const [open, setOpen] = useState<string | null>(null)
  const setPlace = (id: string, patch: Partial<Place>) => change({ places: kitchen.places.map((p) => (p.id === id ? { ...p, ...patch } : p)) })
  return (
    <Card title={PLACES_CARD.placesAndHowWarmThey}>
      {kitchen.places.map((place) => (
        <div key={place.id} className={classes.place}>
          <Group wrap="nowrap" align="flex-end" gap="sm">
            <TextInput
              aria-label={PLACES_CARD.namePlace}
              defaultValue={place.name}
              maxLength={80}
              style={{ flex: 1 }}
              onBlur={(e) => {
                if (e.currentTarget.value.trim() === '') e.currentTarget.value = place.name
                else if (e.currentTarget.value !== place.name) setPlace(place.id, { name: e.currentTarget.value })
              }}
            />
            <QuantityField
              kind="temperature"
              aria-label={PLACES_CARD.temperature(place.name)}
              what={PLACES_CARD.temperature2}
              value={place.tempC}
              range={POSSIBLE.tempC}
              description={place.guessed ? PLACES_CARD.guess : undefined}
              inputWrapperOrder={['label', 'input', 'description', 'error']}
              onCommit={(tempC) => setPlace(place.id, { tempC, guessed: false })}
              w={104}
            />
            {kitchen.places.length > 1 && (
              <ActionIcon aria-label={PLACES_CARD.takeAway(place.name)} onClick={() => change({ places: kitchen.places.filter((p) => p.id !== place.id) })}>
                <IconMinus size={20} />
              </ActionIcon>
            )}
          </Group>
          <button type="button" className={classes.more} aria-expanded={open === place.id} onClick={() => setOpen(open === place.id ? null : place.id)}>
            {open === place.id ? PLACES_CARD.close(place.name) : <PlaceWords place={place} />}
          </button>
          {open === place.id && <PlaceForm place={place} onPatch={(patch) => setPlace(place.id, patch)} />}
        </div>
      ))}
      <Button
        variant="subtle"
        size="sm"
        leftSection={<IconPlus size={18} />}
        onClick={() =>
          change({
            places: [
              ...kitchen.places,
              { id: newId(), name: PLACES_CARD.anotherPlace, tempC: 22, guessed: true, nightTempC: null, surroundings: 'air', takes: null }
            ]
          })
        }
      >
        {PLACES_CARD.anotherPlace}
      </Button>
      <QuantityField
        mt="sm"
        kind="temperature"
        label={PLACES_CARD.waterFromTap}
        what={PLACES_CARD.tapWater}
        value={kitchen.tapTempC}
        range={POSSIBLE.waterTempC}
        onCommit={(tapTempC) => change({ tapTempC })}
      />
      <Note>{PLACES_CARD.firstPlaceTakenForRoom}</Note>
    </Card>
  )
}

/** What a place does beside its temperature by day, in one line. */
function PlaceWords({ place }: { readonly place: Place }) {
  const { format } = useKitchen()
  const night = place.nightTempC === null ? PLACES_CARD.sameByDayAndNight : PLACES_CARD.byNight(format.temperature(place.nightTempC))
  return (
    <>
      {night}, {SURROUNDING_WORDS[place.surroundings]}
    </>
  )
}

function PlaceForm({ place, onPatch }: { readonly place: Place; readonly onPatch: (patch: Partial<Place>) => void }) {
  return (
    <div className={classes.placeForm}>
      <Group align="flex-end" wrap="nowrap">
        <Checkbox
          label={PLACES_CARD.coolerByNight}
          checked={place.nightTempC !== null}
          onChange={(e) => onPatch({ nightTempC: e.currentTarget.checked ? place.tempC - NIGHT_COOLER : null })}
          style={{ flex: 1 }}
          py="sm"
        />
        {place.nightTempC !== null && (
          <QuantityField
            kind="temperature"
            label={PLACES_CARD.coldestByNight}
            what={PLACES_CARD.temperatureByNight}
            value={place.nightTempC}
            range={POSSIBLE.tempC}
            onCommit={(nightTempC) => onPatch({ nightTempC })}
            w={160}
          />
        )}
      </Group>
      {place.nightTempC !== null && (
        <Text c="dimmed" size="sm">
          {PLACES_CARD.warmestInAfternoonAtFour}
        </Text>
      )}
      <Select
        label={PLACES_CARD.whatSurroundsJarThere}
        data={SURROUNDINGS.map((s) => ({ value: s, label: SURROUNDING_WORDS[s] }))}
        value={place.surroundings}
        allowDeselect={false}
        onChange={(v) => v !== null && onPatch({ surroundings: v })}
      />
      <NumberInput
        label={PLACES_CARD.howManyFindRoomThere}
        placeholder={PLACES_CARD.asManyAsThereAre}
        min={1}
        max={20}
        value={place.takes ?? ''}
        onChange={(v) => onPatch({ takes: typeof v === 'number' && v >= 1 ? Math.round(v) : null })}
      />
      <Measured place={place} />
    </div>
  )
}

/** Logs that were brought in: each can be taken back, and tell again. */
function Imports({ placeId, imports }: { readonly placeId: string; readonly imports: PlaceReadings['imports'] }) {
  const { format } = useKitchen()
  const { run, busy } = useOnce(({ id, takenBack }: PlaceReadings['imports'][number]) => setImportTakenBack(placeId, id, !takenBack).catch(tellError))
  return (
    <ul className={classes.imports}>
      {imports.map((one) => (
        <li key={one.id} className={classes.import}>
          <span>
            {PLACES_CARD.readingsBroughtIn(one.name === '' ? PLACES_CARD.pastedLog : one.name, one.count, format.dayTime(one.at))}
            {one.takenBack && PLACES_CARD.takenBack}
          </span>
          <Button size="sm" variant="subtle" disabled={busy} onClick={() => run(one)}>
            {one.takenBack ? PLACES_CARD.toUseAgain : PLACES_CARD.takeBack}
          </Button>
        </li>
      ))}
    </ul>
  )
}

/** Temperatures measured at a place: pasted or from a file, looked over, then brought in. */
function Measured({ place }: { readonly place: Place }) {
  const { kitchen, format } = useKitchen()
  const known = usePlaceReadings(place.id)
  const [log, setLog] = useState<Log & { readonly name: string | null }>({ id: '', text: '', name: null })
  const setText = (text: string, name: string | null = null) => setLog({ id: newId(), text, name })
  const found = useLog(log, kitchen.timeZone)
  const { run: bring, busy } = useOnce(({ readings }: ReadReadings) => {
    setText('')
    return bringReadings(place.id, log.name ?? '', readings).then((undo) => tellDone(PLACES_CARD.readingsAreIn(readings.length, place.name), undo), tellError)
  })
  return (
    <div>
      <Text fw={500} mb={4}>
        {PLACES_CARD.measuredThere}
      </Text>
      <Text c="dimmed" mb="xs">
        {known === undefined || known.count === 0 || known.firstAt === null || known.lastAt === null
          ? PLACES_CARD.nothingYetLogThermometerMakes
          : PLACES_CARD.readingsTo(known.count, format.dayTime(known.firstAt), format.dayTime(known.lastAt))}
      </Text>
      {known !== undefined && known.imports.length > 0 && <Imports placeId={place.id} imports={known.imports} />}
      <Textarea
        aria-label={PLACES_CARD.readings(place.name)}
        placeholder={'2026-11-26 20:00, 21.5\n2026-11-26 20:10, 21.4'}
        rows={3}
        value={log.name === null ? log.text : log.name}
        readOnly={log.name !== null}
        onChange={(e) => setText(e.currentTarget.value)}
      />
      {found === undefined && <Note>{PLACES_CARD.reading}</Note>}
      {found != null && !found.ok && <Note tone="care">{PLACES_CARD.noLineThisHasTime}</Note>}
      {found?.ok && (
        <Note>
          {PLACES_CARD.readingsTo2(
            found.value.readings.length,
            format.dayTime(found.value.readings[0]?.ms ?? 0),
            format.dayTime(found.value.readings.at(-1)?.ms ?? 0)
          )}
          {found.value.skipped.length > 0 && PLACES_CARD.linesSayNothingAndAre(found.value.skipped.length, found.value.skipped.slice(0, 5).join(', '))}.
        </Note>
      )}
      <Group mt="xs">
        <FileButton
          accept="text/csv,text/plain,.csv,.tsv,.txt"
          onChange={(file) => {
            if (file !== null) textOf(file).then((text) => setText(text, file.name), tellError)
          }}
        >
          {(button) => (
            <Button {...button} size="sm" variant="default">
              {PLACES_CARD.fromFile}
            </Button>
          )}
        </FileButton>
        {found?.ok && (
          <Button size="sm" disabled={busy} onClick={() => bring(found.value)}>
            {PLACES_CARD.bringThemIn}
          </Button>
        )}
      </Group>
    </div>
  )
}
