import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

/** What must be on the machine, and the Debian packages that bring it. */
const needs = {
  database: { file: '/usr/sbin/mariadbd', packages: ['mariadb-server-core', 'mariadb-client-core'] },
  backup: { file: '/usr/bin/mariadb-dump', packages: ['mariadb-client'] },
  // Its scripts that bring a server up to date come with the package of the machine's own service, which must not start by itself.
  cluster: {
    file: '/usr/lib/galera/libgalera_smm.so',
    packages: ['galera-4', 'mariadb-server', 'mariadb-backup', 'lsof', 'socat', 'gawk', 'psmisc', 'rsync'],
  },
  clock: { file: '/usr/share/doc/libfaketime/copyright', packages: ['libfaketime'] },
  browser: { file: '/usr/bin/chromium-headless-shell', packages: ['chromium-headless-shell'] },
} as const

const policy = '/usr/sbin/policy-rc.d'

/**
 * Installs the Debian packages behind the named needs when they are missing. Uses root or
 * password-less sudo; without either it throws, naming exactly the packages to ask for.
 */
export function ensurePackages(...wanted: (keyof typeof needs)[]): void {
  const missing = wanted.filter((need) => !existsSync(needs[need].file)).flatMap((need) => [...needs[need].packages])
  if (missing.length === 0) return
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  if (sudo.length > 0 && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0) {
    throw new Error(
      `These Debian packages are missing and this account may not install them: ${missing.join(' ')}.\n` +
        `Ask for:  apt-get install --no-install-recommends ${missing.join(' ')}`,
    )
  }
  console.error(`mozle: installing ${missing.join(', ')}`)
  const apt = (...args: string[]) => {
    const [program, ...rest] = [...sudo, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', ...args]
    // Another installation on this machine may hold the package lock for a while.
    execFileSync(program!, [...rest, '-o', 'DPkg::Lock::Timeout=300'], { stdio: ['ignore', 'ignore', 'inherit'] })
  }
  const asRoot = (script: string) => spawnSync([...sudo, 'sh'][0]!, [...sudo, 'sh', '-c', script].slice(1), { stdio: 'ignore' })
  apt('update')
  const service = missing.includes('mariadb-server')
  // Debian asks this file whether a service may start after its installation; one that is there already stays as it is.
  const forbids = service && !existsSync(policy)
  if (forbids) asRoot(`printf '#!/bin/sh\\nexit 101\\n' > ${policy} && chmod 755 ${policy}`)
  try {
    apt('install', '-y', '--no-install-recommends', ...missing)
  } finally {
    if (forbids) asRoot(`rm -f ${policy}`)
    // Nor at the next start of the machine.
    if (service) asRoot('systemctl disable mariadb')
  }
}
