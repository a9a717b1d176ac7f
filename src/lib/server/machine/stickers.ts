import { stickerPlace, type Sticker, type StickerKind } from '../../core/paper/labels';
import type { Db } from '../base/db';

/** Where a sticker leads; null where this team has no such thing, or has it no more. */
export async function behindSticker(
  sql: Db,
  teamId: string,
  kind: StickerKind,
  id: string
): Promise<string | null> {
  if (kind === 'machine') {
    const [m] = await sql`select 1 from machine where team_id = ${teamId} and id = ${id}`;
    return m ? stickerPlace(kind, id) : null;
  }
  if (kind === 'component') {
    const [c] = await sql`select 1 from component where team_id = ${teamId} and id = ${id}`;
    return c ? stickerPlace(kind, id) : null;
  }
  const [thing] = await sql`
    select 1 from oil where team_id = ${teamId} and id = ${id}
    union all select 1 from air_filter where team_id = ${teamId} and id = ${id}
    union all select 1 from torque_wrench where team_id = ${teamId} and id = ${id}
    union all select 1 from blade_set where team_id = ${teamId} and id = ${id} limit 1`;
  return thing ? stickerPlace(kind, id) : null;
}

/** Everything of a team that a sticker can be stuck on: what is scrapped or put away has none. */
export async function stickersOf(sql: Db, teamId: string): Promise<Sticker[]> {
  return (await sql`
    select * from (
      select 'machine' as kind, id, plate as mark, name as words, length(plate) as n from machine where team_id = ${teamId}
      union all
      select 'component', id, name, concat_ws(', ', kind, nullif(serial, '')), 0 from component where team_id = ${teamId} and scrapped_at is null
      union all
      select 'shelf', id, name, concat_ws(', ', grade, kind), 1 from oil where team_id = ${teamId} and retired_at is null
      union all
      select 'shelf', id, name, 'air filters', 2 from air_filter where team_id = ${teamId} and retired_at is null
      union all
      select 'shelf', id, name, 'torque wrench', 3 from torque_wrench where team_id = ${teamId} and retired_at is null
      union all
      select 'shelf', id, name, 'feeler blades', 4 from blade_set where team_id = ${teamId} and retired_at is null
    ) s order by kind = 'shelf', kind = 'component', n, mark, id`) as unknown as Sticker[];
}
