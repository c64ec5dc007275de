import type { AnySchema, SchemaDescription } from 'yup'
import { PART_KIND_NAMES } from '../records/part-kinds.ts'
import { partRecord } from '../records/part.ts'
import { FORMAT, projectRecord, VERSION } from '../records/project.ts'
import { recordSchema } from '../records/record-schema.ts'

type Json = Record<string, unknown>
interface DescribedSchema {
  type: string
  optional?: boolean
  nullable?: boolean
  oneOf?: unknown[]
  tests?: { name?: string; params?: Record<string, unknown> }[]
  fields?: Record<string, DescribedSchema>
  innerType?: DescribedSchema | DescribedSchema[]
}

/** JSON Schema (draft 2020-12) of the project file, made from the very Yup schemas that check it. */
export function projectJsonSchema(): Json {
  const root = toJsonSchema(describe(recordSchema(projectRecord)))
  const properties = root.properties as Record<string, Json>
  properties.parts = { ...properties.parts, items: { oneOf: PART_KIND_NAMES.map((kind) => ({ $ref: `#/$defs/${kind}` })) } }
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `${FORMAT} ${VERSION}`,
    description: 'Lengths in mm, masses kg, pressures MPa, forces N, shares 0 to 1, money in minor units. An absent figure is unknown.',
    ...root,
    $defs: Object.fromEntries(PART_KIND_NAMES.map((kind) => [kind, toJsonSchema(describe(recordSchema(partRecord(kind))))])),
  }
}

const describe = (schema: AnySchema): DescribedSchema => schema.describe() as SchemaDescription as DescribedSchema

function toJsonSchema(described: DescribedSchema): Json {
  const json = shape(described)
  const values = (described.oneOf ?? []).filter((value) => value !== undefined && value !== null)
  if (values.length === 1) json.const = values[0]
  else if (values.length > 1) json.enum = values
  return described.nullable ? { anyOf: [json, { type: 'null' }] } : json
}

function shape(described: DescribedSchema): Json {
  const tests = described.tests ?? []
  const limit = (name: string, key: string): unknown => tests.find((test) => test.name === name)?.params?.[key]
  const bounds = (low: string, high: string): Json => {
    const json: Json = {}
    const min = limit('min', 'min')
    const max = limit('max', 'max')
    const more = limit('min', 'more')
    if (min !== undefined) json[low] = min
    if (more !== undefined) json.exclusiveMinimum = more
    if (max !== undefined) json[high] = max
    return json
  }
  switch (described.type) {
    case 'object': {
      const fields = described.fields ?? {}
      const required = Object.entries(fields)
        .filter(([, field]) => field.optional === false)
        .map(([key]) => key)
      return {
        type: 'object',
        properties: Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, toJsonSchema(field)])),
        ...(required.length > 0 ? { required } : {}),
        additionalProperties: false,
      }
    }
    case 'array':
      return {
        type: 'array',
        ...(described.innerType && !Array.isArray(described.innerType) ? { items: toJsonSchema(described.innerType) } : {}),
        ...bounds('minItems', 'maxItems'),
      }
    case 'tuple': {
      const inner = Array.isArray(described.innerType) ? described.innerType : []
      return { type: 'array', prefixItems: inner.map(toJsonSchema), minItems: inner.length, maxItems: inner.length }
    }
    case 'number':
      return { type: tests.some((test) => test.name === 'integer') ? 'integer' : 'number', ...bounds('minimum', 'maximum') }
    case 'string': {
      const pattern = limit('matches', 'regex')
      return { type: 'string', ...bounds('minLength', 'maxLength'), ...(pattern instanceof RegExp ? { pattern: pattern.source } : {}) }
    }
    case 'boolean':
      return { type: 'boolean' }
    default:
      return {}
  }
}
