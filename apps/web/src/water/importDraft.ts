// What was found in a file, while the coach says what is what; kept on the device until it is a course.
import type { Found } from '@upwell/core/water';

export interface ImportDraft {
  /** Name of the file. */
  readonly file: string;
  readonly found: Found;
}

export const importKey = (id: string) => `import:${id}`;
