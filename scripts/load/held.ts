import { createHash } from 'node:crypto'
import { readdirSync, rmSync } from 'node:fs'
import path from 'node:path'
import { ulid } from 'ulid'
import { writeJcamp } from '@/core/traces/writeJcamp'
import { chained } from '@/data/chain'
import { connectTo } from '@/data/connect'
import { rowOf } from '@/data/entries'
import { migrate } from '@/data/migrate'
import { Beside, EntryRow, InstrumentFile, LabSession, Run, StudentGroup } from '@/data/models'
import { setAside } from '@/data/beside'
import type { College } from '@/demo/college'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { secretsOf, startDatabase } from '../database'
import { freePort } from '../freePort'
import { home, workFolder } from '../home'
import { clearLeftOver } from '../leftOver'
import { seed } from '../seed'
import { serve } from '../serve'
import { longPlan } from '../bench/longPlan'
import { post, signIn } from './room'
import { share } from './round'

/** For how long the loop may be held at the 99th percentile, ms: by what once stopped the application, and by the pages of a class as large as any. Twice to four times what a quiet machine with two cores shows. */
const mostMs = { attack: 120, page: 300 }

/** How large the largest class is that is asked about, and how much it has written. */
const size = { benches: 60, entries: 150, pictures: 6, files: 400, points: 4000, plan: { lines: 15, steps: 40 } }

interface Asked {
  kind: keyof typeof mostMs
  what: string
  status: number
  ms: number
  heldMs: number
}

/**
 * `mozle load held`: asks a built application for every page and every route that is read, over a class as large as any, and for the attacks that once stopped it, and says for how long each held the loop of the process, in which nobody else is served.
 * @returns what was not reached, in words
 */
