/** The link of an invitation goes out by mail, against a mail server that is played here. */
import { createServer, type Server, type Socket } from 'node:net'
import type { AddressInfo } from 'node:net'
import type { Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import { database } from '@/data/connect'
import { User } from '@/data/models'
import { makeLink } from './invitations'
import { hasMail, mailLink } from './mail'

let tables: Sequelize
let server: Server
const letters: string[] = []
let refuses = false

/** As much of a mail server as a letter needs (RFC 5321). */
function answer(socket: Socket): void {
  let inLetter = false
  let rest = ''
  const say = (line: string) => socket.write(`${line}\r\n`)
  say('220 played ESMTP')
  socket.on('data', (chunk) => {
    rest += chunk.toString()
    for (let end = rest.indexOf('\r\n'); end >= 0; end = rest.indexOf('\r\n')) {
      const line = rest.slice(0, end)
      rest = rest.slice(end + 2)
      if (inLetter) {
        if (line === '.') {
          inLetter = false
          say('250 taken')
        } else letters[letters.length - 1] += `${line}\n`
      } else if (/^RCPT/.test(line)) say(refuses ? '550 no such mailbox' : '250 ok')
      else if (line === 'DATA') {
        letters.push('')
        inLetter = true
        say('354 go on')
      } else if (line === 'QUIT') socket.end('221 bye\r\n')
      else say('250 ok')
    }
  })
}

beforeAll(async () => {
  tables = await emptyDatabase()
  database()
  server = createServer(answer)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
})
afterAll(async () => {
  delete process.env.MOZLE_SMTP
  delete process.env.MOZLE_MAIL_FROM
  await tables.close()
  await database().close()
  await new Promise((resolve) => server.close(resolve))
})

test('with a mail server the link is sent; without one, for a link that has ended, or where the server refuses, it is said', async () => {
  const user = await User.create({ id: '01J00000000000000000000001', signIn: 'lind', name: 'Ruta Lind', passwordHash: '' })
  const token = await makeLink(user.id, null)
  const by = { origin: 'https://lab.college.example', by: user.id }
  expect(hasMail()).toBe(false)
  expect(await refused(mailLink(token, 'lind@college.example', by))).toContain('400 No mail server')
  process.env.MOZLE_SMTP = `smtp://127.0.0.1:${(server.address() as AddressInfo).port}`
  process.env.MOZLE_MAIL_FROM = 'mozle@college.example'
  expect(hasMail()).toBe(true)
  await mailLink(token, 'lind@college.example', by)
  expect(letters).toHaveLength(1)
  // A long line is broken with "=" (quoted-printable).
  const text = letters[0]!.replace(/=\n/g, '')
  expect(text).toContain('To: lind@college.example')
  expect(text).toContain(`https://lab.college.example/invitation/${token}`)
  expect(text).toContain('you sign in as lind')
  expect(await refused(mailLink('another', 'lind@college.example', by))).toContain('404')
  refuses = true
  expect(await refused(mailLink(token, 'nobody@college.example', by))).toMatch(/409 The mail server did not take it .*550/)
})
