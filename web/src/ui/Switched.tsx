import { Switch } from 'radix-ui'
import { useId, type ReactNode } from 'react'

/** Something that is on or off, with what that means. */
export function Switched({
  on,
  onChange,
  about,
  children,
}: {
  on: boolean
  onChange: (on: boolean) => void
  about?: string
  children: ReactNode
}) {
  const id = useId()
  return (
    <div>
      <label className="flex items-center gap-3 font-semibold">
        <Switch.Root
          checked={on}
          onCheckedChange={onChange}
          {...(about ? { 'aria-describedby': id } : {})}
          className="h-6 w-11 shrink-0 rounded-full border border-rule bg-band data-[state=checked]:bg-act"
        >
          <Switch.Thumb className="block size-4.5 translate-x-1 rounded-full bg-ink transition-transform data-[state=checked]:translate-x-5 data-[state=checked]:bg-act-ink" />
        </Switch.Root>
        {children}
      </label>
      {about && (
        <p id={id} className="mt-1 max-w-[620px] text-[13.5px] text-soft">
          {about}
        </p>
      )}
    </div>
  )
}
