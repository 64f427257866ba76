import type { Grouping } from '../../evidence';
import { type CompiledGuide, type Guide, isFormOf } from '../../guide/working';
import {
  alone,
  type Couplet,
  coupletIndex,
  findingOf,
  type Key,
  type Lead,
  leadsInto,
  leadsOf,
  nextOf,
  supportOf,
} from '../../keys';
import type { Plan, Traits } from '../../plates';
import { pick, seeded } from '../../probability';
import { bestFrom, choicesOf, practiceViews, priorOf, readableIn, readingsIn } from '../drawn';
import { groupsAt } from '../groups';
import { individualsOf } from '../individual';
import type { Asked, DrillStep, Item } from '../schema';

/** Individuals drawn until one keys out as what it is. */
const TRIES = 40;

/** A lead is told by its statements where they speak for it by so much more than for any other, in bits. */
const TELLS = 0.5;

/**
 * A novel individual to be taken through a key, couplet by couplet: every ending that the guide knows is as likely as the
 * other. What is right at a couplet follows from the statements tied to characters of the guide, held against the
 * individual; where they say nothing, from where its ending lies. Only individuals that key out as what they are come up.
 *
 * @returns undefined where no ending of the key is a form of the guide, or the key never comes to it.
 */
export function keyDrill(compiled: CompiledGuide, plan: Plan, key: Key, asked: Asked, seed: string): Item | undefined {
  const { guide } = compiled;
  const random = seeded(`walk ${guide.id} ${seed}`);
  const endings = endingsOf(compiled, key);
  if (!endings.length) return undefined;
  const views = practiceViews(guide, plan).filter((view) => asked.view === undefined || asked.view === view);
  for (let i = 0; i < TRIES; i++) {
    const forms = endings[Math.floor(random() * endings.length)];
    const form = pick(
      compiled.base.map((weight, f) => (forms.includes(f) ? weight : 0)),
      random,
    );
    const traits = individualsOf(compiled, form)(random);
    const steps = wayOf(compiled, plan, key, form, traits, views);
    if (steps) return itemOf(compiled, asked, { seed, form, traits, steps }, endings.flat());
  }
  return undefined;
}

interface Walked {
  seed: string;
  form: number;
  traits: Traits;
  steps: DrillStep[];
}

function itemOf(compiled: CompiledGuide, { level }: Asked, { steps, form, ...own }: Walked, all: readonly number[]): Item {
  const { guide, forms } = compiled;
  const grouping: Grouping = groupsAt(compiled, level);
  const weights = forms.map((_, f) => (all.includes(f) ? compiled.base[f] : 0));
  const readings = [
    ...new Map(steps.flatMap(({ shows, given }) => [...shows, ...given]).map((one) => [one.character, one])).values(),
  ];
  return {
    ...own,
    guide: guide.id,
    view: steps[0].view,
    level,
    hidden: [],
    choices: choicesOf(grouping, weights),
    truth: {
      form: forms[form].id,
      group: grouping.groups[grouping.of[form]].id,
      readings,
      best: bestFrom(compiled, grouping, priorOf(weights), readings),
    },
    drill: { steps },
  };
}

/** The forms of each ending that the guide knows. */
function endingsOf({ guide, forms, base }: CompiledGuide, key: Key): number[][] {
  const found = new Map<string, number[]>();
  for (const { lead } of leadsOf(key)) {
    const own = forms.flatMap((_, f) => (endsIn(guide, forms[f], lead) && base[f] > 0 ? [f] : []));
    if (own.length) found.set(own.join(' '), own);
  }
  return [...found.values()];
}

const endsIn = (guide: Guide, form: CompiledGuide['forms'][number], { to }: Lead): boolean =>
  to.kind === 'taxon' && to.taxon !== undefined && isFormOf(guide, form, to.taxon, to.facets);

/** The couplets through which an individual goes to its own ending; undefined where its marks lead it elsewhere. */
function wayOf(
  compiled: CompiledGuide,
  plan: Plan,
  key: Key,
  form: number,
  traits: Traits,
  views: readonly string[],
): DrillStep[] | undefined {
  const { guide } = compiled;
  const leading = leadingTo(guide, key, compiled.forms[form]);
  const characters = new Map(guide.characters.map((character) => [character.id, character]));
  // All that it is, whether it shows or not.
  const seen = readingsIn(guide.characters, traits, compiled, form);
  const one = alone(seen);
  const steps: DrillStep[] = [];
  const passed = new Set<string>();
  const shown = views.filter((one) => plan.shows?.(traits, one) !== false);
  let view = shown[0];
  for (let couplet = coupletIndex(key).get(key.start); couplet;) {
    if (passed.has(couplet.id) || view === undefined) return undefined;
    passed.add(couplet.id);
    const supports = couplet.leads.map((lead) =>
      supportOf(
        lead,
        lead.statements.flatMap((statement) => findingOf(statement, undefined, one, characters) ?? []),
      ),
    );
    const right = rightLeads(couplet, supports, leading);
    if (!right.length) return undefined;
    const asked = linkedTo(couplet);
    const about = seen.filter(({ character }) => asked.has(character));
    view = viewFor(guide, plan, shown, asked) ?? view;
    const drawn = new Set(readableIn(guide, plan, view).map(({ id }) => id));
    steps.push({
      couplet: couplet.id,
      number: couplet.number,
      leads: right.map(({ id }) => id),
      view,
      shows: about.filter(({ character }) => drawn.has(character)),
      given: about.filter(({ character }) => !drawn.has(character)),
    });
    couplet = nextOf(key, right[0]);
  }
  return steps.length ? steps : undefined;
}

/** What the marks speak for, if the individual's ending lies there; where they say nothing, every lead to it. */
function rightLeads({ leads }: Couplet, supports: readonly number[], leading: ReadonlySet<Lead>): Lead[] {
  const most = Math.max(...supports);
  const told = leads.filter((_, i) => supports[i] > most - TELLS);
  return told.filter((lead) => leading.has(lead));
}

/** The leads beyond which an individual's ending lies. */
function leadingTo(guide: Guide, key: Key, form: CompiledGuide['forms'][number]): Set<Lead> {
  const into = leadsInto(key);
  const found = new Set(leadsOf(key).flatMap(({ lead }) => (endsIn(guide, form, lead) ? [lead] : [])));
  const couplets = new Set<string>();
  let open = leadsOf(key).filter(({ lead }) => found.has(lead));
  while (open.length) {
    open = open.flatMap(({ couplet }) => {
      if (couplets.has(couplet.id)) return [];
      couplets.add(couplet.id);
      return into.get(couplet.id) ?? [];
    });
    for (const { lead } of open) found.add(lead);
  }
  return found;
}

const linkedTo = ({ leads }: Couplet): Set<string> =>
  new Set(leads.flatMap(({ statements }) => statements.flatMap(({ link }) => link?.character ?? [])));

/** The view that shows most of what a couplet asks; undefined where none shows any. */
function viewFor(guide: Guide, plan: Plan, views: readonly string[], asked: ReadonlySet<string>): string | undefined {
  const counts = views.map((view) => readableIn(guide, plan, view).filter(({ id }) => asked.has(id)).length);
  const most = Math.max(0, ...counts);
  return most > 0 ? views[counts.indexOf(most)] : undefined;
}
