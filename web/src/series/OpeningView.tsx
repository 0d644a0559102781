import { Dialog } from 'radix-ui'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { OPENING_ORDERS, openingOrder, type OpeningOrder, type Pack } from '@outfit/core/packs'
import { besidesIn, packNames, type PackNames, type SealedPacks, type SeriesMember } from '@outfit/core/series'
import type { RosterShelf } from '@outfit/core/shelf'
import { seriesApi } from '../data/seriesApi.ts'
import { OneOf } from '../show/ChoicePanel.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { NobodyDressed } from './NobodyDressed.tsx'
import { SeriesFrame, type SeriesShown } from './SeriesFrame.tsx'

/** Sealed packs, opened one after the other. */
export function OpeningView() {
  return <SeriesFrame>{(shown) => <Opening {...shown} />}</SeriesFrame>
}

const ORDER_WORDS: Readonly<Record<OpeningOrder, string>> = {
  number: 'by number',
  faction: 'faction by faction',
  chance: 'by chance',
}

function Opening({ roster, choices, members, sealed }: SeriesShown) {
  const [seal, { isLoading }] = seriesApi.endpoints.sealPacks.useMutation()
  if (members.length === 0) return <NobodyDressed />
  if (!sealed)
    return (
      <div className="mx-auto mt-10 max-w-[560px]">
        <h2 className="text-2xl">The packs are not sealed yet</h2>
        <p className="mt-2">
          What is in which pack is mixed under Packs. Once they are sealed nothing changes any more, and they can be
          opened here one after the other: who comes out, from front and back, and with what.
        </p>
        <div className="mt-4 flex gap-2">
          <Button
            look="act"
            disabled={isLoading || !choices.kept}
            onClick={async () => {
              const answer = await seal(roster.id)
              if (answer.error) tellError(answer.error)
            }}
          >
            Seal {counted(choices.value.packs.packs, 'pack')}
          </Button>
          <Link
            to={`/rosters/${roster.id}/series/packs`}
            className="self-center font-semibold text-act hover:underline"
          >
            See how they are mixed
          </Link>
        </div>
      </div>
    )
  return <Sealed roster={roster} members={members} sealed={sealed} names={packNames(members, choices.value, sealed)} />
}

function Sealed({
  roster,
  members,
  sealed,
  names,
}: {
  roster: RosterShelf
  members: readonly SeriesMember[]
  sealed: SealedPacks
  names: PackNames
}) {
  const [open] = seriesApi.endpoints.openPacks.useMutation()
  const [order, arrange] = useState<OpeningOrder>('number')
  const [shown, show] = useState<number | null>(null)
  const byId = useMemo(() => new Map(members.map((member) => [member.id, member])), [members])
  const opened = useMemo(() => new Set(sealed.opened), [sealed.opened])
  const queue = useMemo(
    () =>
      openingOrder(
        sealed.plan,
        order,
        (figure) => byId.get(figure)?.faction ?? '',
        members.map(({ faction }) => faction),
      ),
    [sealed.plan, order, byId, members],
  )
  const next = queue.find(({ pack }) => !opened.has(pack))
  const all = sealed.plan.packs.length
  const unveil = async (pack: number) => {
    const answer = await open({ id: roster.id, opened: [...opened, pack] })
    if (answer.error) tellError(answer.error)
  }
  const closeAll = async () => {
    const before = sealed.opened
    const answer = await open({ id: roster.id, opened: [] })
    if (answer.error) return tellError(answer.error)
    tell('All packs are closed again.', () => open({ id: roster.id, opened: before }))
  }
  return (
    <div className="mt-4">
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <p className="text-lg">
          <strong>{sealed.opened.length}</strong> of {counted(all, 'pack')} opened.
        </p>
        <OneOf
          label="In which order"
          value={order}
          options={OPENING_ORDERS.map((one) => [one, ORDER_WORDS[one]] as const)}
          onChoose={arrange}
        />
        <span className="flex gap-2">
          {next ? (
            <Button look="act" onClick={() => show(next.pack)}>
              {sealed.opened.length === 0 ? 'Open the first' : 'Open the next'}
            </Button>
          ) : (
            <Link
              to={`/rosters/${roster.id}/ranking`}
              className="inline-flex items-center rounded-[10px] border border-act bg-act px-3 py-1.5 font-semibold text-act-ink hover:brightness-110"
            >
              All are open: rank them
            </Link>
          )}
          {sealed.opened.length > 0 && (
            <Button look="plain" onClick={() => void closeAll()}>
              Close all again
            </Button>
          )}
        </span>
      </div>
      <p className="mt-2 text-soft">Or open whichever you like.</p>
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(104px,1fr))] gap-3">
        {sealed.plan.packs.map(({ pack, figure }) => {
          const isOpen = opened.has(pack)
          return (
            <li key={pack}>
              <button
                type="button"
                onClick={() => show(pack)}
                aria-label={isOpen ? `Pack ${pack}: ${names.figure(figure)}` : `Open pack ${pack}`}
                className={`flex h-[128px] w-full flex-col items-center justify-center rounded-[10px] border p-1 hover:border-act ${isOpen ? 'border-rule bg-card' : 'border-[#1b3d60] bg-[#24507C] text-[#FFFCF4]'}`}
              >
                {isOpen ? (
                  <>
                    <Figure placements={byId.get(figure)?.placements ?? []} label="" className="h-[86px]" />
                    <span className="w-full truncate text-center text-[12.5px]">{names.figure(figure)}</span>
                  </>
                ) : (
                  <span className="font-head text-2xl font-bold tabular-nums">{pack}</span>
                )}
              </button>
            </li>
          )
        })}
      </ul>
      {shown !== null && (
        <Unveiling
          key={shown}
          pack={sealed.plan.packs[shown - 1]!}
          member={byId.get(sealed.plan.packs[shown - 1]!.figure)}
          names={names}
          wasOpen={opened.has(shown)}
          left={all - opened.size}
          ranking={`/rosters/${roster.id}/ranking`}
          onOpen={() => void unveil(shown)}
          onNext={() => {
            const after = queue.find(({ pack }) => pack !== shown && !opened.has(pack))
            show(after?.pack ?? null)
          }}
          onLeave={() => show(null)}
        />
      )}
    </div>
  )
}

