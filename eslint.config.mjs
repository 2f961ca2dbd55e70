import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['node_modules', '.mozle', 'next-env.d.ts'] },
  ...ts.configs.recommended,
  { files: ['src/**/*.tsx', 'src/**/*.ts'], ...hooks.configs.flat.recommended },
  {
    files: ['src/core/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'localStorage', 'performance'],
      // Time and chance come into core as arguments.
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Time is an argument in core.' },
      ],
    },
  },
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }] } },
)
