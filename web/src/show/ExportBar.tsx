import { Download, X } from 'lucide-react'
import { useRef, useState, type MouseEvent } from 'react'
import { Button } from '../ui/Button.tsx'
import { nameOfDownload, saveBlob } from '../ui/saveAs.ts'
import { warn } from '../ui/tell.ts'

interface Taking {
  name: string
  /** Bytes that have come. */
  bytes: number
  /** Pages that are drawn, of how many, where it comes page by page. */
  pages: { drawn: number; all: number } | null
}

/** Ways to take a picture out; the last is the one most wanted. What takes a while says so and can be cancelled. */
export function ExportBar({
  files,
  waits = false,
  quiet = false,
  onTaken,
}: {
  files: readonly { name: string; href: string; hint?: string }[]
  /** What is chosen is not kept yet, so that the server would draw what was before. */
  waits?: boolean
  /** There is something else to do first; none of them stands out. */
  quiet?: boolean
  onTaken?: () => void
}) {
  const [taking, setTaking] = useState<Taking | null>(null)
  const stop = useRef<AbortController | null>(null)
  const take = async (name: string, href: string) => {
    const controller = new AbortController()
    stop.current = controller
    setTaking({ name, bytes: 0, pages: null })
    try {
      const answer = await fetch(href, { signal: controller.signal })
      if (!answer.ok) throw new Error(((await answer.json()) as { detail?: string }).detail)
      const chunks: BlobPart[] = []
      let bytes = 0
      const all = Number(answer.headers.get('x-pages') ?? 0)
      const drawn = pagesIn()
      for (const reader = answer.body!.getReader(); ;) {
        const { done, value } = await reader.read()
        if (done) break
        chunks.push(value)
        bytes += value.length
        setTaking({ name, bytes, pages: all > 1 ? { drawn: Math.min(all, drawn(value)), all } : null })
      }
      const type = answer.headers.get('content-type') ?? ''
      saveBlob(nameOfDownload(answer.headers.get('content-disposition'), name), new Blob(chunks, { type }))
      onTaken?.()
    } catch (error) {
      if (!controller.signal.aborted)
        warn((error as Error).message || `The ${name} could not be made just now. Nothing is lost; try it again.`)
    } finally {
      if (stop.current === controller) setTaking(null)
    }
  }
  const onClick = (name: string, href: string) => (event: MouseEvent) => {
    // Whoever wants it in another window, or its address, gets that.
    if (event.metaKey || event.ctrlKey || event.shiftKey || event.button !== 0) return
    event.preventDefault()
    if (!taking && !waits) void take(name, href)
  }
  return (
    <div className="flex flex-wrap items-center gap-2 md:ml-auto">
      {taking && (
        <span role="status" className="flex items-center gap-1 text-[13.5px] text-soft">
          {taking.pages
            ? `${taking.name}: page ${taking.pages.drawn} of ${taking.pages.all}`
            : taking.bytes === 0
              ? `Drawing the ${taking.name}…`
              : `${(taking.bytes / 1e6).toFixed(1)} MB of the ${taking.name}`}
          <Button look="plain" className="px-1 py-0.5" aria-label="Cancel" onClick={() => stop.current?.abort()}>
            <X aria-hidden className="size-4" />
          </Button>
        </span>
      )}
      {files.map(({ name, href, hint }, i) => (
        <a
          key={name}
          href={href}
          download
          title={hint}
          aria-disabled={taking !== null || waits}
          onClick={onClick(name, href)}
          className={`inline-flex items-center gap-1.5 rounded-[10px] border px-3 py-1.5 font-semibold ${
            taking || waits ? 'cursor-wait opacity-60' : ''
          } ${
            i === files.length - 1 && !quiet
              ? 'border-act bg-act text-act-ink hover:brightness-110'
              : 'border-act/70 bg-card text-act hover:border-act'
          }`}
        >
          <Download aria-hidden className="size-4" /> {name}
        </a>
      ))}
    </div>
  )
}

/** Counts the pages of a PDF in the pieces it comes in: each is told by a word that stands unpacked. */
export function pagesIn(): (piece: Uint8Array) => number {
  const word = '/Type /Page\n'
  let rest = ''
  let count = 0
  return (piece) => {
    const text = rest + Array.from(piece, (byte) => String.fromCharCode(byte)).join('')
    count += text.split(word).length - 1
    // A word may be cut by the end of a piece; what is left is shorter than one, so that none counts twice.
    rest = text.slice(1 - word.length)
    return count
  }
}

/** Choices as words of an address; what is nothing is left out, and what has parts of its own goes as JSON. */
export const asQuery = (choices: object): string => {
  const word = (value: unknown) => {
    if (typeof value === 'boolean') return value ? 'yes' : 'no'
    return typeof value === 'object' ? JSON.stringify(value) : String(value)
  }
  return new URLSearchParams(
    Object.entries(choices).flatMap(([name, value]): [string, string][] =>
      value === null ? [] : [[name, word(value)]],
    ),
  ).toString()
}
