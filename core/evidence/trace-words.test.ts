import { describe, expect, test } from '@jest/globals'
import { stopFromPoints, stopFromTable } from '../formats/stop-trace.ts'
import { traceWords } from './trace-words.ts'

/** A stop from 100 km/h whose deceleration, g, is a function of the time. */
function stop(gAt: (seconds: number) => number): [number, number][] {
  const samples: [number, number][] = [[0, 100]]
  for (let t = 0.05, v = 100; v > 0; t += 0.05) {
    v = Math.max(0, v - gAt(t) * 9.80665 * 3.6 * 0.05)
    samples.push([Number(t.toFixed(2)), v])
  }
  return samples
}

describe('what a stop shows', () => {
  test.each<[string, (t: number) => number, RegExp]>([
    ['even', () => 0.8, /^Full braking 0\.80 g on average.* It stays constant to the end\.$/],
    ['fading', (t) => 1 - 0.13 * t, /It weakens from \d\.\d\d to 0\.\d\d g: fade/],
    ['growing', (t) => 0.5 + 0.15 * t, /It grows from .*friction rises with heat/],
    ['with anti-lock', (t) => 0.8 + 0.3 * Math.sign(Math.sin(2 * Math.PI * 2.5 * t)), /the ABS worked/],
  ])('%s', (_, gAt, words) => {
    const { sentence, meanG, points } = traceWords(stop(gAt))
    expect(sentence).toMatch(words)
    expect(meanG).toBeGreaterThan(0.4)
    expect(points.every(([seconds], i) => i === 0 || seconds > points[i - 1]![0])).toBe(true)
  })
  test('half a stop says nothing', () => {
    expect(
      traceWords([
        [0, 100],
        [1, 80],
      ]),
    ).toMatchObject({ meanG: undefined, sentence: expect.stringMatching(/not evaluated/) })
  })
})

describe('a stop of a logger’s table', () => {
  const rolling = Array.from({ length: 31 }, (_, i): [number, number] => [i * 0.05, 100])
  const all = [
    ...rolling,
    ...stop(() => 0.8)
      .slice(1)
      .map(([t, v]): [number, number] => [Number((1.5 + t).toFixed(2)), v]),
  ]
  test('in km/h, mph or m/s is the same stop', () => {
    const distance = (unit: string, by: number) => {
      const read = stopFromTable(`time (s),speed (${unit})\n${all.map(([t, v]) => `${t},${v * by}`).join('\n')}`)
      return read.ok ? read.stop.distanceM : read.message
    }
    const kmh = distance('km/h', 1)
    expect(kmh).toBeGreaterThan(45)
    expect(distance('mph', 1 / 1.609344)).toBeCloseTo(kmh as number, 1)
    expect(distance('m/s', 1 / 3.6)).toBeCloseTo(kmh as number, 1)
  })
  test('keeps its distance when it is thinned to what a project holds', () => {
    const fine = all.slice(0, -1).flatMap(([t, v], i): [number, number][] => {
      const [next, then] = all[i + 1]!
      return Array.from({ length: 10 }, (_, k) => [t + ((next - t) * k) / 10, v + ((then - v) * k) / 10])
    })
    const [whole, thin] = [stopFromPoints(all), stopFromPoints([...fine, all[all.length - 1]!])]
    if (!whole.ok || !thin.ok) throw new Error(`${JSON.stringify(whole)} ${JSON.stringify(thin)}`)
    expect(thin.stop.trace!.length).toBeLessThanOrEqual(401)
    expect(Math.abs(thin.stop.distanceM - whole.stop.distanceM)).toBeLessThan(1.5)
  })
})
