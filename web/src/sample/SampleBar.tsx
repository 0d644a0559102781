import { sampleApi } from '../data/sampleApi.ts'
import { Button } from '../ui/Button.tsx'
import { tellError } from '../ui/tell.ts'

/** In the sample world beside somebody's workspace: what this is, the way back, and the way to be rid of it. */
export function SampleBar() {
  const { data } = sampleApi.endpoints.sampleWorld.useQuery()
  const [remove, { isLoading }] = sampleApi.endpoints.removeSample.useMutation()
  if (!data?.back) return null
  const { back } = data
  const leave = async () => {
    const { error } = await remove()
    if (error) tellError(error)
    else window.location.assign(back)
  }
  return (
    <aside
      aria-label="Sample world"
      className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 border-b border-rule bg-band px-3 text-[13.5px] sm:px-5"
    >
      <span className="w-full pt-1 sm:w-auto sm:pt-0">
        <strong>The sample world.</strong> Try anything: nothing here touches your own workspace.
      </span>
      <a href={back} className="shrink-0 font-semibold sm:ml-auto text-act hover:underline">
        Back to my workspace
      </a>
      <Button
        look="plain"
        className="shrink-0 px-2 py-0.5 text-[13.5px]"
        disabled={isLoading}
        onClick={() => void leave()}
      >
        Remove the sample world
      </Button>
    </aside>
  )
}
