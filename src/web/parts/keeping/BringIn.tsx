import { Button, FileButton, Group, Modal, Radio, Stack, Text } from '@mantine/core'
import { useState } from 'react'
import type { ClashChoices, Merge, TakenAlong } from '../../../contract'
import { clashWords, heldWords, mergeWords } from '../../../words'
import { BRING_IN } from '../../../words/screens/parts'
import { bringIn, leaveOut, lookInto } from '../../data/keeping'
import { useKitchen } from '../../data/kitchen'
import { tellDone, tellError } from '../cards/tell'

/** Brings a kitchen in from a file: first what is in it and what would come of it; then all of it or nothing. */
export function BringIn({ label }: { readonly label: string }) {
  const [found, setFound] = useState<TakenAlong | null>(null)
  const [busy, setBusy] = useState(false)
  const look = (file: File | null) => {
    if (file === null) return
    setBusy(true)
    lookInto(file)
      .then(setFound, tellError)
      .finally(() => setBusy(false))
  }
  return (
    <>
      <FileButton onChange={look} accept=".zip,application/zip">
        {(props) => (
          <Button {...props} variant="default" loading={busy}>
            {label}
          </Button>
        )}
      </FileButton>
      {found !== null && <Found found={found} onDone={() => setFound(null)} />}
    </>
  )
}

/** A file that was looked into, and what is to be done with it. */
function Found({ found, onDone }: { readonly found: TakenAlong; readonly onDone: () => void }) {
  const { format } = useKitchen()
  const [how, setHow] = useState<'merge' | 'replace'>(found.merge === null ? 'replace' : 'merge')
  const [choices, setChoices] = useState<ClashChoices>({})
  const [busy, setBusy] = useState(false)
  const undecided = how === 'merge' ? (found.merge?.clashes ?? []).filter(({ id }) => choices[id] === undefined).length : 0
  const leave = () => {
    void leaveOut(found.id).catch(() => undefined)
    onDone()
  }
  const put = () => {
    setBusy(true)
    bringIn(found.id, how === 'merge' ? { how, choices } : { how })
      .then(() => {
        onDone()
        tellDone(how === 'merge' ? BRING_IN.partThisKitchenNow(found.kitchen) : BRING_IN.here(found.kitchen))
      }, tellError)
      .finally(() => setBusy(false))
  }
  return (
    <Modal opened onClose={leave} title={`“${found.kitchen}”`} size="lg">
      <Text>{BRING_IN.takenAlong(format.dayTime(found.madeAt), heldWords(found))}</Text>
      {found.merge !== null && (
        <Radio.Group mt="md" value={how} onChange={(value) => setHow(value)} label={BRING_IN.thisKitchenInUse(found.replaces ?? '')}>
          <Stack gap="sm" mt="xs">
            <Radio value="merge" label={BRING_IN.addFileTo} description={BRING_IN.jarsBakesAndRecipesBoth} />
            <Radio value="replace" label={BRING_IN.replace} description={BRING_IN.onlyWhatInFileHere} />
          </Stack>
        </Radio.Group>
      )}
      {found.merge !== null && how === 'merge' && <Together merge={found.merge} choices={choices} onChoose={setChoices} />}
      {found.merge !== null && (
        <Text mt="md" c="dimmed">
          {BRING_IN.copyThisKitchenAsNow}
        </Text>
      )}
      <Group mt="md">
        <Button onClick={put} loading={busy} disabled={undecided > 0}>
          {found.replaces === null ? BRING_IN.openHere : how === 'merge' ? BRING_IN.add : BRING_IN.replace2(found.replaces)}
        </Button>
        <Button variant="default" onClick={leave} disabled={busy}>
          {BRING_IN.cancel}
        </Button>
        {undecided > 0 && <Text c="dimmed">{BRING_IN.stillToDecide(undecided)}</Text>}
      </Group>
    </Modal>
  )
}

interface TogetherProps {
  readonly merge: Merge
  readonly choices: ClashChoices
  readonly onChoose: (choices: ClashChoices) => void
}

/** What comes of both kitchens, and what has to be decided. */
function Together({ merge, choices, onChoose }: TogetherProps) {
  const { format } = useKitchen()
  const all = (side: 'here' | 'there') => onChoose(Object.fromEntries(merge.clashes.map(({ id }) => [id, side])))
  return (
    <>
      <Text mt="md">{mergeWords(merge).join(' ')}</Text>
      {merge.clashes.length > 1 && (
        <Group mt="sm" gap="sm">
          <Button variant="default" size="sm" onClick={() => all('here')}>
            {BRING_IN.allAsHere}
          </Button>
          <Button variant="default" size="sm" onClick={() => all('there')}>
            {BRING_IN.allAsInFile}
          </Button>
        </Group>
      )}
      <Stack gap="md" mt="md">
        {merge.clashes.map((clash) => {
          const words = clashWords(clash, format)
          return (
            <Radio.Group
              key={clash.id}
              label={clash.name}
              value={choices[clash.id] ?? ''}
              onChange={(side) => onChoose({ ...choices, [clash.id]: side as 'here' | 'there' })}
            >
              <Stack gap={6} mt={4}>
                <Radio value="here" label={words.here} />
                <Radio value="there" label={words.there} />
              </Stack>
            </Radio.Group>
          )
        })}
      </Stack>
    </>
  )
}