/** Buttons on the dark of the whole screen. */
const ON_DARK = { background: 'transparent', color: '#F4EEE2', borderColor: '#8A7E69' }

/** One pack on the whole screen: closed, then who is in it, from front and back, and what came with it. */
function Unveiling({
  pack,
  member,
  names,
  wasOpen,
  left,
  ranking,
  onOpen,
  onNext,
  onLeave,
}: {
  pack: Pack
  member: SeriesMember | undefined
  names: PackNames
  wasOpen: boolean
  /** Packs that are still closed. */
  left: number
  ranking: string
  onOpen: () => void
  onNext: () => void
  onLeave: () => void
}) {
  const [isOpen, setOpen] = useState(wasOpen)
  const [back, turn] = useState(false)
  const act = useRef<HTMLButtonElement>(null)
  useEffect(() => act.current?.focus(), [isOpen])
  const open = () => {
    setOpen(true)
    if (!wasOpen) onOpen()
  }
  const besides = besidesIn(pack, names)
  const last = isOpen && left === 0
  return (
    <Dialog.Root open onOpenChange={(stays) => !stays && onLeave()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onKeyDown={({ key }) => {
            if (key === 'ArrowRight') (isOpen ? onNext : open)()
            if (key === 'u' && isOpen) turn(!back)
          }}
          className="fixed inset-0 z-30 flex flex-col items-center justify-center bg-[#1E1C22] p-6 text-[#F4EEE2]"
        >
          <Dialog.Title className="text-center text-3xl">
            {isOpen ? names.figure(pack.figure) : `Pack ${pack.pack}`}
          </Dialog.Title>
          <p aria-live="polite" className="mt-1 min-h-6 max-w-[640px] text-center text-[#CFC4AB]">
            {isOpen ? member?.line : 'Who is inside?'}
          </p>
          <div className="mt-4 flex h-[min(52vh,460px)] items-center justify-center">
            {isOpen ? (
              <span className="h-full animate-[unveil_260ms_ease-out] rounded-[14px] bg-[#F4EEE2] px-8 py-4 motion-reduce:animate-none">
                <Figure
                  placements={member?.placements ?? []}
                  view={back ? 'back' : 'front'}
                  label={`${names.figure(pack.figure)}, ${back ? 'from behind' : 'from the front'}`}
                  className="h-full w-auto max-w-[70vw]"
                />
              </span>
            ) : (
              <button
                type="button"
                onClick={open}
                tabIndex={-1}
                aria-hidden
                className="flex h-[280px] w-[180px] items-center justify-center rounded-[6px] border border-[#3b6a99] bg-[#24507C] font-head text-7xl font-bold"
              >
                {pack.pack}
              </button>
            )}
          </div>
          <p className="mt-4 min-h-6 max-w-[640px] text-center">
            {isOpen && (besides.length > 0 ? `And: ${besides.join(', ')}.` : 'Nothing besides.')}
          </p>
          <div className="mt-4 flex flex-wrap items-center justify-center gap-2">
            {!isOpen && (
              <Button ref={act} look="act" onClick={open}>
                Open it
              </Button>
            )}
            {isOpen && (
              <>
                <Button style={ON_DARK} aria-keyshortcuts="u" onClick={() => turn(!back)}>
                  Turn round
                </Button>
                {last ? (
                  <Link
                    to={ranking}
                    className="inline-flex items-center rounded-[10px] border border-act bg-act px-3 py-1.5 font-semibold text-act-ink"
                  >
                    That was the last: rank them
                  </Link>
                ) : (
                  <Button ref={act} look="act" onClick={onNext}>
                    Next pack
                  </Button>
                )}
              </>
            )}
            <Button look="plain" style={{ ...ON_DARK, borderColor: 'transparent' }} onClick={onLeave}>
              Leave
            </Button>
          </div>
          <p className="mt-3 text-[13px] text-[#A79D8B]">
            Enter or → goes on, u turns the figure round, Escape leaves. {counted(left, 'pack')} still closed.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
