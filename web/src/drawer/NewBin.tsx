import { useState } from 'react'
import type { BoxBin } from '@outfit/core/drawer'
import { errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'
import { BinSelect } from './BinSelect.tsx'

/** One more bin, by itself or as a tray in another. */
export function NewBin({ bins }: { bins: readonly BoxBin[] }) {
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [parent, setParent] = useState('')
  const [make, { error, reset }] = drawerApi.endpoints.makeBin.useMutation()
  const [remove] = drawerApi.endpoints.removeBin.useMutation()
  const leave = () => {
    setOpen(false)
    setName('')
    setParent('')
    reset()
  }
  const keep = async () => {
    const answer = await make({ name: name.trim(), parent: parent || null })
    if (answer.error) return
    const { code } = answer.data
    tell(`${name.trim()} is in the parts box.`, () => remove(code))
    leave()
  }
  return (
    <>
      <Button onClick={() => setOpen(true)}>New bin…</Button>
      {open && (
        <FormDialog
          title="New bin"
          keep="Put it in the box"
          ready={name.trim() !== ''}
          problem={error ? errorText(error) : ''}
          onKeep={() => void keep()}
          onLeave={leave}
        >
          <label className="block font-semibold">
            What its label says
            <input value={name} maxLength={80} onChange={(event) => setName(event.target.value)} className={FIELD} />
          </label>
          <BinSelect label="A tray in" bins={bins} value={parent} none="no other bin" onPick={setParent} />
        </FormDialog>
      )}
    </>
  )
}
