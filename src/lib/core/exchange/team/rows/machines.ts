import { day, flag, id, int, json, moment, none, row, text } from '../columns';

export const machine = row({
  id,
  plate: text,
  name: text,
  maker: text,
  kind: text,
  rider_id: none(id),
  // Files from before machines had owners have none.
  owner_id: none(id).default(null),
  in_service_on: day,
  remark: text,
  created_at: moment,
  created_by: id,
  air_filter_id: none(id)
});
export const component = row({
  id,
  kind: text,
  name: text,
  serial: text,
  brought: int,
  brought_known: flag,
  brought_distance: int,
  from_new: flag,
  note: text,
  total: int,
  scrapped_at: none(moment),
  scrapped_reason: text,
  created_at: moment,
  created_by: id
});
export const fitting = row({
  id,
  component_id: id,
  kind: text,
  machine_id: none(id),
  host_id: none(id),
  place: text,
  fitted_at: moment,
  removed_at: none(moment),
  fitted_reason: text,
  removed_reason: text,
  created_at: moment,
  created_by: id,
  removed_by: none(id)
});
export const modification = row({
  id,
  machine_id: id,
  what: text,
  words: text,
  done_on: day,
  undone_on: none(day),
  created_at: moment,
  created_by: id
});
export const houseRule = row({
  id,
  key: text,
  value: json,
  word: text,
  set_at: moment,
  set_by: id,
  machine_id: none(id)
});
