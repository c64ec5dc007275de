import exifr from 'exifr'
import { imageSize } from 'image-size'

/** Larger files are no picture of a sheet. */
const MOST_BYTES = 60e6
/** A picture of more pixels would fill the memory of a telephone. */
const MOST_PX = 64e6
const LEAST_SIDE_PX = 400
const KNOWN = new Set(['jpg', 'png', 'webp', 'bmp', 'gif', 'avif'])

export type Checked =
  | { ok: true; kind: 'picture'; width: number; height: number; focal35Mm?: number }
  | { ok: true; kind: 'pdf'; focal35Mm?: undefined }
  | { ok: false; message: string }

const starts = (bytes: Uint8Array, text: string): boolean => [...text].every((sign, i) => bytes[i] === sign.charCodeAt(0))

/** Looks at the first bytes of a file, before anything is made of the rest: what it is, and how large. */
export async function checkPicture(file: Blob, name: string): Promise<Checked> {
  const refuse = (message: string): Checked => ({ ok: false, message: `${name} ${message} Nothing was changed.` })
  if (file.size === 0) return refuse('is empty (0 bytes). Save the picture again.')
  if (file.size > MOST_BYTES) return refuse(`is larger than ${MOST_BYTES / 1e6} MB. Save it smaller, as a JPEG.`)
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (starts(bytes, '%PDF-')) return { ok: true, kind: 'pdf' }
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1000)).toLowerCase()
  // a drawing as text may hold scripts, and is not shown
  if (head.includes('<svg') || /\.svgz?$/i.test(name))
    return refuse('is a drawing as text (SVG), which may hold programs. Save it as PNG or PDF.')
  let found: { width: number; height: number; type?: string }
  try {
    found = imageSize(bytes)
  } catch {
    return refuse('is not a readable picture. Use a JPEG, PNG or WebP picture, or a PDF.')
  }
  const { width, height, type = '' } = found
  if (type === 'heic' || type === 'heif')
    return refuse('is in HEIC format, which browsers cannot read. Set the camera to JPEG (“most compatible”), or save it as JPEG.')
  if (!KNOWN.has(type))
    return refuse(`is in a format (${type || 'unknown'}) that cannot be read here. Use a JPEG, PNG or WebP picture, or a PDF.`)
  if (!(width * height <= MOST_PX))
    return refuse(
      `has ${Math.round((width * height) / 1e6)} million pixels, more than ${MOST_PX / 1e6}. Save it smaller: 12 million are plenty.`,
    )
  if (Math.min(width, height) < LEAST_SIDE_PX)
    return refuse(`is ${width} by ${height} pixels, too small to measure in: ${LEAST_SIDE_PX} at least on the shorter side.`)
  if (type === 'jpg' && !hasEnd(bytes)) return refuse('is cut short: the end of the picture is missing. Copy it from the camera once more.')
  const focal35Mm = await focalOf(bytes)
  return { ok: true, kind: 'picture', width, height, ...(focal35Mm === undefined ? {} : { focal35Mm }) }
}

/** Whether a JPEG says where it ends: browsers show what there is of one that does not, and grey for the rest. */
function hasEnd(bytes: Uint8Array): boolean {
  // what small pictures a file has of itself stand at its beginning
  const from = Math.max(bytes.length >> 1, bytes.length - 4_000_000)
  for (let i = bytes.length - 2; i >= from; i -= 1) if (bytes[i] === 0xff && bytes[i + 1] === 0xd9) return true
  return false
}

async function focalOf(bytes: Uint8Array): Promise<number | undefined> {
  try {
    const said = (await exifr.parse(bytes, { pick: ['FocalLengthIn35mmFormat'] })) as { FocalLengthIn35mmFormat?: unknown } | undefined
    const mm = said?.FocalLengthIn35mmFormat
    return typeof mm === 'number' && mm >= 10 && mm <= 300 ? mm : undefined
  } catch {
    return undefined
  }
}
