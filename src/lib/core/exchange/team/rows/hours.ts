import { day, flag, id, int, moment, none, row, text, texts } from '../columns';

export const event = row({
  id,
  name: text,
  kind: text,
  first_day: day,
  last_day: day,
  hours_each: int,
  whole_fleet: flag,
  called_off_at: none(moment),
  created_at: moment,
  created_by: id,
  leaves_on: none(day).default(null)
});
export const eventMachine = row({ event_id: id, machine_id: id, hours: none(int) });
export const meter = row({
  id,
  machine_id: id,
  kind: text,
  fitted_at: moment,
  first_value: int,
  removed_at: none(moment),
  last_value: none(int),
  removed_reason: text,
  created_at: moment,
  created_by: id,
  change: text
});
export const meterDead = row({
  id,
  meter_id: id,
  since: moment,
  until: none(moment),
  counted: flag,
  reason: text,
  created_at: moment,
  created_by: id
});
export const outing = row({
  id,
  machine_id: id,
  event_id: none(id),
  rider_id: none(id),
  day: day,
  kind: text,
  remark: text,
  created_at: moment,
  created_by: id,
  conditions: texts,
  crossings: int,
  clutch: text,
  distance: none(int),
  ridden_at: none(moment),
  symptoms: texts
});
export const reading = row({
  id,
  machine_id: id,
  meter_id: id,
  outing_id: none(id),
  read_at: moment,
  value: none(int),
  ridden: none(int),
  remark: text,
  // Files of before it was written down have none.
  instrument: text.default(''),
  doubts: texts,
  settled: none(text),
  settled_reason: text,
  created_at: moment,
  created_by: id,
  estimated_from: none(text),
  before_outing: flag
});
export const readingStrike = row({ reading_id: id, reason: text, struck_at: moment, struck_by: id });
export const machineCall = row({
  id,
  machine_id: id,
  outing_id: none(id),
  kind: text,
  what: text,
  words: text,
  called_on: day,
  dropped_at: none(moment),
  dropped_by: none(id),
  dropped_word: none(text),
  created_at: moment,
  created_by: id
});
