/** The dough of two loaves: white flour, water, levain, salt. */
export function formulaFor({ levain = 0.18, ...more }: Record<string, unknown> & { levain?: number } = {}): Record<string, unknown> {
  return {
    base: 'dough flour',
    doughKind: 'wheat',
    hydration: 0.74,
    salt: 0.021,
    lines: [
      { id: 'flour', kind: 'flour', ingredientId: 'white wheat', share: 1 },
      { id: 'water', kind: 'water' },
      { id: 'levain', kind: 'levain', share: levain },
      { id: 'salt', kind: 'salt' }
    ],
    autolyse: false,
    heldBack: 0,
    ...more
  }
}
