import { JAR_SHAPES, jarPicture } from './jarPicture'

test('the same seed gives the same picture, another seed another', () => {
  expect(jarPicture(5).svg).toBe(jarPicture(5).svg)
  expect(jarPicture(5).svg).not.toBe(jarPicture(6).svg)
})

test('level, band and floor tell the rise that was asked for', () => {
  const { floorY, bandY, levelY, rimY } = jarPicture(8, { rise: 2 })
  expect((floorY - levelY) / (floorY - bandY)).toBeCloseTo(2, 6)
  expect(rimY).toBeLessThan(levelY)
})

test('a series: jar, light and camera stay, the level rises', () => {
  const one = jarPicture(1, { sceneSeed: 3, rise: 1.2 })
  const two = jarPicture(2, { sceneSeed: 3, rise: 2 })
  expect([two.floorY, two.bandY, two.leftX, two.shape]).toEqual([one.floorY, one.bandY, one.leftX, one.shape])
  expect(two.levelY).toBeLessThan(one.levelY)
})

test('shapes that were not asked for are not drawn; most pictures can be read', () => {
  const shapes = new Set(Array.from({ length: 60 }, (_, i) => jarPicture(i, { shapes: ['straight', 'barrel'] }).shape))
  expect([...shapes].sort()).toEqual(['barrel', 'straight'])
  const all = Array.from({ length: 200 }, (_, i) => jarPicture(i))
  expect(new Set(all.map((p) => p.shape)).size).toBe(JAR_SHAPES.length)
  expect(all.filter((p) => p.readable).length).toBeGreaterThan(170)
})
