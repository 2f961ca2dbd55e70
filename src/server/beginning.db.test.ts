/** How a college begins: one link, once. */
import type { Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import { plainWords } from '@/core/words/say'
import { database } from '@/data/connect'
import { CollegeRow, Deed, User } from '@/data/models'
import { wordsFrom } from './collegeWords'
import { begin, makeLink, openInvitation } from './invitations'
import { passwordFits } from './password'

const now = new Date('2026-11-23T15:00:00Z')
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  database()
})
afterAll(async () => {
  await tables.close()
  await database().close()
})

const wanted = {
  college: 'Quillmere College',
  zone: 'UTC',
  words: { ...plainWords, sulfur: 'sulphur' as const },
  name: 'Ilse Varga',
  signIn: 'Varga',
  password: 'a bench book owner',
}

test('one link, once, makes the college and its first person', async () => {
  const token = (await makeLink(null, null, now))!
  expect((await openInvitation(token, now))!.person).toBeNull()
  expect(await refused(begin('another', wanted, 'here', now))).toContain('404')
  const { user } = await begin(token, wanted, 'here', now)
  const first = (await User.findByPk(user))!
  expect([first.signIn, first.administrator]).toEqual(['varga', true])
  expect(await passwordFits(first.passwordHash, wanted.password, true)).toBe(true)
  const here = (await CollegeRow.findOne())!
  expect([here.title, wordsFrom(here.words).sulfur]).toEqual(['Quillmere College', 'sulphur'])
  expect(wordsFrom('nonsense')).toEqual(plainWords)
  expect(wordsFrom('{"volume":"pints"}')).toEqual(plainWords)
  expect(await refused(begin(token, wanted, 'here', now))).toContain('404')
  const again = await makeLink(null, null, now)
  expect(await refused(begin(again, wanted, 'here', now))).toContain('begun already')
  expect((await Deed.findAll()).map(({ what, person }) => [what, person])).toEqual([['began the college', user]])
  await expect(
    CollegeRow.create({ id: '01J00000000000000000000001', title: 'x', zone: 'UTC', keepNamesMonths: 0 }),
  ).rejects.toThrow()
})
