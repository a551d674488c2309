import { Notice } from '@/ui/States';

/** What cannot be done before the race, and why. */
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
