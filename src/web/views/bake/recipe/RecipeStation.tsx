import { Button, Group, Menu, Select, SimpleGrid, Switch } from '@mantine/core'
import { IconBook2, IconPlus } from '@tabler/icons-react'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { courseOfKind, glutenInPlan, pantryOfBake } from '../../../../answers'
import type { FormulaContent, Plan } from '../../../../contract'
import {
  DOUGH_KINDS,
  type Formula,
  type FormulaLine,
  levainComposition,
  lineName,
  type PercentageBase,
  POSSIBLE,
  PRE_FERMENT_STYLES,
  type PreFermentStyle,
  restate,
  type Target,
  usualMix
} from '../../../../core'
import { problemSentence } from '../../../../words'
import { RECIPE_STATION } from '../../../../words/screens/recipe'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { Card, Note } from '../../../parts/cards/Card'
import { IngredientPicker } from '../../../parts/fields/IngredientPicker'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { BaseSelect } from '../../../parts/formula/BaseSelect'
import { Portions } from '../../../parts/formula/Portions'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { Warnings } from '../Warnings'
import { FormulaGrid } from './FormulaGrid'
import { LineDetails } from './LineDetails'
import { SizeCard } from './SizeCard'
import { TruthCard } from './TruthCard'

const LibrarySheet = lazy(() => import('../../../parts/formula/LibrarySheet').then((m) => ({ default: m.LibrarySheet })))
const RecipeReader = lazy(() => import('../../../parts/formula/RecipeReader').then((m) => ({ default: m.RecipeReader })))

type Sheet = 'library' | 'reader' | null

/** Another recipe, and with it the day of its kind of dough. */
const ofKind = ({ formula, course }: Pick<Plan, 'formula' | 'course'>, next: Formula): Partial<Plan> => ({
  formula: next,
  course: course === null ? null : courseOfKind(course, formula.doughKind, next.doughKind)
})

