import { useEffect, useState } from 'react'
import { sampleApi } from '../data/sampleApi.ts'
import { Button } from '../ui/Button.tsx'
import { tell, tellError } from '../ui/tell.ts'

/** How often it is looked whether the sample world is open, in milliseconds. */
const LOOK = 500

/** The way to the sample world beside this workspace, and to remove it again; where none came along, how to start one. */
export function LookRound({ onLeave }: { onLeave: (address: string) => void }) {
  const { data } = sampleApi.endpoints.sampleWorld.useQuery()
  const [open] = sampleApi.endpoints.openSample.useMutation()
  const [remove, removing] = sampleApi.endpoints.removeSample.useMutation()
  const isStarting = data?.state === 'starting'
  // It says by itself when it is open.
  sampleApi.endpoints.sampleWorld.useQuery(undefined, { pollingInterval: isStarting ? LOOK : 0 })
  const begin = async () => {
    const answer = await open()
    if (answer.error) tellError(answer.error)
    else setAwaits(true)
  }
  // Whoever asked for it goes there once it is open; whoever comes by later is not taken along.
  const [awaits, setAwaits] = useState(false)
  useEffect(() => {
    if (awaits && data?.address) onLeave(data.address)
  }, [awaits, data, onLeave])
  if (data && !data.offered)
    return <code className="rounded-[8px] bg-band px-2 py-1.5 font-semibold">npm run demo</code>
  return (
    <span className="flex flex-col items-center gap-1.5">
      <span className="flex flex-wrap justify-center gap-2">
        <Button disabled={!data || isStarting} onClick={() => void begin()}>
          {isStarting ? 'Opening …' : data?.kept ? 'Look round again' : 'Look round'}
        </Button>
        {data?.kept && !isStarting && (
          <Button
            look="plain"
            disabled={removing.isLoading}
            onClick={() =>
              void remove().then(({ error }) => (error ? tellError(error) : tell('The sample world is removed.')))
            }
          >
            Remove it
          </Button>
        )}
      </span>
      {isStarting && (
        <span role="status" className="text-[13.5px] text-soft">
          Lantern Quay is being put together: ten to thirty seconds…
        </span>
      )}
      {data?.problem && (
        <span role="alert" className="text-[13.5px] text-problem">
          It could not be opened: {data.problem}
        </span>
      )}
    </span>
  )
}
