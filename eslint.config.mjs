import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

const wordy = '[property.name=/^(text|until|caution|title|meanwhile|aim|ownWords)$/]'
/** A pattern tried on words, words that are searched or cut, words that are compared with a literal. */
const words = [
  `CallExpression[callee.property.name=/^(test|exec)$/] > MemberExpression.arguments${wordy}`,
  `CallExpression[callee.property.name=/^(test|exec)$/] > TemplateLiteral.arguments MemberExpression${wordy}`,
  `CallExpression[callee.property.name=/^(match|matchAll|includes|startsWith|endsWith|search|indexOf|split)$/] > MemberExpression.callee > MemberExpression${wordy}`,
  `BinaryExpression[operator=/^[!=]==$/] > MemberExpression${wordy} ~ Literal[value=/./]`,
]

/** What is in a vessel is told by the walk alone: nobody else adds up what the steps before put in, nor what the lines of a plan come to. */
const contents = [
  'CallExpression[callee.object.property.name="steps"] CallExpression[callee.name="partsUsed"]',
  'CallExpression[callee.property.name=/^(reduce|reduceRight)$/][callee.object.property.name="lines"]',
  'CallExpression[callee.property.name=/^(reduce|reduceRight)$/][callee.object.callee.object.property.name="lines"]',
  'CallExpression[callee.name=/^(chargedOf|walkOnce)$/]',
].map((selector) => ({ selector, message: 'Ask the walk what is in a vessel (operations/vessel/stoodAt.ts).' }))

/** Four plain numbers in a row: which is which is said by a named object. */
const numbers = ['FunctionDeclaration', 'ArrowFunctionExpression'].map(
  (of) => `${of} > ${Array(4).fill('Identifier.params[typeAnnotation.typeAnnotation.type="TSNumberKeyword"]').join(' ~ ')}`,
)

const time = { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Time is an argument in core.' }
const pure = [
  time,
  ...words.map((selector) => ({ selector, message: 'Words never decide: ask a field of the step.' })),
  ...numbers.map((selector) => ({
    selector,
    message: 'More than three plain numbers: take a named object with units in the names.',
  })),
]

export default ts.config(
  { ignores: ['node_modules', '.mozle', 'next-env.d.ts'] },
  { linterOptions: { reportUnusedDisableDirectives: process.env.MOZLE_ALL ? 'warn' : 'off' } },
  ...ts.configs.recommended,
  // The other rules compile each file, which takes longer than all else that is checked here: they stand in `./mozle test all`.
  {
    files: ['src/ui/**', 'src/app/**'],
    ...hooks.configs.flat.recommended,
    ...(process.env.MOZLE_ALL
      ? {}
      : { rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } }),
  },
  {
    files: ['src/ui/**', 'src/app/**'],
    ignores: ['src/ui/page/Link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Link of ui/page, which fetches no page before it is opened.' },
      ],
    },
  },
  {
    files: ['src/core/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'localStorage', 'performance'],
      'max-lines-per-function': ['error', { max: 100 }],
      // Time and chance come into core as arguments.
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
      'no-restricted-syntax': ['error', time],
    },
  },
  {
    // What a step means stands in its fields: only the readers of old files, and what prints, look at words.
    files: ['src/core/**'],
    ignores: [
      '**/*.test.ts',
      'src/core/reading/**',
      'src/core/format/**',
      'src/core/plan/partsUsed.ts',
      'src/core/reaction/stepText.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...pure, ...contents] },
  },
  {
    files: ['src/core/matter/**', 'src/core/plan/**'],
    ignores: ['**/*.test.ts', 'src/core/plan/partsUsed.ts'],
    rules: { 'no-restricted-syntax': ['error', ...pure] },
  },
  {
    files: ['src/server/**', 'src/data/**', 'src/app/**'],
    ignores: ['**/*.test.ts', 'src/data/clock.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'Ask the program’s clock: thisMoment() of data/clock.',
        },
      ],
    },
  },
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }] } },
)
