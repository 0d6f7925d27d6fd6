import { Chip, Group, SegmentedControl, Text, TextInput } from '@mantine/core'
import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { STARTER_FLOURS, STARTER_TEXTURES, type StarterFlour, type StarterSaid } from '../../../answers'
import { keysOf, POSSIBLE, readRatio, within } from '../../../core'
import { whenWords } from '../../../words'
import { STARTER_FIELDS, STARTER_FLOUR_WORDS, STARTER_TEXTURE_WORDS } from '../../../words/screens/parts-starter'
import { useKitchen } from '../../data/kitchen'
import { QuantityField } from '../fields/QuantityField'

/** What a jar of half a litre holds of a starter that has settled, by how full it is, g. Source: craft knowledge, near 1 g per ml. */
const BY_EYE = [
  { grams: 20, words: STARTER_FIELDS.spoonful },
  { grams: 120, words: STARTER_FIELDS.quarterJar },
  { grams: 240, words: STARTER_FIELDS.halfJar },
  { grams: 430, words: STARTER_FIELDS.nearlyFull }
] as const
const LONGEST_DAYS = 3 * 365

interface FieldsProps {
  readonly said: StarterSaid
  readonly onSaid: (patch: Partial<StarterSaid>) => void
}

/** What a starter is like: its flour, how thick, how much. */
export function StarterFields({ said, onSaid }: FieldsProps) {
  const { dried, flour, texture, hydration, grams, byEye } = said
  return (
    <>
      <Chips label={STARTER_FIELDS.flour} words={STARTER_FLOUR_WORDS} of={STARTER_FLOURS} value={flour} onChange={(v: StarterFlour) => onSaid({ flour: v })} />
      {!dried && (
        <>
          <Chips
            label={STARTER_FIELDS.texture}
            words={STARTER_TEXTURE_WORDS}
            of={keysOf(STARTER_TEXTURES)}
            value={texture ?? ''}
            onChange={(v) => onSaid({ texture: v, hydration: null })}
          />
          <QuantityField
            kind="percent"
            label={STARTER_FIELDS.hydration}
            what={STARTER_FIELDS.theHydration}
            placeholder={texture === null ? STARTER_FIELDS.notKnown : String(STARTER_TEXTURES[texture] * 100)}
            value={hydration}
            range={POSSIBLE.levainHydration}
            onCommit={(v) => onSaid({ hydration: v })}
            onClear={() => onSaid({ hydration: null })}
            maw={260}
          />
        </>
      )}
      <QuantityField
        kind="mass"
        label={dried ? STARTER_FIELDS.howMuchFlakes : STARTER_FIELDS.howMuch}
        placeholder={STARTER_FIELDS.notWeighed}
        value={byEye ? null : grams}
        range={[1, 20_000]}
        onCommit={(v) => onSaid({ grams: v, byEye: false })}
        onClear={() => onSaid({ grams: null, byEye: false })}
        maw={260}
      />
      {!dried && (
        <div>
          <Text c="dimmed" mb={4}>
            {STARTER_FIELDS.byEye}
          </Text>
          <Chip.Group value={byEye ? String(grams) : ''} onChange={(v) => onSaid({ grams: Number(v), byEye: true })}>
            <Group gap={8}>
              {BY_EYE.map((one) => (
                <Chip key={one.grams} value={String(one.grams)}>
                  {one.words}
                </Chip>
              ))}
            </Group>
          </Chip.Group>
        </div>
      )}
    </>
  )
}

/** One of a few, said in words. */
function Chips<V extends string>({
  label,
  words,
  of,
  value,
  onChange
}: {
  label: string
  words: Readonly<Record<V, string>>
  of: readonly V[]
  value: string
  onChange: (value: V) => void
}) {
  return (
    <div role="radiogroup" aria-label={label}>
      <Text fw={500} mb={4}>
        {label}
      </Text>
      <Chip.Group value={value} onChange={(v) => onChange(v as V)}>
        <Group gap={8}>
          {of.map((one) => (
            <Chip key={one} value={one}>
              {words[one]}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
    </div>
  )
}

const UNITS = { hours: millisecondsInHour, days: millisecondsInDay } as const
type Unit = keyof typeof UNITS

/** When it was last fed, in the words of the person who fed it, and how. */
export function LastFedFields({ said, onSaid, cold, now }: FieldsProps & { readonly cold: boolean; readonly now: number }) {
  const { format } = useKitchen()
  const { dried, fedAtMs } = said
  const [chosen, setUnit] = useState<Unit | null>(null)
  const unit = chosen ?? (cold || dried ? 'days' : 'hours')
  const [ratio, setRatio] = useState(said.flourPerSeed === null ? '' : `1:${said.flourPerSeed}`)
  const read = ratio === '' ? null : readRatio(ratio)
  const isWrong = ratio !== '' && (read === null || !within(POSSIBLE.flourPerSeed, read.flourPerSeed))
  return (
    <>
      <Group align="flex-end" gap="sm" wrap="nowrap" maw={400}>
        <QuantityField
          kind="parts"
          label={dried ? STARTER_FIELDS.driedAgo : STARTER_FIELDS.fedAgo}
          placeholder={STARTER_FIELDS.notKnown}
          value={fedAtMs === null ? null : Math.round(((now - fedAtMs) / UNITS[unit]) * 10) / 10}
          range={[0, (LONGEST_DAYS * millisecondsInDay) / UNITS[unit]]}
          onCommit={(ago) => onSaid({ fedAtMs: now - ago * UNITS[unit] })}
          onClear={() => onSaid({ fedAtMs: null })}
          style={{ flex: 1 }}
        />
        <SegmentedControl
          aria-label={STARTER_FIELDS.unit}
          value={unit}
          data={[
            { value: 'hours', label: STARTER_FIELDS.hoursAgo },
            { value: 'days', label: STARTER_FIELDS.daysAgo }
          ]}
          onChange={(next) => {
            // What was typed is meant in the unit that stands beside it.
            if (fedAtMs !== null) onSaid({ fedAtMs: now - ((now - fedAtMs) / UNITS[unit]) * UNITS[next] })
            setUnit(next)
          }}
        />
      </Group>
      <Text c="dimmed" mt={4}>
        {fedAtMs !== null
          ? STARTER_FIELDS.thatWas(whenWords(fedAtMs, now, format))
          : dried
            ? ''
            : cold
              ? STARTER_FIELDS.leftEmptyCold
              : STARTER_FIELDS.leftEmptyWarm}
      </Text>
      {!dried && (
        <TextInput
          mt="sm"
          maw={260}
          label={STARTER_FIELDS.ratio}
          placeholder={STARTER_FIELDS.ratioExample}
          value={ratio}
          error={isWrong ? STARTER_FIELDS.ratioLooks : null}
          onChange={(e) => {
            const next = e.currentTarget.value
            setRatio(next)
            const ratioRead = readRatio(next)
            onSaid({ flourPerSeed: ratioRead !== null && within(POSSIBLE.flourPerSeed, ratioRead.flourPerSeed) ? ratioRead.flourPerSeed : null })
          }}
        />
      )}
    </>
  )
}
