import { ActionIcon, Button, Group, Text } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { levelToRead } from '../../../../answers'
import { contentsOf, mainKind, mannerOf, POSSIBLE, pHAfter, type Reasons, rowsOf, SIGN_KINDS, type SignKind, type Signs } from '../../../../core'
import { LOOKS_LIKE, SIGN_WORDS } from '../../../../words'
import { LOOK } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import large from '../../../parts/cards/Large.module.css'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { WhenField } from '../../../parts/fields/WhenField'
import { familyOf } from '../../../parts/jar/family'
import type { Top } from '../../../parts/jar/JarDrawing'
import { PhField } from '../../../parts/weigh/PhField'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { LevelJar } from './LevelJar'
import { SignDrawing } from './SignDrawing'
import { useLooks } from './useLooks'
import classes from './Watch.module.css'

const RISE_STEP = 0.1
/** So long the level read before is a better guess than the forecast, ms. */
const FRESH_MS = 20 * 60_000

/** What is noted at a look. */
export type LookNote = (seen: { readonly rise?: number; readonly pH?: number; readonly signs: Signs }, minutesAgo: number) => void

/** What is seen of the jar: its level, and signs of seven kinds. */
export function Look({ reasons }: { readonly reasons: Reasons | undefined }) {
  const { state, judged, now, belief } = useBakeHere()
  const { kitchen, format } = useKitchen()
  const { seen, note } = useLooks()
  const last = seen.findLast((m) => m.rise !== undefined)
  const expected = judged === undefined ? 1 : levelToRead(judged.verdict, (now - judged.line.startedAtMs) / millisecondsInHour)
  const isFresh = last?.rise !== undefined && now - last.atMs < FRESH_MS && judged?.told.advice.kind !== 'ask'
  const start = Math.round((isFresh ? (last.rise ?? 1) : expected) * 10) / 10
  const [typed, setTyped] = useState<number | null>(null)
  const [signs, setSigns] = useState<Signs>({})
  const [ago, setAgo] = useState(0)
  const [metered, setMetered] = useState<number | null>(null)
  const rise = typed ?? start
  const bandMm = state.band?.levelMm
  const step = (by: number) => setTyped(Math.min(Math.max(Math.round((rise + by) * 10) / 10, POSSIBLE.rise[0]), POSSIBLE.rise[1]))
  const fromMm = (mm: number) => bandMm !== undefined && setTyped(Math.min(Math.max(Math.round((mm / bandMm) * 100) / 100, POSSIBLE.rise[0]), POSSIBLE.rise[1]))
  const manner = judged === undefined ? 'wheat' : mannerOf(judged.line)
  /** Only what was seen is noted: the level shown before anybody has touched it is the one expected. */
  const nothing = typed === null && metered === null && Object.keys(signs).length === 0
  const mark = () => {
    if (nothing) return
    note({ rise: typed ?? undefined, pH: metered ?? undefined, signs }, ago)
    setTyped(null)
    setMetered(null)
    setSigns({})
    setAgo(0)
  }
  useHotkeys(kitchen.keys ? [['m', mark]] : [])
  return (
    <Card title={LOOK.whatYouSee}>
      <div className={sheet.look}>
        <LevelJar
          rise={rise}
          top={(signs.top as Top | undefined) ?? 'flat'}
          family={familyOf(judged === undefined ? 'white wheat' : mainKind(contentsOf(judged.line).flours))}
          height={230}
          onRise={setTyped}
        />
        <div className={sheet.riseBox}>
          <Text c="dimmed">{typed === null ? LOOK.expectedNowDragTapOr : LOOK.levelComparedWithMark}</Text>
          <div className={sheet.ratio}>
            <ActionIcon aria-label={LOOK.lower} variant="default" onClick={() => step(-RISE_STEP)}>
              <IconMinus size={22} />
            </ActionIcon>
            <output className={large.huge} data-expected={typed === null} aria-label={LOOK.riseTimes(rise.toFixed(1))}>
              {format.rise(rise)}
            </output>
            <ActionIcon aria-label={LOOK.higher} variant="default" onClick={() => step(RISE_STEP)}>
              <IconPlus size={22} />
            </ActionIcon>
          </div>
        </div>
      </div>
      <Group grow mt="sm" align="flex-end">
        <QuantityField kind="rise" label={LOOK.orTyped} what={LOOK.rise} value={rise} range={POSSIBLE.rise} onCommit={setTyped} />
        {bandMm !== undefined && (
          <QuantityField kind="millimetres" label={LOOK.orHeight} what={LOOK.height} value={Math.round(rise * bandMm)} range={[1, 400]} onCommit={fromMm} />
        )}
        <WhenField label={LOOK.seen} minutesAgo={ago} onChange={setAgo} />
      </Group>
      {bandMm !== undefined && <ReadFrom kind="level" onRead={fromMm} />}
      <Button size="lg" fullWidth mt="md" disabled={nothing} variant={judged?.verdict.advice.kind === 'mix now' ? 'light' : 'filled'} onClick={mark}>
        {LOOK.saveWhatYouSaw}
        {kitchen.keys && <span className={large.keyHint}>m</span>}
      </Button>
      {SIGN_KINDS.map((kind) => (
        <SignChoice
          key={kind}
          kind={kind}
          choices={Object.keys(rowsOf(kind, manner))}
          chosen={signs[kind]}
          telling={reasons?.next[0]?.of === kind}
          onChoose={(sign) => setSigns({ ...signs, [kind]: sign })}
        />
      ))}
      {judged !== undefined && <PhField value={metered} expected={pHAfter(judged.line, now, belief.centre)} onRead={setMetered} />}
      <Note tone="stop">{LOOK.pinkOrangeOrFuzzyThrow}</Note>
    </Card>
  )
}

/** One kind of sign: a small drawing for each, and what the chosen one looks like in words. */
function SignChoice({
  kind,
  choices,
  chosen,
  telling,
  onChoose
}: {
  readonly kind: SignKind
  readonly choices: readonly string[]
  readonly chosen: string | undefined
  readonly telling: boolean
  readonly onChoose: (sign: string | undefined) => void
}) {
  const looks: Readonly<Record<string, string>> = LOOKS_LIKE[kind]
  return (
    <fieldset className={classes.signs}>
      <legend>
        {SIGN_WORDS[kind]}
        {telling && <span className={classes.telling}>{LOOK.tellsMostNow}</span>}
      </legend>
      <div className={classes.choices}>
        {choices.map((sign) => (
          <button
            key={sign}
            type="button"
            className={classes.choice}
            aria-pressed={chosen === sign}
            title={looks[sign]}
            onClick={() => onChoose(chosen === sign ? undefined : sign)}
          >
            <SignDrawing kind={kind} sign={sign} />
            {sign}
          </button>
        ))}
      </div>
      {chosen !== undefined && <p className={classes.looksLike}>{looks[chosen]}</p>}
    </fieldset>
  )
}
