import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, statfsSync, unlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { finding, pause, Place, type Command } from './place';
import type { Result } from './run';

/** The disk under the database fills up: it says so, reads on, loses nothing, and writes again once there is room. */
export async function diskFull(): Promise<Result> {
  const mount = mkdtempSync(join(tmpdir(), 'hour-trail-disk-'));
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=520m', 'tmpfs', mount], { stdio: 'ignore' });
  } catch {
    rmSync(mount, { recursive: true });
    return { ok: true, figures: 'disk full: not tried here, a small disk can only be made by root', odd: [] };
  }
  try {
    const place = await Place.open(mkdtempSync(join(mount, 'data-')));
    const filler = join(mount, 'filler');
    try {
      const taken: Command[] = [];
      const { bavail, bsize } = statfsSync(mount);
      writeFileSync(filler, Buffer.alloc(bavail * bsize - 2 * 1024 * 1024));
      let said = '';
      for (let i = 0; i < 4000 && said === ''; i++) {
        const command = finding(place.machineId);
        command.body.note = 'x'.repeat(2000);
        const { status, outcomes, text } = await place.send([command]);
        if (outcomes[0]?.ok) taken.push(command);
        else said = `${status} ${Object.values(outcomes[0]?.errors ?? {})[0] ?? text.slice(0, 200)}`;
      }
      const reads = await fetch(`${place.url}/due`, { headers: { cookie: place.cookie } })
        .then((r) => r.status)
        .catch(() => 0);
      unlinkSync(filler);
      // Its log was full too: PostgreSQL may have stopped, and recovers when it is started.
      let again: Command | null = null;
      for (let i = 0; i < 100 && !again; i++) {
        const command = finding(place.machineId);
        const { outcomes } = await place.send([command]);
        if (outcomes[0]?.ok) again = command;
        else await pause(200);
      }
      const { lost, doubled } = await place.once(taken);
      return {
        ok: lost === 0 && doubled === 0 && /disk/.test(said) && reads === 200 && again !== null,
        figures: `disk full after ${taken.length} commands: said “${said}”; a page read meanwhile: ${reads}; ${lost} lost, ${doubled} doubled; with room again it ${again ? 'writes by itself' : 'DOES NOT WRITE'}`,
        odd: []
      };
    } finally {
      rmSync(filler, { force: true });
      await place.close();
    }
  } finally {
    execFileSync('umount', ['-l', mount]);
    rmSync(mount, { recursive: true, force: true });
  }
}
