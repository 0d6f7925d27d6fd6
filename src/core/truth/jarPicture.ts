/**
 * Pictures of jars that never were, with what is truly in them: for demo, bench and tests. Drawn as SVG; a browser makes pixels of them.
 * It knows nothing of how a level is found.
 */
import { sure } from '../units/sure'
import { seededRandom } from './seededRandom'

/** Shapes of jars. */
export const JAR_SHAPES = ['straight', 'rounded', 'shouldered', 'tapered', 'barrel'] as const
export type JarShape = (typeof JAR_SHAPES)[number]

/** What is drawn, px of a picture. */
export interface JarPicture {
  readonly svg: string
  readonly width: number
  readonly height: number
  readonly shape: JarShape
  /** Inner floor, level when it was mixed, level now: the mean over the width; and the rim. */
  readonly floorY: number
  readonly bandY: number
  readonly levelY: number
  readonly rimY: number
  /** Glass at its widest. */
  readonly leftX: number
  readonly rightX: number
  /** Whether a person could tell the level: false where wall and levain are alike in poor light. */
  readonly readable: boolean
}

/** What may be asked for; the rest is drawn by chance. */
export interface JarPictureWish {
  readonly shapes?: readonly JarShape[]
  /** Height ÷ height at the band. */
  readonly rise?: number
  /** Jar, light and camera stay as this seed draws them: a series of one jar. */
  readonly sceneSeed?: number
}

const WIDTH = 600
const HEIGHT = 800
const WALLS = ['#d9dee2', '#b9c4c9', '#8f9ca6', '#e7e4ec', '#6d7f78', '#a8b2c4'] as const
const LIKE_LEVAIN = ['#ead9b5', '#e6d2a8'] as const
const TABLES = ['#7a5a3e', '#4d4a48', '#96805f', '#3c4a52'] as const
const LEVAINS = ['#f0e2bf', '#e9d6ab', '#dcc396', '#c9ab7e'] as const
const BANDS = ['#7b3fa0', '#c03a4b', '#2f6fb2', '#2e8b57'] as const

/**
 * Draws a jar.
 * @param seed whole number; the same gives the same picture
 */
