import { failed, type Outcome } from '../../problem';
import { firstNamed, labelOf, listOf, readSddXml, sddDocument, textOf, type Xml } from '../../sdd';
import { endpointsOf, nextOf, topological } from '../graph';
import { readKey } from '../json';
import {
  type Couplet,
  type Destination,
  type Key,
  KeyScope,
  type Lead,
  MOST_COUPLETS,
  type Statement,
  StatementLink,
} from '../schema';
import { printStatements, splitStatements } from '../statements';

/**
 * TDWG SDD 1.1 (Structured Descriptive Data): the key as an IdentificationKey, a
 * tree of Leads that name their Parent. What SDD has no words for (couplet
 * numbers, re-joining ways, statements one by one and their ties to characters)
 * stands in elements of a namespace of our own, which other readers pass over.
 */

const OWN = 'urn:plesion:key:1';

/** Elements of which a document may have several. */
const LISTS = ['Lead', 'IdentificationKey', 'TaxonName', 'plesion:Statement', 'plesion:Couplet', 'Dataset'];

/** The key as an SDD document. */
export function writeSdd(key: Key): string {
  const names = endpointsOf(key).flatMap((to) => (to.kind === 'taxon' ? [to] : []));
  const nameIds = new Map(names.map((to, i) => [to.taxon ?? to.name, `t${i + 1}`]));
  const { order, circular } = topological(key);
  const closed = new Set(circular.map(({ lead }) => lead));
  const reached = new Set(order.map(({ id }) => id));
  const parentOf = new Map<string, string>();
  // Couplets that nothing leads to are written too: an unfinished key is kept whole.
  const all = [...order, ...key.couplets.filter(({ id }) => !reached.has(id))];
  const leads = all.flatMap((couplet) =>
    couplet.leads.map((lead): Xml => {
      const id = `${couplet.id}${lead.id}`;
      const next = nextOf(key, lead);
      const opens = next && !closed.has(lead) && !parentOf.has(next.id) && next.id !== key.start;
      if (opens) parentOf.set(next.id, id);
      const parent = parentOf.get(couplet.id);
      return {
        '@id': id,
        '@plesion:couplet': couplet.id,
        '@plesion:lead': lead.id,
        ...(parent ? { Parent: { '@ref': parent } } : {}),
        Statement: printStatements(lead.statements),
        ...outcome(lead, nameIds),
        'plesion:Statement': lead.statements.map(statementXml),
      };
    }),
  );
  return sddDocument(OWN, {
    Representation: { Label: key.title },
    TaxonNames: {
      TaxonName: names.map((to) => ({ '@id': nameIds.get(to.taxon ?? to.name), Representation: { Label: to.name } })),
    },
    IdentificationKeys: {
      IdentificationKey: {
        '@id': 'key',
        Representation: { Label: key.title, ...(key.summary ? { Detail: key.summary } : {}) },
        'plesion:Key': {
          '@start': key.start,
          ...(key.guide ? { '@guide': key.guide } : {}),
          ...(key.source ? { 'plesion:Source': key.source } : {}),
          ...(key.caution ? { 'plesion:Caution': key.caution } : {}),
          ...(key.scope ? { 'plesion:Scope': JSON.stringify(key.scope) } : {}),
          'plesion:Couplet': key.couplets.map(({ id, number, note, prepare, leads: own }) => ({
            '@id': id,
            '@number': number,
            '@leads': own.length,
            ...(note ? { 'plesion:Note': note } : {}),
            ...(prepare ? { 'plesion:Prepare': prepare } : {}),
          })),
        },
        Leads: { Lead: leads },
      },
    },
  });
}

function outcome(lead: Lead, nameIds: ReadonlyMap<string, string>): Xml {
  const { to } = lead;
  if (to.kind === 'taxon') {
    const facets = to.facets ? { '@plesion:facets': JSON.stringify(to.facets) } : {};
    return {
      TaxonName: [
        {
          '@ref': nameIds.get(to.taxon ?? to.name),
          ...(to.taxon ? { '@plesion:taxon': to.taxon } : {}),
          ...facets,
          '@plesion:name': to.name,
        },
      ],
    };
  }
  if (to.kind === 'key') return { Subkey: { Label: to.title } };
  return to.kind === 'couplet' ? { 'plesion:Goto': { '@couplet': to.couplet } } : { 'plesion:Open': '' };
}

const statementXml = ({ n, text, join, link }: Statement): Xml => ({
  '@n': n,
  ...(join ? { '@join': join } : {}),
  ...(link ? { '@link': JSON.stringify(link) } : {}),
  '#text': text,
});

