import tseslint from 'typescript-eslint'
import reactHooks from 'eslint-plugin-react-hooks'

/** The arrows between rooms (docs/architecture.md): web → core, server → core, never the other way, never web ↔ server. */
const arrows = (message, group) => ({ 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] })

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.cache/**', 'data/**', 'demo-data/**', '**/test-results/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: ['error', 'always'],
      'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/test/**'],
    rules: arrows('core is pure: no I/O, no framework, no other room.', [
      'node:*',
      'fs',
      'path',
      'react*',
      '@nestjs/*',
      'typeorm',
      'highs',
      '@outfit/*',
      '**/server/**',
      '**/web/**',
    ]),
  },
  {
    files: ['server/src/**/*.ts'],
    rules: arrows('The server knows core and nothing of the interface.', [
      'react*',
      '@outfit/web*',
      '**/web/**',
      '**/core/src/**',
    ]),
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      // The other rules of this plugin prepare for its compiler, which is not used here.
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      ...arrows('The interface reaches the server over HTTP alone; types come from core.', [
        'node:*',
        '@nestjs/*',
        'typeorm',
        '@outfit/server*',
        '**/server/**',
        '**/core/src/**',
      ]),
    },
  },
  // Tables of the sample world, written to be read down a column.
  { files: ['demo/author/*.mjs'], rules: { 'max-lines': 'off' } },
)
