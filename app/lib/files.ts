/** Let the person choose a text file; undefined when they think better of it. */
export function pickTextFile(accept: string): Promise<string | undefined> {
  return new Promise((resolve, reject) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const file = input.files?.[0];
      if (!file) return resolve(undefined);
      file.text().then(resolve, reject);
    };
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}
