import { MOST_SCAN_BYTES, MOST_TRIANGLES } from '../vision/scan/mesh.ts'

/** Files of scans: which kind one is, and whether what its head declares can be in it. Loaders trust what a head says. */
const SCAN_KINDS = { stl: 'STL', ply: 'PLY', obj: 'OBJ', gltf: 'glTF', glb: 'GLB' } as const
export type ScanKind = keyof typeof SCAN_KINDS

type CheckedScan = { ok: true; kind: ScanKind; binary: boolean } | { ok: false; message: string }
const refused = (message: string): CheckedScan => ({ ok: false, message })

/** Bytes of a binary STL: a head, the count, and of each triangle a normal, three corners and two bytes. */
const STL_HEAD = 84
const STL_TRIANGLE = 50
/** As much of a file as its head can take, bytes. */
const HEAD_BYTES = 20_000

/**
 * Checks a scan's file before a loader reads it.
 *
 * @param name of the file; its ending says the kind
 * @example
 * checkScanFile('part.xyz', new Uint8Array(4)).ok // => false
 */
export function checkScanFile(name: string, bytes: Uint8Array): CheckedScan {
  const ending = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase()
  if (ending === undefined || !Object.hasOwn(SCAN_KINDS, ending))
    return refused('This is no scan that can be read. Export it as STL, PLY, OBJ, glTF or GLB.')
  const kind = ending as ScanKind
  if (bytes.length > MOST_SCAN_BYTES) return refused('The file is larger than 300 MB. Reduce the mesh in the scanner’s program.')
  if (bytes.length === 0) return refused('The file is empty. Export the scan again.')
  switch (kind) {
    case 'stl':
      return checkStl(bytes)
    case 'ply':
      return checkPly(bytes)
    case 'glb':
      return checkGlb(bytes)
    case 'gltf':
      return checkGltf(textOf(bytes, bytes.length))
    case 'obj':
      return isText(bytes)
        ? { ok: true, kind, binary: false }
        : refused('This OBJ file holds no text. Export the scan again, or use another format.')
  }
}

const textOf = (bytes: Uint8Array, most: number): string => {
  let text = ''
  for (let i = 0; i < Math.min(most, bytes.length); i += 8192)
    text += String.fromCharCode(...bytes.subarray(i, Math.min(i + 8192, most, bytes.length)))
  return text
}
const isText = (bytes: Uint8Array): boolean => !bytes.subarray(0, HEAD_BYTES).some((byte) => byte === 0 || (byte < 32 && byte > 13))
const number32 = (bytes: Uint8Array, at: number): number => new DataView(bytes.buffer, bytes.byteOffset).getUint32(at, true)
const tooMany = (count: number): string =>
  `The file declares ${count.toLocaleString('en-GB')} triangles; at most ${MOST_TRIANGLES.toLocaleString('en-GB')} are read. Reduce the mesh in the scanner’s program.`
const TRUNCATED = 'The file ends before its last triangle. Export or copy it again.'

function checkStl(bytes: Uint8Array): CheckedScan {
  const starts = textOf(bytes, 5) === 'solid'
  const count = bytes.length >= STL_HEAD ? number32(bytes, 80) : 0
  const fits = bytes.length >= STL_HEAD && bytes.length === STL_HEAD + count * STL_TRIANGLE
  // a binary file may begin with "solid" too: its length tells
  if (starts && !fits && isText(bytes))
    return /endsolid/.test(textOf(bytes.subarray(Math.max(0, bytes.length - 400)), 400))
      ? { ok: true, kind: 'stl', binary: false }
      : refused(TRUNCATED)
  if (bytes.length < STL_HEAD) return refused(TRUNCATED)
  if (count > MOST_TRIANGLES) return refused(tooMany(count))
  return bytes.length < STL_HEAD + count * STL_TRIANGLE ? refused(TRUNCATED) : { ok: true, kind: 'stl', binary: true }
}

function checkPly(bytes: Uint8Array): CheckedScan {
  const head = textOf(bytes, HEAD_BYTES)
  const end = head.indexOf('end_header')
  if (!head.startsWith('ply') || end < 0) return refused('This PLY file has no head. Export the scan again.')
  const counts = [...head.slice(0, end).matchAll(/element (\w+) (\d+)/g)].map(([, what, count]) => ({ what, count: Number(count) }))
  const faces = counts.find(({ what }) => what === 'face')?.count ?? 0
  if (faces === 0) return refused('The file holds points without triangles. Export the scan as a mesh.')
  if (faces > MOST_TRIANGLES) return refused(tooMany(faces))
  // of each member there is at least a byte
  const rest = bytes.length - end
  if (counts.some(({ count }) => count > rest)) return refused(TRUNCATED)
  return { ok: true, kind: 'ply', binary: !/format ascii/.test(head.slice(0, end)) }
}

const GLB_MAGIC = 0x46546c67
function checkGlb(bytes: Uint8Array): CheckedScan {
  if (bytes.length < 20 || number32(bytes, 0) !== GLB_MAGIC) return refused('This GLB file has no head. Export the scan again.')
  if (number32(bytes, 8) > bytes.length) return refused(TRUNCATED)
  const length = number32(bytes, 12)
  if (20 + length > bytes.length) return refused(TRUNCATED)
  const checked = checkGltf(textOf(bytes.subarray(20, 20 + length), length))
  return checked.ok ? { ok: true, kind: 'glb', binary: true } : checked
}
/** Lists of a glTF are as long as they say: none may be longer than a mesh can be. */
function checkGltf(text: string): CheckedScan {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    return refused('This glTF file is damaged. Export the scan again, best as one GLB file.')
  }
  const { accessors, buffers, images } = (read ?? {}) as { accessors?: unknown; buffers?: unknown; images?: unknown }
  const outside = (list: unknown) =>
    Array.isArray(list) &&
    list.some((one: unknown) => {
      const { uri } = (one ?? {}) as { uri?: unknown }
      return typeof uri === 'string' && !uri.startsWith('data:')
    })
  if (outside(buffers) || outside(images)) return refused('The file needs other files beside it. Export the scan as one GLB file.')
  const counts = Array.isArray(accessors) ? accessors.map((one: unknown) => Number((one as { count?: unknown } | null)?.count)) : []
  const most = Math.max(0, ...counts.filter(Number.isFinite))
  if (most > MOST_TRIANGLES * 3) return refused(tooMany(Math.round(most / 3)))
  return counts.length === 0
    ? refused('The file holds no triangles. Export the scan as a mesh of triangles.')
    : { ok: true, kind: 'gltf', binary: false }
}

/** A mesh as a binary STL, mm: for the example scans. */
export function writeStl(mesh: Float64Array | Float32Array): Uint8Array {
  const count = mesh.length / 9
  const bytes = new Uint8Array(STL_HEAD + count * STL_TRIANGLE)
  const view = new DataView(bytes.buffer)
  view.setUint32(80, count, true)
  for (let i = 0; i < count; i += 1)
    for (let k = 0; k < 9; k += 1) view.setFloat32(STL_HEAD + i * STL_TRIANGLE + 12 + 4 * k, mesh[9 * i + k]!, true)
  return bytes
}
