import fc from 'fast-check'
import { TYPICAL_JAR } from './jarParameters'
import { exampleVessel } from './jarTraits'
import { gasAt } from './milestones'
import { bendSlope, bentShare, straightShare } from './shape'
import { simulate } from './simulate'

test('odds of one to one, tripled, are three quarters; squared they stay', () => {
  expect(bentShare(0.5, { shape: 3, steep: 1 })).toBeCloseTo(0.75, 12)
  expect(bentShare(0.5, { shape: 1, steep: 2 })).toBeCloseTo(0.5, 12)
  expect(bentShare(0.8, { shape: 1, steep: 2 })).toBeCloseTo(16 / 17, 12)
})

const bends = fc.record({ shape: fc.double({ min: 0.2, max: 5, noNaN: true }), steep: fc.double({ min: 0.6, max: 1.7, noNaN: true }) })
const share = fc.double({ min: 0.001, max: 0.999, noNaN: true })

test('bent and straightened again it is what it was; the ends stay', () => {
  fc.assert(fc.property(share, bends, (x, bend) => Math.abs(straightShare(bentShare(x, bend), bend) - x) < 1e-9))
  fc.assert(fc.property(bends, (bend) => bentShare(0, bend) === 0 && bentShare(1, bend) === 1))
})

test('the slope is that of the bent share', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), bends, (x, bend) => {
      const by = (bentShare(x + 1e-6, bend) - bentShare(x - 1e-6, bend)) / 2e-6
      return by > 4 || Math.abs(bendSlope(x, bentShare(x, bend), bend) - by) < 1e-3 * Math.max(1, by)
    })
  )
})

test('a full climb is higher half way, with the same peak at the same time', () => {
  const run = (shape: number) => {
    const { curve, milestones } = simulate(exampleVessel(25), { ...TYPICAL_JAR, shape }, { untilHours: 48 })
    return { half: gasAt(curve, 4.5), milestones }
  }
  const [plain, full] = [run(1), run(2)]
  expect(full.half).toBeGreaterThan(plain.half + 0.2)
  expect(full.milestones.peakHours).toBe(plain.milestones.peakHours)
  expect(full.milestones.opensHours ?? 99).toBeLessThan(plain.milestones.opensHours ?? 0)
  expect(full.milestones.closesHours).toBe(plain.milestones.closesHours)
})
