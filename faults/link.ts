import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { finding, pause, Place, type Command } from './place';
import type { Result } from './run';

/** A line to the server on which every third answer is lost after the server has done its work. */
function dropping(to: string): Promise<{ url: string; asked: () => number; close: () => void }> {
  let asked = 0;
  const { hostname, port } = new URL(to);
  const line: Server = createServer((from, back) => {
    asked += 1;
    const lost = asked % 3 === 0;
    from.pipe(
      request({ hostname, port, path: from.url, method: from.method, headers: from.headers }, (answer) => {
        if (lost) {
          answer.resume();
          answer.on('end', () => from.socket.destroy());
        } else {
          back.writeHead(answer.statusCode!, answer.headers);
          answer.pipe(back);
        }
      })
    );
  });
  return new Promise((done) =>
    line.listen(0, '127.0.0.1', () =>
      done({
        url: `http://127.0.0.1:${(line.address() as AddressInfo).port}`,
        asked: () => asked,
        close: () => void (line.close(), line.closeAllConnections())
      })
    )
  );
}

/** As many as the outbox sends at once, where there are that many; few here, so that many answers can be lost. */
const AT_ONCE = 5;
/** What piled up on a device without a signal goes over a bad line: sent again under its ids until it is answered, in its order. */
export async function badLink(count: number): Promise<Result> {
  const place = await Place.open();
  const line = await dropping(place.url);
  try {
    const waiting: Command[] = Array.from({ length: count }, () => finding(place.machineId));
    const all = [...waiting];
    const odd: string[] = [];
    for (let tries = 0; waiting.length > 0 && tries < count * 4; tries++) {
      const batch = waiting.slice(0, AT_ONCE);
      place.sends(batch);
      const answer = await fetch(`${line.url}/api/commands`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          cookie: place.cookie,
          // As a proxy that keeps the name.
          host: new URL(place.url).host
        },
        body: JSON.stringify({ device: 'faults', sent: new Date().toISOString(), commands: batch })
      }).then(
        async (r) => ({ status: r.status, text: await r.text() }),
        () => null
      );
      if (!answer) {
        await pause(5);
        continue;
      }
      const read = JSON.parse(answer.text) as { outcomes?: { id: string; ok: boolean }[] };
      if (answer.status !== 200 || read.outcomes?.some((o) => !o.ok)) {
        odd.push(`${answer.status} ${answer.text.slice(0, 300)}`);
        break;
      }
      waiting.splice(0, batch.length);
    }
    const { lost, doubled } = await place.once(all);
    const order = await place.sql`
      select array_agg(id order by seq) as ids from command where id = any(${all.map((c) => c.id)})`;
    const inOrder = JSON.stringify(order[0]!.ids) === JSON.stringify(all.map((c) => c.id));
    return {
      ok: lost === 0 && doubled === 0 && inOrder && odd.length === 0,
      figures: `${count} commands made offline, over a line that drops every third answer: ${line.asked()} sendings, ${lost} lost, ${doubled} doubled, ${inOrder ? 'in the order they were written' : 'OUT OF ORDER'}`,
      odd
    };
  } finally {
    line.close();
    await place.close();
  }
}
