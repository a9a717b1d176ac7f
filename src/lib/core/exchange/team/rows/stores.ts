import { day, id, int, ints, moment, none, num, row, text, texts } from '../columns';

export const adapter = row({
  id,
  name: text,
  length_mm: num,
  created_at: moment,
  created_by: id,
  retired_at: none(moment)
});
export const torqueWrench = row({
  id,
  name: text,
  low_nm: num,
  high_nm: num,
  length_mm: none(num),
  calibrated_until: none(day),
  created_at: moment,
  created_by: id,
  retired_at: none(moment),
  unit: text
});
export const bladeSet = row({
  id,
  name: text,
  unit: text,
  blades: ints,
  retired_at: none(moment),
  created_at: moment,
  created_by: id
});
export const oil = row({
  id,
  name: text,
  kind: text,
  grade: text,
  ratings: texts,
  additives: texts,
  bottle_ml: num,
  created_at: moment,
  created_by: id,
  retired_at: none(moment)
});
export const airFilter = row({
  id,
  name: text,
  created_at: moment,
  created_by: id,
  retired_at: none(moment)
});
export const shimLevel = row({ across: int, stamp: int, least: int });
