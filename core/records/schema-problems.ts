import { ValidationError, type AnySchema } from 'yup'

export interface SchemaProblem {
  /** Path in the value, such as parts[3].thicknessMm.value. */
  path: string
  message: string
}

/** Everything a schema finds wrong with a value; empty when nothing is. */
export function schemaProblems(schema: AnySchema, value: unknown): SchemaProblem[] {
  try {
    schema.validateSync(value, { abortEarly: false, strict: true })
    return []
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const all = error.inner.length > 0 ? error.inner : [error]
    return all.map((one) => ({ path: one.path ?? '', message: shortened(plain(one)) }))
  }
}

/** A message that lists every misspelt field of a hostile file would be as long as the file. */
const shortened = (message: string): string => (message.length > 300 ? `${message.slice(0, 297)} …` : message)

/** Yup's own wording where ours did not reach, without the path in front. */
function plain(error: ValidationError): string {
  const message = error.errors[0] ?? 'is not valid'
  if (error.type === 'typeError' || /must be a `/.test(message)) {
    const wanted = /must be a `(\w+)` type/.exec(message)?.[1]
    return wanted
      ? `must be ${wanted === 'array' || wanted === 'object' ? 'an' : 'a'} ${wanted === 'string' ? 'text' : wanted === 'array' ? 'list' : wanted}`
      : message
  }
  return error.path && message.startsWith(error.path) ? message.slice(error.path.length).trim() : message
}
