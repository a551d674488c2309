/** The camera while it is wanted: opened on a press, closed with the page. */
import { useCallback, useEffect, useState } from 'react';
import { closeCamera, NoCamera, openCamera } from './camera';

interface Lens {
  readonly stream: MediaStream | null;
  readonly problem: string | null;
  readonly opening: boolean;
}

const SHUT: Lens = { stream: null, problem: null, opening: false };

export function useCamera() {
  const [lens, setLens] = useState<Lens>(SHUT);
  const { stream } = lens;
  useEffect(() => {
    if (!stream) return;
    const gone = () => setLens({ ...SHUT, problem: 'The camera was taken away. Open it again when it is back.' });
    for (const track of stream.getTracks()) track.addEventListener('ended', gone);
    return () => {
      for (const track of stream.getTracks()) track.removeEventListener('ended', gone);
      closeCamera(stream);
    };
  }, [stream]);
  const open = useCallback(async () => {
    setLens({ ...SHUT, opening: true });
    try {
      setLens({ ...SHUT, stream: await openCamera() });
    } catch (error) {
      if (!(error instanceof NoCamera)) throw error;
      setLens({ ...SHUT, problem: error.message });
    }
  }, []);
  const close = useCallback(() => setLens(SHUT), []);
  return { ...lens, open, close };
}
