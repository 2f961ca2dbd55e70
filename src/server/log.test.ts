import { randomBytes } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { plainError, plainPath } from './log'

test.each([
  ['/api/runs/01JB0000000000000000000009/entries?since=3', '/api/runs/01JB0000000000000000000009/entries'],
  ['/api/sessions/01JB0000000000000000000009/archive.zip', '/api/sessions/01JB0000000000000000000009/archive.zip'],
  ['//invitation///abCdef9', '/invitation/…'],
  ['/\\invitation\\abCdef9', '/invitation/…'],
  ['/bench/K7QM2P', '/bench/…'],
  ['/invitation%2Fabc', '/…'],
  ['/invitation/abCdef9', '/invitation/…'],
  ['/first/abcdef9?x', '/first/…'],
  ['/api/invitations/abcdef9/mail', '/api/invitations/…/mail'],
  ['/api/first/abcdef9', '/api/first/…'],
  [undefined, ''],
])('%s is logged as %s', (url, path) => expect(plainPath(url)).toBe(path))

/** Every route and page whose address holds a secret. */
const secretRoutes = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\[token\].*(route|page)\.tsx?$/.test(file))
  .map((file) => `/${file.replace(/\/(route|page)\.tsx?$/, '')}`)

test('no secret of any route reaches the journal, however its address is written', () => {
  expect(secretRoutes.length).toBeGreaterThan(4)
  for (const route of secretRoutes)
    for (let turn = 0; turn < 50; turn++) {
      const secret = randomBytes(24).toString('base64url')
      const path = route.replace('[token]', secret)
      const ways = [
        path,
        path.replaceAll('/', '//'),
        `/${path}`,
        `${path}/`,
        `${path}?a=${secret}`,
        path.replace('/api', '/api/.'),
      ]
      for (const way of [...ways, path.toUpperCase(), encodeURI(`/%2e${path}`), path.replace(secret, `${secret}%0a`)])
        expect(plainPath(way).toLowerCase()).not.toContain(secret.slice(0, 8).toLowerCase())
    }
})

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