/** Wish and grams of the dough. */
export function RecipeStation() {
  const { bake, plan, edit, solved, frozen, undo, redo, revision, jars } = useBakeHere()
  const { kitchen, format, pantry: kitchenPantry } = useKitchen()
  const pantry = useMemo(() => pantryOfBake(bake, kitchenPantry), [bake, kitchenPantry])
  const { formula, target, build } = plan
  const [open, setOpen] = useState<string | null>(null)
  const [picking, setPicking] = useState<{ readonly replaces: string | null } | null>(null)
  const [sheet, setSheet] = useState<Sheet>(null)
  const dough = solved?.dough.ok ? solved.dough.value : null
  const facts = useMemo(
    () => ({ context: { pantry, levain: levainComposition(build) }, format, smallScale: kitchen.smallScale, levainHydration: build.hydration }),
    [pantry, build, format, kitchen.smallScale]
  )
  const sized = useMemo(() => ({ formula, target }), [formula, target])
  const nameOf = (id: string) => {
    const line = formula.lines.find((l) => l.id === id)
    return line === undefined ? pantry.get(id)?.name : lineName(line, pantry)
  }
  const setFormula = (patch: Partial<Formula>) => edit((now) => ({ formula: { ...now.formula, ...patch } }))
  const setLines = (next: (lines: readonly FormulaLine[]) => readonly FormulaLine[]) =>
    edit((now) => ({ formula: { ...now.formula, lines: next(now.formula.lines) } }))
  const setLine = (line: FormulaLine) => setLines((lines) => lines.map((l) => (l.id === line.id ? line : l)))
  const move = (from: number, to: number) =>
    setLines((lines) => {
      const next = [...lines]
      const [line] = next.splice(from, 1)
      if (line !== undefined) next.splice(to, 0, line)
      return next
    })
  const add = (line: FormulaLine) => {
    setLines((lines) => [...lines, line])
    setOpen(line.kind === 'pre-ferment' ? line.id : open)
  }
  const flours = formula.lines.filter((l) => l.kind === 'flour')
  const addPreFerment = (style: PreFermentStyle) =>
    add({ id: newId(), kind: 'pre-ferment', style, mix: usualMix(style, flours[0]?.kind === 'flour' ? flours[0].ingredientId : 'white wheat'), share: 0.1 })
  const setBase = (base: PercentageBase) => edit({ formula: dough === null ? { ...formula, base } : restate(formula, dough.exact, base) })
  const take = ({ formula: f, target: t, levain }: FormulaContent) => edit((now) => ({ ...ofKind(now, f), target: t, build: { ...now.build, ...levain } }))
  const content: FormulaContent = {
    formula,
    target,
    levain: { hydration: build.hydration, salt: build.salt, oil: build.oil, flours: [...build.flours] }
  }
  const size = (
    <SizeCard
      target={target}
      formula={formula}
      solved={dough?.exact ?? null}
      frozen={frozen}
      nameOf={nameOf}
      onTarget={(t: Target) => edit({ target: t })}
      onRoundUp={(roundUp) => edit((p) => ({ formula: { ...p.formula, roundUp } }))}
    />
  )
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: undo and redo also work while a cell is being typed in
    <div
      className={classes.wideColumns}
      onKeyDown={(event) => {
        const mod = event.ctrlKey || event.metaKey
        const again = (event.key === 'z' && event.shiftKey) || event.key === 'Z' || event.key === 'y'
        if (!mod || !(event.target instanceof HTMLInputElement) || event.target.dataset.row === undefined || !(again || event.key === 'z')) return
        event.preventDefault()
        event.target.blur()
        if (again) redo()
        else undo()
      }}
    >
      <div className={classes.stack}>
        <Card
          title={RECIPE_STATION.dough}
          aside={
            <Button variant="subtle" size="sm" leftSection={<IconBook2 size={18} />} onClick={() => setSheet('library')}>
              {RECIPE_STATION.recipes}
            </Button>
          }
        >
          <SimpleGrid cols={{ base: 2, sm: 3 }}>
            <QuantityField
              kind="percent"
              label={RECIPE_STATION.hydration}
              disabled={frozen}
              value={formula.hydration}
              range={POSSIBLE.hydration}
              onCommit={(hydration) => setFormula({ hydration })}
            />
            <QuantityField
              kind="percent"
              label={RECIPE_STATION.salt}
              disabled={frozen}
              value={formula.salt}
              range={POSSIBLE.salt}
              onCommit={(salt) => setFormula({ salt })}
            />
            <Select
              label={RECIPE_STATION.kind}
              disabled={frozen}
              data={[...DOUGH_KINDS]}
              value={formula.doughKind}
              onChange={(v) => v !== null && edit((now) => ofKind(now, { ...now.formula, doughKind: v }))}
            />
          </SimpleGrid>
          {solved !== null && !solved.dough.ok && <Note tone="stop">{problemSentence(solved.dough.problem, nameOf)}</Note>}
          {solved?.problem?.code === 'no levain' && <Note tone="stop">{problemSentence(solved.problem)}</Note>}
          <div className={classes.gridBox}>
            <FormulaGrid
              key={revision}
              sized={sized}
              facts={facts}
              frozen={frozen}
              open={open}
              onOpen={setOpen}
              unfolded={(id) => {
                const index = formula.lines.findIndex((l) => l.id === id)
                const line = formula.lines[index]
                if (line === undefined) return null
                const needed = line.kind === 'water' || line.kind === 'salt' || (line.kind === 'flour' && flours.length === 1)
                return (
                  <LineDetails
                    line={line}
                    formula={formula}
                    solved={dough?.exact ?? null}
                    index={index}
                    frozen={frozen}
                    onLine={setLine}
                    onMove={(to) => move(index, to)}
                    onRemove={needed ? null : () => setLines((lines) => lines.filter((l) => l.id !== id))}
                    onReplace={'ingredientId' in line ? () => setPicking({ replaces: id }) : null}
                    onScale={() =>
                      edit({ target: { kind: 'line', lineId: id, grams: Math.max(Math.round(dough?.weigh.lines.find((l) => l.id === id)?.grams ?? 500), 1) } })
                    }
                  />
                )
              }}
              onEdit={edit}
              onMove={move}
            />
          </div>
          {!frozen && (
            <Group mt="md" gap="xs">
              <Button variant="light" size="sm" leftSection={<IconPlus size={18} />} onClick={() => setPicking({ replaces: null })}>
                {RECIPE_STATION.ingredient}
              </Button>
              <Menu>
                <Menu.Target>
                  <Button variant="light" size="sm" leftSection={<IconPlus size={18} />}>
                    {RECIPE_STATION.preFermentOrSoaker}
                  </Button>
                </Menu.Target>
                <Menu.Dropdown>
                  {PRE_FERMENT_STYLES.map((style) => (
                    <Menu.Item key={style} onClick={() => addPreFerment(style)}>
                      {usualMix(style, 'rye').name}
                    </Menu.Item>
                  ))}
                </Menu.Dropdown>
              </Menu>
              {!formula.lines.some((l) => l.kind === 'levain') && (
                <Button variant="light" size="sm" leftSection={<IconPlus size={18} />} onClick={() => add({ id: newId(), kind: 'levain', share: 0.2 })}>
                  {RECIPE_STATION.levain}
                </Button>
              )}
              <Button variant="subtle" size="sm" onClick={() => setSheet('reader')}>
                {RECIPE_STATION.readRecipe}
              </Button>
            </Group>
          )}
          <Group mt="lg" gap="lg" align="flex-end">
            <Switch
              label={RECIPE_STATION.autolyseFlourAndWaterRest}
              disabled={frozen}
              checked={formula.autolyse}
              onChange={(e) => setFormula({ autolyse: e.currentTarget.checked })}
            />
            <QuantityField
              kind="percent"
              label={RECIPE_STATION.waterHeldBack}
              disabled={frozen}
              value={formula.heldBack}
              range={[0, 0.5]}
              onCommit={(heldBack) => setFormula({ heldBack })}
              w={150}
            />
          </Group>
          {dough !== null && <Portions formula={formula} lines={dough.weigh.lines} baseFlourGrams={dough.exact.baseFlourGrams} />}
        </Card>
      </div>
      <div className={classes.stack}>
        {size}
        <TruthCard
          formula={formula}
          dough={dough}
          pantry={pantry}
          levainFlours={build.flours.map((f) => f.ingredientId)}
          gluten={glutenInPlan(plan, jars, pantry)}
        >
          <Warnings codes={['hydration unusual', 'salt unusual', 'yeast unusual', 'pre-fermented unusual', 'piece unusual']} />
        </TruthCard>
        <Card title={RECIPE_STATION.howWritten}>
          <BaseSelect base={formula.base} disabled={frozen} note={RECIPE_STATION.changingKeepsGrams} onBase={setBase} />
        </Card>
        <Button component={Link} to={`/bakes/${bake.id}/levain`} variant="light" size="lg">
          {RECIPE_STATION.goToLevain}
        </Button>
      </div>
      <IngredientPicker
        title={picking?.replaces == null ? RECIPE_STATION.addIngredient : RECIPE_STATION.anotherInstead}
        kinds={picking?.replaces != null && flours.some((l) => l.id === picking.replaces) ? ['flour'] : undefined}
        onPick={
          picking === null
            ? null
            : (ingredient) => {
                const { replaces } = picking
                setPicking(null)
                if (replaces !== null) {
                  setLines((lines) => lines.map((l) => (l.id === replaces && 'ingredientId' in l ? { ...l, ingredientId: ingredient.id } : l)))
                } else if (ingredient.kind === 'flour') {
                  const parts = flours.reduce((t, l) => (l.kind === 'flour' ? t + l.share : t), 0)
                  add({ id: newId(), kind: 'flour', ingredientId: ingredient.id, share: parts / 9 })
                } else add({ id: newId(), kind: 'extra', ingredientId: ingredient.id, share: ingredient.fine ? 0.01 : 0.05 })
              }
        }
        onClose={() => setPicking(null)}
      />
      <Suspense>
        {sheet === 'library' && <LibrarySheet name={plan.name} content={content} frozen={frozen} onTake={take} onClose={() => setSheet(null)} />}
        {sheet === 'reader' && <RecipeReader levain={content.levain} onTake={take} onClose={() => setSheet(null)} />}
      </Suspense>
    </div>
  )
}
