import { plainError, plainPath } from './log'

test.each([
  ['/api/runs/01J/entries?since=3', '/api/runs/01J/entries'],
  ['/invitation/abcdef', '/invitation/…'],
  ['/first/abcdef?x', '/first/…'],
  ['/api/invitations/abcdef/mail', '/api/invitations/…/mail'],
  ['/api/first/abcdef', '/api/first/…'],
  [undefined, ''],
])('%s is logged as %s', (url, path) => expect(plainPath(url)).toBe(path))

test('a database error is logged without its statement and values', () => {
  const error = Object.assign(new Error("Duplicate entry 'Mia Castellan' for key 'name'"), {
    name: 'SequelizeUniqueConstraintError',
    original: { code: 'ER_DUP_ENTRY' },
    sql: "INSERT INTO student VALUES ('Mia Castellan')",
  })
  const plain = plainError(error)
  expect(plain).toMatchObject({ what: 'SequelizeUniqueConstraintError', message: 'the database said ER_DUP_ENTRY' })
  expect(JSON.stringify(plain)).not.toContain('Castellan')
})
test('any other error keeps its message and says where', () => {
  const plain = plainError(new Error('no such folder'))
  expect(plain.message).toBe('no such folder')
  expect(plain.stack).toMatch(/^\s+at /)
  expect(plainError('text')).toEqual({ what: 'unknown', message: 'string', stack: '' })
})
