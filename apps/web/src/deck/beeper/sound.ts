import { beatsBetween, type BeepPlan } from '@upwell/core/deck';

/** How far ahead beats are handed to the audio clock, seconds: longer than a hidden page sleeps between timers. */
export const AHEAD_S = 2.5;
/** How often more are handed over, milliseconds. */
const FEED_MS = 500;
/** Time to get ready before the first beat, seconds. */
const LEAD_S = 0.15;

const BEEP_S = 0.045;

/** Puts one beep on the audio clock, exactly at a time of that clock. */
export function beepAt(audio: BaseAudioContext, atS: number, accent: boolean): void {
  const tone = audio.createOscillator();
  const loud = audio.createGain();
  tone.frequency.value = accent ? 1760 : 1175;
  loud.gain.setValueAtTime(0, atS);
  loud.gain.linearRampToValueAtTime(0.9, atS + 0.001);
  loud.gain.exponentialRampToValueAtTime(0.001, atS + BEEP_S);
  tone.connect(loud).connect(audio.destination);
  tone.start(atS);
  tone.stop(atS + BEEP_S);
}

/** Hands beats to the audio clock ahead of their time, each at its own exact moment, so that nothing drifts. */
export class Beats {
  private next = 0;

  constructor(
    private readonly audio: BaseAudioContext,
    private readonly plan: BeepPlan,
    /** Time of the audio clock of beat 0. */
    private readonly startS: number,
  ) {}

  /** Hands over every beat before a time of the audio clock that was not handed over yet. */
  feed(toS: number): void {
    const { beats, next } = beatsBetween(this.plan, this.next, toS - this.startS);
    for (const beat of beats) beepAt(this.audio, this.startS + beat.atS, beat.accent);
    this.next = next;
  }
}

/** A beeper that sounds: the audio clock keeps the time, a timer only feeds it. */
export class Beeper {
  private timer: ReturnType<typeof setInterval> | undefined;

  private constructor(
    private readonly audio: AudioContext,
    readonly plan: BeepPlan,
    private readonly startS: number,
  ) {}

  /** Starts; call it from a tap, or the browser keeps it silent. */
  static async start(plan: BeepPlan): Promise<Beeper> {
    const audio = new AudioContext({ latencyHint: 'interactive' });
    await audio.resume();
    const beeper = new Beeper(audio, plan, audio.currentTime + LEAD_S);
    const beats = new Beats(audio, plan, beeper.startS);
    const feed = () => beats.feed(audio.currentTime + AHEAD_S);
    feed();
    beeper.timer = setInterval(feed, FEED_MS);
    return beeper;
  }

  /** Seconds since beat 0 as they are heard now: the audio clock less the way to the ear. */
  get heardS(): number {
    return this.audio.currentTime - this.startS - (this.audio.outputLatency || 0);
  }

  stop(): void {
    clearInterval(this.timer);
    void this.audio.close();
  }
}