export function jarPicture(seed: number, wish: JarPictureWish = {}): JarPicture {
  const scene = seededRandom((wish.sceneSeed ?? seed) * 104_729 + 7)
  const random = seededRandom(seed * 7919 + 13)
  const between = (low: number, high: number, by: () => number = scene) => low + (high - low) * by()
  const pick = <T>(list: readonly T[], by: () => number = scene) => sure(list[Math.floor(by() * list.length)])
  const shape = pick(wish.shapes ?? JAR_SHAPES)
  const half = between(105, 165)
  const centre = WIDTH / 2 + between(-45, 45)
  const floorY = between(650, 720)
  const tall = between(400, 520)
  const rimY = floorY - tall
  const bandY = floorY - between(0.2, 0.3) * tall
  const rise = wish.rise ?? between(1, 3, random)
  const readable = wish.sceneSeed !== undefined || scene() > 0.06
  const wall = readable ? pick(WALLS) : pick(LIKE_LEVAIN)
  const levain = readable ? pick(LEVAINS) : wall
  const levelY = Math.max(floorY - rise * (floorY - bandY), rimY + 0.06 * tall)
  const table = pick(TABLES)
  const light = between(0.72, 1.08)
  const side = scene() < 0.5 ? 0 : 1
  /** Half the width of the inside at a height. */
  const halfAt = (y: number) => {
    const share = (floorY - y) / tall
    if (shape === 'tapered') return half * (0.8 + 0.2 * share)
    if (shape === 'barrel') return half * (0.86 + 0.14 * Math.sin(Math.PI * Math.min(share * 1.05, 1)))
    if (shape === 'shouldered' && share > 0.82) return half * (1 - 1.6 * (share - 0.82))
    if (shape === 'rounded' && share < 0.07) return half * (0.82 + 2.57 * share)
    return half
  }
  const outline = (from: number, to: number) => {
    const steps = 40
    const ys = Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps)
    const right = ys.map((y) => `${(centre + halfAt(y)).toFixed(1)} ${y.toFixed(1)}`)
    const left = [...ys].reverse().map((y) => `${(centre - halfAt(y)).toFixed(1)} ${y.toFixed(1)}`)
    return `M${right.join('L')}L${left.join('L')}Z`
  }
  // The top bulges or dips about its mean.
  const bulge = between(-14, 14, random)
  const at = halfAt(levelY)
  const surface = `M${centre - at} ${levelY + bulge / 2}Q${centre} ${levelY - bulge} ${centre + at} ${levelY + bulge / 2}`
  const contents = `${surface}${outline(levelY, floorY - 2).replace('M', 'L')}`
  const bubbles = Array.from({ length: Math.round(between(6, 60, random)) }, () => {
    const y = between(levelY + 14, floorY - 10, random)
    const x = centre + between(-0.9, 0.9, random) * halfAt(y)
    return `<ellipse cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" rx="${between(2, 11, random).toFixed(1)}" ry="${between(2, 9, random).toFixed(1)}" fill="#fff" opacity="${between(0.15, 0.5, random).toFixed(2)}"/>`
  }).join('')
  const smears =
    random() < 0.45
      ? Array.from({ length: Math.round(between(2, 7, random)) }, () => {
          const x = centre + between(-0.8, 0.8, random) * half
          const top = levelY - between(15, 90, random)
          return `<rect x="${x.toFixed(1)}" y="${Math.max(top, rimY + 20).toFixed(1)}" width="${between(10, 60, random).toFixed(1)}" height="${(levelY - Math.max(top, rimY + 20)).toFixed(1)}" rx="8" fill="${levain}" opacity="${between(0.15, 0.5, random).toFixed(2)}"/>`
        }).join('')
      : ''
  const band = pick(BANDS)
  const bandHalf = halfAt(bandY) + 4
  const tile =
    scene() < 0.4 ? Array.from({ length: 4 }, (_, i) => `<path d="M${i * 160 + 40} 0V640" stroke="#fff" stroke-width="3" opacity=".35"/>`).join('') : ''
  const glow = between(0.1, 0.35)
  // Something upright stands beside it, and nobody holds a camera quite level.
  const thing =
    scene() < 0.4
      ? `<rect x="${(side === 0 ? between(-30, 20) : between(500, 560)).toFixed(1)}" y="${between(120, 420).toFixed(1)}" width="${between(40, 90).toFixed(1)}" height="600" fill="${pick(TABLES)}"/>`
      : ''
  const tilt = between(-1.5, 1.5)
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">
<defs><linearGradient id="l" x1="${side}" x2="${1 - side}" y1="0" y2=".4"><stop offset="0" stop-color="#fff" stop-opacity="${glow.toFixed(2)}"/><stop offset="1" stop-color="#000" stop-opacity="${(glow * 0.8).toFixed(2)}"/></linearGradient>
<filter id="n"><feTurbulence type="fractalNoise" baseFrequency=".8" numOctaves="2" seed="${seed % 997}"/><feColorMatrix values="0 0 0 0 .5 0 0 0 0 .5 0 0 0 0 .5 0 0 0 .9 0"/></filter></defs>
<rect width="${WIDTH}" height="${HEIGHT}" fill="${wall}"/>${tile}
<g transform="rotate(${tilt.toFixed(2)} ${centre.toFixed(1)} ${levelY.toFixed(1)})">
<rect y="${(floorY - between(10, 60)).toFixed(1)}" width="${WIDTH}" height="${HEIGHT}" fill="${table}" transform="translate(-100 0) scale(1.4 1)"/>${thing}
<path d="${outline(rimY, floorY)}" fill="#fff" opacity=".16"/>
<path d="${contents}" fill="${levain}"/>${bubbles}${smears}
<path d="${outline(rimY, floorY)}" fill="none" stroke="#2c3338" stroke-width="${between(3, 7).toFixed(1)}" opacity="${between(0.45, 0.85).toFixed(2)}"/>
<rect x="${(centre - half * 0.86).toFixed(1)}" y="${(rimY + 30).toFixed(1)}" width="${between(6, 16).toFixed(1)}" height="${(tall * 0.75).toFixed(1)}" rx="6" fill="#fff" opacity="${between(0.15, 0.5).toFixed(2)}"/>
<rect x="${(centre - bandHalf).toFixed(1)}" y="${(bandY - 4).toFixed(1)}" width="${(2 * bandHalf).toFixed(1)}" height="8" rx="3" fill="${band}"/>
<rect x="${(centre - half * (shape === 'shouldered' ? 0.75 : 1.03)).toFixed(1)}" y="${(rimY - 26).toFixed(1)}" width="${(2 * half * (shape === 'shouldered' ? 0.75 : 1.03)).toFixed(1)}" height="30" rx="5" fill="#8a9096"/></g>
<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#l)"/>
<rect width="${WIDTH}" height="${HEIGHT}" fill="${light < 1 ? '#000' : '#fff'}" opacity="${Math.abs(1 - light).toFixed(2)}"/>
<rect width="${WIDTH}" height="${HEIGHT}" filter="url(#n)" opacity="${between(0.04, 0.16).toFixed(2)}"/></svg>`
  return { svg, width: WIDTH, height: HEIGHT, shape, floorY, bandY, levelY, rimY, leftX: centre - half, rightX: centre + half, readable }
}
