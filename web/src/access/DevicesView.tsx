import { useId, useState, type FormEvent } from 'react'
import { PASSPHRASE, type NetworkState } from '@outfit/core/access'
import { formatDay } from '@outfit/core/base'
import { errorText } from '../data/api.ts'
import { accessApi } from '../data/accessApi.ts'
import { SettingsFrame } from '../settings/SettingsFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { FIELD } from '../ui/FormDialog.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'

/** Who else may use this workspace: the door for other devices, and those that came in. */
export function DevicesView() {
  const { data: network, error, refetch } = accessApi.endpoints.network.useQuery(undefined, { pollingInterval: 10_000 })
  return (
    <SettingsFrame>
      {error ? (
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      ) : !network ? (
        <Waiting>Looking at the door…</Waiting>
      ) : (
        <>
          {network.port === null ? <Closed network={network} /> : <Open network={network} />}
          <Devices network={network} />
        </>
      )}
    </SettingsFrame>
  )
}

function Closed({ network }: { network: NetworkState }) {
  const id = useId()
  const [passphrase, setPassphrase] = useState('')
  const [change, { isLoading, error }] = accessApi.endpoints.changeNetwork.useMutation()
  const enough = passphrase.trim().length >= PASSPHRASE.least || (network.hasPassphrase && passphrase === '')
  const open = async (event: FormEvent) => {
    event.preventDefault()
    const answer = await change({ open: true, ...(passphrase === '' ? {} : { passphrase }) })
    if (answer.data) tell('Other devices may come in.', () => change({ open: false }))
  }
  return (
    <section aria-labelledby={`${id}-title`} className="mt-4 max-w-[640px]">
      <h2 id={`${id}-title`} className="text-xl">
        Only this machine
      </h2>
      <p className="mt-1 text-soft">
        A phone at the shelf or a tablet at the workbench can use this workspace while Outfit runs here, over the
        network of your home. Whoever wants to come in says the passphrase.
      </p>
      <form onSubmit={(event) => void open(event)} className="mt-3 space-y-3">
        <label htmlFor={id} className="block font-semibold">
          {network.hasPassphrase ? 'Another passphrase, or leave it empty' : 'Passphrase'}
        </label>
        <input
          id={id}
          type="text"
          autoComplete="off"
          maxLength={PASSPHRASE.most}
          value={passphrase}
          onChange={({ target }) => setPassphrase(target.value)}
          aria-describedby={`${id}-about`}
          className={`${FIELD} max-w-[420px]`}
        />
        <p id={`${id}-about`} className="text-[14px] text-soft">
          At least {PASSPHRASE.least} letters; four words nobody would guess do well.
        </p>
        {error && (
          <p role="alert" className="text-problem">
            {errorText(error)}
          </p>
        )}
        <Button look="act" type="submit" disabled={!enough || isLoading}>
          {isLoading ? 'Opening…' : 'Let other devices in'}
        </Button>
      </form>
    </section>
  )
}

function Open({ network }: { network: NetworkState }) {
  const id = useId()
  const [change, { isLoading }] = accessApi.endpoints.changeNetwork.useMutation()
  const [first, ...others] = network.addresses
  const close = async () => {
    const answer = await change({ open: false })
    if (answer.error) return tellError(answer.error)
    tell('Only this machine from now on.', () =>
      change({ open: true, ...(network.port ? { port: network.port } : {}) }),
    )
  }
  return (
    <section aria-labelledby={`${id}-title`} className="mt-4">
      <h2 id={`${id}-title`} className="text-xl">
        Other devices may come in
      </h2>
      <div className="mt-3 flex flex-wrap items-start gap-6">
        {first && (
          <img
            src={`/api/access/network/code.svg?of=${encodeURIComponent(first)}`}
            alt={`The address ${first} as a code for a camera`}
            width={168}
            height={168}
            className="rounded-[10px] border border-rule bg-white"
          />
        )}
        <div className="max-w-[560px] min-w-0 space-y-3">
          <p>
            Point the camera of a phone here, or type <strong className="break-all">{first ?? 'its address'}</strong> on
            a device in the same network, and say the passphrase.
          </p>
          {others.length > 0 && (
            <p className="text-soft">
              Where that does not answer: <span className="break-all">{others.join(', ')}</span>. Under any other name
              it is refused.
            </p>
          )}
          <p className={network.secure ? 'text-soft' : 'rounded-[10px] border border-notice bg-card px-3 py-2'}>
            {network.secure
              ? 'The line is encrypted by your certificate.'
              : 'This line is not encrypted: whoever is in the same network can read along, the passphrase too. Use it in a network of your own, and not with a passphrase you have elsewhere. A certificate of your own is given by --cert and --key when Outfit is started.'}
          </p>
          {network.here ? (
            <Button disabled={isLoading} onClick={() => void close()}>
              Only this machine again
            </Button>
          ) : (
            <p className="text-soft">The door is closed at the machine Outfit runs on.</p>
          )}
        </div>
      </div>
    </section>
  )
}

const told = (iso: string) => formatDay(iso, { dateStyle: 'medium', timeStyle: 'short' })

function Devices({ network }: { network: NetworkState }) {
  const [putOut] = accessApi.endpoints.putOut.useMutation()
  const [leave] = accessApi.endpoints.leaveHere.useMutation()
  const out = async (device: string) => {
    const answer = await putOut(device)
    if (answer.error) return tellError(answer.error)
    tell('It has to say the passphrase again.')
  }
  const leaveHere = async () => {
    await leave()
    window.location.reload()
  }
  if (network.devices.length === 0)
    return network.port === null ? null : <p className="mt-6 text-soft">No device has come in yet.</p>
  return (
    <section aria-labelledby="devices-in" className="mt-6">
      <h2 id="devices-in" className="text-xl">
        Devices that came in
      </h2>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {network.devices.map(({ id, device, since, seen, own }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <strong className="min-w-[120px]">
              {device.replace(/^a /, 'A ')}
              {own && ' (this one)'}
            </strong>
            <span className="flex-1 text-soft">
              since {told(since)}, last seen {told(seen)}
            </span>
            {own ? (
              <Button className="min-h-11" onClick={() => void leaveHere()}>
                Leave
              </Button>
            ) : (
              <Button className="min-h-11" onClick={() => void out(id)}>
                Put it out
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
