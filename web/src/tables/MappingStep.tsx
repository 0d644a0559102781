import { formatCount } from '@outfit/core/base'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { columnsOf, guessMapping, TABLE_NAMES, type Corrections, type TableName } from '@outfit/core/tables'
import { api, errorText, type ImportRequest, type Upload } from '../data/api.ts'
import { box } from '../catalogue/fields.tsx'
import { journalApi } from '../data/journalApi.ts'
import { Button } from '../ui/Button.tsx'
import { tellError } from '../ui/tell.ts'
import { Guesses } from './Guesses.tsx'
import { useImport } from './useImport.ts'

interface MappingStepProps {
  name: string
  upload: Upload
  table: TableName
  onTable: (table: TableName) => void
  onLeave: () => void
}

/** Rest after a change before the file is read again, in milliseconds. */
const PAUSE = 350
/** Columns of parts that can be guessed from the name. */
const GUESSED = ['mould', 'colours']

const plural = (n: number, one: string) => `${formatCount(n)} ${one}${n === 1 ? '' : 's'}`
const shown = (value: unknown): string =>
  value === null || value === undefined
    ? ''
    : Array.isArray(value)
      ? value.map((entry) => (typeof entry === 'object' ? JSON.stringify(entry) : String(entry))).join(', ')
      : typeof value === 'object'
        ? Object.entries(value)
            .map((pair) => pair.join(' '))
            .join(', ')
        : String(value)

