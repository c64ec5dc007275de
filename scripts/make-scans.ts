import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { writeStl } from '../core/formats/scan-file.ts'
import { moved, rotation, spoke, together, turned } from '../core/testing/scan-bodies.ts'

/** The example scans: an invented caliper on its hub and an invented wheel, turned and moved as a scanner leaves them. */
const folder = fileURLToPath(new URL('../public/examples', import.meta.url))
mkdirSync(folder, { recursive: true })

const caliper = turned(
  [
    [-66, 98],
    [-66, 122],
    [-54, 133],
    [6, 133],
    [16, 126],
    [24, 112],
    [24, 84],
    [10, 84],
    [10, 116],
    [-28, 116],
    [-28, 98],
  ],
  -0.5,
  0.5,
  40,
)
/** The rotor's hat with its register: mounting face and axis of the scan. */
const hat = turned(
  [
    [-40, 28.5],
    [0, 28.5],
    [0, 70],
    [-40, 70],
  ],
  0,
  2 * Math.PI,
  72,
)
const barrel = turned(
  [
    [-96, 184],
    [-78, 182],
    [-30, 168],
    [24, 168],
    [62, 178],
    [62, 188],
    [-96, 196],
  ],
  0,
  2 * Math.PI,
  90,
)
const hub = turned(
  [
    [0, 28.5],
    [0, 74],
    [22, 74],
    [22, 28.5],
  ],
  0,
  2 * Math.PI,
  72,
)
const spokes = [0, 1, 2, 3, 4].map((i) => spoke((i * 2 * Math.PI) / 5, [66, 174], 38, [8, 40], 18))

const place = (mesh: Parameters<typeof moved>[0], angles: [number, number, number], by: [number, number, number]) =>
  moved(mesh, rotation(...angles), by)
writeFileSync(`${folder}/example-caliper.stl`, writeStl(place(together(hat, caliper), [0.4, -0.2, 0.1], [35, -12, 60])))
writeFileSync(`${folder}/example-wheel.stl`, writeStl(place(together(barrel, hub, ...spokes), [0, 0, 0], [0, 0, 0])))
