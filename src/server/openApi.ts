import { convertSchema } from '@sodaru/yup-to-json-schema/dist/converters'
import { Schema } from 'yup'
import type { ForTokens } from './route'

/** A route as the document of the interface needs it. */
interface Described {
  token?: ForTokens | undefined
  body?: unknown
}

/** The methods of the routes that tokens may call, by their path with its parameters in braces. */
export type Interface = Readonly<
  Record<string, Readonly<Partial<Record<'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', Described>>>>
>

/** A schema as JSON Schema; what stands where nothing is said is our own affair. */
export function jsonSchemaOf(schema: Schema): object {
  const plain = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(plain)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .filter(([key]) => key !== 'default')
              .map(([key, each]) => [key, plain(each)]),
          )
        : value
  return plain(convertSchema(schema)) as object
}

const json = (schema: object) => ({ 'application/json': { schema } })
const refusal = (description: string) => ({
  description,
  content: json({ type: 'object', properties: { error: { type: 'string' } }, required: ['error'] }),
})

const answered = (answers: ForTokens['answers']) =>
  answers === undefined
    ? {}
    : answers instanceof Schema
      ? { content: json(jsonSchemaOf(answers)) }
      : { content: { [answers.type]: { schema: { type: 'string', format: 'binary' } } } }

function operation(path: string, method: string, { token, body }: Described & { token: ForTokens }) {
  const parameters = [
    ...[...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string', maxLength: 40 },
    })),
    ...Object.entries(token.query ?? {}).map(([name, description]) => ({
      ...{ name, in: 'query', description },
      schema: { type: 'string' },
    })),
  ]
  return {
    operationId: `${method.toLowerCase()}${path.replace(/[^a-z]+(\w)/gi, (_, letter: string) => letter.toUpperCase()).replace(/\W/g, '')}`,
    summary: token.says,
    description: token.right === 'any' ? 'Any token that stands.' : `Needs the right \`${token.right}\`.`,
    'x-mozle-right': token.right,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(body instanceof Schema ? { requestBody: { required: true, content: json(jsonSchemaOf(body)) } } : {}),
    responses: {
      '200': { description: 'Done.', ...answered(token.answers) },
      '400': refusal('What was sent is not as it must be; the words say what would be right.'),
      '401': refusal('The token has ended, was withdrawn, or never was.'),
      '403': refusal('The token may not do this.'),
      '404': refusal('There is no such thing, or the token is not good for its course.'),
      '409': refusal('It cannot be done as things stand; the words say why.'),
      '503': refusal('The database does not answer just now; try again in a moment.'),
    },
  }
}

/** The document of the interface (OpenAPI 3.1), made from the schemas that check what is asked and say what is answered. */
export function openApiOf(routes: Interface, version: string): object {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Mozle, for the college’s other systems',
      version,
      description:
        'The same routes that the pages use. A token is made by whoever looks after the college (College → Other systems) and goes into the header Authorization: Bearer TOKEN. Moments are UTC in ISO 8601. Fields are added in later releases, never renamed; take what you know.',
    },
    security: [{ token: [] }],
    components: { securitySchemes: { token: { type: 'http', scheme: 'bearer' } } },
    paths: Object.fromEntries(
      Object.entries(routes).map(([path, methods]) => [
        path,
        Object.fromEntries(
          Object.entries(methods).flatMap(([method, { token, body }]) =>
            token ? [[method.toLowerCase(), operation(path, method, { token, body })]] : [],
          ),
        ),
      ]),
    ),
  }
}
