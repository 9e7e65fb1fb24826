/** Saves what a URL holds under a name. */
export function download(name: string, url: string) {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  if (url.startsWith('blob:')) setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Saves a text under a name. */
export function downloadText(name: string, text: string, type: string) {
  download(name, URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` })));
}
