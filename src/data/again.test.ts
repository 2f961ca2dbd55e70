import {
  AccessDeniedError,
  ConnectionAcquireTimeoutError,
  ConnectionRefusedError,
  DatabaseError,
  UniqueConstraintError,
  ValidationErrorItem,
} from 'sequelize'
import { troubleOf, untilDone } from './again'

const said = (more: { errno?: number; fatal?: boolean }) =>
  new DatabaseError(Object.assign(new Error('no'), { sql: '', ...more }) as never)

test.each([
  ['a deadlock, or another server’s change that was first', said({ errno: 1213 }), 'conflict'],
  ['a lock that was not given', said({ errno: 1205 }), 'conflict'],
  ['a server that left its cluster', said({ errno: 1047 }), 'lost'],
  ['a server that is shutting down', said({ errno: 1053 }), 'lost'],
  ['a connection that broke', said({ fatal: true }), 'lost'],
  ['nobody there', new ConnectionRefusedError(new Error('no')), 'lost'],
  ['a wrong password', new AccessDeniedError(new Error('no')), null],
  ['no connection free', new ConnectionAcquireTimeoutError(new Error('no')), null],
  ['a key that stands already', new UniqueConstraintError({ errors: [] as ValidationErrorItem[] }), null],
  ['a right that is not there', said({ errno: 1142 }), null],
  ['words', new Error('no'), null],
] as const)('%s', (_what, error, trouble) => {
  expect(troubleOf(error)).toBe(trouble)
})

/** Something that fails so often before it is done. */
const failing = (times: number, error: Error) => {
  let tries = 0
  return { work: () => (tries++ < times ? Promise.reject(error) : Promise.resolve('done')), tried: () => tries }
}

test('a conflict is tried again, with or without leave to repeat, but not for ever', async () => {
  const few = failing(5, said({ errno: 1213 }))
  expect(await untilDone(few.work, false, 0)).toBe('done')
  expect(few.tried()).toBe(6)
  jest.spyOn(global, 'setTimeout').mockImplementation(((run: () => void) => void run()) as never)
  const many = failing(Infinity, said({ errno: 1213 }))
  await expect(untilDone(many.work, true, 0)).rejects.toThrow('no')
  expect(many.tried()).toBe(41)
  jest.restoreAllMocks()
})

test('what was lost is asked again only where it may be, and only while it is waited for', async () => {
  const lost = failing(1, said({ fatal: true }))
  await expect(untilDone(lost.work, false, 10_000)).rejects.toThrow('no')
  expect(lost.tried()).toBe(1)
  const back = failing(2, said({ fatal: true }))
  expect(await untilDone(back.work, true, 10_000)).toBe('done')
  const never = failing(Infinity, said({ fatal: true }))
  await expect(untilDone(never.work, true, 60)).rejects.toThrow('no')
  expect(never.tried()).toBeGreaterThan(1)
  const alone = failing(1, said({ fatal: true }))
  await expect(untilDone(alone.work, true, 0)).rejects.toThrow('no')
})

test('what another try does not mend is not tried again', async () => {
  const wrong = failing(1, new Error('no'))
  await expect(untilDone(wrong.work, true, 10_000)).rejects.toThrow('no')
  expect(wrong.tried()).toBe(1)
})
