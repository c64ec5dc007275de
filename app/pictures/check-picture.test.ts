import { describe, expect, test } from '@jest/globals'
import { encode } from 'fast-png'
import { checkPicture } from './check-picture.ts'

const file = (...parts: (Uint8Array | string)[]) => new Blob(parts as BlobPart[])
const png = (width: number, height: number) => encode({ width, height, data: new Uint8Array(width * height), channels: 1, depth: 8 })
/** The head of a PNG that says it is so large: what follows is never looked at. */
function headOf(width: number, height: number): Uint8Array {
  const head = Uint8Array.from(png(8, 8))
  new DataView(head.buffer).setUint32(16, width)
  new DataView(head.buffer).setUint32(20, height)
  return head
}
/** A JPEG of nothing but its markers. */
const jpeg = (width: number, height: number, { end = true, exif = new Uint8Array() } = {}) =>
  Uint8Array.from([
    ...[0xff, 0xd8],
    ...exif,
    ...[0xff, 0xc0, 0, 11, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0],
    ...[0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0],
    ...new Uint8Array(64).fill(0x55),
    ...(end ? [0xff, 0xd9] : []),
  ])
/** EXIF that says a focal length as of 36 by 24 mm. */
function exifOf(mm: number) {
  const tiff = new DataView(new ArrayBuffer(8 + 2 + 12 + 4 + 2 + 12 + 4))
  tiff.setUint16(0, 0x4949)
  tiff.setUint16(2, 42, true)
  tiff.setUint32(4, 8, true)
  tiff.setUint16(8, 1, true)
  // where the part on the exposure stands
  tiff.setUint16(10, 0x8769, true)
  tiff.setUint16(12, 4, true)
  tiff.setUint32(14, 1, true)
  tiff.setUint32(18, 26, true)
  tiff.setUint16(26, 1, true)
  tiff.setUint16(28, 0xa405, true)
  tiff.setUint16(30, 3, true)
  tiff.setUint32(32, 1, true)
  tiff.setUint16(36, mm, true)
  const body = [...new TextEncoder().encode('Exif\0\0'), ...new Uint8Array(tiff.buffer)]
  const length = body.length + 2
  return Uint8Array.from([0xff, 0xe1, length >> 8, length & 255, ...body])
}

describe('a picture is let in', () => {
  test('with its size', async () => {
    expect(await checkPicture(file(png(640, 480)), 'card.png')).toEqual({ ok: true, kind: 'picture', width: 640, height: 480 })
  })
  test('a JPEG that ends, with what it says of its lens', async () => {
    expect(await checkPicture(file(jpeg(4000, 3000, { exif: exifOf(27) })), 'card.jpg')).toEqual({
      ok: true,
      kind: 'picture',
      width: 4000,
      height: 3000,
      focal35Mm: 27,
    })
    expect(await checkPicture(file(jpeg(4000, 3000, { exif: exifOf(9000) })), 'card.jpg')).toEqual({
      ok: true,
      kind: 'picture',
      width: 4000,
      height: 3000,
    })
  })
  test('a PDF by its first bytes, whatever it is called', async () => {
    expect(await checkPicture(file('%PDF-1.7 and so on'), 'drawing.bin')).toEqual({ ok: true, kind: 'pdf' })
  })
})

describe('a hostile or broken one is refused with what to do, by its name', () => {
  const svg = '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
  test.each<[string, Blob, RegExp]>([
    ['empty.jpg', file(), /0 bytes/],
    ['words.jpg', file('this is no picture at all, but words'), /not a readable picture.*JPEG, PNG/],
    ['drawing.svg', file(svg), /SVG.*may hold programs.*PNG or PDF/],
    ['hidden.png', file(svg), /SVG/],
    ['huge.png', file(headOf(10_000, 10_000)), /100 million pixels, more than 64/],
    ['overflow.png', file(headOf(0xffffffff, 0xffffffff)), /million pixels|no picture/],
    ['tiny.png', file(png(40, 300)), /40 by 300 pixels, too small/],
    ['cut.jpg', file(jpeg(4000, 3000, { end: false, exif: exifOf(27) })), /cut short/],
    ['half.png', file(png(640, 480).slice(0, 12)), /not a readable picture/],
    ['large.jpg', new Blob([new Uint8Array(60_000_001)]), /larger than 60 MB/],
  ])('%s', async (name, blob, why) => {
    const found = await checkPicture(blob, name)
    expect(found.ok).toBe(false)
    if (found.ok) return
    expect(found.message).toMatch(why)
    expect(found.message).toMatch(new RegExp(`^${name.replace('.', '\\.')} .*Nothing was changed\\.$`))
  })
})
