import { follow } from '../vision/follow.ts'
import { greyOf, type Grey, type Px } from '../vision/grey.ts'
import { findMarks, orderedMarks, type FourMarks } from '../vision/marks.ts'
import { readSheet } from '../vision/read-sheet.ts'
import { takePicture } from '../vision/simulated-camera.ts'
import { notSaid } from './every-door.ts'
import type { FuzzTarget } from './fuzz.ts'
import { stream } from './heavy.ts'
import { anyCamera, numbersFrom } from './sheet-pictures.ts'

/**
 * Pictures that nobody would take: of no size, of nothing, of noise and stripes, and of the sheet with parts cut out,
 * covered, mirrored or washed out. Whatever a picture shows, its reader answers.
 */

type Shade = (x: number, y: number) => number
const KINDS = ['flat', 'noise', 'stripes', 'rings', 'sheet'] as const

const pick = <T>(next: () => number, from: readonly T[]): T => from[Math.floor(next() * from.length)]!
const sizes = [1, 2, 3, 7, 16, 63, 64, 65, 200, 401, 800] as const

function drawn(width: number, height: number, shade: Shade): Grey {
  const rgba = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) rgba.fill(shade(x, y), (y * width + x) * 4, (y * width + x) * 4 + 4)
  return greyOf(rgba, width, height)
}

/** The picture of a seed. */
export function anyPicture(seed: number): Grey {
  const next = stream(1 + seed)
  for (let i = 0; i < 8; i += 1) next()
  const kind = pick(next, KINDS)
  const [width, height] = [pick(next, sizes), pick(next, sizes)]
  const [a, b] = [256 * next(), 256 * next()]
  switch (kind) {
    case 'flat':
      return drawn(width, height, () => a)
    case 'noise':
      return drawn(width, height, () => 256 * next())
    case 'stripes': {
      const period = 1 + 40 * next()
      return drawn(width, height, (x, y) => ((x + y * a) % period < period / 2 ? a : b))
    }
    case 'rings': {
      // what could be a mark, by the hundred
      const step = 8 + Math.floor(60 * next())
      return drawn(width, height, (x, y) => {
        const r = Math.hypot((x % step) - step / 2, (y % step) - step / 2) / step
        return r < 0.12 || (r > 0.24 && r < 0.36) ? 10 : 240
      })
    }
    default:
      return hurt(next)
  }
}

/** The sheet from anywhere, small, with one thing wrong. */
function hurt(next: () => number): Grey {
  const camera = { ...anyCamera(numbersFrom(Math.floor(1e6 * next())), 0), width: 1024, height: 768 }
  const picture = takePicture(camera, { drawn: [] }, { noise: 8 * next(), blurPx: 3 * next() })
  const data = picture.data.slice()
  const { width, height } = picture
  const [x0, y0] = [Math.floor(width * next()), Math.floor(height * next())]
  const side = Math.floor(width * next() ** 2)
  const how = next()
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = y * width + x
      if (how < 0.4) {
        if (x >= x0 && x < x0 + side && y >= y0 && y < y0 + side) data[at] = 128
      } else if (how < 0.6) data[at] = picture.data[y * width + (width - 1 - x)]!
      else if (how < 0.8) data[at] = 120 + picture.data[at]! / 20
      else data[at] = y < y0 ? picture.data[at]! : picture.data[(y - y0) * width + x]!
    }
  return { width, height, data }
}

export const PICTURES_TARGET: FuzzTarget = {
  name: 'pictures',
  longestMs: 10_000,
  make: (next) => String(Math.floor(1e9 * next())),
  read(text) {
    const seed = Number(text)
    const grey = anyPicture(seed)
    const next = numbersFrom(seed)
    const anywhere = (): Px => [grey.width * (1.4 * next() - 0.2), grey.height * (1.4 * next() - 0.2)]
    const found = findMarks(grey)
    const pointed: FourMarks = [anywhere(), anywhere(), anywhere(), anywhere()]
    for (const four of found ? [found, pointed] : [pointed]) {
      const read = readSheet(grey, orderedMarks(grey, four), seed % 2 === 0)
      if (read.ok ? !(read.reading.residualMm <= 0.5) : !/[a-z]{3}/.test(read.message))
        throw new Error(`answers ${JSON.stringify(read).slice(0, 200)}`)
      const wrong = notSaid(read.ok ? { ...read.reading, spread: read.reading.spread.to2DArray() } : read)
      if (wrong) throw new Error(wrong)
    }
    const followed = follow(grey, anywhere(), anywhere(), 'edge', 3)
    const wrong = notSaid(followed)
    if (wrong) throw new Error(wrong)
  },
}
