import { unzip, type Unzipped } from 'fflate'

/** What a list may be called; anything else in a folder or a ZIP is none. */
const LISTS = /\.(xlsx|ods|csv|tsv|txt|json)$/i
/** What systems put beside files for themselves. */
const UNSEEN = /(^|\/)(__MACOSX\/|\.|Thumbs\.db$|desktop\.ini$)/i

/** Most a ZIP may hold, so that a small file that unpacks to gigabytes does no harm. */
const ZIP_LIMITS = { files: 200, bytes: 100 * 1024 * 1024 }

type ZipLimits = Readonly<typeof ZIP_LIMITS>

export interface Lists {
  files: File[]
  /** Names of what is no list. */
  left: string[]
  /** What was refused as a whole, in a sentence each. */
  refused: string[]
}

/** The lists among some files, with those inside ZIP files; a workbook is a list, though it is packed as well. */
export async function listsIn(given: readonly File[], limits: ZipLimits = ZIP_LIMITS): Promise<Lists> {
  const found: Lists = { files: [], left: [], refused: [] }
  for (const file of given) {
    if (UNSEEN.test(file.name)) continue
    if (/\.zip$/i.test(file.name)) await unpack(file, found, limits)
    else if (LISTS.test(file.name) || given.length === 1) found.files.push(file)
    else found.left.push(file.name)
  }
  return found
}

async function unpack(zip: File, found: Lists, limits: ZipLimits): Promise<void> {
  let [files, bytes] = [0, 0]
  let tooMuch = false
  const left: string[] = []
  const names = new Set<string>()
  try {
    const packed = new Uint8Array(await zip.arrayBuffer())
    const inside = await new Promise<Unzipped>((resolve, reject) =>
      unzip(
        packed,
        {
          filter: ({ name, originalSize }) => {
            names.add(name)
            if (name.endsWith('/') || UNSEEN.test(name)) return false
            if (!LISTS.test(name)) {
              left.push(name)
              return false
            }
            files += 1
            bytes += originalSize
            if (files > limits.files || bytes > limits.bytes) tooMuch = true
            return !tooMuch
          },
        },
        (error, unpacked) => (error ? reject(error) : resolve(unpacked)),
      ),
    )
    const real = Object.values(inside).reduce((sum, { length }) => sum + length, 0)
    // An archive of ours has its tables beside its manifest.
    const copy = names.has('manifest.json') && names.has('tables/part.jsonl')
    if (copy) found.refused.push(`${zip.name} is a copy of a workspace. Bring it back under Settings, Copies.`)
    else if (tooMuch || real > limits.bytes)
      found.refused.push(
        `${zip.name} holds more than ${limits.files} lists or ${Math.round(limits.bytes / 1024 / 1024)} MB. Unpack it and bring in what is needed.`,
      )
    else if (files === 0) found.refused.push(`${zip.name} has no list in it.`)
    else {
      found.left.push(...left)
      for (const [name, content] of Object.entries(inside))
        found.files.push(new File([content as BlobPart], name.split('/').at(-1)!))
    }
  } catch {
    found.refused.push(`${zip.name} cannot be unpacked: it is damaged, locked with a password, or no ZIP.`)
  }
}
