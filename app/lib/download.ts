/**
 * Give the person a file of the server's to keep. As a download and not as a page: a page that is on its way
 * is given up when the address of this one follows what was just typed.
 */
export function download(url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = '';
  link.click();
}
