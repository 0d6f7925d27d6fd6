import Papa from 'papaparse'
import { allergensOf } from '../dough/allergens'
import { withParts } from '../dough/blend'
import type { Formula, Target } from '../dough/formula'
import type { Ingredient, Pantry } from '../dough/ingredient'
import { ingredientsOf, type WeighedPart } from '../dough/mix'
import type { WeighedDough } from '../dough/roundDough'
import type { SolvedDough } from '../dough/solveFormula'

/** A formula as it leaves the house: everything it needs to be read elsewhere. */
export interface PortableFormula {
  readonly format: 'olvent-formula'
  readonly formatVersion: 1
  readonly name: string
  readonly note: string
  readonly formula: Formula
  readonly target: Target
  readonly levain: {
    readonly hydration: number
    readonly salt: number
    readonly oil: number
    readonly flours: readonly { readonly ingredientId: string; readonly share: number }[]
  }
  /** What its ingredients hold. */
  readonly ingredients: readonly Ingredient[]
}

/** A formula with its grams, to be written in a format that people read. */
export interface WrittenFormula {
  readonly portable: PortableFormula
  readonly solved: SolvedDough
  readonly weigh: WeighedDough
}

/** Packs a formula with the ingredients it names. */
export function portableFormula(content: Pick<PortableFormula, 'name' | 'note' | 'formula' | 'target' | 'levain'>, pantry: Pantry): PortableFormula {
  const ids = [
    ...content.formula.lines.flatMap((line) => (line.kind === 'pre-ferment' ? ingredientsOf(line.mix) : 'ingredientId' in line ? [line.ingredientId] : [])),
    ...content.levain.flours.map((f) => f.ingredientId),
    'water',
    'salt'
  ]
  // What it cost and which packet stands open is nobody else's business.
  const ingredients = withParts(ids, pantry).map(({ price: _price, packet: _packet, ...ingredient }) => ingredient)
  return { format: 'olvent-formula', formatVersion: 1, ...content, ingredients }
}

/** JSON after the published schema; reading it back loses nothing. */
export const formulaJson = (portable: PortableFormula): string => `${JSON.stringify(portable, null, 2)}\n`

const tidy = (grams: number, resolution: number) => grams.toFixed(resolution < 1 ? 1 : 0)
const percentOf = (share: number) => `${Number((share * 100).toFixed(2))} %`

interface Row {
  readonly name: string
  readonly grams: string
  readonly percent: string
  readonly partOf: string
}

function rowsOf({ weigh }: WrittenFormula): Row[] {
  const inside = (parts: readonly WeighedPart[], partOf: string): Row[] =>
    parts.flatMap((p) => [{ name: p.name, grams: tidy(p.grams, p.grams < 10 ? 0.1 : 1), percent: '', partOf }, ...inside(p.parts, p.name)])
  return weigh.lines.flatMap((line) => [
    { name: line.name, grams: tidy(line.grams, line.resolution), percent: percentOf(line.share), partOf: '' },
    ...inside(line.parts, line.name)
  ])
}

/** schema.org Recipe as JSON-LD. */
export function formulaJsonLd(written: WrittenFormula): string {
  const { portable, weigh } = written
  const recipe = {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: portable.name,
    description: portable.note === '' ? undefined : portable.note,
    recipeYield: `${Math.round(weigh.doughGrams)} g of dough`,
    recipeIngredient: rowsOf(written)
      .filter((row) => row.partOf === '')
      .map((row) => `${row.grams} g ${row.name.toLowerCase()}`)
  }
  return `${JSON.stringify(recipe, null, 2)}\n`
}

/** A table for a spreadsheet. */
export function formulaCsv(written: WrittenFormula): string {
  const data = rowsOf(written).map((row) => [row.name, row.grams, row.percent.replace(' %', ''), row.partOf])
  return `${Papa.unparse({ fields: ['ingredient', 'grams', 'percent', 'part of'], data }, { newline: '\n', escapeFormulae: true })}\n`
}

/** A page to read and to keep, allergens included. */
export function formulaMarkdown(written: WrittenFormula, pantry: Pantry): string {
  const { portable, weigh, solved } = written
  const allergens = allergensOf(
    portable.formula,
    portable.levain.flours.map((f) => f.ingredientId),
    pantry
  )
  const cell = (text: string) => text.replaceAll('|', '\\|').replaceAll('\n', ' ')
  return [
    `# ${portable.name.replaceAll('\n', ' ')}`,
    '',
    ...(portable.note === '' ? [] : [portable.note, '']),
    `| ingredient | grams | percent of ${portable.formula.base === 'total flour' ? 'all flour' : 'dough flour'} | part of |`,
    '|---|---:|---:|---|',
    ...rowsOf(written).map((row) => `| ${cell(row.name)} | ${row.grams} | ${row.percent} | ${cell(row.partOf)} |`),
    '',
    `${Math.round(weigh.doughGrams)} g of dough. In truth ${percentOf(weigh.truth.hydration)} hydration, ${percentOf(weigh.truth.salt)} salt, ${percentOf(solved.preFermented)} of the flour ripens ahead. Levain at ${percentOf(portable.levain.hydration)}.`,
    '',
    allergens.length === 0 ? 'None of the listed allergens.' : `Contains ${allergens.join(', ')}.`,
    ''
  ].join('\n')
}

