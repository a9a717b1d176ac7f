import { keptRules } from '../../../rules/stored';
import {
  keptHead,
  keptMeasured,
  keptPlan,
  readHead,
  readKeptPlan,
  readMeasured
} from '../../../valve/stored';
import { id, int, kept, moment, none, row, text } from '../columns';

export const valveHead = row({
  id,
  machine_id: none(id),
  component_id: none(id),
  sheet_machine_id: id,
  content: kept(keptHead, readHead),
  created_at: moment,
  created_by: id
});
export const valveCheck = row({
  id,
  head_id: id,
  machine_id: none(id),
  visit_id: none(id),
  cold: text,
  rules: kept(keptRules, keptRules.parse),
  plan: none(kept(keptPlan, readKeptPlan)),
  begun_at: moment,
  begun_by: id,
  closed_at: none(moment),
  closed_by: none(id),
  record_id: none(id),
  struck_at: none(moment),
  struck_by: none(id),
  struck_reason: none(text)
});
export const valveReading = row({
  id,
  check_id: id,
  valve: text,
  stage: text,
  content: kept(keptMeasured, readMeasured),
  at: moment,
  by: id
});
export const valveShim = row({
  id,
  head_id: id,
  check_id: none(id),
  valve: text,
  stamp: none(int),
  measured: none(int),
  why: text,
  at: moment,
  by: id
});
export const shimMovement = row({
  id,
  across: int,
  stamp: none(int),
  measured: none(int),
  count: int,
  why: text,
  check_id: none(id),
  valve: none(text),
  at: moment,
  by: id
});
