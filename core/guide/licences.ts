import type { Licence } from './vocabulary';

const WORDS: Partial<Record<Licence, string>> = {
  own: 'all rights kept',
  permission: 'by permission',
  'public-domain': 'public domain',
};

/** On what terms, as it is said below a photograph: "CC BY-SA 4.0". */
export const sayLicence = (licence: Licence): string => WORDS[licence] ?? licence.replace(/^CC-/, 'CC ').replace(/-(\d)/, ' $1');
