// The camera of the device, and why there is none.

/** A camera that cannot be used, with what to do about it. */
export class NoCamera extends Error {}

const REFUSED =
  'The camera was refused. Allow it for this page in the settings of the browser, or choose a video that was filmed elsewhere.';
const WHY: Readonly<Record<string, string>> = {
  NotAllowedError: REFUSED,
  SecurityError: REFUSED,
  NotFoundError: 'There is no camera on this device. Choose a video that was filmed elsewhere.',
  OverconstrainedError: 'There is no camera on this device that can do this.',
  NotReadableError: 'Another app is using the camera. Close it and try again.',
  AbortError: 'The camera did not start. Try again.',
};

/** What the camera is asked for: enough to see a hand, few enough bytes for an evening. Sound is never recorded. */
const ASKED: MediaStreamConstraints = {
  audio: false,
  video: {
    facingMode: 'environment',
    width: { ideal: 1280 },
    height: { ideal: 720 },
    frameRate: { ideal: 30, max: 60 },
  },
};

/**
 * Opens the camera at the back, or the one there is.
 *
 * @throws NoCamera
 */
export async function openCamera(): Promise<MediaStream> {
  if (!navigator.mediaDevices?.getUserMedia)
    throw new NoCamera('The camera needs a secure address (https) and a browser that can film.');
  try {
    return await navigator.mediaDevices.getUserMedia(ASKED);
  } catch (error) {
    const { name, message } = error as Error;
    throw new NoCamera(WHY[name] ?? `The camera did not start: ${message}`);
  }
}

export function closeCamera(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

/** What a browser may write, the least work first. */
const TYPES = [
  'video/webm;codecs=vp8',
  'video/webm;codecs=vp9',
  'video/mp4;codecs=avc1.42E01E',
  'video/mp4',
  'video/webm',
];

/** The kind of video that this browser writes, and plays back if asked; null when it writes none. */
export function writtenType(alsoPlays: (type: string) => boolean = () => true): string | null {
  if (typeof MediaRecorder === 'undefined') return null;
  return TYPES.find((type) => MediaRecorder.isTypeSupported(type) && alsoPlays(type)) ?? null;
}

export const CANNOT_WRITE = 'This browser cannot write a video. Film with the camera app and choose the video here.';
