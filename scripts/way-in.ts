/**
 * npm run way-in -- "Name" ["Team"]: a way in for somebody, made on the server, when nobody is left to ask. With --tent (as npm start
 * calls it) it prints the bare code of an invitation for whoever of the one team here has no way in yet.
 */
import { inviteFromServer } from '../src/lib/server/access/invitations';
import { connect } from '../src/lib/server/base/db';

const url = process.env.DATABASE_URL;
const [first, team] = process.argv.slice(2);
const sql = connect(url!, 1);
try {
  if (first === '--tent') {
    const teams = await sql`select id from team where not is_demo limit 2`;
    if (teams.length === 1) console.log(await inviteFromServer(sql, teams[0]!.id as string, null));
  } else if (!first) {
    console.error('\n  Whose? npm run way-in -- "Name"\n');
    process.exitCode = 1;
  } else {
    const people = await sql`
      select p.id, p.team_id, p.name, t.name as team from person p join team t on t.id = p.team_id
      where lower(p.name) = lower(${first}) and p.left_at is null and not t.is_demo ${team ? sql`and lower(t.name) = lower(${team})` : sql``}`;
    if (people.length === 0) console.error(`\n  There is nobody called ${first} in any team here.\n`);
    else if (people.length > 1)
      console.error(
        `\n  In several teams: ${people.map((p) => p.team as string).join(', ')}. npm run way-in -- "${first}" "Team"\n`
      );
    else {
      const [{ id, team_id, name, team: of }] = people as unknown as [Record<string, string>];
      const code = await inviteFromServer(sql, team_id!, id!);
      console.log(
        `\n  A way in for ${name} of ${of}, for a day, once:\n\n  ${process.env.HOUR_TRAIL_OPEN ?? ''}/join/${code}\n`
      );
    }
    process.exitCode = people.length === 1 ? 0 : 1;
  }
} finally {
  await sql.end();
}
