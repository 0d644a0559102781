import type { ComponentType } from 'react'
import type { Editable } from '@outfit/core/catalogue'
import { ColourEditor } from './ColourEditor.tsx'
import { FigureEditor } from './FigureEditor.tsx'
import { MouldEditor } from './MouldEditor.tsx'
import { PartEditor } from './PartEditor.tsx'
import { PrintEditor } from './PrintEditor.tsx'
import { ReleaseEditor } from './ReleaseEditor.tsx'

/** The editor of each table; the address says which entry, or "new". */
export const EDITORS: Record<Editable, ComponentType> = {
  colours: ColourEditor,
  moulds: MouldEditor,
  prints: PrintEditor,
  parts: PartEditor,
  figures: FigureEditor,
  releases: ReleaseEditor,
}
