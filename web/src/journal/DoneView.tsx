import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { formatDay, groupBy } from '@outfit/core/base'
import { takenBackInWords, toldOf, type Done } from '@outfit/core/journal'
import { JobCourse } from '../archive/JobCourse.tsx'
import { useArchiveJob } from '../archive/useArchiveJob.ts'
import { errorText } from '../data/api.ts'
import { archiveApi } from '../data/archiveApi.ts'
import { journalApi } from '../data/journalApi.ts'
import { SettingsFrame } from '../settings/SettingsFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { FormDialog } from '../ui/FormDialog.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, warn } from '../ui/tell.ts'

/** Where what was taken back is told to the page that is loaded after it. */
const TOLD = 'outfit.taken-back'

const dayOf = (at: string) => formatDay(at, { weekday: 'long', day: 'numeric', month: 'long' })
const timeOf = (at: string) => formatDay(at, { hour: '2-digit', minute: '2-digit' })

/** What was done in the last days, by whom, each with one press to take it back. */
export function DoneView() {
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    journalApi.endpoints.done.useInfiniteQuery(undefined, { refetchOnMountOrArgChange: true })
  const [takeBack, { isLoading, originalArgs }] = journalApi.endpoints.takeDoneBack.useMutation()
  const all = data?.pages.flatMap(({ done }) => done) ?? []
  const [bringBack] = archiveApi.endpoints.bringBack.useMutation()
  const { job, run, cancel } = useArchiveJob()
  const [wanted, want] = useState<Done | null>(null)
  const isGoing = isLoading || job.state === 'running'
  const back = async ({ id, words }: Done) => {
    const answer = await takeBack(id)
    if (answer.error) return warn(errorText(answer.error))
    // Nothing this page has read or holds is sure to be true any more.
    sessionStorage.setItem(TOLD, `${takenBackInWords(words)}.`)
    window.location.reload()
  }
  useEffect(() => {
    const told = sessionStorage.getItem(TOLD)
    sessionStorage.removeItem(TOLD)
    if (told !== null) tell(told)
  }, [])
  return (
    <SettingsFrame>
      <p className="mt-3 max-w-[680px] text-soft">
        Everything that was done in the last fourteen days, on any device, the newest first. Taking something back
        leaves what came later as it is, and is refused where that builds on it.
      </p>
      <JobCourse job={job} onCancel={cancel} />
      {error ? (
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      ) : !data ? (
        <Waiting>Looking up what was done…</Waiting>
      ) : all.length === 0 ? (
        <EmptyNote title="Nothing was done yet">
          Dress somebody, bring a list in, move a part: it is written down here, and can be taken back.
        </EmptyNote>
      ) : (
        [...groupBy(all, ({ at }) => dayOf(at))].map(([day, list]) => (
          <section key={day} aria-label={day} className="mt-5">
            <h2 className="text-lg">{day}</h2>
            <ul className="mt-1">
              {list.map((one) => (
                <DoneRow
                  key={one.id}
                  one={one}
                  isGoing={isGoing}
                  isOwnGoing={isLoading && originalArgs === one.id}
                  onTakeBack={() => (one.copy === null ? void back(one) : want(one))}
                />
              ))}
            </ul>
          </section>
        ))
      )}
      {hasNextPage && (
        <Button className="mt-4" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          Older
        </Button>
      )}
      {wanted && (
        <FormDialog
          title={`Take back: ${wanted.words}?`}
          about={`It was too much to be written down row by row. A copy of everything was kept just before it, and is brought back whole${goneWith(all.indexOf(wanted))}. What is here now is saved as a copy first, so that you can come back to it.`}
          keep="Bring it back"
          ready
          onKeep={() => {
            want(null)
            void run('restore', () => bringBack(wanted.copy!))
          }}
          onLeave={() => want(null)}
        >
          {null}
        </FormDialog>
      )}
    </SettingsFrame>
  )
}

/** What came after something goes with it, where everything is brought back as it was before. */
const goneWith = (later: number) =>
  later === 0 ? '' : `; the ${counted(later, 'thing')} done since ${later === 1 ? 'goes' : 'go'} with it`

function DoneRow({
  one: { at, words, own, device, undone, again, canTakeBack, copy },
  isGoing,
  isOwnGoing,
  onTakeBack,
}: {
  one: Done
  isGoing: boolean
  isOwnGoing: boolean
  onTakeBack: () => void
}) {
  const isGone = undone !== null && !again
  const { what, isBack } = toldOf(words)
  const [press, Sign] = isBack ? ['Do again', Redo2] : ['Take back', Undo2]
  return (
    <li className="flex min-h-[44px] flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule py-1.5">
      <span className="w-[48px] text-soft">{timeOf(at)}</span>
      <span className={`min-w-0 flex-1 basis-[220px] ${isGone ? 'text-soft line-through' : ''}`}>{words}</span>
      <span className="text-[14px] text-soft">
        {own ? 'in this browser' : device === 'a program' ? 'by a program' : `on ${device}`}
      </span>
      <span className="ml-auto flex justify-end text-[14px] sm:w-[150px]">
        {undone ? (
          <span className="text-soft">{again ? 'done again' : 'taken back'}</span>
        ) : canTakeBack || copy !== null ? (
          <Button look="plain" disabled={isGoing} aria-label={`${press}: ${what}`} onClick={onTakeBack}>
            <Sign aria-hidden className="size-4" />
            {isOwnGoing ? 'One moment…' : copy === null ? press : `${press}…`}
          </Button>
        ) : (
          <Link to="/settings/copies" className="text-act underline">
            see the copies
          </Link>
        )}
      </span>
    </li>
  )
}
