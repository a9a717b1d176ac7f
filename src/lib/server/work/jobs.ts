import { TeamFileError } from '../../core/exchange/team/file';
import { connect } from '../base/db';
import { takeTeamIn, type TakenIn } from '../exchange/team/in';
import { labelsPdf } from '../pdf/labels';
import { ownerPdf } from '../pdf/owner';
import { paperPdf } from '../pdf/paper';
import { makePhoto, type Made } from '../photo/picture';
import { Refusal } from '../base/refusal';

/** What came of a job that may refuse what it was given: a class does not come out of a worker as one. */
export type Came<T> = { ok: true; made: T } | { ok: false; words: string };

type Arguments<F extends (...given: never[]) => unknown> = Parameters<F>;

export const photo = async (sent: Uint8Array): Promise<Came<Made>> => {
  try {
    return { ok: true, made: await makePhoto(sent) };
  } catch (e) {
    if (e instanceof Refusal) return { ok: false, words: e.message };
    throw e;
  }
};
export const paper = (given: Arguments<typeof paperPdf>): Promise<Uint8Array> => paperPdf(...given);
export const labels = (given: Arguments<typeof labelsPdf>): Promise<Uint8Array> => labelsPdf(...given);
export const owner = (given: Arguments<typeof ownerPdf>): Promise<Uint8Array> => ownerPdf(...given);

/** What a team's file is taken in by. */
export interface TeamFileJob {
  databaseUrl: string;
  path: string;
  copy: { id: string; name: string } | null;
}
export const teamFile = async ({ databaseUrl, path, copy }: TeamFileJob): Promise<Came<TakenIn>> => {
  const sql = connect(databaseUrl, 1);
  try {
    return { ok: true, made: await takeTeamIn(sql, path, copy) };
  } catch (e) {
    if (e instanceof TeamFileError) return { ok: false, words: e.words };
    throw e;
  } finally {
    await sql.end({ timeout: 5 });
  }
};
