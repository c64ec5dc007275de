import { closeSync, openSync, readSync, writeSync } from 'node:fs'
import { resolve } from 'node:path'
import type { Project } from '../core/records/project.ts'
import { MAX_FILE_BYTES, readProject } from '../core/formats/project-file.ts'

/** What the commands share that take a project file and write JSON. */

export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))

export function stop(lines: readonly string[]): never {
  for (const line of lines) process.stderr.write(`${line}\n`)
  process.exit(2)
}

/** The text of a file, read no further than a project can be: some files have no end. */
function textOf(path: string): string {
  const file = openSync(path, 'r')
  try {
    const chunks: Buffer[] = []
    for (let size = 0; size <= MAX_FILE_BYTES;) {
      const chunk = Buffer.alloc(1 << 20)
      const count = readSync(file, chunk, 0, chunk.length, null)
      if (count === 0) break
      chunks.push(chunk.subarray(0, count))
      size += count
    }
    return Buffer.concat(chunks).toString('utf8')
  } finally {
    closeSync(file)
  }
}

/** The project of a file, or the end with a message that names the place. */
export function projectFrom(name: string): Project {
  const path = resolve(process.env.INIT_CWD ?? '.', name)
  let text: string
  try {
    text = textOf(path)
  } catch (error) {
    stop([`Cannot read ${path}: ${wordsOf(error)}`])
  }
  const read = readProject(text)
  if (!read.ok)
    stop([
      `${path} cannot be used:`,
      ...read.problems.map((problem) => `- ${problem.place}: ${problem.message}${problem.path ? ` (${problem.path})` : ''}`),
    ])
  return read.project
}

/** Writes all of a text, or says why not: whoever reads may go away, and a disk may be full. */
export function write(text: string): void {
  const bytes = Buffer.from(text)
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(1, bytes, at)
    } catch (error) {
      // a pipe that is full for a moment
      if ((error as NodeJS.ErrnoException).code === 'EAGAIN') continue
      stop([`The report could not be written to the end: ${wordsOf(error)}.`])
    }
  }
}
