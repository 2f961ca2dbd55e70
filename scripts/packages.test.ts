/** What is said and done about missing Debian packages, with the machine played by stand-ins. */
import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { ensurePackages } from './packages'

jest.mock('node:child_process', () => ({ execFileSync: jest.fn(), spawnSync: jest.fn() }))
jest.mock('node:fs', () => ({ existsSync: jest.fn() }))

const machine = (state: { root: boolean; sudo: boolean; installed: string[] }) => {
  jest.spyOn(process, 'getuid').mockReturnValue(state.root ? 0 : 1000)
  jest.mocked(existsSync).mockImplementation((file) => state.installed.includes(String(file)))
  jest.mocked(spawnSync).mockReturnValue({ status: state.sudo ? 0 : 1 } as never)
  jest.mocked(execFileSync).mockClear()
  jest.mocked(spawnSync).mockClear()
}
const ran = () => jest.mocked(execFileSync).mock.calls.map(([program, args]) => [program, ...(args as string[])].join(' '))

beforeEach(() => jest.spyOn(console, 'error').mockImplementation(() => undefined))
afterEach(() => jest.restoreAllMocks())

test('nothing is installed when nothing is missing', () => {
  machine({ root: false, sudo: false, installed: ['/usr/sbin/mariadbd', '/usr/bin/chromium-headless-shell'] })
  ensurePackages('database', 'browser')
  expect(ran()).toEqual([])
})

test('as root the missing packages are installed, and only those', () => {
  machine({ root: true, sudo: false, installed: ['/usr/bin/chromium-headless-shell'] })
  ensurePackages('database', 'browser')
  expect(ran()).toHaveLength(2)
  expect(ran()[0]).toMatch(/^env DEBIAN_FRONTEND=noninteractive apt-get -qq update/)
  expect(ran()[1]).toMatch(
    /install -y --no-install-recommends mariadb-server-core mariadb-client-core -o DPkg::Lock::Timeout=300$/,
  )
})

test('with password-less sudo the same, through sudo', () => {
  machine({ root: false, sudo: true, installed: ['/usr/sbin/mariadbd'] })
  ensurePackages('browser')
  expect(ran()[1]).toMatch(/^sudo -n env DEBIAN_FRONTEND=noninteractive apt-get .*install .*chromium/)
})

test('without rights it says exactly which packages to ask for', () => {
  machine({ root: false, sudo: false, installed: [] })
  expect(() => ensurePackages('database')).toThrow(
    'Ask for:  apt-get install --no-install-recommends mariadb-server-core mariadb-client-core',
  )
  expect(() => ensurePackages('database', 'browser')).toThrow(/mariadb-server-core mariadb-client-core chromium/)
  expect(ran()).toEqual([])
})

test('the machine’s own database service is kept from starting while the cluster’s packages are installed, and at the next start', () => {
  machine({ root: true, sudo: false, installed: [] })
  ensurePackages('cluster')
  const asked = jest.mocked(spawnSync).mock.calls.map(([program, args]) => [program, ...(args as string[])].join(' '))
  expect(asked).toEqual([
    expect.stringMatching(/^sh -c printf .*exit 101.* > \/usr\/sbin\/policy-rc\.d && chmod 755/),
    'sh -c rm -f /usr/sbin/policy-rc.d',
    'sh -c systemctl disable mariadb',
  ])
  expect(ran()[1]).toContain('galera-4')
  // Where somebody has said already what may start, that stays.
  jest.mocked(spawnSync).mockClear()
  machine({ root: true, sudo: false, installed: ['/usr/sbin/policy-rc.d'] })
  ensurePackages('cluster')
  expect(jest.mocked(spawnSync).mock.calls.map(([, args]) => (args as string[])[1])).toEqual(['systemctl disable mariadb'])
})
