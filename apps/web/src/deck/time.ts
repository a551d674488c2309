import { momentOf, readDeckClock, startDeckClock, trustWall, type DeckClock, type Reading } from '@upwell/core/deck';
import { v7 } from 'uuid';
import { fact, setFact } from '@/offline';

/** This life of the page: another one starts the rising clock again. */
const PAGE = v7();
/** The page; tests of single screens have none. */
const page: Document | undefined = globalThis.document;
/** How often the clocks are compared, and how often that is kept for a reload, milliseconds. */
const READ_MS = 1000;

/** The deck clock of one run on this device. It goes on over reloads, sleep and a changed device clock. */
export class DeckTime {
  private hidden = false;
  private timer: ReturnType<typeof setInterval> | undefined;

  private constructor(
    private readonly session: string,
    private clock: DeckClock,
    private readonly onDoubt: (clock: DeckClock) => void,
  ) {}

  /** Takes up the clock where this device left it, or starts it. */
  static async open(session: string, onDoubt: (clock: DeckClock) => void): Promise<DeckTime> {
    const kept = await fact<DeckClock>(`clock:${session}`);
    const reading = read(false);
    const time = new DeckTime(session, kept ? readDeckClock(kept, reading) : startDeckClock(reading), onDoubt);
    time.timer = setInterval(() => time.read(), READ_MS);
    page?.addEventListener('visibilitychange', time.seen);
    page?.defaultView?.addEventListener('pagehide', time.leave);
    await time.keep();
    if (time.clock.doubts.length > 0) onDoubt(time.clock);
    return time;
  }

  /** Milliseconds of the deck clock at a moment that the page stamped; without one, now. */
  at(monoMs = performance.now()): number {
    return momentOf(this.clock, monoMs);
  }

  get doubts(): DeckClock['doubts'] {
    return this.clock.doubts;
  }

  /** The device was asleep: the missing seconds count. */
  wasAsleep(): void {
    this.clock = trustWall(this.clock);
    void this.keep();
  }

  /** The clock was set: what the deck clock says is right. */
  wasSet(): void {
    this.clock = { ...this.clock, doubts: [] };
    void this.keep();
  }

  close(): void {
    clearInterval(this.timer);
    page?.removeEventListener('visibilitychange', this.seen);
    page?.defaultView?.removeEventListener('pagehide', this.leave);
    this.read();
  }

  private readonly seen = () => {
    if (page?.visibilityState === 'hidden') {
      this.read();
      this.hidden = true;
    } else this.read();
  };

  private readonly leave = () => this.read();

  private read(): void {
    const before = this.clock.doubts.length;
    this.clock = readDeckClock(this.clock, read(this.hidden));
    this.hidden = page?.visibilityState === 'hidden';
    void this.keep();
    if (this.clock.doubts.length > before) this.onDoubt(this.clock);
  }

  private keep(): Promise<void> {
    // Without room the run goes on; only a reload would take the device's clock on trust.
    return setFact(`clock:${this.session}`, this.clock).catch((error: unknown) =>
      console.warn('The deck clock could not be saved.', error),
    );
  }
}

const read = (hidden: boolean): Reading => ({ monoMs: performance.now(), wallMs: Date.now(), page: PAGE, hidden });
