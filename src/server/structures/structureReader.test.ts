/** Structures are read in a process of its own, which is started here as the application starts it. */
import { slower } from '@/test-support/slower'
import { execFileSync } from 'node:child_process'
import { drawingOf, molfileOf, understandStructure } from './structureReader'

jest.setTimeout(60_000)

const refused = (text: string) =>
  understandStructure(text).then(
    () => 'taken',
    (error: Error) => error.message,
  )

test('a structure is read, drawn once however often it is asked for, and written', async () => {
  expect(await understandStructure('CC(=O)Nc1ccccc1')).toEqual({
    formula: 'C8H9NO',
    smiles: 'CC(Nc1ccccc1)=O',
    groups: [],
    classes: [],
    same: 'acetanilide',
  })
  const [one, two] = [drawingOf('CCO'), drawingOf('CCO')]
  expect(one).toBe(two)
  expect(await one).toMatch(/^<svg[^>]*>/)
  expect(await molfileOf('CCO')).toMatch(/M {2}END$/)
})

test('more atoms than a teaching laboratory has are refused before they are read', async () => {
  const started = performance.now()
  expect(await refused('C'.repeat(3000))).toMatch(/up to 250 atoms/)
  expect(await refused('C'.repeat(251))).toMatch(/up to 250 atoms/)
  expect(await understandStructure('C'.repeat(250))).toMatchObject({ formula: 'C250H502' })
  expect(await refused('\n\n\n999999  0  0  0  0  0  0  0  0  0999 V2000\nM  END\n')).toMatch(/up to 250 atoms/)
  expect(
    await refused(
      '\n\n\n  0  0  0     0  0            999 V3000\nM  V30 BEGIN CTAB\nM  V30 COUNTS 90000000 90000000 0 0 0\nM  V30 END CTAB\nM  END\n',
    ),
  ).toMatch(/up to 250 atoms/)
  expect(await drawingOf('C'.repeat(3000))).toBeNull()
  expect(performance.now() - started).toBeLessThan(10_000 * slower())
})

test('a process that dies takes only the structure that it had with it', async () => {
  await understandStructure('CCO')
  const pids = execFileSync('ps', ['-o', 'pid=,args=', '--ppid', String(process.pid)], { encoding: 'utf8' })
  const pid = Number(/(\d+) .*drawingProcess/.exec(pids)![1])
  process.kill(pid, 'SIGKILL')
  await new Promise((resolve) => setTimeout(resolve, 200))
  expect(await understandStructure('CCN')).toMatchObject({ groups: ['amine'] })
})

test('every drawing has the same bond length', async () => {
  for (const smiles of ['CC', 'CCCCO', 'OC(=O)C(O)(c1ccccc1)c1ccccc1']) {
    const lines = (await drawingOf(smiles))!.matchAll(/<line x1="([\d.]+)" y1="([\d.]+)" x2="([\d.]+)" y2="([\d.]+)"/g)
    const lengths = [...lines].map(([, ...ends]) => {
      const [x1, y1, x2, y2] = ends.map(Number) as [number, number, number, number]
      return Math.hypot(x2 - x1, y2 - y1)
    })
    // Bonds beside a letter are cut short, and inner lines of rings are shorter: those between two carbons decide.
    expect([smiles, lengths.filter((length) => Math.abs(length - 24) < 0.7).length > 0]).toEqual([smiles, true])
    expect(Math.max(...lengths)).toBeLessThan(27)
  }
})
