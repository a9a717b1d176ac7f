import { readTemplate, storedTemplate } from '../../../job/stored';
import { keptChecks, readChecks } from '../../../round/lists';
import { id, int, kept, moment, none, row, text } from '../columns';

export const person = row({
  id,
  name: text,
  role: text,
  created_at: moment,
  // In files of before nobody had left.
  left_at: none(moment).default(null),
  forgotten_at: none(moment).default(null)
});
export const specSource = row({ id, title: text, edition: text });
export const jobTemplate = row({
  key: text,
  version: int,
  content: none(kept(storedTemplate, readTemplate)),
  word: text,
  created_at: moment,
  created_by: id
});
export const roundChecks = row({
  version: int,
  content: none(kept(keptChecks, readChecks)),
  word: text,
  created_at: moment,
  created_by: id
});
