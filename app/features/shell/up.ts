/** Where a page belongs, and what that is called. */
export interface Up {
  href: string;
  label: string;
}

const DAYBOOK: Up = { href: '/', label: 'Daybook' };
const GUIDES: Up = { href: '/guides', label: 'Guides' };
const PRACTICE: Up = { href: '/practice', label: 'Practice' };
const FIELD: Up = { href: '/field', label: 'Field' };

/** Addresses as the router has them, from the nearest; `$1` is the id in them. */
const BELONGS: [RegExp, Up][] = [
  [/^\/specimens\/([^/]+)\/(?:name|measure)$/, { href: '/specimens/$1/bench', label: 'Bench' }],
  [/^\/specimens\/([^/]+)\/.+$/, { href: '/specimens/$1', label: 'Specimen' }],
  [/^\/specimens\/.+$/, DAYBOOK],
  [/^\/lots\/.+$/, { href: '/lots', label: 'Lots' }],
  [/^\/lots$/, DAYBOOK],
  [/^\/(join|opinion)\/.+$/, DAYBOOK],
  [/^\/opinions\/.+$/, { href: '/opinions', label: 'Opinions' }],
  [/^\/people$/, { href: '/account', label: 'Account' }],
  [/^\/audit$/, { href: '/people', label: 'People' }],
  [/^\/(account|appearance|calibration|kit|opinions|review)$/, DAYBOOK],
  [/^\/guides\/([^/]+)\/practice$/, PRACTICE],
  [/^\/practice\/sets\/([^/]+)\/results$/, { href: '/practice/sets/$1', label: 'Set' }],
  [/^\/practice\/sets\/.+$/, { href: '/practice/sets', label: 'Sets' }],
  [/^\/practice\/.+$/, PRACTICE],
  [/^\/guides\/write\/.+$/, { href: '/guides/write', label: 'Drafts' }],
  [/^\/guides\/([^/]+)\/.+$/, { href: '/guides/$1', label: 'Guide' }],
  [/^\/guides\/.+$/, GUIDES],
  [/^\/keys\/([^/]+)\/.+$/, { href: '/keys/$1', label: 'Key' }],
  [/^\/keys\/.+$/, GUIDES],
  [/^\/field\/counts\/.+$/, { href: '/field/counts', label: 'Counts' }],
  [/^\/field\/colony\/.+$/, { href: '/field/colony', label: 'Book' }],
  [/^\/field\/.+$/, FIELD],
];

/** The page above one; undefined for a place of the bar, which is above all. */
export function upFrom(path: string): Up | undefined {
  for (const [pattern, { href, label }] of BELONGS) {
    const found = pattern.exec(path);
    if (found) return { href: href.replace('$1', found[1]), label };
  }
  return undefined;
}
