import { expect, test } from '@jest/globals'
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** Nothing is exported that no other file names, and a name of a type means one thing. */
const root = join(import.meta.dirname, '..')
const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', '*.ts', '*.vue', '*.mjs'], {
  cwd: root,
  encoding: 'utf8',
})
  .split('\n')
  .filter(Boolean)
const texts = new Map(files.map((file) => [file, readFileSync(join(root, file), 'utf8')]))
/** Read by the framework or the public door, not by a file of ours. */
const ENTRY =
  /^server\/(api|plugins|middleware|routes|workers)\/|^app\/(plugins|middleware)\/|^core\/index\.ts$|\.d\.ts$|\.(test|spec)\.ts$/

/** Files by each word in them. */
const filesWith = new Map<string, Set<string>>()
for (const [file, text] of texts)
  for (const word of text.match(/[A-Za-z_$][\w$]*/g) ?? []) filesWith.set(word, (filesWith.get(word) ?? new Set()).add(file))

interface Declared {
  file: string
  name: string
  isType: boolean
  isExported: boolean
}
function declaredIn(file: string): Declared[] {
  const text = texts.get(file)!
  const script = file.endsWith('.vue') ? (/<script[^>]*>([\s\S]*?)<\/script>/.exec(text)?.[1] ?? '') : text
  return ts.createSourceFile(file, script, ts.ScriptTarget.Latest).statements.flatMap((one): Declared[] => {
    const isType = ts.isInterfaceDeclaration(one) || ts.isTypeAliasDeclaration(one) || ts.isClassDeclaration(one)
    const isExported = ts.canHaveModifiers(one) && (ts.getModifiers(one) ?? []).some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)
    const names = ts.isVariableStatement(one)
      ? one.declarationList.declarations.flatMap((each) => (ts.isIdentifier(each.name) ? each.name.text : []))
      : isType || ts.isFunctionDeclaration(one)
        ? (one.name?.text ?? [])
        : []
    return [names].flat().map((name) => ({ file, name, isType, isExported }))
  })
}
const declared = files.filter((file) => /^(core|app|server)\//.test(file) && /\.(ts|vue)$/.test(file)).flatMap(declaredIn)

test('every export is named by another file', () => {
  const alone = declared.filter(
    ({ file, name, isExported }) => isExported && !ENTRY.test(file) && [...filesWith.get(name)!].every((one) => one === file),
  )
  expect(alone.map(({ file, name }) => `${file}: ${name}`)).toEqual([])
})
test('no two types of the application share a name', () => {
  const types = declared.filter(({ file, isType }) => isType && !/\.test\.ts$/.test(file))
  const shared = types.filter(({ file, name }) => types.some((one) => one.name === name && one.file !== file))
  expect(shared.map(({ file, name }) => `${name}: ${file}`).sort()).toEqual([])
})
