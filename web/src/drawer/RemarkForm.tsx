import { useState } from 'react'
import type { Remark } from '@outfit/core/drawer'
import { errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { PhotoField } from '../ui/PhotoField.tsx'
import { tell } from '../ui/tell.ts'

const KINDS = { misprint: 'a misprint', fault: 'a fault', photo: 'a picture', note: 'a note' } as const

/** What was remembered, one line each. */
export function Remarks({ remarks }: { remarks: readonly Remark[] }) {
  return remarks.map(({ id, kind, text, photo, at }) => (
    <p key={id} className="mt-0.5 text-[13px]">
      <strong className={kind === 'fault' ? 'text-problem' : ''}>{kind === 'photo' ? 'picture' : kind}</strong> {text}{' '}
      {photo && (
        <a href={`/api/photos/${photo}`} target="_blank" rel="noreferrer" className="text-act underline">
          picture
        </a>
      )}{' '}
      <span className="text-soft">{at}</span>
    </p>
  ))
}

/** Something worth remembering of a part, or of an outfit at the workbench. */
export function RemarkForm(props: { part?: string; outfit?: string; title: string; onDone: () => void }) {
  const { part, outfit, title, onDone } = props
  const [kind, setKind] = useState<keyof typeof KINDS>('fault')
  const [text, setText] = useState('')
  const [photo, setPhoto] = useState<string | null>(null)
  const [make, { error }] = drawerApi.endpoints.remark.useMutation()
  const keep = async () => {
    const answer = await make({
      kind,
      text: text.trim(),
      ...(part ? { part } : {}),
      ...(outfit ? { outfit } : {}),
      ...(photo ? { photo } : {}),
    })
    if (answer.error) return
    tell(`Remembered of ${title}.`)
    onDone()
  }
  return (
    <FormDialog
      title={`Remark on ${title}`}
      keep="Remember it"
      ready={text.trim() !== '' || photo !== null}
      problem={error ? errorText(error) : ''}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        It is
        <select value={kind} onChange={({ target }) => setKind(target.value as keyof typeof KINDS)} className={FIELD}>
          {Object.entries(KINDS).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="block font-semibold">
        In words
        <textarea
          value={text}
          maxLength={1000}
          rows={3}
          onChange={({ target }) => setText(target.value)}
          className={FIELD}
        />
      </label>
      <PhotoField onPhoto={setPhoto} />
    </FormDialog>
  )
}