export async function held(): Promise<string[]> {
  stopAllOnSignals()
  await clearLeftOver('held')
  const folder = workFolder(`held-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  try {
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('test')])
    const migrating = connectTo(db.ownerUrl)
    await migrate(migrating)
    await migrating.close()
    const made = await seed(db.ownerUrl)
    const owner = connectTo(db.ownerUrl)
    const ids = await largeClass(made)
    await owner.close()
    const metrics = await freePort()
    const { address } = await serve({
      folder: built,
      dbUrl: db.appUrl,
      cookieKey: secretsOf(folder).cookie,
      log: path.join(workFolder(), 'held-app.log'),
      record: path.join(folder, 'app.process'),
      env: { MOZLE_METRICS_PORT: String(metrics), MOZLE_LOG: 'warn' },
    })
    const cookie = await signIn(address, made.people[0]!)
    const session = await bench(address, made)
    const all: Asked[] = []
    const ask = async (kind: Asked['kind'], what: string, work: () => Promise<Response>): Promise<Asked> => {
      await heldSince(metrics)
      const began = performance.now()
      const answer = await work()
      await answer.arrayBuffer()
      const ms = performance.now() - began
      return { kind, what, status: answer.status, ms, heldMs: await heldSince(metrics) }
    }
    const read = (where: string, as = cookie) =>
      ask('page', where, () => fetch(`${address}${where}`, { headers: { cookie: as } }))
    const paths = pathsOf(ids)
    // Each page is loaded when it is first asked for; what is measured is the second time, and the third.
    for (const where of paths) await read(where)
    for (let turn = 0; turn < 2; turn++) for (const where of paths) all.push(await read(where))
    all.push(await read('/bench', session.cookie), ...(await attacks(address, made, cookie, session, ask)))
    return told(all)
  } finally {
    await stopAll()
  }
}

function told(all: readonly Asked[]): string[] {
  const worst = all.toSorted((a, b) => b.heldMs - a.heldMs)
  for (const { what, status, ms, heldMs } of worst.slice(0, 25))
    console.log(`${heldMs.toFixed(0).padStart(6)} ms held, ${ms.toFixed(0).padStart(6)} ms in all, ${status}  ${what}`)
  const over = (['attack', 'page'] as const).flatMap((kind) => {
    const own = all.filter((each) => each.kind === kind).map(({ heldMs }) => heldMs)
    const p99 = share(own, 0.99)
    console.log(
      `${own.length} requests of the kind “${kind}”: ${p99.toFixed(0)} ms held at the 99th percentile, ${share(own, 0.5).toFixed(0)} ms in the middle`,
    )
    return p99 > mostMs[kind] ? [`${p99.toFixed(0)} ms held by a request of the kind “${kind}” are over ${mostMs[kind]} ms`] : []
  })
  const failed = all.filter(({ status }) => status >= 500 && status !== 503)
  return [...over, ...failed.map(({ what, status }) => `${what} answered ${status}`)]
}

/** The longest hold since this was asked before, ms, as the figures for monitoring say it. */
async function heldSince(port: number): Promise<number> {
  const text = await (await fetch(`http://127.0.0.1:${port}/`)).text()
  return 1000 * Number(/^mozle_loop_held_most_seconds (\S+)$/m.exec(text)?.[1])
}

/** The id that stands in each place of a path. */
type Ids = Record<string, string>

/** A finished session with as many groups, entries, pictures and files as any has. */
async function largeClass(made: College): Promise<Ids> {
  const template = made.sessions[0]!
  const entries = template.runs[0]!.entries
  const session = ulid()
  const section = made.sections[0]!
  await LabSession.create({
    id: session,
    section: section.id,
    revision: made.preparations[0]!.revision,
    startsAt: template.startsAt,
    endsAt: template.endsAt,
    room: 'all',
  })
  const picture = `data:image/jpeg;base64,${'A'.repeat(60_000)}`
  let run = ''
  for (let bench = 1; bench <= size.benches; bench++) {
    const group = ulid()
    run = ulid()
    await StudentGroup.create({ id: group, section: section.id, bench: 100 + bench, members: 'One, Two' })
    const seen = Array.from({ length: Math.max(0, size.entries - entries.length) }, (_, index) => ({
      ...entries[1]!,
      kind: 'observation' as const,
      body: { text: `seen ${index}`, ...(index < size.pictures ? { picture } : {}) },
      supersedes: null,
      reason: null,
    }))
    const again = new Map(entries.map(({ id }) => [id, ulid()]))
    const mine = [
      ...entries.map((entry) => ({ ...JSON.parse(renamed(JSON.stringify(entry), again)) })),
      ...seen.map((each) => ({ ...each, id: ulid() })),
    ]
    await Run.create({
      id: run,
      session,
      studentGroup: group,
      bench,
      members: 'One, Two',
      scale: 1,
      code: `H${20_000 + bench}`,
      lastSeq: mine.length,
    })
    const parted = mine.map((entry) => setAside(entry))
    await EntryRow.bulkCreate(chained(parted.map(({ entry }, index) => rowOf(run, entry, index + 1, new Date(entry.at)))))
    await Beside.bulkCreate(parted.flatMap(({ beside }) => beside))
  }
  const files = Array.from({ length: size.files }, (_, index) => fileNamed(index, session))
  for (let at = 0; at < files.length; at += 20) await InstrumentFile.bulkCreate(files.slice(at, at + 20))
  return {
    session,
    run,
    id: '',
    sessions: session,
    runs: run,
    courses: made.course.id,
    sections: section.id,
    preparations: made.preparations[0]!.id,
    desk: made.preparations[0]!.id,
    revisions: made.preparations[0]!.revision,
    files: files[0]!.id,
    bottles: made.bottles[0]!.id,
  }
}

const renamed = (text: string, names: ReadonlyMap<string, string>): string =>
  text.replace(/[0-9A-Z]{26}/g, (id) => names.get(id) ?? id)

function fileNamed(index: number, session: string) {
  const x = Array.from({ length: size.points }, (_, point) => 400 + point)
  const content = writeJcamp({
    ...{ kind: 'infrared', title: `sample ${index}`, xUnit: '1/CM', yUnit: 'TRANSMITTANCE', peaksOnly: false, simulated: true },
    x,
    y: x.map((value) => 50 + 40 * Math.sin(value / 100 + index)),
  })
  return {
    id: ulid(),
    session,
    name: `sample ${index}.jdx`,
    slot: '',
    content,
    digest: createHash('sha256').update(content).digest('hex'),
    addedAt: new Date(),
    addedBy: null,
    ...{ kind: 'infrared', title: `sample ${index}`, simulated: true },
  }
}

/** Every page and every route that is read, by the files that make them; streams, what is opened once by a secret, and what leaves are left out. */
function pathsOf(ids: Ids): string[] {
  return readdirSync(path.join(home, 'src/app'), { recursive: true, encoding: 'utf8' })
    .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file))
    .filter((file) => !/\[token\]|\/live\/|sign-|\/drawing\//.test(file))
    .flatMap((file) => {
      const parts = file.split('/').slice(0, -1)
      const found = parts.map((part, index) => {
        if (!part.startsWith('[')) return part
        const name = part.slice(1, -1)
        return ids[name] || ids[parts[index - 1]!] || ''
      })
      return found.includes('') ? [] : [`/${found.join('/')}`]
    })
}

