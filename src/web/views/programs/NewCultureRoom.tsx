import { Button, Group, SegmentedControl, Select, SimpleGrid, Stack, Text, TextInput } from '@mantine/core'
import { useMemo, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { proposeNewCulture } from '../../../answers'
import { isoOf } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, type Culture, firstMix, NEW_CULTURE_SCHOOLS, type NewCultureSchool, OWN_STEP, type OwnStep, ownCulture } from '../../../core'
import { NEW_CULTURE_ROOM } from '../../../words/screens/programs'
import { nowMs } from '../../data/clock'
import { openJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { startProgram } from '../../data/programs'
import { Card, Note } from '../../parts/cards/Card'
import { Room } from '../../parts/cards/Room'
import { tellError } from '../../parts/cards/tell'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useNarrow } from '../../parts/useNarrow'
import { OwnSteps } from './OwnSteps'
import classes from './programs.module.css'
import { StepList } from './StepList'

/** The school of those who have one of their own. */
const OWN = NEW_CULTURE_ROOM.own

/** A culture starts best so warm, °C. */
const IDEAL_C = 25

/** A culture that is to be, from flour and water. */
export function NewCultureRoom() {
  const { kitchen, format, pantry } = useKitchen()
  const navigate = useNavigate()
  const narrow = useNarrow()
  const [params] = useSearchParams()
  const now = useMemo(nowMs, [])
  const asked = CULTURES.find((c) => c === params.get('culture'))
  const [culture, setCulture] = useState<Culture>(asked ?? 'rye')
  const [school, setSchool] = useState<NewCultureSchool | typeof OWN>('gather first')
  const [mixed, setMixed] = useState({ flourGrams: OWN_STEP.flourGrams, waterGrams: OWN_STEP.waterGrams })
  const [steps, setSteps] = useState<readonly OwnStep[]>([OWN_STEP, { ...OWN_STEP, flourGrams: 120, waterGrams: 120 }])
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const warm = [...kitchen.places].sort((a, b) => Math.abs(a.tempC - IDEAL_C) - Math.abs(b.tempC - IDEAL_C))[0]
  const [placeId, setPlaceId] = useState(warm?.id ?? '')
  const { flour, hydration, feed } = CULTURE_TRAITS[culture]
  const program = school === OWN ? ownCulture(steps, feed) : proposeNewCulture({ culture, school })
  const first = school === OWN ? mixed : firstMix({ school, hydration })
  const begin = async () => {
    if (name.trim() === '') return setProblem(NEW_CULTURE_ROOM.giveName)
    const jarId = newId()
    const happenedAt = isoOf(nowMs())
    await openJar({
      id: jarId,
      name: name.trim(),
      culture,
      flour,
      hydration: first.waterGrams / first.flourGrams,
      grams: first.flourGrams + first.waterGrams,
      begun: true,
      lastFedAt: happenedAt,
      placeId
    })
    const id = await startProgram({ jarId, placeId, program })
    void navigate(`/programs/${id}`)
  }
  return (
    <Room title={NEW_CULTURE_ROOM.newCulture}>
      <div className={classes.columns}>
        <Card title={NEW_CULTURE_ROOM.fromFlourAndWater}>
          <Stack gap="md">
            <TextInput
              label={NEW_CULTURE_ROOM.nameWord}
              value={name}
              error={problem}
              maxLength={80}
              onChange={(e) => {
                setName(e.currentTarget.value)
                setProblem(null)
              }}
            />
            <Select
              label={NEW_CULTURE_ROOM.culture}
              description={CULTURE_TRAITS[culture].says}
              data={CULTURES.filter((c) => c !== 'dried' && c !== 'stiff under water')}
              value={culture}
              allowDeselect={false}
              onChange={(v) => v !== null && setCulture(v)}
            />
            <SegmentedControl
              aria-label={NEW_CULTURE_ROOM.school}
              data={[...NEW_CULTURE_SCHOOLS, OWN]}
              orientation={narrow ? 'vertical' : 'horizontal'}
              value={school}
              onChange={(v) => setSchool(v)}
            />
            <Text c="dimmed">
              {school === OWN
                ? NEW_CULTURE_ROOM.ownAmounts
                : school === 'gather first'
                  ? NEW_CULTURE_ROOM.equalFeedsForThreeDays
                  : NEW_CULTURE_ROOM.smallJarOneDayOnly}
            </Text>
            {school === OWN && (
              <>
                <SimpleGrid cols={2}>
                  <QuantityField
                    kind="mass"
                    label={NEW_CULTURE_ROOM.firstFlour}
                    value={mixed.flourGrams}
                    range={[5, 5000]}
                    onCommit={(flourGrams) => setMixed({ ...mixed, flourGrams })}
                  />
                  <QuantityField
                    kind="mass"
                    label={NEW_CULTURE_ROOM.firstWater}
                    value={mixed.waterGrams}
                    range={[5, 5000]}
                    onCommit={(waterGrams) => setMixed({ ...mixed, waterGrams })}
                  />
                </SimpleGrid>
                <OwnSteps steps={steps} onSteps={setSteps} />
              </>
            )}
            <PlaceSelect label={NEW_CULTURE_ROOM.whereStands} value={placeId} onPlace={({ id }) => setPlaceId(id)} />
            <Note tone="care">{NEW_CULTURE_ROOM.rawFlourNotEatenAnd}</Note>
          </Stack>
        </Card>
        <Card title={NEW_CULTURE_ROOM.firstDay}>
          <Group gap="xl" mb="md">
            <Text size="xl" fw={700}>
              {format.mass(first.flourGrams)} {feed.map((p) => pantry.get(p.ingredientId)?.name.toLowerCase()).join(', ')}
            </Text>
            <Text size="xl" fw={700}>
              {NEW_CULTURE_ROOM.water(format.mass(first.waterGrams))}
            </Text>
          </Group>
          <Text mb="md">{NEW_CULTURE_ROOM.stirWellInCleanJar}</Text>
          <StepList program={program} from={now} />
          <Button mt="lg" size="lg" onClick={() => void begin().catch(tellError)}>
            {NEW_CULTURE_ROOM.mixedBegin}
          </Button>
        </Card>
      </div>
    </Room>
  )
}
