/** Whether this page may write to the clipboard: not over plain HTTP from another machine. */
export const canCopy = (): boolean => typeof navigator !== 'undefined' && Boolean(navigator.clipboard);