interface Bench {
  run: string
  cookie: string
}

async function bench(address: string, made: College): Promise<Bench> {
  const { id, code } = made.sessions[1]!.runs[0]!
  const answer = await post(address, '/api/bench', { code })
  return {
    run: id,
    cookie: answer.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; '),
  }
}

type Ask = (kind: Asked['kind'], what: string, work: () => Promise<Response>) => Promise<Asked>

/** What once ended or stopped the application, each several times. */
async function attacks(address: string, made: College, cookie: string, session: Bench, ask: Ask): Promise<Asked[]> {
  const all: Asked[] = []
  const bomb =
    '##TITLE=x\n##DATA TYPE=INFRARED SPECTRUM\n##XUNITS=1/CM\n##YUNITS=ABSORBANCE\n##XFACTOR=1\n##YFACTOR=1\n##FIRSTX=1\n##LASTX=9\n##DELTAX=1\n##NPOINTS=9\n##XYDATA=(X++(Y..Y))\n1A1s99999999\n##END=\n'
  const slow = `##TITLE=x\n##DATA TYPE=INFRARED SPECTRUM\n##XUNITS=1/CM\n##PEAK TABLE=(XY..XY)\n${' '.repeat(1_800_000)}\n##END=\n`
  const files = `/api/sessions/${made.sessions[0]!.id}/files`
  const plan = JSON.stringify(longPlan(size.plan.lines, size.plan.steps))
  const picture = `data:image/jpeg;base64,${'A'.repeat(70_000)}`
  const now = Date.now()
  for (let turn = 0; turn < 3; turn++) {
    all.push(
      await ask('attack', 'a file that unpacks to more than there is', () =>
        post(address, files, { name: `a${turn}.jdx`, content: bomb }, cookie),
      ),
    )
    all.push(
      await ask('attack', 'a file that is slow to read', () =>
        post(address, files, { name: `b${turn}.jdx`, content: `${slow}${turn}` }, cookie),
      ),
    )
    all.push(
      await ask('attack', 'a plan of 40 steps from a file', () =>
        post(
          address,
          `/api/courses/${made.course.id}/preparations`,
          { file: plan.replace('"title":"', `"title":"${turn}`) },
          cookie,
        ),
      ),
    )
    all.push(
      await ask('attack', 'a body of 1.9 MB', () =>
        post(address, `/api/courses/${made.course.id}/preparations`, { file: 'x'.repeat(1_900_000) }, cookie),
      ),
    )
    all.push(
      await ask('attack', '24 pictures of other moments', () =>
        post(
          address,
          `/api/runs/${session.run}/entries`,
          {
            entries: Array.from({ length: 24 }, (_, index) => ({
              ...{ id: ulid(), kind: 'observation', step: 'cool', at: new Date(now - index * 3_600_000).toISOString() },
              ...{ by: '', device: 't', supersedes: null, reason: null, body: { text: '', picture } },
            })),
          },
          session.cookie,
        ),
      ),
    )
    all.push(
      await ask('attack', 'ten passwords at once', async () => {
        const answers = await Promise.all(
          Array.from({ length: 10 }, (_, index) =>
            post(address, '/api/sign-in', { signIn: `nobody${turn}${index}`, password: 'a guess at it' }),
          ),
        )
        return answers[0]!
      }),
    )
  }
  return all
}
