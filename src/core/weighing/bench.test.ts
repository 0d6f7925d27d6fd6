import { atBench, type Bench, type BenchEvent, benchView, type DueItem, newBench, type Pour } from './bench'

const water: DueItem = { key: 'water', grams: 150, resolution: 1, stamp: 'water 0', later: [{ key: 'flour', grams: 168, resolution: 1 }], inBowl: 0 }
const flour: DueItem = { key: 'flour', grams: 168, resolution: 1, stamp: 'flour 0', later: [], inBowl: 150 }

/** Someone at a bench: what they do, and what was noted. */
function at(bench: Bench, first: DueItem) {
  let state = bench
  let item = first
  let ms = 0
  const pours: Pour[] = []
  const happens = (event: BenchEvent) => {
    const { bench: next, pour } = atBench(state, event, item)
    state = next
    if (pour !== null) pours.push(pour)
  }
  return {
    pours,
    happens,
    /** The scale shows so much for a second, ten times. */
    shows: (grams: number) => {
      for (let n = 0; n < 10; n++) {
        ms += 100
        happens({ type: 'read', reading: { ms, grams }, resolution: 1 })
      }
    },
    press: (cannotBe = (_grams: number) => false) => happens({ type: 'pressed', cannotBe }),
    next: (due: DueItem) => {
      item = due
    },
    get view() {
      return benchView(state, item)
    }
  }
}
const withScale = () => at(newBench('bowl', 0, null), water)

test('a bowl, then water: it counts by itself once it stands still and is right', () => {
  const bench = withScale()
  bench.shows(0)
  expect(bench.view.waitsForBowl).toBe(true)
  bench.shows(412)
  expect(bench.view).toMatchObject({ waitsForBowl: false, still: 0 })
  bench.shows(500)
  expect(bench.view).toMatchObject({ live: 88, slip: null })
  expect(bench.pours).toEqual([])
  bench.shows(562)
  expect(bench.pours).toEqual([{ key: 'water', grams: 150, by: 'scale' }])
  // Shown on, it does not count again; what comes next begins from here.
  bench.shows(562)
  bench.next(flour)
  bench.shows(562)
  expect(bench.view.live).toBe(0)
  bench.shows(730)
  expect(bench.pours).toEqual([
    { key: 'water', grams: 150, by: 'scale' },
    { key: 'flour', grams: 168, by: 'scale' }
  ])
})

test('a bowl lighter than a hand would call one is said to be on', () => {
  const bench = withScale()
  bench.shows(12)
  expect(bench.view.waitsForBowl).toBe(true)
  bench.press()
  expect(bench.view).toMatchObject({ waitsForBowl: false, live: 0 })
  expect(bench.pours).toEqual([])
})

test('the scale set to zero between: it might be another bowl, so the pour counts when it is said to be in', () => {
  const tared = withScale()
  tared.shows(412)
  tared.shows(0)
  tared.shows(150)
  expect([tared.view.still, tared.pours]).toEqual([150, []])
  tared.press()
  expect(tared.pours).toEqual([{ key: 'water', grams: 150, by: 'scale' }])
})

test('the bowl lifted and put back: nothing is lost, and nothing noted', () => {
  const lifted = withScale()
  lifted.shows(412)
  lifted.shows(490)
  lifted.shows(0)
  expect(lifted.view.bowlAway).toBe(true)
  expect(lifted.pours).toEqual([])
  lifted.shows(490)
  expect(lifted.view).toMatchObject({ bowlAway: false, still: 78 })
})

test('too much is shown at once; too little only when it is said to be all', () => {
  const bench = withScale()
  bench.shows(412)
  bench.shows(412 + 120)
  expect(bench.view.slip).toBeNull()
  bench.press()
  expect(bench.view.slip).toEqual({ grams: 120, reading: { kind: 'under', missing: 30 } })
  // It is answered first: pressing again does nothing.
  bench.press()
  expect(bench.pours).toEqual([])
  bench.happens({ type: 'dismissed' })
  bench.shows(412 + 163)
  expect(bench.view.slip).toEqual({ grams: 163, reading: { kind: 'over', by: 13 } })
  bench.happens({ type: 'taken', grams: 163 })
  expect(bench.pours).toEqual([{ key: 'water', grams: 163, by: 'scale' }])
})

