// What every card of the wish gets.
import type { Wish } from '../wish';

export interface PartProps {
  readonly wish: Wish;
  readonly change: (patch: Partial<Wish>) => void;
}
