/** What is exported is used elsewhere: an export that nobody imports is dead, or is the own affair of its file. */
import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

const root = process.cwd()
const read = (folder: string) =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file))
    .map((file) => ({ file: path.join(folder, file), text: readFileSync(path.join(root, folder, file), 'utf8') }))
const files = ['src', 'scripts', 'e2e'].flatMap(read)

/** Files whose exports the framework asks for by name. */
const asked = /\/(page|route|layout|error|global-error|not-found|loading|manifest|proxy|instrumentation)\.tsx?$/
const isTest = (file: string) => /\.test\.|\.suite\.|^e2e\/|^src\/test-support\//.test(file)

const uses = new Map<string, Set<string>>()
for (const { file, text } of files)
  for (const word of new Set(text.match(/\b[A-Za-z_]\w*\b/g))) uses.set(word, (uses.get(word) ?? new Set()).add(file))

interface Export {
  file: string
  name: string
  isType: boolean
  others: string[]
}
const exported: Export[] = files
  .filter(({ file }) => !isTest(file) && !asked.test(`/${file}`))
  .flatMap(({ file, text }) =>
    [...text.matchAll(/^export (?:async )?(const|function\*?|class|interface|type|enum) (\w+)/gm)].map(([, kind, name]) => ({
      file,
      name: name!,
      isType: kind === 'interface' || kind === 'type',
      others: [...uses.get(name!)!].filter((other) => other !== file),
    })),
  )

test('no function and no value is exported that no other file names', () => {
  const alone = exported.filter(({ isType, others }) => !isType && others.length === 0)
  expect(alone.map(({ file, name }) => `${file} ${name}`)).toEqual([])
})

test('no type is named nowhere at all', () => {
  const texts = new Map(files.map(({ file, text }) => [file, text]))
  const unused = exported.filter(
    ({ file, name, others }) => others.length === 0 && texts.get(file)!.match(new RegExp(`\\b${name}\\b`, 'g'))!.length === 1,
  )
  expect(unused.map(({ file, name }) => `${file} ${name}`)).toEqual([])
})

/** Exported for their tests alone; the count only falls. */
const forTestsAlone = 49

test('what only tests name grows no more', () => {
  const tested = exported.filter(({ others, isType }) => !isType && others.length > 0 && others.every(isTest))
  expect(tested.length).toBeLessThanOrEqual(forTestsAlone)
})
