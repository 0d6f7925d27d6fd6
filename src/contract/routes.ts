/** Every route, named once. Paths take ids as they are; Express patterns use `:id`. */
export const ROUTES = {
  health: '/api/health',
  clock: '/api/clock',
  kitchen: '/api/kitchen',
  firstRun: '/api/kitchen/first-run',
  jars: '/api/jars',
  jarFeeds: (id: string) => `/api/jars/${id}/feeds`,
  jarWeighings: (id: string) => `/api/jars/${id}/weighings`,
  jarUndo: (id: string) => `/api/jars/${id}/undo`,
  bakes: '/api/bakes',
  bake: (id: string) => `/api/bakes/${id}`,
  bakeEvents: (id: string) => `/api/bakes/${id}/events`,
  bakeRestore: (id: string) => `/api/bakes/${id}/restore`
} as const
