import useSWR from 'swr'
import { type ChangedThing, type Changes, changesSchema, ROUTES } from '../../contract'
import { read } from './outbox'

/** What was changed of something, newest first; undefined until it is known. */
export function useChanges(what: ChangedThing, ofId: string): { readonly changes: Changes | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR(`${ROUTES.changes}?what=${what}&of=${encodeURIComponent(ofId)}`, (path: string) => read(changesSchema, path))
  return { changes: data?.changes, error: error as Error | undefined }
}
