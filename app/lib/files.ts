/** Let the person choose a file; undefined when they think better of it. With `camera`, a phone takes one. */
export function pickFile(accept: string, camera = false): Promise<File | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (camera) input.setAttribute('capture', 'environment');
    input.onchange = () => resolve(input.files?.[0]);
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}

/** Give the person a file to keep. */
export function saveFile(name: string, content: string | Blob, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** SHA-256 of a file in hex; undefined where the browser does not reckon it (a page over plain http). */
export async function hashOf(file: Blob): Promise<string | undefined> {
  if (!globalThis.crypto?.subtle) return undefined;
  const digest = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** Can the browser show it as a picture? */
export async function isPicture(file: Blob): Promise<boolean> {
  return createImageBitmap(file).then(
    (picture) => {
      picture.close();
      return true;
    },
    () => false,
  );
}
