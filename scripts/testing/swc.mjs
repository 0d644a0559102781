/** How tests read TypeScript: as the build does, with what Nest and TypeORM ask of classes. */
export const SWC = {
  jsc: {
    parser: { syntax: 'typescript', tsx: true, decorators: true },
    transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
    target: 'es2022',
  },
  module: { type: 'es6' },
}
