/** What turns plain values into which class; its package tells it to schema makers, and types it elsewhere. */
declare module 'class-transformer/cjs/storage.js' {
  export { defaultMetadataStorage } from 'class-transformer/types/storage'
}
