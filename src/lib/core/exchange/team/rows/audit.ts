import { id, ids, int, json, moment, none, row, text } from '../columns';

export const command = row({
  id,
  kind: text,
  person_id: id,
  device: text,
  at: moment,
  received_at: moment,
  body: json,
  answer: none(json),
  // Files from before it was kept have none.
  machines: ids.default([]),
  clock_ahead_s: none(int).default(null),
  forgotten_at: none(moment).default(null)
});