test('flour where water was due: noted as flour, and the water still counts by itself', () => {
  const bench = withScale()
  bench.shows(412)
  bench.shows(412 + 168)
  expect(bench.view.slip?.reading).toEqual({ kind: 'another item', key: 'flour' })
  bench.happens({ type: 'taken', grams: 168, as: flour })
  bench.next({ ...water, inBowl: 168, later: [] })
  bench.shows(580)
  bench.shows(580 + 150)
  expect(bench.pours).toEqual([
    { key: 'flour', grams: 168, by: 'scale' },
    { key: 'water', grams: 150, by: 'scale' }
  ])
})

test('by hand: the wanted figure counts, a slipped digit is asked about, what cannot be is not taken', () => {
  const bench = at(newBench('bowl', 150, null), flour)
  bench.happens({ type: 'typed', grams: 1680 })
  bench.press()
  expect(bench.view.slip?.reading).toEqual({ kind: 'over', by: 1512 })
  expect(bench.pours).toEqual([])
  bench.happens({ type: 'dismissed' })
  bench.press((grams) => grams > 100)
  expect(bench.pours).toEqual([])
  bench.press()
  expect(bench.pours).toEqual([{ key: 'flour', grams: 168, by: 'hand' }])
})

test('all that is in the bowl, typed: the scale was not set to zero', () => {
  const bench = at(newBench('bowl', 150, null), flour)
  bench.happens({ type: 'typed', grams: 318 })
  bench.press()
  expect(bench.view.slip?.reading).toEqual({ kind: 'not tared', grams: 168 })
  bench.happens({ type: 'not tared', grams: 168 })
  expect(bench.pours).toEqual([{ key: 'flour', grams: 168, by: 'hand' }])
})

test('what was typed for one item is never taken for the next, which another device may have brought', () => {
  const bench = at(newBench('bowl', 0, null), water)
  bench.happens({ type: 'typed', grams: 148 })
  bench.next(flour)
  expect(bench.view).toMatchObject({ typed: null, proposed: 168 })
})

test('what is typed counts, not what the scale shows meanwhile', () => {
  const bench = withScale()
  bench.shows(412)
  bench.happens({ type: 'typed', grams: 148 })
  bench.shows(562)
  expect(bench.pours).toEqual([])
  bench.press()
  expect(bench.pours).toEqual([{ key: 'water', grams: 148, by: 'hand' }])
})

test('a scale that falls silent: by hand from there, and again by itself when it speaks', () => {
  const bench = withScale()
  bench.shows(412)
  bench.happens({ type: 'silent' })
  expect(bench.view).toMatchObject({ live: null, still: null, waitsForBowl: false, proposed: 150 })
  bench.shows(562)
  expect(bench.pours).toEqual([{ key: 'water', grams: 150, by: 'scale' }])
})

test('pieces on the bare scale: each one taken off makes it nothing again', () => {
  const piece = (n: number): DueItem => ({ key: `piece ${n}`, grams: 65, resolution: 1, stamp: `piece ${n} 0`, later: [], inBowl: 0 })
  const bench = at(newBench('pieces', 0, null), piece(1))
  bench.shows(0)
  bench.shows(65)
  bench.next(piece(2))
  bench.shows(65)
  bench.shows(0)
  bench.shows(66)
  expect(bench.pours.map(({ key, grams }) => [key, grams])).toEqual([
    ['piece 1', 65],
    ['piece 2', 66]
  ])
})

test('a page loaded again in the middle of a pour goes on from what the scale had shown before it', () => {
  const bench = at(newBench('bowl', 0, 412), water)
  bench.shows(470)
  expect(bench.view.live).toBe(58)
  bench.shows(562)
  expect(bench.pours).toEqual([{ key: 'water', grams: 150, by: 'scale' }])
})
