import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';

export const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** The built app as a process, on a database that is there already. */
export class Server {
  #process: ChildProcess | null = null;
  private constructor(
    readonly url: string,
    readonly databaseUrl: string,
    private more: Record<string, string>
  ) {}
  /** @param more of its surroundings, besides what every start sets */
  static async on(databaseUrl: string, more: Record<string, string> = {}): Promise<Server> {
    const server = new Server(`http://127.0.0.1:${await freePort()}`, databaseUrl, more);
    await server.start();
    return server;
  }

  async start(more: Record<string, string> = {}): Promise<void> {
    this.more = { ...this.more, ...more };
    this.#process = spawn(process.execPath, ['scripts/app.mjs'], {
      env: { ...process.env, ...this.env },
      stdio: ['ignore', 'ignore', 'inherit']
    });
    // It is up as soon as it answers; more than twenty seconds and it never will.
    for (let i = 0; i < 400; i++) {
      if (
        await fetch(`${this.url}/health`).then(
          (r) => r.status === 200,
          () => false
        )
      )
        return;
      await new Promise((r) => setTimeout(r, 50));
    }
    throw new Error(`the server at ${this.url} does not answer`);
  }

  /** Its surroundings, besides what is there in any case. */
  get env(): Record<string, string> {
    return {
      DATABASE_URL: this.databaseUrl,
      HOST: '127.0.0.1',
      PORT: new URL(this.url).port,
      PROTOCOL_HEADER: 'x-trail-protocol',
      NODE_ENV: 'production',
      BODY_SIZE_LIMIT: '1G',
      ...this.more
    };
  }
  get pid(): number | undefined {
    return this.#process?.pid;
  }
  /** Whether it is the process that was started: nothing here starts it again. */
  get isUp(): boolean {
    return this.#process !== null && this.#process.exitCode === null && this.#process.signalCode === null;
  }

  /** Tells it to end. @returns what it ended with */
  async end(): Promise<number | null> {
    const server = this.#process!;
    return new Promise((done) => {
      server.once('exit', (code) => done(code));
      server.kill('SIGTERM');
    });
  }

  /** Kills it. */
  async stop(): Promise<void> {
    const server = this.#process;
    this.#process = null;
    if (!server || server.exitCode !== null) return;
    await new Promise((done) => {
      server.once('exit', done);
      server.kill('SIGKILL');
    });
  }
}
