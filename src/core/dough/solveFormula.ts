import { ok, problem, type Result } from '../units/result'
import { type Composition, FLOUR, SALT, type TrueValues, trueValues, WATER } from './composition'
import { type Formula, type FormulaContext, type FormulaLine, ingredientOfLine, lineName, type PercentageBase, type Target } from './formula'
import { anatomyOf, ferments, type MixAnatomy, type WeighedPart, weighMix } from './mix'
import { doughForPieces } from './pieces'

/** One line with its answer. */
export interface SolvedLine {
  readonly id: string
  readonly kind: FormulaLine['kind']
  readonly name: string
  /** Null for levain and pre-ferments. */
  readonly ingredientId: string | null
  /** What to weigh at the mix, g. */
  readonly grams: number
  /** g of this line that go into pre-ferments instead. */
  readonly ahead: number
  /** The figure of its % cell, as a fraction of the base flour. */
  readonly share: number
  readonly composition: Composition
  /** Weighed on the small scale where there is one. */
  readonly fine: boolean
  /** What a pre-ferment is made of. */
  readonly parts: readonly WeighedPart[]
}

/** A solved dough: masses, and what is really in it. */
export interface SolvedDough {
  readonly lines: readonly SolvedLine[]
  readonly doughGrams: number
  /** Flour that counts as 100 %, g, and the sum it was divided by: masses explain themselves. */
  readonly baseFlourGrams: number
  readonly divisor: number
  /** All flour of the flour lines, g. */
  readonly addedFlourGrams: number
  /** g of levain. */
  readonly levainGrams: number
  readonly truth: TrueValues
  /** Share of all flour that ferments ahead. */
  readonly preFermented: number
  /** Yeast on all flour. */
  readonly yeast: number
  /** What is weighed is rounded up. */
  readonly roundUp?: boolean
}

export type DoughProblem =
  | 'dough mass'
  | 'not a number'
  | 'levain wetter than dough'
  | 'levain above all flour'
  | 'no flour'
  | 'extras too salty'
  | 'pre-ferment takes too much'
  | 'pre-ferment flour missing'
  | 'pre-ferment cannot be'
  | 'unknown ingredient'
  | 'not to be scaled'
  | 'water held back'

/** Residue below which a solved share counts as zero. */
const DUST = 1e-12

/** A line worked out on one gram of base flour. */
interface UnitLine {
  readonly line: FormulaLine
  /** At the mix. */
  mass: number
  /** In pre-ferments. */
  ahead: number
  /** The % cell. */
  share: number
  composition: Composition
  readonly anatomy: MixAnatomy | null
}

/**
 * Everything on one gram of base flour, before it is scaled.
 * Source: conservation of flour, water and salt, see docs/model.md.
 */