/** Read the first identification key of an SDD document. */
export function readSdd(xml: string): Outcome<Key> {
  const read = readSddXml(xml, 'sdd', LISTS);
  if (!read.ok) return read;
  const parsed = read.value;
  const found = firstNamed(parsed, 'IdentificationKey') as Xml[] | undefined;
  const written = found?.[0];
  if (!written) return failed({ code: 'no-key', message: 'The document has no IdentificationKey.', field: 'sdd' });
  const names = new Map(
    ((firstNamed(parsed, 'TaxonNames') as Xml | undefined)?.TaxonName as Xml[] | undefined)?.map((name) => [
      textOf(name['@id']),
      labelOf(name),
    ]) ?? [],
  );
  const leads = (firstNamed(written, 'Lead') as Xml[] | undefined) ?? [];
  if (leads.length === 0) return failed({ code: 'no-couplets', message: 'The key has no leads.', field: 'sdd' });
  const parents = new Set(leads.map(parentOf));
  if (parents.size > MOST_COUPLETS) {
    return failed({
      code: 'too-many-couplets',
      message: `The key has ${parents.size} couplets; one of at most ${MOST_COUPLETS} can be read in.`,
      field: 'sdd',
    });
  }
  try {
    const title = labelOf(written) || labelOf((firstNamed(parsed, 'Dataset') as Xml[] | undefined)?.[0] ?? {}) || 'Key';
    const own = written['plesion:Key'] as Xml | undefined;
    return readKey(own ? ownKey(title, written, own, leads, names) : plainKey(title, leads, names));
  } catch {
    return failed({
      code: 'sdd-shape',
      message: 'What the document adds in Plesion’s own elements cannot be read; take it from its source again.',
      field: 'sdd',
    });
  }
}

function ownKey(title: string, written: Xml, own: Xml, leads: readonly Xml[], names: ReadonlyMap<string, string>): unknown {
  const optional = (name: string, value: string) => (value ? { [name]: value } : {});
  const byCouplet = new Map<string, Xml[]>();
  for (const lead of leads) {
    const couplet = textOf(lead['@plesion:couplet']);
    grouped(byCouplet, couplet).push(lead);
  }
  const scope = textOf(own['plesion:Scope']);
  return {
    format: 'plesion-key',
    formatVersion: 1,
    title,
    ...optional('guide', textOf(own['@guide'])),
    ...optional('source', textOf(own['plesion:Source'])),
    ...optional('summary', textOf((written.Representation as Xml | undefined)?.Detail)),
    ...optional('caution', textOf(own['plesion:Caution'])),
    ...(scope ? { scope: KeyScope.parse(JSON.parse(scope)) } : {}),
    start: textOf(own['@start']),
    couplets: listOf(own['plesion:Couplet']).map((couplet) => {
      const id = textOf(couplet['@id']);
      return {
        id,
        number: textOf(couplet['@number']),
        leads: (byCouplet.get(id) ?? []).map((lead) => ({
          id: textOf(lead['@plesion:lead']),
          statements: listOf(lead['plesion:Statement']).map((statement) => ({
            n: Number(statement['@n']),
            text: textOf(statement),
            ...optional('join', textOf(statement['@join'])),
            ...(statement['@link'] ? { link: StatementLink.parse(JSON.parse(textOf(statement['@link']))) } : {}),
          })),
          to: ownDestination(lead, names),
        })),
        ...optional('note', textOf(couplet['plesion:Note'])),
        ...optional('prepare', textOf(couplet['plesion:Prepare'])),
      };
    }),
  };
}

function ownDestination(lead: Xml, names: ReadonlyMap<string, string>): Destination {
  const goto = lead['plesion:Goto'] as Xml | undefined;
  if (goto) return { kind: 'couplet', couplet: textOf(goto['@couplet']) };
  return endOf(lead, names) ?? { kind: 'open' };
}

function endOf(lead: Xml, names: ReadonlyMap<string, string>): Destination | undefined {
  const [taxon] = listOf(lead.TaxonName);
  if (taxon) {
    const id = textOf(taxon['@plesion:taxon']);
    const facets = textOf(taxon['@plesion:facets']);
    const name = textOf(taxon['@plesion:name']) || names.get(textOf(taxon['@ref'])) || labelOf(taxon) || textOf(taxon['@ref']);
    return { kind: 'taxon', name, ...(id ? { taxon: id } : {}), ...(facets ? { facets: JSON.parse(facets) as object } : {}) };
  }
  const subkey = lead.Subkey as Xml | undefined;
  return subkey ? { kind: 'key', title: labelOf(subkey) || textOf(subkey['@ref']) || 'another key' } : undefined;
}

/** A key by another hand: leads with one parent are one couplet, numbered in the order they are met. */
function plainKey(title: string, leads: readonly Xml[], names: ReadonlyMap<string, string>): unknown {
  const children = new Map<string, Xml[]>();
  for (const lead of leads) {
    grouped(children, parentOf(lead)).push(lead);
  }
  const couplets: Couplet[] = [];
  const visit = (parent: string) => {
    const own = children.get(parent) ?? [];
    children.delete(parent);
    const number = String(couplets.length + 1);
    const couplet: Couplet = { id: `c${number}`, number, leads: [] };
    couplets.push(couplet);
    let n = 0;
    own.forEach((lead, i) => {
      const id = textOf(lead['@id']);
      const goesOn = children.has(id);
      const to: Destination = goesOn ? { kind: 'couplet', couplet: visit(id) } : (endOf(lead, names) ?? { kind: 'open' });
      const said = splitStatements(statementOf(lead)).map((part) => ({ n: ++n, ...part }));
      couplet.leads.push({ id: String.fromCharCode(97 + (i % 26)), statements: said, to });
    });
    return couplet.id;
  };
  const start = visit('');
  return { format: 'plesion-key', formatVersion: 1, title, start, couplets };
}

const parentOf = (lead: Xml): string => textOf((lead.Parent as Xml | undefined)?.['@ref']);

function grouped(groups: Map<string, Xml[]>, name: string): Xml[] {
  const group = groups.get(name) ?? [];
  groups.set(name, group);
  return group;
}

const statementOf = (lead: Xml): string =>
  textOf(lead.Statement) || labelOf((lead.Statement as Xml | undefined) ?? {}) || labelOf(lead);
