import { XMLParser } from 'fast-xml-parser';
import { done, failed, type Outcome } from '../problem';

/** One file of a Darwin Core archive, as its descriptor says it is written (TDWG Darwin Core text guide, 2009). */
export interface ArchivePart {
  /** `Occurrence`, `Event`, `MeasurementOrFact`: the end of its row type. */
  rowType: string;
  location: string;
  encoding?: string;
  delimiter: string;
  quote: string;
  header: number;
  /** Column of the core's id. */
  id?: number;
  /** Terms by their short names, with the column or what stands for all rows. */
  fields: { term: string; i?: number; value?: string }[];
}

export interface ArchiveMeta {
  core: ArchivePart;
  extensions: ArchivePart[];
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseAttributeValue: false,
  parseTagValue: false,
  removeNSPrefix: true,
  processEntities: false,
  isArray: (name) => name === 'field' || name === 'extension',
});

/** How a mark is written in the descriptor: `\t`, `&#9;`, the character itself. */
const mark = (written: string | undefined, usual: string): string =>
  (written ?? usual)
    .replace(/\\t|&#0?9;|&#x9;/gi, '\t')
    .replace(/\\n|&#10;|&#xa;/gi, '\n')
    .replace(/\\r|&#13;|&#xd;/gi, '\r')
    .replace(/&quot;/g, '"')
    .replace(/&apos;/g, "'")
    .replace(/&amp;/g, '&');

const short = (term: string): string =>
  term.slice(Math.max(term.lastIndexOf('/'), term.lastIndexOf('#'), term.lastIndexOf(':')) + 1);

type Xml = Record<string, unknown>;
const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
const whole = (value: unknown): number | undefined => (/^\d{1,4}$/.test(text(value) ?? '') ? Number(value) : undefined);

/** What the descriptor says. Errors: `bad-meta` where it is none, or names no file. */
export function readArchiveMeta(xml: string): Outcome<ArchiveMeta> {
  let archive: Xml | undefined;
  try {
    archive = (parser.parse(xml, true) as { archive?: Xml }).archive;
  } catch {
    return failed(BAD);
  }
  const [core, ...extensions] = [archive?.core, ...((archive?.extension ?? []) as unknown[])].map(partOf);
  if (!core || extensions.some((part) => !part)) return failed(BAD);
  return done({ core, extensions: extensions as ArchivePart[] });
}

const BAD = {
  code: 'bad-meta',
  message: 'The archive’s meta.xml cannot be read, or does not say in which files its rows are.',
  field: 'file',
};

function partOf(told: unknown): ArchivePart | undefined {
  const part = (typeof told === 'object' && told !== null ? told : {}) as Xml;
  const location = text((part.files as Xml | undefined)?.location);
  if (!location) return undefined;
  return {
    rowType: short(text(part['@rowType']) ?? ''),
    location,
    encoding: text(part['@encoding']),
    delimiter: mark(text(part['@fieldsTerminatedBy']), ','),
    quote: mark(text(part['@fieldsEnclosedBy']), '"'),
    header: whole(part['@ignoreHeaderLines']) ?? 0,
    id: whole(((part.id ?? part.coreid) as Xml | undefined)?.['@index']),
    fields: ((part.field ?? []) as Xml[]).flatMap((field) => {
      const term = text(field['@term']);
      return term ? [{ term: short(term), i: whole(field['@index']), value: text(field['@default']) }] : [];
    }),
  };
}
