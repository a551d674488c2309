/** A session for a request, built in the worker; the last one stays until the next is there. */
import type { BuildRequest, BuildResult } from '@upwell/core/sessions';
import { useEffect, useRef, useState } from 'react';
import { compute } from '@/worker';

interface Built {
  readonly result: BuildResult | null;
  readonly building: boolean;
}

export function useBuilt(request: BuildRequest | null): Built {
  const [answer, setAnswer] = useState<{ key: string; result: BuildResult } | null>(null);
  const asked = useRef('');
  const key = request ? JSON.stringify(request) : '';
  useEffect(() => {
    asked.current = key;
    if (key === '') return;
    void compute()
      .buildSession(JSON.parse(key) as BuildRequest)
      .then((result) => {
        if (asked.current === key) setAnswer({ key, result });
      });
  }, [key]);
  return { result: key === '' ? null : (answer?.result ?? null), building: key !== '' && answer?.key !== key };
}
