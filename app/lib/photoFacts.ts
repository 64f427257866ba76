/** What a photo says of itself, as its camera wrote it. */
export interface PhotoFacts {
  /** YYYY-MM-DD, by the camera's clock. */
  date?: string;
  /** Degrees, WGS 84. */
  latitude?: number;
  longitude?: number;
}

/**
 * When and where a photo was taken, read from the file (EXIF); what the camera did not write is
 * absent, and nothing of it is an error. The reader is fetched only when a photo is there.
 */
export async function factsOf(file: Blob): Promise<PhotoFacts> {
  try {
    const { default: exifr } = await import('exifr/dist/lite.umd.js');
    // Which tags to read cannot be said to the light build: all of them are few.
    const tags = (await exifr.parse(await file.arrayBuffer(), { reviveValues: false })) as Record<string, unknown> | undefined;
    return factsIn(tags ?? {});
  } catch {
    return {};
  }
}

/** The facts in EXIF tags: a date of the calendar, and a place on the globe. */
export function factsIn(tags: Record<string, unknown>): PhotoFacts {
  const [, year, month, day] = /^(\d{4}):(\d{2}):(\d{2})\b/.exec(String(tags.DateTimeOriginal ?? tags.CreateDate ?? '')) ?? [];
  const written = year && `${year}-${month}-${day}`;
  const date = written && Number(year) >= 1990 && !Number.isNaN(Date.parse(written)) ? written : undefined;
  const { latitude, longitude } = tags as { latitude?: number; longitude?: number };
  const place =
    Number.isFinite(latitude) && Number.isFinite(longitude) && !(latitude === 0 && longitude === 0)
      ? { latitude: rounded(latitude!), longitude: rounded(longitude!) }
      : {};
  return { ...(date ? { date } : {}), ...place };
}

/** To a tenth of what a telephone knows. */
const rounded = (degrees: number) => Math.round(degrees * 1e5) / 1e5;