/** What an imported text turns out to be. */
export type ImportedText =
  | { readonly kind: 'formula'; readonly value: unknown }
  /** Ingredient lines to be read like a recipe. */
  | { readonly kind: 'recipe'; readonly from: 'text' | 'schema.org' | 'CSV' | 'Markdown'; readonly name: string; readonly text: string }
  | { readonly kind: 'unreadable'; readonly reason: 'broken JSON' | 'no ingredients' }

const MOST_JSON = 400_000

/**
 * Recognises what was pasted or dropped: our own JSON, a schema.org Recipe, a CSV or Markdown table, or plain lines.
 * @returns ingredient lines as text, except for our own format
 */
export function recogniseImport(text: string): ImportedText {
  const trimmed = text.trim()
  if (/^[{[]/.test(trimmed)) return fromJson(trimmed)
  const rows = trimmed.split(/\r\n|\r|\n/)
  const heading = rows.find((row) => /^#\s/.test(row))?.replace(/^#\s*/, '') ?? ''
  const table = rows.filter((row) => /^\s*\|.*\|\s*$/.test(row))
  if (table.length >= 3) {
    const cells = table.map((row) =>
      row
        .trim()
        .slice(1, -1)
        .split(/(?<!\\)\|/)
        .map((c) => c.trim().replaceAll('\\|', '|'))
    )
    return fromTable(
      cells.filter((_, i) => i !== 1),
      heading,
      'Markdown'
    )
  }
  if (/^"?ingredient"?\s*[,;\t]/i.test(trimmed)) {
    const { data } = Papa.parse<string[]>(trimmed.slice(0, MOST_JSON), { skipEmptyLines: true })
    return fromTable(data, '', 'CSV')
  }
  return {
    kind: 'recipe',
    from: 'text',
    name: heading,
    text: rows
      .filter((row) => !/^#\s/.test(row))
      .map((row) => row.replace(/^\s*[-*]\s+/, ''))
      .join('\n')
  }
}

function fromJson(text: string): ImportedText {
  let value: unknown
  try {
    value = JSON.parse(text.slice(0, MOST_JSON))
  } catch {
    return { kind: 'unreadable', reason: 'broken JSON' }
  }
  if (isRecord(value) && value.format === 'olvent-formula') return { kind: 'formula', value }
  const recipe = findRecipe(value)
  const list = recipe === undefined ? undefined : recipe.recipeIngredient
  if (recipe === undefined || !Array.isArray(list)) return { kind: 'unreadable', reason: 'no ingredients' }
  const lines = list.filter((x): x is string => typeof x === 'string').map((x) => x.replaceAll('\n', ' '))
  return { kind: 'recipe', from: 'schema.org', name: typeof recipe.name === 'string' ? recipe.name : '', text: lines.join('\n') }
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/** A Recipe on its own, in a list, or in a graph. */
function findRecipe(value: unknown): Record<string, unknown> | undefined {
  const list = Array.isArray(value) ? value : isRecord(value) && Array.isArray(value['@graph']) ? value['@graph'] : [value]
  return list.filter(isRecord).find((entry) => entry['@type'] === 'Recipe' || (Array.isArray(entry['@type']) && entry['@type'].includes('Recipe')))
}

function fromTable(rows: readonly (readonly string[])[], name: string, from: 'CSV' | 'Markdown'): ImportedText {
  const head = (rows[0] ?? []).map((c) => c.toLowerCase())
  const column = (pattern: RegExp) => head.findIndex((c) => pattern.test(c))
  const [ingredient, grams, percent, partOf] = [column(/ingredient|name/), column(/gram|^g$|weight/), column(/percent|%/), column(/part of/)]
  if (ingredient < 0 || (grams < 0 && percent < 0)) return { kind: 'unreadable', reason: 'no ingredients' }
  const lines = rows.slice(1).flatMap((row) => {
    // What stands inside a pre-ferment is counted by its line already.
    if ((row[partOf] ?? '').trim() !== '' && partOf >= 0) return []
    const [what, g, p] = [row[ingredient] ?? '', (row[grams] ?? '').trim(), (row[percent] ?? '').replace('%', '').trim()]
    return [`${g === '' ? '' : `${g} g `}${what}${p === '' ? '' : ` ${p} %`}`.replaceAll('\n', ' ')]
  })
  return { kind: 'recipe', from, name, text: lines.join('\n') }
}
