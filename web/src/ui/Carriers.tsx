import { X } from 'lucide-react'
import { useEffect, useId, useState } from 'react'
import { api } from '../data/api.ts'

const field = 'rounded-[8px] border border-rule bg-card px-1.5 py-0.5 text-[13.5px]'

/** Figures or releases whose parts are not wanted, by code. */
export function Carriers({
  kind,
  codes,
  onChange,
}: {
  kind: 'figures' | 'releases'
  codes: readonly string[]
  onChange: (codes: string[]) => void
}) {
  const listId = useId()
  const [text, setText] = useState('')
  // An entry of the list is "code · name", which is looked up by its code.
  const [words = '', name] = text.split(' · ')
  const figures = api.endpoints.figures.useQuery(words, { skip: kind !== 'figures' || words === '' })
  const releases = api.endpoints.releases.useQuery(words, { skip: kind !== 'releases' || words === '' })
  const found = (kind === 'figures' ? figures.data : releases.data) ?? []
  const chosen = name !== undefined && found.some((entry) => entry.code === words) ? words : null
  useEffect(() => {
    if (chosen === null) return
    setText('')
    if (!codes.includes(chosen)) onChange([...codes, chosen])
  }, [chosen, codes, onChange])
  return (
    <>
      {codes.map((code) => (
        <span
          key={code}
          className="flex items-center gap-1 rounded-full border border-rule bg-card px-2 py-0.5 text-[13px]"
        >
          {code}
          <button
            type="button"
            aria-label={`No longer avoid ${code}`}
            onClick={() => onChange(codes.filter((c) => c !== code))}
          >
            <X aria-hidden className="size-3" />
          </button>
        </span>
      ))}
      <input
        list={listId}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder={`parts of ${kind === 'figures' ? 'a figure' : 'a release'} …`}
        aria-label={`Avoid the parts of ${kind === 'figures' ? 'a figure' : 'a release'}`}
        className={`${field} w-[138px] placeholder:text-soft`}
      />
      <datalist id={listId}>
        {found.map(({ code, name }) => (
          <option key={code} value={`${code} · ${name}`} />
        ))}
      </datalist>
    </>
  )
}
