/** The order of rooms (docs/architecture.md): no circles between files or rooms, and nothing of a room but what it shows. */
const ROOM = '^(core|server|web)/src/[^/]+$'

export default {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'no-circles-between-rooms',
      comment: 'Who needs to be told registers itself with the room below (as with TableFollowers).',
      severity: 'error',
      scope: 'folder',
      from: { path: ROOM },
      to: { path: ROOM, circular: true },
    },
    {
      name: 'rooms-of-core-by-their-index',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: ['[.]test[.]ts$', '^core/src/test/'] },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '/index[.]ts$'] },
    },
    {
      name: 'nothing-uses-the-top',
      comment: 'app puts the rooms together; no room knows it.',
      severity: 'error',
      from: {
        path: '^(server|web)/src/',
        pathNot: ['^(server|web)/src/(app|test|trial)/', '/main[.]ts$', '[.]test[.]tsx?$'],
      },
      to: { path: '^(server|web)/src/app/' },
    },
    {
      name: 'tests-are-used-by-tests',
      severity: 'error',
      from: { pathNot: ['[.]test[.]tsx?$', '/(test|trial)/'] },
      to: { path: ['[.]test[.]tsx?$', '/(test|trial)/'] },
    },
  ],
  options: {
    doNotFollow: { path: ['node_modules', 'dist'] },
    exclude: { path: ['node_modules', '/dist/', '[.]css$', '[.]test[.]tsx?$'] },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx'] },
  },
}
