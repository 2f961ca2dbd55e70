import { lookOf } from './looksLike'

test.each([
  ['Noor Haddad', 'Nоor Hаddad'],
  ['Noor Haddad', 'NOOR  haddad'],
  ['Noor Haddad', 'Noor\u200b Haddad'],
  ['Noor Haddad', '\u202eNoor Haddad'],
  ['Ilse Varga', 'llse Varga'],
  ['Ilse Varga', 'Ilse Varga\u00a0'],
  ['Amara Bello', 'Amara Bell0'],
  ['Anna-Maria', 'Anna‑Maria'],
  ['Tom Amt', 'Tom Arnt'],
  ['ＮＯＯＲ Haddad', 'Noor Haddad'],
])('%s and %s look the same', (one, other) => expect(lookOf(one)).toBe(lookOf(other)))

test.each([
  ['Jose Almeida', 'José Almeida'],
  ['Anna Berg', 'Anne Berg'],
  ['Ира Ковач', 'Ора Ковач'],
  ['O’Neill', 'ONeill'],
])('%s and %s do not', (one, other) => expect(lookOf(one)).not.toBe(lookOf(other)))
