import { useState } from 'react'
import { ErrorNote } from '../ui/Notes.tsx'
import { useSettled } from '../ui/useSettled.ts'

/**
 * A picture as it will be taken out. The one before stays while the next is drawn, so that nothing flickers; what could not
 * be drawn is told in the server's words.
 */
export function Preview({ src, alt, className = '' }: { src: string; alt: string; className?: string }) {
  const asked = useSettled(src)
  const [shown, show] = useState('')
  const [fault, tell] = useState<{ src: string; words: string } | null>(null)
  const why = async () => {
    try {
      const answer = await fetch(asked)
      const { detail } = (await answer.json()) as { detail?: string }
      tell({ src: asked, words: detail ?? 'The picture could not be drawn.' })
    } catch {
      tell({ src: asked, words: 'The picture could not be drawn.' })
    }
  }
  if (fault?.src === asked) return <ErrorNote onRetry={() => tell(null)}>{fault.words}</ErrorNote>
  return (
    <>
      {shown !== asked && (
        <img src={asked} alt="" aria-hidden className="hidden" onLoad={() => show(asked)} onError={() => void why()} />
      )}
      {shown ? (
        <img src={shown} alt={alt} className={className} />
      ) : (
        <p role="status" className="p-8 text-center text-soft">
          Drawing…
        </p>
      )}
    </>
  )
}