/** Which column of the file is which of ours; how its rows are read then, and which cannot be; then bring it in. */
export function MappingStep({ name, upload, table, onTable, onLeave }: MappingStepProps) {
  const [mapping, setMapping] = useState(() => guessMapping(table, upload.header) as Record<string, string>)
  const [corrections, setCorrections] = useState<Corrections>({ moulds: {}, colours: {} })
  const [leaveOut, setLeaveOut] = useState(false)
  const [complete, setComplete] = useState(false)
  const check = useImport()
  const bring = useImport()
  const columns = columnsOf(table)
  // A column the file does not have is said so, or one of the same name would be taken for it.
  const whole = Object.fromEntries(columns.map(({ name: column }) => [column, mapping[column] ?? '']))
  const request: ImportRequest = {
    upload: upload.upload,
    table,
    mapping: whole,
    strict: !leaveOut,
    dry: true,
    ...(table === 'parts' ? { guess: corrections } : {}),
    ...(table === 'offers' ? { whole: complete } : {}),
  }
  const key = JSON.stringify([whole, corrections])
  const latest = useRef(() => {})
  latest.current = () => void check.start(request)
  useEffect(() => {
    const later = setTimeout(() => latest.current(), PAUSE)
    return () => clearTimeout(later)
  }, [key])

  const write = async () => {
    const report = await bring.start({ ...request, dry: false })
    if (!report?.written) return
    toast(`${plural(report.taken, 'row')} brought into ${table}.`)
    if (report.fulfilled.length > 0)
      toast(report.fulfilled.length === 1 ? '✶ A wish came true.' : `✶ ${report.fulfilled.length} wishes came true.`)
  }
  const done = bring.run.report?.written ? bring.run.report : null
  const [takeBack, { isLoading: taking }] = journalApi.endpoints.takeDoneBack.useMutation()
  const back = async (entry: string) => {
    const answer = await takeBack(entry)
    if (answer.error) return tellError(answer.error)
    toast(`${name} is taken back.`)
    onLeave()
  }
  const { report } = check.run
  const writing = bring.run.state === 'running'
  const good = report?.taken ?? 0
  const blocked = report !== null && (good === 0 || (report.rejected > 0 && !leaveOut))
  if (done)
    return (
      <div className="mx-auto max-w-xl py-16 text-center">
        <h1 className="text-2xl">{plural(done.taken, 'row')} brought in</h1>
        <p className="mt-2 text-soft">
          {name} is in the table {table} now
          {done.rejected > 0 ? `; ${plural(done.rejected, 'fault')} left its rows out` : ''}.
        </p>
        <div className="mt-5 flex justify-center gap-3">
          <Button look="act" onClick={onLeave}>
            Bring another table in
          </Button>
          {done.entry ? (
            <Button disabled={taking} onClick={() => void back(done.entry!)}>
              Take it back
            </Button>
          ) : done.byCopy ? (
            // So much is taken back by the copy of what was there before, which is said there.
            <Link
              to="/settings/done"
              className="rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act"
            >
              Take it back…
            </Link>
          ) : null}
          <Link to="/parts" className="rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act">
            Look at the parts
          </Link>
        </div>
      </div>
    )
  return (
    <div className="mx-auto grid max-w-[1280px] grid-cols-[420px_1fr] gap-8 px-5 py-4">
      <section aria-label="Columns">
        <h1 className="truncate text-2xl" title={name}>
          {name}
        </h1>
        <p className="mt-1 flex items-center gap-2">
          <label htmlFor="table">is a table of</label>
          <select
            id="table"
            value={table}
            onChange={(event) => onTable(event.target.value as TableName)}
            className={`${box} !w-[180px]`}
          >
            {TABLE_NAMES.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </p>
        <Remembered table={table} header={upload.header} mapping={whole} onUse={setMapping} />
        <table className="mt-3 w-full text-left">
          <thead className="text-[13px] text-soft">
            <tr>
              <th className="font-normal">ours</th>
              <th className="font-normal">column of the file</th>
              <th className="font-normal">first cell</th>
            </tr>
          </thead>
          <tbody>
            {columns.map(({ name: column, optional }) => {
              const theirs = mapping[column] ?? ''
              const guessed = table === 'parts' && GUESSED.includes(column)
              const missing = !theirs && !optional && !guessed
              return (
                <tr key={column} className="border-t border-rule">
                  <th scope="row" className={`py-1 pr-2 font-semibold ${missing ? 'text-problem' : ''}`}>
                    {column}
                  </th>
                  <td className="py-1 pr-2">
                    <select
                      aria-label={`Column for ${column}`}
                      aria-invalid={missing}
                      value={theirs}
                      onChange={(event) => setMapping({ ...mapping, [column]: event.target.value })}
                      className={`${box} !py-1`}
                    >
                      <option value="">
                        {guessed ? 'guess it from the name' : optional ? 'leave empty' : 'none yet'}
                      </option>
                      {upload.header.map((one, i) => (
                        <option key={`${one} ${i}`}>{one}</option>
                      ))}
                    </select>
                  </td>
                  <td className="max-w-[110px] truncate py-1 text-[13px] text-soft">
                    {theirs ? upload.rows[0]?.[upload.header.indexOf(theirs)] : ''}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </section>
      <section aria-label="As it will be read" className="min-w-0">
        <div className="flex items-center gap-3">
          <p role="status" className="font-head text-lg font-bold">
            {writing
              ? `Bringing it in: ${plural(bring.run.rows, 'row')} so far`
              : check.run.state === 'running'
                ? `Reading: ${plural(check.run.rows, 'row')} so far`
                : report
                  ? `${plural(good, 'row')} can be read${report.rejected ? `, ${plural(report.rejected, 'fault')}` : ', no fault'}`
                  : (check.run.problem ?? '')}
          </p>
          {(writing || check.run.state === 'running') && (
            <Button onClick={() => (writing ? bring.cancel() : check.cancel())}>Stop</Button>
          )}
          <span className="ml-auto flex gap-3">
            <Button onClick={onLeave} disabled={writing}>
              Leave
            </Button>
            <Button
              look="act"
              disabled={blocked || !report || writing || check.run.state === 'running'}
              onClick={() => void write()}
            >
              {report ? `Bring ${plural(good, 'row')} in` : 'Bring it in'}
            </Button>
          </span>
        </div>
        {report && report.rejected > 0 && good > 0 && (
          <label className="mt-2 flex items-center gap-2">
            <input
              type="checkbox"
              checked={leaveOut}
              onChange={(event) => setLeaveOut(event.target.checked)}
              className="size-4 accent-(--act)"
            />
            Leave the rows with faults out and bring the rest in
          </label>
        )}
        {table === 'offers' && (
          <label className="mt-2 flex items-center gap-2">
            <input
              type="checkbox"
              checked={complete}
              onChange={(event) => setComplete(event.target.checked)}
              className="size-4 accent-(--act)"
            />
            These lists are all their sellers have: what they do not name is no longer for sale
          </label>
        )}
        {(bring.run.problem ?? check.run.problem) && (
          <p role="alert" className="mt-2 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
            {bring.run.problem ?? check.run.problem}
          </p>
        )}
        {bring.run.state === 'cancelled' && <p className="mt-2 text-notice">Stopped. Nothing was written.</p>}
        {report && report.rejects.length > 0 && (
          <div
            className="mt-3 max-h-[190px] overflow-y-auto rounded-[8px] border border-problem bg-card"
            tabIndex={0}
            role="region"
            aria-label="Faults"
          >
            <table className="w-full text-left text-[13px]">
              <thead className="text-soft">
                <tr>
                  <th className="px-2 font-normal">line</th>
                  <th className="px-2 font-normal">column</th>
                  <th className="px-2 font-normal">what is wrong</th>
                </tr>
              </thead>
              <tbody>
                {report.rejects.map(({ line, column, reason }, i) => (
                  <tr key={i} className="border-t border-rule">
                    <td className="px-2 py-0.5">{line}</td>
                    <td className="px-2 py-0.5">{column ?? ''}</td>
                    <td className="px-2 py-0.5">{reason}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {report.rejected > report.rejects.length && (
              <p className="px-2 py-1 text-soft">and {plural(report.rejected - report.rejects.length, 'more fault')}</p>
            )}
          </div>
        )}
        {report && report.guesses.length > 0 && (
          <Guesses groups={report.guesses} corrections={corrections} onChange={setCorrections} />
        )}
        {report && report.sample.length > 0 && (
          <>
            <h2 className="mt-4 text-base">The first rows, as they will be read</h2>
            <div className="mt-1 overflow-x-auto" tabIndex={0} role="region" aria-label="First rows">
              <table className="w-full text-left text-[13px]">
                <thead className="text-soft">
                  <tr>
                    {columns.map(({ name: column }) => (
                      <th key={column} className="pr-3 font-normal">
                        {column}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {report.sample.map((row, i) => (
                    <tr key={i} className="border-t border-rule">
                      {columns.map(({ name: column }) => (
                        <td key={column} className="max-w-[220px] truncate py-0.5 pr-3" title={shown(row[column])}>
                          {shown(row[column])}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </>
        )}
      </section>
    </div>
  )
}

interface RememberedProps {
  table: TableName
  header: readonly string[]
  mapping: Record<string, string>
  onUse: (columns: Record<string, string>) => void
}

/** Mappings kept by name: use one, keep this one, forget one. */
function Remembered({ table, header, mapping, onUse }: RememberedProps) {
  const { data: kept = [] } = api.endpoints.mappings.useQuery(table)
  const [remember] = api.endpoints.rememberMapping.useMutation()
  const [forget] = api.endpoints.forgetMapping.useMutation()
  const [name, setName] = useState('')
  const fits = kept.filter(({ columns }) =>
    Object.values(columns).every((theirs) => theirs === '' || header.includes(theirs)),
  )
  const known = kept.find((one) => one.name === name.trim())
  const keep = async () => {
    const answer = await remember({
      table,
      name: name.trim(),
      columns: mapping,
      ...(known ? { was: known.columns } : {}),
    })
    if (answer.error) return toast.error(errorText(answer.error))
    setName('')
    return toast(`These columns are remembered as "${name.trim()}".`)
  }
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2 text-[13px]">
      {fits.map(({ name: own, columns }) => (
        <span key={own} className="flex items-center rounded-full border border-rule bg-card">
          <button
            type="button"
            className="rounded-full py-0.5 pl-2.5 font-semibold text-act hover:underline"
            onClick={() => onUse(columns)}
          >
            {own}
          </button>
          <button
            type="button"
            aria-label={`Forget ${own}`}
            className="px-2 py-0.5 text-soft hover:text-problem"
            onClick={() => void forget({ table, name: own })}
          >
            ×
          </button>
        </span>
      ))}
      <input
        aria-label="Name for these columns"
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder="Remember these columns as"
        className={`${box} !w-[190px] !py-0.5`}
      />
      <Button look="plain" className="!py-0.5" disabled={!name.trim()} onClick={() => void keep()}>
        {known ? 'Replace' : 'Remember'}
      </Button>
    </div>
  )
}
