import { type ChangedThing, type Changes, changesSchema, ROUTES } from '../../contract'
import { useRead } from './useRead'

/** What was changed of something, newest first; undefined until it is known. */
export function useChanges(what: ChangedThing, ofId: string): { readonly changes: Changes | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(`${ROUTES.changes}?what=${what}&of=${encodeURIComponent(ofId)}`, changesSchema)
  return { changes: data?.changes, error }
}
