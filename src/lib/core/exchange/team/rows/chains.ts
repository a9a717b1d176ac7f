import { keptRules } from '../../../rules/stored';
import { z } from 'zod';
import { dressingV1, keptDrive, lengthV1, lookV1, readDrive } from '../../../chain/stored';
import { id, kept, moment, none, num, row, text } from '../columns';

const keptEntry = z.union([lengthV1, lookV1, dressingV1]);

export const chainDrive = row({
  machine_id: id,
  content: kept(keptDrive, readDrive),
  changed_at: moment,
  changed_by: id
});
export const chainCheck = row({
  id,
  machine_id: id,
  component_id: none(id),
  visit_id: none(id),
  rules: kept(keptRules, keptRules.parse),
  drive: kept(keptDrive, readDrive),
  begun_at: moment,
  begun_by: id,
  closed_at: none(moment),
  closed_by: none(id),
  record_id: none(id),
  struck_at: none(moment),
  struck_by: none(id),
  struck_reason: none(text)
});
export const chainReading = row({
  id,
  check_id: id,
  stage: text,
  slack_mm: num,
  slackest_mm: none(num),
  left_mark: none(num),
  right_mark: none(num),
  typed: text,
  at: moment,
  by: id
});
export const chainEntry = row({
  id,
  machine_id: id,
  component_id: none(id),
  kind: text,
  content: kept(keptEntry, keptEntry.parse),
  at: moment,
  by: id,
  struck_at: none(moment),
  struck_by: none(id),
  struck_reason: none(text)
});
