/** How long to wait before trying again, ms. */
export const RETRY = 3000;

/** News of one rig from the server; a line that breaks is taken up again, and says so when it is back. */
export class RigNews {
  private source?: EventSource;
  private timer?: ReturnType<typeof setTimeout>;
  private broken = false;

  constructor(
    private readonly rig: string,
    private readonly heard: (news: { version: number; factCount: number }) => void,
    private readonly back: () => void,
  ) {
    this.listen();
  }

  private listen(): void {
    // Streams go past the service worker.
    const source = new EventSource(`/api/events?rigs=${encodeURIComponent(this.rig)}&ngsw-bypass`);
    this.source = source;
    source.addEventListener('rig', (event) =>
      this.heard(JSON.parse((event as MessageEvent<string>).data) as { version: number; factCount: number }),
    );
    source.addEventListener('open', () => {
      if (this.broken) this.back();
      this.broken = false;
    });
    source.addEventListener('error', () => {
      this.broken = true;
      // The browser takes up a broken line by itself, but not one that was refused.
      if (source.readyState === EventSource.CLOSED) this.timer = setTimeout(() => this.listen(), RETRY);
    });
  }

  close(): void {
    clearTimeout(this.timer);
    this.source?.close();
  }
}
