import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { BUILT_IN_INGREDIENTS, formulaJson, type PortableFormula, pantryOf, portableFormula, recogniseImport, usualMix } from '../core'
import { portableJsonSchema, readPortable } from '.'

const portable: PortableFormula = portableFormula(
  {
    name: 'Corner loaf',
    note: 'Rest, then bake.',
    formula: {
      base: 'total flour',
      doughKind: 'wheat',
      hydration: 0.72,
      salt: 0.02,
      lines: [
        { id: 'white', kind: 'flour', ingredientId: 'strong white', share: 0.7 },
        { id: 'rye', kind: 'flour', ingredientId: 'rye', share: 0.3, estimate: 0.1 },
        { id: 'water', kind: 'water' },
        { id: 'salt', kind: 'salt' },
        { id: 'levain', kind: 'levain', share: 0.12 },
        {
          id: 'sponge',
          kind: 'pre-ferment',
          style: 'sponge',
          mix: {
            name: 'Sponge',
            parts: [
              { ingredientId: 'rye', parts: 70 },
              { mix: usualMix('scald', 'rye'), parts: 90 }
            ]
          },
          share: 0.1
        }
      ],
      autolyse: true,
      heldBack: 0.03
    },
    target: { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: 0.02, bakeLoss: 0.12 },
    levain: { hydration: 1, salt: 0, oil: 0, flours: [{ ingredientId: 'white wheat', share: 1 }] }
  },
  pantryOf(BUILT_IN_INGREDIENTS)
)

test('out and in again, nothing is lost', () => {
  const found = recogniseImport(formulaJson(portable))
  if (found.kind !== 'formula') throw new Error(found.kind)
  expect(readPortable(found.value)).toEqual({ ok: true, value: JSON.parse(JSON.stringify(portable)) })
})

test('what is not understood is told place by place', () => {
  const answer = readPortable({
    ...portable,
    name: '',
    formula: { ...portable.formula, hydration: 90, lines: portable.formula.lines.slice(0, 3) },
    target: { kind: 'wish' }
  })
  if (answer.ok) throw new Error('taken')
  expect(answer.issues.map((i) => i.path)).toEqual(expect.arrayContaining(['name', 'formula.hydration', 'formula.lines']))
  for (const { sentence } of answer.issues) expect(sentence).toMatch(/^[A-Z].*\.$/)
})

test('a mix nested without end is refused, not followed', () => {
  let mix: unknown = { name: 'm', parts: [{ ingredientId: 'rye', parts: 1 }] }
  for (let i = 0; i < 3000; i++) mix = { name: 'm', parts: [{ mix, parts: 1 }] }
  const lines = [...portable.formula.lines, { id: 'deep', kind: 'pre-ferment', style: 'scald', mix, share: 0.1 }]
  expect(readPortable({ ...portable, formula: { ...portable.formula, lines } }).ok).toBe(false)
})

test('the published schema is the one that is checked', () => {
  const published = JSON.parse(readFileSync(join(process.cwd(), 'docs', 'formula.schema.json'), 'utf8'))
  expect(published).toEqual(JSON.parse(JSON.stringify(portableJsonSchema())))
})
