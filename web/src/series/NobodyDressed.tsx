import { EmptyNote } from '../ui/Notes.tsx'

/** A series of which nobody wears anything yet. */
export const NobodyDressed = () => (
  <EmptyNote title="Nobody is dressed yet">
    Once figures of this roster wear something, they stand here to be printed and packed.
  </EmptyNote>
)
