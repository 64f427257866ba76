import type { Correction, ListedName } from '@plesion/contract';
import type { Listed, Moved } from '@plesion/core/fieldwork';
import { VERIFICATION_WORDS } from '@plesion/core/verification/schema';
import { sayDate } from '../../lib/dates';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { useGuide } from '../records/useGuide';

interface CorrectedProps {
  correction: Correction;
  moved: Moved;
  siteOf: (id: string | undefined) => string | undefined;
}

/** A record that goes by another name since, and what that did to the list. */
export function Corrected({ correction, moved, siteOf }: CorrectedProps) {
  const { kind, id, day, at, by, site, outcome } = correction;
  const was = useNameOf(correction.was);
  const became = useNameOf(correction.became);
  return (
    <LinkBox
      href={kind === 'capture' ? `/field/captures/${id}` : `/specimens/${id}`}
      gap="hair"
      justify="center"
      padY="xs"
      ruled="above"
    >
      <Text strong>{was ? `${was} → ${became ?? 'no name'}` : `${became}, put back`}</Text>
      {[
        was && moved.left && sayLeft(was, moved.left.stands, siteOf),
        became && moved.came && sayCame(became, id, moved.came.stands),
      ].map((sentence) => sentence && <Text key={sentence}>{sentence}</Text>)}
      <Text size="small" quiet>
        {[
          `${kind === 'capture' ? 'caught' : 'seen'} ${sayDate(day)}`,
          siteOf(site),
          outcome
            ? `${outcome.takenBack ? 'no more' : 'known'} by ${VERIFICATION_WORDS[outcome.kind]}, ${outcome.takenBack ? 'withdrawn' : 'written down'} ${sayDate(at)} by ${by}`
            : `${correction.became ? 'corrected' : 'removed or doubted'} ${sayDate(at)} by ${by}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </LinkBox>
  );
}

const sayLeft = (name: string, stands: Listed | undefined, siteOf: CorrectedProps['siteOf']): string =>
  stands
    ? `${name} stays on the list, since ${[sayDate(stands.day), siteOf(stands.site), stands.by].filter(Boolean).join(', ')}.`
    : `${name} is off the list: nothing else stood for it.`;

const sayCame = (name: string, id: string, stands: Listed | undefined): string | undefined => {
  if (!stands) return undefined;
  return stands.id === id ? `${name} stands on this one now.` : `${name} was on the list before, since ${sayDate(stands.day)}.`;
};

/** As one would say it. */
function useNameOf(name: ListedName | undefined): string | undefined {
  const guide = useGuide(name?.guideId).data?.guide;
  if (!name) return undefined;
  const id = name.taxon ?? name.group;
  const taxon = guide?.taxa.find((one) => one.id === id);
  const said = name.name ?? taxon?.vernacular ?? taxon?.name ?? 'a name of no guide here';
  return name.group ? `${said}, one of several` : said;
}
