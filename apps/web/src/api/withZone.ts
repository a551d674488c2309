import { deviceZone } from '@upwell/core/days';

/** An answer with its clock: what this device kept before places had one is told by the clock of the device. */
export const withZone = <T extends { readonly timeZone: string }>(answer: T): T => ({
  ...answer,
  timeZone: answer.timeZone ?? deviceZone(),
});
