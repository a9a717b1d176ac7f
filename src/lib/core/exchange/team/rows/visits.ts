import { withVersion } from '../../../stored/stored';
import { keptContent } from '../../../visit/stored';
import { keptRules } from '../../../rules/stored';
import { readItem, readPlan, readStep, storedItem, storedPlan, storedStep } from '../../../job/stored';
import { id, int, kept, moment, none, num, row, text } from '../columns';

export const visit = row({
  id,
  machine_id: id,
  rules: kept(keptRules, keptRules.parse),
  started_at: moment,
  started_by: id,
  closed_at: none(moment),
  closed_by: none(id),
  given_up_at: none(moment),
  given_up_reason: none(text),
  plan: kept(storedPlan, readPlan)
});
export const visitStep = row({ visit_id: id, key: text, position: int, content: kept(storedStep, readStep) });
export const openedItem = row({
  visit_id: id,
  key: text,
  position: int,
  content: kept(storedItem, readItem)
});
export const visitEntry = row({
  id,
  visit_id: id,
  step_key: none(text),
  item_key: none(text),
  action: text,
  content: kept(keptContent, (c) => keptContent.parse(withVersion(c, () => 1))),
  at: moment,
  seen: none(id).default(null),
  after_entry: none(id).default(null),
  by: id
});
export const oilMovement = row({
  id,
  oil_id: id,
  ml: num,
  why: text,
  visit_id: none(id),
  at: moment,
  by: id
});
