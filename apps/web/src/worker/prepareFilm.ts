// Makes a film ready to be sent: without sound and place, cut to a minute, made again only where it must be.
import { LARGEST_SENT, LONGEST_SENT_S, type SentDone } from '@upwell/contract/sent';
import {
  BlobSource,
  BufferTarget,
  Conversion,
  ConversionCanceledError,
  getFirstEncodableVideoCodec,
  Input,
  MATROSKA,
  MP4,
  Mp4OutputFormat,
  Output,
  QTFF,
  Quality,
  UnsupportedInputFormatError,
  WEBM,
  WebMOutputFormat,
  type VideoCodec,
} from 'mediabunny';

export type PreparedFilm =
  | { readonly ok: true; readonly film: Blob; readonly type: SentDone['type']; readonly seconds: number }
  | { readonly ok: false; readonly why: 'unreadable' | 'cannot-write' | 'too-large' | 'stopped' };

/** What every browser plays; in the order of the quality that they give. */
const PLAYED: readonly VideoCodec[] = ['avc', 'vp9', 'vp8'];
/** Made again it is so large, pixels along its longer side, and so fine, bits a second: a minute stays below 32 MB. */
const MADE = { longest: 1280, bitsPerSecond: 4_000_000 } as const;
/** A cut may begin later by so much where that saves making it again, seconds. */
const LATER_S = 1;

/** Seconds of a film; null where it cannot be read. */
export async function lengthOfFilm(film: Blob): Promise<number | null> {
  return withTrack(film, async (_input, track) => track.computeDuration());
}

/**
 * Makes a film ready to be sent.
 *
 * @param fromS where it begins, seconds; at most {@link LONGEST_SENT_S} are taken
 * @param started receives what ends it
 * @param report receives the share that is done, 0–1
 */
export async function prepareFilm(
  film: Blob,
  fromS: number,
  started: (stop: () => void) => void,
  report: (share: number) => void,
): Promise<PreparedFilm> {
  const made = await withTrack(film, async (input, track): Promise<PreparedFilm> => {
    const wholeS = await track.computeDuration();
    const toS = Math.min(fromS + LONGEST_SENT_S, wholeS);
    const was = await track.getCodec();
    const fits = film.size * Math.min(1, (toS - fromS) / wholeS) <= LARGEST_SENT;
    const kept = was !== null && PLAYED.includes(was) && fits;
    const codec = kept ? was : await getFirstEncodableVideoCodec([...PLAYED], { width: MADE.longest, height: 720 });
    if (codec === null) return { ok: false, why: 'cannot-write' };
    const type = codec === 'avc' ? 'video/mp4' : 'video/webm';
    const target = new BufferTarget();
    const format = codec === 'avc' ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat();
    const [width, height] = [await track.getDisplayWidth(), await track.getDisplayHeight()];
    const quality = new Quality({ bitrate: MADE.bitsPerSecond });
    const side =
      width >= height ? { width: Math.min(width, MADE.longest) } : { height: Math.min(height, MADE.longest) };
    const conversion = await Conversion.init({
      ...{ input, output: new Output({ format, target }), tracks: 'primary' },
      audio: { discard: true },
      video: kept ? { codec, quality } : { codec, quality, ...side },
      copy: kept ? { boundaryPolicy: 'shrink', boundaryTolerance: LATER_S, shiftTolerance: Infinity } : false,
      trim: { start: fromS, end: toS },
      // Where and on what it was filmed stays behind.
      tags: {},
      showWarnings: false,
    });
    if (!conversion.isValid) return { ok: false, why: 'cannot-write' };
    started(() => void conversion.cancel());
    conversion.onProgress = report;
    await conversion.execute();
    const out = new Blob([target.buffer!], { type });
    if (out.size > LARGEST_SENT) return { ok: false, why: 'too-large' };
    return { ok: true, film: out, type, seconds: Math.min(toS - fromS, (await lengthOfFilm(out)) ?? 0) };
  }).catch((error: unknown): PreparedFilm => {
    if (error instanceof ConversionCanceledError) return { ok: false, why: 'stopped' };
    throw error;
  });
  return made ?? { ok: false, why: 'unreadable' };
}

type Track = NonNullable<Awaited<ReturnType<Input['getPrimaryVideoTrack']>>>;

/** Opens a film; null where there are no pictures in it that can be read. */
async function withTrack<T>(film: Blob, take: (input: Input, track: Track) => Promise<T>): Promise<T | null> {
  const input = new Input({ source: new BlobSource(film), formats: [WEBM, MATROSKA, MP4, QTFF] });
  try {
    const track = await input.getPrimaryVideoTrack();
    return track && (await take(input, track));
  } catch (error) {
    if (error instanceof UnsupportedInputFormatError || (error as Error).name === 'EncodingError') return null;
    throw error;
  } finally {
    input.dispose();
  }
}
