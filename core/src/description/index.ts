export { readDescription, type Description, type Known, type Taken } from './readDescription.ts'
export { ENGLISH } from './english.ts'
export type { Language, Noun, Quality } from './language.ts'
export { briefOfNotes, briefWith } from './briefWith.ts'
