import type { Bake } from '../../../answers'
import { PLAN } from '../../../testing/plannedBake'
import { beginEditing, type DraftEvent, type Editing, freeStart, planDraft } from './planDraft'

/** As the server has it. */
const there = { version: 4, plan: PLAN }
const theirs = (version: number, more: Partial<typeof PLAN>) => ({ version, plan: { ...PLAN, ...more } }) as Bake
const after = (from: Editing, ...events: DraftEvent[]) => events.reduce(planDraft, from)
const begun = beginEditing(null, there)
let clock = 0
const edit = (patch: Partial<typeof PLAN>): DraftEvent => {
  clock += 5000
  return { type: 'edited', patch, there, atMs: clock }
}
const draftOf = ({ draft }: Editing) => {
  if (draft === null) throw new Error('There is no draft.')
  return draft
}

test('an edit is a draft of the version it was made from, and keeps what stood there', () => {
  const { draft } = after(begun, edit({ name: 'Three loaves' }))
  expect(draft).toEqual({ version: 4, plan: { ...PLAN, name: 'Three loaves' }, base: PLAN })
})

test('a draft that this browser kept goes on, unless the server has got it meanwhile', () => {
  const kept = { version: 3, plan: { ...PLAN, name: 'Kept' }, base: null }
  expect(beginEditing(kept, there).draft).toBe(kept)
  expect(beginEditing(kept, { version: 4, plan: { ...PLAN, name: 'Kept' } }).draft).toBeNull()
})

test('once the server has it there is no draft; what was typed meanwhile goes on from the new version', () => {
  const first = after(begun, edit({ name: 'Three' }), { type: 'sent' })
  const sent = draftOf(first)
  const saved: DraftEvent = { type: 'saved', sent, there: { version: 5, plan: sent.plan } }
  expect(after(first, saved)).toMatchObject({ draft: null, saving: false })
  const typedOn = after(first, edit({ tempC: 22 }), saved)
  expect(typedOn.draft).toEqual({ version: 5, plan: { ...PLAN, name: 'Three', tempC: 22 }, base: sent.plan })
})

test('an answer that was lost and comes with the next try takes nothing that was typed since', () => {
  const first = after(begun, edit({ name: 'Three' }), { type: 'sent' })
  const sent = draftOf(first)
  const typedOn = after(first, edit({ tempC: 22 }), { type: 'saved', sent, there: theirs(5, { name: 'Three' }) })
  expect(typedOn.draft?.plan.tempC).toBe(22)
})

test('another window changed something else: both changes stand', () => {
  const stale = after(begun, edit({ name: 'Mine' }), { type: 'sent' }, { type: 'stale', theirs: theirs(7, { tempC: 25 }) })
  expect(stale).toMatchObject({ conflict: null, saving: false, revision: 1 })
  expect(stale.draft).toMatchObject({ version: 7, plan: { name: 'Mine', tempC: 25 } })
})

test('another window changed the same: one of the two is chosen, and the rest of both stays', () => {
  const stale = after(begun, edit({ name: 'Mine', tempC: 25 }), { type: 'sent' }, { type: 'stale', theirs: theirs(7, { name: 'Theirs', mixTempC: 27 }) })
  expect(stale.conflict?.merged.clashes).toEqual(['name'])
  expect(draftOf(stale).version).toBe(4)
  const [mine, other] = [after(stale, { type: 'decided', whose: 'mine' }), after(stale, { type: 'decided', whose: 'theirs' })]
  expect(mine.draft).toMatchObject({ version: 7, plan: { name: 'Mine', tempC: 25, mixTempC: 27 } })
  expect(other.draft).toMatchObject({ version: 7, plan: { name: 'Theirs', tempC: 25, mixTempC: 27 } })
  expect(other.conflict).toBeNull()
})

test('what the server refuses stays as typed, and the next edit tries again', () => {
  const refused = after(begun, edit({ name: '' }), { type: 'sent' }, { type: 'refused', sentence: 'A name is needed.' })
  expect(refused).toMatchObject({ refusal: 'A name is needed.', saving: false })
  expect(refused.draft?.plan.name).toBe('')
  expect(after(refused, edit({ name: 'Two' })).refusal).toBeNull()
})

test('undo goes back edit by edit to what the server has, redo forth again', () => {
  const two = after(begun, edit({ tempC: 22 }), edit({ tempC: 23 }))
  const back: DraftEvent = { type: 'stepped', way: 'back', there }
  const forth: DraftEvent = { type: 'stepped', way: 'forth', there }
  expect(after(two, back).draft?.plan.tempC).toBe(22)
  expect(after(two, back, back).draft?.plan.tempC).toBe(PLAN.tempC)
  expect(after(two, back, back, back).draft?.plan.tempC).toBe(PLAN.tempC)
  expect(after(two, back, back, forth).draft?.plan.tempC).toBe(22)
})

test('undo also takes back what the server has by now', () => {
  const first = after(begun, edit({ tempC: 22 }))
  const saved = { version: 5, plan: draftOf(first).plan }
  const undone = after(first, { type: 'saved', sent: draftOf(first), there: saved }, { type: 'stepped', way: 'back', there: saved })
  expect(undone.draft).toMatchObject({ version: 5, plan: { tempC: PLAN.tempC } })
})

test('a start chosen by hand is free again when what it hangs on changes, and stays when only a name does', () => {
  const patch = (change: Partial<typeof PLAN>) => {
    const freed = freeStart(change)
    return typeof freed === 'function' ? freed(PLAN) : freed
  }
  expect(patch({ tempC: 22 })).toEqual({ tempC: 22, startAt: null })
  expect(patch({ name: 'Loaf' })).toEqual({ name: 'Loaf' })
  expect(patch({ startAt: 5, tempC: 22 })).toEqual({ startAt: 5, tempC: 22 })
})
