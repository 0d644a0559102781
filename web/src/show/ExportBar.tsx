import { Download } from 'lucide-react'

/** Ways to take a picture out; the last is the one most wanted. */
export function ExportBar({
  files,
  onTaken,
}: {
  files: readonly { name: string; href: string; hint?: string }[]
  onTaken?: () => void
}) {
  return (
    <div className="flex flex-wrap gap-2 md:ml-auto">
      {files.map(({ name, href, hint }, i) => (
        <a
          key={name}
          href={href}
          download
          title={hint}
          onClick={onTaken}
          className={`inline-flex items-center gap-1.5 rounded-[10px] border px-3 py-1.5 font-semibold ${
            i === files.length - 1
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

/** Choices as words of an address; what is nothing is left out, and what has parts of its own goes as JSON. */
export const asQuery = (choices: object): string => {
  const word = (value: unknown) =>
    typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : typeof value === 'object'
        ? JSON.stringify(value)
        : String(value)
  return new URLSearchParams(
    Object.entries(choices).flatMap(([name, value]): [string, string][] =>
      value === null ? [] : [[name, word(value)]],
    ),
  ).toString()
}