function unitLines(formula: Formula, { pantry, levain }: FormulaContext): Result<UnitLine[], DoughProblem> {
  const { base, hydration: H, salt: s } = formula
  const figures = [H, s, formula.heldBack, ...formula.lines.map((l) => ('share' in l ? l.share : 0)), levain.flour, levain.water, levain.salt]
  if (figures.some((x) => !Number.isFinite(x) || x < 0)) return problem('not a number')
  const units: UnitLine[] = []
  for (const line of formula.lines) {
    const unit: UnitLine = { line, mass: 0, ahead: 0, share: 0, composition: FLOUR, anatomy: null }
    if (line.kind === 'pre-ferment') {
      const anatomy = anatomyOf(line.mix, pantry)
      if (anatomy === null) return problem('pre-ferment cannot be', {}, line.id)
      const mass = anatomy.flour > 0 ? line.share / anatomy.flour : line.share
      const { flour, water, salt, others } = anatomy
      const composition = { flour: flour + others.flour, water: water + others.water, salt: salt + others.salt }
      units.push({ ...unit, mass, share: line.share, composition, anatomy })
      continue
    }
    if (line.kind === 'levain') {
      if (base === 'total flour' && !(levain.flour > 0)) return problem('no flour', {}, line.id)
      unit.mass = base === 'total flour' ? line.share / levain.flour : line.share
      unit.share = line.share
      unit.composition = levain
    } else if (line.kind === 'extra' || line.kind === 'flour') {
      const ingredient = pantry.get(line.ingredientId)
      if (ingredient === undefined) return problem('unknown ingredient', {}, line.id)
      unit.composition = ingredient.composition
      if (line.kind === 'extra') {
        unit.mass = line.share
        unit.share = line.share
      }
    } else unit.composition = line.kind === 'water' ? WATER : SALT
    units.push(unit)
  }
  const sum = (kinds: readonly FormulaLine['kind'][], pick: (u: UnitLine) => number) =>
    units.reduce((t, u) => (kinds.includes(u.line.kind) ? t + pick(u) : t), 0)
  const taken = (pick: (a: MixAnatomy) => number) => sum(['pre-ferment'], (u) => (u.anatomy === null ? 0 : u.mass * pick(u.anatomy)))
  // Flour, water and salt that come along with what is not taken out of the dough's own.
  const along = (part: keyof Composition) => sum(['levain', 'extra'], (u) => u.mass * u.composition[part]) + taken((a) => a.others[part])

  const addedFlour = base === 'total flour' ? 1 - along('flour') : 1
  if (addedFlour < -DUST) return problem('levain above all flour', { share: along('flour') })
  const allFlour = addedFlour + along('flour')
  const counted = base !== 'plain'
  const addedWater = counted ? H * allFlour - along('water') : H
  const addedSalt = counted ? s * allFlour - along('salt') : s
  const levainLine = units.find((u) => u.line.kind === 'levain')
  if (addedWater < -DUST)
    return problem('levain wetter than dough', {
      hydration: H,
      levainHydration: levainLine === undefined ? 0 : levain.water / levain.flour,
      missing: -addedWater
    })
  if (addedSalt < -DUST) return problem('extras too salty', { salt: s })

  const parts = units.reduce((t, u) => (u.line.kind === 'flour' ? t + u.line.share : t), 0)
  if (!(parts > 0) && addedFlour > DUST) return problem('no flour')
  const aheadByFlour = new Map<string, number>()
  for (const u of units) for (const [id, g] of u.anatomy?.flours ?? []) aheadByFlour.set(id, (aheadByFlour.get(id) ?? 0) + g * u.mass)
  for (const unit of units) {
    const { line } = unit
    let whole: number
    if (line.kind === 'flour') {
      whole = parts > 0 ? (addedFlour * line.share) / parts : 0
      unit.ahead = Math.min(aheadByFlour.get(line.ingredientId) ?? 0, whole)
      aheadByFlour.set(line.ingredientId, (aheadByFlour.get(line.ingredientId) ?? 0) - unit.ahead)
    } else if (line.kind === 'water' || line.kind === 'salt') {
      whole = line.kind === 'water' ? addedWater : addedSalt
      unit.ahead = taken((a) => a[line.kind])
      if (whole - unit.ahead < -DUST) return problem('pre-ferment takes too much', { missing: unit.ahead - whole }, line.id)
    } else continue
    unit.share = Math.max(whole, 0)
    unit.mass = Math.max(whole - unit.ahead, 0)
  }
  for (const [id, left] of aheadByFlour) {
    if (left <= DUST) continue
    const there = units.find((u) => u.line.kind === 'flour' && u.line.ingredientId === id)
    return there === undefined ? problem('pre-ferment flour missing', {}, id) : problem('pre-ferment takes too much', { missing: left }, there.line.id)
  }
  const water = units.find((u) => u.line.kind === 'water')
  if (formula.heldBack > (water?.mass ?? 0) + DUST) return problem('water held back', { heldBack: formula.heldBack, water: water?.mass ?? 0 })
  return ok(units)
}

/** Dough mass a target asks for where it does, and otherwise what one gram of base flour has to be scaled by. */
function scaleOf(target: Target, units: readonly UnitLine[]): Result<number, DoughProblem> {
  const sum = (pick: (u: UnitLine) => number) => units.reduce((t, u) => t + pick(u), 0)
  const reach = (grams: number, perGram: number, about?: string): Result<number, DoughProblem> => {
    if (!Number.isFinite(grams)) return problem('not a number')
    if (!(grams > 0)) return problem('dough mass')
    return perGram > DUST ? ok(grams / perGram) : problem('not to be scaled', {}, about)
  }
  switch (target.kind) {
    case 'pieces':
      return reach(
        doughForPieces(target.pieces, target.handlingLoss, target.bakeLoss ?? 0),
        sum((u) => u.mass)
      )
    case 'flour pieces':
      return reach(
        target.pieces.reduce((sum, p) => sum + p.count * p.grams, 0),
        sum((u) => (u.line.kind === 'flour' ? u.share : 0))
      )
    case 'dough':
      return reach(
        target.grams,
        sum((u) => u.mass)
      )
    case 'added flour':
      return reach(
        target.grams,
        sum((u) => (u.line.kind === 'flour' ? u.share : 0))
      )
    case 'total flour':
      return reach(
        target.grams,
        sum((u) => u.mass * u.composition.flour)
      )
    case 'levain':
      return reach(
        target.grams,
        sum((u) => (u.line.kind === 'levain' ? u.mass : 0))
      )
    case 'line':
      return reach(
        target.grams,
        sum((u) => (u.line.id === target.lineId ? u.mass : 0)),
        target.lineId
      )
  }
}

