import { useEffect, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'

/** Shows what stands in it as in a window of another width: in a frame of its own, with the styles of this page.
 * @param widthPx `null`: as wide as there is room */
export function SmallWindow({ title, widthPx, children }: { title: string; widthPx: number | null; children: ReactNode }) {
  const [frame, setFrame] = useState<HTMLIFrameElement | null>(null)
  const [body, setBody] = useState<HTMLElement | null>(null)
  useEffect(() => {
    const inner = frame?.contentDocument
    if (!inner) return
    for (const style of document.head.querySelectorAll('link[rel=stylesheet], style')) inner.head.append(inner.importNode(style, true))
    inner.documentElement.lang = document.documentElement.lang
    inner.documentElement.className = document.documentElement.className
    inner.body.className = document.body.className
    setBody(inner.body)
  }, [frame])
  return (
    <>
      <iframe
        ref={setFrame}
        title={title}
        className="block mx-auto w-full border border-edge bg-ground h-[min(844px,75dvh)] min-h-96"
        style={{ maxWidth: widthPx ?? undefined }}
      />
      {body && createPortal(children, body)}
    </>
  )
}
