// A spoken note: the sound of the microphone, short, and only while it is asked for.
import { LONGEST_VOICE_S, type SentAnswer } from '@upwell/contract/sent';

export type Voice = NonNullable<SentAnswer['voice']>;

/** A microphone that cannot be used, with what to do about it. */
export class NoVoice extends Error {}

const TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus'];
/** Bits a second: speech stays clear, and a minute stays below 400 kB as letters. */
const BITS_PER_SECOND = 32_000;

export interface Speaking {
  /** Ends it, and gives what was said. */
  readonly stop: () => Promise<Voice>;
}

/**
 * Records what is said until it is stopped, at most {@link LONGEST_VOICE_S}.
 *
 * @param onEnd called when the minute is over
 * @throws NoVoice
 */
export async function speak(onEnd: () => void): Promise<Speaking> {
  const type = typeof MediaRecorder === 'undefined' ? undefined : TYPES.find((t) => MediaRecorder.isTypeSupported(t));
  if (!type || !navigator.mediaDevices?.getUserMedia)
    throw new NoVoice('This browser cannot record a voice here. Write the answer instead.');
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: true });
  } catch {
    throw new NoVoice('The microphone was refused, or there is none. Allow it for this page, or write the answer.');
  }
  const recorder = new MediaRecorder(stream, { mimeType: type, audioBitsPerSecond: BITS_PER_SECOND });
  const pieces: Blob[] = [];
  recorder.addEventListener('dataavailable', ({ data }) => pieces.push(data));
  const over = new Promise<Voice>((resolve) =>
    recorder.addEventListener('stop', () => {
      for (const track of stream.getTracks()) track.stop();
      resolve(base64Of(new Blob(pieces)).then((data) => ({ type, data })));
    }),
  );
  const timer = setTimeout(onEnd, LONGEST_VOICE_S * 1000);
  recorder.start();
  return {
    stop: () => {
      clearTimeout(timer);
      if (recorder.state !== 'inactive') recorder.stop();
      return over;
    },
  };
}

/** What was said, as a sound to play. */
export const soundOf = ({ type, data }: Voice): Blob =>
  new Blob([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], { type });

function base64Of(blob: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).split(',')[1] ?? '');
    reader.onerror = () => reject(reader.error!);
    reader.readAsDataURL(blob);
  });
}
