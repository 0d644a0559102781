import { formatDay } from '@outfit/core/base'
import { Archive, Download, Trash2, Undo2 } from 'lucide-react'
import { useState } from 'react'
import type { ArchiveReason, KeptArchive } from '@outfit/core/archive'
import { archiveApi } from '../data/archiveApi.ts'
import { errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { DropZone } from '../ui/DropZone.tsx'
import { FormDialog } from '../ui/FormDialog.tsx'
import { SettingsFrame } from '../settings/SettingsFrame.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tellError } from '../ui/tell.ts'
import { JobCourse } from './JobCourse.tsx'
import { sizeOf } from './sizeOf.ts'
import { useArchiveJob, type Started } from './useArchiveJob.ts'

const WHY: Record<ArchiveReason, string> = {
  asked: 'saved by you',
  daily: 'the copy of the day',
  'before-restore': 'what was there before a copy was brought back',
  'before-clearing': 'what was there before something was cleared',
  'before-import': 'what was there before a large list was brought in',
  'before-update': 'what was there before Outfit was updated',
}

const timeOf = (at: string) => formatDay(at, { dateStyle: 'medium', timeStyle: 'short' })

/** What is about to be brought back: a file of one's own, or a copy that is kept. */
interface Wanted {
  name: string
  begin: () => PromiseLike<Started>
}

/** Everything as one file, the copies there are, and the way back. */
export function CopiesView() {
  const { data: copies, error, refetch } = archiveApi.endpoints.archives.useQuery()
  const [write] = archiveApi.endpoints.writeArchive.useMutation()
  const [send] = archiveApi.endpoints.sendArchive.useMutation()
  const [bringBack] = archiveApi.endpoints.bringBack.useMutation()
  const [wanted, want] = useState<Wanted | null>(null)
  const { job, run, cancel } = useArchiveJob()
  const busy = job.state === 'running'
  return (
    <SettingsFrame>
      <p className="mt-3 max-w-[680px] text-soft">
        One file holds the whole workspace: parts, drawer, rosters, sellers, prices, orders and pictures. Keep it on
        another disk, or take it to another machine.
      </p>
      <div className="mt-5 grid gap-6 md:grid-cols-2">
        <section aria-labelledby="save" className="rounded-[14px] border border-rule bg-card p-4">
          <h2 id="save" className="text-xl">
            Save a copy now
          </h2>
          <p className="mt-1 text-soft">
            You can go on working while it is written. It is listed below, to be downloaded.
          </p>
          <Button look="act" className="mt-3" disabled={busy} onClick={() => void run('write', () => write())}>
            <Archive aria-hidden className="size-4" /> Save everything as one file
          </Button>
          <p className="mt-3 text-soft">
            For other programs:{' '}
            <a href="/api/export/tables.zip" download="outfit-tables.zip" className="font-semibold text-act underline">
              all tables as CSV in one ZIP
            </a>
            . It has the catalogue, what you own, sellers and prices; rosters and pictures only go along in copies.
          </p>
        </section>
        <section aria-labelledby="back" className="rounded-[14px] border border-rule bg-card p-4">
          <h2 id="back" className="text-xl">
            Bring a copy back
          </h2>
          <DropZone
            title="Drop a copy here, or choose one"
            hint="A ZIP file saved by Outfit; it is checked through before anything is replaced"
            label="A copy to bring back"
            accept=".zip,application/zip"
            small
            disabled={busy}
            onFiles={([file]) => file && want({ name: file.name, begin: () => send(file) })}
          />
        </section>
      </div>
      <JobCourse job={job} onCancel={cancel} />
      <h2 className="mt-8 text-xl">Copies on this machine</h2>
      <p className="text-soft">
        One is saved by itself each day Outfit runs, and one before much is brought in, cleared or updated. Of the
        first, the last seven days, four weeks and twelve months are kept; of those before an import or a clearing the
        last five. What you save yourself, and what was here before a copy was brought back, stays until you delete it.
      </p>
      {error ? (
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      ) : !copies ? (
        <Waiting>Looking for copies…</Waiting>
      ) : copies.length === 0 ? (
        <p className="mt-3 rounded-[10px] border border-dashed border-rule px-4 py-5 text-center text-soft">
          There is none yet.
        </p>
      ) : (
        <ul aria-label="Copies" className="mt-3 divide-y divide-rule rounded-[12px] border border-rule bg-card">
          {copies.map((copy) => (
            <Copy
              key={copy.name}
              copy={copy}
              busy={busy}
              onBack={() => want({ name: timeOf(copy.at), begin: () => bringBack(copy.name) })}
            />
          ))}
        </ul>
      )}
      {wanted && (
        <FormDialog
          title={`Bring back ${wanted.name}?`}
          about="It takes the place of everything that is here now. What is here is saved as a copy first, so that you can come back to it."
          keep="Bring it back"
          ready
          onKeep={() => {
            want(null)
            void run('restore', wanted.begin)
          }}
          onLeave={() => want(null)}
        >
          {null}
        </FormDialog>
      )}
    </SettingsFrame>
  )
}

function Copy({ copy, busy, onBack }: { copy: KeptArchive; busy: boolean; onBack: () => void }) {
  const [forget] = archiveApi.endpoints.forgetArchive.useMutation()
  const [sure, ask] = useState(false)
  const when = timeOf(copy.at)
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2.5">
      <span className="min-w-[170px] font-semibold">{when}</span>
      <span className="flex-1 text-soft">
        {WHY[copy.reason]}, {sizeOf(copy.bytes)}
      </span>
      <a
        href={`/api/archives/${encodeURIComponent(copy.name)}`}
        download={copy.name}
        aria-label={`Download the copy of ${when}`}
        className="inline-flex items-center gap-2 rounded-[10px] border border-act/70 bg-card px-3 py-1.5 font-semibold text-act hover:border-act hover:bg-band"
      >
        <Download aria-hidden className="size-4" /> Download
      </a>
      <Button disabled={busy} onClick={onBack} aria-label={`Bring back the copy of ${when}`}>
        <Undo2 aria-hidden className="size-4" /> Bring back
      </Button>
      <Button look="plain" disabled={busy} onClick={() => ask(true)} aria-label={`Delete the copy of ${when}`}>
        <Trash2 aria-hidden className="size-4" />
      </Button>
      {sure && (
        <FormDialog
          title={`Delete the copy of ${when}?`}
          about="The file is removed from this machine for good. Nothing of the workspace changes."
          keep="Delete it"
          ready
          onKeep={() => {
            ask(false)
            void forget(copy.name).then(({ error }) => error && tellError(error))
          }}
          onLeave={() => ask(false)}
        >
          {null}
        </FormDialog>
      )}
    </li>
  )
}
