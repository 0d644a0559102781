/** The files of what was dropped; those of a folder, and of folders in it, bear their path. */
export async function droppedFiles(data: DataTransfer): Promise<File[]> {
  // Entries are gone once this task ends, so all are taken at once.
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry?.() ?? [])
  if (!entries.some(({ isDirectory }) => isDirectory)) return [...data.files]
  return (await Promise.all(entries.map(filesOf))).flat()
}

async function filesOf(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))
    return [file]
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const inside: FileSystemEntry[] = []
  // A reader gives a hundred at a time, and none at the end.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject))
    if (some.length === 0) break
    inside.push(...some)
  }
  return (await Promise.all(inside.map(filesOf))).flat()
}
