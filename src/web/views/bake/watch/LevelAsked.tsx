import { Button, Group } from '@mantine/core'
import { useState } from 'react'
import { type Contradiction, type Explanation, POSSIBLE, type SeenLevel } from '../../../../core'
import { LEVEL_ASKED } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { useLooks } from './useLooks'

/** What may explain a level that does not fit, besides a slip of the thumb. */
const EXPLAINED_BY: Readonly<Record<Contradiction['kind'], readonly Explanation[]>> = {
  fell: ['stirred', 'band moved', 'right'],
  'rose again': ['band moved', 'right'],
  leapt: ['band moved', 'right'],
  'below the mark': ['stirred', 'band moved', 'right']
}

/** A level that contradicts what was seen or what can be: each way it may have come about is a button, and the forecast goes on from the answer. */
export function LevelAsked({ about }: { readonly about: Contradiction }) {
  const { format } = useKitchen()
  const { seen: looks, correctLevel, explain } = useLooks()
  const [wrong, setWrong] = useState<SeenLevel | null>(null)
  const [typed, setTyped] = useState<number | null>(null)
  const idOf = ({ look }: SeenLevel) => looks[look]?.id ?? ''
  const save = () => {
    if (wrong === null || typed === null) return
    correctLevel(idOf(wrong), typed)
    setWrong(null)
    setTyped(null)
  }
  return (
    <div data-testid="level-asked">
      <Group mt="sm" gap="xs">
        {[about.last, ...(about.earlier === null ? [] : [about.earlier])].map((seen) => (
          <Button key={seen.look} variant={wrong?.look === seen.look ? 'light' : 'default'} onClick={() => setWrong(seen)}>
            {LEVEL_ASKED.mistyped(format.rise(seen.rise))}
          </Button>
        ))}
        {EXPLAINED_BY[about.kind].map((as) => (
          <Button key={as} variant="default" onClick={() => explain(idOf(about.last), as)}>
            {as === 'right' ? (about.kind === 'fell' && about.earlier !== null ? LEVEL_ASKED.rightItFell : LEVEL_ASKED.right) : LEVEL_ASKED[as]}
          </Button>
        ))}
      </Group>
      {wrong !== null && (
        <Group mt="sm" align="flex-end">
          <QuantityField
            kind="rise"
            label={LEVEL_ASKED.levelYouSaw}
            what={LEVEL_ASKED.level}
            value={typed}
            range={POSSIBLE.rise}
            onCommit={setTyped}
            onClear={() => setTyped(null)}
          />
          <Button disabled={typed === null} onClick={save}>
            {LEVEL_ASKED.save}
          </Button>
        </Group>
      )}
    </div>
  )
}
