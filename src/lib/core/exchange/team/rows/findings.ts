import { day, id, int, moment, none, row, text } from '../columns';

export const finding = row({
  id,
  machine_id: none(id),
  component_id: none(id),
  fastener_id: none(id),
  cause: text,
  what: text,
  place: text,
  note: text,
  severity: text,
  found_on: day,
  found_at: moment,
  hours: none(int),
  visit_id: none(id),
  item_key: none(text),
  created_at: moment,
  created_by: id,
  closed_on: none(day),
  closed_at: none(moment),
  closed_by: none(id),
  closed_word: text,
  round_id: none(id),
  check_key: none(text),
  closed_how: text
});
export const findingChange = row({
  id,
  finding_id: id,
  was: text,
  became: text,
  word: text,
  changed_at: moment,
  changed_by: id
});
export const reminder = row({
  id,
  machine_id: id,
  words: text,
  waits_for: text,
  part: text,
  come_at: none(moment),
  come_by: none(id),
  done_at: none(moment),
  done_by: none(id),
  done_word: text,
  created_at: moment,
  created_by: id,
  finding_id: none(id),
  fastener_id: none(id),
  check_key: none(text),
  round_id: none(id),
  expected_on: none(day).default(null)
});
export const photo = row({
  id,
  machine_id: id,
  visit_id: none(id),
  step_key: none(text),
  width: int,
  height: int,
  taken_at: moment,
  taken_by: id,
  finding_id: none(id)
});
