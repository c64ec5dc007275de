import { DEMO_PROJECT } from '../demo/project.ts'
import { projectRecord } from '../records/project.ts'
import { mostOf } from '../records/record.ts'
import type { Project } from '../records/project.ts'

/** A library as large as a file may hold: the demo's parts again and again under other names, and setups of them. */
export function largeProject(parts: number = mostOf(projectRecord, 'parts'), setups: number = mostOf(projectRecord, 'setups')): Project {
  const project = structuredClone(DEMO_PROJECT)
  project.id = 'large-library'
  project.name = 'Large library'
  const own = DEMO_PROJECT.parts
  for (let i = project.parts.length; i < parts; i += 1) {
    const part = structuredClone(own[i % own.length]!)
    const round = Math.floor(i / own.length)
    part.id = `${part.id}-${round}`
    part.name = `${part.name} no. ${round + 1}`.slice(0, 120)
    if (part.massKg) part.massKg.value += round / 100
    project.parts.push(part)
  }
  for (let i = project.setups.length; i < setups; i += 1) {
    const setup = structuredClone(project.setups[1 + (i % (DEMO_PROJECT.setups.length - 1))]!)
    setup.id = `setup-${i}`
    setup.name = `Setup ${i}`
    delete setup.taken
    project.setups.push(setup)
  }
  return project
}
