import { mkdirSync, writeFileSync } from 'node:fs'
import { VERSION } from '../core/records/project.ts'
import { projectJsonSchema } from '../core/formats/json-schema.ts'

/** Writes docs/format/project-10.schema.json; a test fails while the file is out of date. */
const folder = new URL('../docs/format/', import.meta.url)
mkdirSync(folder, { recursive: true })
writeFileSync(new URL(`project-${VERSION}.schema.json`, folder), `${JSON.stringify(projectJsonSchema(), undefined, 2)}\n`)
