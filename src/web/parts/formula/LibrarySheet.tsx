import { Button, Drawer, Group, Stack, Text, Textarea, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { FormulaContent } from '../../../contract'
import { sizeWords } from '../../../words'
import { LIBRARY_SHEET } from '../../../words/screens/parts-formula'
import { changeFormula, keepFormula, useFormulas } from '../../data/formulas'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../cards/Card'
import { tellDone, tellError } from '../cards/tell'
import classes from './formula.module.css'

/** The library beside a dough: take a formula from it, or keep this one in it. */
export function LibrarySheet({
  name,
  content,
  frozen,
  onTake,
  onClose
}: {
  readonly name: string
  readonly content: FormulaContent
  readonly frozen: boolean
  readonly onTake: (content: FormulaContent) => void
  readonly onClose: () => void
}) {
  const { format } = useKitchen()
  const { formulas, error } = useFormulas()
  const [title, setTitle] = useState(name)
  const [note, setNote] = useState('')
  const same = formulas?.find((f) => f.name.toLowerCase() === title.trim().toLowerCase())
  const keep = () => {
    const post = { id: same?.id ?? newId(), name: title.trim(), note: note === '' ? (same?.note ?? '') : note, content }
    const kept = same === undefined ? keepFormula(post) : changeFormula(post, same.version)
    kept.then(() => tellDone(same === undefined ? LIBRARY_SHEET.inLibrary(post.name) : LIBRARY_SHEET.hasNewVersion(post.name)), tellError)
    onClose()
  }
  return (
    <Drawer opened onClose={onClose} position="right" size="md" title={LIBRARY_SHEET.recipes}>
      <Stack gap="sm">
        <Text fw={600}>{LIBRARY_SHEET.saveThisDough}</Text>
        <TextInput
          label={LIBRARY_SHEET.nameWord}
          value={title}
          maxLength={80}
          error={title.trim() === '' ? LIBRARY_SHEET.nameNeeded : null}
          onChange={(e) => setTitle(e.currentTarget.value)}
        />
        <Textarea label={LIBRARY_SHEET.note} rows={3} maxLength={2000} value={note} onChange={(e) => setNote(e.currentTarget.value)} />
        {same !== undefined && <Note>{LIBRARY_SHEET.thereRecipeThatNameThis(same.version + 1)}</Note>}
        <Button disabled={title.trim() === ''} onClick={keep}>
          {same === undefined ? LIBRARY_SHEET.saveAsRecipe : LIBRARY_SHEET.saveAsNewVersion}
        </Button>
        <Group justify="space-between" mt="lg">
          <Text fw={600}>{LIBRARY_SHEET.takeOneFromLibrary}</Text>
          <Button component={Link} to="/recipes" variant="subtle" size="sm">
            {LIBRARY_SHEET.allRecipes}
          </Button>
        </Group>
        {error !== undefined && <Note tone="stop">{error.message}</Note>}
        {formulas?.length === 0 && <Text c="dimmed">{LIBRARY_SHEET.thereNoneYet}</Text>}
        <div>
          {(formulas ?? []).map((formula) => (
            <div key={formula.id} className={classes.row}>
              <div className={classes.rowWords}>
                <b>{formula.name}</b>
                <span>{LIBRARY_SHEET.version(sizeWords(formula.content.target, format), formula.version)}</span>
              </div>
              <Button
                variant="default"
                size="sm"
                disabled={frozen}
                onClick={() => {
                  onTake(formula.content)
                  onClose()
                }}
              >
                {LIBRARY_SHEET.take}
              </Button>
            </div>
          ))}
        </div>
      </Stack>
    </Drawer>
  )
}
