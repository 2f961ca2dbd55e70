import { safePath } from './safePath'

test.each([
  ['/class/x/results?a=1#b', '/class/x/results?a=1#b'],
  [undefined, '/'],
  ['', '/'],
  ['//elsewhere.example', '/'],
  ['/\t/elsewhere.example', '/'],
  ['/\n/elsewhere.example', '/'],
  ['/\\elsewhere.example', '/'],
  ['\\\\elsewhere.example', '/'],
  ['https://elsewhere.example', '/'],
  ['javascript:alert(1)', '/'],
  ['/..//elsewhere.example', '/'],
  ['/a/../..//elsewhere.example', '/'],
])('%j leads to %s', (to, path) => expect(safePath(to)).toBe(path))
