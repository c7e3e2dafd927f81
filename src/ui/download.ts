/** A browser begins a download a moment after it is asked; only then may its address go. */
const KEPT_MS = 60_000;

/** Hands the teacher a file as a download of the browser. */
export function downloadFile(content: string | Uint8Array | Blob, name: string, type: string): void {
  const blob =
    content instanceof Blob
      ? content
      : new Blob([typeof content === 'string' ? content : content.slice().buffer], { type });
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), KEPT_MS);
}
