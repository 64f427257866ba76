import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { done, failed, type Outcome } from '../problem';

/**
 * What documents of TDWG SDD 1.1 (Structured Descriptive Data) have in common, whatever they hold: how they are read
 * and written, their labels and references. What SDD has no words for stands in elements and attributes of a namespace
 * of our own, which other readers pass over.
 */

const SDD = 'http://rs.tdwg.org/UBIF/2006/';

const options = {
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  textNodeName: '#text',
  parseTagValue: false,
  parseAttributeValue: false,
  removeNSPrefix: false,
};

/** An element as it is read and written: attributes begin with `@`, its text is `#text`. */
export type Xml = { [name: string]: unknown };

/**
 * A document with one dataset.
 *
 * @param own the URN of what of it is of our own namespace.
 */
export const sddDocument = (own: string, dataset: Xml): string =>
  new XMLBuilder({ ...options, format: true, suppressEmptyNode: true }).build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    Datasets: {
      '@xmlns': SDD,
      '@xmlns:plesion': own,
      TechnicalMetadata: { Generator: { '@name': 'Plesion', '@version': '1' } },
      Dataset: { '@xml:lang': 'en', ...dataset },
    },
  });

/**
 * Read a document.
 *
 * @param field where it was given, for what is said of it.
 * @param lists elements of which there may be several.
 * @returns its elements; or `xml-broken` with the line, `xml-doctype`.
 */
export function readSddXml(xml: string, field: string, lists: readonly string[]): Outcome<Xml> {
  const sound = XMLValidator.validate(xml);
  if (sound !== true) {
    return failed({ code: 'xml-broken', message: `Line ${sound.err.line}: the XML is broken: ${sound.err.msg}`, field });
  }
  // Declared entities are not read: a document may not reach beyond itself.
  if (/<!DOCTYPE/i.test(xml))
    return failed({
      code: 'xml-doctype',
      message: 'The document declares entities of its own; take its DOCTYPE out.',
      field,
    });
  try {
    return done(new XMLParser({ ...options, isArray: (name: string) => lists.includes(name) }).parse(xml) as Xml);
  } catch (error) {
    return failed({ code: 'xml-broken', message: `The XML cannot be read: ${(error as Error).message}.`, field });
  }
}

export const listOf = (value: unknown): Xml[] =>
  value === undefined || value === '' ? [] : Array.isArray(value) ? (value as Xml[]) : [value as Xml];

export function textOf(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (Array.isArray(value)) return textOf(value[0]);
  if (typeof value === 'object') return textOf((value as Xml)['#text']);
  return String(value).trim();
}

export const labelOf = (node: Xml): string =>
  textOf((node.Representation as Xml | undefined)?.Label) || textOf(node.Label) || textOf(node.Text);

/** The first element of that name, wherever it stands. */
export function firstNamed(node: unknown, name: string): unknown {
  if (typeof node !== 'object' || node === null) return undefined;
  if (name in node) return (node as Xml)[name];
  for (const child of Object.values(node)) {
    for (const one of Array.isArray(child) ? (child as unknown[]) : [child]) {
      const found = firstNamed(one, name);
      if (found !== undefined) return found;
    }
  }
  return undefined;
}
