import { bakePutSchema, fieldSentences, formulaSchema, kitchenEditSchema, lineSchema, lineToWire } from '.'

const line = {
  startedAt: '2026-11-26T08:00:00.000Z',
  flours: { rye: 50 },
  waterGrams: 60,
  saltGrams: 0,
  mixTempC: 23,
  stays: [{ from: '2026-11-26T08:00:00.000Z', tempC: 22 }],
  parents: [{ grams: 20, hydration: 1, flour: 'rye', line: null }]
}

test('a line survives the wire, parents and all', () => {
  const nested = { ...line, parents: [{ grams: 20, hydration: 1, flour: 'rye', line }] }
  const parsed = lineSchema.parse(JSON.parse(JSON.stringify(nested)))
  expect(lineToWire(parsed)).toEqual(nested)
  expect(parsed.startedAtMs).toBe(Date.UTC(2026, 10, 26, 8))
})

test('a line without a place is no line', () => {
  expect(lineSchema.safeParse({ ...line, stays: [] }).success).toBe(false)
})

test('every schema tells sentences, none in a machine’s words', () => {
  const parsed = bakePutSchema.safeParse({
    version: 'x',
    plan: {
      name: '',
      formula: { base: 'mine', hydration: 9, lines: [{ kind: 'gold' }] },
      target: { kind: 'pieces', pieces: 'two' },
      build: { flours: [] },
      school: null,
      mixAt: 5
    }
  })
  if (parsed.success) throw new Error('accepted')
  const sentences = Object.values(fieldSentences(parsed.error))
  expect(sentences.length).toBeGreaterThan(8)
  for (const sentence of sentences) {
    expect(sentence).toMatch(/^[A-Z].*\.$/)
    expect(sentence).not.toMatch(/expected|received|undefined|Invalid/)
  }
})

test('a percentage out of range is told in percent', () => {
  const parsed = formulaSchema.safeParse({ base: 'plain', doughKind: 'wheat', hydration: 0.7, salt: 0.63, lines: [], autolyse: false, heldBack: 0 })
  const sentences = parsed.success ? [] : Object.values(fieldSentences(parsed.error))
  expect(sentences).toContain('Salt has to be from 0 % to 20 %.')
})

test('only real time zones and clock times', () => {
  const zone = kitchenEditSchema.shape.timeZone
  expect(zone.safeParse('Europe/Lisbon').success).toBe(true)
  expect(zone.safeParse('Europe/Nowhere').success).toBe(false)
  const sleep = kitchenEditSchema.shape.sleep
  expect(sleep.safeParse({ from: '23:59', to: '00:00' }).success).toBe(true)
  expect(sleep.safeParse({ from: '24:00', to: '7:00' }).success).toBe(false)
})
