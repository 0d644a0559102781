import { Dialog } from 'radix-ui'
import { useEffect, useId, useMemo, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { statureAt, type Brief } from '@outfit/core/brief'
import { readNames, type ListedName } from '@outfit/core/tables'
import type { LookedAt } from '@outfit/core/intake'
import type { RosterShelf } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { intakeApi } from '../data/intakeApi.ts'
import { rosterApi } from '../data/rosterApi.ts'
import type { Told } from '../description/toldOf.ts'
import { Button } from '../ui/Button.tsx'
import { tell } from '../ui/tell.ts'

/** Most bytes of a list. */
const LARGEST = 1_000_000

/** Paste a list of names and make a character with an outfit of each; what was understood shows while one writes. */
export function AddCharacters({ roster }: { roster: RosterShelf }) {
  // A list that came in by the door for all lists.
  const brought = (useLocation().state as { characters?: string } | null)?.characters ?? ''
  const [open, setOpen] = useState(brought !== '')
  const [text, setText] = useState(brought)
  const [faction, setFaction] = useState('')
  const [add, { isLoading }] = rosterApi.endpoints.addCharacters.useMutation()
  const [keep] = intakeApi.endpoints.keepList.useMutation()
  const [look] = intakeApi.endpoints.lookAt.useLazyQuery()
  const [remove] = rosterApi.endpoints.removeOutfits.useMutation()
  const [problem, setProblem] = useState('')
  const navigate = useNavigate()
  const factionId = useId()
  const list = useMemo(
    () =>
      readNames(
        text,
        roster.outfits.flatMap(({ name, character }) => [name, character]),
      ),
    [text, roster.outfits],
  )
  const { names, faults, doubles } = list
  const { told, isReading } = useTold(open, names)
  const doubled = new Map(doubles.map((double) => [double.line, double]))

  const readFile = async (file: File | undefined) => {
    if (!file) return
    if (file.size > LARGEST) return setProblem(`${file.name} is larger than a list of names can be (1 MB).`)
    // Any letters, a workbook too: as all lists are read.
    const kept = await keep({ name: file.name, body: file })
    const list = kept.error ? kept : await look({ id: kept.data.id, choices: { kind: 'characters' } }, false)
    if (list.error) {
      const words = errorText(list.error)
      return setProblem(words.startsWith(file.name) ? words : `${file.name}: ${words}`)
    }
    setProblem('')
    setText((list.data as LookedAt).text ?? '')
  }
  const save = async () => {
    const answer = await add({
      roster: roster.id,
      version: roster.version,
      characters: names.map(({ name, faction: own, years, notes }, i) => ({
        name,
        faction: own || faction.trim(),
        years,
        notes,
        ...(told[i] ? { brief: told[i].brief } : {}),
      })),
    })
    if (answer.error) return setProblem(errorText(answer.error))
    setOpen(false)
    if (brought !== '') void navigate('.', { replace: true, state: null })
    setText('')
    setProblem('')
    const { outfits } = answer.data
    tell(`${outfits.length === 1 ? '1 character' : `${outfits.length} characters`} added.`, () =>
      remove({ roster: roster.id, outfits }),
    )
  }
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next)
        // Once taken or left, it does not come up again with the page.
        if (!next && brought !== '') void navigate('.', { replace: true, state: null })
      }}
    >
      <Dialog.Trigger asChild>
        <Button className="px-2.5 py-1 text-[14px]">Add characters</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-30 flex h-[min(620px,calc(100dvh-16px))] w-[min(860px,calc(100vw-16px))] -translate-x-1/2 -translate-y-1/2 flex-col rounded-[14px] border border-rule bg-card p-5 shadow-xl">
          <Dialog.Title className="text-xl">Add characters to {roster.name}</Dialog.Title>
          <Dialog.Description className="text-soft">
            Paste names, one a line, with what they look like behind a colon; or a table whose header has a name and
            perhaps faction, age and notes. What is told of them becomes wishes of their briefs, as it shows here.
          </Dialog.Description>
          <div className="mt-3 grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] grid-rows-2 gap-4 sm:grid-cols-2 sm:grid-rows-1">
            <div className="flex min-h-0 flex-col gap-2">
              <textarea
                autoFocus
                aria-label="Names"
                value={text}
                onChange={(event) => setText(event.target.value)}
                placeholder={
                  'Ada Quill: old woman, grey bun, purple shawl\nBo Reed: boy, red cap, drum\n\nor a table:\nname, faction, age, notes\nCy Marsh, Makers, 34, "bald, green apron"'
                }
                className="min-h-0 flex-1 resize-none rounded-[8px] border border-rule bg-paper px-2 py-1.5 placeholder:text-soft"
              />
              <label className="flex items-center gap-2">
                Or open a file
                <input
                  type="file"
                  accept=".xlsx,.ods,.csv,.tsv,.txt,text/csv,text/plain"
                  onChange={(event) => void readFile(event.target.files?.[0])}
                  className="min-w-0 flex-1 text-[13.5px]"
                />
              </label>
              <label htmlFor={factionId} className="flex items-center gap-2">
                Faction, where the list has none
                <input
                  id={factionId}
                  value={faction}
                  maxLength={80}
                  onChange={(event) => setFaction(event.target.value)}
                  className="min-w-0 flex-1 rounded-[8px] border border-rule bg-paper px-2 py-1"
                />
              </label>
            </div>
            <div tabIndex={0} aria-label="As understood" role="region" className="min-h-0 overflow-y-auto">
              {names.length + faults.length === 0 ? (
                <p className="py-10 text-center text-soft">What you paste shows here as it will be taken.</p>
              ) : (
                <ul>
                  {faults.map(({ line, message }) => (
                    <li key={`fault ${line}`} className="border-b border-rule py-1 text-problem">
                      Line {line}: {message}. It is left out.
                    </li>
                  ))}
                  {names.map(({ line, name, faction: own, years }, i) => (
                    <li key={line} className="border-b border-rule py-1">
                      <strong>{name}</strong>{' '}
                      <span className="text-[13.5px] text-soft">
                        {[own || faction, ageOf(years, told[i]?.brief)].filter(Boolean).join(' · ')}
                      </span>
                      {told[i] && (
                        <span className="block text-[13.5px]">
                          {told[i].words.join(', ') || 'nothing of it is understood'}
                          {told[i].rest.length > 0 && (
                            <span className="text-soft"> · stays in the notes: {told[i].rest.join(', ')}</span>
                          )}
                        </span>
                      )}
                      {doubled.has(line) && (
                        <span className="block text-[13.5px] text-soft italic">
                          This name is in {doubled.get(line)!.other} too.
                        </span>
                      )}
                    </li>
                  ))}
                </ul>
              )}
            </div>
          </div>
          {problem && (
            <p role="alert" className="mt-2 text-problem">
              {problem}
            </p>
          )}
          <div className="mt-3 flex items-center gap-3">
            <Button look="act" disabled={names.length === 0 || isLoading || isReading} onClick={() => void save()}>
              Add {names.length === 1 ? '1 character' : `${names.length} characters`}
            </Button>
            {isReading && (
              <span role="status" className="text-[13.5px] text-soft">
                Reading what is told of them…
              </span>
            )}
            <Dialog.Close asChild>
              <Button>Leave it</Button>
            </Dialog.Close>
            {doubles.length > 0 && (
              <span className="text-[13.5px] text-soft">
                {doubles.length === 1 ? '1 name comes twice' : `${doubles.length} names come twice`}; both are added.
              </span>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const ageOf = (years: number | null, brief: Brief | undefined): string => {
  const age = years ?? brief?.years ?? null
  return age === null ? (brief?.stature ?? 'full') : `${age} years, ${brief?.stature ?? statureAt(age)}`
}

/**
 * What the notes of a list say of its characters; null for those of whom nothing is told. Its reader comes with the first list, and whoever
 * added them before it is there would have them without their briefs; where it does not come at all, the notes are kept as they are.
 */
function useTold(open: boolean, names: readonly ListedName[]): { told: readonly (Told | null)[]; isReading: boolean } {
  const catalogue = useAppSelector(selectCatalogue)
  const { isError } = api.endpoints.basics.useQuery(undefined, { skip: !open })
  const [reader, setReader] = useState<typeof import('../description/toldOf.ts') | 'missing' | null>(null)
  useEffect(() => {
    if (open) import('../description/toldOf.ts').then(setReader, () => setReader('missing'))
  }, [open])
  const told = useMemo(
    () =>
      names.map(({ notes, years }) =>
        reader && reader !== 'missing' && catalogue && notes ? reader.toldOf(notes, years, catalogue) : null,
      ),
    [names, reader, catalogue],
  )
  const isThere = isError || reader === 'missing' || (reader !== null && catalogue !== null)
  return { told, isReading: !isThere && names.some(({ notes }) => notes !== '') }
}
