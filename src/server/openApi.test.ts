import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { array, number, object, string } from 'yup'
import { jsonSchemaOf, openApiOf } from './openApi'

test('a schema that checks what is asked is the schema of the document', () => {
  const schema = object({
    name: string().trim().required('Write it.').max(60),
    scale: number().min(0.05).max(20).required(),
    role: string().oneOf(['owner', 'reader']),
    note: string().nullable().defined(),
    groups: array(object({ bench: number().integer().required() }))
      .min(1)
      .required(),
  })
  expect(jsonSchemaOf(schema)).toEqual({
    type: 'object',
    required: ['name', 'scale', 'note', 'groups'],
    properties: {
      name: { type: 'string', maxLength: 60 },
      scale: { type: 'number', minimum: 0.05, maximum: 20 },
      role: { type: 'string', enum: ['owner', 'reader'] },
      note: { type: ['string', 'null'] },
      groups: {
        type: 'array',
        minItems: 1,
        items: { type: 'object', required: ['bench'], properties: { bench: { type: 'integer' } } },
      },
    },
  })
})

test('only what tokens may do stands in the document, with its path, its right and its body', () => {
  const token = { right: 'people.read', says: 'Who is there.', query: { page: 'Which page.' }, answers: object({}) } as const
  const document = openApiOf({ '/api/x/{id}/y': { GET: { token }, POST: { body: object({}) } } }, '9.9.9') as {
    paths: Record<string, Record<string, { parameters: { name: string; in: string }[]; 'x-mozle-right': string }>>
  }
  const operations = document.paths['/api/x/{id}/y']!
  expect(Object.keys(operations)).toEqual(['get'])
  expect(operations.get!.parameters.map(({ name, in: where }) => [name, where])).toEqual([
    ['id', 'path'],
    ['page', 'query'],
  ])
  expect(operations.get!['x-mozle-right']).toBe('people.read')
})

test('every route that lets tokens in stands in the list of the interface, and no other', () => {
  const api = path.join(process.cwd(), 'src/app/api')
  const lets = readdirSync(api, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts') && /^\s+token: \{/m.test(readFileSync(path.join(api, file), 'utf8')))
    .map((file) => `/api/${path.dirname(file)}`.replace(/\[(\w+)\]/g, '{$1}'))
  const listed = [...readFileSync(path.join(api, 'interface.ts'), 'utf8').matchAll(/^ {2}'(\/api[^']*)':/gm)].map(
    ([, each]) => each,
  )
  expect(lets.length).toBeGreaterThan(10)
  expect(listed.sort()).toEqual(lets.sort())
})
