import { withSwitches } from './mutants'

/** What an expression comes to with each of its changes in turn, and without any. */
function all(expression: string, scope: Record<string, unknown> = {}): unknown[] {
  const { code, mutants } = withSwitches(`const result = ${expression}`)
  const run = new Function('__m', ...Object.keys(scope), `${code}\nreturn result`) as (...given: unknown[]) => unknown
  const with_ = (active: number) => run((number: number) => number === active, ...Object.values(scope))
  return [-1, ...mutants.keys()].map(with_)
}

test('decisions are changed one at a time, words and types are not', () => {
  const [a, b, c, d] = [3, 2, 5, 4]
  expect(all('b < 3', { b: 3 })).toEqual([false, true, true])
  expect(all('a + b * c', { a, b, c })).toEqual([13, 3 - 10, 3 + 2 / 5])
  expect(all('a ? b : c', { a, b, c })).toEqual([2, 5])
  expect(all('Math.min(a, d)', { a, d })).toEqual([3, 4])
  expect(all('[1, 2].some((x) => x > 1)').slice(0, 1)).toEqual([true])
  expect(all('true')).toEqual([true, false])
  expect(all("'x < 3' + b", { b })).toEqual(['x < 32'])
  expect(all('`${b} < 3`', { b })).toEqual(['2 < 3'])
  expect(all('a ?? b', { a: null, b })).toEqual([2, null])
  expect(all('a ?? b ?? c', { a: null, b: null, c })).toEqual([5, null, 5])
  expect(all('a - b - c', { a, b, c })).toEqual([-4, 6, 0])
  expect(withSwitches("import a from 'b'\nlet c: 1 | 2").mutants).toEqual([])
})

test('a change says what it was, what it becomes and where', () => {
  const { mutants } = withSwitches('const a = 1\nif (a) f()', 7)
  expect(mutants).toEqual([
    { was: '1', becomes: '(1 + 1)', line: 1 },
    { was: 'a', becomes: '!(a)', line: 2 },
  ])
})

test('lines without semicolons stay apart, and a chain that may be empty stays whole', () => {
  const { code } = withSwitches('const a = b\na && f()\nconst d = e?.some(g).length')
  expect(code).toMatch(/const a = b\n;\(__m\(0\)/)
  expect(code).toContain('e?.some(g).length')
})
