import { ActionIcon, Button, FileButton, Group, Modal, Select, Text, Textarea } from '@mantine/core'
import { IconCheck, IconHelpCircle, IconX } from '@tabler/icons-react'
import { useMemo, useState } from 'react'
import { type FormulaContent, readPortable } from '../../../contract'
import {
  CUP_SIZES,
  type Format,
  guessBase,
  type Ingredient,
  type MassRange,
  type PercentageBase,
  POSSIBLE,
  type PortableFormula,
  type ReadLine,
  type RecipeItem,
  readRecipe,
  recipeFormula,
  recogniseImport,
  regrammed,
  restate
} from '../../../core'
import { BASE_WORDS } from '../../../words'
import { RECIPE_READER } from '../../../words/screens/parts-formula'
import { useKitchen } from '../../data/kitchen'
import { saveIngredient } from '../../data/stores'
import { Figure, Figures, Note } from '../cards/Card'
import { tellError } from '../cards/tell'
import { QuantityField } from '../fields/QuantityField'
import { useNarrow } from '../useNarrow'
import { BaseSelect } from './BaseSelect'
import classes from './formula.module.css'

/** What the baker answered about a line. */
interface Answer {
  readonly ingredientId?: string
  readonly grams?: number
  readonly skipped?: boolean
}

const EXAMPLE = RECIPE_READER.gStrongFlourCupsRye
const MOST_FILE = 500_000

/** Reads a recipe or a file of a formula; nothing changes until it is taken. */
export function RecipeReader({
  levain,
  onTake,
  onClose
}: {
  readonly levain: FormulaContent['levain']
  readonly onTake: (content: FormulaContent, name: string, note: string) => void
  readonly onClose: () => void
}) {
  const narrow = useNarrow()
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const found = useMemo(() => recogniseImport(text), [text])
  const open = (file: File | null) => {
    setProblem(null)
    if (file === null) return
    if (file.size > MOST_FILE) return setProblem(RECIPE_READER.thisFileLargerThanRecipe)
    file.text().then(setText, () => setProblem(RECIPE_READER.thisFileCouldNotBe))
  }
  const taken = (content: FormulaContent, name: string, note = '') => {
    onTake(content, name, note)
    onClose()
  }
  return (
    <Modal opened onClose={onClose} title={RECIPE_READER.readRecipe} size="xl" fullScreen={narrow}>
      <Text c="dimmed" mb="xs">
        {RECIPE_READER.typeOrPasteLinesOr}
      </Text>
      <Textarea data-autofocus aria-label={RECIPE_READER.recipe} rows={7} placeholder={EXAMPLE} value={text} onChange={(e) => setText(e.currentTarget.value)} />
      <Group mt="xs" mb="md">
        <FileButton onChange={open} accept=".json,.jsonld,.csv,.md,.txt,text/*,application/json">
          {(button) => (
            <Button {...button} variant="default" size="sm">
              {RECIPE_READER.openFile}
            </Button>
          )}
        </FileButton>
      </Group>
      {problem !== null && <Note tone="stop">{problem}</Note>}
      {text.trim() !== '' && found.kind === 'unreadable' && (
        <Note tone="stop">{found.reason === 'broken JSON' ? RECIPE_READER.thisLooksLikeJsonBut : RECIPE_READER.noListIngredientsWasFound}</Note>
      )}
      {found.kind === 'formula' && <PortableTake value={found.value} onTake={taken} />}
      {found.kind === 'recipe' && found.text.trim() !== '' && <Reading key={found.text} text={found.text} name={found.name} levain={levain} onTake={taken} />}
    </Modal>
  )
}

function PortableTake({ value, onTake }: { readonly value: unknown; readonly onTake: (content: FormulaContent, name: string, note: string) => void }) {
  const { pantry } = useKitchen()
  const answer = useMemo(() => readPortable(value), [value])
  if (!answer.ok) {
    return (
      <Note tone="stop">
        {RECIPE_READER.thisFormulaFileNotQuite}
        <ul>
          {answer.issues.slice(0, 12).map((i) => (
            <li key={i.path}>
              <code>{i.path}</code>: {i.sentence}
            </li>
          ))}
        </ul>
      </Note>
    )
  }
  const { name, note, formula, target, levain, ingredients } = answer.value
  const fresh = ingredients.filter((i) => !pantry.has(i.id))
  const take = () => {
    addIngredients(fresh)
    onTake({ formula, target, levain: { ...levain, flours: [...levain.flours] } }, name, note)
  }
  return (
    <>
      <Text>
        <b>{name}</b>
        {RECIPE_READER.lines(formula.lines.length)}
        {fresh.length > 0 && RECIPE_READER.newToThisKitchen(fresh.map((i) => i.name).join(', '))}
      </Text>
      <Button mt="sm" onClick={take}>
        {RECIPE_READER.use}
      </Button>
    </>
  )
}

