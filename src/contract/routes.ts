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
  ingredients: '/api/ingredients',
  ingredient: (id: string) => `/api/ingredients/${encodeURIComponent(id)}`,
  vessels: '/api/vessels',
  vessel: (id: string) => `/api/vessels/${id}`,
  vesselRestore: (id: string) => `/api/vessels/${id}/restore`,
  formulas: '/api/formulas',
  formula: (id: string) => `/api/formulas/${id}`,
  formulaVersions: (id: string) => `/api/formulas/${id}/versions`,
  formulaRestore: (id: string) => `/api/formulas/${id}/restore`,
  bakes: '/api/bakes',
  bake: (id: string) => `/api/bakes/${id}`,
  bakeEvents: (id: string) => `/api/bakes/${id}/events`,
  bakeRestore: (id: string) => `/api/bakes/${id}/restore`
} as const
