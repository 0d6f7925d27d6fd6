import { ActionIcon, Button, Group, Menu, Modal, Select, Skeleton, Text } from '@mantine/core'
import { IconDots, IconPlus, IconPrinter } from '@tabler/icons-react'
import { lazy, Suspense, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { SavedFormula } from '../../../contract'
import { type ComparedAmount, compareFormulas, levainComposition, solveFormula } from '../../../core'
import { sizeWords } from '../../../words'
import { RECIPES } from '../../../words/screens/recipes'
import { changeFormula, dropFormula, keepFormula, useFormulas, useFormulaVersions } from '../../data/formulas'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { tellDone, tellError } from '../../parts/cards/tell'
import { useNewBake } from '../../parts/useNewBake'
import { downloadFormula, FORMATS } from './download'
import { RecipeCard } from './RecipeCard'
import classes from './Recipes.module.css'

const RecipeReader = lazy(() => import('../../parts/formula/RecipeReader').then((m) => ({ default: m.RecipeReader })))

/** The formula library: read, compare, print, bake from. */
export function Recipes() {
  const { format } = useKitchen()
  const { formulas, error } = useFormulas()
  const { id } = useParams()
  const navigate = useNavigate()
  const [reading, setReading] = useState(false)
  if (formulas === undefined)
    return error === undefined ? <Skeleton height={320} m="lg" /> : <Quiet title={RECIPES.recipesCouldNotBeOpened} words={error.message} />
  const chosen = formulas.find((f) => f.id === id) ?? formulas[0]
  return (
    <div className={classes.page}>
      <Group justify="space-between" mb="md" className={classes.noPrint}>
        <h1 className={classes.title}>{RECIPES.recipes}</h1>
        <Button leftSection={<IconPlus size={20} />} variant="default" onClick={() => setReading(true)}>
          {RECIPES.readRecipeOrFile}
        </Button>
      </Group>
      {chosen === undefined ? (
        <Quiet title={RECIPES.noRecipesYet} words={RECIPES.keepDoughYouLikeFrom} action={{ label: RECIPES.readRecipe, onClick: () => setReading(true) }} />
      ) : (
        <div className={classes.columns}>
          <nav className={classes.list} aria-label={RECIPES.recipes}>
            {formulas.map((f) => (
              <button
                key={f.id}
                type="button"
                className={classes.item}
                aria-current={f.id === chosen.id ? 'true' : undefined}
                onClick={() => void navigate(`/recipes/${f.id}`, { replace: true })}
              >
                <b>{f.name}</b>
                <span>
                  {sizeWords(f.content.target, format)}
                  {f.version > 1 && RECIPES.version(f.version)}
                </span>
              </button>
            ))}
          </nav>
          <Chosen key={chosen.id} formula={chosen} all={formulas} />
        </div>
      )}
      <Suspense>
        {reading && (
          <RecipeReader
            levain={{ hydration: 1, salt: 0, oil: 0, flours: [{ ingredientId: 'white wheat', share: 1 }] }}
            onTake={(content, name, note) => {
              const post = { id: newId(), name: name.trim() === '' ? RECIPES.recipe : name.trim().slice(0, 80), note, content }
              keepFormula(post).then(() => tellDone(RECIPES.inLibrary(post.name)), tellError)
              void navigate(`/recipes/${post.id}`)
            }}
            onClose={() => setReading(false)}
          />
        )}
      </Suspense>
    </div>
  )
}

function Chosen({ formula, all }: { readonly formula: SavedFormula; readonly all: readonly SavedFormula[] }) {
  const here = useKitchen()
  const newBake = useNewBake()
  const navigate = useNavigate()
  const [shown, setShown] = useState<number | null>(null)
  const [other, setOther] = useState<string | null>(null)
  const versions = useFormulaVersions(formula.id)
  const version = versions?.find((v) => v.version === shown) ?? formula
  const content = { name: version.name, note: version.note, ...version.content }
  const copy = () => {
    const post = { id: newId(), name: RECIPES.copy(formula.name).slice(0, 80), note: version.note, content: version.content }
    keepFormula(post).then(() => tellDone(RECIPES.inLibrary(post.name)), tellError)
    void navigate(`/recipes/${post.id}`)
  }
  const remove = () => {
    dropFormula(formula.id).then((undo) => tellDone(RECIPES.hasBeenTakenOut(formula.name), undo), tellError)
    void navigate('/recipes')
  }
  const restore = () =>
    changeFormula({ id: formula.id, name: version.name, note: version.note, content: version.content }, formula.version).then(
      () => tellDone(RECIPES.asWasInVersionAgain(formula.name, version.version)),
      tellError
    )
  // Another recipe, or another version of this one.
  const otherVersions = (versions ?? []).filter((v) => v.version !== version.version)
  const beside = otherVersions.find((v) => versionKey(v.version) === other)
  const right =
    beside === undefined ? all.find((f) => f.id === other) : { ...formula, name: RECIPES.versionOf(beside.name, beside.version), content: beside.content }
  return (
    <div className={classes.stack}>
      <Card>
        <Group justify="space-between" wrap="nowrap" align="flex-start" className={classes.noPrint}>
          <Group gap="xs">
            <Button disabled={!newBake.ready} onClick={() => newBake.start({ from: { name: version.name, content: version.content } })}>
              {RECIPES.bakeThis}
            </Button>
            <Button variant="default" leftSection={<IconPrinter size={18} />} onClick={() => window.print()}>
              {RECIPES.print}
            </Button>
          </Group>
          <Menu position="bottom-end">
            <Menu.Target>
              <ActionIcon aria-label={RECIPES.moreForThisRecipe}>
                <IconDots size={22} />
              </ActionIcon>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Label>{RECIPES.saveAsFile}</Menu.Label>
              {FORMATS.map((f) => (
                <Menu.Item key={f.id} onClick={() => downloadFormula(f.id, content, here)}>
                  {f.label}
                </Menu.Item>
              ))}
              <Menu.Divider />
              <Menu.Item onClick={copy}>{RECIPES.makeCopy}</Menu.Item>
              <Menu.Item onClick={remove}>{RECIPES.takeOutLibrary}</Menu.Item>
            </Menu.Dropdown>
          </Menu>
        </Group>
        {version.version !== formula.version && (
          <Note tone="care">
            {RECIPES.thisVersionNewest(version.version, formula.version)}
            <Button size="compact-md" variant="subtle" onClick={restore}>
              {RECIPES.makeThisNewest}
            </Button>
          </Note>
        )}
        <RecipeCard content={content} />
        <Group mt="lg" gap="md" className={classes.noPrint} align="flex-end">
          {versions !== undefined && versions.length > 1 && (
            <Select
              label={RECIPES.version2}
              data={versions.map((v) => ({ value: String(v.version), label: `${v.version}, ${here.format.date(v.recordedAt)}` }))}
              value={String(version.version)}
              onChange={(v) => v !== null && setShown(Number(v))}
            />
          )}
          {(all.length > 1 || otherVersions.length > 0) && (
            <Select
              label={RECIPES.beside}
              placeholder={RECIPES.anotherFormula}
              clearable
              data={[
                ...otherVersions.map((v) => ({ value: versionKey(v.version), label: RECIPES.versionOf(v.name, v.version) })),
                ...all.filter((f) => f.id !== formula.id).map((f) => ({ value: f.id, label: f.name }))
              ]}
              value={other}
              onChange={setOther}
            />
          )}
        </Group>
      </Card>
      <Modal opened={right !== undefined} onClose={() => setOther(null)} title={RECIPES.compareTwoRecipes} size="lg">
        {right !== undefined && <Compared left={{ ...formula, content: version.content }} right={right} />}
      </Modal>
    </div>
  )
}

/** A version of the recipe among what it is compared with. */
const versionKey = (version: number) => `v${version}`

function Compared({ left, right }: { readonly left: SavedFormula; readonly right: SavedFormula }) {
  const { format, pantry } = useKitchen()
  const solve = ({ content }: SavedFormula) => solveFormula(content.formula, content.target, { pantry, levain: levainComposition(content.levain) })
  const [l, r] = [solve(left), solve(right)]
  if (!l.ok || !r.ok) return <Note tone="stop">{RECIPES.oneTwoCannotBeWorked}</Note>
  const amount = (value: ComparedAmount | null) => (value === null ? '–' : `${format.mass(value.grams)} · ${format.percent(value.share)}`)
  const truths: [string, number, number][] = [
    [RECIPES.trueHydration, l.value.truth.hydration, r.value.truth.hydration],
    [RECIPES.trueSalt, l.value.truth.salt, r.value.truth.salt],
    [RECIPES.preFermentedFlour, l.value.preFermented, r.value.preFermented]
  ]
  return (
    <>
      <table className={classes.compare}>
        <thead>
          <tr>
            <th scope="col">{RECIPES.allFlour}</th>
            <th scope="col">{left.name}</th>
            <th scope="col">{right.name}</th>
          </tr>
        </thead>
        <tbody>
          {compareFormulas(l.value, r.value).map((row) => (
            <tr key={row.name} data-differs={Math.abs((row.left?.share ?? 0) - (row.right?.share ?? 0)) > 0.002}>
              <th scope="row">{row.name}</th>
              <td>{amount(row.left)}</td>
              <td>{amount(row.right)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          {truths.map(([name, a, b]) => (
            <tr key={name} data-differs={Math.abs(a - b) > 0.002}>
              <th scope="row">{name}</th>
              <td>{format.percent(a)}</td>
              <td>{format.percent(b)}</td>
            </tr>
          ))}
        </tfoot>
      </table>
      <Text c="dimmed" mt="sm">
        {RECIPES.linesInBoldDiffer}
      </Text>
    </>
  )
}
