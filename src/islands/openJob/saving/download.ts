/** Gives out a file without leaving the page: a page with unsaved work is not asked whether it may be left. */
export function download(url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = '';
  link.click();
}
