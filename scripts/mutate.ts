import { spawn } from 'node:child_process'
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import ts from 'typescript'
import { clearLeftOver } from './leftOver'
import { home, workFolder } from './home'

/** A decision changed on purpose: a test should notice. */
export interface Mutant {
  start: number
  end: number
  was: string
  becomes: string
  line: number
}

const operators = new Map<ts.SyntaxKind, string>([
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.QuestionQuestionToken, '&&'],
])

const calls = new Map([
  ['min', 'max'],
  ['max', 'min'],
  ['every', 'some'],
  ['some', 'every'],
])

/** Every decision of a source file with one change each: operators, comparisons, conditions, numbers. Words in strings and types are left alone. */
export function mutantsOf(text: string): Mutant[] {
  const source = ts.createSourceFile('source.ts', text, ts.ScriptTarget.Latest, true)
  const found: Mutant[] = []
  const add = (node: ts.Node, becomes: string) => {
    const start = node.getStart(source)
    found.push({
      start,
      end: node.getEnd(),
      was: node.getText(source),
      becomes,
      line: source.getLineAndCharacterOfPosition(start).line + 1,
    })
  }
  const isWords = (node: ts.Node): boolean =>
    ts.isStringLiteralLike(node) ||
    ts.isTemplateExpression(node) ||
    (ts.isBinaryExpression(node) && (isWords(node.left) || isWords(node.right)))
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const becomes = operators.get(node.operatorToken.kind)
      const joinsWords = node.operatorToken.kind === ts.SyntaxKind.PlusToken && isWords(node)
      if (becomes !== undefined && !joinsWords) add(node.operatorToken, becomes)
    }
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(source)})`)
    if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText(source)})`)
    if (ts.isNumericLiteral(node)) add(node, `(${node.text} + 1)`)
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false')
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true')
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression)) {
      const becomes = calls.get(node.expression.name.text)
      if (becomes !== undefined) add(node.expression.name, becomes)
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

export const mutated = (text: string, { start, end, becomes }: Mutant) => text.slice(0, start) + becomes + text.slice(end)

/** A run of tests that is longer than this goes round for ever, which a person would notice. */
const mostMs = 60_000

/** Whether the tests of this place fail. */
function noticed(place: string, tests: string): Promise<boolean> {
  return new Promise((resolve, reject) => {
    const jest = spawn(
      path.join(home, 'node_modules/.bin/jest'),
      ['--selectProjects', 'core', '--runInBand', '--bail', '--silent', tests],
      {
        cwd: place,
        stdio: 'ignore',
        timeout: mostMs,
      },
    )
    jest.once('error', reject)
    jest.once('exit', (code) => resolve(code !== 0))
  })
}

/** `mozle mutate [PATH]`: changes every decision under a folder of the core, one at a time and in a copy, and says which changes the tests of that folder do not notice. */
export async function mutate(wanted = 'src/core'): Promise<void> {
  const root = wanted.replace(/\/$/, '')
  const files = statSync(path.join(home, root)).isDirectory()
    ? readdirSync(path.join(home, root), { recursive: true, encoding: 'utf8' }).map((file) => path.join(root, file))
    : [root]
  const work = files
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) => {
      const text = readFileSync(path.join(home, file), 'utf8')
      return mutantsOf(text).map((mutant) => ({ file, text, mutant }))
    })
  await clearLeftOver('mutate')
  const folder = workFolder(`mutate-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const survivors: string[] = []
  let done = 0
  const queue = [...work]
  const worker = async (index: number) => {
    const place = path.join(folder, String(index))
    mkdirSync(place, { recursive: true })
    for (const each of ['src', 'scripts', 'package.json', 'jest.config.cjs', 'tsconfig.json'])
      cpSync(path.join(home, each), path.join(place, each), { recursive: true })
    symlinkSync(path.join(home, 'node_modules'), path.join(place, 'node_modules'))
    for (let next = queue.shift(); next; next = queue.shift()) {
      const { file, text, mutant } = next
      writeFileSync(path.join(place, file), mutated(text, mutant))
      if (!(await noticed(place, path.dirname(file)))) {
        survivors.push(`${file}:${mutant.line}  ${mutant.was} → ${mutant.becomes}`)
        console.log(survivors.at(-1))
      }
      writeFileSync(path.join(place, file), text)
      if (++done % 50 === 0) console.log(`${done} of ${work.length}`)
    }
  }
  await Promise.all(Array.from({ length: Math.max(1, os.cpus().length) }, (_, index) => worker(index)))
  const killed = work.length - survivors.length
  console.log(`${killed} of ${work.length} changes noticed: ${((100 * killed) / Math.max(1, work.length)).toFixed(0)} %`)
}
