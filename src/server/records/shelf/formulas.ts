import { literal } from 'sequelize'
import type { z } from 'zod'
import { type formulaPostSchema, type formulaPutSchema, isoOf, type WireFormulaVersion, type WireSavedFormula } from '../../../contract'
import { levainComposition, solveFormula, sure } from '../../../core'
import { problemSentence } from '../../../words'
import { REFUSE_SHELF } from '../../../words/refusals/shelf'
import { THINGS } from '../../../words/refusals/things'
import { type FormulaRow, type FormulaVersionRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { theKitchen } from '../kitchen/kitchens'
import type { Work } from '../work'
import { pantryIn } from './ingredients'

function view(row: FormulaRow, latest: FormulaVersionRow): WireSavedFormula {
  return {
    id: row.id,
    name: latest.name,
    note: latest.note,
    version: row.version,
    content: latest.content,
    changedAt: isoOf(Number(latest.recordedAtMs)),
    deletedAt: row.deletedAtMs === null ? null : isoOf(Number(row.deletedAtMs))
  }
}

async function rowOf({ models, transaction }: Work, id: string): Promise<FormulaRow> {
  const row = await models.formulas.findByPk(id, { transaction })
  if (row === null) throw notFound(THINGS.recipe)
  return plain(row)
}

async function versionsOf({ models, transaction }: Work, formulaId: string): Promise<FormulaVersionRow[]> {
  return (await models.formulaVersions.findAll({ where: { formulaId }, order: [['version', 'DESC']], transaction })).map(plain)
}

/** One formula as it is now. */
export async function findFormula(work: Work, id: string): Promise<WireSavedFormula> {
  const row = await rowOf(work, id)
  const { models, transaction } = work
  const latest = await models.formulaVersions.findOne({ where: { formulaId: id, version: row.version }, transaction })
  return view(row, plain(latest as NonNullable<typeof latest>))
}

/** The library, by name. */
export async function listFormulas(work: Work): Promise<WireSavedFormula[]> {
  const { models, transaction } = work
  const rows = (await models.formulas.findAll({ where: { deletedAtMs: null }, transaction })).map(plain)
  // Of each only what it is now: a library of 150 with twelve versions each is read whole otherwise.
  const newest = literal('(formulaId, version) IN (SELECT id, version FROM formulas WHERE deletedAtMs IS NULL)')
  const latest = new Map((await models.formulaVersions.findAll({ where: newest, transaction })).map(plain).map((v) => [v.formulaId, v]))
  return rows.map((row) => view(row, sure(latest.get(row.id)))).sort((a, b) => a.name.localeCompare(b.name))
}

/** Refuses a formula that cannot be, with the sentence that says why. */
async function check(work: Work, { formula, target, levain }: z.output<typeof formulaPostSchema>['content']): Promise<void> {
  const pantry = await pantryIn(work)
  const solved = solveFormula(formula, target, { pantry, levain: levainComposition(levain) })
  if (solved.ok) return
  const sentence = problemSentence(solved.problem, (id) => pantry.get(id)?.name)
  throw new Problem(400, 'cannot be', sentence, { fields: { 'content.formula': sentence } })
}

async function addVersion({ models, transaction, nowMs }: Work, formulaId: string, version: number, body: Omit<z.output<typeof formulaPostSchema>, 'id'>) {
  const { name, note, content } = body
  await models.formulaVersions.create({ formulaId, version, name, note, content, recordedAtMs: nowMs }, { transaction })
}

/** Takes a formula into the library. The id makes it safe to send twice. */
export async function createFormula(work: Work, { id, ...body }: z.output<typeof formulaPostSchema>): Promise<WireSavedFormula> {
  const { models, transaction } = work
  if ((await models.formulas.count({ where: { id }, transaction })) > 0) return findFormula(work, id)
  await check(work, body.content)
  const kitchen = await theKitchen(work)
  await models.formulas.create({ id, kitchenId: kitchen.id, version: 1, deletedAtMs: null }, { transaction })
  await addVersion(work, id, 1, body)
  return findFormula(work, id)
}

/** A change is a new version; what it was before stays. */
export async function putFormula(work: Work, id: string, { version, ...body }: z.output<typeof formulaPutSchema>): Promise<WireSavedFormula> {
  const row = await rowOf(work, id)
  if (row.version !== version) {
    throw new Problem(409, 'stale', REFUSE_SHELF.thisRecipeWasChangedIn, { current: await findFormula(work, id) })
  }
  await check(work, body.content)
  await work.models.formulas.update({ version: version + 1 }, { where: { id }, transaction: work.transaction })
  await addVersion(work, id, version + 1, body)
  return findFormula(work, id)
}

/** All versions, newest first. */
export async function formulaVersions(work: Work, id: string): Promise<{ versions: WireFormulaVersion[] }> {
  await rowOf(work, id)
  const versions = await versionsOf(work, id)
  return {
    versions: versions.map(({ version, name, note, content, recordedAtMs }) => ({
      version,
      name,
      note,
      content,
      recordedAt: isoOf(Number(recordedAtMs))
    }))
  }
}

/** Takes a formula out of the library, or puts it back. */
export async function setFormulaDeleted(work: Work, id: string, deleted: boolean): Promise<WireSavedFormula> {
  await rowOf(work, id)
  await work.models.formulas.update({ deletedAtMs: deleted ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
  return findFormula(work, id)
}
