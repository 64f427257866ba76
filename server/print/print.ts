import { escapeXml } from '@plesion/core/plates';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { face, type Face, settable, widthOf } from './fonts';
import type { Item, Page } from './items';

/** Pixels a point in a printed PNG. */
const SHARPNESS = 2;

/** A page as PDF, with its own fonts in it and its plates as lines. */
export const printPdf = (page: Page): Promise<Buffer> => printBooklet([page], page.title);

/** Several pages as one PDF. */
export function printBooklet(pages: readonly Page[], title: string): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, info: { Title: title, Creator: 'Plesion' } });
  for (const name of ['text', 'strong', 'name', 'upright'] satisfies Face[]) doc.registerFont(name, face(name).file);
  for (const { width, height, items } of pages) {
    doc.addPage({ size: [width, height], margin: 0 });
    for (const item of items) drawPdf(doc, item);
  }
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
    doc.end();
  });
}

function drawPdf(doc: PDFKit.PDFDocument, item: Item): void {
  switch (item.kind) {
    case 'path': {
      doc.save().translate(item.dx, item.dy).scale(item.scale);
      doc
        .opacity(item.opacity ?? 1)
        .path(item.d)
        .lineWidth(item.width ?? 1)
        .lineCap('round')
        .lineJoin('round');
      if (item.dash) doc.dash(item.dash[0], { space: item.dash[1] });
      if (item.fill && item.stroke) doc.fillAndStroke(item.fill, item.stroke, 'even-odd');
      else if (item.fill) doc.fill(item.fill, 'even-odd');
      else if (item.stroke) doc.stroke(item.stroke);
      doc.restore();
      return;
    }
    case 'line':
      doc
        .moveTo(...item.from)
        .lineTo(...item.to)
        .lineWidth(item.width)
        .stroke(item.stroke);
      return;
    case 'disc':
      doc.circle(...item.at, item.radius).lineWidth(item.width ?? 1);
      if (item.stroke) doc.fillAndStroke(item.fill, item.stroke);
      else doc.fill(item.fill);
      return;
    case 'panel': {
      const { x, y, width, height } = item.box;
      doc.roundedRect(x, y, width, height, item.radius).lineWidth(1);
      if (item.stroke) doc.fillAndStroke(item.fill, item.stroke);
      else doc.fill(item.fill);
      return;
    }
    case 'photo':
      doc.image(item.jpeg, item.box.x, item.box.y, { width: item.box.width, height: item.box.height });
      return;
    case 'text': {
      const x = item.middle ? item.x - widthOf(item.text, item.face, item.size) / 2 : item.x;
      doc
        .font(item.face)
        .fontSize(item.size)
        .fillColor(item.colour)
        .text(settable(item.text, item.face), x, item.y, { lineBreak: false, baseline: 'alphabetic' });
      return;
    }
  }
}

/** The same page as SVG; its letters are drawn as outlines, so that no font need be installed. */
export function printSvg({ width, height, title, items }: Page, sharpness = 1): string {
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width * sharpness}" height="${height * sharpness}" viewBox="0 0 ${width} ${height}" role="img">` +
    `<title>${escapeXml(title)}</title><rect width="${width}" height="${height}" fill="#FFFFFF"/>${items.map(drawSvg).join('')}</svg>`
  );
}

/** The same page as PNG. */
export const printPng = (page: Page): Promise<Buffer> =>
  sharp(Buffer.from(printSvg(page, SHARPNESS)))
    .png()
    .toBuffer();

function drawSvg(item: Item): string {
  switch (item.kind) {
    case 'path': {
      const stroke = item.stroke
        ? ` stroke="${item.stroke}" stroke-width="${item.width}" stroke-linecap="round" stroke-linejoin="round"`
        : '';
      const dash = item.dash ? ` stroke-dasharray="${item.dash.join(' ')}"` : '';
      return `<path transform="translate(${item.dx} ${item.dy}) scale(${item.scale})" d="${item.d}" fill="${item.fill ?? 'none'}" fill-rule="evenodd"${stroke}${dash} opacity="${item.opacity ?? 1}"/>`;
    }
    case 'line':
      return `<path d="M${item.from.join(' ')}L${item.to.join(' ')}" stroke="${item.stroke}" stroke-width="${item.width}"/>`;
    case 'disc':
      return `<circle cx="${item.at[0]}" cy="${item.at[1]}" r="${item.radius}" fill="${item.fill}" stroke="${item.stroke ?? 'none'}" stroke-width="${item.width ?? 1}"/>`;
    case 'panel': {
      const { x, y, width, height } = item.box;
      return `<rect x="${x}" y="${y}" width="${width}" height="${height}" rx="${item.radius}" fill="${item.fill}" stroke="${item.stroke ?? 'none'}"/>`;
    }
    case 'photo': {
      const { x, y, width, height } = item.box;
      return `<image href="data:image/jpeg;base64,${item.jpeg.toString('base64')}" x="${x}" y="${y}" width="${width}" height="${height}"/>`;
    }
    case 'text':
      return letters(item);
  }
}

function letters({ text, face: name, size, x, y, colour, middle }: Extract<Item, { kind: 'text' }>): string {
  const { font } = face(name);
  const scale = size / font.unitsPerEm;
  let at = middle ? x - widthOf(text, name, size) / 2 : x;
  const { glyphs, positions } = font.layout(settable(text, name));
  return glyphs
    .map((glyph, i) => {
      const d = glyph.path.toSVG();
      const place = at + positions[i].xOffset * scale;
      at += positions[i].xAdvance * scale;
      return d ? `<path transform="translate(${place} ${y}) scale(${scale} ${-scale})" d="${d}" fill="${colour}"/>` : '';
    })
    .join('');
}
