import { Download } from 'lucide-react'
import { useState } from 'react'
import {
  columnsOf,
  guessTable,
  megabytes,
  TABLE_FILE_LIMIT,
  TABLE_NAMES,
  tableTooLarge,
  type TableName,
} from '@outfit/core/tables'
import { api, errorText, type Upload } from '../data/api.ts'
import { DropZone } from '../ui/DropZone.tsx'
import { MappingStep } from './MappingStep.tsx'

/** What each table holds, in words. */
const ABOUT: Record<TableName, string> = {
  colours: 'names, shades, families, finishes',
  moulds: 'shapes, what they cover and weigh',
  prints: 'recipes of layers',
  parts: 'moulds in colours with prints',
  components: 'what assemblies come apart into',
  figures: 'released figures',
  'figure-parts': 'what figures wear, slot by slot',
  releases: 'boxes, blind packs, books, gifts',
  'release-contents': 'what is in a release',
  'case-contents': 'what stands in a case of blind packs',
  bins: 'places in the drawer',
  owned: 'parts you own',
  sellers: 'who sells, with shipping and minimums',
  rates: 'dated rates between currencies',
  offers: 'lines for sale',
}

/** Bring tables in from CSV files of any header, and take them out again. */
export function TablesView() {
  const [file, setFile] = useState<{ name: string; upload: Upload; table: TableName } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [send, sending] = api.endpoints.uploadTable.useMutation()
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
    setProblem(null)
    // Said here: a browser told so by the server half way would only see a broken line.
    if (chosen.size > TABLE_FILE_LIMIT) return setProblem(`${chosen.name}: ${tableTooLarge(chosen.size)}`)
    const answer = await send(chosen)
    if (answer.error) return setProblem(`${chosen.name}: ${errorText(answer.error)}`)
    return setFile({
      name: chosen.name,
      upload: answer.data,
      table: guessTable(chosen.name, answer.data.header) ?? 'parts',
    })
  }
  if (file)
    return (
      <MappingStep
        key={`${file.upload.upload} ${file.table}`}
        name={file.name}
        upload={file.upload}
        table={file.table}
        onTable={(table) => setFile({ ...file, table })}
        onLeave={() => setFile(null)}
      />
    )
  return (
    <div className="mx-auto grid max-w-[1180px] grid-cols-[1fr_520px] gap-10 px-5 py-5 phone:grid-cols-1 phone:px-3 phone:[&>*]:min-w-0">
      <section aria-labelledby="bring-in">
        <h1 id="bring-in" className="text-2xl">
          Bring a table in
        </h1>
        <p className="mt-1 text-soft">
          Any CSV file with a header row will do: the next step says which of its columns is which, and shows every row
          that cannot be read before anything is written.
        </p>
        <DropZone
          title={sending.isLoading ? 'Keeping the file…' : 'Drop a CSV file here, or choose one'}
          hint={`UTF-8, with commas, semicolons or tabs, up to ${megabytes(TABLE_FILE_LIMIT)}`}
          label="A table to bring in"
          accept=".csv,.tsv,.txt,text/csv"
          disabled={sending.isLoading}
          onFiles={([first]) => void take(first)}
        />
        {problem && (
          <p role="alert" className="mt-3 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
            {problem}
          </p>
        )}
        <h2 className="mt-7 text-lg">In which order</h2>
        <p className="text-soft">
          A table may name what another holds, so colours, moulds and prints come first, then parts, then figures and
          releases. Parts from a plain list of names need neither: what a row leaves empty is guessed from its name.
        </p>
      </section>
      <section aria-labelledby="take-out">
        <h2 id="take-out" className="text-2xl">
          Take a table out
        </h2>
        <p className="mt-1 text-soft">As CSV, which can be brought in again as it is.</p>
        <ul className="mt-3">
          {TABLE_NAMES.map((table) => (
            <li key={table} className="border-b border-rule">
              <a
                href={`/api/export/${table}.csv`}
                download={`${table}.csv`}
                className="flex items-baseline gap-3 rounded-[6px] px-1 py-1.5 hover:bg-band"
              >
                <Download aria-hidden className="size-4 self-center text-act" />
                <strong className="w-[140px]">{table}</strong>
                <span className="text-soft">{ABOUT[table]}</span>
                <span className="ml-auto text-[13px] text-soft">{columnsOf(table).length} columns</span>
              </a>
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
