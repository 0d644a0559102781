import { Plus, Trash2, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { MADE_AS, mainColour, partLabel, type MadeBand, type Catalogue, type MadeAs } from '@outfit/core/catalogue'
import { gripAt, pressed, type BoardKey, type MadeItem } from '@outfit/core/made'
import { homeMoney } from '@outfit/core/market'
import { mmPerUnit } from '@outfit/core/mannequin'
import { traitNamed } from '@outfit/core/brief'
import { PartPicker } from '../catalogue/PartPicker.tsx'
import { Field, TextField, box } from '../catalogue/fields.tsx'
import { api, errorText, type ProblemBody } from '../data/api.ts'
import { useAppDispatch, useAppSelector } from '../data/hooks.ts'
import { madeApi, type MadeBody } from '../data/madeApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { useTyped } from '../ui/useTyped.ts'
import { Bands } from './Bands.tsx'
import { small } from './looks.ts'
import { MadeBoard } from './MadeBoard.tsx'
import { PickedPiece } from './PickedPiece.tsx'
import { madeOfInWords, WORN_AS } from './words.ts'

const EMPTY: MadeBody = { name: '', as: 'held', what: '', credit: '', note: '', height: 0, bands: [], pieces: [] }
/** How high the torso of a full-size figure sits, in figure units: where a body of one's own begins. */
const USUAL_HEIGHT = 104

const bodyOf = ({ id: _id, version: _version, wornBy: _wornBy, ...body }: MadeItem): MadeBody => body

/** Something made of several parts: a new one, or one to change. */
export function MadeEditor() {
  const { made: id = 'new' } = useParams()
  const { data, error, refetch } = madeApi.endpoints.made.useQuery()
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Fetching the board…</Waiting>
  const item = data.items.find((one) => one.id === id) ?? null
  if (!item && id !== 'new')
    return (
      <ErrorNote>
        This item is not there any more.{' '}
        <Link to="/made" className="font-semibold text-act underline">
          All made items
        </Link>
      </ErrorNote>
    )
  return <Editor key={id} item={item} catalogue={catalogue} />
}

interface Typed {
  body: MadeBody
  /** The version it was made from; 0 for a new one. */
  version: number
}

function Editor({ item, catalogue }: { item: MadeItem | null; catalogue: Catalogue }) {
  const typed = useTyped<Typed>(
    `made.${item?.id ?? 'new'}`,
    () => ({ body: item ? bodyOf(item) : EMPTY, version: item?.version ?? 0 }),
    ({ body }) => Array.isArray(body?.pieces) && Array.isArray(body?.bands),
  )
  const { body, version } = typed.values
  const [picked, setPicked] = useState(body.pieces.length > 0 ? 0 : -1)
  const [past, setPast] = useState<MadeBody[]>([])
  const [view, setView] = useState<'front' | 'back'>('front')
  const [faults, setFaults] = useState<ProblemBody['errors']>([])
  const [save, saving] = madeApi.endpoints.saveMade.useMutation()
  const [remove, removing] = madeApi.endpoints.removeMade.useMutation()
  const [putBack] = madeApi.endpoints.putBackMade.useMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  const codes = body.pieces.map(({ part }) => part).join(' ')
  // What was typed may speak of parts this window has not met; and what they cost is asked for.
  useEffect(() => {
    for (const code of new Set(codes.split(' ').filter(Boolean)))
      void dispatch(api.endpoints.partDetail.initiate(code, { subscribe: false }))
  }, [codes, dispatch])

  const set = (change: Partial<MadeBody>, goesOn = false) => {
    if (!goesOn) setPast((before) => [...before.slice(-99), body])
    typed.set((values) => ({ ...values, body: { ...values.body, ...change } }))
  }
  const undo = () => {
    const before = past.at(-1)
    if (!before) return
    setPast(past.slice(0, -1))
    typed.set((values) => ({ ...values, body: before }))
    setPicked(Math.min(picked, before.pieces.length - 1))
  }
  const press = (key: BoardKey) => {
    const after = pressed(body.pieces, picked, key)
    set({ pieces: after.pieces })
    setPicked(after.picked)
  }
  const piece = body.pieces[picked]
  const change = (of: Partial<MadeBody['pieces'][number]>) =>
    set({ pieces: body.pieces.map((one, i) => (i === picked ? { ...one, ...of } : one)) })
  const lay = (part: string) => {
    const front = body.as === 'shoulders' || body.as === 'beside'
    set({ pieces: [...body.pieces, { part, x: 0, y: 0, turn: 0, mirrored: false, front }] })
    setPicked(body.pieces.length)
  }
  const faultAt = (field: string) => faults?.find((fault) => fault.field === field)?.message

  const submit = async () => {
    setFaults([])
    const answer = await save({ id: item?.id ?? null, version, body })
    if (answer.error) {
      const { data } = answer.error as { data?: ProblemBody }
      setFaults(data?.errors ?? [])
      return tellError(answer.error)
    }
    typed.forget()
    const { id, followed } = answer.data
    const before = item && bodyOf(item)
    const words = item
      ? `${body.name} is changed${followed > 0 ? `; ${followed === 1 ? 'one outfit wears' : `${followed} outfits wear`} it so now` : ''}.`
      : `${body.name} is made; it lies in the tray of every outfit.`
    tell(words, () => (before ? save({ id, version: answer.data.version, body: before }) : remove(id)))
    return navigate('/made')
  }
  const destroy = async () => {
    const answer = await remove(item!.id)
    if (answer.error) return tellError(answer.error)
    typed.forget()
    const { id, name, wornBy } = item!
    tell(`Removed ${name}.${wornBy.length > 0 ? ' Whoever wears it keeps what it wears.' : ''}`, () =>
      putBack({ ...bodyOf(item!), id }),
    )
    return navigate('/made')
  }
  const kinds = [...traitNamed(body.as === 'beside' ? 'companion' : 'item').values].sort()
  const parts = [...new Set(body.pieces.map(({ part }) => part))]
  const priced = body.pieces.map(({ part }) => lowest[part])
  const price = priced.reduce<number>((sum, one) => sum + (one ?? 0), 0)
  const unsold = parts.filter((part) => lowest[part] === null).length
  const isOver = body.name.trim() === '' || body.pieces.length === 0
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        void submit()
      }}
      className="mx-auto grid h-full max-w-[1280px] grid-cols-[minmax(0,1fr)_430px] gap-5 px-5 py-4 phone:block phone:h-auto phone:px-3"
    >
      <section aria-label="On the board" className="flex min-h-0 min-w-0 flex-col gap-2">
        <div className="flex items-center gap-2">
          <h1 className="truncate text-2xl">{body.name || 'New made item'}</h1>
          <button type="button" className={`${small} ml-auto`} disabled={past.length === 0} onClick={undo}>
            <Undo2 aria-hidden className="size-3.5" /> Undo
          </button>
          <button type="button" className={small} onClick={() => setView(view === 'front' ? 'back' : 'front')}>
            {view === 'front' ? 'From behind' : 'From the front'}
          </button>
        </div>
        {typed.isBack && (
          <p role="status" className="text-[13px]">
            This is how you left it; it is not saved yet.{' '}
            <button
              type="button"
              className="font-semibold text-act underline"
              onClick={() => {
                typed.beginAnew()
                setPast([])
              }}
            >
              {item ? 'Back to what is saved' : 'Begin anew'}
            </button>
          </p>
        )}
        <div
          className="min-h-0 flex-1 phone:h-[360px]"
          onKeyDown={(event) => {
            if ((event.ctrlKey || event.metaKey) && event.key === 'z') {
              event.preventDefault()
              undo()
            }
          }}
        >
          <MadeBoard
            item={body}
            catalogue={catalogue}
            picked={picked}
            view={view}
            onPick={setPicked}
            onChange={({ pieces }, next, goesOn) => {
              set({ pieces }, goesOn)
              setPicked(next)
            }}
          />
        </div>
        <p id="board-keys" className="text-[13px] text-soft phone:hidden">
          The dot is {GRIPS[body.as]}. Drag a piece, or move it by the arrows (⇧ ten at once); <Key>[</Key> <Key>]</Key>{' '}
          turn, <Key>m</Key> mirrors, <Key>f</Key> over or under, <Key>d</Key> doubles, <Key>PgUp</Key> <Key>PgDn</Key>{' '}
          order, <Key>Del</Key> removes.
        </p>
      </section>
      <div className="flex min-h-0 flex-col gap-3 overflow-y-auto pr-1 pb-2 phone:mt-3">
        <section aria-label="Pieces">
          <div className="flex items-center gap-2">
            <h2 className="text-lg">Pieces</h2>
            <span className="ml-auto">
              <PartPicker title="Lay a part on the board" onPick={({ part }) => lay(part.code)}>
                <Button look={body.pieces.length === 0 ? 'act' : 'quiet'}>
                  <Plus aria-hidden className="size-4" /> Add a part
                </Button>
              </PartPicker>
            </span>
          </div>
          {body.pieces.length === 0 && (
            <p className="mt-1 text-soft">
              Nothing lies on the board yet. Add the part a hand holds first, then what is put on it.
            </p>
          )}
          <ol className="mt-1.5 space-y-0.5">
            {body.pieces.map(({ part: code, front }, i) => {
              const part = catalogue.parts.get(code)
              return (
                <li key={`${code} ${i}`} className="flex items-center gap-1">
                  <button
                    type="button"
                    aria-pressed={i === picked}
                    onClick={() => setPicked(i)}
                    className={`flex min-w-0 flex-1 items-center gap-1.5 rounded-[8px] border px-2 py-1 text-left ${i === picked ? 'border-act bg-band' : 'border-transparent hover:bg-band'}`}
                  >
                    <Swatch colour={part && mainColour(catalogue, part)} />
                    <span className="min-w-0 truncate font-semibold">{part ? partLabel(catalogue, part) : code}</span>
                    {front && body.as !== 'beside' && (
                      <span className="ml-auto shrink-0 text-[12.5px] text-soft">over</span>
                    )}
                  </button>
                  {faultAt(`pieces[${i}].part`) && (
                    <span role="alert" className="text-[13px] text-problem">
                      {faultAt(`pieces[${i}].part`)}
                    </span>
                  )}
                </li>
              )
            })}
          </ol>
          {piece && (
            <PickedPiece
              piece={piece}
              as={body.as}
              isFirst={picked === 0}
              isLast={picked === body.pieces.length - 1}
              onChange={change}
              onPress={press}
              onGrip={() => set(gripAt(body.pieces, body.bands, piece))}
            />
          )}
          {body.pieces.length > 0 && (
            <p className="mt-2 text-[13px]">
              <span className="text-soft">Made of </span>
              {madeOfInWords(body.pieces, catalogue)}
              {price > 0 && (
                <span className="text-soft">
                  {' '}
                  · its parts from {homeMoney(price)}
                  {unsold > 0 && `, ${unsold === 1 ? 'one of them nobody sells' : `${unsold} of them nobody sells`}`}
                </span>
              )}
            </p>
          )}
        </section>
        <section aria-label="What it is" className="grid grid-cols-2 gap-x-3 gap-y-2">
          <TextField
            label="Name"
            value={body.name}
            maxLength={80}
            onChange={(event) => set({ name: event.target.value })}
            error={faultAt('name')}
          />
          <Field label="Worn" error={faultAt('as')}>
            {(ids) => (
              <select
                {...ids}
                value={body.as}
                onChange={(event) => {
                  const as = event.target.value as MadeAs
                  set({ as, height: as === 'lower' ? body.height || USUAL_HEIGHT : 0 })
                }}
                className={box}
              >
                {MADE_AS.map((as) => (
                  <option key={as} value={as}>
                    {WORN_AS[as]}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TextField
            label="What it is, for briefs"
            value={body.what}
            maxLength={40}
            list="made-what"
            placeholder="staff"
            onChange={(event) => set({ what: event.target.value })}
            error={faultAt('what')}
          />
          <datalist id="made-what">
            {kinds.map((word) => (
              <option key={word} value={word} />
            ))}
          </datalist>
          {body.as === 'lower' ? (
            <TextField
              label="The torso sits so high, mm"
              type="number"
              min={0}
              max={50}
              step={0.5}
              value={Math.round(body.height * mmPerUnit() * 2) / 2}
              onChange={(event) =>
                set({ height: Math.max(0, Math.min(240, Number(event.target.value) / mmPerUnit())) })
              }
              error={faultAt('height')}
            />
          ) : (
            <TextField
              label="Whose idea"
              value={body.credit}
              maxLength={120}
              onChange={(event) => set({ credit: event.target.value })}
            />
          )}
          {body.as === 'lower' && (
            <TextField
              label="Whose idea"
              value={body.credit}
              maxLength={120}
              onChange={(event) => set({ credit: event.target.value })}
            />
          )}
        </section>
        <Bands
          bands={body.bands}
          faultAt={faultAt}
          onChange={(next) => set({ bands: next })}
          onAdd={() => set({ bands: [...body.bands, bandAlong(body, catalogue)] })}
        />
        <Field label="Note">
          {(ids) => (
            <textarea
              {...ids}
              rows={2}
              maxLength={2000}
              value={body.note}
              onChange={(event) => set({ note: event.target.value })}
              className={box}
            />
          )}
        </Field>
        {item && item.wornBy.length > 0 && (
          <p className="text-[13px]">
            Worn by{' '}
            {item.wornBy.slice(0, 6).map(({ id, name }, i) => (
              <span key={id}>
                {i > 0 && ', '}
                <Link to={`/outfits/${id}/bench`} className="font-semibold text-act hover:underline">
                  {name}
                </Link>
              </span>
            ))}
            {item.wornBy.length > 6 && ` and ${item.wornBy.length - 6} more`}. They follow what you change here, but for
            copies kept as they are.
          </p>
        )}
        <div className="flex items-center gap-2">
          <Button look="act" type="submit" disabled={isOver || saving.isLoading}>
            {item ? 'Save' : 'Make it'}
          </Button>
          {isOver && (
            <span className="text-[13px] text-soft">
              {body.pieces.length === 0 ? 'It needs at least one piece.' : 'It needs a name.'}
            </span>
          )}
          {item && (
            <Button look="plain" className="ml-auto" disabled={removing.isLoading} onClick={() => void destroy()}>
              <Trash2 aria-hidden className="size-4" /> Remove
            </Button>
          )}
        </div>
      </div>
    </form>
  )
}

/** Where the dot of the board is. */
const GRIPS: Readonly<Record<MadeAs, string>> = {
  held: 'the grip, in the middle of the right mitt',
  beside: 'the ground beside the figure',
  back: 'between the shoulders, on its back',
  shoulders: 'the middle of the chest, under the chin',
  lower: 'where the torso sits on it',
}

const Key = ({ children }: { children: string }) => <kbd className="font-sans font-bold">{children}</kbd>

/** A string between the first and the last piece. */
function bandAlong({ pieces }: MadeBody, catalogue: Catalogue): MadeBand {
  const [first, last] = [pieces[0], pieces.at(-1)]
  const colour = catalogue.colours.has('chalk') ? 'chalk' : [...catalogue.colours.keys()][0]!
  const far = last && (last.x !== first?.x || last.y !== first.y)
  return {
    name: 'String',
    colour,
    x: first?.x ?? 0,
    y: first?.y ?? 0,
    toX: far ? last.x : (first?.x ?? 0),
    toY: far ? last.y : (first?.y ?? 0) + 40,
  }
}
