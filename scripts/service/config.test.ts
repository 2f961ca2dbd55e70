import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { ConfigError, readConfig } from './config'

const folder = mkdtempSync(path.join(tmpdir(), 'mozle-config-'))
afterAll(() => rmSync(folder, { recursive: true }))

const file = (text: string) => {
  const name = path.join(folder, `${Math.random()}.env`)
  writeFileSync(name, text)
  return name
}
const of = (text: string, environment: Record<string, string> = {}) => readConfig(['--config', file(text)], environment)
const problems = (text: string, environment: Record<string, string> = {}): readonly string[] => {
  try {
    of(text, environment)
  } catch (error) {
    if (error instanceof ConfigError) return error.problems
    throw error
  }
  return []
}

test('nothing said: the loopback, a port, a folder of its own, no backup by night', () => {
  expect(of('')).toMatchObject({
    address: '127.0.0.1',
    port: 4300,
    publicAddress: null,
    database: null,
    backup: { at: null, keep: 14 },
  })
})
test('the environment wins over the file', () => {
  expect(of('MOZLE_PORT=4400\nMOZLE_LOG=warn', { MOZLE_PORT: '4500' })).toMatchObject({ port: 4500, log: 'warn' })
})
test('an application beside others needs their database and their key, and no owner; it makes no backups', () => {
  const said = (text: string) => {
    try {
      return readConfig(['--config', file(text), '--app-only'], {})
    } catch (error) {
      return (error as ConfigError).problems
    }
  }
  expect(said('')).toEqual([
    'An application beside others needs MOZLE_DATABASE, the same as theirs.',
    'An application beside others needs MOZLE_COOKIE_KEY, the same as theirs.',
  ])
  const key = 'k'.repeat(40)
  const both = `MOZLE_DATABASE=mariadb://a:b@one,two/mozle\nMOZLE_COOKIE_KEY=${key}`
  expect(said(both)).toMatchObject({ appOnly: true, cookieKey: key, database: { url: 'mariadb://a:b@one,two/mozle' } })
  expect(said(`${both}\nMOZLE_BACKUP_AT=02:30`)).toEqual([expect.stringMatching(/MOZLE_BACKUP_AT is for the one service/)])
  expect(said(both.replace(key, 'short'))).toEqual([expect.stringMatching(/MOZLE_COOKIE_KEY has 40 to 200/)])
  expect(of('')).toMatchObject({ appOnly: false, cookieKey: null })
})
test.each([
  ['MOZLE_DATABASE=mariadb://a:b@/mozle\nMOZLE_DATABASE_OWNER=mariadb://a:b@db/mozle', /MOZLE_DATABASE cannot be read/],
  ['MOZLE_TLS_CERT=/etc/hosts', /MOZLE_TLS_CERT is set and MOZLE_TLS_KEY is not/],
  ['MOZLE_DATABASE=mariadb://a:b@db/mozle', /MOZLE_DATABASE is set and MOZLE_DATABASE_OWNER is not/],
  ['MOZLE_DATABASE_OWNER=mariadb://a:b@db/mozle', /MOZLE_DATABASE_OWNER is set and MOZLE_DATABASE is not/],
  ['MOZLE_SMTP=smtp://mail.example', /MOZLE_MAIL_FROM is not/],
  ['MOZLE_ADDRESS=0.0.0.0', /MOZLE_PUBLIC does not say/],
  ['MOZLE_PUBLIC=https://lab.example', /nobody speaks it/],
  ['MOZLE_PUBLIC=http://lab.example\nMOZLE_TLS_CERT=/etc/hosts\nMOZLE_TLS_KEY=/etc/hosts', /MOZLE_PUBLIC is not https/],
  ['MOZLE_PUBLIC=https://lab.example/mozle\nMOZLE_PROXY=127.0.0.1', /without a path/],
  ['MOZLE_TLS_CERT=/nowhere.pem\nMOZLE_TLS_KEY=/nowhere.key', /no file \/nowhere.pem/],
  ['MOZLE_PORT=99999', /less than or equal to 65535/],
  ['MOZLE_BACKUP_AT=26:00', /a time of day such as 02:30/],
  ['MOZLE_BACKUP_KEP=4', /MOZLE_BACKUP_KEP is no setting; is MOZLE_BACKUP_KEEP meant/],
  ['MOZLE_DATA=/srv/our lab', /MOZLE_DATA has a space/],
  ['COLOUR=red', /COLOUR is no setting\./],
])('half a configuration is refused with what is missing: %s', (text, words) => {
  expect(problems(text).join('\n')).toMatch(words)
})
test('everything that is wrong is said at once', () => {
  expect(problems('MOZLE_PORT=0\nMOZLE_LOG=loud')).toHaveLength(2)
})
test('a whole one is taken', () => {
  const whole = of(
    'MOZLE_PUBLIC=https://lab.example\nMOZLE_PROXY=127.0.0.1\nMOZLE_SMTP=smtps://a:b@mail.example\nMOZLE_MAIL_FROM=lab@college.example\nMOZLE_BACKUP_AT=02:30\nMOZLE_DATA=/srv/mozle',
  )
  expect(whole).toMatchObject({
    publicAddress: 'https://lab.example',
    backup: { at: '02:30', folder: '/srv/mozle/backups' },
    mail: { from: 'lab@college.example' },
  })
})
test('a file that is not there is no configuration', () => {
  expect(() => readConfig(['--config', '/nowhere.env'], {})).toThrow('no configuration /nowhere.env')
})

test('all that is wrong is told in one round: by itself, together, and names that are none', () => {
  const told = problems(
    'MOZLE_PORT=no\nMOZLE_BACKUP_AT=25:00\nMOZLE_SMTP=smtp://mail\nMOZLE_ADRESS=10.0.0.1\nMOZLE_TLS_CERT=/nowhere',
  )
  for (const words of [
    /MOZLE_PORT/,
    /MOZLE_BACKUP_AT/,
    /MOZLE_MAIL_FROM is not/,
    /MOZLE_ADRESS is no setting/,
    /MOZLE_TLS_KEY is not/,
    /no file \/nowhere/,
  ])
    expect(told).toContainEqual(expect.stringMatching(words))
})
