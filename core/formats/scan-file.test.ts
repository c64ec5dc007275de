import { describe, expect, test } from '@jest/globals'
import { stream } from '../testing/heavy.ts'
import { runs } from '../testing/runs.ts'
import { turned } from '../testing/scan-bodies.ts'
import { checkScanFile, writeStl } from './scan-file.ts'

const bytes = (text: string) => Uint8Array.from(text, (one) => one.charCodeAt(0))
const ring = turned(
  [
    [0, 50],
    [10, 50],
    [10, 60],
  ],
  0,
  2 * Math.PI,
  12,
)
const STL = writeStl(ring)
const changed = (file: Uint8Array, change: (view: DataView) => void) => {
  const copy = file.slice()
  change(new DataView(copy.buffer))
  return copy
}
const glb = (json: string, length?: number) => {
  const text = bytes(json)
  const file = new Uint8Array(20 + text.length)
  const view = new DataView(file.buffer)
  view.setUint32(0, 0x46546c67, true)
  view.setUint32(4, 2, true)
  view.setUint32(8, length ?? file.length, true)
  view.setUint32(12, text.length, true)
  view.setUint32(16, 0x4e4f534a, true)
  file.set(text, 20)
  return file
}
const ASCII = 'solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid a\n'
const PLY =
  'ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nelement face 1\nproperty list uchar int i\nend_header\n0\n1\n2\n3 0 1 2\n'

describe('files that are scans', () => {
  test.each<[string, Uint8Array, string, boolean]>([
    ['a.stl', STL, 'stl', true],
    ['A.STL', bytes(ASCII), 'stl', false],
    ['a.ply', bytes(PLY), 'ply', false],
    ['a.obj', bytes('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n'), 'obj', false],
    ['a.gltf', bytes('{"accessors":[{"count":3}]}'), 'gltf', false],
    ['a.glb', glb('{"accessors":[{"count":3}]}'), 'glb', true],
  ])('%s', (name, file, kind, binary) => {
    expect(checkScanFile(name, file)).toEqual({ ok: true, kind, binary })
  })
  test('a binary file whose head says "solid" is read by its length', () => {
    const file = STL.slice()
    file.set(bytes('solid'), 0)
    expect(checkScanFile('a.stl', file)).toEqual({ ok: true, kind: 'stl', binary: true })
  })
})

describe('files that are none get a sentence', () => {
  test.each<[string, string, Uint8Array, RegExp]>([
    ['another ending', 'a.step', STL, /Export it as STL, PLY, OBJ, glTF or GLB/],
    ['no ending', 'scan', STL, /Export it as STL/],
    ['nothing in it', 'a.stl', new Uint8Array(0), /is empty/],
    ['four billion triangles', 'a.stl', changed(STL, (view) => view.setUint32(80, 4e9, true)), /declares 4,000,000,000 triangles/],
    ['cut off', 'a.stl', STL.slice(0, STL.length - 7), /ends before its last triangle/],
    ['a short head', 'a.stl', new Uint8Array(30), /ends before/],
    ['text cut off', 'a.stl', bytes(ASCII.slice(0, 60)), /ends before/],
    ['points alone', 'a.ply', bytes(PLY.replace('face 1', 'face 0')), /points without triangles/],
    ['a ply of billions', 'a.ply', bytes(PLY.replace('face 1', 'face 3000000000')), /declares 3,000,000,000/],
    ['a ply that is cut', 'a.ply', bytes(PLY.replace('vertex 3', 'vertex 90000')), /ends before/],
    ['no ply at all', 'a.ply', bytes('hello'), /no head/],
    ['bytes for text', 'a.obj', STL, /holds no text/],
    ['damaged JSON', 'a.gltf', bytes('{"accessors":'), /damaged/],
    ['other files beside it', 'a.gltf', bytes('{"buffers":[{"uri":"http://x/y.bin"}],"accessors":[{"count":3}]}'), /as one GLB file/],
    ['a glTF of billions', 'a.gltf', bytes('{"accessors":[{"count":9000000000}]}'), /declares 3,000,000,000/],
    ['a glTF of nothing', 'a.gltf', bytes('{}'), /no triangles/],
    ['a GLB without a head', 'a.glb', STL, /no head/],
    ['a GLB that is cut', 'a.glb', glb('{"accessors":[{"count":3}]}', 1e6), /ends before/],
  ])('%s', (_, name, file, message) => {
    expect(checkScanFile(name, file)).toEqual({ ok: false, message: expect.stringMatching(message) })
  })
  test('any bytes under any name are answered', () => {
    const next = stream(31)
    for (let i = 0; i < runs(400, 100); i += 1) {
      const noise = Uint8Array.from({ length: Math.floor(next() * 400) }, () => Math.floor(next() * 256))
      const name = `a.${['stl', 'ply', 'obj', 'gltf', 'glb'][i % 5]!}`
      const found = checkScanFile(name, i % 2 === 0 ? noise : Uint8Array.from([...STL.subarray(0, 90), ...noise]))
      if (!found.ok) expect(found.message).toMatch(/\. (Export|Reduce)|again\.$/)
    }
  })
})
