import { ClipboardPaste } from 'lucide-react'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { errorText } from '../data/api.ts'
import { intakeApi } from '../data/intakeApi.ts'
import { Button } from '../ui/Button.tsx'
import { DropZone } from '../ui/DropZone.tsx'
import { ListTalk } from './ListTalk.tsx'

/** The one door: drop a list of any layout, or paste it. */
export function BringInView() {
  const [params, setParams] = useSearchParams()
  const [keep, keeping] = intakeApi.endpoints.keepList.useMutation()
  const [problem, setProblem] = useState<string | null>(null)
  const [pasted, setPasted] = useState('')
  const [waiting, setWaiting] = useState<File[]>([])
  const id = params.get('list')

  const begin = async (name: string, body: Blob) => {
    setProblem(null)
    const answer = await keep({ name, body })
    if (answer.error) return setProblem(`${name}: ${errorText(answer.error)}`)
    setParams({ list: answer.data.id })
  }
  const take = (files: readonly File[]) => {
    const [first, ...rest] = files
    setWaiting(rest)
    if (first) void begin(first.name, first)
  }
  /** The next file of those dropped together, or the way back. */
  const leave = () => {
    setParams({})
    if (waiting.length > 0) take(waiting)
  }
  if (id) return <ListTalk key={id} id={id} more={waiting.length} onLeave={leave} />
  return (
    <div className="mx-auto max-w-[980px] px-5 py-6">
      <h1 className="text-3xl">Bring a list in</h1>
      <p className="mt-1 max-w-[640px] text-soft">
        Your own spreadsheet will do, as it is: any language, any columns. Outfit says how it reads it and asks what it
        does not know; nothing is written before you say so.
      </p>
      <DropZone
        title={keeping.isLoading ? 'Reading it…' : 'Drop a list here, or choose one'}
        hint="XLSX, ODS, CSV or text; what you own, or what somebody asks for parts"
        label="Lists to bring in"
        accept=".xlsx,.ods,.csv,.tsv,.txt,text/csv,text/plain"
        multiple
        disabled={keeping.isLoading}
        onFiles={take}
      />
      {problem && (
        <p role="alert" className="mt-3 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
          {problem}
        </p>
      )}
      <form
        className="mt-6"
        onSubmit={(event) => {
          event.preventDefault()
          // Each is a list of its own: what is pasted later is not a newer form of it.
          void begin(`Pasted ${new Date().toLocaleString('en-GB')}`, new Blob([pasted], { type: 'text/plain' }))
        }}
      >
        <label className="block font-semibold">
          Or paste rows from a spreadsheet
          <textarea
            value={pasted}
            onChange={(event) => setPasted(event.target.value)}
            rows={5}
            className="mt-1 block w-full rounded-[8px] border border-rule bg-card px-2.5 py-1.5 font-normal"
            placeholder={'Torso, striped\tblue\t2\tBox 3'}
          />
        </label>
        <Button type="submit" className="mt-2" disabled={pasted.trim() === '' || keeping.isLoading}>
          <ClipboardPaste aria-hidden className="size-4" /> Read what I pasted
        </Button>
      </form>
      <p className="mt-8 border-t border-rule pt-3 text-[14px] text-soft">
        Tables in Outfit’s own columns, and very large markets, go through{' '}
        <Link to="/tables" className="font-semibold text-act underline">
          tables
        </Link>
        . A single box or figure is brought in from the{' '}
        <Link to="/drawer" className="font-semibold text-act underline">
          drawer
        </Link>
        .
      </p>
    </div>
  )
}
