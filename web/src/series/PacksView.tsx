import { useMemo } from 'react'
import { checkBonus, collate, type Packed } from '@outfit/core/packs'
import { packNames, times } from '@outfit/core/series'
import { seriesApi } from '../data/seriesApi.ts'
import { ChoicePanel } from '../show/ChoicePanel.tsx'
import { ExportBar } from '../show/ExportBar.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { tell, tellError } from '../ui/tell.ts'
import { BonusBuildFields } from './BonusBuildFields.tsx'
import { NobodyDressed } from './NobodyDressed.tsx'
import { PackFields } from './PackFields.tsx'
import { PackList } from './PackList.tsx'
import { PackOdds } from './PackOdds.tsx'
import { PacksLacking } from './PacksLacking.tsx'
import { SeriesFrame, type SeriesShown } from './SeriesFrame.tsx'

/** Blind packs of a series: who is in which, what is lacking to fill them, and what whoever opens some may hope for. */
export function PacksView() {
  return <SeriesFrame>{(shown) => <Packs {...shown} />}</SeriesFrame>
}

const FILES = [
  ['Labels', 'labels', 'To stick on: they tell nobody what is inside'],
  ['Key', 'key', 'Which mark is which pack, to be kept apart'],
  ['Everything', 'everything', 'Leaflet, cartons, labels, packing list and key in one PDF'],
  ['Packing list', 'packing-list', 'What to lay into which pack'],
] as const

function Packs({ roster, choices, members, sealed }: SeriesShown) {
  const { value: series, change } = choices
  const { packs, bonus } = series
  const [seal, { isLoading: sealing }] = seriesApi.endpoints.sealPacks.useMutation()
  const [mendSeal] = seriesApi.endpoints.mendSeal.useMutation()
  const [breakSeal] = seriesApi.endpoints.breakSeal.useMutation()
  const figures: readonly Packed[] = members
  const made = useMemo(() => collate(packs, figures, bonus), [packs, figures, bonus])
  const names = useMemo(() => packNames(members, series, sealed), [members, series, sealed])
  if (members.length === 0) return <NobodyDressed />
  const plan = sealed?.plan ?? made.plan
  const closeUp = async () => {
    const answer = await seal(roster.id)
    if (answer.error) return tellError(answer.error)
    tell(`${counted(made.plan!.packs.length, 'pack')} sealed.`, () => breakSeal(roster.id))
  }
  const openUp = async () => {
    const answer = await breakSeal(roster.id)
    if (answer.error) return tellError(answer.error)
    tell('The seal is broken; packs follow the choices again.', () => mendSeal(roster.id))
  }
  const check = plan && bonus && checkBonus(plan, bonus)
  return (
    <div className="mt-3 flex flex-col gap-5 md:flex-row">
      <div className="min-w-0 flex-1">
        {!plan && (
          <div role="alert" className="rounded-[10px] border border-problem bg-card p-4">
            <p className="font-semibold">Two things that were asked for fight</p>
            <ul className="mt-1 space-y-2">
              {made.conflicts.map(({ between, words }) => (
                <li key={words}>
                  <span className="block text-soft">
                    “{between[0]}” against “{between[1]}”
                  </span>
                  {words}
                </li>
              ))}
            </ul>
          </div>
        )}
        {plan && (
          <>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
              <p className="text-soft">
                {counted(plan.packs.length, 'pack')}
                {sealed ? `, sealed; ${sealed.opened.length} of them opened.` : ', mixed and not sealed yet.'}
              </p>
              <ExportBar
                files={FILES.map(([name, file, hint]) => ({
                  name,
                  hint,
                  href: `/api/rosters/${roster.id}/series/print/${file}.pdf`,
                }))}
                waits={!choices.kept}
                quiet={!sealed}
              />
            </div>
            {!sealed &&
              made.notices.map((words) => (
                <p key={words} className="mt-2 text-[14px] text-notice">
                  {words}
                </p>
              ))}
            {check && (
              <p role="status" className="mt-2 text-[14px]">
                {check.exact
                  ? `All packs together hold exactly the pieces of ${counted(check.builds, 'build')} of “${bonus.name}”.`
                  : `All packs together make ${counted(check.builds, 'build')} of “${bonus.name}”; over: ${inWords(check.over, names.part)}. One more would need ${inWords(check.lacking, names.part)}.`}
              </p>
            )}
            <PackList plan={plan} names={names} members={members} opened={sealed?.opened ?? []} />
            <PacksLacking roster={roster.id} kept={choices.kept} />
            <PackOdds plan={plan} />
          </>
        )}
      </div>
      <ChoicePanel label="The packs" choices={choices}>
        {sealed ? (
          <div className="rounded-[10px] border border-rule bg-card p-3 text-[14px]">
            <p>
              <strong>Sealed.</strong> Lists, labels and the opening follow what was packed. What is changed below
              counts once the seal is broken.
            </p>
            <Button className="mt-2" onClick={() => void openUp()}>
              Break the seal
            </Button>
          </div>
        ) : (
          <div>
            <Button look="act" disabled={!plan || !choices.kept || sealing} onClick={() => void closeUp()}>
              Seal the packs
            </Button>
            <p className="mt-1 text-[13.5px] text-soft">
              Sealed, they stay as they are, whatever is changed later. Then they can be opened one by one.
            </p>
          </div>
        )}
        <PackFields packs={packs} members={members} onChange={(next) => change({ packs: { ...packs, ...next } })} />
        <BonusBuildFields bonus={bonus} onChange={(next) => change({ bonus: next })} />
      </ChoicePanel>
    </div>
  )
}

const inWords = (pieces: readonly { part: string; qty: number }[], nameOf: (part: string) => string) =>
  pieces.map(({ part, qty }) => times(qty, nameOf(part))).join(', ') || 'nothing'
