import { type Remote, wrap } from 'comlink'
import type { ForecastDesk } from '../workers/forecast.worker'

let worker: Remote<ForecastDesk> | null = null

/** The worker that forecasts, judges and learns; one for the window. */
export function desk(): Remote<ForecastDesk> {
  worker ??= wrap<ForecastDesk>(new Worker(new URL('../workers/forecast.worker.ts', import.meta.url), { type: 'module' }))
  return worker
}

/** Answers of the worker depend on nothing but the question. */
export const ONCE = { revalidateOnFocus: false, revalidateOnReconnect: false, revalidateIfStale: false, shouldRetryOnError: false, keepPreviousData: true }
