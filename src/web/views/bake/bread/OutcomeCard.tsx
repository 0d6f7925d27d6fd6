import { Button, FileButton, Group, SegmentedControl, Stack, Textarea } from '@mantine/core'
import { useState } from 'react'
import { type NewBakeEvent, ROUTES } from '../../../../contract'
import { OUTCOME_CARD } from '../../../../words/screens/bread'
import { keepPicture } from '../../../data/pictures'
import { Card, Note } from '../../../parts/cards/Card'
import { tellError } from '../../../parts/cards/tell'
import sheet from '../BakeSheet.module.css'
import type { BakeHere } from '../bakeHere'
import { useBakeHere } from '../bakeHere'

/** What is noted of the bread. */
export type OutcomeNote = Omit<Extract<NewBakeEvent, { type: 'outcome' }>, 'id' | 'type' | 'happenedAt' | 'source' | 'device'>
const MARKS = [
  { key: 'rise', label: OUTCOME_CARD.rise },
  { key: 'crumb', label: OUTCOME_CARD.crumb },
  { key: 'taste', label: OUTCOME_CARD.taste }
] as const

/** How it came out: for the record, and for the next time. */
export function OutcomeCard({ onOutcome }: { readonly onOutcome: (outcome: OutcomeNote) => void }) {
  const { state } = useBakeHere()
  const [marks, setMarks] = useState<Partial<Record<'rise' | 'crumb' | 'taste', number>>>({})
  const [words, setWords] = useState('')
  const [taken, setTaken] = useState<string | null>(null)
  const { outcome } = state
  const picture = taken ?? outcome?.picture
  return (
    <Card title={outcome === null ? OUTCOME_CARD.howDidComeOut : OUTCOME_CARD.howCameOut}>
      <Stack gap="sm">
        {MARKS.map(({ key, label }) => (
          <Group key={key} justify="space-between">
            <span>{label}</span>
            <SegmentedControl
              size="md"
              aria-label={label}
              data={['1', '2', '3', '4', '5']}
              value={String(marks[key] ?? outcome?.[key] ?? '')}
              onChange={(value) => setMarks({ ...marks, [key]: Number(value) })}
            />
          </Group>
        ))}
        <Textarea
          label={OUTCOME_CARD.inWords}
          rows={3}
          maxLength={1000}
          value={words === '' ? (outcome?.note ?? '') : words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        {picture !== undefined && <img className={sheet.picture} src={ROUTES.picture(picture)} alt={OUTCOME_CARD.bread} />}
        <FileButton accept="image/*" onChange={(file) => file !== null && void keepPicture(file).then(setTaken, tellError)}>
          {(button) => (
            <Button {...button} variant="default">
              {picture === undefined ? OUTCOME_CARD.picture : OUTCOME_CARD.anotherPicture}
            </Button>
          )}
        </FileButton>
        <Button
          size="lg"
          disabled={Object.keys(marks).length === 0 && words.trim() === '' && taken === null}
          onClick={() =>
            onOutcome({
              ...outcomeOf(outcome),
              ...marks,
              ...(words.trim() === '' ? {} : { note: words.trim() }),
              ...(taken === null ? {} : { picture: taken })
            })
          }
        >
          {OUTCOME_CARD.intoRecord}
        </Button>
      </Stack>
      <Note tone="care">{OUTCOME_CARD.foodGivenAwayOrSold}</Note>
    </Card>
  )
}

/** What was noted before stays where nothing new is said. */
function outcomeOf(outcome: BakeHere['state']['outcome']): OutcomeNote {
  if (outcome === null) return {}
  const { rise, crumb, taste, note, picture } = outcome
  return { rise, crumb, taste, note, picture }
}
