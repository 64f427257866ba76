import { coupletIndex, leadsInto } from '../graph';
import type { Couplet, Destination, Key, Lead } from '../schema';
import type { TextStyle } from '../vocabulary';
import { printStatements } from '../statements';

/** Dots from the words of a lead to where it goes; at least three, so that they can be read back. */
const WIDTH = 92;
const leader = (used: number, to: string) => '.'.repeat(Math.max(3, WIDTH - used - to.length - 2));

/** Where a lead goes on, as printed. */
export function printDestination(key: Pick<Key, 'couplets'>, to: Destination): string {
  if (to.kind === 'couplet') return coupletIndex(key).get(to.couplet)?.number ?? to.couplet.replace(/^c/, '');
  if (to.kind === 'taxon') return to.name;
  return to.kind === 'key' ? `see key to ${to.title}` : '?';
}

/** The key as plain text or Markdown. */
export function writeKeyText(key: Key, style: TextStyle): string {
  if (style === 'markdown') return markdown(key);
  return `${style === 'bracketed' ? bracketed(key) : indented(key)}\n`;
}

function line(head: string, lead: Lead, to: string): string {
  const words = `${head}${printStatements(lead.statements)}`;
  if (!to) return words;
  return `${words} ${leader(words.length, to)} ${to}`;
}

/** One reference back, where a couplet is reached from one other only. */
function backReference(couplet: Couplet, into: ReturnType<typeof leadsInto>): string {
  const from = new Set((into.get(couplet.id) ?? []).map((placed) => placed.couplet.number));
  return from.size === 1 ? `(${[...from][0]})` : '';
}

function bracketed(key: Key): string {
  const into = leadsInto(key);
  return key.couplets
    .map((couplet) =>
      couplet.leads
        .map((lead, i) => {
          const head = i === 0 ? `${couplet.number}a${backReference(couplet, into)}` : `${couplet.number}${lead.id}`;
          return line(`${head} `, lead, lead.to.kind === 'open' ? '' : printDestination(key, lead.to));
        })
        .join('\n'),
    )
    .join('\n\n');
}

/** No line is set further in than this many steps, so that a deep key is not all spaces. */
const DEEPEST = 60;

/**
 * Each lead followed by what it leads to, one step further in. A part that is
 * reached again is printed once, where it is first reached, and referred to by its
 * number from then on.
 */
function indented(key: Key): string {
  const index = coupletIndex(key);
  const printed = new Set<string>();
  const out: string[] = [];
  const stack: { couplet: Couplet; lead: number }[] = [];
  const open = (couplet: Couplet) => {
    printed.add(couplet.id);
    stack.push({ couplet, lead: 0 });
  };
  const first = index.get(key.start);
  if (first) open(first);
  while (stack.length) {
    const top = stack[stack.length - 1];
    const lead = top.couplet.leads[top.lead++];
    if (!lead) {
      stack.pop();
      continue;
    }
    const next = lead.to.kind === 'couplet' ? index.get(lead.to.couplet) : undefined;
    const head = `${'  '.repeat(Math.min(DEEPEST, stack.length - 1))}${top.couplet.number}${lead.id}. `;
    if (!next || printed.has(next.id)) {
      out.push(line(head, lead, lead.to.kind === 'open' ? '' : printDestination(key, lead.to)));
      continue;
    }
    out.push(line(head, lead, ''));
    open(next);
  }
  return out.join('\n');
}

function markdown(key: Key): string {
  const parts = [`# ${key.title}`, ...(key.source ? [key.source] : []), ...(key.caution ? [`> ${key.caution}`] : [])];
  for (const couplet of key.couplets) {
    const leads = couplet.leads.map((lead) => {
      const to = printDestination(key, lead.to);
      const shown =
        lead.to.kind === 'couplet'
          ? `[${to}](#couplet-${to})`
          : lead.to.kind === 'taxon'
            ? `*${to}*`
            : lead.to.kind === 'key'
              ? to
              : '?';
      return `- **${couplet.number}${lead.id}** ${printStatements(lead.statements)} → ${shown}`;
    });
    parts.push(`<a id="couplet-${couplet.number}"></a>\n${leads.join('\n')}`);
  }
  return `${parts.join('\n\n')}\n`;
}
