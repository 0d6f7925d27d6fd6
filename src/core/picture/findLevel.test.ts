import { seededRandom } from '../truth/seededRandom'
import { findFrame, findLevel, type Pixels } from './findLevel'

/** A jar painted pixel by pixel: a grey wall, dark sides, cream contents below the level. */
function painted({
  level,
  contents = [236, 220, 180],
  wall = [150, 160, 170],
  band = true,
  noise = 6
}: {
  readonly level: number
  readonly contents?: readonly [number, number, number]
  readonly wall?: readonly [number, number, number]
  readonly band?: boolean
  readonly noise?: number
}): Pixels {
  const [width, height, left, right, rim, floor] = [240, 320, 70, 170, 60, 280]
  const random = seededRandom(7)
  const data = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inside = x > left && x < right && y > rim && y < floor
      const side = (Math.abs(x - left) < 2 || Math.abs(x - right) < 2) && y > rim && y < floor
      const colour = side
        ? [40, 45, 50]
        : inside && y >= level
          ? contents
          : inside && band && Math.abs(y - 230) < 3
            ? [120, 60, 160]
            : y > 270 && !inside
              ? [90, 70, 60]
              : wall
      for (let c = 0; c < 3; c++) data[4 * (y * width + x) + c] = (colour[c] as number) + noise * (random() - 0.5)
      data[4 * (y * width + x) + 3] = 255
    }
  return { width, height, data }
}

test('sides, rim and floor of a jar', () => {
  const frame = findFrame(painted({ level: 150 }))
  expect(frame?.left).toBeCloseTo(70 / 240, 1)
  expect(frame?.right).toBeCloseTo(170 / 240, 1)
  expect(Math.abs((frame?.rim ?? 0) - 60 / 320)).toBeLessThan(0.02)
  expect(Math.abs((frame?.floor ?? 0) - 280 / 320)).toBeLessThan(0.02)
})

test.each([90, 130, 180, 240])('the level at row %i of a jar from 60 to 280', (level) => {
  const found = findLevel(painted({ level }))
  expect(Math.abs((found?.level ?? 0) * 320 - level)).toBeLessThan(0.02 * 220)
  expect(found?.sure).toBeGreaterThan(0.5)
})

test('a dark wall and rye tell it as well', () => {
  const found = findLevel(painted({ level: 160, wall: [70, 80, 76], contents: [150, 120, 90] }))
  expect(Math.abs((found?.level ?? 0) * 320 - 160)).toBeLessThan(5)
})

test('a wall of the levain’s own colour: it cannot be told, and that is said', () => {
  expect(findLevel(painted({ level: 160, wall: [236, 221, 183], band: false }))).toBeNull()
})

test('no jar, no level', () => {
  const { width, height } = { width: 120, height: 160 }
  const plain = { width, height, data: new Uint8ClampedArray(width * height * 4).fill(140) }
  expect(findFrame(plain)).toBeNull()
  expect(findLevel(plain)).toBeNull()
})

test('a frame given by hand is used as it is', () => {
  const frame = { left: 0.29, right: 0.71, rim: 0.19, floor: 0.875 }
  expect(findLevel(painted({ level: 200 }), frame)?.frame).toBe(frame)
})
