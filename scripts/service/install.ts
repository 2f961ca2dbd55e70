import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import type { Outcome } from '../outcome'
import { build } from '../build'
import { home, workFolder } from '../home'
import { ensurePackages } from '../packages'
import { installedConfig } from './config'

const here = path.join(home, 'scripts/service')
const dataFolder = '/var/lib/mozle'
const unitFile = '/etc/systemd/system/mozle.service'

/** The unit with which systemd runs this folder. */
export const unitOf = (folder: string, data = dataFolder): string =>
  readFileSync(path.join(here, 'mozle.service'), 'utf8').replaceAll('@HOME@', folder).replaceAll('@DATA@', data)

/** Writes the configuration, where there is none, and the unit. @param root a folder in the place of `/`, to look at what would be written */
export function writeFiles(root: string, folder = home): string[] {
  const put = (file: string, text: string, mode: number) => {
    const place = path.join(root, file)
    mkdirSync(path.dirname(place), { recursive: true })
    writeFileSync(place, text, { mode })
    return place
  }
  const written = [put(unitFile, unitOf(folder), 0o644)]
  // It holds passwords.
  if (!existsSync(path.join(root, installedConfig)))
    written.push(put(installedConfig, readFileSync(path.join(here, 'mozle.env'), 'utf8'), 0o640))
  return written
}

/** `mozle install`: sets the service up on Debian: packages, a user of its own, the built application, configuration and unit. */
export async function install(args: readonly string[]): Promise<Outcome> {
  const at = args.indexOf('--root')
  if (at >= 0) {
    const root = args[at + 1]
    if (root === undefined) return { code: 2, out: '', err: '--root names a folder.\n' }
    return { code: 0, out: `${writeFiles(root).join('\n')}\n`, err: '' }
  }
  if (process.getuid?.() !== 0) return { code: 1, out: '', err: 'Setting a service up needs root: sudo ./mozle install\n' }
  if (/^\/(root|home|tmp)\//.test(`${home}/`))
    return {
      code: 1,
      out: '',
      err: `Mozle lies in ${home}, where its own user cannot or should not read. Put it into /opt/mozle, and call this there.\n`,
    }
  if (/\s/.test(home))
    return { code: 1, out: '', err: `${home} has a space in it, which systemd takes for two words. Put Mozle into /opt/mozle.\n` }
  ensurePackages('database', 'backup')
  if (spawnSync('id', ['mozle'], { stdio: 'ignore' }).status !== 0)
    execFileSync('useradd', ['--system', '--home-dir', dataFolder, '--shell', '/usr/sbin/nologin', 'mozle'])
  await build('service')
  mkdirSync(dataFolder, { recursive: true })
  const written = writeFiles('/')
  execFileSync('chown', ['mozle:mozle', dataFolder])
  execFileSync('chmod', ['700', dataFolder])
  execFileSync('chown', ['root:mozle', installedConfig])
  execFileSync('chown', ['-R', 'mozle:mozle', workFolder()])
  const systemd = spawnSync('systemctl', ['daemon-reload'], { stdio: 'ignore' }).status === 0
  return {
    code: 0,
    out: [
      ...written.map((file) => `wrote ${file}`),
      '',
      `1. Look through ${installedConfig}: the public address, and a proxy or a certificate.`,
      '2. ./mozle doctor says what is still wrong.',
      systemd ? '3. systemctl enable --now mozle' : '3. There is no systemd here: ./mozle start, as the user mozle.',
      '4. The address with which the college begins stands in its journal: journalctl -u mozle',
      '',
    ].join('\n'),
    err: '',
  }
}
