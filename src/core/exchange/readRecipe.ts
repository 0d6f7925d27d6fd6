import type { Ingredient, Pantry } from '../dough/ingredient'
import { sure } from '../units/sure'
import { type CupSizes, type MassRange, massOfVolume } from '../units/volume'

/** Part of the text that was read: from, to (exclusive). */
export type Span = readonly [from: number, to: number]

/** A figure with its unit, as it was found. */
export interface ReadQuantity {
  readonly kind: 'mass' | 'volume' | 'pieces' | 'percent'
  readonly value: number
  /** What it weighs; null for a percentage, and for a volume or piece whose ingredient is not known yet. */
  readonly grams: MassRange | null
  readonly unit: string
  readonly span: Span
}

/** Why a line has to be asked about. */
export type ReadQuestion = 'which ingredient' | 'how much' | 'which figure'

/** One line of a recipe somebody else wrote. */
export interface ReadLine {
  readonly text: string
  readonly span: Span
  /** Null: asked about or not an ingredient at all. */
  readonly ingredient: Ingredient | null
  /** What it may be, where that is not clear; empty: anything. */
  readonly candidates: readonly Ingredient[]
  readonly quantity: ReadQuantity | null
  /** A percentage that stands beside a mass. */
  readonly percent: { readonly value: number; readonly span: Span } | null
  readonly question: ReadQuestion | null
  /** Holds no figure and no ingredient: a heading or a remark. */
  readonly remark: boolean
  /** Figures that were not used, told to the baker. */
  readonly unused: readonly { readonly text: string; readonly span: Span }[]
}

/** A recipe as it was read. */
export interface ReadRecipe {
  readonly lines: readonly ReadLine[]
  /** The text went on after what was read. */
  readonly cut: boolean
}

const MOST_TEXT = 20_000
const MOST_LINES = 200
const MOST_LINE = 300

const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8
}
const OUNCE = 28.349523125
const POUND = 16 * OUNCE

interface Unit {
  readonly kind: 'mass' | 'volume'
  /** g, or ml. */
  readonly per: number
}

function unitOf(word: string, cups: CupSizes): Unit | null {
  const mass = (per: number): Unit => ({ kind: 'mass', per })
  const volume = (per: number): Unit => ({ kind: 'volume', per })
  switch (word.toLowerCase().replace(/\.$/, '')) {
    case 'g':
    case 'gr':
    case 'gram':
    case 'grams':
    case 'gramme':
    case 'grammes':
      return mass(1)
    case 'kg':
    case 'kilo':
    case 'kilos':
    case 'kilogram':
    case 'kilograms':
      return mass(1000)
    case 'mg':
      return mass(0.001)
    case 'oz':
    case 'ounce':
    case 'ounces':
      return mass(OUNCE)
    case 'lb':
    case 'lbs':
    case 'pound':
    case 'pounds':
      return mass(POUND)
    case 'ml':
    case 'millilitre':
    case 'millilitres':
    case 'milliliter':
    case 'milliliters':
      return volume(1)
    case 'cl':
      return volume(10)
    case 'dl':
      return volume(100)
    case 'l':
    case 'litre':
    case 'litres':
    case 'liter':
    case 'liters':
      return volume(1000)
    case 'cup':
    case 'cups':
      return volume(cups.cup)
    case 'tbsp':
    case 'tbs':
    case 'tablespoon':
    case 'tablespoons':
      return volume(cups.tablespoon)
    case 'tsp':
    case 'teaspoon':
    case 'teaspoons':
      return volume(cups.teaspoon)
    default:
      return null
  }
}

/** Words that name many things: never guessed, always asked. */
const GENERIC: Readonly<Record<string, readonly Ingredient['kind'][]>> = {
  flour: ['flour'],
  seeds: ['seed'],
  nuts: ['seed'],
  sugar: ['sweet'],
  malt: ['malt'],
  yeast: ['yeast'],
  fat: ['fat'],
  fruit: ['fruit']
}

