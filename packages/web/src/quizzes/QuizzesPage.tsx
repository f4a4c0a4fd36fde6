import type { BankRow, QuizRow } from '@jackdaw/contracts/quizzes'
import { quizItem } from '@jackdaw/core/items'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import * as z from 'zod/mini'
import { PlanTabs, recordsOf } from '../items'
import { ButtonLink, Loaded, Table, TextLink, TitleLine, useSearch, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { useBanks, useQuizzes } from './queries'

/** The frame of a list of what is written: its name, its archive, and beginning a new one. */
function ListFrame({
  words,
  path,
  children,
}: {
  words: { title: string; about: string; archived: string; back: string; make: string }
  path: string
  children: (archived: boolean) => ReactNode
}) {
  const { t } = useTexts()
  const { search } = useSearch({ archived: z.literal('yes') })
  const archived = search.archived === 'yes'
  return (
    <>
      <title>{`${words.title} – Jackdaw`}</title>
      <TitleLine title={archived ? words.archived : words.title} state={words.about}>
        <ButtonLink look="quiet" to={archived ? path : `${path}?archived=yes`}>
          {archived ? words.back : t('Archive')}
        </ButtonLink>
        <ButtonLink look="primary" to={`${path}/new`}>
          {words.make}
        </ButtonLink>
      </TitleLine>
      <PlanTabs />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-3">{children(archived)}</div>
    </>
  )
}

/** The quizzes that one may write. */
export function QuizzesPage() {
  const { t } = useTexts()
  return (
    <ListFrame
      path="/quizzes"
      words={{
        title: t('Quizzes'),
        about: t('Questions by which it shows what somebody can do'),
        archived: t('Quizzes in the archive'),
        back: t('Back to the quizzes'),
        make: t('Write a quiz'),
      }}
    >
      {(archived) => <QuizList archived={archived} />}
    </ListFrame>
  )
}

function QuizList({ archived }: { archived: boolean }) {
  const { t } = useTexts()
  const state = ({ edition, changed }: QuizRow) =>
    edition === null ? t('Draft') : changed ? t('Edition {{n}}, changed since', { n: edition }) : t('Edition {{n}}', { n: edition })
  const columns: Column<QuizRow>[] = [
    { id: 'number', head: t('No.'), from: 'sm', className: 'text-soft', cell: (row) => row.number },
    {
      id: 'title',
      head: t('Quiz'),
      className: 'min-w-52',
      cell: (row) => (
        <Link to={`/quizzes/${row.id}/edit`} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    { id: 'state', head: t('State'), line: true, cell: state },
    { id: 'questions', head: t('Questions'), from: 'md', cell: (row) => row.questions },
    { id: 'mark', head: t('Pass mark'), from: 'md', cell: (row) => `${row.passMark} %` },
    {
      id: 'people',
      head: t('People'),
      cell: (row) =>
        row.edition === null ? (
          '–'
        ) : (
          <TextLink to={recordsOf(quizItem(row.id))}>
            {t('{{passed}} of {{people}} passed', { passed: row.passed, people: row.people })}
          </TextLink>
        ),
    },
    {
      id: 'attempts',
      head: t('Attempts to pass'),
      from: 'lg',
      cell: (row) => (row.attemptsToPass === null ? '–' : (Math.round(row.attemptsToPass * 10) / 10).toLocaleString()),
    },
    { id: 'owner', head: t('Owner'), from: 'lg', line: true, cell: (row) => row.owner.name },
    { id: 'changed', head: t('Changed'), from: 'lg', line: true, cell: (row) => whenOf(row.changedAt) },
  ]
  return (
    <Loaded query={useQuizzes(archived)}>
      {(rows) => (
        <Table
          label={t('Quizzes')}
          {...{ rows, columns }}
          keyOf={(row) => row.id}
          empty={
            <p className="py-4">
              {archived
                ? t('Nothing is in the archive.')
                : t('A quiz finds out whether somebody can do what the guides teach. Write the first one.')}
            </p>
          }
        />
      )}
    </Loaded>
  )
}

/** All banks of questions. */
export function BanksPage() {
  const { t } = useTexts()
  return (
    <ListFrame
      path="/banks"
      words={{
        title: t('Question banks'),
        about: t('Questions with tags, from which quizzes draw'),
        archived: t('Question banks in the archive'),
        back: t('Back to the question banks'),
        make: t('Begin a question bank'),
      }}
    >
      {(archived) => <BankList archived={archived} />}
    </ListFrame>
  )
}

function BankList({ archived }: { archived: boolean }) {
  const { t } = useTexts()
  const columns: Column<BankRow>[] = [
    {
      id: 'title',
      head: t('Bank'),
      className: 'min-w-52',
      cell: (row) => (
        <Link to={`/banks/${row.id}`} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    { id: 'questions', head: t('Questions'), cell: (row) => row.questions },
    { id: 'tags', head: t('Tags'), from: 'md', cell: (row) => row.tags.map(({ tag, questions }) => `${tag} (${questions})`).join(', ') },
    { id: 'quizzes', head: t('Quizzes that draw from it'), from: 'sm', cell: (row) => row.quizzes },
    { id: 'owner', head: t('Owner'), from: 'lg', line: true, cell: (row) => row.owner.name },
    { id: 'changed', head: t('Changed'), from: 'lg', line: true, cell: (row) => whenOf(row.changedAt) },
  ]
  return (
    <Loaded query={useBanks(archived)}>
      {(rows) => (
        <Table
          label={t('Question banks')}
          {...{ rows, columns }}
          keyOf={(row) => row.id}
          empty={
            <p className="py-4">
              {archived
                ? t('Nothing is in the archive.')
                : t('A bank holds more questions than a quiz asks, so that another attempt brings others. Begin the first one.')}
            </p>
          }
        />
      )}
    </Loaded>
  )
}
