import { keptRules } from '../../../rules/stored';
import { byStrain, readSensitivity } from '../../../book/stored';
import { readRecord, storedRecord } from '../../../record/stored';
import { day, flag, id, int, json, kept, moment, none, row, text, texts } from '../columns';

export const task = row({
  id,
  machine_id: none(id),
  name: text,
  job: none(text),
  note: text,
  created_at: moment,
  created_by: id,
  component_id: none(id),
  anchoring: none(text),
  ageing: none(text),
  sensitivity: kept(byStrain, readSensitivity),
  per_part: flag,
  restarts_on_rebuild: flag,
  answers: texts,
  retired_at: none(moment),
  from_new: flag,
  finding_id: none(id)
});
export const taskTrigger = row({
  id,
  task_id: id,
  measure: text,
  interval_amount: int,
  limit_amount: none(int),
  first_interval: none(int),
  first_limit: none(int),
  of_task_id: none(id),
  shortened_to: none(int)
});
export const taskChange = row({ id, task_id: id, was: json, word: text, changed_at: moment, changed_by: id });
export const visitTask = row({ visit_id: id, task_id: id, job_key: text, position: int });
export const serviceRecord = row({
  id,
  machine_id: none(id),
  task_id: id,
  visit_id: none(id),
  done_on: day,
  done_at: moment,
  hours: none(int),
  reason: text,
  remark: text,
  content: none(kept(storedRecord, readRecord)),
  created_at: moment,
  created_by: id,
  hours_by: text,
  replaced: flag,
  rules: kept(keptRules, keptRules.parse),
  early: text,
  next_within: none(int),
  machine_hours: none(int).default(null)
});
export const recordCorrection = row({
  id,
  record_id: id,
  words: text,
  amount: none(json),
  seal: none(json).default(null),
  created_at: moment,
  created_by: id
});
export const rebuild = row({
  id,
  component_id: id,
  rebuilt_on: day,
  rebuilt_at: moment,
  remark: text,
  created_at: moment,
  created_by: id
});
export const rebuildTask = row({ rebuild_id: id, task_id: id });
export const intervalProposal = row({
  id,
  task_id: id,
  trigger_id: id,
  from_amount: int,
  to_amount: int,
  reason: text,
  record_id: none(id),
  decided: none(text),
  word: text,
  decided_at: none(moment),
  decided_by: none(id),
  created_at: moment,
  created_by: id
});