function addIngredients(fresh: PortableFormula['ingredients']): void {
  for (const ingredient of fresh) saveIngredient(ingredient, 0).catch(tellError)
}

function Reading({
  text,
  name,
  levain,
  onTake
}: {
  readonly text: string
  readonly name: string
  readonly levain: FormulaContent['levain']
  readonly onTake: (content: FormulaContent, name: string) => void
}) {
  const { kitchen, format, pantry } = useKitchen()
  const cups = CUP_SIZES[kitchen.cups]
  const reading = useMemo(() => readRecipe(text, pantry, cups), [text, pantry, cups])
  const [answers, setAnswers] = useState<Readonly<Record<number, Answer>>>({})
  const [base, setBase] = useState<PercentageBase | null>(null)
  const [dough, setDough] = useState<number | null>(null)
  const answer = (i: number, patch: Answer) => setAnswers((before) => ({ ...before, [i]: { ...before[i], ...patch } }))
  const lines = reading.lines.map((line, i) => ({ line, i, ...resolve(line, answers[i], pantry, cups) }))
  const waiting = lines.filter((l) => l.open)
  const items = lines.flatMap((l): RecipeItem[] =>
    l.ingredient === null || l.skipped ? [] : [{ id: `line-${l.i}`, ingredient: l.ingredient, grams: l.grams, percent: percentOf(l.line) }]
  )
  const recipe = waiting.length === 0 && items.length > 0 ? recipeFormula(items, pantry, levain.hydration) : null
  const guess = recipe?.ok ? guessBase(items, recipe.value) : null
  const chosen = base ?? guess?.base ?? kitchen.base
  return (
    <>
      <ul className={classes.reading}>
        {lines.map(({ line, i, ingredient, grams, skipped, open }) =>
          line.remark ? null : (
            <li key={`${i}-${line.text}`} data-open={open} data-skipped={skipped}>
              <span className={classes.mark}>
                {open ? (
                  <IconHelpCircle size={20} aria-label={RECIPE_READER.asked} />
                ) : skipped ? (
                  <IconX size={20} aria-label={RECIPE_READER.leftOut} />
                ) : (
                  <IconCheck size={20} aria-label={RECIPE_READER.understood} />
                )}
              </span>
              <div className={classes.readLine}>
                <span>{line.text}</span>
                {!open && !skipped && <span className={classes.understood}>{understood(ingredient, grams, line, format)}</span>}
                {line.unused.length > 0 && !skipped && (
                  <span className={classes.unused}>{RECIPE_READER.notUsed(line.unused.map((u) => u.text).join(', '))}</span>
                )}
                {open && <Question line={line} ingredient={ingredient} hasGrams={grams !== null} onAnswer={(patch) => answer(i, patch)} />}
              </div>
              <ActionIcon
                aria-label={skipped ? RECIPE_READER.takeIn(line.text) : RECIPE_READER.leaveOut(line.text)}
                onClick={() => answer(i, { skipped: !skipped })}
              >
                {skipped ? <IconCheck size={18} /> : <IconX size={18} />}
              </ActionIcon>
            </li>
          )
        )}
      </ul>
      {reading.cut && <Note tone="care">{RECIPE_READER.onlyFirstLinesWereRead}</Note>}
      {waiting.length > 0 && (
        <Note tone="care">
          {RECIPE_READER.beforeCanBeTaken(waiting.length === 1 ? RECIPE_READER.oneLineNeedsIngredient : RECIPE_READER.linesNeedIngredient(waiting.length))}
        </Note>
      )}
      {recipe !== null && !recipe.ok && (
        <Note tone="stop">
          {recipe.problem.code === 'no flour'
            ? RECIPE_READER.thereNoFlourAmongThese
            : recipe.problem.code === 'no water'
              ? RECIPE_READER.thereNoWaterMilkOr
              : recipe.problem.code === 'grams missing'
                ? RECIPE_READER.someLinesAreInGrams
                : RECIPE_READER.theseFiguresDoNotMake}
        </Note>
      )}
      {recipe?.ok && (
        <div className={classes.result}>
          <Figures>
            <Figure value={format.percent(recipe.value.solved.truth.hydration)} name={RECIPE_READER.trueHydration} />
            <Figure value={format.percent(recipe.value.solved.truth.salt, 2)} name={RECIPE_READER.trueSalt} />
            <Figure value={format.percent(recipe.value.solved.preFermented)} name={RECIPE_READER.flourInLevain} />
          </Figures>
          <Text mt="sm">
            {guess === null
              ? RECIPE_READER.nothingInTellsWhichFlour
              : RECIPE_READER.seemsToBeWrittenIn(
                  BASE_WORDS[guess.base].name,
                  guess.because === 'percentages' ? RECIPE_READER.theyFit : RECIPE_READER.figuresComeOutRound
                )}
          </Text>
          <BaseSelect base={chosen} onBase={setBase} />
          <Group mt="sm" align="flex-end">
            <QuantityField
              kind="mass"
              label={RECIPE_READER.scaledToSoMuchDough}
              what={RECIPE_READER.dough}
              value={dough ?? recipe.value.solved.doughGrams}
              range={POSSIBLE.doughGrams}
              onCommit={setDough}
              w={220}
            />
            <Button
              onClick={() =>
                onTake(
                  {
                    formula: restate(recipe.value.formula, recipe.value.solved, chosen),
                    target: { kind: 'dough', grams: Math.round(dough ?? recipe.value.solved.doughGrams) },
                    levain
                  },
                  name
                )
              }
            >
              {RECIPE_READER.use}
            </Button>
          </Group>
        </div>
      )}
    </>
  )
}

