import { DropdownMenu } from 'radix-ui'
import { MoreHorizontal } from 'lucide-react'
import { useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import type { RosterShelf } from '@outfit/core/shelf'
import { rosterApi } from '../data/rosterApi.ts'
import { tell, tellError } from '../ui/tell.ts'
import { EditRoster } from './EditRoster.tsx'

const item = 'block cursor-pointer rounded-[8px] px-2.5 py-1.5 outline-none data-[highlighted]:bg-band'

/** What is seldom done with a roster: changed, stood beside another, taken down. */
export function RosterMenu({ roster, rosters }: { roster: RosterShelf; rosters: readonly RosterShelf[] }) {
  const [editing, edit] = useState(false)
  const [takeDown] = rosterApi.endpoints.takeDownRoster.useMutation()
  const [putBack] = rosterApi.endpoints.putBack.useMutation()
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const others = rosters.filter(({ id }) => id !== roster.id)
  const down = async () => {
    const answer = await takeDown(roster.id)
    if (answer.error) return tellError(answer.error)
    void navigate('/')
    tell(`${roster.name} is taken down.`, async () => {
      const back = await putBack(answer.data.removed)
      if (!back.error) void navigate(`/rosters/${roster.id}`)
      return back
    })
  }
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label="More for this roster"
          className="rounded-[10px] border border-act/70 bg-card px-2 py-1.5 text-act hover:bg-band"
        >
          <MoreHorizontal aria-hidden className="size-5" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-20 w-[270px] rounded-[12px] border border-rule bg-card p-1.5 shadow-lg"
          >
            <DropdownMenu.Item className={item} onSelect={() => edit(true)}>
              Name, budget, date…
            </DropdownMenu.Item>
            {others.length > 0 && (
              <DropdownMenu.Sub>
                <DropdownMenu.SubTrigger className={item}>Stand another roster beside it ›</DropdownMenu.SubTrigger>
                <DropdownMenu.Portal>
                  <DropdownMenu.SubContent className="z-20 w-[230px] rounded-[12px] border border-rule bg-card p-1.5 shadow-lg">
                    {others.map(({ id, name }) => (
                      <DropdownMenu.Item
                        key={id}
                        className={item}
                        onSelect={() => void navigate(`/rosters/${roster.id}?beside=${id}`)}
                      >
                        {name}
                      </DropdownMenu.Item>
                    ))}
                  </DropdownMenu.SubContent>
                </DropdownMenu.Portal>
              </DropdownMenu.Sub>
            )}
            {search.has('beside') && (
              <DropdownMenu.Item className={item} onSelect={() => setSearch({}, { replace: true })}>
                Put the other one away
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            <DropdownMenu.Item className={`${item} text-problem`} onSelect={() => void down()}>
              Take this roster down
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {editing && <EditRoster roster={roster} onDone={() => edit(false)} />}
    </>
  )
}
