import ts from 'typescript'

/** A decision changed on purpose: a test should notice. */
export interface Mutant {
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

const isWords = (node: ts.Node): boolean =>
  ts.isStringLiteralLike(node) ||
  ts.isTemplateExpression(node) ||
  (ts.isBinaryExpression(node) && (isWords(node.left) || isWords(node.right)))

const isName = (node: ts.Node) => 'name' in node.parent && node.parent.name === node

/** Inside `a?.some(f).length` a part cannot be put into brackets of its own. */
const isInChain = (node: ts.Node) => ts.isOptionalChain(node.parent) && node.parent.expression === node

/** What an expression may become: operators, comparisons, conditions, numbers, one at a time. Words in strings are left alone. */
function changesOf(node: ts.Node, source: ts.SourceFile): { was: string; becomes: string; whole: string; at: ts.Node }[] {
  const found: ReturnType<typeof changesOf> = []
  const text = node.getText(source)
  /** The node's own text with a part of it replaced. */
  const replaced = (part: ts.Node, becomes: string) =>
    text.slice(0, part.getStart(source) - node.getStart(source)) + becomes + text.slice(part.getEnd() - node.getStart(source))
  const change = (part: ts.Node, becomes: string) =>
    found.push({ was: part.getText(source), becomes, whole: replaced(part, becomes), at: part })
  if (ts.isBinaryExpression(node)) {
    const becomes = operators.get(node.operatorToken.kind)
    const joinsWords = node.operatorToken.kind === ts.SyntaxKind.PlusToken && isWords(node)
    if (becomes !== undefined && !joinsWords)
      found.push({
        was: node.operatorToken.getText(source),
        becomes,
        // Each side keeps together, whatever the new sign would bind first.
        whole: `(${node.left.getText(source)}) ${becomes} (${node.right.getText(source)})`,
        at: node.operatorToken,
      })
  }
  const { parent } = node
  const decides =
    parent !== undefined &&
    ((ts.isIfStatement(parent) && parent.expression === node) ||
      (ts.isConditionalExpression(parent) && parent.condition === node))
  if (decides) change(node, `!(${text})`)
  if (ts.isNumericLiteral(node) && !isName(node)) change(node, `(${text} + 1)`)
  if (node.kind === ts.SyntaxKind.TrueKeyword) change(node, 'false')
  if (node.kind === ts.SyntaxKind.FalseKeyword) change(node, 'true')
  if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression) && !isInChain(node)) {
    const becomes = calls.get(node.expression.name.text)
    if (becomes !== undefined) change(node.expression.name, becomes)
  }
  return found
}

/**
 * A source file in which every decision asks `__m(number)` whether it is the one that is changed, and what each number stands for. Types, imports and words are left as they are.
 * @param first the number of the first change
 */
export function withSwitches(text: string, first = 0): { code: string; mutants: Mutant[] } {
  const source = ts.createSourceFile('source.ts', text, ts.ScriptTarget.Latest, true)
  const mutants: Mutant[] = []
  const render = (node: ts.Node): string => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node))
      return node.getText(source)
    const changes = changesOf(node, source)
    const number = first + mutants.length
    for (const { was, becomes, at } of changes)
      mutants.push({ was, becomes, line: source.getLineAndCharacterOfPosition(at.getStart(source)).line + 1 })
    const children: ts.Node[] = []
    ts.forEachChild(node, (child) => void children.push(child))
    let at = node.getStart(source)
    let out = ''
    for (const child of children.sort((a, b) => a.pos - b.pos)) {
      out += text.slice(at, child.getStart(source)) + render(child)
      at = child.getEnd()
    }
    out += text.slice(at, node.getEnd())
    if (changes.length > 0)
      out = `(${changes.map(({ whole }, index) => `__m(${number + index}) ? (${whole}) : `).join('')}(${out}))`
    // Without semicolons a bracket at the head of a line would call what stands before it.
    const alone = ts.isExpressionStatement(node) && (ts.isBlock(node.parent) || ts.isSourceFile(node.parent))
    return alone && out.startsWith('(') ? `;${out}` : out
  }
  return { code: render(source), mutants }
}
