import type { ReactNode } from 'react'
import { useForm, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { toast } from 'sonner'
import type { Editable } from '@outfit/core/catalogue'
import { api, errorText, type ProblemBody } from '../app/api.ts'
import { Button } from '../ui/Button.tsx'
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
  const form = useForm<V>({ defaultValues: (readDraft<V>(name) ?? initial) as never })
  const unsaved = useDraft(name, form)
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
    const answer = await save({ table, code, body })
    if (answer.error) {
      const { errors = [] } = ((answer.error as { data?: ProblemBody }).data ?? {}) as ProblemBody
      for (const { field, message } of errors) form.setError(field as Path<V>, { message })
      return form.setError('root', { message: errorText(answer.error) })
    }
    forgetDraft(name)
    const { code: saved, made, fulfilled } = answer.data
    const undo = async () => {
      const undone = made
        ? await remove({ table, code: saved })
        : await save({ table, code: saved, body: toBody(initial) })
      if (undone.error) toast.error(errorText(undone.error))
    }
    toast(`${made ? 'Made' : 'Changed'} ${noun} ${saved}.${fulfilled.length > 0 ? ' A wish came true.' : ''}`, {
      action: { label: 'Undo', onClick: () => void undo() },
    })
    return navigate(after(saved))
  })
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
      className="mx-auto grid max-w-[1280px] grid-cols-[1fr_380px] gap-8 px-5 py-4"
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
              }}
            >
              Forget what I typed
            </button>
          </p>
        )}
        <div className="mt-3 space-y-4">{children(form)}</div>
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
