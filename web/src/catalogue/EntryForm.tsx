import { useCallback, useRef, useState, type ReactNode } from 'react'
import { useForm, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { toast } from 'sonner'
import type { Editable } from '@outfit/core/catalogue'
import { api, changedMeanwhile, errorText, type Changed, type ProblemBody } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { ConflictNote } from '../ui/ConflictNote.tsx'
import { forgetDraft, readDraft, useDraft } from './useDraft.ts'

interface EntryFormProps<V extends FieldValues> {
  table: Editable
  /** What is made or changed, as "print"; and its code, null for a new one. */
  noun: string
  code: string | null
  initial: V
  /** The body the server takes; throws a sentence where the form alone can tell it will not do. */
  toBody: (values: V) => object
  children: (form: UseFormReturn<V>) => ReactNode
  /** What it looks like, from what is typed. */
  preview: (values: V) => ReactNode
  /** Where to go once it is saved. */
  after: (code: string) => string
}

/** Makes or changes one entry of the catalogue, with a live picture beside the fields. */
export function EntryForm<V extends FieldValues>(props: EntryFormProps<V>) {
  const { table, noun, code, initial, toBody, children, preview, after } = props
  const name = `${table}.${code ?? 'new'}`
  const [draft] = useState(() => readDraft<V>(name))
  const form = useForm<V>({ defaultValues: (draft?.values ?? initial) as never })
  /** The entry as it was read before it was changed here; undefined for a new one. */
  const was = useRef(code === null ? undefined : draft ? draft.was : readOf(toBody, initial))
  const unsaved = useDraft(
    name,
    form,
    useCallback(() => was.current, []),
  )
  const [theirs, setTheirs] = useState<Changed | null>(null)
  const newest = useRef(initial)
  newest.current = initial
  const dispatch = useAppDispatch()
  const [save, saving] = api.endpoints.saveEntry.useMutation()
  const [remove, removing] = api.endpoints.removeEntry.useMutation()
  const navigate = useNavigate()
  const values = form.watch()

  const submit = form.handleSubmit(async (typed) => {
    let body: object
    try {
      body = toBody(typed as V)
    } catch (error) {
      return form.setError('root', { message: (error as Error).message })
    }
    setTheirs(null)
    const read = was.current
    const answer = await save({ table, code, body: { ...body, ...(read ? { was: read } : {}) } })
    if (answer.error) {
      const current = changedMeanwhile(answer.error)
      if (current) return setTheirs(current)
      const { errors = [] } = ((answer.error as { data?: ProblemBody }).data ?? {}) as ProblemBody
      for (const { field, message } of errors) form.setError(field as Path<V>, { message })
      return form.setError('root', { message: errorText(answer.error) })
    }
    forgetDraft(name)
    const { code: saved, made, fulfilled } = answer.data
    const undo = async () => {
      const undone = made
        ? await remove({ table, code: saved })
        : await save({ table, code: saved, body: { ...toBody(initial), was: body } })
      if (undone.error) toast.error(errorText(undone.error))
    }
    toast(`${made ? 'Made' : 'Changed'} ${noun} ${saved}.${fulfilled.length > 0 ? ' A wish came true.' : ''}`, {
      action: { label: 'Undo', onClick: () => void undo() },
    })
    return navigate(after(saved))
  })
  /** What was typed is let go, and the entry opened as it is now. */
  const takeTheirs = async () => {
    dispatch(api.util.invalidateTags(['Catalogue']))
    await Promise.all(dispatch(api.util.getRunningQueriesThunk()))
    // What came in is shown with the next turn.
    setTimeout(() => {
      forgetDraft(name)
      form.reset(newest.current as never)
      was.current = readOf(toBody, newest.current)
      setTheirs(null)
    })
  }
  const keepMine = () => {
    was.current = theirs!.current
    return submit()
  }
  const destroy = async () => {
    const answer = await remove({ table, code: code! })
    if (answer.error) return form.setError('root', { message: errorText(answer.error) })
    forgetDraft(name)
    const undo = async () => {
      const undone = await save({ table, code, body: toBody(initial) })
      if (undone.error) toast.error(errorText(undone.error))
    }
    toast(`Removed ${noun} ${code}.`, { action: { label: 'Undo', onClick: () => void undo() } })
    return navigate('/parts')
  }
  const { root } = form.formState.errors
  return (
    <form
      onSubmit={(event) => void submit(event)}
      noValidate
      className="mx-auto grid max-w-[1280px] gap-8 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_380px]"
    >
      <div className="min-w-0">
        <div className="flex items-baseline gap-3">
          <h1 className="text-2xl">{code === null ? `Own ${noun}` : `Change ${noun}`}</h1>
          {code !== null && <span className="text-soft">{code}</span>}
          {code !== null && (table === 'figures' || table === 'releases') && (
            <Link to={`/prices/${noun}/${code}`} className="text-act underline">
              Prices over time
            </Link>
          )}
        </div>
        {unsaved && (
          <p role="status" className="mt-1 text-[13px] text-notice">
            Not saved yet; kept in this browser.{' '}
            <button
              type="button"
              className="font-semibold underline"
              onClick={() => {
                forgetDraft(name)
                form.reset(initial as never)
                if (code !== null) was.current = readOf(toBody, initial)
              }}
            >
              Forget what I typed
            </button>
          </p>
        )}
        <div className="mt-3 space-y-4">{children(form)}</div>
        {theirs && (
          <ConflictNote
            what={`This ${noun}`}
            fields={theirs.fields}
            onTheirs={() => void takeTheirs()}
            onMine={() => void keepMine()}
          />
        )}
        {root && (
          <p role="alert" className="mt-4 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
            {root.message}
          </p>
        )}
        <div className="mt-5 flex gap-3">
          <Button look="act" type="submit" disabled={saving.isLoading}>
            {saving.isLoading ? 'Saving…' : code === null ? `Make the ${noun}` : 'Save the changes'}
          </Button>
          <Button type="button" onClick={() => void navigate(-1)}>
            Leave
          </Button>
          {code !== null && (
            <Button
              type="button"
              look="plain"
              className="ml-auto !text-problem"
              disabled={removing.isLoading}
              onClick={() => void destroy()}
            >
              Remove this {noun}
            </Button>
          )}
        </div>
      </div>
      <div className="sticky top-4 self-start">{preview(values)}</div>
    </form>
  )
}

/** An entry as the server has it, in the words of its body. One that may not be saved as it is counts as not read. */
function readOf<V>(toBody: (values: V) => object, values: V): object {
  try {
    return toBody(values)
  } catch {
    return {}
  }
}
