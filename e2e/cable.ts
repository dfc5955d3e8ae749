import { connect, createServer, type Server, type Socket } from 'node:net';

/** A cable to the server that can be pulled: what was connected breaks, and nothing gets through until it is put back. */
export class Cable {
  private server?: Server;
  private readonly sockets = new Set<Socket>();

  private constructor(
    private readonly to: number,
    readonly port: number,
  ) {}

  static async lay(to: number, port: number): Promise<Cable> {
    const cable = new Cable(to, port);
    await cable.plug();
    return cable;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async plug(): Promise<void> {
    this.server = createServer((near) => {
      const far = connect(this.to, '127.0.0.1');
      for (const socket of [near, far]) {
        this.sockets.add(socket);
        socket.on('error', () => socket.destroy());
        socket.on('close', () => this.sockets.delete(socket));
      }
      near.pipe(far).pipe(near);
      near.on('close', () => far.destroy());
      far.on('close', () => near.destroy());
    });
    await new Promise<void>((ready) => this.server?.listen(this.port, '127.0.0.1', ready));
  }

  async pull(): Promise<void> {
    const closed = new Promise((done) => this.server?.close(done));
    for (const socket of this.sockets) socket.destroy();
    await closed;
  }
}
