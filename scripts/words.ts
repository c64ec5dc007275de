import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'

/**
 * Strings that people read and that break a rule of wording which a program can see: words that the product does not use,
 * length, punctuation. A stage of `npm test`; with `--all` every string with its place.
 */

interface Said {
  place: string
  text: string
}
/** The parts of a template's syntax tree that are read here. */
interface Node {
  type: number
  tag?: string
  content?: string | { content: string }
  children?: Node[]
  props?: {
    type: number
    name: string
    value?: { content: string }
    exp?: { content: string; loc: Loc }
    arg?: { content: string }
    loc: Loc
  }[]
  loc: Loc
}
interface Loc {
  start: { line: number }
}
const [TEXT, INTERPOLATION, ELEMENT, ATTRIBUTE, DIRECTIVE] = [2, 5, 1, 6, 7]

const LEFT_OUT = /(\/testing\/|\/golden\/|\/demo\/|simulated-camera|\.test\.ts$|theme\.ts)/
const CODE_CALLS =
  /^(document\.|.*\.(querySelector(All)?|startsWith|endsWith|includes|split|join|replace(All)?|test|getItem|setItem|has|get|indexOf)|require|import|defineAsyncComponent|console\..*)$/
const TEXT_ATTRIBUTE =
  /^(label|title|text|placeholder|aria-label|alt|confirm-button-text|cancel-button-text|caption|hint|help|description|content|lead|words|heading|summary|empty|what|tip|note|question|why|action|legend|empty-text|no-data-text)$/
const INLINE = /^(strong|em|b|i|code|kbd|NuxtLink|small|sub|sup|abbr|br|a)$/

