import { useMemo, useState } from 'react'
import type { PackPlan } from '@outfit/core/packs'
import { besidesIn, packMark, type PackNames, type SeriesMember } from '@outfit/core/series'
import { marksSvg } from '@outfit/core/show'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'

/** Packs shown before more are asked for. */
const FIRST = 48

/** What is in which pack, as cards; those that were opened are ticked. */
export function PackList({
  plan,
  names,
  members,
  opened,
}: {
  plan: PackPlan
  names: PackNames
  members: readonly SeriesMember[]
  opened: readonly number[]
}) {
  const [all, showAll] = useState(false)
  const byId = useMemo(() => new Map(members.map((member) => [member.id, member])), [members])
  const open = useMemo(() => new Set(opened), [opened])
  const shown = all ? plan.packs : plan.packs.slice(0, FIRST)
  return (
    <section aria-labelledby="packed" className="mt-3">
      <h2 id="packed" className="text-xl">
        What is in which pack
      </h2>
      <ol className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-x-4">
        {shown.map((pack) => {
          const { pack: number, figure, code } = pack
          return (
            <li key={number} className="flex min-w-0 items-center gap-2 border-t border-rule py-1.5">
              <span className="w-7 shrink-0 text-right font-head font-bold tabular-nums">{number}</span>
              <Figure
                placements={byId.get(figure)?.placements ?? []}
                label=""
                crop="head"
                className="size-9 shrink-0"
              />
              <span className="min-w-0 flex-1 text-[14px]">
                <span className="block truncate font-semibold" title={names.figure(figure)}>
                  {names.figure(figure)}
                </span>
                <span className="block text-[13px] text-soft">{besidesIn(pack, names).join(', ')}</span>
              </span>
              <span className="flex shrink-0 flex-col items-end gap-0.5 text-[12px] text-soft">
                <svg
                  viewBox={`${-plan.bits} -1.2 ${2 * plan.bits} 2.4`}
                  className="h-2.5"
                  role="img"
                  aria-label="Secret mark"
                  dangerouslySetInnerHTML={{ __html: marksSvg(packMark(code, plan.bits)) }}
                />
                {open.has(number) && 'opened'}
              </span>
            </li>
          )
        })}
      </ol>
      {plan.packs.length > FIRST && !all && (
        <Button look="plain" className="mt-1" onClick={() => showAll(true)}>
          Show all {plan.packs.length}
        </Button>
      )}
    </section>
  )
}
