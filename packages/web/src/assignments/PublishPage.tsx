import { useIds } from '../ui/search/useIds'
import { Publishing, type Publication } from '@jackdaw/contracts/publishing'
import type { DueRule } from '@jackdaw/core/assignments'
import type { AudienceShown } from '@jackdaw/contracts/audiences'
import { stopsPublishing } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { EditionsSoFar } from './EditionsSoFar'
import { useTexts } from '../ui/words/texts'
import { Button, ButtonLink, Check, Failed, Loaded, Message, TextArea, TitleLine, TextLink } from '../ui'
import { useFormOf, type FormOf } from '../ui/fields/useFormOf'
import { AudienceFields } from './AudienceFields'
import { DueFields } from './DueFields'
import { FormPart } from './FormPart'
import { useAudiencePreview, usePublication, usePublish } from './queries'
import { ReachedList } from './ReachedList'

export function PublishPage() {
  const { id } = useIds<{ id: GuideId }>()
  const query = usePublication(id)
  return <Loaded query={query}>{(publication) => <PublishForm key={publication.revision} id={id} publication={publication} />}</Loaded>
}

/** What a guide that was published before begins with. */
const usual = (publication: Publication): Publishing => ({
  revision: publication.revision,
  changeNote: '',
  mustReread: false,
  audience: publication.audience.choice,
  openToAll: publication.openToAll,
  due: publication.due,
  tell: true,
})

/** What is still in the way of publishing, apart from whom it reaches. */
function stands({ findings, archived, editions, changedSinceEdition }: Publication, changeNote: string) {
  const noteMissing = editions.length > 0 && changedSinceEdition && changeNote.trim() === ''
  return { noteMissing, blocked: findings.some(stopsPublishing) || archived || noteMissing }
}

