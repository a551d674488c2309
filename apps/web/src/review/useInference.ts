import type { Inference, Look, Circumstances } from '@upwell/core/review';
import { useEffect, useRef, useState } from 'react';
import { compute } from '@/worker';

/** The likely causes of a look, worked out in the worker; the last answer stays until the next is there. */
export function useInference(look: Look, circumstances: Circumstances): Inference | null {
  const [answer, setAnswer] = useState<Inference | null>(null);
  const asked = useRef(0);
  const key = JSON.stringify([look, circumstances]);
  useEffect(() => {
    const turn = ++asked.current;
    const [asking, around] = JSON.parse(key) as [Look, Circumstances];
    void compute()
      .inferCauses(asking, around)
      .then((inference) => {
        if (turn === asked.current) setAnswer(inference);
      });
  }, [key]);
  return answer;
}
