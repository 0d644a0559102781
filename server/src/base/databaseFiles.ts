/** Files of a database in its folder: the last two stand beside it while it is in use. */
export const DATABASE_FILES = ['outfit.sqlite', 'outfit.sqlite-wal', 'outfit.sqlite-shm'] as const
