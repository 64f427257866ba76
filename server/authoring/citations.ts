import { plugins } from '@citation-js/core';
import '@citation-js/plugin-bibtex';
import { type Cited, cslOf, sourceOf } from '@plesion/core/authoring';
import { CslItem } from '@plesion/core/authoring/schema';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { findDraft } from './drafts';

/** Items imported at once. */
const MOST = 1000;

const refused = (code: string, message: string) => badRequest([{ code, message, field: 'text' }]);

/** Literature as sources: BibTeX, or CSL-JSON; all of it, or none with what is wrong and where. */
export function readCitations(text: string): { sources: Cited[] } {
  const items = /^\s*[[{]/.test(text) ? fromJson(text) : fromBibtex(text);
  if (items.length === 0)
    throw refused('no-literature', 'There is no literature in it. Paste BibTeX (@book{…}) or CSL-JSON ([{ "type": …}]).');
  if (items.length > MOST) throw refused('too-many', `It holds ${items.length} items; bring ${MOST} at the most at once.`);
  return { sources: items.map((item, i) => sourceOf(itemFrom(item, i))) };
}

function fromBibtex(text: string): unknown[] {
  try {
    return plugins.input.chain(text, { forceType: '@bibtex/text', generateGraph: false });
  } catch (error) {
    const at = /at line (\d+)/.exec((error as Error).message)?.[1];
    throw refused(
      'not-bibtex',
      `This is not BibTeX as it should be${at ? `: look at line ${at}` : ''}. Mend it, and paste it again.`,
    );
  }
}

function fromJson(text: string): unknown[] {
  try {
    const read: unknown = JSON.parse(text);
    return Array.isArray(read) ? (read as unknown[]) : [read];
  } catch {
    throw refused('not-json', 'This begins like CSL-JSON, but is no JSON. Mend it, or paste BibTeX.');
  }
}

function itemFrom(item: unknown, i: number): CslItem {
  const read = CslItem.safeParse(item);
  if (read.success) return read.data;
  const [{ path, message }] = read.error.issues;
  throw refused('bad-item', `Item ${i + 1}${path.length ? `, ${path.join('.')}` : ''}: ${message}. It is no item of CSL-JSON.`);
}

/** The sources of a draft as literature for other programs. */
export async function draftCitations(em: Em, stationId: string, id: string, as: 'bibtex' | 'csl'): Promise<string> {
  const { content } = await findDraft(em, stationId, id);
  const items = content.sources.map(cslOf);
  return as === 'csl' ? `${JSON.stringify(items, undefined, 1)}\n` : plugins.output.format('bibtex', items);
}
