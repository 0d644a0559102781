import { useId, useState, type FormEvent } from 'react'
import { Button } from '../ui/Button.tsx'
import { FIELD } from '../ui/FormDialog.tsx'
import { enter } from './enter.ts'

/** The door for another device: the passphrase, and nothing else. */
export function EnterView({ onEntered }: { onEntered: () => void }) {
  const id = useId()
  const [passphrase, setPassphrase] = useState('')
  const [shown, show] = useState(false)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    setBusy(true)
    const wrong = await enter(passphrase)
    setBusy(false)
    if (wrong === null) onEntered()
    else setProblem(wrong)
  }
  return (
    <main className="mx-auto flex min-h-dvh max-w-[420px] flex-col justify-center gap-4 px-5 py-8">
      <h1 className="text-3xl">Come in</h1>
      <p className="text-soft">
        This is somebody’s Outfit. The passphrase is chosen there, under Settings, Other devices.
      </p>
      <form onSubmit={(event) => void submit(event)} className="space-y-4">
        <label htmlFor={id} className="block font-semibold">
          Passphrase
        </label>
        <input
          id={id}
          type={shown ? 'text' : 'password'}
          autoComplete="current-password"
          autoCapitalize="none"
          value={passphrase}
          aria-invalid={problem !== null}
          aria-describedby={problem === null ? undefined : `${id}-problem`}
          onChange={({ target }) => setPassphrase(target.value)}
          className={`${FIELD} min-h-11`}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" checked={shown} onChange={({ target }) => show(target.checked)} />
          Show it
        </label>
        {problem !== null && (
          <p id={`${id}-problem`} role="alert" className="text-problem">
            {problem}
          </p>
        )}
        <Button look="act" type="submit" disabled={busy || passphrase === ''} className="min-h-11 w-full">
          {busy ? 'Looking…' : 'Come in'}
        </Button>
      </form>
    </main>
  )
}
