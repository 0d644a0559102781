import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { BinContents } from '@outfit/core/drawer'
import { changedMeanwhile, errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { ConflictNote } from '../ui/ConflictNote.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { BinSelect, isPlain } from './BinSelect.tsx'

/** What a bin is called, where it lies, the trays in it, and changing that. */
export function BinHead({ data, units }: { data: BinContents; units: number }) {
  const { bin, trays, donor, outfit } = data
  const [changing, change] = useState(false)
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const parent = box?.bins.find(({ code }) => code === bin.parent)
  return (
    <header>
      <p className="text-[13px] text-soft">
        <Link to="/drawer" className="hover:text-ink hover:underline">
          Drawer
        </Link>
        {parent && (
          <>
            {' › '}
            <Link to={`/drawer/bins/${parent.code}`} className="hover:text-ink hover:underline">
              {parent.name}
            </Link>
          </>
        )}
        {' ›'}
      </p>
      <div className="flex flex-wrap items-baseline gap-3">
        <h1 className="text-3xl">{bin.name}</h1>
        <span className="text-soft">
          {units} {units === 1 ? 'part' : 'parts'}
          {donor && ', a figure that stands together'}
          {bin.holder && ', lent'}
        </span>
        <span className="ml-auto flex gap-2">
          <a
            href={`/api/drawer/labels.pdf?bins=${encodeURIComponent(bin.code)}`}
            target="_blank"
            rel="noreferrer"
            className="rounded-[10px] px-3 py-1.5 font-semibold text-act hover:bg-band"
          >
            Its label
          </a>
          {!outfit && <Button onClick={() => change(true)}>Name and place…</Button>}
        </span>
      </div>
      {trays.length > 0 && (
        <p className="mt-1">
          Trays in it:{' '}
          {trays.map(({ code, name }, i) => (
            <span key={code}>
              {i > 0 && ', '}
              <Link to={`/drawer/bins/${code}`} className="text-act hover:underline">
                {name}
              </Link>
            </span>
          ))}
        </p>
      )}
      {changing && <ChangeBin data={data} onDone={() => change(false)} />}
    </header>
  )
}

function ChangeBin({ data, onDone }: { data: BinContents; onDone: () => void }) {
  const { bin } = data
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const [name, setName] = useState(bin.name)
  const [parent, setParent] = useState(bin.parent ?? '')
  const [layOut, { error, reset: forget }] = drawerApi.endpoints.layOut.useMutation()
  const [remove] = drawerApi.endpoints.removeBin.useMutation()
  const navigate = useNavigate()
  const [was, setWas] = useState({ name: bin.name, parent: bin.parent ?? null })
  const theirs = changedMeanwhile<typeof was>(error)
  const others = box?.bins.filter((one) => one.code !== bin.code && isPlain(one)) ?? []
  const keep = async (read = was) => {
    const set = { name: name.trim(), parent: parent || null }
    const answer = await layOut([{ code: bin.code, ...set, was: { name: read.name, parent: read.parent } }])
    if (answer.error) return
    tell(`${set.name} is where it should be.`, () => layOut([{ code: bin.code, ...was, was: set }]))
    onDone()
  }
  const takeTheirs = () => {
    const { name: now, parent: above } = theirs!.current
    setName(now)
    setParent(above ?? '')
    setWas({ name: now, parent: above })
    forget()
  }
  const away = async () => {
    const answer = await remove(bin.code)
    if (answer.error) return tellError(answer.error)
    tell(`${bin.name} is gone.`)
    void navigate('/drawer')
  }
  return (
    <FormDialog
      title="Name and place"
      keep="Keep it so"
      ready={name.trim() !== ''}
      problem={error && !theirs ? errorText(error) : ''}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        What its label says
        <input value={name} maxLength={80} onChange={({ target }) => setName(target.value)} className={FIELD} />
      </label>
      <BinSelect label="A tray in" bins={others} value={parent} none="no other bin" onPick={setParent} />
      {theirs && (
        <ConflictNote
          what="This bin"
          fields={theirs.fields}
          onTheirs={takeTheirs}
          onMine={() => void keep(theirs.current)}
        />
      )}
      <p>
        <Button look="plain" className="-ml-3 text-problem" onClick={() => void away()}>
          Take the bin away
        </Button>{' '}
        <span className="text-[13px] text-soft">while nothing ever lay in it</span>
      </p>
    </FormDialog>
  )
}