/**
 * Formula → masses, in any percentage base, from any one known.
 * @param formula what is wished; everything is counted with all it holds
 * @param target what is known of the size
 * @param context the kitchen's ingredients, and what the levain holds
 * @returns unrounded masses with true values, or why it cannot be
 * Source: conservation of flour, water and salt.
 * @example solveFormula(formula, { kind: 'dough', grams: 1480 }, context) // dough flour, 74 %, 2.1 %, levain 27 % at 125 %: flour 750.39
 */
export function solveFormula(formula: Formula, target: Target, context: FormulaContext): Result<SolvedDough, DoughProblem> {
  const units = unitLines(formula, context)
  if (!units.ok) return units
  const scale = scaleOf(target, units.value)
  if (!scale.ok) return scale
  const baseFlourGrams = scale.value
  const lines = units.value.map((u): SolvedLine => {
    const { line } = u
    const ingredientId = ingredientOfLine(line)
    const ingredient = ingredientId === null ? undefined : context.pantry.get(ingredientId)
    const grams = u.mass * baseFlourGrams
    return {
      id: line.id,
      kind: line.kind,
      name: lineName(line, context.pantry) ?? line.kind,
      ingredientId,
      grams,
      ahead: u.ahead * baseFlourGrams,
      share: u.share,
      composition: u.composition,
      fine: ingredient?.fine ?? false,
      parts: line.kind === 'pre-ferment' && grams > 0 ? weighMix(line.mix, grams, context.pantry) : []
    }
  })
  const divisor = units.value.reduce((t, u) => t + u.mass, 0)
  const truth = trueValues(lines)
  if (!(truth.flourGrams > 0)) return problem('no flour')
  const aheadFlour = units.value.reduce(
    (t, u) => (u.line.kind === 'levain' || (u.line.kind === 'pre-ferment' && ferments(u.line.style)) ? t + u.mass * u.composition.flour : t),
    0
  )
  return ok({
    lines,
    doughGrams: divisor * baseFlourGrams,
    baseFlourGrams,
    divisor,
    addedFlourGrams: lines.reduce((t, l) => (l.kind === 'flour' ? t + l.grams + l.ahead : t), 0),
    levainGrams: lines.reduce((t, l) => (l.kind === 'levain' ? t + l.grams : t), 0),
    truth,
    preFermented: (aheadFlour * baseFlourGrams) / truth.flourGrams,
    yeast: yeastGrams(lines, context) / truth.flourGrams,
    roundUp: formula.roundUp
  })
}

function yeastGrams(lines: readonly SolvedLine[], { pantry }: FormulaContext): number {
  const isYeast = (id: string | null) => id !== null && pantry.get(id)?.kind === 'yeast'
  const within = (parts: readonly WeighedPart[]): number => parts.reduce((t, p) => t + (isYeast(p.ingredientId) ? p.grams : 0) + within(p.parts), 0)
  return lines.reduce((t, l) => t + (isYeast(l.ingredientId) ? l.grams : 0) + within(l.parts), 0)
}

/**
 * Masses → formula: restates the same grams in a base. The inverse of solveFormula; the grams of no line change.
 * @param formula whose lines and habits are kept
 * @param solved its masses
 * @param base the base to state them in
 * @throws RangeError when the base has no flour
 */
export function restate(formula: Formula, solved: SolvedDough, base: PercentageBase): Formula {
  const { truth, addedFlourGrams } = solved
  const hundred = base === 'total flour' ? truth.flourGrams : addedFlourGrams
  if (!(hundred > 0)) throw new RangeError('No flour counts as 100 %.')
  const whole = (kind: 'water' | 'salt') => solved.lines.reduce((t, l) => (l.kind === kind ? t + l.grams + l.ahead : t), 0)
  const lines = formula.lines.map((line): FormulaLine => {
    const at = solved.lines.find((l) => l.id === line.id)
    if (at === undefined || line.kind === 'water' || line.kind === 'salt') return line
    if (line.kind === 'flour') return { ...line, share: addedFlourGrams > 0 ? (at.grams + at.ahead) / addedFlourGrams : line.share }
    if (line.kind === 'levain') return { ...line, share: (base === 'total flour' ? at.grams * at.composition.flour : at.grams) / hundred }
    if (line.kind === 'pre-ferment') return { ...line, share: (line.share * solved.baseFlourGrams) / hundred }
    return { ...line, share: at.grams / hundred }
  })
  return {
    ...formula,
    base,
    hydration: base === 'plain' ? whole('water') / hundred : truth.hydration,
    salt: base === 'plain' ? whole('salt') / hundred : truth.salt,
    lines,
    heldBack: (formula.heldBack * solved.baseFlourGrams) / hundred
  }
}