const percentOf = (line: ReadLine) => (line.quantity?.kind === 'percent' ? line.quantity.value : (line.percent?.value ?? null))

/** A line with what the baker answered about it. */
function resolve(line: ReadLine, answer: Answer | undefined, pantry: ReadonlyMap<string, Ingredient>, cups: (typeof CUP_SIZES)[keyof typeof CUP_SIZES]) {
  const ingredient = answer?.ingredientId === undefined ? line.ingredient : (pantry.get(answer.ingredientId) ?? null)
  const told = answer?.grams
  const quantity = ingredient === null ? line.quantity : regrammed(line, ingredient, cups)
  const grams: MassRange | null = told === undefined ? (quantity?.grams ?? null) : { least: told, most: told, middle: told }
  const skipped = answer?.skipped ?? line.remark
  const enough = grams !== null || quantity?.kind === 'percent'
  const twoFigures = line.question === 'which figure' && told === undefined
  return { ingredient, grams, skipped, open: !skipped && (ingredient === null || !enough || twoFigures) }
}

function understood(ingredient: Ingredient | null, grams: MassRange | null, line: ReadLine, format: Format): string {
  const name = ingredient?.kind === 'starter' ? 'Levain' : (ingredient?.name ?? '')
  if (grams === null) return `${name}, ${line.quantity?.value ?? ''} %`
  const wide = grams.most > grams.least * 1.005
  return wide
    ? RECIPE_READER.toMarkedUntilWeighed(name, format.massFigure(grams.least), format.mass(grams.most))
    : `${name}, ${format.mass(grams.middle, grams.middle < 20 ? 0.1 : 1)}`
}

function Question({
  line,
  ingredient,
  hasGrams,
  onAnswer
}: {
  readonly line: ReadLine
  readonly ingredient: Ingredient | null
  readonly hasGrams: boolean
  readonly onAnswer: (patch: Answer) => void
}) {
  const { ingredients } = useKitchen()
  const choices = line.candidates.length > 0 ? line.candidates : ingredients.map((i) => i.ingredient)
  return (
    <Group gap="xs" mt={4}>
      {ingredient === null ? (
        <Select
          size="sm"
          searchable
          aria-label={RECIPE_READER.whichIngredient(line.text)}
          placeholder={line.candidates.length > 0 ? RECIPE_READER.whichThese : RECIPE_READER.whichIngredient2}
          data={choices.map((c) => ({ value: c.id, label: c.name }))}
          onChange={(v) => v !== null && onAnswer({ ingredientId: v })}
        />
      ) : !hasGrams || line.question === 'which figure' ? (
        <QuantityField
          size="sm"
          kind="mass"
          aria-label={RECIPE_READER.howMuch(ingredient.name)}
          what={RECIPE_READER.thisWord}
          placeholder={RECIPE_READER.howMuch2}
          value={line.quantity?.grams?.middle ?? 0}
          range={[0.1, 50_000]}
          onCommit={(grams) => onAnswer({ grams })}
          w={160}
        />
      ) : null}
    </Group>
  )
}
