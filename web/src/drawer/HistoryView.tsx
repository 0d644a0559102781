import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { groupBy } from '@outfit/core/base'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { ACT_KINDS, type ToldAct } from '@outfit/core/drawer'
import { api, errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { DrawerFrame } from './DrawerFrame.tsx'

/** Parts told of one way of an act before the rest is only counted. */
const TOLD = 6

/** Everything that ever happened to owned parts, the newest first. */
export function HistoryView() {
  const [search] = useSearchParams()
  const part = search.get('part') ?? undefined
  const { data: detail } = api.endpoints.partDetail.useQuery(part ?? '', { skip: !part })
  return (
    <DrawerFrame>
      {(_box, catalogue) => (
        <div className="mt-3 max-w-[900px]">
          {part && (
            <p className="mb-2">
              All that happened to <strong>{detail ? partLabel(catalogue, detail.part) : part}</strong>.{' '}
              <Link to="/drawer/history" className="text-act hover:underline">
                Show everything
              </Link>
            </p>
          )}
          <History {...(part ? { part } : {})} />
        </div>
      )}
    </DrawerFrame>
  )
}

interface HistoryProps {
  part?: string
  bin?: string
  /** One line an act. */
  short?: boolean
}

/** Acts of everything, of a part or of a bin; each can be taken back once. */
export function History({ part, bin, short = false }: HistoryProps) {
  const [ends, setEnds] = useState<readonly string[]>([])
  const pages = [undefined, ...ends]
  return (
    <ul aria-label="History" className="border-t border-rule">
      {pages.map((before, i) => (
        <Page
          key={before ?? ''}
          question={{ ...(part ? { part } : {}), ...(bin ? { bin } : {}), ...(before ? { before } : {}) }}
          short={short}
          last={i === pages.length - 1}
          onMore={(end) => setEnds([...ends, end])}
        />
      ))}
    </ul>
  )
}

interface PageProps {
  question: { part?: string; bin?: string; before?: string }
  short: boolean
  last: boolean
  onMore: (end: string) => void
}

function Page({ question, short, last, onMore }: PageProps) {
  const { data, error, refetch } = drawerApi.endpoints.acts.useQuery(question)
  const catalogue = useKnownCatalogue(data)
  if (error)
    return (
      <li>
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      </li>
    )
  if (!data || !catalogue)
    return (
      <li>
        <Waiting>Leafing back…</Waiting>
      </li>
    )
  return (
    <>
      {data.acts.length === 0 && <li className="py-3 text-soft">Nothing yet.</li>}
      {data.acts.map((act) => (
        <Act key={act.id} act={act} catalogue={catalogue} short={short} />
      ))}
      {last && data.more && (
        <li className="py-2">
          <Button onClick={() => onMore(data.acts.at(-1)!.id)}>Older ones</Button>
        </li>
      )}
    </>
  )
}

function Act({ act, catalogue, short }: { act: ToldAct; catalogue: Catalogue; short: boolean }) {
  const [reverse, { isLoading }] = drawerApi.endpoints.reverseAct.useMutation()
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const { kind, text, at, moves, reversedBy, photo } = act
  const units = moves.reduce((sum, { qty }) => sum + qty, 0)
  const named = (code: string | null) =>
    code === null ? 'outside' : (box?.bins.find((bin) => bin.code === code)?.name ?? code)
  const label = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const back = async () => {
    const answer = await reverse(act.id)
    if (answer.error) return tellError(answer.error)
    const taken = answer.data.act
    tell(`Taken back: ${ACT_KINDS[kind].toLowerCase()} ${text}`, () => reverse(taken))
  }
  return (
    <li className={`border-b border-rule py-1.5 ${reversedBy ? 'text-soft' : ''}`}>
      <div className="flex items-baseline gap-2">
        <span className="w-[84px] shrink-0 text-[13px] text-soft">{at}</span>
        <span className={`min-w-0 flex-1 ${reversedBy ? 'line-through' : ''}`}>
          <strong>{ACT_KINDS[kind]}</strong> {text}{' '}
          <span className="text-soft">
            {units} {units === 1 ? 'part' : 'parts'}
          </span>{' '}
          {photo && (
            <a href={`/api/photos/${photo}`} target="_blank" rel="noreferrer" className="text-act underline">
              picture
            </a>
          )}
        </span>
        {reversedBy ? (
          <span className="text-[13px]">taken back</span>
        ) : (
          <Button
            look="plain"
            className="shrink-0 !py-0.5 text-[13px]"
            disabled={isLoading}
            onClick={() => void back()}
          >
            Take back
          </Button>
        )}
      </div>
      {!short &&
        [...groupBy(moves, ({ from, to }) => `${named(from)} → ${named(to)}`)].map(([way, those]) => (
          <p key={way} className="ml-[92px] text-[13px] text-soft">
            {way}:{' '}
            {those.slice(0, TOLD).map(({ part, qty }, i) => (
              <span key={i}>
                {i > 0 && ', '}
                {qty > 1 && `${qty} × `}
                <Link to={`/parts/${part}`} className="hover:text-act hover:underline">
                  {label(part)}
                </Link>
              </span>
            ))}
            {those.length > TOLD && ` and ${those.length - TOLD} more`}
          </p>
        ))}
    </li>
  )
}
