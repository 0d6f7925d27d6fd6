import { mutate } from 'swr'
import { type FormulaPost, formulasSchema, formulaVersionsSchema, ROUTES, type SavedFormula, savedFormulaSchema } from '../../contract'
import { newId } from './newId'
import { send } from './outbox'
import { useRead } from './useRead'

/** The formula library, by name. */
export function useFormulas(): { readonly formulas: readonly SavedFormula[] | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.formulas, formulasSchema)
  return { formulas: data?.formulas, error }
}

/** All versions of one formula, newest first. */
export function useFormulaVersions(id: string) {
  return useRead(ROUTES.formulaVersions(id), formulaVersionsSchema).data?.versions
}

const refresh = (id: string) => Promise.all([mutate(ROUTES.formulas), mutate(ROUTES.formulaVersions(id))])

/** Takes a formula into the library. @throws Refusal */
export async function keepFormula(post: FormulaPost): Promise<SavedFormula> {
  const saved = await send(post.id, savedFormulaSchema, { method: 'POST', path: ROUTES.formulas, body: post })
  await refresh(post.id)
  return saved
}

/** Changes a formula: a new version. @throws Refusal */
export async function changeFormula({ id, ...body }: FormulaPost, version: number): Promise<void> {
  await send(newId(), savedFormulaSchema, { method: 'PUT', path: ROUTES.formula(id), body: { ...body, version } }).finally(() => refresh(id))
}

/** Takes a formula out of the library. @returns puts it back */
export async function dropFormula(id: string): Promise<() => Promise<void>> {
  await send(newId(), savedFormulaSchema, { method: 'DELETE', path: ROUTES.formula(id) }).finally(() => refresh(id))
  return async () => {
    await send(newId(), savedFormulaSchema, { method: 'POST', path: ROUTES.formulaRestore(id) })
    await refresh(id)
  }
}