// One figure: "1 1/2", "1½", "1/2", "480", "0,5". The parts are bounded, so that no text can make it slow.
const FIGURE = /(\d{1,7}(?:[.,]\d{1,4})?)(?:\s?([½¼¾⅓⅔⅛⅜⅝⅞])|\s(\d{1,2})\/(\d{1,2})(?!\d)|\/(\d{1,3})(?!\d))?|([½¼¾⅓⅔⅛⅜⅝⅞])/g
const WORD_AFTER = /^\s{0,3}([a-zA-Z]{1,12}\.?|%)/
const RANGE_AFTER = /^\s{0,2}(?:-|–|to)\s{0,2}$/

interface Figure {
  readonly value: number
  readonly unit: Unit | 'percent' | null
  readonly unitText: string
  /** Of the figure with its unit, within the line. */
  readonly from: number
  readonly to: number
  /** Of the figure alone. */
  readonly figureTo: number
}

function figuresIn(text: string, cups: CupSizes): Figure[] {
  const figures: Figure[] = []
  for (const match of text.matchAll(FIGURE)) {
    const [whole, first, mixed, top, bottom, over, alone] = match
    const from = match.index
    const base = first === undefined ? 0 : Number(first.replace(',', '.'))
    const value =
      alone !== undefined
        ? (FRACTIONS[alone] ?? 0)
        : mixed !== undefined
          ? base + (FRACTIONS[mixed] ?? 0)
          : top !== undefined && Number(bottom) > 0
            ? base + Number(top) / Number(bottom)
            : over !== undefined && Number(over) > 0
              ? base / Number(over)
              : base
    const figureTo = from + whole.length
    const after = WORD_AFTER.exec(text.slice(figureTo, figureTo + 18))
    const word = after?.[1] ?? ''
    const unit = word === '%' ? 'percent' : unitOf(word, cups)
    const to = unit === null ? figureTo : figureTo + (after?.[0].length ?? 0)
    figures.push({ value, unit, unitText: unit === null ? '' : word, from, to, figureTo })
  }
  return figures
}

/** What may stand between measures that are added. */
const BETWEEN_MEASURES = /^\s*(?:\+|and|,)?\s*$/

/**
 * Reads household measures: "2/3 cup", "1½ tbsp", "1 cup + 2 tablespoons".
 * @param cups which cups and spoons are meant
 * @returns ml; null for anything else
 * @example readVolume('1 cup + 2 tbsp', CUP_SIZES.metric) // 280
 */
export function readVolume(text: string, cups: CupSizes): number | null {
  const figures = figuresIn(text.slice(0, MOST_LINE), cups)
  if (figures.length === 0) return null
  let ml = 0
  let at = 0
  for (const { value, unit, from, to } of figures) {
    const apart = text.slice(at, from)
    if (unit === null || unit === 'percent' || unit.kind !== 'volume' || !(at === 0 ? apart.trim() === '' : BETWEEN_MEASURES.test(apart))) return null
    ml += value * unit.per
    at = to
  }
  return text.slice(at).trim() === '' ? ml : null
}

/** "2-3 eggs": two figures with nothing but a dash between are one, at its middle, and wide. */
function ranges(figures: readonly Figure[], text: string): { readonly figures: Figure[]; readonly wide: ReadonlyMap<Figure, readonly [number, number]> } {
  const joined: Figure[] = []
  const wide = new Map<Figure, readonly [number, number]>()
  for (let i = 0; i < figures.length; i++) {
    const [low, high] = [sure(figures[i]), figures[i + 1]]
    if (high !== undefined && low.unit === null && RANGE_AFTER.test(text.slice(low.to, high.from)) && high.value > low.value) {
      const both = { ...high, value: (low.value + high.value) / 2, from: low.from }
      wide.set(both, [low.value, high.value])
      joined.push(both)
      i++
    } else joined.push(low)
  }
  return { figures: joined, wide }
}

/** Every name an ingredient goes by, longest first. */
function namesOf(pantry: Pantry): { readonly name: string; readonly ingredient: Ingredient }[] {
  return [...pantry.values()]
    .flatMap((ingredient) => [ingredient.name.toLowerCase(), ...(ingredient.alsoCalled ?? [])].map((name) => ({ name, ingredient })))
    .sort((a, b) => b.name.length - a.name.length)
}

