/** Says that a form goes on with what was typed before, with a way to begin anew. */
export function WentOn({ onBeginAnew }: { onBeginAnew: () => void }) {
  return (
    <p role="status" className="mt-2 rounded-[8px] border border-rule bg-band px-3 py-1.5 text-[14px]">
      This goes on with what you typed before.{' '}
      <button type="button" className="font-semibold text-act underline" onClick={onBeginAnew}>
        Begin anew
      </button>
    </p>
  )
}
