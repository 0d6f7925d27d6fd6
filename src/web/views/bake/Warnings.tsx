import { Button, Group } from '@mantine/core'
import type { Warning } from '../../../core'
import { near, tellWarning } from '../../../words'
import { WARNINGS } from '../../../words/screens/bake'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import { useBakeHere } from './bakeHere'

/** Warnings of a station, each with its way out. `always`: also where the plan stands. */
export function Warnings({ codes, always = false }: { readonly codes: readonly Warning['code'][]; readonly always?: boolean }) {
  const { solved, jar, plan, edit, frozen } = useBakeHere()
  const { format } = useKitchen()
  if (frozen && !always) return null
  const told = (solved?.warnings ?? []).filter((w) => codes.includes(w.code)).map((w) => tellWarning(w, jar?.name ?? WARNINGS.jar, format))
  return (
    <>
      {told.map(({ code, tone, words, others }) => (
        <Note key={code} tone={tone}>
          {words}
          {others.length > 0 && (
            <Group gap="xs" mt="xs">
              {others.map((other) => (
                <Button
                  key={other.flourPerSeed}
                  variant="default"
                  size="sm"
                  onClick={() => edit({ build: { ...plan.build, by: { kind: 'ratio', flourPerSeed: other.flourPerSeed } } })}
                >
                  {WARNINGS.begins(other.ratio, format.dayTime(near(other.startMs)))}
                </Button>
              ))}
            </Group>
          )}
        </Note>
      ))}
    </>
  )
}