const letters = /[\p{L}\p{N}]/u
/** Where a name stands in a text as whole words; -1 when it does not. A plural s is let pass. */
function wordIndex(text: string, name: string): number {
  for (let at = text.indexOf(name); at >= 0; at = text.indexOf(name, at + 1)) {
    const before = text[at - 1]
    const end = at + name.length
    const after = text[end] === 's' ? text[end + 1] : text[end]
    if ((before === undefined || !letters.test(before)) && (after === undefined || !letters.test(after))) return at
  }
  return -1
}

function ingredientIn(words: string, names: ReturnType<typeof namesOf>, pantry: Pantry): { ingredient: Ingredient | null; candidates: Ingredient[] } {
  const text = words.toLowerCase()
  const hit = names.find(({ name }) => wordIndex(text, name) >= 0)
  if (hit === undefined) {
    const generic = Object.keys(GENERIC).find((word) => wordIndex(text, word) >= 0)
    return { ingredient: null, candidates: generic === undefined ? [] : ofKinds(GENERIC[generic] ?? [], pantry) }
  }
  if (GENERIC[hit.name] !== undefined) return { ingredient: null, candidates: ofKinds(GENERIC[hit.name] ?? [], pantry) }
  // "milk or water", "butter and oil": a second ingredient that is not part of the first one's name.
  const rest = text.replace(hit.name, ' '.repeat(hit.name.length))
  const second = names.find(({ name, ingredient }) => ingredient.id !== hit.ingredient.id && GENERIC[name] === undefined && wordIndex(rest, name) >= 0)
  if (second !== undefined && /\b(or|and)\b|\/|\+/.test(rest)) return { ingredient: null, candidates: [hit.ingredient, second.ingredient] }
  return { ingredient: hit.ingredient, candidates: [] }
}

const ofKinds = (kinds: readonly Ingredient['kind'][], pantry: Pantry) => [...pantry.values()].filter((i) => kinds.includes(i.kind))

/**
 * Reads a recipe line by line. Volumes become grams within limits; what is not clear is asked about, and never guessed.
 * @param text as typed or pasted; 20,000 characters and 200 lines at most are looked at
 * @param pantry ingredients the kitchen knows, with the words they go by
 * @param cups which cups and spoons are meant
 * @returns every figure of the text is in a quantity, a percentage, or among the unused
 * @example readRecipe('480 g strong flour\n2 tsp salt', pantry, CUP_SIZES.metric).lines[0].quantity.grams.middle // 480
 */
export function readRecipe(text: string, pantry: Pantry, cups: CupSizes): ReadRecipe {
  const seen = text.slice(0, MOST_TEXT)
  const names = namesOf(pantry)
  const lines: ReadLine[] = []
  let at = 0
  let cut = text.length > MOST_TEXT
  for (const raw of seen.split(/\r\n|\r|\n|;|•/)) {
    const sep = seen.startsWith('\r\n', at + raw.length) ? 2 : 1
    let offset = at
    for (const part of raw.split(/, (?=\d|[½¼¾⅓⅔⅛⅜⅝⅞])/)) {
      if (part.trim() !== '') {
        if (lines.length >= MOST_LINES) cut = true
        else lines.push(readLine(part, offset, names, pantry, cups))
      }
      offset += part.length + 2
    }
    at += raw.length + sep
  }
  return { lines, cut }
}

