import { saveLook } from '@jackdaw/contracts/look'
import { contrast, darkened, rgbOf, WHITE } from '@jackdaw/core/annotations'
import { Look } from '@jackdaw/core/guides'
import { keysOf } from '@jackdaw/core/shared'
import { useMutation, type UseMutationResult } from '@tanstack/react-query'
import { useTexts } from '../../ui/words/texts'
import { LOOK_KEY, useCompanyLook } from '../../annotations'
import { call, queryClient } from '../../api'
import { useMe } from '../../people'
import { Button, Failed, Loaded, TitleLine } from '../../ui'
import { useFormOf, type FormOf } from '../../ui/fields/useFormOf'
import { LookFields } from './LookFields'
import { LookSample } from './LookSample'

/** How the company's guides look, with a sample beside it. */
export function LookPage() {
  const query = useCompanyLook()
  return <Loaded query={query}>{(look) => <LookForm look={look} />}</Loaded>
}

function LookForm({ look }: { look: Look }) {
  const { t } = useTexts()
  const form = useFormOf(Look, look)
  const now = form.watch()
  const save = useMutation({
    mutationFn: (next: Look) => call(saveLook, { body: next }),
    onSuccess: (saved) => {
      queryClient.setQueryData(LOOK_KEY, saved)
      form.reset(saved)
    },
  })
  return (
    <div className="grow">
      <title>{`${t('Look of the guides')} – Jackdaw`}</title>
      <TitleLine title={t('Look of the guides')} />
      <div className="grid lg:grid-cols-[360px_minmax(0,1fr)] gap-6 px-4 md:px-6 pb-24">
        <LookControls form={form} now={now} save={save} />
        <div>
          <LookSample look={now} />
          <p className="text-sm text-soft mt-3 tabular-nums">
            {t('The company colour has a contrast of {{n}} : 1 on white; for words it is taken as {{colour}}.', {
              n: contrast(rgbOf(now.colour), rgbOf(WHITE)).toFixed(1),
              colour: darkened(now.colour, 4.5),
            })}
          </p>
        </div>
      </div>
    </div>
  )
}

function LookControls({ form, now, save }: { form: FormOf<Look>; now: Look; save: UseMutationResult<Look, Error, Look> }) {
  const { t } = useTexts()
  const me = useMe()
  const may = me.permissions.includes('company.settings') || me.permissions.includes('guides.all')
  const changed = form.formState.isDirty
  return (
    <form className="space-y-4" noValidate onSubmit={form.sending((next) => save.mutate(next))}>
      <p className="text-soft">{t('Holds for every guide that does not say otherwise, from the moment it is saved.')}</p>
      <fieldset disabled={!may}>
        <LookFields
          look={now}
          part={(part) => {
            for (const key of keysOf(part)) form.setValue(key, part[key]!, { shouldDirty: true })
          }}
        />
      </fieldset>
      {save.isError && <Failed error={save.error} />}
      {may ? (
        <Button type="submit" look="primary" disabled={!changed || save.isPending}>
          {save.isPending ? t('Saving …') : t('Save for all guides')}
        </Button>
      ) : (
        <p className="text-soft">{t('Leads and admins can change this.')}</p>
      )}
      {save.isSuccess && !changed && (
        <p role="status" className="text-moss">
          ✓ {t('Saved. Guides are shown like this from now on.')}
        </p>
      )}
    </form>
  )
}
