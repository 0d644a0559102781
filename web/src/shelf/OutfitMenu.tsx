import { DropdownMenu } from 'radix-ui'
import { MoreHorizontal } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { isClothed, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { rosterApi } from '../data/rosterApi.ts'
import { tell, tellError } from '../ui/tell.ts'

const OutfitDialog = lazy(async () => ({ default: (await import('../roster/OutfitDialog.tsx')).OutfitDialog }))

const ArmyDialog = lazy(async () => ({ default: (await import('../teams/ArmyDialog.tsx')).ArmyDialog }))

const item = 'block cursor-pointer rounded-[8px] px-2.5 py-1.5 outline-none data-[highlighted]:bg-band'

/** What can be done with an outfit on the shelf. */
export function OutfitMenu({ outfit, roster }: { outfit: ShelfOutfit; roster: RosterShelf }) {
  const [asking, ask] = useState<'change' | 'another' | 'army' | null>(null)
  const [remove] = rosterApi.endpoints.removeOutfits.useMutation()
  const [putBack] = rosterApi.endpoints.putBack.useMutation()
  const [build] = rosterApi.endpoints.buildOutfit.useMutation()
  const [takeApart] = rosterApi.endpoints.takeApart.useMutation()
  const off = async () => {
    const answer = await remove({ roster: roster.id, outfits: [outfit.id] })
    if (answer.error) return tellError(answer.error)
    const { removed } = answer.data
    tell(`${outfit.name} is taken off.`, () => putBack(removed))
  }
  const stand = async (built: boolean) => {
    const answer = await (built ? takeApart : build)(outfit.id)
    if (answer.error) return tellError(answer.error)
    const parts = `${answer.data.moved} ${answer.data.moved === 1 ? 'part' : 'parts'}`
    tell(
      built
        ? `${outfit.name} is taken apart: ${parts} back in their bins.`
        : `${outfit.name} stands built: ${parts} moved onto it.`,
      () => (built ? build : takeApart)(outfit.id),
    )
  }
  const built = outfit.state === 'built' || outfit.state === 'shown'
  const at = (room: string) => `/outfits/${outfit.id}/${room}`
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label={`More for ${outfit.name}`}
          onPointerDown={(event) => event.stopPropagation()}
          className="absolute top-0 right-0 rounded-[8px] p-1 text-soft opacity-60 hover:bg-band hover:opacity-100 focus:opacity-100 data-[state=open]:bg-band data-[state=open]:opacity-100"
        >
          <MoreHorizontal aria-hidden className="size-4" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            sideOffset={4}
            className="z-20 w-[240px] rounded-[12px] border border-rule bg-card p-1.5 shadow-lg"
          >
            {(
              [
                ['Dress it', 'bench'],
                ['Write its brief', 'brief'],
                ['Buy what is missing', 'sourcing'],
                ['Build it at the workbench', 'workbench'],
              ] as const
            ).map(([words, room]) => (
              <DropdownMenu.Item key={room} asChild>
                <Link to={at(room)} className={item}>
                  {words}
                </Link>
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            <DropdownMenu.Item className={item} onSelect={() => ask('change')}>
              Name, faction, starting figure…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => ask('another')}>
              Another outfit of {outfit.character}…
            </DropdownMenu.Item>
            {outfit.placements.some(({ slot }) => slot === 'head') && (
              <DropdownMenu.Item className={item} onSelect={() => ask('army')}>
                An army of it…
              </DropdownMenu.Item>
            )}
            {(built || (outfit.state === 'ready' && isClothed(outfit.placements))) && (
              <DropdownMenu.Item className={item} onSelect={() => void stand(built)}>
                {built ? 'Take it apart' : 'It stands built'}
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            <DropdownMenu.Item className={`${item} text-problem`} onSelect={() => void off()}>
              Take it off the roster
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {asking && (
        <Suspense>
          {asking === 'army' ? (
            <ArmyDialog outfit={outfit} roster={roster.id} onDone={() => ask(null)} />
          ) : (
            <OutfitDialog outfit={outfit} roster={roster} what={asking} onDone={() => ask(null)} />
          )}
        </Suspense>
      )}
    </>
  )
}
