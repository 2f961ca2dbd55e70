import { mutantsOf, mutated } from './mutate'

const all = (text: string) => mutantsOf(text).map((mutant) => mutated(text, mutant))

test('decisions are changed one at a time, words and types are not', () => {
  expect(all('const a = b < 3')).toEqual(['const a = b <= 3', 'const a = b < (3 + 1)'])
  expect(all('const a = b + c * d')).toEqual(['const a = b - c * d', 'const a = b + c / d'])
  expect(all('if (a) f()')).toEqual(['if (!(a)) f()'])
  expect(all('f(a ? x : y)')).toEqual(['f(!(a) ? x : y)'])
  expect(all('Math.min(a, b)')).toEqual(['Math.max(a, b)'])
  expect(all('const a = true')).toEqual(['const a = false'])
  expect(all("const a = 'x < 3' + b")).toEqual([])
  expect(all('const a = `${b} < 3`')).toEqual([])
  expect(all('let a: 1 | 2')).toEqual([])
  expect(all("import a from 'b'")).toEqual([])
})
