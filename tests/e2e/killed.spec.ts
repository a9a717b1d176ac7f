import { expect, test } from './app';

test.describe('a database of its own', () => {
  test.use({ alone: true });

  test('database connections killed under writes: the server stays, and nothing it acknowledged is lost', async ({
    app
  }) => {
    const machineId = await app.machineId('33');
    const who = (await app.sql`select id from person where name = 'Jory Pell'`)[0]!.id as string;
    const day = new Date().toISOString().slice(0, 10);
    const acknowledged: string[] = [];
    const statuses = new Set<number>();
    let writing = true;
    const client = async () => {
      while (writing) {
        const id = crypto.randomUUID();
        const body = { id, machineId, typed: '+0.01', day, outing: 'ride' };
        const sent = await fetch(`${app.url}/api/commands`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie: `ht_who=${who}` },
          body: JSON.stringify({
            device: 'a test',
            commands: [{ id: crypto.randomUUID(), kind: 'reading.log', at: new Date().toISOString(), body }]
          })
        });
        statuses.add(sent.status);
        const answer = await sent.json().catch(() => null);
        if (answer?.outcomes?.[0]?.ok) acknowledged.push(id);
      }
    };
    const clients = Array.from({ length: 8 }, client);
    for (let i = 0; i < 12; i++) {
      const before = acknowledged.length;
      await app.sql`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()`;
      await expect.poll(() => acknowledged.length).toBeGreaterThan(before + 3);
    }
    writing = false;
    await Promise.all(clients);
    // Said to be away, or taken; never a mistake of ours.
    expect([...statuses].filter((s) => s !== 200 && s !== 503)).toEqual([]);
    const kept = await app.sql`select id from reading where id = any(${acknowledged})`;
    expect(kept).toHaveLength(acknowledged.length);
    expect((await fetch(`${app.url}/health`)).status).toBe(200);
  });
});
