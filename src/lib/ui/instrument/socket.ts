import { readLine, type Line } from '$lib/core/instrument/line';

/** Where the instruments of a team speak: whose line it is says who asks, a page by its session and a program by its key. */
export const LINE_PATH = '/instruments/line';
const AGAIN_AFTER = [500, 1000, 2000, 5000];

export type SocketState = 'connecting' | 'open' | 'lost';

/** The line to the instruments, of one page: opened again by itself when it was lost. */
export class InstrumentLine {
  #socket: WebSocket | null = null;
  #tries = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #over = false;

  constructor(
    readonly heard: (line: Line) => void,
    readonly changed: (state: SocketState) => void
  ) {
    this.#open();
  }

  #open() {
    if (this.#over) return;
    this.changed('connecting');
    const socket = new WebSocket(
      `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}${LINE_PATH}`
    );
    this.#socket = socket;
    socket.onopen = () => {
      this.#tries = 0;
      this.changed('open');
    };
    socket.onmessage = (e) => {
      const line = typeof e.data === 'string' ? readLine(e.data) : null;
      if (line) this.heard(line);
    };
    socket.onclose = () => {
      if (this.#over) return;
      this.changed('lost');
      this.#timer = setTimeout(
        () => this.#open(),
        AGAIN_AFTER[Math.min(this.#tries++, AGAIN_AFTER.length - 1)]
      );
    };
  }

  /** @returns whether it went out; an instrument does not keep what nobody heard */
  say(line: Line): boolean {
    if (this.#socket?.readyState !== WebSocket.OPEN) return false;
    this.#socket.send(JSON.stringify(line));
    return true;
  }

  close() {
    this.#over = true;
    clearTimeout(this.#timer);
    this.#socket?.close();
  }
}
