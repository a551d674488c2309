import { Notice } from '@/ui/States';

/** What cannot be done on the way to the race, and why. */
export function Problems({ problems }: { readonly problems: readonly string[] }) {
  return (
    <>
      {problems.map((problem) => (
        <Notice key={problem} tone="error">
          {problem}
        </Notice>
      ))}
    </>
  );
}
