/**
 * A DXF file is pairs of lines: a group code, then its value (DXF reference, "Group codes in numerical
 * order"). This reads the pairs of the ENTITIES section, object by object, and one variable of the header;
 * it goes through the text once, whatever the text holds.
 */

export interface Entity {
  type: string
  layer: string
  /** The other pairs, in their order. */
  groups: (readonly [code: number, value: string])[]
}
export interface Drawing {
  /** $INSUNITS of the header. */
  unitCode: number | undefined
  entities: Entity[]
}

/** @returns the drawing, or in one sentence why it is none */
export function readGroups(text: string): Drawing | string {
  const lines = text.split(/\r\n|\r|\n/)
  let section = ''
  let variable = ''
  let unitCode: number | undefined
  let entity: Entity | undefined
  let seen = false
  const entities: Entity[] = []
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = lines[i]!.trim()
    const value = lines[i + 1]!
    if (!/^-?\d{1,4}$/.test(code)) return `line ${i + 1} should be a group code, and is "${code.slice(0, 20)}"`
    const group = Number(code)
    const name = value.trim()
    if (group === 0) {
      entity = undefined
      if (name === 'EOF') return seen ? { unitCode, entities } : 'it has no section of entities'
      if (name === 'SECTION' || name === 'ENDSEC') section = ''
      else if (section === 'ENTITIES') entities.push((entity = { type: name.toUpperCase(), layer: '0', groups: [] }))
    } else if (section === '' && group === 2) {
      section = name
      seen ||= section === 'ENTITIES'
    } else if (section === 'HEADER') {
      if (group === 9) variable = name
      else if (variable === '$INSUNITS' && group === 70) unitCode = Number(name)
    } else if (entity) {
      if (group === 8) entity.layer = name || '0'
      else entity.groups.push([group, name])
    }
  }
  return 'it ends before its end mark: the file may be cut off'
}
