/** Largest table file taken, in bytes; a million offers take some 60 MB. */
export const TABLE_FILE_LIMIT = 512 * 1024 * 1024

/** Largest photo taken, in bytes. */
export const PHOTO_LIMIT = 10 * 1024 * 1024

/** "512 MB". */
export const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`

/** What is wrong with a table file of so many bytes or more. */
export const tableTooLarge = (bytes: number) =>
  `The file has ${megabytes(bytes)} or more; at most ${megabytes(TABLE_FILE_LIMIT)} are taken. Cut it into pieces. Nothing was kept.`

/** What is wrong with a photo that is too large. */
export const PHOTO_TOO_LARGE = `A photo may have at most ${megabytes(PHOTO_LIMIT)}. Nothing was kept.`
