/** Members of long lists that were found good and can change no more: a project is long, and an edit touches one of them. */
export const goodMembers = new WeakSet<object>()

/** Frozen through and through. */
export const isFrozen = (value: unknown): boolean =>
  typeof value !== 'object' || value === null || (Object.isFrozen(value) && Object.values(value).every(isFrozen))

/** Remembers a member that was found good, and the notes in it: each may hold a picture. */
export function rememberGood(member: unknown): void {
  if (typeof member !== 'object' || member === null) return
  const { notes } = member as { notes?: unknown }
  if (Array.isArray(notes)) for (const note of notes) if (typeof note === 'object' && isFrozen(note)) goodMembers.add(note as object)
  if (isFrozen(member)) goodMembers.add(member)
}
