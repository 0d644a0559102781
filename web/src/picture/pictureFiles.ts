import { megabytes, PHOTO_LIMIT } from '@outfit/core/tables'

/** Files that are taken as pictures, for file fields and for people. */
export const PICTURE_TYPES = 'image/png,image/jpeg,image/webp'
export const PICTURE_WORDS = `PNG, JPEG or WebP, up to ${megabytes(PHOTO_LIMIT)}`
