import useSWR, { type SWRConfiguration } from 'swr'
import type { z } from 'zod'
import { read } from './outbox'

/** What an address of the server answers, checked by its schema and kept fresh. */
export function useRead<Schema extends z.ZodType>(path: string, schema: Schema, options?: SWRConfiguration) {
  return useSWR<z.output<Schema>, Error>(path, () => read(schema, path), options)
}
