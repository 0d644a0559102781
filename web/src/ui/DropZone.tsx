import { Upload } from 'lucide-react'
import { useState } from 'react'
import { droppedFiles } from './droppedFiles.ts'

interface DropZoneProps {
  /** What to do, in large. */
  title: string
  hint: string
  /** What the field is called for those who do not see the zone. */
  label: string
  accept: string
  multiple?: boolean
  /** Beside other things rather than alone. */
  small?: boolean
  disabled: boolean
  onFiles: (files: readonly File[]) => void
}

/** Takes files that are dropped or chosen, and those in dropped folders. */
export function DropZone({
  title,
  hint,
  label,
  accept,
  multiple = false,
  small = false,
  disabled,
  onFiles,
}: DropZoneProps) {
  const [over, setOver] = useState(false)
  return (
    <label
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        void droppedFiles(event.dataTransfer).then(onFiles)
      }}
      className={`flex cursor-pointer ${small ? 'mt-3 h-[130px]' : 'mt-5 h-[210px]'} flex-col items-center justify-center gap-2 rounded-[10px] border-2 border-dashed focus-within:outline-3 focus-within:outline-act ${over ? 'border-act bg-card' : 'border-rule hover:border-act'}`}
    >
      <Upload aria-hidden className="size-7 text-act" />
      <span className="text-lg font-semibold">{title}</span>
      <span className="px-4 text-center text-[13px] text-soft">{hint}</span>
      <input
        type="file"
        multiple={multiple}
        accept={accept}
        aria-label={label}
        className="sr-only"
        disabled={disabled}
        onChange={(event) => {
          onFiles([...(event.target.files ?? [])])
          // The same file can be chosen again.
          event.target.value = ''
        }}
      />
    </label>
  )
}
