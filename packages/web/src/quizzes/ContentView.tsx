import type { Content } from '@jackdaw/core/quizzes'
import type { PictureId } from '@jackdaw/core/shared'
import { isBlank } from '@jackdaw/core/quizzes'
import { RichTextView } from '../guides/RichTextView'

/** Where pictures come from. */
export type PictureSource = (id: PictureId) => string

/** What a prompt, an answer or an explanation shows. @param source where its pictures come from */
export function ContentView({ content, source, className = '' }: { content: Content; source: PictureSource; className?: string }) {
  if (isBlank(content)) return null
  return (
    <div className={`space-y-2 min-w-0 ${className}`} dir="auto">
      <RichTextView text={content.text} leadsAway />
      {content.pictures.map(({ id, alt }) => (
        <img key={id} src={source(id)} alt={alt} className="max-w-full max-h-[50vh] border border-hair bg-page" />
      ))}
    </div>
  )
}