function isWords(text: string): boolean {
  const t = text.trim()
  if (!/[A-Za-z]{2,}/.test(t) || /^(\/|\.{1,2}\/|~\/|#core|@|node:|https?:|tabler:|data-|--|\.)/.test(t)) return false
  if (/^[a-z0-9_$.:/#@-]+$/i.test(t)) return /^[A-Z][a-z]+$/.test(t)
  return !/^(M|m)\s?\d|^(translate|rotate|scale|matrix|rgb|var|calc|url)\(/.test(t) && !/[\\^$|]/.test(t)
}

/** Strings of a script. */
function ofScript(file: string, source: string, base: number, said: Said[]): void {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TS)
  const push = (node: ts.Node, text: string) => {
    const clean = text.replace(/\s+/g, ' ').trim()
    if (/[A-Za-z]{2,}/.test(clean))
      said.push({ place: `${file}:${base + tree.getLineAndCharacterOfPosition(node.getStart(tree)).line}`, text: clean })
  }
  const isCode = ({ parent: up }: ts.Node, node: ts.Node): boolean =>
    ts.isImportDeclaration(up) ||
    ts.isExportDeclaration(up) ||
    ts.isLiteralTypeNode(up) ||
    ts.isCaseClause(up) ||
    (ts.isCallExpression(up) && CODE_CALLS.test(up.expression.getText(tree))) ||
    (ts.isBinaryExpression(up) && /^(===|!==)$/.test(up.operatorToken.getText(tree))) ||
    (ts.isPropertyAssignment(up) && up.name === node) ||
    ts.isElementAccessExpression(up)
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (!isCode(node, node) && isWords(node.text)) push(node, node.text)
    } else if (ts.isTemplateExpression(node)) {
      const bare = [node.head.text, ...node.templateSpans.map((one) => one.literal.text)].join(' ')
      const whole = node.head.text + node.templateSpans.map((one) => `{}${one.literal.text}`).join('')
      if (/[A-Za-z]{3,}\s|\s[A-Za-z]{2,}/.test(bare) && !/^(\/|\.|#|--|M |translate|url|calc|var)/.test(whole)) push(node, whole)
    }
    ts.forEachChild(node, visit)
  }
  visit(tree)
}

/** Texts, attributes and expressions of a template. */
function ofTemplate(file: string, root: Node, said: Said[]): void {
  const expression = (code: string, line: number) =>
    ofScript(file, `(${code.replace(/^\s*\(?[\w\s,{}]*\)?\s+(in|of)\s+/, '')})`, line, said)
  const codeOf = (node: Node): string => (typeof node.content === 'object' ? node.content.content : (node.content ?? ''))
  const visit = (node: Node): void => {
    for (const prop of node.props ?? []) {
      const { line } = prop.loc.start
      if (prop.type === ATTRIBUTE && prop.value && TEXT_ATTRIBUTE.test(prop.name))
        said.push({ place: `${file}:${line}`, text: prop.value.content })
      else if (
        prop.type === DIRECTIVE &&
        /['"`]/.test(prop.exp?.content ?? '') &&
        !/^(class|style|key|ref|data-.*|id|for|to|is|model)$/.test(prop.arg?.content ?? prop.name)
      )
        expression(prop.exp!.content, prop.exp!.loc.start.line)
    }
    let run = ''
    let at = 0
    const flush = () => {
      const text = run.replace(/\s+/g, ' ').trim()
      if (/[A-Za-z]{2,}/.test(text)) said.push({ place: `${file}:${at}`, text })
      run = ''
    }
    const read = (child: Node) => {
      run += child.type === TEXT ? codeOf(child) : '{}'
      if (child.type === INTERPOLATION) expression(codeOf(child), child.loc.start.line)
    }
    for (const child of node.children ?? []) {
      if (!run.trim()) at = child.loc.start.line
      const inline = child.type === ELEMENT && INLINE.test(child.tag ?? '')
      if (child.type === TEXT || child.type === INTERPOLATION) read(child)
      else if (inline && child.children!.every(({ type }) => type === TEXT || type === INTERPOLATION)) child.children!.forEach(read)
      else {
        flush()
        visit(child)
      }
    }
    flush()
  }
  visit(root)
}

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const at = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* filesIn(at)
    else if (/\.(vue|ts)$/.test(entry.name) && !LEFT_OUT.test(at)) yield at
  }
}

const root = path.resolve(import.meta.dirname, '..')
const said: Said[] = []
for (const folder of ['app', 'core', 'server'])
  for (const file of filesIn(path.join(root, folder))) {
    const name = path.relative(root, file)
    const source = readFileSync(file, 'utf8')
    if (file.endsWith('.ts')) ofScript(name, source, 1, said)
    else {
      const { descriptor } = parse(source)
      if (descriptor.template?.ast) ofTemplate(name, descriptor.template.ast as unknown as Node, said)
      for (const one of [descriptor.script, descriptor.scriptSetup]) if (one) ofScript(name, one.content, one.loc.start.line, said)
    }
  }

const RULES: readonly (readonly [RegExp, string])[] = [
  [/\b(nobody|no one|no-one)\b/i, 'say who acts'],
  [/\bdoubts?\b/i, 'uncertainty'],
  [/\b(is|are|was) asked( for)?\b|\basked for\b/i, 'required'],
  [/\b(a|the|this|each|every|no|of|its) finds?\b|\bfinds that\b/i, 'result'],
  [/\b(a|the|this|any|every|own|new) driving\b|\bdrivings\b/i, 'session'],
  [/\bcures?\b|\bcured\b/i, 'fix'],
  [/\b(stands?|stood) (\{|at|over|in|out|beside|for|between|there|on its)/i, 'is, or protrudes'],
  [/\blook(s|ed)? (there|at|over|for)\b|^Look:/i, 'check, inspect or open'],
  [/^(Take|Taken|Keep|Bring|Enter it|Look)\b/, 'a button is a verb and its object: Add, Apply, Save, Open'],
  [/\b(taken|take) (it|from|for|into|over|in|back|as)\b/i, 'accept, add, import or measure'],
  [/\bby the (likely|doubts|figures|mean|water)\b/i, 'with nominal values'],
  [/\bof it\b/i, 'name the thing'],
  [/^What [a-z]+ [^?]*[^?]$/, 'a label is a noun phrase'],
  [/\bthe foot\b|\ba foot\b/i, 'pedal force'],
  [/\bas it stands\b/i, 'current car, or baseline'],
  [/\bsur(e|er|est) of\b|\bsurer\b|\bfor sure\b/i, '95% confidence'],
  [/\bis said\b|\bsays (so|that)\b/i, 'shows'],
  [/\breckon|\bmend(ed|s)?\b|\bsigns long\b|\bhold together\b/i, 'compute, correct, characters'],
  [/\bbites?\b/i, 'cold friction'],
  [/\bstreet\b/i, 'outboard'],
  [/\bsettled\b|\bnothing yet\b/i, 'a status is the next act'],
  [/\bcannot say\b/i, 'not enough data'],
  [/\d %|\{\} %/, 'no space before %'],
  [/;[^;]*;/, 'one semicolon at most'],
  [/:[^:{}]*:[^:{}]*[a-z]/, 'one colon at most'],
]
const MOST_WORDS = 28
/** What a rule hits and must stay. */
const EXCEPTIONS: readonly (readonly [text: string, reason: string])[] = [
  ['What it is for', 'a heading that tables of earlier versions have'],
  ['Keep your brakes: the current car does what you need.', 'advice to keep what is there, not a button'],
  ['Spokes, seen from the street', 'a heading that tables of earlier versions have'],
]

const words = (text: string): number => (text.replace(/\{\}/g, ' ').match(/[A-Za-z][A-Za-z’'-]*/g) ?? []).length
const unique = [...new Map(said.map((one) => [one.text, one])).values()]
if (process.argv.includes('--all')) for (const { place, text } of unique) console.log(`${place}\t${text}`)
let broken = 0
for (const { place, text } of unique) {
  if (EXCEPTIONS.some(([excepted]) => excepted === text)) continue
  const why = RULES.filter(([rule]) => rule.test(text)).map(([, name]) => name)
  if (words(text) > MOST_WORDS) why.push(`more than ${MOST_WORDS} words`)
  if (why.length === 0) continue
  broken += 1
  console.log(`${place}\t[${why.join('; ')}]\t${text}`)
}
for (const [text] of EXCEPTIONS)
  if (!unique.some((one) => one.text === text)) {
    broken += 1
    console.log(`an exception that no string needs any more: ${text}`)
  }
console.log(`${unique.length} strings, ${broken} break a rule`)
process.exitCode = broken > 0 ? 1 : 0
