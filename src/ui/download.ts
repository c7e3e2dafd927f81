/** Hands the teacher a file as a download of the browser. */
export function downloadFile(content: string | Uint8Array, name: string, type: string): void {
  const url = URL.createObjectURL(new Blob([typeof content === 'string' ? content : content.slice().buffer], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
