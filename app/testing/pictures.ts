import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { Project } from '#core/records/project.ts'

/** A picture as text, told from others by its number. */
export const picture = (n: number, length = 150_000): string =>
  `data:image/jpeg;base64,/9j/${String(n).padStart(4, '0')}${'A'.repeat(length - 31)}`

/** The demo with so many pictures in the notes of a build. */
export function withPictures(id: string, many: number): Project {
  const project = structuredClone(DEMO_PROJECT) as Project
  const notes = Array.from({ length: many }, (_, i) => ({ id: `note-${i}`, note: `Note ${i}`, picture: picture(i) }))
  return { ...project, id, builds: [{ id: 'balanced', notes, torques: [] }] }
}
