import { Link } from 'react-router'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { sizeOf } from './sizeOf.ts'
import type { ArchiveJob } from './useArchiveJob.ts'

/** How far it is, or what came of it. */
export function JobCourse({ job, onCancel }: { job: ArchiveJob; onCancel: () => void }) {
  if (job.state === 'idle') return null
  if (job.state === 'failed')
    return (
      <p role="alert" className="mt-4 rounded-[10px] border border-problem bg-card px-4 py-2.5 text-problem">
        {job.problem}
      </p>
    )
  if (job.state === 'running') {
    const { words = 'Beginning', done = 0, of = null } = job.progress ?? {}
    return (
      <div role="status" className="mt-4 flex items-center gap-4 rounded-[10px] border border-rule bg-card px-4 py-2.5">
        <span className="min-w-[220px]">{words}…</span>
        <progress
          className="flex-1"
          aria-label={words}
          {...(of === null || of === 0 ? {} : { max: of, value: Math.min(done, of) })}
        />
        <Button disabled={job.job === null} onClick={onCancel}>
          Stop
        </Button>
      </div>
    )
  }
  if (job.state === 'cleared')
    return (
      <div role="status" className="mt-4 flex items-center gap-4 rounded-[10px] border border-good bg-card px-4 py-2.5">
        <span className="flex-1">
          Cleared: {counted(job.report.rows, 'entry', 'entries')}.{' '}
          {job.report.name !== null && 'What was here before is among the copies.'}
        </span>
        <Link to="/settings/copies" className="font-semibold text-act underline">
          Look at the copies
        </Link>
      </div>
    )
  const { report } = job
  const held = `${counted(report.rows, 'entry', 'entries')} and ${counted(report.pictures, 'picture')}`
  const missing = report.missing > 0 && ` ${counted(report.missing, 'picture')} could not be found any more.`
  return (
    <div role="status" className="mt-4 flex items-center gap-4 rounded-[10px] border border-good bg-card px-4 py-2.5">
      {job.state === 'written' ? (
        <>
          <span className="flex-1">
            Saved: {held}, {sizeOf(job.report.bytes)}.{missing}
          </span>
          <a
            href={`/api/archives/${encodeURIComponent(job.report.name)}`}
            download={job.report.name}
            className="font-semibold text-act underline"
          >
            Download it
          </a>
        </>
      ) : (
        <>
          <span className="flex-1">
            Brought back: {held}.{missing} {report.name !== null && 'What was here before is among the copies.'}
          </span>
          <a href="/" className="font-semibold text-act underline">
            Look at it
          </a>
        </>
      )}
    </div>
  )
}
