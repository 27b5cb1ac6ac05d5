-- When students see mends of an exercise: 'inPractice' is never on it.
alter table exercise_version
  add column mends text not null default 'inPractice' check (mends in ('inPractice', 'withAnswer', 'always'));
