import { keptAnswer, readAnswerKept } from '../../../round/stored';
import { id, int, kept, moment, none, num, row, text } from '../columns';

export const machineRound = row({
  id,
  machine_id: id,
  list: text,
  begun_at: moment,
  begun_by: id,
  done_at: none(moment),
  done_by: none(id),
  done_hours: none(int),
  checks: int,
  checks_left: int,
  minutes_left: num,
  struck_at: none(moment),
  struck_by: none(id),
  struck_reason: none(text)
});
export const roundAnswer = row({
  id,
  round_id: id,
  check_key: text,
  content: kept(keptAnswer, readAnswerKept),
  at: moment,
  by: id
});
export const airFilterMovement = row({
  id,
  filter_id: id,
  clean: int,
  dirty: int,
  why: text,
  round_id: none(id),
  visit_id: none(id),
  at: moment,
  by: id
});