function PublishForm({ id, publication }: { id: GuideId; publication: Publication }) {
  const { t } = useTexts()
  const publish = usePublish(id)
  const form = useFormOf(Publishing, usual(publication))
  const { audience, openToAll, due, changeNote, mustReread } = form.watch()
  const [whole, setWhole] = useState(true)
  const preview = useAudiencePreview(id, whole ? audience : null)
  const newest = publication.editions[0]
  const holds = publication.editions.find(({ withdrawn }) => withdrawn === null)
  const next = publication.changedSinceEdition ? (newest?.number ?? 0) + 1 : (holds?.number ?? 1)
  const counts = preview.data?.counts
  const people = counts?.people ?? 0
  const { noteMissing, blocked } = stands(publication, changeNote)
  const unsure = !whole || preview.isPending || preview.isPlaceholderData || (people === 0 && !openToAll)
  if (publish.isSuccess) return <Published id={id} edition={publish.data.edition} people={publish.data.people} openToAll={openToAll} />
  const action = people > 0 ? t('Publish to {{count}} people', { count: people }) : openToAll ? t('Publish, open to all') : t('Publish')
  return (
    <form className="grow flex flex-col" noValidate onSubmit={form.sending((body) => publish.mutate(body))}>
      <title>{`${t('Publish')} – ${publication.title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: `/guides/${id}/edit`, name: t('Guide {{n}}', { n: publication.number }) }}
        title={t('Publish “{{title}}”', { title: publication.title })}
        state={
          publication.changedSinceEdition
            ? t('This becomes edition {{n}}. It is frozen as it is now; the draft can go on.', { n: next })
            : t('The draft is the same as edition {{n}}. Publishing only changes who gets it.', { n: next })
        }
      >
        <Button type="submit" look="primary" className="min-h-10" disabled={blocked || unsure || publish.isPending}>
          {publish.isPending ? t('Publishing …') : action}
        </Button>
      </TitleLine>
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_400px] border-t border-hair">
        <div className="bg-sheet px-4 md:px-6 py-5 space-y-7 min-w-0">
          {publish.isError && <Failed error={publish.error} />}
          {publication.archived && <Message tone="warn" title={t('The guide is archived. Take it out of the archive to publish it.')} />}
          {publication.findings.length > 0 && <Findings id={id} publication={publication} />}
          {newest && publication.changedSinceEdition && <WhatChanged form={form} done={counts?.done ?? 0} />}
          <ToWhom {...{ form, due }} shown={publication.audience} onWhole={setWhole} />
          {publication.editions.length > 0 && <EditionsSoFar id={id} editions={publication.editions} />}
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair" aria-live="polite">
          <ReachedList
            reached={preview.data}
            pending={whole && preview.isPending}
            fresh={whole && !preview.isPlaceholderData}
            error={preview.error}
            {...{ mustReread, due, openToAll }}
          />
          {noteMissing && <p className="text-sm text-ochre mt-3">{t('Write what has changed before you publish.')}</p>}
        </aside>
      </div>
    </form>
  )
}

type PublishingForm = FormOf<Publishing>

/** Who gets it, until when, and whether they are told. */
function ToWhom({
  form: { register, setValue },
  due,
  shown,
  onWhole,
}: {
  form: PublishingForm
  due: DueRule
  shown: AudienceShown
  /** Is told whether it is said altogether who is meant. */
  onWhole: (whole: boolean) => void
}) {
  const { t } = useTexts()
  return (
    <>
      <FormPart title={t('Who gets it')}>
        <AudienceFields
          shown={shown}
          onChange={(next) => {
            onWhole(next !== null)
            if (next) setValue('audience', next)
          }}
        />
        <div className="mt-4">
          <Check
            {...register('openToAll')}
            label={t('Open to all')}
            hint={t('Everyone in the company finds it in the library, also those who are not given it.')}
          />
        </div>
      </FormPart>
      <FormPart title={t('Until when')}>
        <DueFields due={due} onChange={(next) => setValue('due', next)} />
      </FormPart>
      <FormPart title={t('Telling them')}>
        <Check
          {...register('tell')}
          label={t('Tell those who are to read it')}
          hint={t('In their inbox, and by mail as far as they want that. Without it they find the guide on their page Today.')}
        />
      </FormPart>
    </>
  )
}

function Findings({ id, publication }: { id: GuideId; publication: Publication }) {
  const { t } = useTexts()
  const words = {
    'no-title': t('The guide has no title.'),
    'no-steps': t('The guide has no steps.'),
    'empty-step': t('A step has neither words nor pictures.'),
    'blackout-pending': t('A blackout is drawn on a picture and not applied yet: what is under it could still be got at.'),
    'too-much': t('There is more here than a guide may hold.'),
    'quiz-not-there': t('A quiz among the steps is not published, is in the archive, or is not yours to see.'),
    'not-ready': t('Not ready.'),
  }
  const list = (findings: Publication['findings']) => (
    <ul className="list-disc pl-5">
      {findings.map((finding, index) => (
        <li key={index}>
          {words[finding.reason]}{' '}
          <TextLink to={`/guides/${id}/edit${finding.itemId ? `?step=${finding.itemId}` : ''}`}>
            {finding.where || t('Open the draft')}
          </TextLink>
          {finding.why && `: ${finding.why}`}
        </li>
      ))}
    </ul>
  )
  const stopping = publication.findings.filter(stopsPublishing)
  const left = publication.findings.filter((finding) => !stopsPublishing(finding))
  return (
    <>
      {stopping.length > 0 && (
        <Message tone="warn" title={t('Before it can be published')}>
          {list(stopping)}
        </Message>
      )}
      {left.length > 0 && (
        <Message tone="warn" title={t('What is left, by what its authors have flagged: {{n}}', { n: left.length })}>
          {list(left)}
          {t('It can be published all the same; readers then see these parts as they are.')}
        </Message>
      )}
    </>
  )
}

/** What happened, and where to go from here. */
function Published({ id, edition, people, openToAll }: { id: GuideId; edition: number; people: number; openToAll: boolean }) {
  const { t } = useTexts()
  return (
    <div className="p-6 max-w-2xl space-y-4">
      <Message tone="good" title={t('Edition {{n}} is published', { n: edition })}>
        {t('{{count}} people find it on their page Today.', { count: people })}
        {openToAll && ` ${t('Everybody else finds it in the library.')}`}
      </Message>
      <div className="flex flex-wrap gap-2">
        <ButtonLink look="primary" to={`/records/guides/${id}`}>
          {t('Who finished')}
        </ButtonLink>
        <ButtonLink to={`/items/${id}/given`}>{t('Given to')}</ButtonLink>
        <ButtonLink to={`/guides/${id}`}>{t('Read it')}</ButtonLink>
        <ButtonLink to={`/guides/${id}/edit`}>{t('Go on writing')}</ButtonLink>
        <ButtonLink to="/library">{t('Library')}</ButtonLink>
      </div>
    </div>
  )
}

function WhatChanged({ form: { register, watch, faultOf }, done }: { form: PublishingForm; done: number }) {
  const { t } = useTexts()
  return (
    <FormPart title={t('What has changed')}>
      <TextArea
        label={t('Change note')}
        rows={2}
        maxLength={1000}
        {...register('changeNote')}
        error={faultOf('changeNote')}
        hint={t('Readers see it when they open the new edition.')}
      />
      <div className="mt-3">
        <Check
          {...register('mustReread')}
          label={t('Those who are done must read the new edition')}
          hint={
            done > 0
              ? watch('mustReread')
                ? t('{{count}} people who are done get it again, with a new date.', { count: done })
                : t('{{count}} people who are done stay done.', { count: done })
              : t('Nobody is done yet.')
          }
        />
      </div>
    </FormPart>
  )
}
