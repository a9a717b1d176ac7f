import { connect, type Socket } from 'node:net';
import { connect as connectTls } from 'node:tls';

export interface Entrance {
  host: string;
  port: number;
  secure?: boolean;
}
/** A socket to an entrance, past every client that would mend what is sent. */
export const dial = ({ host, port, secure }: Entrance): Socket =>
  secure ? connectTls({ host, port, rejectUnauthorized: false }) : connect({ host, port });

/**
 * Writes to an entrance as it stands, and reads what comes until the other end hangs up, or nothing comes for a while.
 * @param quiet ms without a word, after which there is nothing more to wait for
 */
export function speak(to: Entrance, text: string, quiet = 400): Promise<string> {
  return new Promise((done) => {
    const socket = dial(to);
    let heard = '';
    const over = () => (socket.destroy(), done(heard));
    socket.setTimeout(quiet, over);
    socket.on('data', (d) => (heard += d.toString('latin1')));
    socket.on('error', over).on('close', over);
    socket.once(to.secure ? 'secureConnect' : 'connect', () => socket.write(text, 'latin1'));
  });
}
/** The status an answer begins with; null: there was none. */
export const statusOf = (answer: string): number | null => {
  const said = /^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1];
  return said === undefined ? null : Number(said);
};
