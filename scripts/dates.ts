import { spawn } from 'node:child_process'
import path from 'node:path'
import { home } from './home'
import { ensurePackages } from './packages'

interface Moment {
  /** As a clock of the zone shows it. */
  at: string
  zone: string
  why: string
}

const times = ['00:05:00', '12:00:00', '23:50:00']
const zones = ['Europe/Berlin', 'America/New_York', 'Pacific/Auckland']
const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

const allDay = (day: string, zone: string, why: string): Moment[] => times.map((time) => ({ at: `${day} ${time}`, zone, why }))

/** Both days on which the clocks of a zone change (IANA time zone database, 2026 and 2027). */
const changes: [string, string][] = [
  ['Europe/Berlin', '2027-03-28'],
  ['Europe/Berlin', '2026-10-25'],
  ['America/New_York', '2027-03-14'],
  ['America/New_York', '2026-11-01'],
  ['Pacific/Auckland', '2026-09-27'],
  ['Pacific/Auckland', '2027-04-04'],
]

/** Days on which a test that looks at the calendar may fail: each weekday, ends of months and years, a leap day, both changes of the clocks. */
export const moments: Moment[] = [
  ...weekdays.flatMap((name, index) => allDay(`2026-12-${String(7 + index).padStart(2, '0')}`, zones[index % 3]!, name)),
  ...allDay('2026-11-30', 'America/New_York', 'end of a month'),
  ...allDay('2026-12-31', 'Pacific/Auckland', 'end of a year'),
  ...allDay('2027-01-01', 'Europe/Berlin', 'begin of a year'),
  ...allDay('2028-02-29', 'America/New_York', 'leap day'),
  ...changes.flatMap(([zone, day]) => allDay(day, zone, 'the clocks change')),
]

const fakeClock = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1'.replace(
  'x86_64',
  process.arch === 'arm64' ? 'aarch64' : 'x86_64',
)

/** `mozle test dates [PART] [N]`: a part of the tests at each of the moments above, or at each Nth of them, by a clock that is set. Ends with the result of each. */
export async function dates(part = 'database', every = 1): Promise<void> {
  ensurePackages('clock')
  const results: [Moment, string, boolean][] = []
  for (const moment of moments.filter((_, index) => index % every === 0)) {
    console.log(`\n${moment.at} ${moment.zone}, ${moment.why}`)
    const [last, ok] = await at(moment, part)
    results.push([moment, last, ok])
    console.log(last)
  }
  console.log('')
  for (const [{ at, zone, why }, last] of results) console.log(`${at}  ${zone.padEnd(17)} ${why.padEnd(18)} ${last}`)
  const passed = results.filter(([, , ok]) => ok).length
  console.log(`${passed} passed, ${results.length - passed} failed`)
  process.exitCode = passed === results.length && passed > 0 ? 0 : 1
}

/** @returns the last line of the run, and whether it passed; what failed is printed. */
function at({ at, zone }: Moment, part: string): Promise<[string, boolean]> {
  return new Promise((resolve, reject) => {
    const child = spawn(path.join(home, 'mozle'), ['test', part], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        TZ: zone,
        LD_PRELOAD: fakeClock,
        FAKETIME: `@${at}`,
        // How long something takes is measured as it is; so are the times of files, which are compared with each other.
        FAKETIME_DONT_FAKE_MONOTONIC: '1',
        NO_FAKE_STAT: '1',
      },
    })
    let words = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data: Buffer) => (words += data.toString()))
    child.once('error', reject)
    child.once('exit', (code) => {
      if (code !== 0) console.log(words)
      resolve([words.trimEnd().split('\n').at(-1) ?? '', code === 0])
    })
  })
}
