import tseslint from 'typescript-eslint'
import reactHooks from 'eslint-plugin-react-hooks'

/** The arrows between rooms (docs/architecture.md): web → core, server → core, never the other way, never web ↔ server. */
const arrows = (message, group) => ({ 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] })

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.cache/**', 'data/**', 'demo-data/**', '**/test-results/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
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
    rules: arrows('The server knows core and nothing of the interface.', ['react*', '@outfit/web*', '**/web/**', '**/core/src/**']),
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...reactHooks.configs.recommended.rules,
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
)
