import type { Wish } from '../wish';

export interface PartProps {
  readonly wish: Wish;
  readonly change: (patch: Partial<Wish>) => void;
}
