import type { Migration } from '../migration'

/** The quizzes that stand among the steps of guides. No edition from before has any. */
export const quizzesInGuides: Migration = {
  name: '0030-quizzes-in-guides',
  up: `
create table guide_quiz (
  guide_id text collate "C" not null references guide, edition integer not null, guide_quiz_id text collate "C" not null, position integer not null,
  quiz_id text collate "C" not null references quiz, need text not null, primary key (guide_id, edition, guide_quiz_id));
create index guide_quiz_quiz on guide_quiz (quiz_id);
`,
  down: `
drop table guide_quiz;
`,
}