function readLine(whole: string, offset: number, names: ReturnType<typeof namesOf>, pantry: Pantry, cups: CupSizes): ReadLine {
  const text = whole.slice(0, MOST_LINE)
  const { figures, wide } = ranges(figuresIn(text, cups), text)
  const span = (f: Figure): Span => [offset + f.from, offset + f.to]
  const used = new Set<Figure>()
  let words = text
  for (const f of figures) words = words.slice(0, f.from) + ' '.repeat(f.to - f.from) + words.slice(f.to)
  const { ingredient, candidates } = ingredientIn(words, names, pantry)

  const masses = figures.filter((f) => f.unit !== null && f.unit !== 'percent' && f.unit.kind === 'mass')
  const volumes = figures.filter((f) => f.unit !== null && f.unit !== 'percent' && f.unit.kind === 'volume')
  const percents = figures.filter((f) => f.unit === 'percent' && !/^\s{0,2}(hydration|protein|fat|extraction|cocoa)/i.test(text.slice(f.to)))
  const bare = figures.filter((f) => f.unit === null)
  const chosen = masses[0] ?? volumes[0] ?? (percents.length > 0 ? undefined : bare[0])
  const pieces = chosen !== undefined && chosen.unit === null
  let quantity: ReadQuantity | null = null
  if (chosen !== undefined) {
    used.add(chosen)
    const [low, high] = wide.get(chosen) ?? [chosen.value, chosen.value]
    quantity = {
      kind: pieces ? 'pieces' : (chosen.unit as Unit).kind,
      value: chosen.value,
      grams: gramsOf(chosen, low, high, ingredient),
      unit: chosen.unitText,
      span: span(chosen)
    }
  }
  const besidePercent = percents[0]
  const percent = besidePercent === undefined ? null : { value: besidePercent.value, span: span(besidePercent) }
  if (besidePercent !== undefined) used.add(besidePercent)
  if (quantity === null && besidePercent !== undefined)
    quantity = { kind: 'percent', value: besidePercent.value, grams: null, unit: '%', span: span(besidePercent) }
  const unused = figures.filter((f) => !used.has(f)).map((f) => ({ text: text.slice(f.from, f.to), span: span(f) }))
  for (const match of whole.slice(MOST_LINE).matchAll(/\d+/g)) {
    const from = offset + MOST_LINE + match.index
    unused.push({ text: match[0], span: [from, from + match[0].length] })
  }
  const remark = quantity === null && figures.length === 0 && ingredient === null && candidates.length === 0
  return {
    text: whole.trim().slice(0, MOST_LINE),
    span: [offset, offset + whole.length],
    ingredient,
    candidates,
    quantity,
    percent: quantity?.kind === 'percent' ? null : percent,
    question: remark ? null : questionOf(ingredient, quantity, masses.length > 1 && masses[0]?.value !== masses[1]?.value),
    remark,
    unused
  }
}

function questionOf(ingredient: Ingredient | null, quantity: ReadQuantity | null, twoMasses: boolean): ReadQuestion | null {
  if (ingredient === null) return 'which ingredient'
  if (twoMasses) return 'which figure'
  if (quantity === null || !(quantity.value > 0)) return 'how much'
  return quantity.kind !== 'percent' && quantity.grams === null ? 'how much' : null
}

function gramsOf(figure: Figure, low: number, high: number, ingredient: Ingredient | null): MassRange | null {
  const between = (least: number, most: number): MassRange => ({ least, most, middle: (least + most) / 2 })
  if (figure.unit === 'percent') return null
  if (figure.unit === null) {
    return ingredient?.pieceGrams === undefined ? null : between(low * ingredient.pieceGrams[0], high * ingredient.pieceGrams[1])
  }
  if (figure.unit.kind === 'mass') return between(low * figure.unit.per, high * figure.unit.per)
  if (ingredient?.density === undefined) return null
  return between(massOfVolume(low * figure.unit.per, ingredient.density).least, massOfVolume(high * figure.unit.per, ingredient.density).most)
}

/** Grams of a quantity once its ingredient has been told; null where a volume of it makes no sense. */
export function regrammed(line: ReadLine, ingredient: Ingredient, cups: CupSizes): ReadQuantity | null {
  const { quantity } = line
  if (quantity === null || quantity.kind === 'percent' || quantity.kind === 'mass') return quantity
  const unit = quantity.kind === 'volume' ? unitOf(quantity.unit, cups) : null
  const figure: Figure = { value: quantity.value, unit, unitText: quantity.unit, from: 0, to: 0, figureTo: 0 }
  return { ...quantity, grams: gramsOf(figure, quantity.value, quantity.value, ingredient) }
}
