/** Hands a text, or what the server made, to the browser as a file to save. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser has taken the file once the click is handled.
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}

/** Saves a file that the server makes, under the name that it gives. */
export function saveFrom(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** Lets the coach choose one file of the device; null when none was chosen. */
export function chooseFile(accept: string): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
}
