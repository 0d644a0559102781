/** Outfits to tick, one below the other. */
export function TickOutfits({
  outfits,
  isIn,
  onTick,
}: {
  outfits: readonly { id: string; name: string }[]
  isIn: (id: string) => boolean
  onTick: (id: string, isIn: boolean) => void
}) {
  return outfits.map(({ id, name }) => (
    <label key={id} className="mt-0.5 flex min-h-6 items-center gap-1.5">
      <input type="checkbox" checked={isIn(id)} onChange={({ target }) => onTick(id, target.checked)} />
      {name}
    </label>
  ))
}
