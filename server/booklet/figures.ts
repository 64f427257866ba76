import { type Figure, type Guide, sayLicence } from '@plesion/core/guide';
import { wrapped } from '../print/fonts';
import { QUIET } from '../print/palette';
import { EDGE, ROW, type Sheets } from './sheet';

const LETTERS = 6.2;
const STEP = LETTERS * 1.3;

/** The photographs of a booklet, small, by their hash; those that the station has not are left out. */
export type BookletPhotos = ReadonlyMap<string, Buffer>;

/** A taxon's own photographs, so many as go into one row, each with what is seen on it, whose it is and on what terms. */
export function figureRow(sheets: Sheets, guide: Guide, taxon: string, photos: BookletPhotos): void {
  const shown = (guide.figures ?? []).filter((figure) => figure.taxon === taxon && photos.has(figure.photo)).slice(0, ROW.across);
  if (shown.length === 0) return;
  const { gap, tall, width } = ROW;
  const below = shown.map((figure) => wordsOf(guide, figure).flatMap((line) => wrapped(line, 'text', LETTERS, width)));
  const lines = Math.max(...below.map(({ length }) => length));
  sheets.need(tall + lines * STEP + 8);
  shown.forEach((figure, column) => {
    const x = EDGE + column * (width + gap);
    const scale = Math.min(width / figure.width, tall / figure.height);
    const [w, h] = [figure.width * scale, figure.height * scale];
    const box = { x: x + (width - w) / 2, y: sheets.y + tall - h, width: w, height: h };
    sheets.put({ kind: 'photo', jpeg: photos.get(figure.photo)!, box });
    below[column].forEach((text, i) =>
      sheets.put({
        kind: 'text',
        text,
        face: 'text',
        size: LETTERS,
        x,
        y: sheets.y + tall + (i + 1) * STEP,
        colour: QUIET,
      }),
    );
  });
  sheets.y += tall + lines * STEP + 8;
}

const wordsOf = (guide: Guide, { view, caption, credit, licence }: Figure): string[] => [
  [guide.views.find(({ id }) => id === view)?.label, caption].filter(Boolean).join('. '),
  `${credit}, ${sayLicence(licence)}`,
];
